'use client';
import type { ReactNode } from 'react';
import { fixed, showLength, type UnitSetting } from '@/core/length/show';
import { PAPERS } from '@/core/sheet/papers';
import type { Sheet, Spot } from '@/core/sheet/schema';
import { useShop } from '@/state/shop';
import { Choice } from '@/ui/Field';
import { EditableLength } from '@/ui/LengthValue';
import { Heading } from '@/ui/StripParts';
import type { LaidOut } from './useLayout';

interface Props {
  sheet: Sheet;
  laid: LaidOut | null;
  selected: number | null;
  onSelect: (index: number | null) => void;
  onChange: (change: Partial<Sheet>) => void;
  onMove: (index: number, spot: Partial<Spot>) => void;
}

const OWN = 'own';

/** The paper and how things lie on it, as numbers to be typed; and what the sheet says of itself. */
export function SheetSettings({ sheet, laid, selected, onSelect, onChange, onMove }: Props) {
  const { unit } = useShop((shop) => shop.settings);
  const { paper } = sheet;
  const known = PAPERS.find(({ width, height }) => width === paper.width && height === paper.height);
  const repack = (change: Partial<Sheet>) => {
    onChange({ ...change, placed: null });
  };
  return (
    <section
      aria-label="Sheet"
      className="w-[310px] shrink-0 overflow-auto border-l border-rule bg-docket px-4 pb-4"
    >
      <Report
        sheet={sheet}
        laid={laid}
        unit={unit}
        onPrice={(price) => {
          if (price !== sheet.price) onChange({ price });
        }}
      />
      <Heading>Paper, film or vinyl</Heading>
      <Choice
        label="size"
        value={known?.id ?? OWN}
        choices={[...PAPERS.map(({ id, name }) => [id, name] as const), [OWN, 'own']]}
        onChange={(id) => {
          const chosen = PAPERS.find((one) => one.id === id);
          if (chosen) repack({ paper: { name: chosen.name, width: chosen.width, height: chosen.height } });
        }}
      />
      <Row name="width">
        <Length
          name="Width of the paper"
          mm={paper.width}
          unit={unit}
          most={3200}
          onSet={(width) => {
            repack({ paper: { ...paper, name: OWN, width } });
          }}
        />
      </Row>
      <Row name={paper.height === null ? 'length, as long as it is needed' : 'height'}>
        {paper.height === null ? (
          <span className="measure">{laid ? showLength(laid.layout.height, unit) : ''}</span>
        ) : (
          <Length
            name="Height of the paper"
            mm={paper.height}
            unit={unit}
            most={5000}
            onSet={(height) => {
              repack({ paper: { ...paper, name: OWN, height } });
            }}
          />
        )}
      </Row>
      <Row name="margin all round">
        <Length
          name="Margin"
          mm={sheet.margin}
          unit={unit}
          most={100}
          least={0}
          onSet={(margin) => {
            repack({ margin });
          }}
        />
      </Row>
      <Row name="between prints">
        <Length
          name="Gap"
          mm={sheet.gap}
          unit={unit}
          most={100}
          least={0}
          onSet={(gap) => {
            repack({ gap });
          }}
        />
      </Row>
      <Row name="overlap of parts">
        <Length
          name="Overlap"
          mm={sheet.overlap}
          unit={unit}
          most={100}
          least={0}
          onSet={(overlap) => {
            repack({ overlap });
          }}
        />
      </Row>
      <Tick
        name="prints may be turned"
        on={sheet.turning}
        onTick={(turning) => {
          repack({ turning });
        }}
      />
      <Tick
        name="mirrored as a whole, for transfers"
        on={sheet.mirrored}
        onTick={(mirrored) => {
          onChange({ mirrored });
        }}
      />
      <Heading>Marks outside the art</Heading>
      <Tick
        name="crop marks"
        on={sheet.crops}
        onTick={(crops) => {
          onChange({ crops });
        }}
      />
      <Tick
        name="100 mm ruler"
        on={sheet.ruler}
        onTick={(ruler) => {
          onChange({ ruler });
        }}
      />
      <Tick
        name="labels"
        on={sheet.labels}
        onTick={(labels) => {
          onChange({ labels });
        }}
      />
      <Heading>Where things lie</Heading>
      {sheet.placed ? (
        <ByHand sheet={sheet} unit={unit} selected={selected} onMove={onMove}>
          <button
            className="verb"
            onClick={() => {
              onSelect(null);
              onChange({ placed: null });
            }}
          >
            Pack them again
          </button>
        </ByHand>
      ) : (
        <p className="py-1.5 text-sm">
          Packed closely.{' '}
          <button
            className="verb"
            disabled={
              !laid || laid.layout.laid.length === 0 || laid.layout.laid.some(({ part }) => part !== null)
            }
            onClick={() => {
              onChange({
                placed: laid!.layout.laid.map(({ fitId, faceId, sheet: on, x, y, turned }) => ({
                  ...{ fitId, faceId, sheet: on, x, y, turned },
                })),
              });
            }}
          >
            Place them by hand
          </button>
        </p>
      )}
    </section>
  );
}

