import type { Face, GarmentBody } from '../schema';

/** The front print area of a garment; its place below the collar is the body's. */
export function garmentFaces(body: GarmentBody): Face[] {
  const { width, height } = body.print;
  return [
    {
      id: 'front',
      name: 'Front',
      width,
      height,
      cornerRadius: 0,
      zones: [{ id: 'front', name: 'front', x: width / 2, y: height / 2, width, height }],
      keepOuts: [],
    },
  ];
}

/**
 * The garment's outline as an SVG path in mm, drawn from its own numbers; x = 0 at the centre line, y = 0 at
 * the highest point of the shoulder.
 */
export function garmentOutline(body: GarmentBody): string {
  const half = body.chest / 2;
  const neck = body.collarWidth / 2;
  const slope = body.length * 0.055;
  const armhole = body.length * 0.31;
  const drop = body.sleeve * 0.82;
  const reach = half + body.sleeve * 0.62;
  const cuff = body.sleeve * 0.36;
  return [
    `M${-neck} 0`,
    `Q0 ${body.collarDrop * 2} ${neck} 0`,
    `L${half} ${slope}`,
    `L${reach} ${slope + drop}`,
    `L${reach - cuff} ${slope + drop + cuff * 0.6}`,
    `L${half} ${armhole}`,
    `V${body.length}`,
    `H${-half}`,
    `V${armhole}`,
    `L${cuff - reach} ${slope + drop + cuff * 0.6}`,
    `L${-reach} ${slope + drop}`,
    `L${-half} ${slope}`,
    'Z',
  ].join('');
}

/** Where the print's top left corner lies on that drawing, in mm. */
export function printOrigin(body: GarmentBody): { x: number; y: number } {
  return { x: -body.print.width / 2, y: body.collarDrop + body.print.belowCollar };
}

/** Width and height in mm that the drawn garment takes, sleeves included. */
export function garmentExtent(body: GarmentBody): { width: number; height: number } {
  return { width: body.chest + body.sleeve * 1.24, height: body.length };
}
