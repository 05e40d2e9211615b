'use client';
import type { ResolvedBlank } from '@/core/blank/resolve';
import { DOTS, type PlannedInk, type PlatePlan, type Screen } from '@/core/fit/plates';
import type { UnitSetting } from '@/core/length/show';
import { withInk } from '@/core/plates/edit';
import { RULING, withScreens } from '@/core/plates/plan';
import { Choice } from '@/ui/Field';
import { Fold } from '@/ui/Fold';
import { LengthValue } from '@/ui/LengthValue';
import { Select } from '@/ui/Select';
import { Typed } from '@/ui/Typed';

interface Props {
  plan: PlatePlan;
  blank: ResolvedBlank;
  unit: UnitSetting;
  onPlan: (plan: PlatePlan) => void;
}

/** How the press lays inks: what lies under them, how far they reach under one another, and how tones are printed. */
export function PressSettings({ plan, blank, unit, onPlan }: Props) {
  const { limits } = blank;
  const short = (mm: number) =>
    mm < 0 || mm > 5 ? 'From 0 to 5 mm: a base ends inside the inks, and never past them.' : null;
  return (
    <>
      <Fold title="Base and traps" open className="mt-3">
        {limits.whiteInk ? (
          <Choice
            label="white under the inks"
            value={plan.base}
            choices={[
              ['auto', 'on dark products'],
              ['always', 'on every product'],
              ['none', 'none'],
            ]}
            onChange={(base) => {
              onPlan({ ...plan, base });
            }}
          />
        ) : (
          <p className="border-b border-rule py-1.5 text-sm text-ink-2">
            {blank.method.name} has no white ink: no base lies under the inks.
          </p>
        )}
        <p className="flex flex-wrap gap-x-5 gap-y-1 py-1.5">
          {limits.whiteInk && plan.base !== 'none' && (
            <LengthValue
              name="Base choked by"
              mm={plan.choke}
              unit={unit}
              refuse={short}
              onSet={(choke) => {
                onPlan({ ...plan, choke });
              }}
            >
              choked by
            </LengthValue>
          )}
          <LengthValue
            name="Light spread under dark by"
            mm={plan.trap}
            unit={unit}
            refuse={short}
            onSet={(trap) => {
              onPlan({ ...plan, trap });
            }}
          >
            light under dark by
          </LengthValue>
        </p>
      </Fold>
      <Fold title="Tones" open={plan.tones !== 'flat'} className="mt-3">
        <Choice
          label="tones"
          value={plan.tones}
          choices={[
            ['flat', 'flat inks, no tones'],
            ['halftone', 'as dots'],
            ['grey', 'as greys, to be screened'],
          ]}
          onChange={(tones) => {
            onPlan(withScreens({ ...plan, tones }, blank.spec.screens?.rulings));
          }}
        />
        {plan.tones === 'halftone' && <Screens {...{ plan, blank, onPlan }} />}
        <Typed
          label="plates at, in PPI"
          value={String(plan.ppi)}
          placeholder="600"
          onSet={(text) => {
            const ppi = Number(text);
            if (!(ppi >= 72 && ppi <= 2400)) return 'From 72 to 2,400 PPI.';
            onPlan({ ...plan, ppi: Math.round(ppi) });
            return null;
          }}
        />
      </Fold>
    </>
  );
}

