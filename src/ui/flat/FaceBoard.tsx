'use client';
import { useState, type KeyboardEvent, type ReactNode } from 'react';
import type { PrintFace } from '@/core/blank/resolve';
import type { Box, Point } from '@/core/fit/geometry';
import { snapBox, type Snap } from '@/core/fit/snap';
import { showLength, showSize, type UnitSetting } from '@/core/length/show';
import { ARROWS, nudgeMm } from '../arrows';
import { useDrag } from '../useDrag';
import { useRoomSize, type RoomSize } from '../useRoomSize';
import { FaceLines } from './FaceLines';

/** Something on a face that is moved about: its box in mm from the trim's top left. */
export interface BoardBox extends Box {
  id: string;
  name: string;
  /** Of an empty place, how large it is: that stands in it, under its name. */
  empty?: string;
}

interface Props {
  label: string;
  face: PrintFace;
  boxes: readonly BoardBox[];
  chosenId: string | null;
  unit: UnitSetting;
  onChoose: (id: string | null) => void;
  /** The middle of a box was set down somewhere else. */
  onMove: (id: string, to: Point) => void;
  /** What is shown whole, in mm of the face: the garment that it is part of. The face and its allowance where nothing is said. */
  whole?: { x: number; y: number; width: number; height: number };
  /** What lies under the boxes, drawn in mm; `px` is a pixel of the screen in mm. */
  children: (px: number) => ReactNode;
}

/** px round the face, and how near, in px, a line draws what is dragged. */
const ROOM = 36;
const REACH = 7;

/** A face drawn as large as its room, with boxes that are dragged on it, or walked with the arrows. */
export function FaceBoard(props: Props) {
  const { room, size } = useRoomSize();
  return (
    <div
      ref={room}
      role="group"
      aria-label={props.label}
      className="relative min-h-0 min-w-0 grow bg-viewing"
    >
      {size && size.width > 0 && size.height > 0 && <Board {...props} size={size} />}
    </div>
  );
}

function Board({
  face,
  boxes,
  chosenId,
  unit,
  size,
  whole,
  onChoose,
  onMove,
  children,
}: Props & { size: RoomSize }) {
  const [held, setHeld] = useState<{ id: string; to: Point; snap: Snap | null } | null>(null);
  const out = Math.max(face.bleed, face.edge);
  const shown = whole ?? {
    x: -out,
    y: -out,
    width: face.width + 2 * out,
    height: face.height + 2 * out,
  };
  const scale = Math.min((size.width - 2 * ROOM) / shown.width, (size.height - 2 * ROOM) / shown.height);
  const px = 1 / scale;
  const left = (size.width * px - shown.width) / 2 - shown.x;
  const top = (size.height * px - shown.height) / 2 - shown.y;
  return (
    <>
      <svg
        width={size.width}
        height={size.height}
        viewBox={`${-left} ${-top} ${size.width * px} ${size.height * px}`}
        className="absolute inset-0 touch-none"
        onPointerDown={({ target, currentTarget }) => {
          if (target === currentTarget) onChoose(null);
        }}
      >
        {children(px)}
        <FaceLines face={face} px={px} />
        {typeof held?.snap?.x === 'number' && (
          <Line d={`M${held.snap.x} ${-top}V${size.height * px}`} px={px} />
        )}
        {typeof held?.snap?.y === 'number' && (
          <Line d={`M${-left} ${held.snap.y}H${size.width * px}`} px={px} />
        )}
        {boxes.map((box) => (
          <Grip
            key={box.id}
            box={held?.id === box.id ? { ...box, ...held.to } : box}
            chosen={box.id === chosenId}
            px={px}
            unit={unit}
            onChoose={() => {
              onChoose(box.id);
            }}
            onStep={(dx, dy) => {
              onMove(box.id, { x: box.x + dx, y: box.y + dy });
            }}
            onDrag={(dx, dy, free) => {
              const moved = { ...box, x: box.x + dx * px, y: box.y + dy * px };
              const others = boxes
                .filter(({ id }) => id !== box.id)
                .map((other) => ({ name: other.name, box: other }));
              const snap = free ? null : snapBox(moved, face, others, REACH * px);
              setHeld({
                id: box.id,
                to: { x: moved.x + (snap?.dx ?? 0), y: moved.y + (snap?.dy ?? 0) },
                snap,
              });
            }}
            onDrop={() => {
              if (held?.id === box.id) onMove(box.id, held.to);
              setHeld(null);
            }}
          />
        ))}
      </svg>
      {held && (
        <p className="measure absolute bottom-2 left-1/2 -translate-x-1/2 whitespace-nowrap bg-docket px-2 py-0.5 text-sm">
          {[
            `${showLength(held.to.x, unit)} from the left, ${showLength(held.to.y, unit)} from the top`,
            ...(held.snap && held.snap.words.length > 0 ? [`on the ${held.snap.words.join(', ')}`] : []),
          ].join(' · ')}
        </p>
      )}
    </>
  );
}

function Line({ d, px }: { d: string; px: number }) {
  return <path d={d} stroke="var(--color-thread)" strokeWidth={px} />;
}

function Grip({
  box,
  chosen,
  px,
  unit,
  onChoose,
  onStep,
  onDrag,
  onDrop,
}: {
  box: BoardBox;
  chosen: boolean;
  px: number;
  unit: UnitSetting;
  onChoose: () => void;
  onStep: (dx: number, dy: number) => void;
  onDrag: (dx: number, dy: number, free: boolean) => void;
  onDrop: () => void;
}) {
  const drag = useDrag({
    start: () => {
      onChoose();
      return box;
    },
    move: (_, { dx, dy, free }) => {
      onDrag(dx, dy, free);
    },
    end: onDrop,
  });
  const step = (event: KeyboardEvent) => {
    const arrow = ARROWS[event.key];
    if (!arrow) return;
    event.preventDefault();
    const mm = nudgeMm(event, unit);
    onStep(arrow[0] * mm, arrow[1] * mm);
  };
  const { x, y, width, height, rotation, name, empty } = box;
  return (
    <g
      transform={`translate(${x} ${y}) rotate(${(rotation * 180) / Math.PI})`}
      role="button"
      tabIndex={0}
      aria-label={`${name}, ${empty ?? showSize(width, height, unit)}`}
      aria-pressed={chosen}
      onFocus={onChoose}
      onKeyDown={step}
      {...drag}
      className="cursor-move outline-none"
    >
      <rect
        x={-width / 2}
        y={-height / 2}
        width={width}
        height={height}
        fill={empty ? 'rgb(255 255 255 / 0.45)' : 'transparent'}
        stroke={chosen ? 'var(--color-thread)' : 'var(--color-viewing-ink)'}
        strokeWidth={(chosen ? 1.8 : empty ? 1 : 0) * px}
        strokeDasharray={`${7 * px} ${4 * px}`}
      />
      {empty && (
        <text
          textAnchor="middle"
          fontSize={12 * px}
          fill="var(--color-viewing-ink)"
          className="measure pointer-events-none select-none"
        >
          <tspan x={0} dy={-2 * px}>
            {name}
          </tspan>
          <tspan x={0} dy={14 * px}>
            {empty}
          </tspan>
        </text>
      )}
    </g>
  );
}
