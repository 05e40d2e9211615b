'use client';
import { valibotResolver } from '@hookform/resolvers/valibot';
import { useForm, useWatch } from 'react-hook-form';
import * as v from 'valibot';
import type { StoredPack } from '@/core/pack/record';
import { noteSent } from '@/state/handover/by-hand';
import { sentence } from '@/state/sentence';
import { useShop } from '@/state/shop/shop';
import { today } from '@/state/today';
import { Dialog, LeaveDialog } from '@/ui/Dialog';
import { Line } from '@/ui/Line';
import { OneOf } from '@/ui/OneOf';
import { OrderedFits, useOrdered } from './SendDialog';

/** Letters of a name or an address at most. */
const MOST_TOLD = 300;
const SentSchema = v.object({
  house: v.string(),
  to: v.pipe(
    v.string(),
    v.trim(),
    v.minLength(1, 'Say to whom it was sent: a name or an address.'),
    v.maxLength(MOST_TOLD, `A name or an address has at most ${MOST_TOLD} letters.`),
  ),
  day: v.pipe(v.string(), v.isoDate('Say on which day it was sent.')),
});

/** Notes that a pack was sent to a house that has no desk here: to whom, on which day, how many. */
export function HandDialog({
  pack,
  houses,
  onClose,
}: {
  pack: StoredPack;
  houses: readonly string[];
  onClose: () => void;
}) {
  const specs = useShop((shop) => shop.specs);
  const fitsOf = (house: string) => pack.manifest.fits.filter((fit) => fit.house === house);
  const contactOf = (house: string) =>
    fitsOf(house)
      .map(({ specId }) => specs.get(specId)?.contact)
      .find(Boolean) ?? '';
  const form = useForm({
    resolver: valibotResolver(SentSchema),
    defaultValues: { house: houses[0]!, to: contactOf(houses[0]!), day: today() },
    reValidateMode: 'onSubmit',
  });
  const house = useWatch({ control: form.control, name: 'house' });
  const order = useOrdered(pack.manifest.fits);
  const own = fitsOf(house);
  const note = form.handleSubmit(async ({ to, day }) => {
    try {
      await noteSent(pack, house, { to, day, lines: order.linesOf(own), notes: pack.manifest.notes });
      onClose();
    } catch (error) {
      form.setError('root', { message: sentence(error) });
    }
  });
  const { root, to, day } = form.formState.errors;
  const trouble = to?.message ?? day?.message ?? root?.message;
  return (
    <Dialog
      title="Note it as sent"
      description="Up Fit sends nothing itself here: it keeps what you sent, and what the house said."
      className="top-24 max-h-[80vh] w-[700px] overflow-auto"
      onClose={onClose}
    >
      {houses.length > 1 && (
        <OneOf
          label="House"
          value={house}
          onChoose={(name) => {
            form.setValue('house', name);
            // What was typed stays; a contact that was there already is the other house's.
            if (!form.formState.dirtyFields.to) form.resetField('to', { defaultValue: contactOf(name) });
          }}
          options={houses.map((name) => ({ id: name, name }))}
        />
      )}
      <form onSubmit={(event) => void note(event)}>
        <div className="flex gap-4">
          <Line label="to whom" className="grow" maxLength={MOST_TOLD} {...form.register('to')} />
          <Line label="on" type="date" max={today()} {...form.register('day')} />
        </div>
        <OrderedFits fits={own} order={order} />
        <p role={trouble ? 'alert' : undefined} className="mt-2 min-h-5 text-sm text-fix">
          {trouble}
        </p>
        <div className="flex items-center gap-4">
          <button className="action">Note it</button>
          <LeaveDialog>Leave</LeaveDialog>
        </div>
      </form>
    </Dialog>
  );
}
