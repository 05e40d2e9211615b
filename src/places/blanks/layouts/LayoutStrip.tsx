'use client';
import { toast } from '@/ui/toast';
import type { PrintFace, ResolvedBlank } from '@/core/blank/resolve';
import { isShowing } from '@/core/fit/schema';
import { isKept } from '@/core/layout/places';
import type { Layout } from '@/core/layout/schema';
import { sentence } from '@/state/sentence';
import {
  changeLayoutFace,
  duplicateLayout,
  removeLayout,
  renameLayout,
  setExample,
  setUsual,
} from '@/state/shop/layouts';
import { useShop } from '@/state/shop/shop';
import { Checkbox } from '@/ui/Checkbox';
import { NameField } from '@/ui/NameField';
import { Heading } from '@/ui/StripParts';
import { tellDone } from '@/ui/tell';
import { Toggle } from '@/ui/Toggle';
import { AddPart } from './AddPart';
import { PartNumbers } from './PartNumbers';
import { faceOfLayout } from './parts';

interface Props {
  layout: Layout;
  resolved: ResolvedBlank;
  face: PrintFace;
  partId: string | null;
  onChoose: (partId: string | null) => void;
  onLayout: (id: string | null) => void;
}

/** A layout on a strip of paper: its parts, the numbers of the chosen one, and what can be done with it. */
export function LayoutStrip({ layout, resolved, face, partId, onChoose, onLayout }: Props) {
  const { blank } = resolved;
  const own = faceOfLayout(layout, face.id);
  const parts = [...own.places, ...[...own.pieces].reverse()];
  const artworks = useShop((shop) => shop.artworks);
  const isGone = (part: (typeof parts)[number]) =>
    'kind' in part && isShowing(part) && !artworks.has(part.artworkId);
  const chosen = parts.find((part) => part.id === partId && !isGone(part));
  const tell = (act: Promise<unknown>) => {
    act.catch((error: unknown) => toast(sentence(error)));
  };
  const takeOff = (id: string, name: string) => {
    tell(
      changeLayoutFace(layout.id, face.id, (so) => ({
        ...so,
        pieces: so.pieces.filter((piece) => piece.id !== id),
        places: so.places.filter((place) => place.id !== id),
      })).then(({ undo }) => {
        onChoose(null);
        tellDone(`“${name}” is off the layout.`, undo);
      }),
    );
  };
  return (
    <aside
      aria-label="Layout"
      className="flex w-[352px] shrink-0 flex-col overflow-auto border-l border-ink bg-docket px-5 pb-6 pt-3"
    >
      <NameField
        value={layout.name}
        label="Name of the layout"
        onName={(name) => {
          tell(renameLayout(layout.id, name));
        }}
      />
      <Checkbox
        className="mt-1 text-sm"
        checked={layout.usual}
        onChange={(on) => void setUsual(blank.id, on ? layout.id : null)}
      >
        Fits on {blank.name} begin with it
      </Checkbox>
      <Heading>On the {face.name.toLowerCase()}</Heading>
      <ul aria-label="Parts of the layout" className="text-sm">
        {parts.map((part) => (
          <li key={part.id} className="border-b border-rule py-1">
            <div className="flex items-baseline gap-2">
              <Toggle
                pressed={part.id === partId}
                onPress={() => {
                  onChoose(part.id);
                }}
                className={`min-w-0 grow truncate text-left ${part.id === partId ? 'font-bold text-thread' : ''}`}
              >
                {part.name}
              </Toggle>
              <span className="shrink-0 text-ink-2">
                {!('kind' in part)
                  ? 'empty place'
                  : isGone(part)
                    ? 'its artwork is gone'
                    : isKept(part, layout)
                      ? 'kept'
                      : 'gives its place'}
              </span>
              <button
                className="verb shrink-0"
                aria-label={`Take ${part.name} off`}
                onClick={() => {
                  takeOff(part.id, part.name);
                }}
              >
                Take off
              </button>
            </div>
            {'kind' in part && isShowing(part) && !isGone(part) && (
              <Checkbox
                className="text-ink-2"
                checked={isKept(part, layout)}
                onChange={(on) => {
                  tell(setExample(layout.id, part.artworkId, on ? null : part.role));
                }}
              >
                kept on every fit, and no place for another
              </Checkbox>
            )}
          </li>
        ))}
        {parts.length === 0 && (
          <li className="py-1 text-ink-2">Nothing yet: add an empty place, or words.</li>
        )}
      </ul>
      <AddPart layout={layout} resolved={resolved} face={face} onAdded={onChoose} />
      {chosen && <PartNumbers key={chosen.id} layout={layout} face={face} part={chosen} />}
      <Heading>This layout</Heading>
      <p className="mt-1.5 flex gap-4">
        <button
          className="verb"
          onClick={() => {
            tell(
              duplicateLayout(layout.id).then(({ result }) => {
                onLayout(result.id);
              }),
            );
          }}
        >
          Duplicate
        </button>
        <button
          className="verb"
          onClick={() => {
            tell(
              removeLayout(layout.id).then((undo) => {
                onLayout(null);
                tellDone(`“${layout.name}” is gone; fits that began with it stay.`, undo);
              }),
            );
          }}
        >
          Take out
        </button>
      </p>
    </aside>
  );
}
