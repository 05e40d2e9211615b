import { fromShares } from '../../fit/clip';
import { extentAround, type Extent } from '../../fit/geometry';
import type { TextPiece } from '../../fit/schema';
import { letterColours, lettersCover, placedLettering, textCover } from '../../fit/text';
import { areaOfPath, areaWithin, boxOfArea, grown, type Area, type AreaRing } from '../../geometry/areas';
import { parsePath } from '../../geometry/parse-path';
import { memo } from '../../memo';
import { readStrokes, type ThinPlaces } from '../../raster/strokes';
import { drawnOutline } from './lettering';

/** How near to its curves a letter is measured, in mm, and to how many decimals. */
const FINE = 0.005;
const PRECISION = 4;
/** A hole narrower than this each way, in mm, is where two contours meet, and no counter. */
const NO_COUNTER = 0.05;

/** A line of a text's dress with its width in mm. */
export interface DressLine {
  name: 'outline' | 'inner line' | 'hatched line' | 'gap of the hatching';
  width: number;
}

/**
 * The thinnest line that goes round, inside or under letters, where it is thinner than `limit` mm. An outline in the letters'
 * own colour is a part of their strokes.
 */
export function thinnestLine(piece: TextPiece, limit: number): DressLine | null {
  const lettering = placedLettering(piece);
  const { outline, rings = [], inline, shadow } = lettering;
  const own = letterColours(lettering);
  const colours = [...(outline ? [outline] : []), ...rings];
  const lines: DressLine[] = [
    ...colours
      .filter(({ colour }, i) => {
        const inside = i === 0 ? own : [colours[i - 1]!.colour];
        return !inside.every((one) => one === colour);
      })
      .map(({ width }) => ({ name: 'outline' as const, width })),
    ...(inline && !own.every((one) => one === inline.colour)
      ? [{ name: 'inner line' as const, width: inline.width }]
      : []),
    ...(shadow?.hatch
      ? [
          { name: 'hatched line' as const, width: shadow.hatch.line },
          { name: 'gap of the hatching' as const, width: shadow.hatch.gap },
        ]
      : []),
  ];
  const thin = lines.filter(({ width }) => width < limit - FINE).sort((a, b) => a.width - b.width);
  return thin[0] ?? null;
}

/** Counters that what goes round the letters closes. */
export interface ClosedCounters {
  count: number;
  of: number;
  /** mm that the lines round the letters have in all, and may have so that each counter stays open by the limit; 0 where none may. */
  reach: number;
  most: number;
  places: Extent[];
}

const counters = memo<string, { most: number; closed: Area; of: number }>(24);

/** The counters that a text's outlines fill, or leave narrower than `limit` mm; null where none does. */
export function closedCounters(piece: TextPiece, limit: number): ClosedCounters | null {
  const { outline, rings = [] } = placedLettering(piece);
  const reach = [...(outline ? [outline] : []), ...rings].reduce((sum, { width }) => sum + width, 0);
  if (reach === 0) return null;
  const factor = piece.height / piece.ink.height;
  const key = [reach.toFixed(4), limit, factor.toFixed(5), piece.ink.d].join(' ');
  const read = counters(key, () => {
    const letters = areaOfPath(parsePath(piece.ink.d) ?? [], FINE / factor, PRECISION).map((ring) =>
      ring.map(({ x, y }) => ({ x: x * factor, y: y * factor })),
    );
    const holes = letters
      .filter((ring) => areaWithin(ring) < 0)
      .map((ring) => [...ring].reverse())
      .map((ring) => ({ ring, radius: radiusOf(ring) }))
      .filter(({ radius }) => radius > NO_COUNTER);
    const closed = holes.filter(({ radius }) => radius - reach < limit / 2);
    // One that is narrower than the limit without any line is not the line's doing.
    const held = holes.filter(({ radius }) => radius >= limit / 2);
    return {
      most: Math.max(0, Math.min(...held.map(({ radius }) => radius - limit / 2))),
      closed: closed.filter(({ radius }) => radius >= limit / 2).map(({ ring }) => ring),
      of: held.length,
    };
  });
  if (read.closed.length === 0) return null;
  const places = read.closed.map((ring) => {
    const { left, top, right, bottom } = extentAround(ring);
    return onFace(piece, [left, top, right, bottom], factor);
  });
  return { count: read.closed.length, of: read.of, reach, most: read.most, places };
}

/** The radius of the largest round that goes into a polygon, to a hundredth of a millimetre: how far it can be shrunk. */
function radiusOf(ring: AreaRing): number {
  const box = boxOfArea([ring]);
  let [low, high] = [0, Math.min(box.right - box.left, box.bottom - box.top) / 2];
  while (high - low > 0.005) {
    const middle = (low + high) / 2;
    const left = grown([ring], -middle, { decimals: PRECISION });
    if (left.length > 0) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}

const gaps = memo<string, ThinPlaces & { perMm: number }>(24);

/** Pixels that a gap as wide as the limit is measured with, and a whole text at most. */
const PIXELS_A_LIMIT = 10;
const MOST_PIXELS = 2_000_000;

/** Gaps narrower than `limit` mm that stay between letters and their shadow: the narrowest in mm, and where. */
export function shadowGaps(piece: TextPiece, limit: number): { narrowest: number; places: Extent[] } | null {
  const { ink, lettering, width, height } = piece;
  // What lies apart by as much as the lines of a hatching do is told of the hatching.
  if (!ink.shadowD || lettering.shadow?.hatch || ink.plateD) return null;
  const perMm = Math.min(PIXELS_A_LIMIT / limit, Math.sqrt(MOST_PIXELS / (width * height)));
  const scale = (width / ink.width) * perMm;
  const found = (d: string) =>
    gaps([limit, scale.toFixed(4), d].join(' '), () => ({
      ...readStrokes(drawnOutline(d, scale), limit * perMm).gaps,
      perMm,
    }));
  const own = found(lettersCover(ink)).each.map(({ box }) => box);
  const apart = found(textCover(ink)).each.filter(
    ({ box }) => !own.some((one) => covers(one, box) || covers(box, one)),
  );
  const narrowest = apart[0]?.width;
  if (narrowest === undefined) return null;
  const places = apart.map(({ box }) =>
    onFace(piece, [box.x - 2, box.y - 2, box.x + box.width - 2, box.y + box.height - 2], scale),
  );
  return { narrowest: narrowest / perMm, places };
}

interface Box {
  x: number;
  y: number;
  width: number;
  height: number;
}

const covers = (a: Box, b: Box): boolean =>
  a.x <= b.x + 1 &&
  a.y <= b.y + 1 &&
  a.x + a.width >= b.x + b.width - 1 &&
  a.y + a.height >= b.y + b.height - 1;

/** A box of a text's ink, `scale` of its units to one of the ink's, on the face in mm. */
function onFace(piece: TextPiece, [left, top, right, bottom]: number[], scale: number): Extent {
  const on = fromShares(piece);
  const { width, height } = piece.ink;
  return extentAround(
    [left!, right!].flatMap((x) =>
      [top!, bottom!].map((y) => on({ x: x / scale / width, y: y / scale / height })),
    ),
  );
}
