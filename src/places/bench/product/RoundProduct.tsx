'use client';
import { useEffect, useState } from 'react';
import type { RoundBody } from '@/core/blank/body';
import { useProof } from '@/state/proof';
import { ProductView } from '@/state/product';
import { useRoomSize } from '@/ui/useRoomSize';
import { useDrag } from '../flat/useDrag';
import { usePress } from '../usePress';
import { shownColour, type Live } from '../useLive';

const SET_VIEWS = [
  { name: 'from the left', angle: -Math.PI / 2 },
  { name: 'from the front', angle: 0 },
  { name: 'from the right', angle: Math.PI / 2 },
] as const;

/** A round product from its left, front and right as a viewer in front names them, and once in the hand to be turned. */
export function RoundProduct({ live, body, tall }: { live: Live; body: RoundBody; tall: boolean }) {
  const [hand, setHand] = useState(0.6);
  const columns = tall ? 2 : 4;
  const room = useProductView(live, body, hand, columns);
  const degrees = Math.round((hand * 180) / Math.PI) % 360;
  return (
    <div ref={room} className="relative min-h-0 grow overflow-hidden">
      <div className={`absolute inset-0 grid ${tall ? 'grid-cols-2 grid-rows-2' : 'grid-cols-4'}`}>
        {SET_VIEWS.map(({ name }) => (
          <div key={name} className="border-r border-viewing-rule">
            <span className="ml-3 text-sm font-semibold leading-7">{name}</span>
          </div>
        ))}
        <div className="relative">
          <span className="ml-3 text-sm font-semibold leading-7">in the hand, turned {degrees}°</span>
          <TurnGrip hand={hand} degrees={degrees} onTurn={setHand} />
        </div>
      </div>
    </div>
  );
}

/** Takes hold of the product: drag, or the arrow keys. */
function TurnGrip({
  hand,
  degrees,
  onTurn,
}: {
  hand: number;
  degrees: number;
  onTurn: (angle: number) => void;
}) {
  const drag = useDrag({
    start: () => hand,
    move: (from: number, { dx }) => {
      onTurn(from - dx * 0.012);
    },
    end: () => undefined,
  });
  return (
    <svg
      role="slider"
      tabIndex={0}
      aria-label="Turn the product"
      aria-valuenow={degrees}
      aria-valuemin={-360}
      aria-valuemax={360}
      aria-valuetext={`${degrees} degrees`}
      data-arrows
      className="absolute inset-0 h-full w-full cursor-grab touch-none"
      onKeyDown={(event) => {
        const step = event.key === 'ArrowLeft' ? -1 : event.key === 'ArrowRight' ? 1 : 0;
        if (step !== 0) onTurn(hand + (step * Math.PI) / 24);
      }}
    >
      <rect width="100%" height="100%" fill="transparent" {...drag} />
    </svg>
  );
}

/** Keeps the views of the live fit on a canvas behind the labels; gives back the room they are drawn in. */
function useProductView(live: Live, body: RoundBody, hand: number, columns: number) {
  const { room, size } = useRoomSize();
  const [view, setView] = useState<ProductView | null>(null);

  useEffect(() => {
    // A canvas can be handed over once only, so each opening makes its own.
    const canvas = document.createElement('canvas');
    canvas.className = 'absolute inset-0 h-full w-full';
    canvas.setAttribute('aria-hidden', 'true');
    room.current!.prepend(canvas);
    const opened = new ProductView(canvas);
    setView(opened);
    return () => {
      opened.close();
      canvas.remove();
    };
  }, [room]);

  const { blank, face, pieces, previews, fit, artworks } = live;
  const colour = shownColour({ blank, fit });
  const { ink } = blank.method;
  const press = usePress(blank.spec.id);
  const mode = useProof((proof) => proof.mode);
  useEffect(() => {
    if (!view || !size) return;
    const eyes = [...SET_VIEWS.map(({ angle }) => angle), hand];
    const dpr = Math.min(2, devicePixelRatio);
    if (press) view.setPress(press);
    view.show(
      {
        body,
        face,
        pieces,
        facts: artworks.map(({ id, facts }) => [id, facts] as const),
        colour,
        ink,
        proof: press && mode !== 'designed' ? mode : null,
        eyes,
        columns,
        size: { ...size, dpr },
      },
      (id) => previews.get(id)?.bitmap,
    );
  }, [view, size, body, face, pieces, artworks, colour, ink, press, mode, hand, columns, previews]);
  return room;
}
