'use client';
import { useState } from 'react';
import { isSilent, noteArtwork } from '@/state/artwork/artworks';
import { Heading } from '@/ui/StripParts';
import type { Artwork } from './types';

const FIELDS = [
  ['source', 'Made by, or from', 'my own drawing'],
  ['licence', 'Licence', 'own work'],
  ['proof', 'Where that is written', 'receipt, page, letter'],
] as const;

/** Where an artwork came from and what may be done with it; one that does not say is told so. */
export function Origin({ artwork }: { artwork: Artwork }) {
  const { origin } = artwork;
  const [text, setText] = useState(origin);
  return (
    <>
      <Heading>Where it came from</Heading>
      {isSilent(artwork) && (
        <p className="py-1 text-sm text-look">
          Nothing is said of {origin.source === '' ? 'who made it' : 'its licence'}: note it before it is
          listed or ordered.
        </p>
      )}
      {FIELDS.map(([field, label, example]) => (
        <label key={field} className="flex items-baseline gap-3 border-b border-rule py-1 text-sm">
          <span className="w-32 shrink-0 text-ink-2">{label}</span>
          <input
            value={text[field]}
            placeholder={example}
            onChange={(event) => {
              setText({ ...text, [field]: event.target.value });
            }}
            onBlur={() => {
              if (text[field] !== origin[field]) void noteArtwork(artwork.id, { origin: text });
            }}
            className="min-w-0 grow border-b border-transparent bg-transparent px-1 placeholder:text-ink-2 focus:border-ink"
          />
        </label>
      ))}
    </>
  );
}
