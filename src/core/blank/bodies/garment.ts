import * as v from 'valibot';
import { NotNegative, Positive, list } from '../../bounds';
import { KeepOutSchema, plainFace, rectangle, type Face } from '../face';

export const GARMENT_CUTS = ['shirt', 'hooded', 'cap', 'tote', 'apron'] as const;
export const PRINT_PLACES = ['front', 'back', 'sleeve', 'neck'] as const;

/** A sewn thing: its own measurements, and where each print area hangs below the collar (or the upper edge). */
export const GarmentBodySchema = v.object({
  kind: v.literal('garment'),
  cut: v.picklist(GARMENT_CUTS),
  chest: Positive,
  length: Positive,
  sleeve: NotNegative,
  collarWidth: NotNegative,
  collarDrop: NotNegative,
  prints: v.pipe(
    list(
      v.object({
        place: v.picklist(PRINT_PLACES),
        width: Positive,
        height: Positive,
        below: NotNegative,
        /** Pocket, zip and seams, in the print area's own mm. */
        keepOuts: list(KeepOutSchema, 200),
      }),
    ),
    v.minLength(1),
  ),
});
export type GarmentBody = v.InferOutput<typeof GarmentBodySchema>;
export type GarmentPrint = GarmentBody['prints'][number];

const PLACE_NAMES = { front: 'Front', back: 'Back', sleeve: 'Sleeve', neck: 'Inside neck' } as const;

/** Each print area of a garment; its place below the collar is the body's. */
export function garmentFaces(body: GarmentBody): Face[] {
  return body.prints.map(({ place, width, height, keepOuts }) => {
    const face = plainFace(place, PLACE_NAMES[place], rectangle(width, height), keepOuts);
    return { ...face, zones: face.zones.map((zone) => ({ ...zone, id: place, name: place })) };
  });
}

/** A garment at one of its sizes: its own measures and its print areas each by their factor. */
export function gradeGarment(body: GarmentBody, size: { garment: number; print: number }): GarmentBody {
  const { garment, print } = size;
  return {
    ...body,
    chest: body.chest * garment,
    length: body.length * garment,
    sleeve: body.sleeve * garment,
    collarWidth: body.collarWidth * garment,
    prints: body.prints.map((area) => ({
      ...area,
      width: area.width * print,
      height: area.height * print,
    })),
  };
}

/**
 * The garment's outline as an SVG path in mm, drawn from its own numbers; x = 0 at the centre line, y = 0 at
 * its highest point.
 */
export function garmentOutline(body: GarmentBody): string {
  switch (body.cut) {
    case 'shirt':
      return sewnOutline(body);
    case 'hooded':
      return sewnOutline(body) + hood(body);
    case 'cap':
      return capOutline(body);
    case 'tote':
      return toteOutline(body);
    case 'apron':
      return apronOutline(body);
  }
}

/** A sleeve on the right of that drawing: where it leaves the shoulder, the ends of its cuff, and where it meets the side. */
export interface Sleeve {
  shoulder: readonly [x: number, y: number];
  cuff: readonly [outer: readonly [x: number, y: number], inner: readonly [x: number, y: number]];
  armpit: readonly [x: number, y: number];
}

/** Chests from which a sleeve is a long one: it lies nearer to the side, and ends narrower. */
const LONG = 0.7;

export function sleeveOf({ chest, length, sleeve }: GarmentBody): Sleeve {
  const half = chest / 2;
  const slope = length * 0.055;
  const isLong = sleeve > chest * LONG;
  const [across, down] = isLong ? [0.44, 0.9] : [0.62, 0.82];
  const wide = isLong ? chest * 0.17 : Math.min(sleeve * 0.6, chest * 0.2);
  const [x, y] = [half + sleeve * across, slope + sleeve * down];
  return {
    shoulder: [half, slope],
    cuff: [
      [x, y],
      [x - wide, y + wide * (isLong ? 0.46 : 0.6)],
    ],
    armpit: [half, length * 0.31],
  };
}

