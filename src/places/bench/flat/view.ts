import type { RefObject } from 'react';
import type { PrintFace } from '@/core/blank/resolve';
import type { Zoom } from '@/state/bench/hand';
import { useRoomSize } from '@/ui/useRoomSize';

/** How the flat lies in its room: px a mm, and where the trim's top left is, in px. */
export interface View {
  width: number;
  height: number;
  scale: number;
  left: number;
  top: number;
}

/** Room round the bleed edge for the rulers, the zones' names and the dimensions, in px. */
const MARGIN = { top: 64, right: 78, bottom: 84, left: 72 };

/** Follows the room's size and lays the face in it, with so many mm below it: as large as fits, or as it is zoomed. */
export function useView(
  face: PrintFace,
  zoom: Zoom,
  below: number,
): { room: RefObject<HTMLDivElement | null>; view: View | null } {
  const { room, size } = useRoomSize();
  return { room, view: size && (zoom ? zoomed(zoom, size) : layOut(face, size, below)) };
}

interface Size {
  width: number;
  height: number;
}

export function layOut(face: PrintFace, { width, height }: Size, below = 0): View {
  const across = face.width + 2 * face.bleed;
  const down = face.height + 2 * face.bleed + below;
  const free = { width: width - MARGIN.left - MARGIN.right, height: height - MARGIN.top - MARGIN.bottom };
  const scale = Math.max(0.05, Math.min(free.width / across, free.height / down));
  return {
    width,
    height,
    scale,
    left: MARGIN.left + (free.width - across * scale) / 2 + face.bleed * scale,
    top: MARGIN.top + (free.height - down * scale) / 2 + face.bleed * scale,
  };
}

function zoomed({ scale, x, y }: NonNullable<Zoom>, { width, height }: Size): View {
  return { width, height, scale, left: width / 2 - x * scale, top: height / 2 - y * scale };
}

export function toPx(view: View, x: number, y: number): { x: number; y: number } {
  return { x: view.left + x * view.scale, y: view.top + y * view.scale };
}

export function toMm(view: View, x: number, y: number): { x: number; y: number } {
  return { x: (x - view.left) / view.scale, y: (y - view.top) / view.scale };
}