/** The screens: one ruling for all inks, and for each its angle, its dot and its least dot. */
function Screens({ plan, blank, onPlan }: Pick<Props, 'plan' | 'blank' | 'onPlan'>) {
  const ruling = plan.inks[0]?.screen?.ruling ?? RULING;
  const rulings = [...new Set([...(blank.spec.screens?.rulings ?? [35, 45, 55, 65]), ruling])].sort(
    (a, b) => a - b,
  );
  const toAll = (change: Partial<Screen>) => {
    onPlan({
      ...plan,
      inks: plan.inks.map((ink) => (ink.screen ? { ...ink, screen: { ...ink.screen, ...change } } : ink)),
    });
  };
  return (
    <>
      <Choice
        label={blank.spec.screens ? `lines an inch, of ${blank.spec.house}` : 'lines an inch'}
        value={String(ruling)}
        choices={rulings.map((one) => [String(one), String(one)] as const)}
        className="w-24"
        onChange={(text) => {
          toAll({ ruling: Number(text) });
        }}
      />
      <Typed
        label="or typed: 45, or 18/cm"
        value=""
        placeholder={String(ruling)}
        onSet={(text) => {
          const lines = readRuling(text);
          if (lines === null) return '10 to 400 lines an inch, as 45 or 18/cm.';
          toAll({ ruling: lines });
          return null;
        }}
      />
      <table className="mt-1 w-full text-sm">
        <caption className="sr-only">Screens of the inks</caption>
        <thead>
          <tr className="text-left text-ink-2">
            <th className="font-normal">ink</th>
            <th className="text-right font-normal">angle °</th>
            <th className="pl-2 font-normal">dot</th>
            <th className="text-right font-normal">least %</th>
          </tr>
        </thead>
        <tbody>
          {plan.inks.map((ink) => (
            <ScreenLine
              key={ink.id}
              ink={ink}
              onScreen={(screen) => {
                onPlan(withInk(plan, ink.id, { screen }));
              }}
            />
          ))}
        </tbody>
      </table>
    </>
  );
}

/** `45` or `18/cm`, in lines an inch; null where it does not read. */
function readRuling(text: string): number | null {
  const [, number, perCm] = /^\s*(\d+(?:[.,]\d+)?)\s*(\/\s*cm)?\s*(?:lpi)?\s*$/i.exec(text) ?? [];
  const lines = Number((number ?? 'x').replace(',', '.')) * (perCm ? 2.54 : 1);
  return lines >= 10 && lines <= 400 ? Number(lines.toFixed(2)) : null;
}

function ScreenLine({ ink, onScreen }: { ink: PlannedInk; onScreen: (screen: Screen) => void }) {
  const { screen } = ink;
  if (!screen) return null;
  return (
    <tr className="border-t border-rule">
      <th scope="row" className="max-w-28 truncate py-0.5 text-left font-normal">
        {ink.name}
      </th>
      <td className="text-right">
        <NumberCell
          label={`Angle of ${ink.name}, in degrees`}
          value={screen.angle}
          from={-180}
          to={180}
          onSet={(angle) => {
            onScreen({ ...screen, angle });
          }}
        />
      </td>
      <td className="pl-2">
        <Select
          label={`Dot of ${ink.name}`}
          value={screen.dot}
          choices={DOTS.map((dot) => [dot, dot] as const)}
          className="w-24"
          onChange={(dot) => {
            onScreen({ ...screen, dot });
          }}
        />
      </td>
      <td className="text-right">
        <NumberCell
          label={`Least dot of ${ink.name}, in percent`}
          value={Math.round((screen.least ?? 0) * 1000) / 10}
          from={0}
          to={50}
          onSet={(least) => {
            onScreen({ ...screen, least: least / 100 });
          }}
        />
      </td>
    </tr>
  );
}

function NumberCell({
  label,
  value,
  from,
  to,
  onSet,
}: {
  label: string;
  value: number;
  from: number;
  to: number;
  onSet: (value: number) => void;
}) {
  return (
    <input
      key={value}
      aria-label={label}
      defaultValue={value}
      inputMode="decimal"
      className="measure w-12 bg-tape-pale px-1 text-right text-on-tape"
      onKeyDown={(event) => {
        if (event.key === 'Enter') event.currentTarget.blur();
      }}
      onBlur={(event) => {
        const typed = Number(event.currentTarget.value.replace(',', '.'));
        if (typed >= from && typed <= to) {
          if (typed !== value) onSet(typed);
        } else event.currentTarget.value = String(value);
      }}
    />
  );
}
