import { deltaE00 } from '../colour/difference';
import { rgbOf } from '../colour/hex';
import { labOf } from '../colour/lab';
import type { ResolvedBlank } from '../blank/resolve';
import type { HouseSpec } from '../blank/schema';
import type { PlannedInk, PlatePlan, Screen } from '../fit/plates';
import { fixed } from '../length/show';
import { MM_PER_INCH } from '../length/units';
import { merged, withInk } from './edit';
import type { Plate, PlatesAsked } from './make';
import { ANGLES } from './plan';
import { areaIn, dotWidth, LEAST_CELL } from './screen';

/** Something about plates that a person should know before screens are burnt. */
export interface PlateFinding {
  rule: 'inks';
  verdict: 'look' | 'fix';
  measured: number;
  required: number;
  unit: string;
  message: string;
  /** What would mend it, and what that does. */
  mend?: { id: string; label: string; change: (plan: PlatePlan) => PlatePlan };
}

/** Degrees between two screens under which they beat (moiré). */
const BEAT = 15;
/** dE00 from which plates no longer look like the print. */
const FAR = 10;
/** mm² of ink without a base, where there is one, from which it is told. */
const BARE = 0.5;
/** What is taken where a trap or a choke is missing, in mm. */
const [TRAP, CHOKE] = [0.1, 0.3];

type Size = { width: number; height: number };
/** What of a blank says how many screens there are, and what they hold. */
type Press = Pick<ResolvedBlank, 'limits'> & { spec: Pick<HouseSpec, 'screens'> };

/**
 * What is found of plates: how many, whether screens beat and dots hold, what shows where they meet, how far
 * off they are. `ppi` is the density that plates are made at, which may be more than that of those that are measured.
 */
export function plateFindings(
  plates: readonly Plate[],
  asked: PlatesAsked,
  size: Size,
  { blank, difference, ppi }: { blank: Press; difference: { mean: number }; ppi: number },
): PlateFinding[] {
  return [
    ...tooMany(plates, asked, blank),
    ...greys(asked, blank),
    ...tooFine(plates, ppi),
    ...beating(plates),
    ...smallDots(plates, blank.limits.stroke),
    ...unchoked(plates, asked, size),
    ...untrapped(plates, asked, size),
    ...(difference.mean > FAR
      ? [
          look(
            [Number(difference.mean.toFixed(1)), FAR, 'dE'],
            `These inks are ${difference.mean.toFixed(1)} dE from the print on average: take more inks, or tones instead of flat ones.`,
          ),
        ]
      : []),
  ];
}

function look(
  [measured, required, unit]: [measured: number, required: number, unit: string],
  message: string,
  mend?: PlateFinding['mend'],
): PlateFinding {
  return { rule: 'inks', verdict: 'look', measured, required, unit, message, ...(mend && { mend }) };
}

/** Screens that there are for one print; null where the method has no number of them. */
export function screensOf({ limits, spec }: Press): number | null {
  const own = spec.screens?.count ?? null;
  return limits.inks === null ? own : Math.min(limits.inks, own ?? Infinity);
}

function tooMany(plates: readonly Plate[], { inks }: PlatesAsked, blank: Press): PlateFinding[] {
  const screens = screensOf(blank);
  if (screens === null || plates.length <= screens) return [];
  const over = plates.length - screens;
  const base = plates.some((plate) => plate.base) ? ', the base among them' : '';
  const most = inks.length - over;
  return [
    {
      ...look(
        [plates.length, screens, 'screens'],
        `${plates.length} screens${base}, and the method has ${screens}: take ${over} fewer inks.`,
        most < 1
          ? undefined
          : {
              id: 'merge-inks',
              label: `Merge ${over === 1 ? 'the two inks that are nearest' : `inks into their nearest until ${most} ${most === 1 ? 'is' : 'are'} left`}`,
              change: (plan) => mergedTo(plan, most),
            },
      ),
      verdict: 'fix',
    },
  ];
}

/** The two inks that look most alike made one, until there are so many. */
function mergedTo(plan: PlatePlan, most: number): PlatePlan {
  if (plan.inks.length <= most) return plan;
  const pairs = plan.inks.flatMap((a, i) => plan.inks.slice(i + 1).map((b) => ({ a, b, far: apart(a, b) })));
  const { a, b } = pairs.reduce((least, pair) => (pair.far < least.far ? pair : least));
  // The one that is printed for fewer colours goes, of two alike the later.
  const [gone, stays] = a.from.length < b.from.length ? [a, b] : [b, a];
  return mergedTo(merged(plan, gone.id, stays.id), most);
}

