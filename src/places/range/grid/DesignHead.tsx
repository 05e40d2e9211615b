'use client';
import type { useDraggable } from '@dnd-kit/core';
import { MoveVertical } from 'lucide-react';
import { nearness } from '@/core/fit/idea';
import type { Design } from '@/core/fit/schema';
import { useShop } from '@/state/shop/shop';
import { today } from '@/state/today';
import { Hint } from '@/ui/Hint';
import { LateMenu } from '@/ui/Menu';
import { VERDICT_INK, VerdictShape } from '@/ui/Verdict';
import { spotMark } from '../spots';
import { DesignLines, type RowOf } from './DesignLines';
import { placeMark } from './place';
import { HEAD_WIDTH } from './sizes';

interface Props {
  row: RowOf;
  /** How many of its fits that are shown are Ready, and of how many. */
  ready: number;
  fitted: number;
  /** Whether Tab comes to it. */
  focused: boolean;
  /** What its row is moved by, where rows stand in the shop's own order. */
  handle: Pick<ReturnType<typeof useDraggable>, 'attributes' | 'listeners' | 'setActivatorNodeRef'>;
  movable: boolean;
}

/** The head of a design's row: its name, how it stands, and what can be done with it. */
export function DesignHead({ row, ready, fitted, focused, handle, movable }: Props) {
  const { design, onAsk } = row;
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
              onClick={() => {
                onAsk({ kind: 'design', designId: design.id });
              }}
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
            <DesignLines {...row} />
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