function sewnOutline(body: GarmentBody): string {
  const neck = body.collarWidth / 2;
  const { shoulder, cuff, armpit } = sleeveOf(body);
  const right = [shoulder, ...cuff, armpit, [body.chest / 2, body.length] as const];
  const to = (way: number) => right.map(([x, y]) => `L${way * x} ${y}`);
  return [`M${-neck} 0`, `Q0 ${body.collarDrop * 2} ${neck} 0`, ...to(1), ...to(-1).reverse(), 'Z'].join('');
}

/** The hood lying back over the shoulders, above the collar. */
function hood({ collarWidth, length }: GarmentBody): string {
  const half = collarWidth * 0.62;
  const high = length * 0.2;
  return `M${-collarWidth / 2} 0C${-half * 1.3} ${-high * 0.7} ${-half} ${-high} 0 ${-high}C${half} ${-high} ${half * 1.3} ${-high * 0.7} ${collarWidth / 2} 0`;
}

/** A cap from the front: `chest` wide, `length` high, the peak below. */
function capOutline({ chest, length }: GarmentBody): string {
  const half = chest / 2;
  const crown = length * 0.72;
  return `M${-half} ${crown}C${-half} ${-crown * 0.32} ${half} ${-crown * 0.32} ${half} ${crown}C${half * 1.1} ${length} ${half * 0.6} ${length} 0 ${length}C${-half * 0.6} ${length} ${-half * 1.1} ${length} ${-half} ${crown}Z`;
}

/** A bag with two handles: `sleeve` is how far they rise above it. */
function toteOutline({ chest, length, sleeve }: GarmentBody): string {
  const half = chest / 2;
  const at = chest * 0.22;
  const band = chest * 0.06;
  return (
    `M${-half} ${sleeve}V${sleeve + length}H${half}V${sleeve}Z` +
    `M${-at - band} ${sleeve}C${-at - band} ${-sleeve * 0.33} ${at + band} ${-sleeve * 0.33} ${at + band} ${sleeve}H${at}C${at} ${sleeve * 0.1} ${-at} ${sleeve * 0.1} ${-at} ${sleeve}Z`
  );
}

/** A bib apron: `collarWidth` across the bib, `chest` across the skirt. */
function apronOutline({ chest, length, collarWidth }: GarmentBody): string {
  const half = chest / 2;
  const bib = collarWidth / 2;
  const waist = length * 0.36;
  return `M${-bib} 0H${bib}C${bib} ${waist * 0.7} ${half * 0.8} ${waist} ${half} ${waist}V${length}H${-half}V${waist}C${-half * 0.8} ${waist} ${-bib} ${waist * 0.7} ${-bib} 0Z`;
}

/** Where a print area's top left corner lies on that drawing, in mm. */
export function printOrigin(body: GarmentBody, print: GarmentPrint): { x: number; y: number } {
  const down =
    print.below + (body.cut === 'tote' ? body.sleeve : print.place === 'front' ? body.collarDrop : 0);
  if (print.place !== 'sleeve') return { x: -print.width / 2, y: down };
  return { x: body.chest / 2 + body.sleeve * 0.24 - print.width / 2, y: body.length * 0.055 + print.below };
}

/** Box in mm that the drawn garment takes: from its centre line, and from its highest point. */
export function garmentExtent(body: GarmentBody): { width: number; height: number; top: number } {
  switch (body.cut) {
    case 'shirt':
    case 'hooded': {
      const { cuff } = sleeveOf(body);
      const high = body.cut === 'hooded' ? body.length * 0.2 : 0;
      const low = Math.max(body.length, ...cuff.map(([, y]) => y));
      return { width: 2 * cuff[0][0], height: low + high, top: -high };
    }
    case 'tote':
      return { width: body.chest, height: body.length + body.sleeve, top: 0 };
    case 'cap':
      return { width: body.chest * 1.06, height: body.length, top: 0 };
    case 'apron':
      return { width: body.chest, height: body.length, top: 0 };
  }
}

/** How far a print area hangs below the garment's collar or upper edge. */
export function garmentStandsOff(
  { prints }: GarmentBody,
  place: string,
  say: (mm: number) => string,
): string[] {
  const print = prints.find((one) => one.place === place);
  return print ? [`upper edge ${say(print.below)} below the collar or upper edge, centred across`] : [];
}
