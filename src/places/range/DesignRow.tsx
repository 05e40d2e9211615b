'use client';
import { useSortable } from '@dnd-kit/sortable';
import { CSS } from '@dnd-kit/utilities';
import { toast } from 'sonner';
import type { ResolvedBlank } from '@/core/blank/resolve';
import type { Design, Fit } from '@/core/fit/schema';
import { currentDocket } from '@/state/bench/dockets';
import { sentence } from '@/state/sentence';
import { addVersion, versionsOf } from '@/state/shop/designs';
import { fitDesign } from '@/state/shop/range';
import { removeFit } from '@/state/shop/records';
import { useShop } from '@/state/shop/shop';
import { Guard } from '@/ui/Guard';
import { tellDone } from '@/ui/tell';
import type { Asked } from './asked';
import { Cell } from './Cell';
import { DesignHead } from './DesignHead';

interface Props {
  design: Design;
  /** Its fits, on whatever blanks. */
  fits: readonly Fit[];
  columns: readonly ResolvedBlank[];
  drawingWidth: number;
  above: Design | undefined;
  under: Design | undefined;
  /** Whether a column stands at the end that adds blanks. */
  adds: boolean;
  onMove: (toRowOf: Design) => void;
  onOpen: (fitId: string) => void;
  onAsk: (asked: Asked) => void;
}

/** A design and its fits on the blanks of the range. */
export function DesignRow({
  design,
  fits,
  columns,
  drawingWidth,
  above,
  under,
  adds,
  onMove,
  onOpen,
  onAsk,
}: Props) {
  const shop = useShop();
  const { attributes, listeners, setActivatorNodeRef, setNodeRef, transform, transition, isDragging } =
    useSortable({ id: design.id });
  const own = columns.map(({ blank }) => versionsOf(fits, design.id, blank.id));
  const shown = own.flat();
  const ready = shown.filter((one) => currentDocket(one, shop)?.verdict === 'ready').length;
  const fit = (blankId: string) => {
    fitDesign(design.id, blankId).catch((error: unknown) => toast(sentence(error)));
  };
  const askVersions = (blankId: string) => {
    onAsk({ kind: 'versions', designId: design.id, blankId });
  };
  return (
    <tr
      ref={setNodeRef}
      style={{ transform: CSS.Translate.toString(transform), transition }}
      className={`group ${isDragging ? 'relative z-30 opacity-80' : ''}`}
    >
      <DesignHead
        design={design}
        ready={ready}
        fitted={shown.length}
        handle={{ attributes, listeners, setActivatorNodeRef }}
        above={above}
        under={under}
        onMove={onMove}
        onOpen={() => {
          onAsk({ kind: 'design', designId: design.id });
        }}
      />
      {columns.map((column, index) => {
        const versions = own[index]!;
        const [first] = versions;
        const blankId = column.blank.id;
        return (
          <Guard
            key={blankId}
            what="This fit"
            instead={<td className="border-b border-r border-rule p-2 text-sm">cannot be shown</td>}
          >
            <Cell
              column={column}
              drawingWidth={drawingWidth}
              design={design}
              versions={versions}
              onFit={() => {
                fit(blankId);
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
      {adds && <td className="border-b border-rule" />}
    </tr>
  );
}
