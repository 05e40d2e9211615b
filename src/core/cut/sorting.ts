import { boxRound, groupMotifs, ownGroups, type Parting } from './parting';
import { scaleFor, stickerSize, type Sticker } from './set';
import type { CutSettings } from '../fit/cut';

/** A set of stickers being made from one picture. */
export interface StickerSet {
  stickers: Sticker[];
  /** Motifs that become no sticker. */
  left: number[];
  /** Whether all have one scale, so that one size typed sizes all. */
  oneScale: boolean;
  /** mm nearer than which shapes belong together. */
  gap: number;
  settings: CutSettings;
}

/** What a set is before anything is known of its size: its largest sticker so many mm along its longer side. */
const USUAL_SIDE = 60;

/** The set that a picture is at first: a drawing's own groups, or shapes nearer than the gap together, at its own size where that is known. */
export function firstSet(
  parting: Parting,
  { name, across, settings }: { name: string; across: number | null; settings: CutSettings },
): StickerSet {
  const gap = 2 * settings.border;
  const scale = across ?? usualScale(parting);
  const own = ownGroups(parting);
  if (own) return { stickers: named(own, name, scale), left: [], oneScale: true, gap, settings };
  return regrouped({ stickers: [], left: [], oneScale: true, gap, settings }, parting, { name, gap, scale });
}

function usualScale(parting: Parting): number {
  const groups = groupMotifs(parting, 0);
  const scales = groups.map((group) => scaleFor(group, parting, USUAL_SIDE));
  return scales.length === 0 ? USUAL_SIDE : Math.min(...scales);
}

/** The set put together anew by a gap in mm; what was joined or parted by hand is so no more. */
export function regrouped(
  set: StickerSet,
  parting: Parting,
  { name, gap, scale = set.stickers[0]?.scale ?? USUAL_SIDE }: { name: string; gap: number; scale?: number },
): StickerSet {
  return { ...set, gap, left: [], stickers: named(groupMotifs(parting, gap / scale), name, scale) };
}

function named(groups: readonly number[][], name: string, scale: number): Sticker[] {
  return groups.map((motifs, i) => ({
    name: groups.length === 1 ? name : `${name} ${i + 1}`,
    motifs,
    scale,
  }));
}

/** Several stickers as one, called as the first of them is and in its place. */
export function joined(set: StickerSet, chosen: readonly number[]): StickerSet {
  const order = [...chosen].sort((a, b) => a - b);
  const [first] = order;
  if (first === undefined || order.length < 2) return set;
  const motifs = order.flatMap((i) => set.stickers[i]!.motifs).sort((a, b) => a - b);
  const stickers = set.stickers
    .map((sticker, i) => (i === first ? { ...sticker, motifs } : sticker))
    .filter((_, i) => i === first || !order.includes(i));
  return { ...set, stickers };
}

/** A sticker of several shapes as one for each. */
export function parted(set: StickerSet, index: number): StickerSet {
  const stickers = set.stickers.flatMap((sticker, i) =>
    i === index
      ? sticker.motifs.map((motif, n) => ({
          ...sticker,
          name: n === 0 ? sticker.name : `${sticker.name}, ${n + 1}`,
          motifs: [motif],
        }))
      : [sticker],
  );
  return { ...set, stickers };
}

export function leftOut(set: StickerSet, chosen: readonly number[]): StickerSet {
  const motifs = chosen.flatMap((i) => set.stickers[i]!.motifs);
  return {
    ...set,
    left: [...set.left, ...motifs].sort((a, b) => a - b),
    stickers: set.stickers.filter((_, i) => !chosen.includes(i)),
  };
}

/** Shapes that were left out come back, a sticker each. */
export function takenBack(set: StickerSet, name: string): StickerSet {
  const scale = set.stickers[0]?.scale ?? USUAL_SIDE;
  const back = set.left.map((motif, i) => ({
    name: `${name} ${set.stickers.length + i + 1}`,
    motifs: [motif],
    scale,
  }));
  return { ...set, left: [], stickers: [...set.stickers, ...back] };
}

/** One sticker's artwork so many mm wide or high; all others with it where the set has one scale. */
export function sized(
  set: StickerSet,
  parting: Parting,
  index: number,
  to: { width: number } | { height: number },
): StickerSet {
  const sticker = set.stickers[index]!;
  const now = stickerSize(sticker, parting);
  const factor = 'width' in to ? to.width / now.width : to.height / now.height;
  const scale = sticker.scale * factor;
  return {
    ...set,
    stickers: set.stickers.map((one, i) => (set.oneScale || i === index ? { ...one, scale } : one)),
  };
}

/** The number of the sticker with the longest side. */
export function largestOf({ stickers }: StickerSet, parting: Parting): number {
  const sides = stickers.map((sticker) => {
    const { width, height } = stickerSize(sticker, parting);
    return Math.max(width, height);
  });
  return sides.indexOf(Math.max(...sides));
}

/** How much larger the largest scale of the set is than the smallest: 1 where all are in proportion. */
export function scaleSpread({ stickers }: StickerSet): number {
  const scales = stickers.map(({ scale }) => scale);
  return scales.length === 0 ? 1 : Math.max(...scales) / Math.min(...scales);
}

/** Where a sticker's tag stands: its box in shares of the picture. */
export function boxOfSticker({ motifs }: Sticker, parting: Parting) {
  return boxRound(motifs.map((i) => parting.motifs[i]!));
}
