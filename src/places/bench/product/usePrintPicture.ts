import { useEffect, useState } from 'react';
import { isShowing } from '@/core/fit/schema';
import { drawPieces, proofCanvas } from '@/state/bench/product';
import { useProofAsked } from '../live/proofing';
import type { Live } from '../live/useLive';

/** Longest side of the picture in px. */
const SIDE = 1200;

/** The face's print, trim only, as a picture's address; null where its drawings will do, or it is still being drawn. */
export function usePrintPicture(live: Live): string | null {
  const asked = useProofAsked(live);
  const [url, setUrl] = useState<string | null>(null);
  const { face, pieces, previews, factsOf } = live;
  const shown = asked?.shown ?? null;
  const press = asked?.press ?? null;
  const needed =
    shown !== null || pieces.some((piece) => isShowing(piece) && (piece.finish ?? []).length > 0);
  useEffect(() => {
    if (!needed) return;
    let current = true;
    let own: string | null = null;
    const scale = SIDE / Math.max(face.width, face.height);
    const canvas = new OffscreenCanvas(Math.round(face.width * scale), Math.round(face.height * scale));
    const context = canvas.getContext('2d', { willReadFrequently: true })!;
    context.setTransform(scale, 0, 0, scale, 0, 0);
    drawPieces(context, face, pieces, { facts: factsOf, pictureOf: (id) => previews.get(id)?.bitmap });
    context.setTransform(1, 0, 0, 1, 0, 0);
    if (press && shown) proofCanvas(context, { press, shown, from: 0, hatched: null });
    void canvas.convertToBlob().then((blob) => {
      if (current) setUrl((own = URL.createObjectURL(blob)));
    });
    return () => {
      current = false;
      if (own) URL.revokeObjectURL(own);
    };
  }, [needed, face, pieces, previews, factsOf, press, shown]);
  return needed ? url : null;
}
