'use client';
import {
  closestCenter,
  DndContext,
  KeyboardSensor,
  PointerSensor,
  useSensor,
  useSensors,
  type Modifier,
} from '@dnd-kit/core';
import { SortableContext, sortableKeyboardCoordinates, verticalListSortingStrategy } from '@dnd-kit/sortable';
import { trimSize, type PrintFace, type ResolvedBlank } from '@/core/blank/resolve';
import { isToShape } from '@/core/cut/face';
import { showSize, type UnitSetting } from '@/core/length/show';
import type { Design, Fit } from '@/core/fit/schema';
import { addColumn, removeColumn } from '@/state/shop/range';
import { moveDesign } from '@/state/shop/designs';
import { useShop } from '@/state/shop/shop';
import type { Asked } from './asked';
import { CELL_WIDTH } from './Cell';
import { DesignRow } from './DesignRow';
import { MenuLine, VerbMenu } from '@/ui/Menu';
import { tellDone } from '@/ui/tell';
import { spotMark } from './spots';

const NO_FITS: readonly Fit[] = [];

/** Rows go up and down alone. */
const DOWN_ONLY: Modifier[] = [({ transform }) => ({ ...transform, x: 0 })];

interface Props {
  columns: readonly ResolvedBlank[];
  designs: readonly Design[];
  onOpen: (fitId: string) => void;
  onAsk: (asked: Asked) => void;
}

/** The table itself: its head and first column stay in sight while the rest scrolls. */
export function RangeTable({ columns, designs, onOpen, onAsk }: Props) {
  const shop = useShop();
  const { unit } = shop.settings;
  const drawingWidth = Math.max(CELL_WIDTH - 14, Math.min(238, 1000 / Math.max(1, columns.length)));
  const fitsOf = byDesign(shop.fits.values());
  const spare = [...shop.blanks.values()].filter(
    ({ blank }) => !columns.some((column) => column.blank.id === blank.id),
  );

  const move = (designId: string, toRowOf: Design) => {
    void moveDesign(designId, toRowOf.id).then(({ undo }) => {
      tellDone('The row is moved.', undo);
    });
  };
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 4 } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  );

  return (
    <div className="min-h-0 grow overflow-auto">
      <DndContext
        sensors={sensors}
        collisionDetection={closestCenter}
        modifiers={DOWN_ONLY}
        onDragEnd={({ active, over }) => {
          const to = designs.find(({ id }) => id === over?.id);
          if (to && to.id !== active.id) move(String(active.id), to);
        }}
      >
        <table className="w-full border-separate border-spacing-0">
          <thead>
            <tr>
              <th className="sticky left-0 top-0 z-20 w-[204px] min-w-[204px] border-b-2 border-r border-ink border-r-rule bg-frame py-2.5 pl-[30px] pr-4 text-left text-sm font-normal text-ink-2">
                design ↓ blank →<br />
                print area in {unit.unit}
              </th>
              {columns.map(({ blank, faces }) => (
                <th
                  key={blank.id}
                  scope="col"
                  {...spotMark({ blankId: blank.id })}
                  style={{ minWidth: CELL_WIDTH }}
                  className="sticky top-0 z-10 border-b-2 border-r border-ink border-r-rule bg-frame px-2 py-2.5 text-left align-top"
                >
                  <VerbMenu
                    label={blank.name}
                    spoken={`${blank.name}: column`}
                    className="text-left font-bold"
                  >
                    <MenuLine
                      onSelect={() => {
                        onAsk({ kind: 'start', blankId: blank.id });
                      }}
                    >
                      Start a design on it…
                    </MenuLine>
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
            <SortableContext items={designs.map(({ id }) => id)} strategy={verticalListSortingStrategy}>
              {designs.map((design, i) => (
                <DesignRow
                  key={design.id}
                  design={design}
                  fits={fitsOf.get(design.id) ?? NO_FITS}
                  columns={columns}
                  drawingWidth={drawingWidth}
                  above={designs[i - 1]}
                  under={designs[i + 1]}
                  adds={spare.length > 0}
                  onMove={(to) => {
                    move(design.id, to);
                  }}
                  onOpen={onOpen}
                  onAsk={onAsk}
                />
              ))}
            </SortableContext>
          </tbody>
        </table>
      </DndContext>
    </div>
  );
}

/** Fits by their design, so that no row goes through all of them. */
function byDesign(fits: Iterable<Fit>): Map<string, Fit[]> {
  const all = new Map<string, Fit[]>();
  for (const fit of fits) {
    const own = all.get(fit.designId);
    if (own) own.push(fit);
    else all.set(fit.designId, [fit]);
  }
  return all;
}

/** What a column's blank measures: its first print area, or the box of its arc. */
function sizeInWords(face: PrintFace, unit: UnitSetting): string {
  const { width, height } = trimSize(face);
  return `${showSize(width, height, unit)}${face.bend ? ' arc' : ''}`;
}