function apart(a: PlannedInk, b: PlannedInk): number {
  return deltaE00(labOf(...rgbOf(a.hex)), labOf(...rgbOf(b.hex)));
}

function greys({ tones }: PlatesAsked, { limits }: Press): PlateFinding[] {
  if (!tones || tones.screens !== null || limits.inks === null) return [];
  return [
    {
      ...look(
        [1, 0, 'greys'],
        'These plates have greys, and a screen prints all or nothing: the house has to screen them, or they are printed as dots here.',
        { id: 'dots', label: 'Print tones as dots', change: (plan) => ({ ...plan, tones: 'halftone' }) },
      ),
    },
  ];
}

function tooFine(plates: readonly Plate[], ppi: number): PlateFinding[] {
  const finest = Math.max(0, ...plates.map(({ screen }) => screen?.ruling ?? 0));
  if (finest === 0 || ppi / finest >= LEAST_CELL) return [];
  const wanted = Math.ceil(finest * LEAST_CELL);
  return [
    {
      ...look(
        [ppi, wanted, 'PPI'],
        `${fixed(finest, 1)} lines an inch want at least ${wanted} PPI, and these plates have ${ppi}: tones come out in steps.`,
        {
          id: 'finer',
          label: `Make the plates at ${wanted} PPI`,
          change: (plan) => ({ ...plan, ppi: wanted }),
        },
      ),
      verdict: 'fix',
    },
  ];
}

function beating(plates: readonly Plate[]): PlateFinding[] {
  const screens = plates.flatMap(({ name, screen }) => (screen ? [{ name, screen }] : []));
  return screens.flatMap((a, i) =>
    screens.slice(i + 1).flatMap((b) => {
      const far = between(a.screen, b.screen);
      if (far >= BEAT) return [];
      const free = ANGLES.find((angle) =>
        screens.every((one) => one === b || between(one.screen, { ...b.screen, angle }) >= BEAT),
      );
      return [
        look(
          [Number(far.toFixed(1)), BEAT, '°'],
          `The screens of ${a.name} and ${b.name} are ${Number(far.toFixed(1))}° apart and will beat: turn one at least ${BEAT}° from the other.`,
          free === undefined
            ? undefined
            : {
                id: `turn-${b.name}`,
                label: `Turn the screen of ${b.name} to ${free}°`,
                change: (plan) => onInk(plan, b.name, ({ screen }) => ({ ...screen!, angle: free })),
              },
        ),
      ];
    }),
  );
}

/** Degrees between two screens; a screen of lines looks alike after half a turn, one of dots after a quarter. */
function between(a: Screen, b: Screen): number {
  const turn = a.dot === 'line' && b.dot === 'line' ? 180 : 90;
  const off = Math.abs(a.angle - b.angle) % turn;
  return Math.min(off, turn - off);
}

function onInk(plan: PlatePlan, name: string, screen: (ink: PlannedInk) => Screen): PlatePlan {
  const ink = plan.inks.find((one) => one.name === name);
  return ink?.screen ? withInk(plan, ink.id, { screen: screen(ink) }) : plan;
}

/** Share of area up to which lighter tones may be left out. */
const MOST_LEFT = 0.25;

function smallDots(plates: readonly Plate[], stroke: number): PlateFinding[] {
  const small = plates.flatMap(({ screen, lightest, name }) => {
    if (!screen || lightest === null) return [];
    const wide = dotWidth(Math.max(lightest, screen.least ?? 0), screen.ruling);
    // Of what a dot of that share comes to when it is written as a number.
    return wide >= stroke - 0.005 ? [] : [{ name, wide, ruling: screen.ruling }];
  });
  const [first, ...others] = small;
  if (!first) return [];
  const wide = Math.min(...small.map((one) => one.wide));
  // The finest ruling whose dots hold at the most that may be left out.
  const coarser = Math.floor(((2 * MM_PER_INCH) / stroke) * Math.sqrt(MOST_LEFT / Math.PI));
  const ruling = Math.max(10, Math.min(coarser, ...small.map((one) => one.ruling)));
  const least = Math.ceil(areaIn(stroke, ruling) * 100) / 100;
  const isCoarser = small.some((one) => one.ruling > ruling);
  const held = `no dots under ${fixed(least * 100, 0)} %`;
  return [
    look(
      [Number(wide.toFixed(2)), stroke, 'mm'],
      `The smallest dots of ${others.length === 0 ? first.name : sayNames(small.map(({ name }) => name))} are ${wide.toFixed(2)} mm wide, and ${stroke} mm holds: take a coarser ruling, or leave the lightest tones open.`,
      least > 1
        ? undefined
        : {
            id: 'hold-dots',
            label: isCoarser ? `Take ${ruling} lines an inch, and ${held}` : `Print ${held}`,
            change: (plan) =>
              small.reduce(
                (so, { name }) =>
                  onInk(so, name, (ink) => ({
                    ...ink.screen!,
                    ruling: Math.min(ink.screen!.ruling, ruling),
                    least,
                  })),
                plan,
              ),
          },
    ),
  ];
}

