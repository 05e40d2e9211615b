import { useEffect, useState } from 'react';
import type { PicturePoint } from '@/core/product/lines';
import { useProof } from '@/state/bench/proof';
import { ProductView, type LookAt, type LookTold } from '@/state/bench/product';
import { useRoomSize } from '@/ui/useRoomSize';
import { pointAt, usePointing } from '../live/pointing';
import { usePress } from '../live/usePress';
import type { Live } from '../live/useLive';

/** A worker that ends over and over is not started for ever. */
const MOST_OPENINGS = 4;

/** Keeps looks at the live fit on a canvas behind the room's other parts; gives back what is told of each. */
export function useProductView(
  live: Live,
  colour: string,
  looksIn: (size: { width: number; height: number }) => readonly LookAt[],
  moving: boolean,
) {
  const { room, size } = useRoomSize();
  const [view, setView] = useState<ProductView | null>(null);
  const [told, setTold] = useState<readonly LookTold[]>([]);
  /** Raised where the worker ended: the next has a canvas of its own. */
  const [opening, setOpening] = useState(0);

  useEffect(() => {
    // A canvas can be handed over once only, so each opening makes its own.
    const canvas = document.createElement('canvas');
    canvas.className = 'absolute inset-0 h-full w-full';
    canvas.setAttribute('aria-hidden', 'true');
    canvas.dataset.product = 'drawing';
    room.current!.prepend(canvas);
    const opened = new ProductView(
      canvas,
      (looks) => {
        canvas.dataset.product = 'drawn';
        setTold(looks);
      },
      () => {
        setOpening((so) => Math.min(so + 1, MOST_OPENINGS));
      },
    );
    // The canvas and its worker are no state of React's: this is how it hears that they are there.
    // eslint-disable-next-line react-hooks/set-state-in-effect
    setView(opened);
    return () => {
      opened.close();
      canvas.remove();
    };
  }, [room, opening]);

  const { blank, fit, previews, artworks } = live;
  const press = usePress(blank.spec.id);
  const mode = useProof((proof) => proof.mode);
  const looks = size && looksIn(size);
  // Looks are made anew with every drawing of the page; what they say changes seldom.
  const saying = JSON.stringify(looks);
  useEffect(() => {
    if (!view || !size) return;
    if (press) view.setPress(press);
    view.show(
      {
        blank,
        sizeId: fit.sizeId,
        faces: blank.faces.map((face) => ({ face, pieces: piecesOn(live, face.id) })),
        facts: artworks.map(({ id, facts }) => [id, facts] as const),
        colour,
        proof: press && mode !== 'designed' ? mode : null,
        looks: JSON.parse(saying) as LookAt[],
        size: { ...size, dpr: Math.min(2, devicePixelRatio) },
        moving,
      },
      (id) => previews.get(id)?.bitmap,
    );
    // `live` is new with every drawing of the page: what of it is shown is named here.
  }, [view, size, blank, fit, artworks, colour, press, mode, saying, moving, previews]); // eslint-disable-line react-hooks/exhaustive-deps
  return { room, size, view, told, marks: useMarks(view) };
}

const NOTHING: Live['pieces'] = [];

function piecesOn({ fit, face, pieces }: Live, faceId: string): Live['pieces'] {
  if (faceId === face.id) return pieces;
  return fit.faces.find((one) => one.faceId === faceId)?.pieces ?? NOTHING;
}

/** Where each look shows what is pointed at on the flat. */
function useMarks(view: ProductView | null): readonly (PicturePoint | null)[] {
  const at = usePointing((pointing) => (pointing.on === 'flat' ? pointing.at : null));
  const [marks, setMarks] = useState<readonly (PicturePoint | null)[]>([]);
  useEffect(() => {
    let current = true;
    if (!view || !at) return;
    view.seenAt(at).then(
      (found) => {
        if (current) setMarks(found);
      },
      () => undefined,
    );
    return () => {
      current = false;
    };
  }, [view, at]);
  return at ? marks : [];
}

/** Tells the flat what of a look is under the pointer. */
export async function pointOnLook(
  view: ProductView | null,
  look: number,
  x: number,
  y: number,
): Promise<void> {
  pointAt('product', (await view?.placeAt(look, x, y)) ?? null);
}
