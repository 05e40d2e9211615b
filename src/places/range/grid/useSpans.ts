'use client';
import { useVirtualizer } from '@tanstack/react-virtual';
import {
  startTransition,
  useDeferredValue,
  useEffect,
  useLayoutEffect,
  useState,
  type RefObject,
} from 'react';
import { cellWidth, GROUP_HEIGHT, ROW_HEIGHT, type RowGroup } from './sizes';

/** The rows or columns from one to another, both of them among it. */
export interface Span {
  from: number;
  to: number;
}

/** What comes into sight is drawn with whatever else a frame changes, and not at once for each step of a scroll. */
const TOGETHER = { useFlushSync: false };

/**
 * Which rows and columns are in sight, with a few beyond them, and how wide the columns are. The virtual lists are kept in
 * here: what they give anew at every step of a scroll would otherwise have every cell drawn again.
 */
export function useSpans(
  room: RefObject<HTMLElement | null>,
  count: { rows: number; columns: number },
  groups: readonly RowGroup[],
): { rows: readonly number[]; columns: Span; width: number } {
  const down = useVirtualizer({
    count: count.rows,
    getScrollElement: () => room.current,
    estimateSize: (row) => ROW_HEIGHT + (groups.some(({ at }) => at === row) ? GROUP_HEIGHT : 0),
    overscan: 4,
    ...TOGETHER,
  });
  const width = cellWidth(down.scrollRect?.width ?? 0, count.columns);
  const across = useVirtualizer({
    count: count.columns,
    horizontal: true,
    getScrollElement: () => room.current,
    estimateSize: () => width,
    overscan: 2,
    ...TOGETHER,
  });
  // A column's width is the window's, and heads come and go: what was laid out for others is laid out again.
  useLayoutEffect(() => {
    across.measure();
  }, [across, width]);
  useLayoutEffect(() => {
    down.measure();
  }, [down, groups]);
  return {
    rows: useFew(useLater(spanOf(down.getVirtualItems()))),
    columns: useLater(spanOf(across.getVirtualItems())),
    width,
  };
}

/** The same a little later, so that what comes into sight is drawn bit by bit while the hand scrolls on. */
function useLater({ from, to }: Span): Span {
  return { from: useDeferredValue(from), to: useDeferredValue(to) };
}

function spanOf(items: readonly { index: number }[]): Span {
  return { from: items[0]?.index ?? 0, to: items.at(-1)?.index ?? -1 };
}

/** Rows that come, and rows that go, at one time: a screenful at once would hold up the hand. */
const AT_ONCE = 1;

/** The rows of a span, taken up one a frame where many come into sight at once, the middle of what is seen first. */
function useFew({ from, to }: Span): readonly number[] {
  const [shown, setShown] = useState<readonly number[]>([]);
  useEffect(() => {
    const next = nearer(shown, { from, to });
    if (next === shown) return;
    const frame = requestAnimationFrame(() => {
      startTransition(() => {
        setShown(next);
      });
    });
    return () => {
      cancelAnimationFrame(frame);
    };
  }, [shown, from, to]);
  return shown;
}

/** A few steps from the rows that are shown to those that are wanted; the same list where it is those. */
export function nearer(shown: readonly number[], { from, to }: Span): readonly number[] {
  const wanted = between({ from, to });
  if (shown.length === 0) return wanted.length === 0 ? shown : wanted;
  const here = new Set(shown);
  const middle = (from + to) / 2;
  const came = wanted
    .filter((row) => !here.has(row))
    .sort((a, b) => Math.abs(a - middle) - Math.abs(b - middle));
  const gone = shown.filter((row) => row < from || row > to);
  if (came.length === 0 && gone.length === 0) return shown;
  const leave = new Set(gone.slice(0, AT_ONCE));
  return [...shown.filter((row) => !leave.has(row)), ...came.slice(0, AT_ONCE)].sort((a, b) => a - b);
}

/** All from one to the other. */
export function between({ from, to }: Span): number[] {
  return Array.from({ length: to - from + 1 }, (_, i) => from + i);
}

/** What is drawn: what is in sight, and the one that has the focus, so that it keeps it. */
export function drawn(inSight: readonly number[], focused: number): readonly number[] {
  if (focused < 0 || inSight.includes(focused)) return inSight;
  return [...inSight, focused].sort((a, b) => a - b);
}
