'use client';
import * as v from 'valibot';
import { MoneySchema } from '@/core/price/list';
import { ask } from '@/state/price/listings';
import { tellDone } from '@/ui/tell';
import { Typed } from '@/ui/Typed';

interface Asked {
  fitId: string;
  asking: string | null;
  currency: string;
}

/** Keeps what a fit is asked for, and says so. */
export function keepAsking({ fitId, currency }: Omit<Asked, 'asking'>, sum: string | null): void {
  void ask(fitId, sum).then((undo) => {
    tellDone(sum === null ? 'Nothing is asked for it now.' : `Asked: ${sum} ${currency}.`, undo);
  });
}

/** What the buyer of one piece pays, typed. */
export function AskingField({ fitId, asking, currency }: Asked) {
  return (
    <Typed
      label={`asked, in ${currency}`}
      value={asking ?? ''}
      placeholder="14.50"
      onSet={(text) => {
        const sum = text.trim();
        const reads: boolean = sum === '' || v.is(MoneySchema, sum);
        if (reads) {
          keepAsking({ fitId, currency }, sum === '' ? null : sum);
          return null;
        }
        if (sum.startsWith('-')) return 'A price is not below zero.';
        return `Write a number with a point, as ${/^\d+,\d+$/.test(sum) ? sum.replace(',', '.') : '14.50'}.`;
      }}
    />
  );
}
