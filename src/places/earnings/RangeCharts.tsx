'use client';
import { Bar, BarChart, CartesianGrid, ReferenceLine, Tooltip, XAxis, YAxis } from 'recharts';
import { rangeEarned, type Earned } from '@/state/price/range';
import { outletIn } from '@/state/price/outlets';
import { useShop } from '@/state/shop/shop';
import { Chart } from './Chart';
import { GRID, HAND, INK, MARGIN } from './drawn';

/** So many bars are drawn; the rest stands in the table. */
const MOST_BARS = 24;

/** What one piece of each fit of the range earns, by design and by blank. */
export function RangeCharts() {
  const shop = useShop();
  const { designs, blanks } = rangeEarned(shop);
  const { currency } = outletIn(shop);
  return (
    <>
      <Bars title="Earned by design" bars={designs} currency={currency} />
      <Bars title="Earned by blank" bars={blanks} currency={currency} />
    </>
  );
}

function Bars({ title, bars, currency }: { title: string; bars: readonly Earned[]; currency: string }) {
  const known = bars.filter(({ fits, unknown }) => unknown < fits);
  const unknown = bars.reduce((sum, one) => sum + one.unknown, 0);
  const fits = bars.reduce((sum, one) => sum + one.fits, 0);
  return (
    <Chart
      title={title}
      says={`One piece of each fit. ${unknown === 0 ? '' : `Of ${unknown} of ${fits} fits it is unknown: they are not in it.`}`}
      table={[
        ['', `earns, ${currency}`, 'fits', 'unknown'],
        ...bars.map((one) => [
          one.name,
          one.unknown === one.fits ? 'unknown' : one.profit.toFixed(2),
          String(one.fits),
          String(one.unknown),
        ]),
      ]}
      empty={known.length === 0}
    >
      <BarChart
        data={known
          .slice(0, MOST_BARS)
          .map(({ name, profit }) => ({ name, value: Number(profit.toFixed(2)) }))}
        margin={MARGIN}
        accessibilityLayer
      >
        <CartesianGrid {...GRID} />
        <XAxis
          dataKey="name"
          tick={INK}
          interval={0}
          angle={known.length > 4 ? -28 : 0}
          textAnchor={known.length > 4 ? 'end' : 'middle'}
          height={known.length > 4 ? 64 : 24}
          tickFormatter={(name: string) => (name.length > 16 ? `${name.slice(0, 15)}…` : name)}
        />
        <YAxis tick={INK} width={54} />
        <ReferenceLine y={0} stroke="var(--ink)" />
        <Tooltip
          {...HAND}
          cursor={{ fill: 'var(--rule)', opacity: 0.4 }}
          formatter={(value) => [`${Number(value).toFixed(2)} ${currency}`, 'earns']}
        />
        <Bar dataKey="value" fill="var(--thread)" maxBarSize={42} isAnimationActive={false} />
      </BarChart>
    </Chart>
  );
}
