'use client';
import Link from 'next/link';
import { useState } from 'react';
import { toast } from '@/ui/toast';
import { sizedBody } from '@/core/blank/sized';
import { trimSize, type ResolvedBlank } from '@/core/blank/resolve';
import { fitTitle } from '@/core/fit/version';
import { parseSize } from '@/core/length/parse';
import { showLength, showSize, type UnitSetting } from '@/core/length/show';
import { offersFor, type Offer } from '@/core/many/offers';
import { sentence } from '@/state/sentence';
import { fitOnOffer } from '@/state/shop/offers';
import { sayPrices } from '@/state/price/earning';
import { contextOf, useShop } from '@/state/shop/shop';
import { Dialog, LeaveDialog } from '@/ui/Dialog';
import { Field } from '@/ui/Field';
import { tellDone } from '@/ui/tell';

/** A size that is not offered: the blanks of its kind that come nearest, with what changes, or one made to that size. */
export function SizeDialog({ fitId, onClose }: { fitId: string; onClose: () => void }) {
  const shop = useShop();
  const fit = shop.fits.get(fitId);
  const context = fit && contextOf(fit, shop);
  const [text, setText] = useState('');
  const { unit } = shop.settings;
  if (!fit || !context) return null;
  const { blank, design } = context;
  const read = text.trim() === '' ? null : parseSize(text, { unit: unit.unit });
  const wanted = read?.ok && read.width > 0 && read.height > 0 ? read : null;
  const offers = wanted
    ? offersFor({ fit, blank }, wanted, shop.blanks.values(), {
        factsOf: (id) => shop.artworks.get(id)!.facts,
        newId: () => crypto.randomUUID(),
      })
    : [];
  const fitIt = async (offer: Offer) => {
    try {
      const { undo } = await fitOnOffer(fit, offer);
      onClose();
      tellDone(`${fitTitle(design, fit)} is fitted on ${offer.blank.blank.name}.`, undo);
    } catch (error) {
      toast(sentence(error));
    }
  };
  return (
    <Dialog
      title={`${fitTitle(design, fit)} on another size`}
      description={`It is on ${blank.blank.name}, ${showSize(...sizeOf(blank), unit)}. The blanks of its kind that come nearest to a size:`}
      className="top-20 flex max-h-[calc(100vh-8rem)] w-[760px] flex-col"
      shade
      onClose={onClose}
    >
      <Field
        label="size of the print, width x height"
        value={text}
        placeholder="120 x 80 mm"
        trouble={
          read && !read.ok ? read.message : read && !wanted ? 'Type a width and a height above zero.' : null
        }
        {...(wanted && { note: `comes to ${showSize(wanted.width, wanted.height, unit)}` })}
        onChange={setText}
      />
      {wanted && (
        <>
          <ul aria-label="Nearest sizes" className="mt-2 min-h-0 grow overflow-auto border-t border-ink">
            {offers.map((offer) => (
              <Offered
                key={offer.blank.blank.id}
                offer={offer}
                unit={unit}
                own={offer.blank.blank.id === fit.blankId}
                onFit={() => void fitIt(offer)}
              />
            ))}
          </ul>
          <Custom blank={blank} wanted={wanted} unit={unit} />
        </>
      )}
      <div className="mt-4 flex">
        <LeaveDialog>Leave</LeaveDialog>
      </div>
    </Dialog>
  );
}

const sizeOf = (blank: ResolvedBlank): [number, number] => {
  const { width, height } = trimSize(blank.faces[0]!);
  return [width, height];
};

function Offered({
  offer,
  unit,
  own,
  onFit,
}: {
  offer: Offer;
  unit: UnitSetting;
  own: boolean;
  onFit: () => void;
}) {
  const { blank, wider, higher } = offer;
  const prices = useShop((shop) => sayPrices(blank, shop));
  const by = (mm: number, more: string, less: string) =>
    Math.abs(mm) < 0.05 ? null : `${showLength(Math.abs(mm), unit)} ${mm > 0 ? more : less}`;
  const off = [by(wider, 'wider', 'narrower'), by(higher, 'higher', 'lower')].filter(Boolean).join(', ');
  return (
    <li className="flex items-center gap-4 border-b border-rule py-1.5 text-sm">
      <span className="w-56 shrink-0">
        <span className="block truncate font-semibold">{blank.blank.name}</span>
        <span className="measure block">{showSize(...sizeOf(blank), unit)}</span>
      </span>
      <span className="min-w-0 grow">
        <span className="block">{off || 'just that size'}</span>
        {!own && <span className="block text-ink-2">{changes(offer)}</span>}
        {prices !== null && <span className="measure block text-ink-2">one costs {prices}</span>}
      </span>
      {own ? (
        <span className="text-ink-2">it is on this one</span>
      ) : (
        <button className="verb shrink-0" onClick={onFit}>
          Fit it there
        </button>
      )}
    </li>
  );
}

/** What becomes of a fit: `90 % of its size, 340 PPI instead of 305, a ground loses 8 % of its height`. */
function changes({ scale, ppi, lost }: Offer): string {
  const percent = (share: number) => `${Math.round(share * 100)} %`;
  return [
    `${percent(scale)} of its size`,
    ...(ppi ? [`${Math.round(ppi.after)} PPI instead of ${Math.round(ppi.before)}`] : []),
    ...(lost.across >= 0.005 ? [`a ground loses ${percent(lost.across)} of its width`] : []),
    ...(lost.down >= 0.005 ? [`a ground loses ${percent(lost.down)} of its height`] : []),
  ].join(', ');
}

/** A blank made to the size, where its house takes such. */
function Custom({
  blank,
  wanted,
  unit,
}: {
  blank: ResolvedBlank;
  wanted: { width: number; height: number };
  unit: UnitSetting;
}) {
  const { spec } = blank;
  const said = showSize(wanted.width, wanted.height, unit);
  if (!sizedBody(blank.blank.body, wanted))
    return (
      <p className="mt-3 text-sm text-ink-2">
        One of just {said} is measured with a tape: its print follows from more than a width and a height.
      </p>
    );
  if (spec.takesMeasured === false)
    return <p className="mt-3 text-sm text-ink-2">{spec.house} prints its own blanks only.</p>;
  const address = `/blanks/make?like=${blank.blank.id}&size=${wanted.width}mmx${wanted.height}mm`;
  return (
    <p className="mt-3 text-sm">
      {spec.takesMeasured
        ? `${spec.house} prints blanks of other sizes too:`
        : `Ask ${spec.house} whether they print it:`}{' '}
      <Link className="verb" href={address}>
        Make one of just {said}
      </Link>
    </p>
  );
}
