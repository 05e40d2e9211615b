'use client';
import { DndContext } from '@dnd-kit/core';
import { useCallback, useMemo, useRef } from 'react';
import type { ResolvedBlank } from '@/core/blank/resolve';
import type { Design, Fit } from '@/core/fit/schema';
import type { Place } from '@/core/many/choice';
import { chooseBlock } from '@/state/many/chosen';
import { moveDesign } from '@/state/shop/designs';
import { useShop } from '@/state/shop/shop';
import { useMenuAt } from '@/ui/Menu';
import { tellDone } from '@/ui/tell';
import type { Asked } from '../asked';
import { spotAt } from '../spots';
import { AddBlank } from './AddBlank';
import { ColumnHead } from './ColumnHead';
import { DesignRow } from './DesignRow';
import { PointedLines } from './PointedLines';
import {
  ADD_WIDTH,
  GROUP_HEIGHT,
  groupsOf,
  HEAD_HEIGHT,
  HEAD_WIDTH,
  OVERLINE,
  ROW_HEIGHT,
  topOf,
} from './sizes';
import { useGridKeys } from './useGridKeys';
import { useRowMoves } from './useRowMoves';
import { between, drawn, useSpans } from './useSpans';

const NO_FITS: readonly Fit[] = [];

interface Props {
  columns: readonly ResolvedBlank[];
  designs: readonly Design[];
  /** What each row, and each column, is under with others; empty of those that are under nothing. */
  heads: { rows: readonly string[]; columns: readonly string[] };
  /** Whether rows stand in the shop's own order, and can be moved in it. */
  movable: boolean;
  onOpen: (fitId: string) => void;
  onAsk: (asked: Asked) => void;
}

/**
 * The grid itself. Only the rows and columns in sight are drawn, and the place that has the focus; its heads stay in
 * sight while the rest scrolls.
 */
export function RangeGrid({ columns, designs, heads, movable, onOpen, onAsk }: Props) {
  const room = useRef<HTMLDivElement>(null);
  const fits = useShop((shop) => shop.fits);
  const blanks = useShop((shop) => shop.blanks);
  const fitsOf = useMemo(() => byDesign(fits.values()), [fits]);
  // Columns that a view leaves out are on the range all the same.
  const own = useShop((shop) => shop.settings.columns);
  const spare = [...blanks.values()].filter(({ blank }) => !own.includes(blank.id));
  const lines = useMemo(
    () => ({ designs: designs.map(({ id }) => id), blanks: columns.map(({ blank }) => blank.id) }),
    [designs, columns],
  );
  const keys = useGridKeys(room, lines);
  const block = useCallback(
    (to: Place) => {
      chooseBlock(to, to, lines);
    },
    [lines],
  );
  const { row, column } = keys.at;
  const headHeight = HEAD_HEIGHT + (heads.columns.some((head) => head !== '') ? OVERLINE : 0);
  const groups = useMemo(() => groupsOf(heads.rows), [heads.rows]);
  const spans = useSpans(room, { rows: designs.length, columns: columns.length }, groups);
  const high = topOf(designs.length - 1, groups) + ROW_HEIGHT;
  const { width } = spans;
  const { from, to } = spans.columns;
  const shown = useMemo(
    () =>
      drawn(between({ from, to }), column).flatMap((index) => {
        const found = columns[index];
        return found ? [{ column: found, index, left: HEAD_WIDTH + index * width }] : [];
      }),
    [from, to, column, columns, width],
  );
  const wide = HEAD_WIDTH + columns.length * width + (spare.length > 0 ? ADD_WIDTH : 0);

  const move = (designId: string, toRowOf: Design) => {
    void moveDesign(designId, toRowOf.id).then(({ undo }) => {
      tellDone('The row is moved.', undo);
    });
  };
  const pointed = useMenuAt('What can be done here', spotAt, (spot) => (
    <PointedLines spot={spot} {...lines} movable={movable} onOpen={onOpen} onAsk={onAsk} onMove={move} />
  ));
  const { moving, props: moves } = useRowMoves(designs, move);

  return (
    <DndContext {...moves}>
      <div
        ref={room}
        role="grid"
        aria-label="Range"
        aria-rowcount={designs.length + 1}
        aria-colcount={columns.length + 1}
        aria-multiselectable
        onKeyDown={(event) => {
          keys.onKeyDown(event, Math.floor((event.currentTarget.clientHeight - headHeight) / ROW_HEIGHT));
        }}
        onFocus={keys.onFocus}
        onContextMenu={pointed.onContextMenu}
        style={{ scrollPadding: `${headHeight}px 0 0 ${HEAD_WIDTH}px` }}
        className="min-h-0 grow overflow-auto"
      >
        <div
          role="row"
          aria-rowindex={1}
          className="sticky top-0 z-20 border-b-2 border-ink bg-frame"
          style={{ width: wide, minWidth: '100%', height: headHeight }}
        >
          <div
            role="columnheader"
            aria-colindex={1}
            className="sticky left-0 z-10 h-full border-r border-rule bg-frame py-2.5 pl-[30px] pr-4 text-sm text-ink-2"
            style={{ width: HEAD_WIDTH }}
          >
            design ↓ blank →<br />
            print area
          </div>
          {shown.map(({ column: shownColumn, index, left }) => (
            <ColumnHead
              key={shownColumn.blank.id}
              column={shownColumn}
              index={index}
              head={heads.columns[index] ?? ''}
              place={{ left, width }}
              focused={index === Math.max(0, column)}
              designs={lines.designs}
              onAsk={onAsk}
            />
          ))}
          {spare.length > 0 && (
            <div
              role="columnheader"
              className="absolute top-0 flex h-full items-center px-3"
              style={{ left: wide - ADD_WIDTH }}
            >
              <AddBlank spare={spare} />
            </div>
          )}
        </div>
        <div
          role="rowgroup"
          className="relative"
          style={{ width: wide, minWidth: '100%', height: designs.length > 0 ? high : 0 }}
        >
          {groups.map(({ at, name }) => (
            <div
              key={at}
              role="row"
              style={{ top: topOf(at, groups) - GROUP_HEIGHT, height: GROUP_HEIGHT }}
              className="absolute inset-x-0 border-b border-ink bg-docket"
            >
              <span role="rowheader" className="sticky left-0 inline-block px-4 pt-1 font-bold">
                {name}
              </span>
            </div>
          ))}
          {drawn(spans.rows, row).map((index) => {
            const design = designs[index];
            if (!design) return null;
            return (
              <DesignRow
                key={design.id}
                design={design}
                index={index}
                fits={fitsOf.get(design.id) ?? NO_FITS}
                columns={columns}
                shown={shown}
                width={width}
                focused={row === index ? column : null}
                above={movable ? designs[index - 1] : undefined}
                under={movable ? designs[index + 1] : undefined}
                movable={movable}
                top={topOf(index, groups)}
                onMove={move}
                onOpen={onOpen}
                onAsk={onAsk}
                onBlock={block}
              />
            );
          })}
          {moving && moving.to !== moving.from && (
            <div
              aria-hidden
              className="absolute inset-x-0 z-20 h-0.5 bg-thread"
              style={{ top: (moving.to + (moving.to > moving.from ? 1 : 0)) * ROW_HEIGHT - 1 }}
            />
          )}
        </div>
      </div>
      <p role="status" className="sr-only">
        {moving && `${designs[moving.from]?.name ?? ''}: row ${moving.to + 1} of ${designs.length}`}
      </p>
      {pointed.menu}
    </DndContext>
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
