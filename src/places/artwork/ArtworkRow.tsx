'use client';
import { memo } from 'react';
import { honestSize } from '@/core/fit/density';
import { SHARP_PPI } from '@/core/fit/describe';
import { showSize } from '@/core/length/show';
import { previewUrl } from '@/state/artwork/previews';
import { useShop } from '@/state/shop/shop';
import { VerdictShape } from '@/ui/Verdict';
import type { Artwork } from './types';
import { countSuitability } from './counts';
import { Hint } from '@/ui/Hint';

/** One artwork in the list: its picture, its name, its honest size, and for how many blanks it has pixels enough. */
export const ArtworkRow = memo(function ArtworkRow({
  artwork,
  chosen,
}: {
  artwork: Artwork;
  chosen: boolean;
}) {
  const blanks = useShop((shop) => shop.blanks);
  const unit = useShop((shop) => shop.settings.unit);
  const { facts, rendition, steps } = artwork;
  const size = (facts.pixels && honestSize(facts, SHARP_PPI)) ?? facts.physical;
  const counts = countSuitability(facts, blanks);
  const remarks = facts.notes.length + facts.flaws.length;
  return (
    <div
      className={`flex h-full items-center gap-3 border-b border-rule pr-3 ${rendition ? 'pl-8' : 'pl-3'} ${chosen ? 'border-l-4 border-l-ink bg-docket' : 'border-l-4 border-l-transparent'}`}
    >
      <span className="grid h-[58px] w-[72px] shrink-0 place-items-center bg-viewing">
        <img src={previewUrl(artwork)} alt="" className="max-h-[54px] max-w-[68px] object-contain" />
      </span>
      <span className="min-w-0 grow">
        <Hint words={facts.name}>
          <span className="block truncate font-semibold">{facts.name}</span>
        </Hint>
        <span className="measure block truncate text-sm text-ink-2">
          {facts.pixels ? `${facts.pixels.width} × ${facts.pixels.height} px` : facts.format.toUpperCase()}
          {size &&
            ` · ${showSize(size.width, size.height, unit)}${facts.pixels ? ` at ${SHARP_PPI} PPI` : ''}`}
        </span>
        <span className="measure flex gap-3 text-sm">
          {(['ready', 'look', 'fix'] as const).map((verdict) => (
            <span key={verdict} className="flex items-center gap-1">
              <VerdictShape verdict={verdict} size={8} />
              {counts[verdict]}
            </span>
          ))}
          <span className="ml-auto text-ink-2">
            {steps.length > 0 && `${steps.length} ${steps.length === 1 ? 'step' : 'steps'}`}
            {steps.length > 0 && remarks > 0 && ' · '}
            {remarks > 0 && `${remarks} to know`}
          </span>
        </span>
      </span>
    </div>
  );
});
