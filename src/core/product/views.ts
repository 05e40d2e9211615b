import type { Body } from '../blank/body';
import { circumference, READABLE_ANGLE } from '../blank/kinds/round';
import type { Face } from '../blank/face';
import { bodyAt, type ResolvedBlank } from '../blank/resolve';
import type { Eye } from './camera';

/** A side that a product is looked at from. */
export interface View extends Eye {
  id: string;
  /** As one says it after the product's name: "from the left". */
  name: string;
  /** The face that is only seen on the thing laid open, for this view. */
  faceId: string | null;
}

const degrees = (value: number) => (value * Math.PI) / 180;
/** A little from above, so that a lip shows as a ring. */
const ABOVE = degrees(11);

const view = (id: string, name: string, yaw: number, pitch: number, faceId: string | null = null): View => ({
  id,
  name,
  yaw: degrees(yaw),
  pitch,
  faceId,
});

/** The named views of a product, the first one the usual one. */
export function viewsOf({ blank, faces }: Pick<ResolvedBlank, 'blank' | 'faces'>): View[] {
  const { body } = blank;
  switch (body.kind) {
    case 'wrap':
    case 'taper':
      return [
        view('front', 'from the front', 0, ABOVE),
        view('left', 'from the left', -90, ABOVE),
        view('right', 'from the right', 90, ABOVE),
        body.handle
          ? view('handle', 'from the handle', 180, ABOVE)
          : view('back', 'from the back', 180, ABOVE),
        view('top', 'from above', 0, degrees(72)),
      ];
    case 'label':
      return [
        view('front', 'from the front', 0, ABOVE),
        view('left', 'from the left', -90, ABOVE),
        view('right', 'from the right', 90, ABOVE),
        view('back', 'from the back', 180, ABOVE),
      ];
    case 'garment':
      return body.prints.flatMap(({ place }) =>
        place === 'front'
          ? [view('front', 'from the front', 0, 0)]
          : place === 'back'
            ? [view('back', 'from the back', 180, 0)]
            : place === 'neck'
              ? [view('neck', 'inside the neck', 0, 0, 'neck')]
              : [],
      );
    case 'folded':
      return [
        view('outside', 'the outside', 180 + 34, degrees(8)),
        view('inside', 'the inside', 0, degrees(8)),
        view('edge', 'on edge', 90, degrees(14)),
      ];
    case 'two-sided':
      return [
        view('front', 'from the front', 0, degrees(4)),
        ...(faces.length > 1 ? [view('back', 'from the back', 180, degrees(4))] : []),
        view('edge', 'on edge', 62, degrees(8)),
      ];
    case 'case':
      return [
        view('back', 'from behind', 0, 0),
        view('right', 'its right edge', 52, degrees(6)),
        view('left', 'its left edge', -52, degrees(6)),
        view('top', 'from above', 0, degrees(52)),
      ];
    case 'gallery':
    case 'plate':
      return [
        view('front', 'from the front', 0, 0),
        view('right', 'its right edge', 48, degrees(8)),
        view('left', 'its left edge', -48, degrees(8)),
        view('top', 'from above', 0, degrees(50)),
      ];
    case 'flat':
      return blank.viewedFrom === null
        ? [view('front', 'from the front', 0, 0), view('edge', 'on edge', 36, degrees(28))]
        : [view('front', 'from the front', 0, 0), view('edge', 'from the side', -38, 0)];
    case 'sticker':
      return [view('front', 'from the front', 0, 0), view('edge', 'on edge', -24, degrees(34))];
  }
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
  const round = roundOf(body, face);
  if (!round) {
    const turned = Math.abs(wrapAngle(eye.yaw - (behind(body, face) ? Math.PI : 0)));
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
  const round = roundOf(body, face);
  return { yaw: round ? round.middle + (2 * Math.PI * (x - round.front)) / round.way : 0, pitch: 0 };
}

/** How a face goes round: mm all the way, and where on it the viewer in front of it looks; null where it is flat. */
function roundOf(body: Body, face: Face): { way: number; front: number; middle: number } | null {
  if (body.kind === 'wrap' || body.kind === 'taper')
    return { way: circumference(body), front: (face.width - face.overlap) / 2, middle: 0 };
  if (body.kind !== 'label') return null;
  const way = Math.PI * body.diameter;
  const front = face.zones.find(({ name }) => name === 'front')?.x ?? face.width / 2;
  return { way, front, middle: face.id === 'back' ? Math.PI : 0 };
}

function behind(body: Body, face: Face): boolean {
  return body.kind === 'garment' || body.kind === 'two-sided' ? face.id === 'back' : face.id === 'outside';
}

/** An angle between -180 and 180 degrees, in radians. */
export function wrapAngle(angle: number): number {
  return Math.atan2(Math.sin(angle), Math.cos(angle));
}
