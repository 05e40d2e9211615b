'use client';
import { useRef } from 'react';
import type { PixelSize } from '@/core/artwork/facts';

/** A part of a picture in shares of it. */
export interface Share {
  x: number;
  y: number;
  width: number;
  height: number;
}
export const WHOLE: Share = { x: 0, y: 0, width: 1, height: 1 };

const EDGES = ['left', 'top', 'right', 'bottom'] as const;
type Edge = (typeof EDGES)[number];

interface Props {
  box: { x: number; y: number; width: number; height: number };
  grid: PixelSize;
  value: Share;
  onChange: (share: Share) => void;
}

/** Four edges to be set by hand: dragged, or moved by the arrow keys a pixel of the file at a time, ten with Shift. */
export function CropFrame({ box, grid, value, onChange }: Props) {
  const dragged = useRef<Edge | null>(null);
  const at: Record<Edge, number> = {
    left: value.x,
    top: value.y,
    right: value.x + value.width,
    bottom: value.y + value.height,
  };
  const set = (edge: Edge, to: number) => {
    const next = { ...at, [edge]: bounded(edge, to, at, grid) };
    onChange({
      x: next.left,
      y: next.top,
      width: next.right - next.left,
      height: next.bottom - next.top,
    });
  };
  const frame = {
    left: box.x + at.left * box.width,
    top: box.y + at.top * box.height,
    width: value.width * box.width,
    height: value.height * box.height,
  };
  return (
    <>
      <svg aria-hidden className="pointer-events-none absolute inset-0 size-full">
        <path
          fillRule="evenodd"
          className="fill-viewing"
          fillOpacity="0.78"
          d={`M${box.x} ${box.y}h${box.width}v${box.height}h${-box.width}ZM${frame.left} ${frame.top}h${frame.width}v${frame.height}h${-frame.width}Z`}
        />
      </svg>
      <div className="pointer-events-none absolute border border-viewing-ink" style={frame} />
      {EDGES.map((edge) => {
        const upright = edge === 'left' || edge === 'right';
        const side = upright ? grid.width : grid.height;
        return (
          <div
            key={edge}
            role="slider"
            tabIndex={0}
            aria-label={`Crop, ${edge} edge`}
            aria-orientation={upright ? 'horizontal' : 'vertical'}
            aria-valuemin={0}
            aria-valuemax={side}
            aria-valuenow={Math.round(at[edge] * side)}
            aria-valuetext={`${Math.round(at[edge] * side)} px`}
            className={`absolute grid touch-none place-items-center ${upright ? 'w-4 cursor-ew-resize' : 'h-4 cursor-ns-resize'}`}
            style={
              upright
                ? { left: box.x + at[edge] * box.width - 8, top: frame.top, height: frame.height }
                : { top: box.y + at[edge] * box.height - 8, left: frame.left, width: frame.width }
            }
            onPointerDown={(event) => {
              event.currentTarget.setPointerCapture(event.pointerId);
              dragged.current = edge;
            }}
            onPointerMove={(event) => {
              if (dragged.current !== edge) return;
              const room = event.currentTarget.parentElement!.getBoundingClientRect();
              set(
                edge,
                upright
                  ? (event.clientX - room.left - box.x) / box.width
                  : (event.clientY - room.top - box.y) / box.height,
              );
            }}
            onPointerUp={() => {
              dragged.current = null;
            }}
            onKeyDown={(event) => {
              const by = { ArrowLeft: -1, ArrowUp: -1, ArrowRight: 1, ArrowDown: 1 }[event.key];
              if (by === undefined) return;
              event.preventDefault();
              set(edge, at[edge] + (by * (event.shiftKey ? 10 : 1)) / side);
            }}
          >
            <span aria-hidden className={`bg-viewing-ink ${upright ? 'h-9 w-1.5' : 'h-1.5 w-9'}`} />
          </div>
        );
      })}
    </>
  );
}

/** An edge stays on the picture, on a whole pixel, and one pixel off the edge across from it. */
function bounded(edge: Edge, to: number, at: Record<Edge, number>, grid: PixelSize): number {
  const side = edge === 'left' || edge === 'right' ? grid.width : grid.height;
  const [least, most] =
    edge === 'left'
      ? [0, at.right - 1 / side]
      : edge === 'top'
        ? [0, at.bottom - 1 / side]
        : edge === 'right'
          ? [at.left + 1 / side, 1]
          : [at.top + 1 / side, 1];
  return Math.min(most, Math.max(least, Math.round(to * side) / side));
}
