import type { Face, WrapBody, Zone } from '../schema';

/** Viewing distance of a product view in mm, unless said otherwise. */
export const VIEW_DISTANCE = 600;
/** A point of a round body reads well up to this angle from the viewer's axis. */
export const READABLE_ANGLE = Math.PI / 3;

/** Circumference of the wall in mm: pi D. */
export function circumference(body: WrapBody): number {
  return Math.PI * body.diameter;
}

/** Printable height in mm: lip and foot are left out, where nothing prints. */
export function printableHeight(body: WrapBody): number {
  return body.height - body.lip - body.foot;
}

/** Width of the wrap in mm: the circumference less the handle gap, or plus the seam's overlap. */
export function wrapWidth(body: WrapBody): number {
  return circumference(body) - (body.handle?.gap ?? 0) + body.overlap;
}

/** Angle in radians on the wall of a point x mm to the right of the front: 2 pi x / C. */
export function angleAt(body: WrapBody, x: number): number {
  return (2 * Math.PI * x) / circumference(body);
}

/** Width in mm that reads from one side: the arc between -60 and +60 degrees. */
export function readableWidth(body: WrapBody): number {
  return (circumference(body) * READABLE_ANGLE) / Math.PI;
}

/** Largest visible angle from the viewer's axis in radians: acos(r / distance). */
export function visibleAngle(body: WrapBody, distance = VIEW_DISTANCE): number {
  return Math.acos(body.diameter / 2 / distance);
}

/** The one face of a wrap. Zones are named as the viewer in front names them; x grows to the right. */
export function wrapFaces(body: WrapBody): Face[] {
  const width = wrapWidth(body);
  const height = printableHeight(body);
  const quarter = circumference(body) / 4;
  const front = (circumference(body) - (body.handle?.gap ?? 0)) / 2;
  const zone = (id: string, name: string, centre: number): Zone => ({
    id,
    name,
    x: centre,
    y: height / 2,
    width: quarter,
    height,
  });
  return [
    {
      id: 'wrap',
      name: 'Wrap',
      width,
      height,
      cornerRadius: 0,
      zones: [
        zone('left', 'left side', front - quarter),
        zone('front', 'front', front),
        zone('right', 'right side', front + quarter),
      ],
      keepOuts: [],
    },
  ];
}