function ByHand({
  sheet,
  unit,
  selected,
  onMove,
  children,
}: {
  sheet: Sheet;
  unit: UnitSetting;
  selected: number | null;
  onMove: Props['onMove'];
  children: ReactNode;
}) {
  const spot = selected === null ? undefined : sheet.placed?.[selected];
  return (
    <div className="py-1.5 text-sm">
      {spot && selected !== null ? (
        <>
          <Row name="from the left">
            <Length
              name="From the left"
              mm={spot.x}
              unit={unit}
              most={5000}
              least={0}
              onSet={(x) => {
                onMove(selected, { x });
              }}
            />
          </Row>
          <Row name="from the top">
            <Length
              name="From the top"
              mm={spot.y}
              unit={unit}
              most={60_000}
              least={0}
              onSet={(y) => {
                onMove(selected, { y });
              }}
            />
          </Row>
          <Tick
            name="turned"
            on={spot.turned}
            onTick={(turned) => {
              onMove(selected, { turned });
            }}
          />
        </>
      ) : (
        <p className="pb-1 text-ink-2">
          Click a print, or Tab to it: type where it lies, or nudge it by the arrow keys.
        </p>
      )}
      {children}
    </div>
  );
}

/** How well the sheet is used, what would still go on it, and what it costs. */
function Report({
  sheet,
  laid,
  unit,
  onPrice,
}: {
  sheet: Sheet;
  laid: LaidOut | null;
  unit: UnitSetting;
  onPrice: (price: number | null) => void;
}) {
  const { price, paper } = sheet;
  const report = laid?.report;
  const count = laid?.layout.laid.length ?? 0;
  return (
    <div role="status" aria-label="What the sheet says" className="border-b border-ink py-2">
      <p className="flex items-baseline justify-between">
        <span className="text-lg font-bold">
          {laid?.layout.sheets ?? 0} {laid?.layout.sheets === 1 ? 'sheet' : 'sheets'}
        </span>
        <span className="measure">
          {report && count > 0 ? `${fixed(report.used * 100, 1)} % of it used` : ''}
        </span>
      </p>
      {report?.more !== null && report?.more !== undefined && count > 0 && (
        <p className="text-sm">
          {report.more === 0
            ? 'The last print would not go on once more.'
            : `The last print would go on ${report.more} more ${report.more === 1 ? 'time' : 'times'}.`}
        </p>
      )}
      {report?.row !== null && report?.row !== undefined && (
        <p className="text-sm">One more row of the last print needs {showLength(report.row, unit)}.</p>
      )}
      {laid?.layout.troubles.map((trouble) => (
        <p key={trouble} className="text-sm text-fix">
          {trouble}
        </p>
      ))}
      <Row name={paper.height === null ? 'cost of a metre' : 'cost of a sheet'}>
        <input
          aria-label={paper.height === null ? 'Cost of a metre' : 'Cost of a sheet'}
          inputMode="decimal"
          placeholder="not known"
          defaultValue={price ?? ''}
          onBlur={(event) => {
            const typed = event.target.value.trim().replace(',', '.');
            const value = Number(typed);
            if (typed === '') onPrice(null);
            else if (Number.isFinite(value) && value >= 0) onPrice(value);
            else event.target.value = price === null ? '' : String(price);
          }}
          onKeyDown={(event) => {
            if (event.key === 'Enter') event.currentTarget.blur();
          }}
          className="measure w-24 bg-tape-pale px-1 text-right text-on-tape placeholder:text-on-tape/75"
        />
      </Row>
      {report?.cost && (
        <p className="measure text-sm">
          {fixed(report.cost.all, 2)} in all, {fixed(report.cost.each, 2)} a print
        </p>
      )}
    </div>
  );
}

function Row({ name, children }: { name: string; children: ReactNode }) {
  return (
    <div className="flex min-h-[30px] items-baseline justify-between gap-3 border-b border-rule py-1">
      <span className="text-ink-2">{name}</span>
      {children}
    </div>
  );
}

function Length({
  name,
  mm,
  unit,
  most,
  least = 20,
  onSet,
}: {
  name: string;
  mm: number;
  unit: UnitSetting;
  most: number;
  least?: number;
  onSet: (mm: number) => void;
}) {
  return (
    <EditableLength
      name={name}
      mm={mm}
      unit={unit}
      className="measure bg-tape-pale px-1 text-on-tape hover:bg-tape"
      refuse={(value) =>
        value < least || value > most
          ? `Between ${showLength(least, unit)} and ${showLength(most, unit)}.`
          : null
      }
      onSet={onSet}
    />
  );
}

function Tick({ name, on, onTick }: { name: string; on: boolean; onTick: (on: boolean) => void }) {
  return (
    <label className="flex cursor-pointer items-baseline gap-2 border-b border-rule py-1">
      <input
        type="checkbox"
        checked={on}
        onChange={(event) => {
          onTick(event.target.checked);
        }}
        className="accent-thread"
      />
      {name}
    </label>
  );
}
