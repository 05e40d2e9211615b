'use client';
import type { Parting } from '@/core/cut/parting';
import { stickerSize } from '@/core/cut/set';
import { sized, type StickerSet } from '@/core/cut/sorting';
import { shapeOf } from '@/core/cut/face';
import { showSize, type UnitSetting } from '@/core/length/show';
import type { Fit } from '@/core/fit/schema';
import { EditableLength } from '@/ui/LengthValue';
import { NameField } from '@/ui/NameField';
import { Toggle } from '@/ui/Toggle';

const SMALLEST = 5;
const LARGEST = 2000;

/** The stickers by number: name, size of the artwork, which can be typed, and of the whole with its border. */
export function SetList({
  set,
  parting,
  fit,
  unit,
  chosen,
  onChoose,
  onChange,
}: {
  set: StickerSet;
  parting: Parting;
  fit: Fit | null;
  unit: UnitSetting;
  chosen: readonly number[];
  onChoose: (index: number, more: boolean) => void;
  onChange: (set: StickerSet) => void;
}) {
  const refuse = (mm: number) =>
    mm < SMALLEST || mm > LARGEST ? 'A sticker is between 5 mm and 2 m.' : null;
  return (
    <ol aria-label="Stickers of the set" className="border-t border-rule">
      {set.stickers.map((sticker, i) => {
        const { width, height } = stickerSize(sticker, parting);
        const cut = fit?.faces[i]?.cut;
        return (
          <li
            key={`${sticker.motifs[0]!}`}
            className={`border-b border-rule py-1 ${chosen.includes(i) ? 'bg-frame' : ''}`}
          >
            <span className="flex items-center gap-2">
              <Toggle
                aria-label={`Choose sticker ${i + 1}`}
                pressed={chosen.includes(i)}
                className="measure w-7 shrink-0 border border-ink text-center aria-pressed:bg-thread aria-pressed:text-on-thread"
                onPress={(_, event) => {
                  onChoose(i, event.shiftKey);
                }}
              >
                {i + 1}
              </Toggle>
              <span className="min-w-0 grow overflow-hidden px-1">
                <NameField
                  small
                  label={`Name of sticker ${i + 1}`}
                  value={sticker.name}
                  onName={(name) => {
                    onChange({
                      ...set,
                      stickers: set.stickers.map((one, n) => (n === i ? { ...one, name } : one)),
                    });
                  }}
                />
              </span>
            </span>
            <span className="flex items-center gap-1 pl-9 pt-0.5">
              <EditableLength
                name={`Width of sticker ${i + 1}`}
                mm={width}
                unit={unit}
                refuse={refuse}
                className="measure bg-tape-pale px-1 text-on-tape hover:bg-tape"
                onSet={(mm) => {
                  onChange(sized(set, parting, i, { width: mm }));
                }}
              />
              <span className="text-ink-2">×</span>
              <EditableLength
                name={`Height of sticker ${i + 1}`}
                mm={height}
                unit={unit}
                refuse={refuse}
                className="measure bg-tape-pale px-1 text-on-tape hover:bg-tape"
                onSet={(mm) => {
                  onChange(sized(set, parting, i, { height: mm }));
                }}
              />
              <span className="measure ml-auto text-sm text-ink-2">{cut ? saidCut(cut.d, unit) : '…'}</span>
            </span>
          </li>
        );
      })}
    </ol>
  );
}

function saidCut(d: string, unit: UnitSetting): string {
  const points = shapeOf(d).outers.flat();
  if (points.length === 0) return 'nothing to cut';
  const xs = points.map(([x]) => x);
  const ys = points.map(([, y]) => y);
  return `cut ${showSize(Math.max(...xs) - Math.min(...xs), Math.max(...ys) - Math.min(...ys), unit)}`;
}
