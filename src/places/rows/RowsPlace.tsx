'use client';
import Link from 'next/link';
import { fitTitle } from '@/core/fit/version';
import { slotNames } from '@/core/rows/slots';
import { contextOf, useShop } from '@/state/shop/shop';
import { useFitIds } from '../shell/address';
import { BeginList } from './BeginList';
import { FilledList } from './FilledList';

/** A list of rows that fills the slots of a fit: every row seen with its verdict before anything is made of it. */
export function RowsPlace() {
  const [fitId] = useFitIds();
  const shop = useShop();
  const fit = fitId === undefined ? undefined : shop.fits.get(fitId);
  const context = fit && contextOf(fit, shop);
  if (!fit || !context) {
    return (
      <Note title="Rows">
        A list fills the slots of a fit.{' '}
        <Link href="/" className="verb">
          Open one from the range
        </Link>{' '}
        and make a text of it a slot.
      </Note>
    );
  }
  const { design, blank } = context;
  const title = `Rows of ${fitTitle(design, fit)} on ${blank.blank.name}`;
  const bench = `/bench/${encodeURIComponent(fit.id)}`;
  if (slotNames(fit).length === 0) {
    return (
      <Note title={title}>
        Nothing of it is a slot yet.{' '}
        <Link href={bench} className="verb">
          Open it on the bench
        </Link>
        , choose a text or an artwork, and make it a slot: each row of a list gives it other words, or another
        picture.
      </Note>
    );
  }
  const list = shop.lists.get(design.id);
  return list ? (
    <FilledList key={fit.id} title={title} bench={bench} fit={fit} list={list} design={design} />
  ) : (
    <BeginList title={title} bench={bench} fit={fit} />
  );
}

function Note({ title, children }: { title: string; children: React.ReactNode }) {
  return (
    <>
      <div className="flex h-[46px] shrink-0 items-center border-b border-rule bg-frame px-4">
        <h1 className="truncate text-lg font-bold">{title}</h1>
      </div>
      <p className="mx-auto max-w-[60ch] px-4 pt-40 text-center text-ink-2">{children}</p>
    </>
  );
}
