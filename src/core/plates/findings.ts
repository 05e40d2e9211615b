import type { MethodLimits } from '../blank/schema';
import type { Plate } from './make';
import { dotWidth } from './screen';

/** Something about plates that a person should know before screens are burnt. */
export interface PlateFinding {
  rule: 'inks';
  verdict: 'look' | 'fix';
  measured: number | string;
  required: number | string;
  message: string;
}

/** Degrees between two screens under which they beat (moiré). */
const BEAT = 15;
/** dE00 from which plates no longer look like the print. */
const FAR = 10;

/** What is found of plates: how many, whether their screens beat, whether dots hold, how far they are from the print. */
export function plateFindings(
  plates: readonly Plate[],
  { limits, difference, choke }: { limits: MethodLimits; difference: { mean: number }; choke: number | null },
): PlateFinding[] {
  return [
    ...tooMany(plates, limits),
    ...beating(plates),
    ...smallDots(plates, limits),
    ...(choke === 0
      ? [
          look(
            '0 mm',
            'more than 0 mm',
            'The base ends where the inks do: the least shift shows white beside them. Choke it by 0.2 to 0.4 mm.',
          ),
        ]
      : []),
    ...(difference.mean > FAR
      ? [
          look(
            Number(difference.mean.toFixed(1)),
            FAR,
            `These inks are ${difference.mean.toFixed(1)} dE from the print on average: take more inks, or tones instead of flat ones.`,
          ),
        ]
      : []),
  ];
}

function look(
  measured: PlateFinding['measured'],
  required: PlateFinding['required'],
  message: string,
): PlateFinding {
  return { rule: 'inks', verdict: 'look', measured, required, message };
}

function tooMany(plates: readonly Plate[], { inks }: MethodLimits): PlateFinding[] {
  if (inks === null || plates.length <= inks) return [];
  const base = plates.some((plate) => plate.base) ? ', the base among them' : '';
  return [
    {
      rule: 'inks',
      verdict: 'fix',
      measured: plates.length,
      required: inks,
      message: `${plates.length} screens${base}, and the method has ${inks}: take ${plates.length - inks} fewer inks.`,
    },
  ];
}

function beating(plates: readonly Plate[]): PlateFinding[] {
  const screens = plates.flatMap(({ name, screen }) => (screen ? [{ name, ...screen }] : []));
  return screens.flatMap((a, i) =>
    screens.slice(i + 1).flatMap((b) => {
      const turn = a.dot === 'line' && b.dot === 'line' ? 180 : 90;
      const off = Math.abs(a.angle - b.angle) % turn;
      const apart = Math.min(off, turn - off);
      if (apart >= BEAT) return [];
      return [
        look(
          apart,
          BEAT,
          `The screens of ${a.name} and ${b.name} are ${Number(apart.toFixed(1))}° apart and will beat: turn one at least ${BEAT}° from the other.`,
        ),
      ];
    }),
  );
}

function smallDots(plates: readonly Plate[], { stroke }: MethodLimits): PlateFinding[] {
  return plates.flatMap((plate) => {
    if (!plate.screen || plate.lightest === null) return [];
    const wide = dotWidth(plate.lightest, plate.screen.ruling);
    if (wide >= stroke) return [];
    return [
      look(
        Number(wide.toFixed(2)),
        stroke,
        `The smallest dots of ${plate.name} are ${wide.toFixed(2)} mm wide, and ${stroke} mm holds: take a coarser ruling, or leave the lightest tones open.`,
      ),
    ];
  });
}
