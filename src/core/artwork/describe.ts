import { fixed, MILLIMETRES, showSize, type UnitSetting } from '../length/show';
import { honestSize } from '../fit/density';
import type { Facts } from './facts';

const MODE_WORDS: Record<Facts['colour']['mode'], string> = {
  rgb: 'RGB',
  cmyk: 'CMYK',
  grey: 'Grey',
  lab: 'Lab',
  indexed: 'Palette',
};

/** The PPI that a size is called sharp at where no blank says otherwise. */
export const SHARP_PPI = 300;

/** A file's facts as a seller would say them, a sentence each. */
export function describeFacts(facts: Facts, unit: UnitSetting = MILLIMETRES): string[] {
  return [
    sharpUpTo(facts, unit),
    densitySaid(facts),
    detailSaid(facts),
    colourSaid(facts),
    alphaSaid(facts),
    ...turnSaid(facts),
  ].filter((sentence) => sentence !== '');
}

function sharpUpTo({ pixels }: Facts, unit: UnitSetting): string {
  if (!pixels) return '';
  const other: UnitSetting = { ...unit, unit: unit.unit === 'mm' ? 'in' : 'mm' };
  const { width, height } = honestSize(pixels, SHARP_PPI);
  return `Prints sharp up to ${showSize(width, height, unit)} (${showSize(width, height, other)}).`;
}

function densitySaid({ density }: Facts): string {
  if (!density) return 'Carries no density tag, so it has no size of its own.';
  const said =
    Math.abs(density.x - density.y) < 0.5 ? ppi(density.x) : `${ppi(density.x)} by ${ppi(density.y)}`;
  return `Tagged ${said} PPI, which only sets a default size.`;
}

/** Below this scale a picture was enlarged; from the other on it is crisp at its own pixels. */
const ENLARGED = 0.62;
const CRISP = 0.8;

function detailSaid({ detail, pixels }: Facts): string {
  if (!detail || !pixels || detail.scale >= CRISP) return '';
  const like = Math.round((Math.max(pixels.width, pixels.height) * detail.scale) / 100) * 100;
  const same = `its detail is that of a ${Math.max(100, like).toLocaleString('en')}-pixel picture`;
  return detail.scale < ENLARGED
    ? `Enlarged about ${fixed(1 / detail.scale, detail.scale > 0.4 ? 1 : 0)} times: ${same}.`
    : `A little soft at its own pixels: ${same}.`;
}

function colourSaid({ colour, inks }: Facts): string {
  const profile = colour.profile ? `profile ${colour.profile}` : 'no profile';
  const flat = inks === null ? 'as many colours as a photograph' : inks === 1 ? '1 ink' : `${inks} inks`;
  return `${MODE_WORDS[colour.mode]}, ${colour.bits} bits, ${profile}; ${flat}.`;
}

function alphaSaid({ alpha }: Facts): string {
  if (!alpha.present) return 'Opaque all over.';
  const { x, y, width, height } = alpha.opaqueBounds;
  if (width === 0) return 'Clear all over: there is nothing in it to print.';
  const soft = alpha.softShare > 0.001 ? `, ${fixed(alpha.softShare * 100, 1)} % of it half transparent` : '';
  return `Transparent round its edges: what is there takes ${width} × ${height} px from ${x}, ${y}${soft}.`;
}

function turnSaid({ orientation }: Facts): string[] {
  return orientation === 1 ? [] : ['The camera held it turned; it is shown and printed upright.'];
}

function ppi(value: number): string {
  return fixed(value, Number.isInteger(value) ? 0 : 1);
}
