import { useRef, type PointerEvent } from 'react';

/** Where a drag is: px moved since it began, px within the flat, and whether snapping is suspended (Alt). */
export interface DragAt {
  dx: number;
  dy: number;
  x: number;
  y: number;
  free: boolean;
}

interface Drag<T> {
  /** What the drag starts from; null where it may not. */
  start: () => T | null;
  move: (from: T, at: DragAt) => void;
  end: () => void;
}

/** Moved less than this, in px, it was a click. */
const DEAD = 2;

/** Pointer handlers for one grip. Moves come once a frame, whatever the mouse sends. */
export function useDrag<T>({ start, move, end }: Drag<T>) {
  const held = useRef<{ from: T; x: number; y: number; room: DOMRect; moved: boolean } | null>(null);
  const frame = useRef(0);
  return {
    onPointerDown: (event: PointerEvent<SVGElement>) => {
      if (event.button !== 0) return;
      const from = start();
      if (from === null) return;
      event.currentTarget.setPointerCapture(event.pointerId);
      // Measured once: asking again at every move would make the page lay itself out at every move.
      const room = event.currentTarget.ownerSVGElement!.getBoundingClientRect();
      held.current = { from, x: event.clientX, y: event.clientY, room, moved: false };
    },
    onPointerMove: (event: PointerEvent<SVGElement>) => {
      const hold = held.current;
      if (!hold) return;
      const dx = event.clientX - hold.x;
      const dy = event.clientY - hold.y;
      if (!hold.moved && Math.hypot(dx, dy) < DEAD) return;
      hold.moved = true;
      const { left, top } = hold.room;
      const at = { dx, dy, x: event.clientX - left, y: event.clientY - top, free: event.altKey };
      cancelAnimationFrame(frame.current);
      frame.current = requestAnimationFrame(() => {
        move(hold.from, at);
      });
    },
    onPointerUp: () => {
      const hold = held.current;
      held.current = null;
      if (!hold?.moved) return;
      // The last move may still wait for its frame: let it draw first.
      requestAnimationFrame(end);
    },
  };
}
