'use client';
import { useSortable } from '@dnd-kit/sortable';
import { CSS } from '@dnd-kit/utilities';
import { memo } from 'react';
import { toast } from 'sonner';
import type { ResolvedBlank } from '@/core/blank/resolve';
import type { Design, Fit } from '@/core/fit/schema';
import { keyOfPlace, type Place } from '@/core/many/choice';
import { verdictOf } from '@/state/bench/dockets';
import { sentence } from '@/state/sentence';
import { toggleAll } from '@/state/many/chosen';
import { addVersion, versionsOf } from '@/state/shop/designs';
import { fitDesign } from '@/state/shop/range';
import { removeFit } from '@/state/shop/records';
import { useShop } from '@/state/shop/shop';
import { Guard } from '@/ui/Guard';
import { tellDone } from '@/ui/tell';
import type { Asked } from '../asked';
import { Cell } from './Cell';
import { DesignHead } from './DesignHead';
import { ROW_HEIGHT } from './sizes';

interface Props {
  design: Design;
  index: number;
  /** Its fits, on whatever blanks. */
  fits: readonly Fit[];
  columns: readonly ResolvedBlank[];
  /** The columns that are drawn, and where, in px. */
  shown: readonly { column: ResolvedBlank; index: number; left: number }[];
  /** px of a cell. */
  width: number;
  /** The column whose cell has the focus, −1 for the head of the row; null where it is in no place of this row. */
  focused: number | null;
  above: Design | undefined;
  under: Design | undefined;
  /** Whether rows stand in the shop's own order, and can be moved in it. */
  movable: boolean;
  /** px */
  top: number;
  onMove: (designId: string, toRowOf: Design) => void;
  onOpen: (fitId: string) => void;
  onAsk: (asked: Asked) => void;
  onBlock: (to: Place) => void;
}

/** A design and its fits on the blanks of the range; drawn again only where something of its own changes, as it scrolls by. */
export const DesignRow = memo(function DesignRow({
  design,
  index,
  fits,
  columns,
  shown,
  width,
  focused,
  above,
  under,
  movable,
  top,
  onMove,
  onOpen,
  onAsk,
  onBlock,
}: Props) {
  const shop = useShop();
  const { attributes, listeners, setActivatorNodeRef, setNodeRef, transform, transition, isDragging } =
    useSortable({ id: design.id });
  const here = new Set(columns.map(({ blank }) => blank.id));
  const fitted = fits.filter(({ blankId }) => here.has(blankId));
  const ready = fitted.filter((one) => verdictOf(one, shop) === 'ready').length;
  const fit = (blankId: string, layoutId?: string | null) => {
    fitDesign(design.id, blankId, layoutId).catch((error: unknown) => toast(sentence(error)));
  };
  const askVersions = (blankId: string) => {
    onAsk({ kind: 'versions', designId: design.id, blankId });
  };
  return (
    <div
      ref={setNodeRef}
      role="row"
      aria-rowindex={index + 2}
      style={{
        top,
        height: ROW_HEIGHT,
        transform: CSS.Translate.toString(transform),
        transition,
      }}
      className={`group absolute inset-x-0 ${isDragging ? 'z-30 opacity-80' : ''}`}
    >
      <DesignHead
        design={design}
        ready={ready}
        fitted={fitted.length}
        handle={{ attributes, listeners, setActivatorNodeRef }}
        movable={movable}
        focused={focused === -1}
        above={above}
        under={under}
        onMove={(to) => {
          onMove(design.id, to);
        }}
        onOpen={() => {
          onAsk({ kind: 'design', designId: design.id });
        }}
        onChoose={() => {
          toggleAll(columns.map(({ blank }) => keyOfPlace({ designId: design.id, blankId: blank.id })));
        }}
      />
      {shown.map(({ column, index: at, left }) => {
        const blankId = column.blank.id;
        const versions = versionsOf(fits, design.id, blankId);
        const [first] = versions;
        return (
          <Guard
            key={blankId}
            what="This fit"
            instead={
              <div role="gridcell" style={{ left, width }} className="absolute top-0 p-2 text-sm">
                cannot be shown
              </div>
            }
          >
            <Cell
              column={column}
              index={at}
              place={{ left, width }}
              focused={focused === at}
              design={design}
              versions={versions}
              onFit={(layoutId) => {
                fit(blankId, layoutId);
              }}
              onOpen={(fitId) => {
                if (versions.length > 1) askVersions(blankId);
                else onOpen(fitId);
              }}
              onVersions={() => {
                if (!first) return;
                void addVersion(first.id).then(({ undo }) => {
                  askVersions(blankId);
                  tellDone(`${design.name} has two versions on ${column.blank.name}.`, undo);
                });
              }}
              onSize={() => {
                if (first) onAsk({ kind: 'size', fitId: first.id });
              }}
              onBlock={() => {
                onBlock({ designId: design.id, blankId });
              }}
              onRemove={() => {
                if (!first) return;
                void removeFit(first.id).then((undo) => {
                  tellDone(`${design.name} is off ${column.blank.name}.`, undo);
                });
              }}
            />
          </Guard>
        );
      })}
    </div>
  );
});
