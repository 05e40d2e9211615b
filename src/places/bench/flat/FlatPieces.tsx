'use client';
import { useLayoutEffect, useRef, useState } from 'react';
import { shapePath, signedDistance } from '@/core/blank/shape';
import { wayRound } from '@/core/blank/kinds';
import type { PrintFace } from '@/core/blank/resolve';
import { corners } from '@/core/fit/geometry';
import { isMixed } from '@/core/fit/mix';
import { isMotifKind, type Piece } from '@/core/fit/schema';
import { drawPieces, proofCanvas, type HatchedFound, type PicturesShown } from '@/state/bench/product';
import { useProof } from '@/state/bench/proof';
import { useProofAsked } from '../live/proofing';
import { shownColour, type Live } from '../live/useLive';
import { HatchedMark } from './ProofMarks';
import type { View } from './view';

/** How strongly what lies past the bleed edge shows, and what comes round the wrap again. */
const GHOST = 0.14;
const ROUND_AGAIN = 0.4;

/**
 * The pieces on the product's colour, cut off at the bleed; what lies past it shows as a ghost. A wrap that closes on
 * itself goes on past its ends, paler.
 */
export function FlatPieces({ live, view }: { live: Live; view: View }) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const layer = useRef<OffscreenCanvas>(null);
  const { width, height, left, top, scale } = view;
  const { face, pieces, blank, fit, previews, factsOf } = live;
  const colour = shownColour({ blank, fit });
  const proof = useProofAsked(live);
  const divider = useProof((one) => one.divider);
  const [found, setFound] = useState<HatchedFound | null>(null);

  useLayoutEffect(() => {
    const dpr = Math.min(2, devicePixelRatio);
    const target = canvas.current!;
    const room = { width: Math.round(width * dpr), height: Math.round(height * dpr) };
    if (target.width !== room.width || target.height !== room.height) Object.assign(target, room);
    const under = (layer.current ??= new OffscreenCanvas(1, 1));
    const shown: PicturesShown = { facts: factsOf, pictureOf: (id) => previews.get(id)?.bitmap };
    const context = target.getContext('2d')!;
    const mm = (shift = 0) =>
      [scale * dpr, 0, 0, scale * dpr, (left + shift * scale) * dpr, top * dpr] as const;

    /** Draws pieces apart, so that a knockout takes away only what is printed; then all of it as strong as wanted. */
    const proofs = proof !== null;
    const lay = (some: readonly Piece[], opacity: number, shift = 0) => {
      if (some.length === 0) return;
      const apart =
        some.some((piece) => piece.knockout || isMixed(piece)) || (opacity < 1 && !isPicture(some)) || proofs;
      if (!apart) {
        context.setTransform(...mm(shift));
        context.globalAlpha = opacity;
        drawPieces(context, face, some, shown);
        context.globalAlpha = 1;
        return;
      }
      if (under.width !== room.width || under.height !== room.height) Object.assign(under, room);
      const draft = under.getContext('2d')!;
      draft.setTransform(1, 0, 0, 1, 0, 0);
      draft.clearRect(0, 0, room.width, room.height);
      draft.setTransform(...mm(shift));
      drawPieces(draft, face, some, shown);
      if (proof) {
        const from = divider === null ? 0 : divider * room.width;
        const hatchedNow = proofCanvas(draft, { ...proof, from });
        if (opacity === 1 && shift === 0) setFound(hatchedNow);
      }
      context.setTransform(1, 0, 0, 1, 0, 0);
      context.globalAlpha = opacity;
      context.drawImage(under, 0, 0);
      context.globalAlpha = 1;
    };

    context.setTransform(1, 0, 0, 1, 0, 0);
    context.clearRect(0, 0, room.width, room.height);
    const cut = new Path2D(shapePath(face, face.bleed));
    const around = wayRound(blank.blank.body, face);
    const inside = (shift: number, opacity: number) => {
      context.save();
      context.setTransform(...mm(shift));
      context.clip(cut);
      context.globalAlpha = opacity;
      context.fillStyle = colour;
      context.fill(cut);
      context.globalAlpha = 1;
      lay(pieces, opacity, shift);
      context.restore();
    };
    if (around !== null) for (const shift of [-around, around]) inside(shift, ROUND_AGAIN);
    lay(
      pieces.filter((piece) => reachesPast(piece, face)),
      GHOST,
    );
    inside(0, 1);
  }, [face, pieces, blank, previews, factsOf, colour, proof, divider, width, height, left, top, scale]);

  return (
    <>
      <canvas
        ref={canvas}
        aria-hidden
        className="pointer-events-none absolute inset-0"
        style={{ width, height }}
      />
      <HatchedMark live={live} found={found} dpr={Math.min(2, devicePixelRatio)} />
    </>
  );
}

/** Whether pieces are one picture: as it is drawn at once, nothing in it shows through the rest of it. */
function isPicture(pieces: readonly Piece[]): boolean {
  return pieces.length === 1 && pieces[0]?.kind === 'artwork';
}

/** Whether any of a piece lies past the bleed edge, where it shows as a ghost. */
function reachesPast(piece: Piece, face: PrintFace): boolean {
  if (!isMotifKind(piece) || piece.knockout) return false;
  return corners(piece).some(({ x, y }) => signedDistance(face, face.bleed, x, y) > 0.01);
}
