'use client';
import { useEffect, useState } from 'react';
import Link from 'next/link';
import type { PlatePlan } from '@/core/fit/plates';
import { fixed } from '@/core/length/show';
import { withAdded, withRegion } from '@/core/plates/edit';
import { screensOf } from '@/core/plates/findings';
import { isInInks } from '@/core/plates/wear-inks';
import type { Raster } from '@/core/raster/raster';
import { wearInks, type Proposal } from '@/state/plates/plates';
import type { Live } from '../bench/live/useLive';
import { Found } from './Found';
import { InkList } from './InkList';
import { PlatesPicture, type Close, type View } from './PlatesPicture';
import { PressSettings } from './PressSettings';
import { ProductStrip } from './ProductStrip';
import { Proposals } from './Proposals';
import { RasterCanvas } from './RasterCanvas';
import { usePlates, useProposals, useStrip } from './usePlates';
import { usePrints } from './usePrints';

interface Props {
  live: Live;
  plan: PlatePlan | null;
  product: { id: string; name: string; hex: string };
  onPlan: (plan: PlatePlan | null) => void;
  onProduct: (colourId: string) => void;
}

const FIRST_VIEW: View = { alone: null, as: 'ink', slid: 0, angle: 0 };

/** Proposals above, the plates in the middle, every product colour beneath; at the right the inks and how they are laid. */
export function InksWork({ live, plan, product, onPlan, onProduct }: Props) {
  const { blank, face, unit, pieces, following } = live;
  const on = { blank, face, product: product.hex };
  const prints = usePrints(live);
  const [asked, setView] = useState(FIRST_VIEW);
  const [close, setClose] = useState<Close | null>(null);
  const [giving, setGiving] = useState<string | null>(null);
  const proposals = useProposals(prints.coarse, on, plan);
  const plates = (plan?.inks.length ?? 0) + 1;
  // A plate that was looked at alone may be gone.
  const view = asked.alone !== null && asked.alone >= plates ? FIRST_VIEW : asked;
  const { all, close: closeBy } = usePlates(prints, on, plan, view, close);
  const strip = useStrip(prints.coarse, on, plan);
  const takes = plan?.inks.find(({ id }) => id === giving);
  useEffect(() => {
    if (giving === null) return;
    const leave = (event: KeyboardEvent) => {
      if (event.key === 'Escape') setGiving(null);
    };
    addEventListener('keydown', leave);
    return () => {
      removeEventListener('keydown', leave);
    };
  }, [giving]);
  if (pieces.length === 0) return <Bare live={live} />;
  const trouble = prints.trouble ?? proposals.trouble ?? all.trouble;
  const none = proposals.value?.length === 0;
  return (
    <div className="flex min-h-0 grow">
      <div className="flex min-w-0 grow flex-col bg-viewing text-viewing-ink">
        {none ? (
          <p className="px-3 py-8">
            All of it is as {product.name.toLowerCase()} as the product, so no ink is needed: choose another
            colour of it beneath.
          </p>
        ) : (
          <Proposals
            proposals={proposals.value}
            plan={plan}
            screens={screensOf(blank)}
            disabled={following || isBehind(proposals.value, plan)}
            onChoose={onPlan}
          />
        )}
        {trouble && (
          <p role="alert" className="bg-docket px-3 py-1 text-fix">
            {trouble}
          </p>
        )}
        {plan ? (
          <PlatesPicture
            {...{ face, unit, view, close }}
            product={product.hex}
            seen={all.value}
            closeBy={closeBy.value}
            giving={takes?.name ?? null}
            onView={setView}
            onClose={setClose}
            onPart={(at) => {
              if (takes) onPlan(withRegion(plan, { ...at, inkId: takes.id }));
              setGiving(null);
            }}
          />
        ) : (
          <AsItIs print={prints.coarse?.raster ?? null} product={product.hex} asks={!none} />
        )}
        <ProductStrip
          blank={blank}
          colourId={product.id}
          pictures={strip}
          disabled={following}
          onChoose={onProduct}
        />
      </div>
      <aside
        aria-label="Inks and press"
        className="relative w-[400px] shrink-0 overflow-auto border-l border-rule bg-docket px-4 pb-6"
      >
        {plan ? (
          <Strip {...{ live, plan, product, onPlan }} seen={all.value} onGive={setGiving} />
        ) : (
          <Before live={live} />
        )}
      </aside>
    </div>
  );
}

/** Whether proposals are from before an ink was kept: choosing one would lose it. */
function isBehind(proposals: readonly Proposal[] | null, plan: PlatePlan | null): boolean {
  const kept = plan?.inks.filter(({ locked }) => locked) ?? [];
  return (proposals ?? []).some(({ plan: { inks } }) =>
    kept.some(({ id }) => !inks.some((ink) => ink.id === id && ink.locked)),
  );
}

