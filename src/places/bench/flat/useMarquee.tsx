import { useState, type PointerEvent, type ReactNode } from 'react';
import { select } from '@/state/bench/hand';
import type { Live } from '../live/useLive';
import { pickWithin } from './picking';
import type { View } from './view';

interface Frame {
  x0: number;
  y0: number;
  x1: number;
  y1: number;
}

/** A frame drawn on the bare flat chooses every piece wholly within it; a press on the bare flat chooses none. */
export function useMarquee(
  live: Live,
  view: View | null,
): {
  press: {
    onPointerDown: (event: PointerEvent<HTMLElement>) => void;
    onPointerMove: (event: PointerEvent<HTMLElement>) => void;
    onPointerUp: () => void;
  };
  frame: ReactNode;
} {
  const [frame, setFrame] = useState<Frame | null>(null);
  const box = frame && {
    left: Math.min(frame.x0, frame.x1),
    right: Math.max(frame.x0, frame.x1),
    top: Math.min(frame.y0, frame.y1),
    bottom: Math.max(frame.y0, frame.y1),
  };
  return {
    press: {
      onPointerDown: (event) => {
        if (event.target !== event.currentTarget || event.button !== 0) return;
        const { left, top } = event.currentTarget.getBoundingClientRect();
        event.currentTarget.setPointerCapture(event.pointerId);
        const [x, y] = [event.clientX - left, event.clientY - top];
        setFrame({ x0: x, y0: y, x1: x, y1: y });
        if (!event.shiftKey) select([]);
      },
      onPointerMove: (event) => {
        if (!frame) return;
        const { left, top } = event.currentTarget.getBoundingClientRect();
        setFrame({ ...frame, x1: event.clientX - left, y1: event.clientY - top });
      },
      onPointerUp: () => {
        if (box && view && box.right - box.left > 3) pickWithin(live, view, box);
        setFrame(null);
      },
    },
    frame: box && box.right - box.left > 3 && (
      <div
        className="pointer-events-none absolute border border-viewing-thread bg-viewing-thread/10"
        style={{
          left: box.left,
          top: box.top,
          width: box.right - box.left,
          height: box.bottom - box.top,
        }}
      />
    ),
  };
}
