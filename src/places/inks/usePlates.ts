import { useEffect, useState } from 'react';
import type { PrintFace, ResolvedBlank } from '@/core/blank/resolve';
import type { PlatePlan } from '@/core/fit/plates';
import type { Raster } from '@/core/raster/raster';
import {
  lookAtPlates,
  platesOnProducts,
  proposeInks,
  type HeldPrint,
  type LookAsked,
  type Pace,
  type PlatesSeen,
  type Proposal,
} from '@/state/plates/plates';
import { sentence } from '@/state/sentence';
import type { Prints } from './usePrints';

interface On {
  blank: ResolvedBlank;
  face: PrintFace;
  /** `#rrggbb` of the product. */
  product: string;
}

/** What was asked last and what came of it; what is shown stays until something newer is there. */
interface Answered<T> {
  value: T | null;
  trouble: string | null;
}

const NOTHING = { value: null, trouble: null };

/** Asks one thing after another, each for a better answer, until something else is asked. */
function useAnswer<T>(asks: readonly (() => Promise<T | null>)[], on: readonly unknown[]): Answered<T> {
  const [answer, setAnswer] = useState<Answered<T>>(NOTHING);
  useEffect(() => {
    const stop = new AbortController();
    const { signal } = stop;
    void (async () => {
      for (const ask of asks) {
        try {
          const value = await ask();
          if (signal.aborted) return;
          if (value !== null) setAnswer({ value, trouble: null });
        } catch (error) {
          if (!signal.aborted) setAnswer((so) => ({ ...so, trouble: sentence(error) }));
        }
      }
    })();
    return () => {
      stop.abort();
    };
    // Everything that is asked with.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, on);
  return answer;
}

/** A face in one ink, in two and so on; what is locked of the plan stays in each. */
export function useProposals(print: HeldPrint | null, { blank, face, product }: On, plan: PlatePlan | null) {
  const locked = plan && { ...plan, inks: plan.inks.filter((ink) => ink.locked), regions: [] };
  // Without an ink that is locked, what was planned says nothing but how it is printed.
  const so = plan && locked && { ...locked, inks: locked.inks.length > 0 ? locked.inks : plan.inks };
  return useAnswer<Proposal[]>(print ? [() => proposeInks({ print, blank, face, product, so })] : [], [
    print,
    blank,
    face,
    product,
    JSON.stringify(locked),
  ]);
}

/** What the plates of a plan look like and come to: at once on a small copy, then on a finer one, and a window close by. */
export function usePlates(
  prints: Prints,
  { blank, face, product }: On,
  plan: PlatePlan | null,
  view: LookAsked['view'],
  close: LookAsked['close'],
): { all: Answered<PlatesSeen>; close: Answered<PlatesSeen> } {
  const on = [blank, face, product, JSON.stringify(plan), JSON.stringify(view)];
  const { coarse, fine } = prints;
  const ask = (pace: Pace, print: HeldPrint | null, window: LookAsked['close']) =>
    plan && print
      ? [() => lookAtPlates(pace, { print, blank, face, product, plan, view, close: window })]
      : [];
  const all = useAnswer<PlatesSeen>(
    [...ask('coarse', coarse, null), ...ask('fine', fine, null)],
    [...on, coarse, fine],
  );
  const closeBy = useAnswer<PlatesSeen>(close ? ask('close', fine, close) : [], [
    ...on,
    fine,
    JSON.stringify(close),
  ]);
  return { all, close: closeBy };
}

/** A plan on each colour of the product, small. */
export function useStrip(
  print: HeldPrint | null,
  { blank, face }: On,
  plan: PlatePlan | null,
): Raster[] | null {
  const products = blank.blank.colours.map(({ hex }) => hex);
  const { value } = useAnswer<Raster[]>(
    print && plan ? [() => platesOnProducts({ print, blank, face, plan, products })] : [],
    [print, blank, face, JSON.stringify(plan)],
  );
  return value;
}