function sayNames(names: readonly string[]): string {
  return `${names.slice(0, -1).join(', ')} and ${names.at(-1)!}`;
}

/** A base whose edge lies where the inks' does, or that leaves fine parts without any. */
function unchoked(plates: readonly Plate[], { base, ppi }: PlatesAsked, size: Size): PlateFinding[] {
  if (!base) return [];
  const perMm = ppi / MM_PER_INCH;
  if (base.choke === 0)
    return [
      look(
        [0, CHOKE, 'mm'],
        'The base ends where the inks do: the least shift shows white beside them. Choke it by 0.2 to 0.4 mm.',
        {
          id: 'choke',
          label: `Choke the base by ${CHOKE} mm`,
          change: (plan) => ({ ...plan, choke: CHOKE }),
        },
      ),
    ];
  const bare = bareOf(plates, size, Math.ceil(base.choke * perMm) + 1) / (perMm * perMm);
  if (bare < BARE) return [];
  const less = Math.floor((base.choke / 2) * 100) / 100;
  return [
    look(
      [Number(bare.toFixed(1)), 0, 'mm²'],
      `${bare.toFixed(1)} mm² of strokes under ${fixed(base.choke * 2, 2)} mm have no base under them and show the product through.`,
      less < 0.05
        ? undefined
        : {
            id: 'choke-less',
            label: `Choke the base by ${less} mm`,
            change: (plan) => ({ ...plan, choke: less }),
          },
    ),
  ];
}

/** Pixels of ink that have no base within so many of them, across or down. */
function bareOf(plates: readonly Plate[], { width, height }: Size, reach: number): number {
  const [base, ...inks] = plates;
  if (!base) return 0;
  let bare = 0;
  for (let y = 0, i = 0; y < height; y++)
    for (let x = 0; x < width; x++, i++) {
      if (base.plane[i] || !inks.some(({ plane }) => plane[i]! > 0)) continue;
      let found = false;
      for (let step = 1; step <= reach && !found; step++)
        found =
          (x >= step && base.plane[i - step]! > 0) ||
          (x + step < width && base.plane[i + step]! > 0) ||
          (y >= step && base.plane[i - step * width]! > 0) ||
          (y + step < height && base.plane[i + step * width]! > 0);
      if (!found) bare++;
    }
  return bare;
}

/** mm of an edge between inks from which a missing trap is told. */
const MEETS = 5;

function untrapped(
  plates: readonly Plate[],
  { trap, ppi, tones }: PlatesAsked,
  { width }: Size,
): PlateFinding[] {
  if (trap > 0 || tones) return [];
  const inks = plates.filter(({ base }) => !base);
  let meeting = 0;
  const inkAt = (i: number) => inks.findIndex(({ plane }) => plane[i]! > 0);
  const length = inks[0]?.plane.length ?? 0;
  for (let i = 0; i + width < length; i++) {
    const own = inkAt(i);
    if (own < 0) continue;
    for (const beside of [i + 1, i + width]) {
      const other = inkAt(beside);
      if (other >= 0 && other !== own) meeting++;
    }
  }
  const mm = (meeting * MM_PER_INCH) / ppi;
  if (mm < MEETS) return [];
  return [
    look(
      [0, TRAP, 'mm'],
      `Inks meet along ${fixed(mm, 0)} mm with no trap: the least shift shows the product between them.`,
      {
        id: 'trap',
        label: `Spread light inks ${TRAP} mm under dark ones`,
        change: (plan) => ({ ...plan, trap: TRAP }),
      },
    ),
  ];
}
