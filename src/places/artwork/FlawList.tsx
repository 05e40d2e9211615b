'use client';
import { SHARP_PPI } from '@/core/fit/describe';
import type { Flaw } from '@/core/artwork/facts';
import { MENDS, placeOf } from '@/core/artwork/flaws';
import { fixed, showLength } from '@/core/length/show';
import { setSteps } from '@/state/artwork/artworks';
import { useShop } from '@/state/shop/shop';
import { Heading } from '@/ui/StripParts';
import type { Artwork } from './types';
import type { useChange } from './useChange';

const KINDS: readonly (readonly [kind: Flaw['kind'], name: string, verb: string, done: string])[] = [
  ['line', 'Guide or crop lines', 'Close them over', 'Lines closed over'],
  ['speck', 'Stray specks', 'Clear them', 'Specks cleared'],
  ['pinhole', 'Pinholes', 'Fill them', 'Pinholes filled'],
  ['gap', 'Hairline gaps', 'Close them', 'Gaps closed'],
];
/** Places told one by one, of each kind. */
const TOLD = 4;

/** What was left in an artwork that nobody meant to print, with its place and size, and the step that mends it. */
export function FlawList({ artwork, change }: { artwork: Artwork; change: ReturnType<typeof useChange> }) {
  const unit = useShop((shop) => shop.settings.unit);
  const { facts, steps } = artwork;
  if (facts.flaws.length === 0) return null;
  return (
    <>
      <Heading>Left in it</Heading>
      {KINDS.map(([kind, name, verb, done]) => {
        const own = facts.flaws.filter((flaw) => flaw.kind === kind);
        if (own.length === 0) return null;
        return (
          <div key={kind} className="border-b border-rule py-1.5">
            <p className="flex items-baseline justify-between gap-3">
              <span className="font-semibold">
                {name}: {own.length}
                {own.every(({ certain }) => !certain) && ', it seems'}
              </span>
              <button
                className="verb text-sm"
                disabled={change.busy !== null}
                onClick={() => {
                  change.run(done, (options) =>
                    setSteps(artwork, [...steps, { kind: 'tidy', what: MENDS[kind] }], options),
                  );
                }}
              >
                {verb}
              </button>
            </p>
            <ul className="measure text-sm text-ink-2">
              {own.slice(0, TOLD).map((flaw, index) => {
                const place = placeOf(flaw, facts, SHARP_PPI);
                return (
                  <li key={index}>
                    {fixed(place.area, place.area < 0.1 ? 3 : 2)} mm² at {showLength(place.x, unit)},{' '}
                    {showLength(place.y, unit)} from the top left
                  </li>
                );
              })}
              {own.length > TOLD && <li>and {own.length - TOLD} more, ringed in the drawing</li>}
            </ul>
          </div>
        );
      })}
    </>
  );
}
