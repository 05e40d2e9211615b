'use client';
import dynamic from 'next/dynamic';
import type { ProductColour } from '@/core/blank/schema';
import { changeFit } from '@/state/bench';
import { useHand } from '@/state/hand';
import type { Live } from '../useLive';
import { DrawnProduct } from './DrawnProduct';
import { StickerProduct } from './StickerProduct';

/** The 3D library is large and needs the window: it comes in when a round product is shown. */
const RoundProduct = dynamic(() => import('./RoundProduct').then((module) => module.RoundProduct), {
  ssr: false,
});

/** The product with the fit on it: a strip of views beneath a wide face, a drawing beside a tall one. */
export function ProductPanel({ live, wide }: { live: Live; wide: boolean }) {
  const { body } = live.blank.blank;
  // Faces side by side want the room.
  const beside = useHand((hand) => hand.allFaces) && live.blank.faces.length > 1;
  return (
    <section
      aria-label="Product"
      className={`relative flex shrink-0 flex-col border-viewing-rule ${wide ? 'h-[38%] border-t' : beside ? 'w-[28%] border-l' : 'w-[42%] border-l'}`}
    >
      <Colours live={live} wide={wide} />
      {body.kind === 'wrap' || body.kind === 'taper' ? (
        <RoundProduct live={live} body={body} tall={!wide} />
      ) : body.kind === 'sticker' && !body.several ? (
        <StickerProduct live={live} />
      ) : (
        <DrawnProduct live={live} />
      )}
    </section>
  );
}

function Colours({ live, wide }: { live: Live; wide: boolean }) {
  const { colours, states } = live.blank.blank;
  const { fit } = live;
  if (states.length > 0) {
    const shown = fit.stateId ?? states[0]!.id;
    return (
      <Swatches
        low={wide}
        label="State of the product"
        choices={states}
        chosenId={shown}
        onChoose={(stateId) => void changeFit((so) => ({ ...so, stateId }))}
      />
    );
  }
  if (colours.length < 2) return null;
  return (
    <Swatches
      low={wide}
      label="Product colour"
      choices={colours}
      chosenId={fit.colourId}
      onChoose={(colourId) => void changeFit((so) => ({ ...so, colourId }))}
    />
  );
}

interface SwatchesProps {
  /** At the foot of the panel, where its top is taken by the names of views. */
  low: boolean;
  label: string;
  choices: readonly ProductColour[];
  chosenId: string;
  onChoose: (id: string) => void;
}

function Swatches({ low, label, choices, chosenId, onChoose }: SwatchesProps) {
  return (
    <div
      className={`absolute right-3 z-10 flex items-center gap-1.5 bg-viewing/80 px-1 text-sm ${low ? 'bottom-1.5' : 'top-1.5'}`}
      role="group"
      aria-label={label}
    >
      {choices.map(({ id, name, hex }) => (
        <button
          key={id}
          aria-label={name}
          aria-pressed={id === chosenId}
          title={name}
          onClick={() => {
            onChoose(id);
          }}
          style={{ background: hex }}
          className={`h-6 w-6 border border-viewing-ink ${id === chosenId ? 'outline-2 outline-offset-2 outline-viewing-thread' : ''}`}
        />
      ))}
      <span className="ml-2">{choices.find(({ id }) => id === chosenId)?.name}</span>
    </div>
  );
}
