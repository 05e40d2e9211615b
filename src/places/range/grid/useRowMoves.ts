import {
  KeyboardSensor,
  PointerSensor,
  useSensor,
  useSensors,
  type Announcements,
  type DndContextProps,
  type KeyboardCoordinateGetter,
  type Modifier,
} from '@dnd-kit/core';
import { useState } from 'react';
import type { Design } from '@/core/fit/schema';
import { ROW_HEIGHT } from './sizes';

/** A row that is being moved, and the row whose place it would take. */
export interface RowMove {
  from: number;
  to: number;
}

/** Rows go up and down alone. */
const DOWN_ONLY: Modifier[] = [({ transform }) => ({ ...transform, x: 0 })];

/** Said by the grid itself, which knows names and numbers of rows. */
const silent = () => undefined;
const SILENT: Announcements = {
  onDragStart: silent,
  onDragOver: silent,
  onDragEnd: silent,
  onDragCancel: silent,
};

const ACCESSIBILITY: DndContextProps['accessibility'] = {
  announcements: SILENT,
  screenReaderInstructions: {
    draggable:
      'Space takes the row up, the arrows move it, Space sets it down. Escape leaves it where it was.',
  },
};

const byRows: KeyboardCoordinateGetter = ({ code }, { currentCoordinates: { x, y } }) => {
  const step = code === 'ArrowDown' ? 1 : code === 'ArrowUp' ? -1 : 0;
  return step === 0 ? undefined : { x, y: y + step * ROW_HEIGHT };
};

/** Kept as they are: sensors that change have every row drawn again. */
const BY_HAND = { activationConstraint: { distance: 4 } };
const BY_KEYS = { coordinateGetter: byRows };

/**
 * Rows moved by hand and by keys. All are as high, so that where one would go follows from how far it was moved: no row
 * has to be told of while it scrolls by.
 */
export function useRowMoves(
  designs: readonly Design[],
  onMove: (designId: string, toRowOf: Design) => void,
): { moving: RowMove | null; props: DndContextProps } {
  const [moving, setMoving] = useState<RowMove | null>(null);
  const sensors = useSensors(useSensor(PointerSensor, BY_HAND), useSensor(KeyboardSensor, BY_KEYS));
  const moved = (id: string | number, down: number): RowMove | null => {
    const from = designs.findIndex((one) => one.id === id);
    if (from < 0) return null;
    const to = Math.min(designs.length - 1, Math.max(0, from + Math.round(down / ROW_HEIGHT)));
    return { from, to };
  };
  return {
    moving,
    props: {
      sensors,
      modifiers: DOWN_ONLY,
      accessibility: ACCESSIBILITY,
      onDragStart: ({ active }) => {
        setMoving(moved(active.id, 0));
      },
      onDragMove: ({ active, delta }) => {
        const next = moved(active.id, delta.y);
        setMoving((now) => (now?.to === next?.to ? now : next));
      },
      onDragCancel: () => {
        setMoving(null);
      },
      onDragEnd: ({ active, delta }) => {
        setMoving(null);
        const go = moved(active.id, delta.y);
        const to = go && go.to !== go.from ? designs[go.to] : undefined;
        if (to) onMove(String(active.id), to);
      },
    },
  };
}
