import { useEffect } from 'react';
import { create } from 'zustand';
import type { moneyIn } from './earning';

/** What reckons what fits cost and earn, once it was asked for: no place that goes by it now and then opens with it. */
const useReckoning = create<{ moneyIn?: typeof moneyIn }>(() => ({}));

/** What reckons costs and earnings where they are asked for; undefined while it is fetched. */
export function useMoney(asked: boolean): typeof moneyIn | undefined {
  const known = useReckoning((reckoning) => reckoning.moneyIn);
  useEffect(() => {
    if (asked && !known)
      void import('./earning').then((module) => {
        useReckoning.setState({ moneyIn: module.moneyIn });
      });
  }, [asked, known]);
  return asked ? known : undefined;
}
