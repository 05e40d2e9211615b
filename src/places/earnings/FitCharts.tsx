'use client';
import { useState } from 'react';
import * as v from 'valibot';
import { CartesianGrid, Line, LineChart, ReferenceLine, Tooltip, XAxis, YAxis } from 'recharts';
import { cents } from '@/core/price/cost';
import { marginOf, sayMoney, sayShare } from '@/core/price/earn';
import { MoneySchema } from '@/core/price/list';
import { breakEven, costAgainstQuantity, inksEarning, marginAgainstAsking } from '@/core/price/series';
import type { FitEarning } from '@/state/price/earning';
import { useShop } from '@/state/shop/shop';
import { Typed } from '@/ui/Typed';
import { Chart } from './Chart';
import { GRID, HAND, INK, LINE, MARGIN } from './drawn';

/** Quantities that are drawn at least. */
const LEAST_DRAWN = 50;

/** One fit's charts: its margin by what is asked, its cost by quantity, and what more inks earn against fewer. */
export function FitCharts({ name, found }: { name: string; found: FitEarning }) {
  return (
    <>
      <MarginChart name={name} found={found} />
      <CostChart name={name} found={found} />
      {found.screens && <InksChart name={name} found={found} />}
    </>
  );
}

function MarginChart({ name, found }: { name: string; found: FitEarning }) {
  const rates = useShop((shop) => shop.settings.rates);
  const { lines, needs, outlet, asking, earning } = found;
  const points = marginAgainstAsking(lines, needs, outlet, { asking, rates });
  const { currency, lowest, unknown } = earning;
  return (
    <Chart
      title="Margin by what is asked"
      says={
        points.length === 0
          ? `${name}: unknown until somebody says ${unknown.join(', ')}.`
          : `${name}: no loss from ${sayMoney(lowest, currency)}${asking === null ? '; nothing is asked for it yet' : `; ${sayShare(marginOf(earning))} at ${cents(earning.asking)}`}.`
      }
      table={[[`asked, ${currency}`, 'margin'], ...points.map(({ at, said }) => [at.toFixed(2), said])]}
      empty={points.length === 0}
    >
      <LineChart data={points.map(({ at, value }) => ({ at, value }))} margin={MARGIN} accessibilityLayer>
        <CartesianGrid {...GRID} />
        <XAxis
          dataKey="at"
          type="number"
          domain={['auto', 'auto']}
          tick={INK}
          tickFormatter={(sum: number) => `${sum} ${currency}`}
        />
        <YAxis tick={INK} unit=" %" width={54} />
        <ReferenceLine y={0} stroke="var(--ink)" />
        {asking !== null && <ReferenceLine x={Number(asking)} stroke="var(--tape)" strokeWidth={3} />}
        <Tooltip
          {...HAND}
          formatter={(value) => [`${Number(value).toFixed(1)} %`, 'margin']}
          labelFormatter={(at) => `asked ${Number(at).toFixed(2)} ${currency}`}
        />
        <Line dataKey="value" {...LINE} />
      </LineChart>
    </Chart>
  );
}

function CostChart({ name, found }: { name: string; found: FitEarning }) {
  const { lines, needs, earning } = found;
  const most = Math.max(LEAST_DRAWN, needs.quantity * 2, ...lines.map(({ from }) => Math.ceil(from * 1.5)));
  const points = costAgainstQuantity(lines, needs, most);
  const known = points.filter(({ value }) => value !== null);
  const currency = lines[0]?.currency ?? earning.currency;
  const breaks = lines.filter(({ from }) => from > 1).map(({ from }) => from);
  return (
    <Chart
      title="Cost by quantity"
      says={
        known.length === 0
          ? `${name}: unknown until somebody says ${earning.unknown.join(', ')}.`
          : `${name}: one piece costs ${known[0]!.said} ${currency} alone, ${known.at(-1)!.said} of ${most}${breaks.length > 0 ? `; it changes from ${breaks.join(', ')}` : ''}.`
      }
      table={[['pieces', `one costs, ${currency}`], ...points.map(({ at, said }) => [String(at), said])]}
      empty={known.length === 0}
    >
      <LineChart data={points.map(({ at, value }) => ({ at, value }))} margin={MARGIN} accessibilityLayer>
        <CartesianGrid {...GRID} />
        <XAxis dataKey="at" type="number" domain={[1, most]} tick={INK} />
        <YAxis
          tick={INK}
          width={54}
          domain={['auto', 'auto']}
          tickFormatter={(sum: number) => sum.toFixed(2)}
        />
        {breaks.map((from) => (
          <ReferenceLine key={from} x={from} stroke="var(--ink-2)" strokeDasharray="2 3" />
        ))}
        <ReferenceLine x={needs.quantity} stroke="var(--tape)" strokeWidth={3} />
        <Tooltip
          {...HAND}
          formatter={(value) => [`${Number(value).toFixed(2)} ${currency}`, 'one costs']}
          labelFormatter={(at) => `of ${Number(at)}`}
        />
        <Line dataKey="value" type="stepAfter" {...LINE} />
      </LineChart>
    </Chart>
  );
}

