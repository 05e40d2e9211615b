'use client';
import { useState } from 'react';
import { toast } from '@/ui/toast';
import { addRendition, familyOf, sendTo } from '@/state/artwork/renditions';
import { previewUrl } from '@/state/artwork/previews';
import { sentence } from '@/state/sentence';
import { useShop } from '@/state/shop/shop';
import { Heading } from '@/ui/StripParts';
import type { Artwork, DocketProps } from './types';
import { Select } from '@/ui/Select';

const KINDS = [
  ['no-ground', 'without ground'],
  ['no-lettering', 'without lettering or shadow'],
  ['few-inks', 'few inks'],
  ['other', 'another'],
] as const;

/** Other forms of the same artwork: a fit takes the one its printing method wants, or the one that it is said to get. */
export function Renditions({ artwork, onChoose }: DocketProps) {
  const artworks = useShop((shop) => shop.artworks);
  const [kind, setKind] = useState<(typeof KINDS)[number][0]>('no-ground');
  const family = familyOf(artwork, artworks);
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
            addRendition(artwork, { kind, name }).then(
              ({ id }) => {
                onChoose(id);
              },
              (error: unknown) => {
                toast(sentence(error));
              },
            );
          }}
        >
          Start from this
        </button>
      </p>
      {family.length > 1 && <Goes family={family} />}
    </>
  );
}

const BY_MEASURE = '';

/** Which of them each printing method of the shop's blanks gets. */
function Goes({ family }: { family: readonly Artwork[] }) {
  const { blanks, settings } = useShop();
  const head = family[0]!;
  const methods = new Map(
    settings.columns.flatMap((id) => {
      const method = blanks.get(id)?.method;
      return method ? [[method.id, method.name] as const] : [];
    }),
  );
  return (
    <table className="w-full text-sm">
      <caption className="pb-0.5 text-left text-ink-2">What each method prints</caption>
      <tbody>
        {[...methods].map(([id, name]) => (
          <tr key={id} className="border-t border-rule">
            <th scope="row" className="py-0.5 pr-2 text-left font-normal">
              {name}
            </th>
            <td className="w-44 py-0.5">
              <Select
                label={`What ${name} prints`}
                value={family.find((one) => one.id === head.goes?.[id])?.id ?? BY_MEASURE}
                choices={[
                  [BY_MEASURE, 'what suits it'],
                  ...family.map((one) => [one.id, one.rendition?.name ?? 'full'] as const),
                ]}
                className="w-full"
                onChange={(chosen) => void sendTo(head.id, id, chosen === BY_MEASURE ? null : chosen)}
              />
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
