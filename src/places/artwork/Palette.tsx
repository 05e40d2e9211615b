'use client';
import { useEffect, useState } from 'react';
import { toast } from '@/ui/toast';
import { plainName } from '@/core/colour/names';
import { mergeColours, type Cmyk } from '@/core/colour/palette';
import { setSteps } from '@/state/artwork/artworks';
import { inksOf, PALETTE_FORMATS, savePalette, type PaletteFormat } from '@/state/artwork/palette';
import { removeSwatches, saveSwatches } from '@/state/artwork/swatches';
import { sentence } from '@/state/sentence';
import { useShop } from '@/state/shop/shop';
import { Heading } from '@/ui/StripParts';
import type { Artwork } from './types';
import { PaletteRow, type Named } from './PaletteRow';
import type { useChange } from './useChange';
import { Fold } from '@/ui/Fold';
import { tellDone } from '@/ui/tell';

/** The artwork's colours with their share, name and inks: merged, named, kept as a set, and handed out as files. */
export function Palette({ artwork, change }: { artwork: Artwork; change: ReturnType<typeof useChange> }) {
  const { facts, steps } = artwork;
  const [colours, setColours] = useState<Named[]>(() => named(facts.palette));
  const [marked, setMarked] = useState<readonly string[]>([]);
  const [of, setOf] = useState(facts.palette);
  if (of !== facts.palette) {
    setOf(facts.palette);
    setColours(named(facts.palette));
    setMarked([]);
  }
  const inks = useInks(colours);
  if (facts.palette.length === 0) return null;
  const title = facts.name.replace(/\.[a-z0-9]+$/i, '');
  const hand = (format: PaletteFormat) => {
    savePalette(title, colours, format).catch((error: unknown) => toast(sentence(error)));
  };
  return (
    <>
      <Heading>{facts.inks === null ? 'Colours that sum it up' : 'Colours'}</Heading>
      <ul>
        {colours.map((colour) => (
          <PaletteRow
            key={colour.hex}
            colour={colour}
            inks={inks.get(colour.hex) ?? null}
            marked={marked.includes(colour.hex)}
            onMark={(on) => {
              setMarked(on ? [...marked, colour.hex].slice(-2) : marked.filter((hex) => hex !== colour.hex));
            }}
            onName={(name) => {
              setColours(colours.map((one) => (one === colour ? { ...one, name } : one)));
            }}
            onRecolour={
              facts.inks === null || change.busy
                ? null
                : (to) => {
                    change.run('Recoloured', (options) =>
                      setSteps(artwork, [...steps, { kind: 'recolour', from: colour.hex, to }], options),
                    );
                  }
            }
          />
        ))}
      </ul>
      <p className="flex flex-wrap gap-x-4 gap-y-1 pt-1.5 text-sm">
        {colours.length > 1 && (
          <button
            className="verb"
            disabled={marked.length !== 2}
            onClick={() => {
              setColours(merged(colours, marked[0]!, marked[1]!));
              setMarked([]);
            }}
          >
            Merge the two marked
          </button>
        )}
        {colours.length < facts.palette.length && (
          <button
            className="verb"
            onClick={() => {
              setColours(named(facts.palette));
            }}
          >
            Part them again
          </button>
        )}
        <button
          className="verb"
          onClick={() => {
            void saveSwatches({ id: crypto.randomUUID(), name: title, colours }).then(() =>
              toast(`Colours of “${title}” are kept as a set.`),
            );
          }}
        >
          Keep as a set
        </button>
      </p>
      <p className="flex flex-wrap gap-x-4 gap-y-1 pt-1 text-sm">
        <span className="text-ink-2">As a file:</span>
        {Object.entries(PALETTE_FORMATS).map(([format, name]) => (
          <button
            key={format}
            className="verb"
            onClick={() => {
              hand(format as PaletteFormat);
            }}
          >
            {name}
          </button>
        ))}
      </p>
      <KeptSets />
    </>
  );
}

/** Sets of colours kept before, each to be handed out or taken out. */
function KeptSets() {
  const swatches = useShop((shop) => shop.swatches);
  if (swatches.size === 0) return null;
  return (
    <Fold
      ruled={false}
      className="pt-1.5 text-sm"
      title={`${swatches.size} kept ${swatches.size === 1 ? 'set' : 'sets'} of colours`}
    >
      <ul>
        {[...swatches.values()].map((set) => (
          <li key={set.id} className="flex items-center gap-2 border-b border-rule py-1">
            <span className="min-w-0 grow truncate">{set.name}</span>
            <span aria-hidden className="flex">
              {set.colours.slice(0, 8).map(({ hex }) => (
                <span key={hex} className="h-3.5 w-2.5" style={{ background: hex }} />
              ))}
            </span>
            <button
              className="verb"
              onClick={() => {
                savePalette(set.name, set.colours, 'gpl').catch((error: unknown) => toast(sentence(error)));
              }}
            >
              Colour list, .gpl
            </button>
            <button
              className="verb"
              onClick={() => {
                void removeSwatches(set).then((undo) => {
                  tellDone(`The set “${set.name}” is taken out.`, undo);
                });
              }}
            >
              Take out
            </button>
          </li>
        ))}
      </ul>
    </Fold>
  );
}

function named(palette: Artwork['facts']['palette']): Named[] {
  return palette.map((colour) => ({ ...colour, name: plainName(colour.hex) }));
}

function merged(colours: readonly Named[], a: string, b: string): Named[] {
  return mergeColours(colours, a, b).map((colour) => ({
    ...colour,
    name: colours.find(({ hex }) => hex === colour.hex)!.name,
  }));
}

/** Inks of the colours shown; empty until the engine has answered. */
function useInks(colours: readonly Named[]): ReadonlyMap<string, Cmyk> {
  const [inks, setInks] = useState<ReadonlyMap<string, Cmyk>>(new Map());
  const key = colours.map(({ hex }) => hex).join(' ');
  useEffect(() => {
    let wanted = true;
    const hexes = key === '' ? [] : key.split(' ');
    inksOf(hexes)
      .then((found) => {
        if (wanted) setInks(new Map(hexes.map((hex, i) => [hex, found[i]!])));
      })
      .catch(() => undefined);
    return () => {
      wanted = false;
    };
  }, [key]);
  return inks;
}
