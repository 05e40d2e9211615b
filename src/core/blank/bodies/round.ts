import * as v from 'valibot';
import { NotNegative, Positive } from '../../bounds';
import type { Face, Zone } from '../face';
import { rectangleOf, frustumSector, printedSector, STRAIGHT, type Sector } from './sector';

/** Lengths are millimetres throughout. */
const HandleSchema = v.object({
  /** Round the wall, what is kept clear for the handle. */
  gap: Positive,
  reach: Positive,
  thickness: Positive,
  width: Positive,
  top: NotNegative,
  bottom: NotNegative,
});
export type Handle = v.InferOutput<typeof HandleSchema>;

/** A handle as it usually is on a body of this size: only its gap is measured, the rest is for the drawing. */
export function usualHandle(gap: number, diameter: number, printHeight: number): Handle {
  return {
    gap,
    reach: diameter * 0.4,
    thickness: diameter * 0.14,
    width: diameter * 0.19,
    top: printHeight * 0.14,
    bottom: printHeight * 0.14,
  };
}

const roundParts = {
  /** Along the wall, above and below the print. */
  lip: NotNegative,
  foot: NotNegative,
  overlap: NotNegative,
  handle: v.nullable(HandleSchema),
  /** What it is closed with, where it is shown closed. */
  closure: v.optional(v.picklist(['lid', 'straw'])),
};

/** A straight-walled body with a wrap: a mug (handle) or a tumbler (none, perhaps an overlap at the seam). */
export const WrapBodySchema = v.object({
  kind: v.literal('wrap'),
  diameter: Positive,
  /** Of the whole thing; lip and foot are the parts of it where nothing prints. */
  height: Positive,
  ...roundParts,
  /** Width of a partial wrap, its middle opposite the handle; null where the print goes all the way. */
  partial: v.nullable(Positive),
});
export type WrapBody = v.InferOutput<typeof WrapBodySchema>;

/** A body whose wall is a piece of a cone, either way up. Diameters are those at the print's two edges. */
export const TaperBodySchema = v.object({
  kind: v.literal('taper'),
  topDiameter: Positive,
  bottomDiameter: Positive,
  /** Along the wall, from the print's top edge to its foot. */
  slant: Positive,
  ...roundParts,
});
export type TaperBody = v.InferOutput<typeof TaperBodySchema>;

export type RoundBody = WrapBody | TaperBody;

/** Viewing distance of a product view in mm, unless said otherwise. */
export const VIEW_DISTANCE = 600;
/** A point of a round body reads well up to this angle from the viewer's axis. */
export const READABLE_ANGLE = Math.PI / 3;

/** Diameters in mm at the print's upper and lower edge. */
export function diametersOf(body: RoundBody): { top: number; bottom: number } {
  return body.kind === 'wrap'
    ? { top: body.diameter, bottom: body.diameter }
    : { top: body.topDiameter, bottom: body.bottomDiameter };
}

/** Circumference in mm halfway down the print: pi D. */
export function circumference(body: RoundBody): number {
  const { top, bottom } = diametersOf(body);
  return (Math.PI * (top + bottom)) / 2;
}

/** Printable height in mm along the wall: lip and foot are left out, where nothing prints. */
export function printableHeight(body: RoundBody): number {
  return body.kind === 'wrap' ? body.height - body.lip - body.foot : body.slant;
}

/** Upright measures in mm of a body as it stands: of the print, and of the lip above and the foot below it. */
export function uprightOf(body: RoundBody): { print: number; lip: number; foot: number; whole: number } {
  const { top, bottom } = diametersOf(body);
  const slant = printableHeight(body);
  const print = Math.sqrt(Math.max(0, slant * slant - ((top - bottom) / 2) ** 2));
  const lean = print / slant;
  const lip = body.lip * lean;
  const foot = body.foot * lean;
  return { print, lip, foot, whole: print + lip + foot };
}

/** The arc that the print is bent onto; null where the wall is straight. */
export function bendOf(body: RoundBody): Sector | null {
  const { top, bottom } = diametersOf(body);
  if (Math.abs(top - bottom) < STRAIGHT) return null;
  return printedSector(
    frustumSector(top, bottom, printableHeight(body)),
    body.handle?.gap ?? 0,
    body.overlap,
  );
}

/** Width in mm of the rectangle that art is designed on: the wall less the handle gap, or plus the seam's overlap. */
export function wrapWidth(body: RoundBody): number {
  if (body.kind === 'wrap' && body.partial !== null) return body.partial;
  const bend = bendOf(body);
  return bend ? rectangleOf(bend).width : circumference(body) - (body.handle?.gap ?? 0) + body.overlap;
}

/** Angle in radians on the wall of a point x mm to the right of the front: 2 pi x / C. */
export function angleAt(body: RoundBody, x: number): number {
  return (2 * Math.PI * x) / circumference(body);
}

/** Width in mm that reads from one side: the arc between -60 and +60 degrees. */
export function readableWidth(body: RoundBody): number {
  return (circumference(body) * READABLE_ANGLE) / Math.PI;
}

/** Largest visible angle from the viewer's axis in radians: acos(r / distance). */
export function visibleAngle(body: RoundBody, distance = VIEW_DISTANCE): number {
  return Math.acos(circumference(body) / (2 * Math.PI) / distance);
}

/** Centres of the sides in mm to the right of the front, which lies opposite the handle or the seam. */
export function viewCentres(body: RoundBody): { id: string; name: string; centre: number }[] {
  const quarter = circumference(body) / 4;
  return [
    { id: 'left', name: 'left side', centre: -quarter },
    { id: 'front', name: 'front', centre: 0 },
    { id: 'right', name: 'right side', centre: quarter },
  ];
}

/** The one face of a round body. Zones are named as the viewer in front names them; x grows to the right. */
export function roundFaces(body: RoundBody): Face[] {
  const width = wrapWidth(body);
  const height = printableHeight(body);
  const front = (width - body.overlap) / 2;
  const quarter = circumference(body) / 4;
  const zones = viewCentres(body)
    .map(({ id, name, centre }): Zone => ({
      id,
      name,
      x: front + centre,
      y: height / 2,
      width: quarter,
      height,
    }))
    .filter(({ x }) => x >= 0 && x <= width);
  return [
    {
      id: 'wrap',
      name: 'Wrap',
      width,
      height,
      cornerRadius: 0,
      outline: null,
      zones,
      keepOuts: [],
      edge: 0,
      cuts: [],
      folds: [],
      overlap: body.overlap,
      bend: bendOf(body),
    },
  ];
}

/** How far a wrap's print is from the product's own edges. */
export function roundStandsOff(
  { lip, foot, handle, overlap }: RoundBody,
  say: (mm: number) => string,
): string[] {
  return [
    `upper edge ${say(lip)} below the rim, lower edge ${say(foot)} above the foot, along the wall`,
    ...(handle ? [`ends ${say(handle.gap / 2)} from the middle of the handle on either side`] : []),
    ...(overlap > 0 ? [`ends lie ${say(overlap)} over one another at the seam`] : []),
  ];
}
