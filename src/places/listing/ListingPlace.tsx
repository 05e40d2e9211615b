'use client';
import Link from 'next/link';
import { useState } from 'react';
import { draftListings, listingFor, saveListings, type ListingProgress } from '@/state/price/listing-pack';
import { outletIn, outletsIn, reckonFor } from '@/state/price/outlets';
import { useShop } from '@/state/shop/shop';
import { Select } from '@/ui/Select';
import { tellDone } from '@/ui/tell';
import { toast } from '@/ui/toast';
import { useTitle } from '@/ui/useTitle';
import { useFitIds } from '../shell/address';
import { useWork } from '../shell/useWork';
import { WorkLine } from '../shell/WorkLine';
import { ListingForm } from './ListingForm';
import { ListingPictures } from './ListingPictures';
import { ListingWordsDialog } from './ListingWordsDialog';
import { VariantTable } from './VariantTable';

/** What fits are listed by where they are sold: words, pictures, variants; checked against what the place takes, and saved as a pack. */
export function ListingPlace() {
  useTitle('Listing');
  const fitIds = useFitIds();
  const shop = useShop();
  const [chosenId, setChosen] = useState<string | null>(null);
  const [words, setWords] = useState(false);
  const work = useWork<ListingProgress>();
  const outlet = outletIn(shop);
  const all = fitIds.flatMap((id) => {
    const fit = shop.fits.get(id);
    return (fit && listingFor(fit, shop, outlet)) ?? [];
  });
  const own = all.find(({ fit }) => fit.id === chosenId) ?? all[0];
  const stopped = all.filter(({ troubles }) => troubles.some(({ verdict }) => verdict === 'fix'));
  const bare = all.filter(
    ({ listing }) => listing.title === '' || listing.description === '' || listing.tags.length === 0,
  );
  if (!own) {
    return (
      <>
        <div className="flex h-[46px] shrink-0 items-center border-b border-rule bg-frame px-4">
          <h1 className="text-lg font-bold">Listing</h1>
        </div>
        <p className="mx-auto max-w-[60ch] px-4 pt-40 text-center text-ink-2">
          A listing is of a fit.{' '}
          <Link href="/" className="verb">
            Choose some on the range
          </Link>{' '}
          and hand them over as listings, or open one on the bench and follow what it costs.
        </p>
      </>
    );
  }
  const save = () =>
    work.run({ doing: 'Pictures', share: 0 }, async (asked) => {
      const said = await saveListings(
        all.map(({ fit }) => fit),
        outlet,
        asked,
      );
      if (asked.signal.aborted) return;
      toast(
        [
          `${all.length} ${all.length === 1 ? 'listing is' : 'listings are'} saved.`,
          ...said.slice(0, 4),
        ].join(' '),
      );
    });
  const { progress } = work;
  return (
    <>
      <div className="flex h-[46px] shrink-0 items-center gap-5 border-b border-rule bg-frame px-4">
        <h1 className="min-w-0 truncate text-lg font-bold">
          {all.length === 1 ? `Listing of ${own.title}` : `${all.length} listings`}
        </h1>
        <span className="ml-auto flex shrink-0 items-center gap-4">
          <Select
            label="Sold at"
            value={outlet.id}
            choices={outletsIn(shop).map(({ id, name }) => [id, name] as const)}
            className="w-44"
            onChange={(outletId) => void reckonFor({ outletId })}
          />
          <button
            className="verb whitespace-nowrap"
            onClick={() => {
              setWords(true);
            }}
          >
            The shop’s words…
          </button>
          <button
            className="verb whitespace-nowrap"
            disabled={bare.length === 0}
            onClick={() =>
              void draftListings(bare.map(({ fit }) => fit.id)).then((undo) => {
                tellDone(
                  bare.length === 1
                    ? 'Drafted from the shop’s words.'
                    : `${bare.length} drafted from the shop’s words.`,
                  undo,
                );
              })
            }
          >
            {bare.length > 1 ? `Draft ${bare.length}` : 'Draft it'}
          </button>
          <button
            className="action whitespace-nowrap"
            disabled={progress !== null || stopped.length > 0}
            onClick={() => void save()}
          >
            {all.length === 1 ? 'Save the listing' : `Save ${all.length} listings`}
          </button>
        </span>
      </div>
      <WorkLine
        words={progress?.doing ?? null}
        label="Making the listings"
        share={progress?.share ?? 0}
        trouble={work.trouble}
        className="px-4 py-1.5"
        onStop={work.stop}
      />
      <div className="flex min-h-0 grow">
        {all.length > 1 && (
          <nav aria-label="Listings" className="w-60 shrink-0 overflow-auto border-r border-rule py-2">
            {all.map(({ fit, title, troubles }) => (
              <button
                key={fit.id}
                aria-current={fit.id === own.fit.id}
                className="block w-full px-4 py-1.5 text-left hover:bg-docket aria-[current=true]:bg-docket aria-[current=true]:font-semibold"
                onClick={() => {
                  setChosen(fit.id);
                }}
              >
                <span className="block truncate">{title}</span>
                {troubles.length > 0 && (
                  <span
                    className={`text-sm font-normal ${troubles.some(({ verdict }) => verdict === 'fix') ? 'text-fix' : 'text-look'}`}
                  >
                    {troubles.length} {troubles.length === 1 ? 'thing' : 'things'} to mend
                  </span>
                )}
              </button>
            ))}
          </nav>
        )}
        <ListingForm key={own.fit.id} own={own} outlet={outlet} />
        <div className="relative flex w-[440px] shrink-0 flex-col overflow-auto border-l border-rule bg-docket px-5 pb-6 pt-3">
          <ListingPictures own={own} outlet={outlet} />
          <VariantTable own={own} outlet={outlet} />
        </div>
      </div>
      {words && (
        <ListingWordsDialog
          own={own}
          onClose={() => {
            setWords(false);
          }}
        />
      )}
    </>
  );
}
