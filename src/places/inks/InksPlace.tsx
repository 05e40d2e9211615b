'use client';
import Link from 'next/link';
import { useEffect } from 'react';
import { planOf } from '@/core/fit/schema';
import { fitTitle } from '@/core/fit/version';
import { changeFit, openFit, useBench } from '@/state/bench/open-fit';
import { restHand } from '@/state/bench/hand';
import { closePlates, keepPlan } from '@/state/plates/plates';
import { useShop } from '@/state/shop/shop';
import { Guard } from '@/ui/Guard';
import { Select } from '@/ui/Select';
import { useTitle } from '@/ui/useTitle';
import { FitStand } from '../bench/bar/FitStand';
import { UndoRedo } from '../bench/bar/UndoRedo';
import { NotLaidOut } from '../bench/NotLaidOut';
import { useLive, type Live } from '../bench/live/useLive';
import { useAsked } from '../shell/useAsked';
import { InksWork } from './InksWork';
import { PlatesButton } from './PlatesButton';

/** A face printed in few inks: which, in what order, what each plate prints, and the plates themselves. */
export function InksPlace() {
  const [askedId] = useAsked('fit');
  const [faceId] = useAsked('face');
  const fits = useShop((shop) => shop.fits);
  const fitId = askedId ?? fits.keys().next().value ?? '';
  const opened = useBench((bench) => bench.fit?.id === fitId);
  useEffect(() => {
    void openFit(fitId).then(() => {
      const fit = useShop.getState().fits.get(fitId);
      const carrying = fit?.faces.find(({ pieces }) => pieces.length > 0)?.faceId ?? null;
      restHand({ faceId: faceId ?? carrying, selectedIds: [] });
    });
    return () => void openFit(null);
  }, [fitId, faceId]);
  useEffect(() => closePlates, []);
  const live = useLive();
  if (fits.size === 0) return <NoFits />;
  if (!opened || !live) return <NotLaidOut fitId={fitId} />;
  return (
    <Guard key={fitId} what="These inks">
      <Inks live={live} />
    </Guard>
  );
}

function NoFits() {
  useTitle('Inks');
  return (
    <p className="mx-auto max-w-[60ch] px-4 pt-40 text-center text-ink-2">
      There is no fit yet.{' '}
      <Link href="/" className="verb">
        Fit a design on a blank
      </Link>
      , and it is parted into few inks here, a plate an ink.
    </p>
  );
}

function Inks({ live }: { live: Live }) {
  const { fit, design, blank, face } = live;
  useTitle(`Inks of ${fitTitle(design, fit)} on ${blank.blank.name}`);
  const { colours } = blank.blank;
  const product = colours.find(({ id }) => id === fit.colourId) ?? colours[0]!;
  const plan = planOf(fit, face.id);
  return (
    <>
      <div className="flex h-[46px] shrink-0 items-center gap-4 border-b border-rule bg-frame px-4">
        <h1 className="flex min-w-0 items-baseline gap-2 text-lg font-bold">
          <span className="shrink-0">Inks</span>
          <span className="truncate text-base font-normal text-ink-2">
            {fitTitle(design, fit)} on {blank.blank.name}
          </span>
        </h1>
        {blank.faces.length > 1 && (
          <Select
            label="Face"
            value={face.id}
            choices={blank.faces.map(({ id, name }) => [id, name] as const)}
            onChange={(id) => {
              restHand({ faceId: id, selectedIds: [] });
            }}
          />
        )}
        <span className="ml-auto flex shrink-0 items-center gap-4">
          <Link href={`/bench/${encodeURIComponent(fit.id)}`} className="verb whitespace-nowrap">
            To the bench
          </Link>
          <FitStand following={live.following} dragging={false} />
          <UndoRedo following={live.following} />
          <PlatesButton live={live} plan={plan} product={product} />
        </span>
      </div>
      <InksWork
        key={face.id}
        live={live}
        plan={plan}
        product={product}
        onPlan={(next) => void keepPlan(face.id, next)}
        onProduct={(colourId) => void changeFit((so) => ({ ...so, colourId }))}
      />
    </>
  );
}
