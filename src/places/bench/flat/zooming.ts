import { hangingBelow } from './grades';
import { useEffect, type RefObject } from 'react';
import { wayRound } from '@/core/blank/kinds';
import { middleOf } from '@/core/fit/arrange';
import type { Extent } from '@/core/fit/geometry';
import { nearestZone } from '@/core/fit/zones';
import { useHand, type Zoom } from '@/state/bench/hand';
import { useShop } from '@/state/shop/shop';
import type { Live } from '../live/useLive';
import { layOut, toMm, type View } from './view';

/** px a mm, at the least and at the most. */
const SCALES = { least: 0.04, most: 120 };
/** Room left round what is zoomed to, in px. */
const ROUND = 110;

export type Aim = 'face' | 'zone' | 'piece' | 'true' | 'seam';

/** The room that the flat lies in, for those who zoom without a pointer. */
let room = { width: 900, height: 400 };

/** Brings a part of the flat as large as fits, or all of it to its true size. */
export function zoomTo(live: Live, aim: Aim): void {
  const { face, selection } = live;
  const middle = { x: middleOf(face), y: face.height / 2 };
  switch (aim) {
    case 'face':
      useHand.setState({ zoom: null });
      return;
    case 'true': {
      const { pxPerMm } = useShop.getState().settings;
      if (pxPerMm === null) useHand.setState({ editing: 'card' });
      else zoom({ scale: pxPerMm, ...(selection?.box ?? middle) });
      return;
    }
    case 'seam': {
      const around = wayRound(live.blank.blank.body, face) ?? face.width;
      const current = useHand.getState().zoom;
      zoom({ scale: current?.scale ?? room.height / (face.height * 1.6), x: around, y: middle.y });
      return;
    }
    case 'piece':
      if (selection) zoomOn(selection.extent);
      return;
    case 'zone': {
      const zone = nearestZone(face.zones, selection?.box ?? middle)?.zone;
      if (!zone) return;
      const { x, y, width, height } = zone;
      zoomOn({ left: x - width / 2, right: x + width / 2, top: y - height / 2, bottom: y + height / 2 });
    }
  }
}

function zoomOn({ left, top, right, bottom }: Extent): void {
  const free = { width: room.width - 2 * ROUND, height: room.height - 1.5 * ROUND };
  const scale = Math.min(free.width / (right - left), free.height / (bottom - top));
  zoom({ scale, x: (left + right) / 2, y: (top + bottom) / 2 });
}

function zoom({ scale, x, y }: NonNullable<Zoom>): void {
  useHand.setState({ zoom: { scale: Math.min(SCALES.most, Math.max(SCALES.least, scale)), x, y } });
}

/** The view as a zoom, so that it can be gone on from. */
export function zoomOf(view: View): NonNullable<Zoom> {
  return { scale: view.scale, ...toMm(view, view.width / 2, view.height / 2) };
}

/** Moves the flat under the eye by px. */
export function pan(view: View, dx: number, dy: number): void {
  const { scale, x, y } = zoomOf(view);
  zoom({ scale, x: x + dx / scale, y: y + dy / scale });
}

/** Makes the flat larger or smaller; the point under the pointer, in px, stays there. */
export function zoomAbout(view: View, factor: number, px: number, py: number): void {
  const scale = Math.min(SCALES.most, Math.max(SCALES.least, view.scale * factor));
  const at = toMm(view, px, py);
  zoom({ scale, x: at.x + (view.width / 2 - px) / scale, y: at.y + (view.height / 2 - py) / scale });
}

/** For those without a pointer: larger or smaller about the middle, or moved by px. */
export function stepView(
  live: Live,
  { factor = 1, dx = 0, dy = 0 }: { factor?: number; dx?: number; dy?: number },
): void {
  const { scale, x, y } = useHand.getState().zoom ?? zoomOf(layOut(live.face, room, hangingBelow(live)));
  zoom({ scale: scale * factor, x: x + dx / scale, y: y + dy / scale });
}

/** The wheel moves the flat, with Ctrl it zooms; a drag with the middle button moves it too. */
export function useZooming(element: RefObject<HTMLElement | null>, view: View | null): void {
  useEffect(() => {
    if (view) room = { width: view.width, height: view.height };
  }, [view]);
  useEffect(() => {
    const target = element.current;
    if (!target || !view) return;
    const wheel = (event: WheelEvent) => {
      event.preventDefault();
      const { left, top } = target.getBoundingClientRect();
      if (event.ctrlKey || event.metaKey)
        zoomAbout(view, Math.exp(-event.deltaY * 0.0022), event.clientX - left, event.clientY - top);
      else if (event.shiftKey) pan(view, event.deltaY + event.deltaX, 0);
      else pan(view, event.deltaX, event.deltaY);
    };
    const hold = (event: PointerEvent) => {
      if (event.button !== 1) return;
      event.preventDefault();
      event.stopPropagation();
      const follow = (moved: PointerEvent) => {
        pan(view, event.clientX - moved.clientX, event.clientY - moved.clientY);
      };
      const letGo = () => {
        removeEventListener('pointermove', follow);
        removeEventListener('pointerup', letGo);
      };
      addEventListener('pointermove', follow);
      addEventListener('pointerup', letGo);
    };
    target.addEventListener('wheel', wheel, { passive: false });
    target.addEventListener('pointerdown', hold, { capture: true });
    return () => {
      target.removeEventListener('wheel', wheel);
      target.removeEventListener('pointerdown', hold, { capture: true });
    };
  }, [element, view]);
}
