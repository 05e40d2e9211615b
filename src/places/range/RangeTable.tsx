'use client';
import { toast } from 'sonner';
import { trimSize, type PrintFace, type ResolvedBlank } from '@/core/blank/resolve';
import { isToShape } from '@/core/cut/face';
import { showSize, type UnitSetting } from '@/core/length/show';
import type { Design } from '@/core/fit/schema';
import { addColumn, fitDesign, removeColumn } from '@/state/shop/range';
import { currentDocket } from '@/state/bench/dockets';
import { removeDesign, removeFit } from '@/state/shop/records';
import { useShop } from '@/state/shop/shop';
import { sentence } from '@/state/sentence';
import { Cell, CELL_WIDTH } from './Cell';
import { Hint } from '@/ui/Hint';
import { MenuLine, VerbMenu } from '@/ui/Menu';
import { tellDone } from '@/ui/tell';
import { Guard } from '@/ui/Guard';

interface Props {
  columns: readonly ResolvedBlank[];
  designs: readonly Design[];
  onOpen: (fitId: string) => void;
}

/** The table itself: its head and first column stay in sight while the rest scrolls. */
export function RangeTable({ columns, designs, onOpen }: Props) {
  const shop = useShop();
  const { unit } = shop.settings;
  const drawingWidth = Math.max(CELL_WIDTH - 14, Math.min(238, 1000 / Math.max(1, columns.length)));
  const spare = [...shop.blanks.values()].filter(
    ({ blank }) => !columns.some((column) => column.blank.id === blank.id),
  );

  const fit = async (designId: string, blankId: string) => {
    try {
      await fitDesign(designId, blankId);
    } catch (error) {
      toast(sentence(error));
    }
  };
  const takeOff = async (design: Design) => {
    const undo = await removeDesign(design.id);
    tellDone(`“${design.name}” is off the range.`, undo);
  };

  return (
    <div className="min-h-0 grow overflow-auto">
      <table className="w-full border-separate border-spacing-0">
        <thead>
          <tr>
            <th className="sticky left-0 top-0 z-20 w-[204px] min-w-[204px] border-b-2 border-r border-ink border-r-rule bg-frame px-4 py-2.5 text-left text-sm font-normal text-ink-2">
              design ↓ blank →<br />
              print area in {unit.unit}
            </th>
            {columns.map(({ blank, faces }) => (
              <th
                key={blank.id}
                scope="col"
                style={{ minWidth: CELL_WIDTH }}
                className="sticky top-0 z-10 border-b-2 border-r border-ink border-r-rule bg-frame px-2 py-2.5 text-left align-top"
              >
                <VerbMenu label={blank.name} spoken={`${blank.name}: column`} className="text-left font-bold">
                  <MenuLine onSelect={() => void removeColumn(blank.id)}>
                    Take this column off; its fits stay
                  </MenuLine>
                </VerbMenu>
                <span className="measure block text-sm font-normal text-ink-2">
                  {isToShape({ blank }) ? 'cut to the artwork' : sizeInWords(faces[0]!, unit)}
                </span>
              </th>
            ))}
            {spare.length > 0 && (
              <th className="sticky top-0 z-10 w-28 border-b-2 border-ink bg-frame px-3 text-left align-middle">
                <VerbMenu label="Add a blank" align="end">
                  {spare.map(({ blank }) => (
                    <MenuLine key={blank.id} onSelect={() => void addColumn(blank.id)}>
                      {blank.name}
                    </MenuLine>
                  ))}
                </VerbMenu>
              </th>
            )}
          </tr>
        </thead>
        <tbody>
          {designs.map((design) => {
            const own = columns.map(({ blank }) =>
              [...shop.fits.values()].find((one) => one.designId === design.id && one.blankId === blank.id),
            );
            const fitted = own.filter((one) => one !== undefined);
            const ready = fitted.filter((one) => currentDocket(one, shop)?.verdict === 'ready').length;
            return (
              <tr key={design.id} className="group">
                <th
                  scope="row"
                  className="sticky left-0 z-10 border-b border-r border-rule bg-frame px-4 py-2.5 text-left align-top font-normal"
                >
                  <Hint words={design.name}>
                    <span className="line-clamp-2 font-bold">{design.name}</span>
                  </Hint>
                  <span className="block text-sm text-ink-2">
                    {design.artworks.length} {design.artworks.length === 1 ? 'artwork' : 'artworks'}
                  </span>
                  <span className="mt-1.5 block text-sm font-semibold text-thread">
                    {fitted.length === 0 ? 'not fitted yet' : `${ready} of ${fitted.length} Ready`}
                  </span>
                  <button
                    aria-label={`Take ${design.name} off the range`}
                    className="verb mt-1 text-sm opacity-0 focus-visible:opacity-100 group-hover:opacity-100"
                    onClick={() => void takeOff(design)}
                  >
                    Take off
                  </button>
                </th>
                {columns.map((column, index) => {
                  const set = own[index];
                  return (
                    <Guard
                      key={column.blank.id}
                      what="This fit"
                      instead={<td className="border-b border-r border-rule p-2 text-sm">cannot be shown</td>}
                    >
                      <Cell
                        column={column}
                        drawingWidth={drawingWidth}
                        design={design}
                        fit={set}
                        onFit={() => void fit(design.id, column.blank.id)}
                        onOpen={onOpen}
                        onRemove={() => {
                          if (!set) return;
                          void removeFit(set.id).then((undo) => {
                            tellDone(`${design.name} is off ${column.blank.name}.`, undo);
                          });
                        }}
                      />
                    </Guard>
                  );
                })}
                {spare.length > 0 && <td className="border-b border-rule" />}
              </tr>
            );
          })}
        </tbody>
      </table>
    </div>
  );
}

/** What a column's blank measures: its first print area, or the box of its arc. */
function sizeInWords(face: PrintFace, unit: UnitSetting): string {
  const { width, height } = trimSize(face);
  return `${showSize(width, height, unit)}${face.bend ? ' arc' : ''}`;
}
