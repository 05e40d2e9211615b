'use client';
import { useState } from 'react';
import type { Fit } from '@/core/fit/schema';
import type { KeptPictures, PictureSet } from '@/core/mockup/schema';
import { askedBy, forgetPictures, keepPictures, outOfDate, sameSet } from '@/state/handover/picture-sets';
import { useShop } from '@/state/shop/shop';
import { Heading } from '@/ui/StripParts';
import { tellDone } from '@/ui/tell';
import { NameForm } from '../shell/NameForm';

/** Sets of pictures that are kept by name: asked for again, of other fits, and of those that have changed since. */
export function KeptSets({
  set,
  onSet,
  onFits,
}: {
  set: PictureSet;
  onSet: (set: PictureSet) => void;
  onFits: (fits: readonly Fit[]) => void;
}) {
  const shop = useShop();
  const { pictureSets } = shop.settings;
  const [naming, setNaming] = useState(false);
  const current = sameSet(pictureSets, set);
  return (
    <>
      <Heading>Sets of pictures</Heading>
      {pictureSets.length > 0 && (
        <ul aria-label="Kept sets of pictures">
          {pictureSets.map((one) => (
            <KeptSet
              key={one.name}
              set={one}
              late={outOfDate(one, shop)}
              current={one === current}
              onSet={onSet}
              onFits={onFits}
            />
          ))}
        </ul>
      )}
      {naming ? (
        <NameForm
          label="keep this set as"
          verb="Keep"
          most={120}
          onSaid={async (name) => {
            const undo = await keepPictures(name, set);
            setNaming(false);
            tellDone(`The set “${name.trim()}” is kept.`, undo);
          }}
        />
      ) : (
        <p className="flex min-h-[31px] items-center text-sm">
          <button
            className="verb"
            disabled={current !== null || set.settingIds.length === 0}
            onClick={() => {
              setNaming(true);
            }}
          >
            Keep this set by name…
          </button>
        </p>
      )}
    </>
  );
}

function KeptSet({
  set,
  late,
  current,
  onSet,
  onFits,
}: {
  set: KeptPictures;
  late: readonly Fit[];
  current: boolean;
  onSet: (set: PictureSet) => void;
  onFits: (fits: readonly Fit[]) => void;
}) {
  const { name, settingIds, made } = set;
  const scenes = `${settingIds.length} ${settingIds.length === 1 ? 'scene' : 'scenes'}`;
  const of =
    made.length === 0 ? 'not made yet' : `made of ${made.length} ${made.length === 1 ? 'fit' : 'fits'}`;
  return (
    <li className="border-b border-rule py-1 text-sm">
      <span className="flex items-baseline gap-3">
        <button
          className={`verb min-w-0 truncate ${current ? 'font-bold' : ''}`}
          aria-current={current ? 'true' : undefined}
          onClick={() => {
            onSet(askedBy(set));
          }}
        >
          {name}
        </button>
        <button
          className="verb ml-auto"
          aria-label={`Forget the set ${name}`}
          onClick={() =>
            void forgetPictures(name).then((undo) => {
              tellDone(`The set “${name}” is forgotten.`, undo);
            })
          }
        >
          forget
        </button>
      </span>
      <span className="block text-ink-2">
        {scenes}, {of}
      </span>
      {late.length > 0 && (
        <button
          className="verb text-look"
          onClick={() => {
            onSet(askedBy(set));
            onFits(late);
          }}
        >
          {late.length} changed since: choose {late.length === 1 ? 'it' : 'them'}
        </button>
      )}
    </li>
  );
}
