import type { Facts } from '../artwork/facts';
import { gridOf } from '../artwork/facts';
import type { ArtworkPiece, FitFace } from '../fit/schema';
import { boxRound, windowOf, type Parting } from './parting';
import type { Cut, CutSettings } from '../fit/cut';

/** One sticker of a set: what it is called, and the motifs of the picture that it is made of. */
export interface Sticker {
  name: string;
  motifs: readonly number[];
  /** mm that the whole picture would be across at this sticker's scale. */
  scale: number;
}

/** Round a sticker's own motifs, in shares of the picture's width: nothing of its edge is cut off. */
const EDGE = 0.001;
/** Nobody else's ground goes with a motif up to this far: soft edges and shadows. */
const ROUND = 0.02;

/** mm across and down of a sticker's artwork. */
export function stickerSize({ motifs, scale }: Sticker, { motifs: all, aspect }: Parting) {
  const box = boxRound(motifs.map((i) => all[i]!));
  return { width: box.width * scale, height: (box.height * scale) / aspect };
}

/** The scale at which a sticker's artwork is so many mm along its longer side. */
export function scaleFor(motifs: readonly number[], parting: Parting, mm: number): number {
  const { width, height } = stickerSize({ name: '', motifs, scale: 1 }, parting);
  return mm / Math.max(width, height);
}

/** A face for each sticker, not cut yet: the picture at its scale, seen through the sticker's own part of it. */
export function stickerFaces(
  artwork: { id: string; facts: Facts },
  parting: Parting,
  stickers: readonly Sticker[],
  settings: CutSettings,
): (FitFace & { cut: Cut })[] {
  const { width, height } = gridOf(artwork.facts);
  return stickers.map(({ name, motifs, scale }, i) => {
    const alone = motifs.length === parting.motifs.length;
    const seen = alone ? null : windowOf(parting, motifs, { round: ROUND, edge: EDGE });
    const piece: ArtworkPiece = {
      id: `sticker-${i + 1}-artwork`,
      kind: 'artwork',
      artworkId: artwork.id,
      name,
      role: 'motif',
      locked: false,
      visible: true,
      knockout: false,
      groupId: null,
      clip: seen && { shape: { kind: 'path', name, d: seen.d }, ...seen.box },
      x: scale / 2,
      y: (scale * height) / width / 2,
      width: scale,
      height: (scale * height) / width,
      rotation: 0,
      flipped: false,
    };
    return { faceId: `sticker-${i + 1}`, pieces: [piece], cut: { ...settings, name, d: '', of: '' } };
  });
}
