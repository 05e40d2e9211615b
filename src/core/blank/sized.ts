import type { Body } from './kinds';
import { numbersOf, withNumber } from './numbers';
import { facesOf } from './resolve';
import { bodyTroubles } from './troubles';

/** mm within which a print is of a size. */
const SAME = 0.01;

/** A body whose print has a size in mm, where its width and height are numbers of its own; null where they are not. */
export function sizedBody(body: Body, { width, height }: { width: number; height: number }): Body | null {
  const own = new Set(numbersOf(body).map(({ id }) => id));
  for (const at of ['', 'sheet.']) {
    if (!own.has(`${at}width`) || !own.has(`${at}height`)) continue;
    const wide = withNumber(body, `${at}width`, width);
    const high = wide && withNumber(wide, `${at}height`, height);
    const sized = high && withRoomForCorners(high, `${at}cornerRadius`, Math.min(width, height) / 2);
    const face = sized && bodyTroubles(sized).length === 0 ? facesOf(sized)[0] : undefined;
    if (sized && face && Math.abs(face.width - width) < SAME && Math.abs(face.height - height) < SAME)
      return sized;
  }
  return null;
}

/** Corners no rounder than half of the shorter side. */
function withRoomForCorners(body: Body, id: string, most: number): Body | null {
  const radius = numbersOf(body).find((number) => number.id === id)?.mm ?? 0;
  return radius > most ? withNumber(body, id, most) : body;
}
