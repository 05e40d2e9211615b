'use client';
import { useState } from 'react';
import { toast } from '@/ui/toast';
import type { Goes } from '@/core/fit/rendition';
import { addRendition, familyOf, sendTo } from '@/state/artwork/renditions';
import { previewUrl } from '@/state/artwork/previews';
import { sentence } from '@/state/sentence';
import { useShop } from '@/state/shop/shop';
import { MenuLine, VerbMenu } from '@/ui/Menu';
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
      {family.length > 1 && <GoesTo family={family} />}
    </>
  );
}

const BY_MEASURE = '';

/** Which of them each printing method gets, and single blanks that get another. */
function GoesTo({ family }: { family: readonly Artwork[] }) {
  const { blanks, settings } = useShop();
  const head = family[0]!;
  const { goes } = head;
  const columns = settings.columns.flatMap((id) => blanks.get(id) ?? []);
  const methods = new Map(columns.map(({ method }) => [method.id, method.name] as const));
  const own = columns.filter(({ blank }) => goes?.blanks[blank.id] !== undefined);
  const others = columns.filter((one) => !own.includes(one));
  const to = (which: keyof Goes, id: string, chosen: string | null) => {
    void sendTo(head.id, { which, id }, chosen === BY_MEASURE ? null : chosen);
  };
  return (
    <>
      <table className="w-full text-sm">
        <caption className="pb-0.5 text-left text-ink-2">What is printed of it</caption>
        <tbody>
          {[...methods].map(([id, name]) => (
            <GoesLine
              key={id}
              {...{ family, name }}
              chosen={goes?.methods[id]}
              onChoose={(chosen) => {
                to('methods', id, chosen);
              }}
            />
          ))}
          {own.map(({ blank: { id, name } }) => (
            <GoesLine
              key={id}
              {...{ family, name: `on ${name}` }}
              chosen={goes?.blanks[id]}
              onChoose={(chosen) => {
                to('blanks', id, chosen);
              }}
            />
          ))}
        </tbody>
      </table>
      {others.length > 0 && (
        <VerbMenu label="Another on one blank…" className="verb pt-1 text-sm">
          {others.map(({ blank: { id, name } }) => (
            <MenuLine
              key={id}
              onSelect={() => {
                to('blanks', id, head.id);
              }}
            >
              {name}
            </MenuLine>
          ))}
        </VerbMenu>
      )}
    </>
  );
}

function GoesLine({
  family,
  name,
  chosen,
  onChoose,
}: {
  family: readonly Artwork[];
  name: string;
  chosen: string | undefined;
  onChoose: (id: string) => void;
}) {
  return (
    <tr className="border-t border-rule">
      <th scope="row" className="py-0.5 pr-2 text-left font-normal">
        {name}
      </th>
      <td className="w-44 py-0.5">
        <Select
          label={`What is printed ${name}`}
          value={family.find(({ id }) => id === chosen)?.id ?? BY_MEASURE}
          choices={[
            [BY_MEASURE, 'what suits it'],
            ...family.map((one) => [one.id, one.rendition?.name ?? 'full'] as const),
          ]}
          className="w-full"
          onChange={onChoose}
        />
      </td>
    </tr>
  );
}