function InksChart({ name, found }: { name: string; found: FitEarning }) {
  const rates = useShop((shop) => shop.settings.rates);
  const { lines, needs, outlet, asking, earning } = found;
  const [more, setMore] = useState(String(Math.max(needs.inks ?? 0, 5)));
  const [fewer, setFewer] = useState('3');
  const [dearer, setDearer] = useState('1.00');
  const inks = [Number(more), Number(fewer)] as const;
  const asked = asking === null ? null : { asking, more: dearer, rates, inks };
  const even = asked && breakEven(lines, needs, outlet, asked);
  const most = Math.max(LEAST_DRAWN, needs.quantity * 2, Math.min(2000, (even ?? 0) * 2));
  const points = asked ? inksEarning(lines, needs, outlet, asked, most) : [];
  const drawn = points.filter(({ earned }) => earned.every((sum) => sum !== null));
  const count = (set: (text: string) => void) => (text: string) => {
    const whole = Number(text);
    if (!Number.isInteger(whole) || whole < 0 || whole > 24) return 'A whole number from 0 to 24.';
    set(text);
    return null;
  };
  return (
    <div className="col-span-2 grid grid-cols-[1fr_380px] gap-3">
      <Chart
        title={`${more} inks against ${fewer}`}
        says={
          asked === null
            ? `${name}: say what is asked for it first.`
            : drawn.length === 0
              ? `${name}: unknown until somebody says ${earning.unknown.join(', ')}.`
              : even === null
                ? `${name}: ${more} inks do not pay over ${fewer} at ${dearer} ${earning.currency} more apiece.`
                : `${name}: from ${even} ${even === 1 ? 'piece' : 'pieces'} ${more} inks pay over ${fewer}, sold for ${dearer} ${earning.currency} more.`
        }
        table={[
          ['pieces', `${more} inks earn`, `${fewer} inks earn`],
          ...points.map(({ quantity, earned }) => [
            String(quantity),
            ...earned.map((sum) => sum ?? 'unknown'),
          ]),
        ]}
        empty={drawn.length === 0}
      >
        <LineChart
          data={drawn.map(({ quantity, earned }) => ({
            at: quantity,
            more: Number(earned[0]),
            fewer: Number(earned[1]),
          }))}
          margin={MARGIN}
          accessibilityLayer
        >
          <CartesianGrid {...GRID} />
          <XAxis dataKey="at" type="number" domain={[1, most]} tick={INK} />
          <YAxis tick={INK} width={60} />
          <ReferenceLine y={0} stroke="var(--ink)" />
          {even !== null && <ReferenceLine x={even} stroke="var(--ink-2)" strokeDasharray="2 3" />}
          <Tooltip
            {...HAND}
            formatter={(value, key) => [
              `${Number(value).toFixed(2)} ${earning.currency}`,
              `${key === 'more' ? more : fewer} inks earn`,
            ]}
            labelFormatter={(at) => `of ${Number(at)}`}
          />
          <Line dataKey="more" {...LINE} />
          <Line dataKey="fewer" {...LINE} stroke="var(--ink-2)" strokeDasharray="6 3" />
        </LineChart>
      </Chart>
      <div className="border border-rule bg-docket p-3">
        <Typed label="inks, drawn whole" value={more} placeholder="5" onSet={count(setMore)} />
        <Typed label="inks, drawn dashed" value={fewer} placeholder="3" onSet={count(setFewer)} />
        <Typed
          label={`asked more, in ${earning.currency}`}
          value={dearer}
          placeholder="1.00"
          onSet={(text) => {
            if (!v.is(MoneySchema, text.trim())) return 'Write a number with a point, as 1.00.';
            setDearer(text.trim());
            return null;
          }}
        />
      </div>
    </div>
  );
}
