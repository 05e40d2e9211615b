'use client';
import { numbersOf } from '@/core/blank/numbers';
import { trimSize, type ResolvedBlank } from '@/core/blank/resolve';
import { showLength, showSize, type UnitSetting } from '@/core/length/show';
import { useShop } from '@/state/shop/shop';

type Row = [name: string, values: string[]];

/** Chosen blanks side by side; a row whose values differ stands out. */
export function Compare({ blanks, onClose }: { blanks: readonly ResolvedBlank[]; onClose: () => void }) {
  const unit = useShop((shop) => shop.settings.unit);
  const rows = rowsOf(blanks, unit);
  return (
    <section
      aria-label="Side by side"
      className="max-h-[45%] shrink-0 overflow-auto border-t border-ink bg-docket px-4 py-2"
    >
      <table className="measure text-sm">
        <thead>
          <tr>
            <th className="pr-6 text-left font-normal">
              <button className="verb" onClick={onClose}>
                Leave
              </button>
            </th>
            {blanks.map(({ blank }) => (
              <th key={blank.id} scope="col" className="px-4 py-1 text-right font-semibold">
                {blank.name}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {rows.map(([name, values]) => {
            const differ = new Set(values).size > 1;
            return (
              <tr key={name} className="border-t border-rule">
                <th scope="row" className="pr-6 text-left font-normal text-ink-2">
                  {name}
                </th>
                {values.map((value, index) => (
                  <td
                    key={blanks[index]!.blank.id}
                    className={`px-4 py-0.5 text-right ${differ ? 'font-semibold' : 'text-ink-2'}`}
                  >
                    {value}
                  </td>
                ))}
              </tr>
            );
          })}
        </tbody>
      </table>
    </section>
  );
}

function rowsOf(blanks: readonly ResolvedBlank[], unit: UnitSetting): Row[] {
  const say = (mm: number) => showLength(mm, unit);
  const face = ({ faces }: ResolvedBlank) => faces[0]!;
  const fixed: Row[] = [
    ['print area', blanks.map((one) => sizeOf(one, unit))],
    ['faces', blanks.map(({ faces }) => faces.map(({ name }) => name.toLowerCase()).join(', '))],
    ['method', blanks.map(({ method }) => method.name)],
    ['house', blanks.map(({ spec }) => spec.house)],
    ['bleed', blanks.map((one) => say(face(one).bleed))],
    ['safe', blanks.map((one) => say(face(one).safe))],
    ['target, floor', blanks.map((one) => `${face(one).target}, ${face(one).floor} PPI`)],
    ['colours', blanks.map(({ blank }) => String(blank.colours.length))],
  ];
  const numbers = blanks.map(({ blank }) => new Map(numbersOf(blank.body).map(({ name, mm }) => [name, mm])));
  const names = [...new Set(numbers.flatMap((own) => [...own.keys()]))];
  return [
    ...fixed,
    ...names.map((name): Row => [
      name,
      numbers.map((own) => {
        const mm = own.get(name);
        return mm === undefined ? '–' : say(mm);
      }),
    ]),
  ];
}

function sizeOf({ faces }: ResolvedBlank, unit: UnitSetting): string {
  const { width, height } = trimSize(faces[0]!);
  return showSize(width, height, unit);
}