/** The face in all its colours, before it is parted. */
function AsItIs({ print, product, asks }: { print: Raster | null; product: string; asks: boolean }) {
  return (
    <div className="flex min-h-0 grow flex-col items-center gap-3 p-3">
      {asks && <p>Choose how many inks it is printed in: what each number loses is written under it.</p>}
      {print && (
        <span className="flex min-h-0 grow items-center">
          <RasterCanvas
            raster={print}
            aria-hidden
            className="max-h-full max-w-full"
            style={{ background: product }}
          />
        </span>
      )}
    </div>
  );
}

/** Nothing is there to be parted. */
function Bare({ live: { fit, face } }: { live: Live }) {
  return (
    <p className="mx-auto max-w-[60ch] px-4 pt-40 text-center text-ink-2">
      Nothing lies on the {face.name.toLowerCase()} yet.{' '}
      <Link href={`/bench/${encodeURIComponent(fit.id)}`} className="verb">
        Put artwork on it
      </Link>{' '}
      first, and it is parted into inks here.
    </p>
  );
}

/** What is to be known before inks are chosen. */
function Before({ live: { blank } }: { live: Live }) {
  const screens = screensOf(blank);
  return (
    <>
      <h2 className="mt-4 border-b border-ink pb-0.5 font-bold">In few inks</h2>
      <p className="mt-2">
        {blank.method.name} by {blank.spec.house}
        {screens === null
          ? ' does not count inks; plates are still made for whoever does.'
          : ` has ${screens} screens for one print, the white base among them.`}
      </p>
      <p className="mt-2 text-ink-2">
        The product’s own colour costs nothing: what has it is left open. Edges stay crisp, and parts smaller
        than a stroke of {fixed(blank.limits.stroke, 2)} mm go to their neighbours.
      </p>
    </>
  );
}

function Strip({
  live,
  plan,
  product,
  seen,
  onPlan,
  onGive,
}: Omit<Props, 'plan' | 'onProduct'> & {
  plan: PlatePlan;
  seen: ReturnType<typeof usePlates>['all']['value'];
  onGive: (inkId: string) => void;
}) {
  const { blank, face, following } = live;
  const screens = screensOf(blank);
  const count = seen?.plates.length ?? plan.inks.length;
  const change = (next: PlatePlan | null) => {
    if (!following) onPlan(next);
  };
  const worn = isInInks(live.pieces);
  return (
    <>
      <h2 className="mt-4 flex items-baseline justify-between border-b border-ink pb-0.5 font-bold">
        <span>
          {count} {count === 1 ? 'screen' : 'screens'}
          {screens !== null && ` of ${screens}`}
        </span>
        {seen && (
          <span className="measure text-sm font-normal">
            {fixed(seen.difference.mean, 1)} dE from the print, worst {fixed(seen.difference.worst, 0)}
          </span>
        )}
      </h2>
      <InkList {...{ live, plan }} plates={seen?.plates ?? []} onPlan={change} onGive={onGive} />
      <p className="flex items-center gap-2 border-b border-rule py-1.5">
        <span className="w-6 shrink-0" />
        <span className="w-4 shrink-0" />
        <span
          className="h-5 w-6 shrink-0 border border-dashed border-ink"
          style={{ background: product.hex }}
        />
        <span className="grow">{product.name}, the product itself</span>
        <span className="text-sm text-ink-2">left open</span>
      </p>
      <p className="flex flex-wrap gap-x-5 gap-y-1 py-1.5">
        <button
          className="verb"
          disabled={following || plan.inks.length >= 8}
          onClick={() => {
            change(withAdded(plan, { name: 'highlight white', hex: '#ffffff' }));
          }}
        >
          Add a highlight white
        </button>
        {plan.regions.length > 0 && (
          <button
            className="verb"
            disabled={following}
            onClick={() => {
              change({ ...plan, regions: [] });
            }}
          >
            Give back {plan.regions.length === 1 ? 'the part' : `the ${plan.regions.length} parts`}
          </button>
        )}
        <button
          className="verb"
          disabled={following}
          onClick={() => void wearInks({ face, blank }, worn ? null : plan, product.hex)}
        >
          {worn ? 'Show the artwork as it came' : 'Show the fit in these inks'}
        </button>
        <button
          className="verb"
          disabled={following}
          onClick={() => {
            change(null);
          }}
        >
          No plates
        </button>
      </p>
      {seen && <Found findings={seen.findings} disabled={following} onPlan={change} />}
      <PressSettings {...{ plan, blank }} unit={live.unit} onPlan={change} />
    </>
  );
}
