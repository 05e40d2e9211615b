import { READABLE_ANGLE } from '../blank/bodies/round';
import { kindOf } from '../blank/kinds';
import type { Face } from '../blank/face';
import { bodyAt, type ResolvedBlank } from '../blank/resolve';
import type { Eye } from './camera';
import { productOf, type View } from './kinds';

/** The named views of a product, the first one the usual one. */
export function viewsOf(known: Pick<ResolvedBlank, 'blank' | 'faces'>): View[] {
  const { body } = known.blank;
  return productOf(body).views(body, known);
}

/** A stretch of a face in mm from its left. */
export interface Span {
  from: number;
  to: number;
}

/**
 * What of a face reads from a side: on a round wall all within 60 degrees of the viewer's axis, on others the whole of
 * it where it is looked at from no more than 60 degrees; nothing of a face that lies on the other side. Up to two
 * stretches, where the seam lies in it.
 */
export function readableFrom(blank: Pick<ResolvedBlank, 'blank'>['blank'], face: Face, eye: Eye): Span[] {
  const body = bodyAt(blank, null);
  const round = kindOf(body).round(body, face);
  if (!round) {
    const turned = Math.abs(wrapAngle(eye.yaw - (face.id === productOf(body).backFace ? Math.PI : 0)));
    return turned <= READABLE_ANGLE ? [{ from: 0, to: face.width }] : [];
  }
  const { way, front, middle } = round;
  const axis = front + (wrapAngle(eye.yaw - middle) / (2 * Math.PI)) * way;
  const half = (way * READABLE_ANGLE) / (2 * Math.PI);
  return [-way, 0, way]
    .map((over) => ({ from: Math.max(0, axis + over - half), to: Math.min(face.width, axis + over + half) }))
    .filter(({ from, to }) => to > from)
    .sort((a, b) => a.from - b.from);
}

/** The side that looks at a place of a round face, in mm from its left. */
export function eyeAt({ body }: Pick<ResolvedBlank, 'blank'>['blank'], face: Face, x: number): Eye {
  const round = kindOf(body).round(body, face);
  return { yaw: round ? round.middle + (2 * Math.PI * (x - round.front)) / round.way : 0, pitch: 0 };
}

/** An angle between -180 and 180 degrees, in radians. */
export function wrapAngle(angle: number): number {
  return Math.atan2(Math.sin(angle), Math.cos(angle));
}
