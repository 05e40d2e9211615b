'use client';
import { useState } from 'react';
import { toast } from '@/ui/toast';
import type { PrintFace } from '@/core/blank/resolve';
import type { Piece, TextPiece } from '@/core/fit/schema';
import { smallestCap } from '@/core/fit/text';
import { boxFault, boxOf, isAllOver, withBox, type Part } from '@/core/layout/places';
import type { EmptyPlace, Layout } from '@/core/layout/schema';
import type { Lettering } from '@/core/type/schema';
import { relaid } from '@/state/bench/type';
import { sentence } from '@/state/sentence';
import { useShop } from '@/state/shop/shop';
import { EditableLength } from '@/ui/LengthValue';
import { NameField } from '@/ui/NameField';
import { Heading } from '@/ui/StripParts';
import { NumberRow } from '../NumberRow';
import { setFace, useFactsOf } from './parts';

interface Props {
  layout: Layout;
  face: PrintFace;
  part: Piece | EmptyPlace;
}

/** The numbers of one part of a layout, each to be typed over. */
export function PartNumbers({ layout, face, part }: Props) {
  const change = (to: (part: Piece | EmptyPlace) => Piece | EmptyPlace) => {
    void setFace(layout, face.id, (so) => ({
      ...so,
      pieces: so.pieces.map((piece) => (piece.id === part.id ? (to(piece) as Piece) : piece)),
      places: so.places.map((place) => (place.id === part.id ? (to(place) as EmptyPlace) : place)),
    }));
  };
  return (
    <section aria-label="Chosen part">
      <Heading>{'kind' in part ? 'Kept' : 'Empty place'}</Heading>
      <NameField
        small
        value={part.name}
        label="Name of the part"
        onName={(name) => {
          change((so) => ({ ...so, name: name.slice(0, 120) }));
        }}
      />
      {isAllOver(part) ? (
        <p className="text-sm text-ink-2">
          It lies over all of the {face.name.toLowerCase()}, out to the bleed.
        </p>
      ) : (
        <Numbers layout={layout} face={face} part={part as Part} />
      )}
      {'kind' in part && part.kind === 'fill' && (
        <label className="mt-1 flex items-center gap-2 text-sm">
          colour
          <input
            type="color"
            value={part.colour}
            onChange={({ target }) => {
              change((so) => ({ ...so, colour: target.value }));
            }}
          />
          <span className="measure">{part.colour}</span>
        </label>
      )}
      {'kind' in part && part.kind === 'text' && (
        <Words
          text={part}
          onSet={async (lettering) => {
            try {
              const next = await relaid(part, lettering);
              change(() => next);
            } catch (error) {
              toast(sentence(error));
            }
          }}
        />
      )}
    </section>
  );
}

function Numbers({ layout, face, part }: { layout: Layout; face: PrintFace; part: Part }) {
  const { unit } = useShop((shop) => shop.settings);
  const factsOf = useFactsOf();
  const box = boxOf(part, factsOf);
  const place = 'kind' in part ? null : part;
  const set = (to: Partial<typeof box>) => {
    void setFace(layout, face.id, (so) => withBox(so, part.id, to, factsOf));
  };
  const setHeight = (height: number | null) => {
    void setFace(layout, face.id, (so) => ({
      ...so,
      places: so.places.map((one) => (one.id === part.id ? { ...one, height } : one)),
    }));
  };
  const fault = (to: Partial<typeof box>) =>
    boxFault(
      { name: part.name, ...box, height: place?.height === null ? null : box.height, ...to },
      face,
      unit,
    );
  const above = (mm: number) => (mm > 0 ? null : 'Type a length above zero.');
  /** A kept piece keeps its proportion; an empty place has two lengths of its own. */
  const across = (width: number) => ({
    width,
    ...(place ? {} : { height: (box.height * width) / box.width }),
  });
  const down = (height: number) => ({
    height,
    ...(place ? {} : { width: (box.width * height) / box.height }),
  });
  return (
    <dl className="measure text-sm">
      <NumberRow
        name="middle from the left"
        mm={box.x}
        unit={unit}
        refuse={(x) => fault({ x })}
        onSet={(x) => {
          set({ x });
        }}
      />
      <NumberRow
        name="middle from the top"
        mm={box.y}
        unit={unit}
        refuse={(y) => fault({ y })}
        onSet={(y) => {
          set({ y });
        }}
      />
      <NumberRow
        name="width"
        mm={box.width}
        unit={unit}
        refuse={(mm) => above(mm) ?? fault(across(mm))}
        onSet={(mm) => {
          set(across(mm));
        }}
      />
      {place ? (
        <div className="flex items-baseline justify-between gap-3 border-b border-rule py-[3px]">
          <dt className="text-ink-2">height</dt>
          <dd className="flex items-baseline gap-3 font-semibold">
            {place.height !== null && (
              <button
                className="verb font-normal"
                onClick={() => {
                  setHeight(null);
                }}
              >
                As the artwork makes it
              </button>
            )}
            <EditableLength
              name="height"
              mm={place.height}
              none="as the artwork makes it"
              unit={unit}
              refuse={(height) => above(height) ?? fault({ height })}
              onSet={(height) => {
                setHeight(height);
              }}
              className="min-h-6 underline decoration-rule decoration-dotted underline-offset-4 hover:decoration-ink"
            />
          </dd>
        </div>
      ) : (
        <NumberRow
          name="height"
          mm={box.height}
          unit={unit}
          refuse={(mm) => above(mm) ?? fault(down(mm))}
          onSet={(mm) => {
            set(down(mm));
          }}
        />
      )}
    </dl>
  );
}

/** The words of a kept text, its capitals and its colour. */
function Words({ text, onSet }: { text: TextPiece; onSet: (to: Partial<Lettering>) => Promise<void> }) {
  const { unit } = useShop((shop) => shop.settings);
  const lines = text.lettering.lines.map(({ text: line }) => line).join('\n');
  const [typed, setTyped] = useState<string | null>(null);
  return (
    <div className="text-sm">
      <label className="mt-1.5 flex flex-col text-ink-2">
        words, a line each
        <textarea
          rows={Math.min(6, text.lettering.lines.length + 1)}
          value={typed ?? lines}
          onChange={({ target }) => {
            setTyped(target.value);
          }}
          onBlur={() => {
            if (typed !== null && typed !== lines)
              void onSet({ lines: typed.split('\n').map((line) => ({ text: line, gap: null })) });
            setTyped(null);
          }}
          className="border border-rule bg-docket px-1.5 py-1 text-base text-ink"
        />
      </label>
      <dl className="measure">
        <NumberRow
          name="capitals"
          mm={smallestCap(text)}
          unit={unit}
          refuse={(cap) => (cap > 0 ? null : 'Type a height above zero.')}
          onSet={(cap) => void onSet({ cap })}
        />
      </dl>
      <label className="mt-1 flex items-center gap-2">
        colour
        <input
          type="color"
          value={text.lettering.colour}
          onChange={({ target }) => void onSet({ colour: target.value })}
        />
        <span className="measure">{text.lettering.colour}</span>
      </label>
    </div>
  );
}
