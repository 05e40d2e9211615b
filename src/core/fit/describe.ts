import { fixed, MILLIMETRES, showSize, type UnitSetting } from '../length/show';
import { honestSize } from './density';
import { gridOf, type Facts } from '../artwork/facts';

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
    facts.pixels ? sharpUpTo(facts, unit) : drawingSaid(facts, unit),
    facts.pixels ? densitySaid(facts) : '',
    detailSaid(facts),
    colourSaid(facts),
    alphaSaid(facts),
    ...turnSaid(facts),
    backgroundSaid(facts),
    flawsSaid(facts),
  ].filter((sentence) => sentence !== '');
}

function sharpUpTo(facts: Facts, unit: UnitSetting): string {
  const size = honestSize(facts, SHARP_PPI);
  return size ? `Prints sharp up to ${inBothUnits(size.width, size.height, unit)}.` : '';
}

function drawingSaid(facts: Facts, unit: UnitSetting): string {
  const { physical, format } = facts;
  if (!physical) return '';
  const what = format === 'pdf' ? 'A page' : 'A drawing';
  const size = honestSize(facts, SHARP_PPI);
  const own = `Its own size is ${inBothUnits(physical.width, physical.height, unit)}`;
  return size
    ? `${what}, sharp at any size but for the pictures in it. ${own}; its pictures are sharp while it is no larger than ${inBothUnits(size.width, size.height, unit)}.`
    : `${what}, sharp at any size. ${own}.`;
}

function inBothUnits(width: number, height: number, unit: UnitSetting): string {
  const other: UnitSetting = { ...unit, unit: unit.unit === 'mm' ? 'in' : 'mm' };
  return `${showSize(width, height, unit)} (${showSize(width, height, other)})`;
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
  const flat = inks === null ? 'as many colours as a photograph' : counted(inks, 'ink');
  return `${MODE_WORDS[colour.mode]}, ${colour.bits} bits, ${profile}; ${flat}.`;
}

function alphaSaid(facts: Facts): string {
  const { alpha } = facts;
  if (!alpha.present) return 'Opaque all over.';
  const { x, y, width, height } = alpha.opaqueBounds;
  if (width === 0) return 'Clear all over: there is nothing in it to print.';
  const soft = alpha.softShare > 0.001 ? `, ${fixed(alpha.softShare * 100, 1)} % of it half transparent` : '';
  const grid = gridOf(facts);
  const whole = width === grid.width && height === grid.height;
  if (whole) return `Reaches its edges, and has transparency inside${soft}.`;
  const taken = facts.pixels
    ? `${width} × ${height} px from ${x}, ${y}`
    : `${percent(width / grid.width)} of its width, ${percent(height / grid.height)} of its height`;
  return `Transparent round its edges: what is there takes ${taken}${soft}.`;
}

function turnSaid({ orientation }: Facts): string[] {
  return orientation === 1 ? [] : ['The camera held it turned; it is shown and printed upright.'];
}

function ppi(value: number): string {
  return fixed(value, Number.isInteger(value) ? 0 : 1);
}

function backgroundSaid({ background }: Facts): string {
  return background ? `Lies on flat ${background.hex} all round, which can be cleared.` : '';
}

const FLAW_WORDS: Record<Facts['flaws'][number]['kind'], string> = {
  line: 'guide or crop line',
  speck: 'stray speck',
  pinhole: 'pinhole',
  gap: 'hairline gap',
};

/** What is left in a picture, counted: "2 guide or crop lines and 1 pinhole are left in it." */
function flawsSaid({ flaws }: Facts): string {
  const kinds = ['line', 'speck', 'pinhole', 'gap'] as const;
  const said = kinds
    .map((kind) => [kind, flaws.filter((flaw) => flaw.kind === kind).length] as const)
    .filter(([, count]) => count > 0)
    .map(([kind, count]) => counted(count, FLAW_WORDS[kind]));
  if (said.length === 0) return '';
  const list = said.length === 1 ? said[0] : `${said.slice(0, -1).join(', ')} and ${said.at(-1)}`;
  return `Left in it: ${list}.`;
}

function counted(count: number, what: string): string {
  return `${count} ${what}${count === 1 ? '' : 's'}`;
}

function percent(share: number): string {
  return `${Math.round(share * 100)} %`;
}
