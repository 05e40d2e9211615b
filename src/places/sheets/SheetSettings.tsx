'use client';
import type { ReactNode } from 'react';
import { showLength, type UnitSetting } from '@/core/length/show';
import { PAPERS } from '@/core/sheet/papers';
import { LEAST_ROOM, LEAST_SIDE, type Sheet, type Spot } from '@/core/sheet/schema';
import { useShop } from '@/state/shop/shop';
import { Choice } from '@/ui/Field';
import { Heading } from '@/ui/StripParts';
import { Report } from './Report';
import { Length, Row } from './Rows';
import type { LaidOut } from './useLayout';
import { Checkbox } from '@/ui/Checkbox';

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
  const cuts = laid?.layout.laid.some(({ print }) => print.cut) ?? false;
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
          least={LEAST_SIDE}
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
            least={LEAST_SIDE}
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
          most={Math.min(100, (Math.min(paper.width, paper.height ?? Infinity) - LEAST_ROOM) / 2)}
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
      <Checkbox
        checked={sheet.turning}
        onChange={(turning) => {
          repack({ turning });
        }}
        className="border-b border-rule py-0.5"
      >
        prints may be turned
      </Checkbox>
      <Checkbox
        checked={sheet.mirrored}
        onChange={(mirrored) => {
          onChange({ mirrored });
        }}
        className="border-b border-rule py-0.5"
      >
        mirrored as a whole, for transfers
      </Checkbox>
      <Heading>Marks outside the art</Heading>
      <Checkbox
        checked={sheet.crops}
        onChange={(crops) => {
          onChange({ crops });
        }}
        className="border-b border-rule py-0.5"
      >
        crop marks
      </Checkbox>
      <Checkbox
        checked={sheet.ruler}
        onChange={(ruler) => {
          onChange({ ruler });
        }}
        className="border-b border-rule py-0.5"
      >
        100 mm ruler
      </Checkbox>
      <Checkbox
        checked={sheet.labels}
        onChange={(labels) => {
          onChange({ labels });
        }}
        className="border-b border-rule py-0.5"
      >
        labels
      </Checkbox>
      {cuts && (
        <>
          <Checkbox
            checked={sheet.cutLines}
            onChange={(cutLines) => {
              onChange({ cutLines });
            }}
            className="border-b border-rule py-0.5"
          >
            cut lines, in an ink of their own
          </Checkbox>
          {sheet.cutLines && (
            <label className="flex items-center gap-2 py-1 pl-6 text-sm">
              called
              <input
                key={sheet.spot}
                aria-label="Name of the cut lines’ ink"
                defaultValue={sheet.spot}
                maxLength={40}
                onBlur={(event) => {
                  const spot = event.target.value.trim();
                  if (/^[\w -]+$/.test(spot)) onChange({ spot });
                  else event.target.value = sheet.spot;
                }}
                className="measure grow border border-rule bg-docket px-1 py-0.5"
              />
            </label>
          )}
        </>
      )}
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
          <Checkbox
            checked={spot.turned}
            onChange={(turned) => {
              onMove(selected, { turned });
            }}
            className="border-b border-rule py-0.5"
          >
            turned
          </Checkbox>
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
