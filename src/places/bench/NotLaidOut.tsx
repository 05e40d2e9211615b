'use client';
import Link from 'next/link';
import { dropLostPieces } from '@/state/bench/lost';
import { lostIn, useShop } from '@/state/shop/shop';
import { tellDone } from '@/ui/tell';

/** A fit that is not on the bench yet, or cannot be laid out: what is missing of it, and ways on. */
export function NotLaidOut({ fitId }: { fitId: string }) {
  const shop = useShop();
  const fit = shop.fits.get(fitId);
  const lost = fit && lostIn(fit, shop);
  if (lost && !lost.blank && !lost.design && lost.artworkIds.length === 0)
    return <p className="p-6 text-ink-2">Laying the fit out…</p>;
  return (
    <div className="p-6">
      <p role="alert" className="max-w-prose">
        {lost ? sentenceOf(lost) : 'This fit is no longer here.'}
      </p>
      <p className="mt-3 flex gap-5">
        {lost && lost.artworkIds.length > 0 && !lost.blank && !lost.design && (
          <button
            className="verb"
            onClick={() =>
              void dropLostPieces(fitId).then((undo) => {
                tellDone('What showed the missing artwork is taken off this fit.', undo);
              })
            }
          >
            Go on without it
          </button>
        )}
        <Link href="/artwork" className="verb">
          Bring the artwork in again
        </Link>
        <Link href="/" className="verb">
          Back to the range
        </Link>
      </p>
    </div>
  );
}

function sentenceOf({ blank, design, artworkIds }: ReturnType<typeof lostIn>): string {
  if (blank)
    return 'The blank of this fit is not here: bring it in again under Blanks, and the fit is whole.';
  if (design) return 'The design of this fit is not here: bring in the archive that holds it.';
  return artworkIds.length === 1
    ? 'One artwork of this fit is not here: bring its file in again, or go on without it.'
    : `${artworkIds.length} artworks of this fit are not here: bring their files in again, or go on without them.`;
}
