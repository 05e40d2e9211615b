import { useRef, type PointerEvent } from 'react';
import { flushSync } from 'react-dom';

/** Where a drag is: px moved since it began, px within the flat, and whether snapping is suspended (Alt). */
export interface DragAt {
  dx: number;
  dy: number;
  x: number;
  y: number;
  free: boolean;
}

/** Where a press was, in px within the flat, and whether Shift was held. */
export interface PressAt {
  x: number;
  y: number;
  shift: boolean;
}

interface Drag<T> {
  /** What the drag starts from; null where it may not. */
  start: (at: PressAt) => T | null;
  move: (from: T, at: DragAt) => void;
  end: () => void;
  /** Pressed and let go without moving. */
  click?: (from: T, at: PressAt) => void;
}

/** Moved less than this, in px, it was a click. */
const DEAD = 2;

/** Pointer handlers for one grip. Moves come once a frame, whatever the mouse sends. */
export function useDrag<T>({ start, move, end, click }: Drag<T>) {
  const held = useRef<{ from: T; x: number; y: number; room: DOMRect; moved: boolean } | null>(null);
  const frame = useRef(0);
  return {
    onPointerDown: (event: PointerEvent<SVGElement>) => {
      if (event.button !== 0) return;
      // Measured once: asking again at every move would make the page lay itself out at every move.
      const room = event.currentTarget.ownerSVGElement!.getBoundingClientRect();
      const from = start(pressAt(event, room));
      if (from === null) return;
      event.currentTarget.setPointerCapture(event.pointerId);
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
      // Drawn within the frame itself, so that what is dragged is never a frame behind the hand.
      frame.current = requestAnimationFrame(() => {
        flushSync(() => {
          move(hold.from, at);
        });
      });
    },
    onPointerUp: (event: PointerEvent<SVGElement>) => {
      const hold = held.current;
      held.current = null;
      if (!hold) return;
      if (!hold.moved) click?.(hold.from, pressAt(event, hold.room));
      // The last move may still wait for its frame: let it draw first.
      else requestAnimationFrame(end);
    },
    // The system took the pointer: what was dragged stays where it is.
    onPointerCancel: () => {
      if (held.current?.moved) requestAnimationFrame(end);
      held.current = null;
    },
  };
}

function pressAt(event: PointerEvent, room: DOMRect): PressAt {
  return { x: event.clientX - room.left, y: event.clientY - room.top, shift: event.shiftKey };
}
