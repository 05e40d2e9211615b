'use client';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { toast } from 'sonner';
import type { Verdict } from '@/core/check/finding';
import { currentDocket } from '@/state/bench/dockets';
import { importFiles } from '@/state/artwork/imports';
import { sentence } from '@/state/sentence';
import { designFromArtwork } from '@/state/shop/range';
import { contextOf, useShop } from '@/state/shop/shop';
import { DropTarget } from '@/ui/DropTarget';
import { VERDICT_INK, VERDICT_WORDS } from '@/ui/Verdict';
import { RangeTable } from './RangeTable';
import { Segments } from '@/ui/Toggle';

type Filter = 'all' | 'needs work' | 'ready';
const FILTERS: readonly Filter[] = ['all', 'needs work', 'ready'];

/** Designs down, blanks across: what is ready and what is not, at one look. The home screen. */
export function Range() {
  const shop = useShop();
  const [filter, setFilter] = useState<Filter>('all');
  const router = useRouter();
  const columns = shop.settings.columns.flatMap((id) => shop.blanks.get(id) ?? []);
  const designs = [...shop.designs.values()].sort((a, b) => a.order - b.order);
  const shown = [...shop.fits.values()].filter(
    (fit) => shop.designs.has(fit.designId) && shop.settings.columns.includes(fit.blankId),
  );
  // What lacks something cannot be printed, nor measured.
  const verdicts = shown.map((fit) => (contextOf(fit, shop) ? currentDocket(fit, shop)?.verdict : 'fix'));
  const count = (verdict: Verdict) => verdicts.filter((one) => one === verdict).length;
  const measuring = verdicts.filter((one) => one === undefined).length;

  const bringIn = async (files: File[]) => {
    try {
      const artworks = await importFiles(files);
      for (const artwork of artworks) {
        const used = [...useShop.getState().designs.values()].some(({ artworks: own }) =>
          own.some((one) => one.artworkId === artwork.id),
        );
        if (!used) await designFromArtwork(artwork);
      }
    } catch (error) {
      toast(sentence(error));
    }
  };

  return (
    <DropTarget
      onFiles={(files) => void bringIn(files)}
      label="Drop artwork: each becomes a design"
      className="flex min-h-0 grow flex-col"
    >
      {(open) => (
        <>
          <div className="flex h-[46px] shrink-0 items-center gap-5 border-b border-rule bg-frame px-4">
            <h1 className="text-lg font-bold">
              {designs.length} {designs.length === 1 ? 'design' : 'designs'} on {columns.length}{' '}
              {columns.length === 1 ? 'blank' : 'blanks'}
            </h1>
            {(['ready', 'look', 'fix'] as const).map((verdict) => (
              <span key={verdict} className={`font-semibold ${VERDICT_INK[verdict]}`}>
                {count(verdict)} {VERDICT_WORDS[verdict]}
              </span>
            ))}
            {measuring > 0 && (
              <span role="status" className="text-ink-2">
                measuring {measuring}
              </span>
            )}
            <span className="ml-auto flex items-center gap-3 text-sm text-ink-2">
              Show
              <Segments
                label="Designs that are shown"
                value={filter}
                choices={FILTERS.map((one) => ({ value: one, name: one }))}
                onChange={setFilter}
              />
            </span>
            <button className="action" onClick={open}>
              Add artwork
            </button>
          </div>
          {designs.length === 0 ? (
            <Empty onBringIn={open} />
          ) : (
            <RangeTable
              columns={columns}
              designs={designs.filter((design) => matches(filter, design.id))}
              onOpen={(fitId) => {
                router.push(`/bench/${fitId}`);
              }}
            />
          )}
        </>
      )}
    </DropTarget>
  );

  function matches(wanted: Filter, designId: string): boolean {
    if (wanted === 'all') return true;
    const own = shown
      .filter((fit) => fit.designId === designId)
      .map((fit) => currentDocket(fit, shop)?.verdict);
    const ready = own.length > 0 && own.every((verdict) => verdict === 'ready');
    return wanted === 'ready' ? ready : !ready;
  }
}

function Empty({ onBringIn }: { onBringIn: () => void }) {
  return (
    <div className="grid grow place-items-center">
      <div className="w-[430px] border-t-2 border-ink pt-4">
        <p className="text-lg font-bold">Bring in the first artwork</p>
        <p className="mt-1 text-ink-2">
          Drop a PNG, JPEG, TIFF, WebP, GIF or AVIF anywhere on this page. It becomes a design, a row; the
          products it can go on are the columns. Nothing leaves this browser.
        </p>
        <button className="action mt-4" onClick={onBringIn}>
          Choose files
        </button>
      </div>
    </div>
  );
}
