'use client';
import type { useSortable } from '@dnd-kit/sortable';
import { MoveVertical } from 'lucide-react';
import { nearness } from '@/core/fit/idea';
import type { Design } from '@/core/fit/schema';
import { duplicateDesign } from '@/state/shop/designs';
import { removeDesign } from '@/state/shop/records';
import { useShop } from '@/state/shop/shop';
import { today } from '@/state/today';
import { Hint } from '@/ui/Hint';
import { LateMenu, MenuLine, MenuRule } from '@/ui/Menu';
import { tellDone } from '@/ui/tell';
import { VERDICT_INK, VerdictShape } from '@/ui/Verdict';
import { spotMark } from '../spots';
import { placeMark } from './place';
import { HEAD_WIDTH } from './sizes';

interface Props {
  design: Design;
  /** How many of its fits that are shown are Ready, and of how many. */
  ready: number;
  fitted: number;
  /** Whether Tab comes to it. */
  focused: boolean;
  /** What its row is moved by, where rows stand in the shop's own order. */
  handle: Pick<ReturnType<typeof useSortable>, 'attributes' | 'listeners' | 'setActivatorNodeRef'>;
  movable: boolean;
  /** The designs above and under it. */
  above: Design | undefined;
  under: Design | undefined;
  onOpen: () => void;
  onChoose: () => void;
  onMove: (toRowOf: Design) => void;
}

/** The head of a design's row: its name, how it stands, and what can be done with it. */
export function DesignHead({
  design,
  ready,
  fitted,
  focused,
  handle,
  movable,
  above,
  under,
  onOpen,
  onChoose,
  onMove,
}: Props) {
  const { attributes, listeners, setActivatorNodeRef } = handle;
  const stop = focused ? 0 : -1;
  return (
    <div
      role="rowheader"
      aria-colindex={1}
      {...spotMark({ designId: design.id })}
      style={{ width: HEAD_WIDTH }}
      className="sticky left-0 z-10 h-full border-b border-r border-rule bg-frame py-2 pl-1.5 pr-4"
    >
      <span className="flex items-start">
        {movable ? (
          <button
            ref={setActivatorNodeRef}
            {...attributes}
            {...listeners}
            tabIndex={stop}
            aria-label={`Move ${design.name} to another row`}
            className="mt-px grid h-6 w-6 shrink-0 cursor-grab touch-none place-items-center text-transparent hover:text-ink focus-visible:text-ink group-hover:text-ink-2"
          >
            <MoveVertical aria-hidden size={13} />
          </button>
        ) : (
          <span className="w-6 shrink-0" />
        )}
        <span className="min-w-0 grow">
          <Hint words={design.name}>
            <button
              {...placeMark({ designId: design.id })}
              tabIndex={stop}
              onClick={onOpen}
              className="line-clamp-2 text-left font-bold leading-tight"
            >
              {design.name}
            </button>
          </Hint>
          <span className="block text-sm text-ink-2">
            {design.artworks.length === 0
              ? 'no artwork'
              : `${design.artworks.length} ${design.artworks.length === 1 ? 'artwork' : 'artworks'}`}
          </span>
          <span className="mt-1.5 block text-sm font-semibold text-thread">
            {fitted === 0 ? 'not fitted yet' : `${ready} of ${fitted} Ready`}
          </span>
          <Occasion design={design} />
          <LateMenu
            label="Design…"
            spoken={`${design.name}: what can be done`}
            tabIndex={stop}
            className="verb mt-1 text-sm opacity-0 focus-visible:opacity-100 group-hover:opacity-100 data-[state=open]:opacity-100"
          >
            <MenuLine onSelect={onOpen}>Name, artworks, idea…</MenuLine>
            <MenuLine onSelect={onChoose}>Choose its row</MenuLine>
            <MenuLine
              onSelect={() =>
                void duplicateDesign(design.id).then(({ result, undo }) => {
                  tellDone(`“${result.name}” is under it, with its fits.`, undo);
                })
              }
            >
              Duplicate with its fits
            </MenuLine>
            <MenuRule />
            <MenuLine
              disabled={!above}
              onSelect={() => {
                if (above) onMove(above);
              }}
            >
              Move up a row
            </MenuLine>
            <MenuLine
              disabled={!under}
              onSelect={() => {
                if (under) onMove(under);
              }}
            >
              Move down a row
            </MenuLine>
            <MenuRule />
            <MenuLine
              onSelect={() =>
                void removeDesign(design.id).then((undo) => {
                  tellDone(`“${design.name}” is off the range.`, undo);
                })
              }
            >
              Take off the range
            </MenuLine>
          </LateMenu>
        </span>
      </span>
    </div>
  );
}

/** How near what it is for is; Look where the shop needs longer. */
function Occasion({ design: { idea } }: { design: Design }) {
  const weeks = useShop((shop) => shop.settings.leadWeeks);
  const near = idea && nearness(idea, today(), weeks);
  if (!near) return null;
  return (
    <span
      className={`mt-0.5 flex items-center gap-1.5 text-sm ${near.verdict === 'look' ? VERDICT_INK.look : 'text-ink-2'}`}
    >
      {near.verdict === 'look' && <VerdictShape verdict="look" />}
      {near.words}
    </span>
  );
}
