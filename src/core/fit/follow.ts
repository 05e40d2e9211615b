import { gridOf, type Facts } from '../artwork/facts';
import { opaqueBox, placeOpaqueBox, type Box } from './geometry';
import { isShowing, type ArtworkPiece, type Fit, type ShowingPiece } from './schema';

/** Proportions this near are the same: nothing has to give. */
const SAME = 0.005;

/**
 * Fits whose artwork became another picture: each of its pieces keeps the place and size of its opaque bounds, a motif
 * no larger and a ground no smaller than it was, and is never stretched.
 */
export function followArtwork(fit: Fit, artworkId: string, before: Facts, after: Facts): Fit {
  return {
    ...fit,
    faces: fit.faces.map((face) => ({
      ...face,
      pieces: face.pieces.map((piece) =>
        isShowing(piece) && piece.artworkId === artworkId ? followPiece(piece, before, after) : piece,
      ),
    })),
  };
}

/** A piece whose artwork became another picture: what is seen of it keeps its place, and is never stretched. */
export function followPiece<P extends ShowingPiece>(piece: P, before: Facts, after: Facts): P {
  const old = opaqueBox(piece, before);
  if (piece.kind === 'artwork' && piece.clip) return { ...piece, ...coverClip(piece.clip, old, after) };
  const bounds = after.alpha.opaqueBounds;
  if (old.width === 0 || bounds.width === 0) return piece;
  const was = before.alpha.opaqueBounds;
  // What the piece was stretched by, if it was, stays.
  const stretch = old.width / was.width / (old.height / was.height);
  const aspect = (bounds.width / bounds.height) * stretch;
  const scale =
    piece.role === 'ground'
      ? Math.max(old.width / aspect, old.height)
      : Math.min(old.width / aspect, old.height);
  return placeOpaqueBox(piece, after, { ...old, width: scale * aspect, height: scale });
}

/** The new picture laid to cover what is seen through a clip, which stays as it is. */
function coverClip(
  { shape }: NonNullable<ArtworkPiece['clip']>,
  seen: Box,
  after: Facts,
): Pick<ArtworkPiece, 'x' | 'y' | 'width' | 'height' | 'clip'> {
  const { width: across, height: down } = gridOf(after);
  const scale = Math.max(seen.width / across, seen.height / down);
  const [width, height] = [across * scale, down * scale];
  const clip = { shape, width: seen.width / width, height: seen.height / height };
  return {
    x: seen.x,
    y: seen.y,
    width,
    height,
    clip: { ...clip, x: 0.5 - clip.width / 2, y: 0.5 - clip.height / 2 },
  };
}

/** What changed from one picture to the one that took its place, a sentence each; none where nothing did. */
export function sayChanges(before: Facts, after: Facts): string[] {
  const said: string[] = [];
  const [old, now] = [gridOf(before), gridOf(after)];
  const change = now.width / now.height / (old.width / old.height) - 1;
  if (Math.abs(change) > SAME) {
    said.push(
      `Proportion: ${ratio(old)} before, ${ratio(now)} now; its pieces keep their places and are not stretched.`,
    );
  }
  if (before.pixels && after.pixels && (old.width !== now.width || old.height !== now.height)) {
    said.push(`Pixels: ${old.width} × ${old.height} before, ${now.width} × ${now.height} now.`);
  } else if (Boolean(before.pixels) !== Boolean(after.pixels)) {
    said.push(after.pixels ? 'It was a drawing and has pixels now.' : 'It had pixels and is a drawing now.');
  }
  if (before.colour.mode !== after.colour.mode || before.colour.profile !== after.colour.profile) {
    said.push(`Colour: ${mode(before)} before, ${mode(after)} now.`);
  }
  if (before.alpha.present !== after.alpha.present) {
    said.push(after.alpha.present ? 'It has transparency now.' : 'It has no transparency any more.');
  }
  return said;
}

function ratio({ width, height }: { width: number; height: number }): string {
  return width >= height ? `${(width / height).toFixed(2)} : 1` : `1 : ${(height / width).toFixed(2)}`;
}

function mode({ colour }: Facts): string {
  return `${colour.mode.toUpperCase()}${colour.profile ? ` (${colour.profile})` : ''}`;
}
