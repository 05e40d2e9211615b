'use client';
import { useState } from 'react';
import { addRendition } from '@/state/artwork/artworks';
import { previewUrl } from '@/state/artwork/previews';
import { useShop } from '@/state/shop/shop';
import { Heading } from '@/ui/StripParts';
import type { DocketProps } from './types';
import { Select } from '@/ui/Select';

const KINDS = [
  ['no-ground', 'without ground'],
  ['no-lettering', 'without lettering or shadow'],
  ['few-inks', 'few inks'],
  ['other', 'another'],
] as const;

/** Other forms of the same artwork: a fit takes the one its printing method wants. */
export function Renditions({ artwork, onChoose }: DocketProps) {
  const artworks = useShop((shop) => shop.artworks);
  const [kind, setKind] = useState<(typeof KINDS)[number][0]>('no-ground');
  const headId = artwork.rendition?.of ?? artwork.id;
  const family = [...artworks.values()].filter(
    ({ id, rendition }) => id === headId || rendition?.of === headId,
  );
  const name = KINDS.find(([id]) => id === kind)![1];
  return (
    <>
      <Heading>Renditions</Heading>
      {family.length > 1 && (
        <ul>
          {family.map((one) => (
            <li key={one.id} className="flex items-center gap-2 border-b border-rule py-1 text-sm">
              <span className="grid h-7 w-9 shrink-0 place-items-center bg-viewing">
                <img src={previewUrl(one)} alt="" className="max-h-6 max-w-8 object-contain" />
              </span>
              {one.id === artwork.id ? (
                <span className="font-semibold">{one.rendition?.name ?? 'full'}</span>
              ) : (
                <button
                  className="verb"
                  onClick={() => {
                    onChoose(one.id);
                  }}
                >
                  {one.rendition?.name ?? 'full'}
                </button>
              )}
            </li>
          ))}
        </ul>
      )}
      <p className="flex items-center gap-2 py-1.5 text-sm">
        <Select label="Kind of rendition" value={kind} choices={KINDS} onChange={setKind} className="grow" />
        <button
          className="verb"
          onClick={() => {
            void addRendition(artwork, { kind, name }).then(({ id }) => {
              onChoose(id);
            });
          }}
        >
          Start from this
        </button>
      </p>
    </>
  );
}
