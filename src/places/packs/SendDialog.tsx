'use client';
import { showBytes } from '@/core/length/bytes';
import { useEffect, useState } from 'react';
import { useForm, useWatch } from 'react-hook-form';
import { copiesIn, withCopies, type Copies } from '@/core/fit/copies';
import type { PackedFit } from '@/core/pack/manifest';
import type { Desk } from '@/core/pack/order';
import { orderLinesOf, packedGrid } from '@/core/pack/order-lines';
import type { StoredPack } from '@/core/pack/record';
import { desksFor, sendOrder } from '@/state/handover/sending';
import { sentence } from '@/state/sentence';
import { Dialog, LeaveDialog } from '@/ui/Dialog';
import { Line } from '@/ui/Line';
import { OneOf } from '@/ui/OneOf';
import { CopiesGrid } from '../shell/CopiesGrid';
import { sayDay } from './words';

/** To whom a pack is sent, and how many of each: which file goes on which side the pack says itself. */
export function SendDialog({ pack, onClose }: { pack: StoredPack; onClose: () => void }) {
  const [desks, setDesks] = useState<Desk[] | null>(null);
  const [trouble, setTrouble] = useState<string | null>(null);
  const form = useForm({ defaultValues: { desk: '', notes: pack.manifest.notes } });
  const asked = useWatch({ control: form.control, name: 'desk' });
  const order = useOrdered(pack.manifest.fits);
  useEffect(() => {
    desksFor(pack).then(setDesks, (error: unknown) => {
      setTrouble(sentence(error));
    });
  }, [pack]);
  const desk = desks?.find((one) => keyOf(one) === asked) ?? desks?.[0];
  const { fits } = pack.manifest;
  const own = fits.filter(({ house }) => house === desk?.name);
  const lines = order.linesOf(own);
  const tooLarge = desk !== undefined && pack.bytes > desk.mostBytes;
  const before = pack.orders.filter(({ state }) => state === 'arrived').at(-1);
  return (
    <Dialog
      title={before ? `Order “${pack.manifest.name}” again` : 'Send to a house'}
      className="top-24 max-h-[80vh] w-[700px] overflow-auto"
      onClose={onClose}
    >
      {before && (
        <p role="note" className="mb-2 border-l-4 border-look pl-3 text-look">
          It arrived at {before.desk} as {before.answer?.number || 'an order'} on {sayDay(before.at)}. What is
          sent now is a second order.
        </p>
      )}
      {trouble && <p className="text-fix">{trouble}</p>}
      {desk && desks && (
        <OneOf
          label="House"
          value={keyOf(desk)}
          onChoose={(key) => {
            form.setValue('desk', key);
          }}
          options={desks.map((one) => ({ id: keyOf(one), name: one.name }))}
        />
      )}
      {desk && (
        <p className={`mt-2 text-sm ${tooLarge ? 'text-fix' : 'text-ink-2'}`}>
          Takes {desk.takes}, packs of {showBytes(desk.mostBytes)} at most; this one is{' '}
          {showBytes(pack.bytes)}.{tooLarge && ' Make two smaller packs.'}
        </p>
      )}
      <OrderedFits fits={own} order={order} />
      {desk && own.length < fits.length && (
        <p className="mt-2 text-sm text-look">
          {fits.length - own.length} of the pack’s fits {fits.length - own.length === 1 ? 'is' : 'are'} for
          another house, and {fits.length - own.length === 1 ? 'is' : 'are'} not ordered here.
        </p>
      )}
      <Line label="notes" className="mt-3" {...form.register('notes')} />
      <div className="mt-4 flex items-center gap-4">
        <button
          className="action"
          disabled={!desk || tooLarge || lines.length === 0}
          onClick={() => {
            if (desk) void sendOrder(pack, desk, lines, form.getValues('notes'));
            onClose();
          }}
        >
          {before ? 'Send a second order' : 'Send the order'}
        </button>
        <span className="measure text-sm text-ink-2">{sayLines(lines)}</span>
        <LeaveDialog>Leave</LeaveDialog>
      </div>
    </Dialog>
  );
}

/** Houses that were written down share a desk, and are told apart by their names. */
function keyOf({ id, name }: Desk): string {
  return `${id}/${name}`;
}

function sayLines(lines: readonly { quantity: number }[]): string {
  const copies = lines.reduce((sum, { quantity }) => sum + quantity, 0);
  return `${lines.length} ${lines.length === 1 ? 'line' : 'lines'}, ${copies} ${copies === 1 ? 'copy' : 'copies'}`;
}

type Ordered = ReturnType<typeof useOrdered>;

/** How many are ordered of each fit of a pack, as it was packed until it is changed. */
export function useOrdered(fits: readonly PackedFit[]) {
  const [changed, setChanged] = useState<ReadonlyMap<string, Copies[]>>(new Map());
  const of = (fit: PackedFit) => changed.get(fit.fitId) ?? packedGrid(fit).copies;
  return {
    of,
    set: (fit: PackedFit, copies: Copies[]) => {
      setChanged(new Map(changed).set(fit.fitId, copies));
    },
    linesOf: (some: readonly PackedFit[] = fits) => some.flatMap((fit) => orderLinesOf(fit, of(fit))),
  };
}

/** Each fit with its grid of copies, and the files that go on its sides. */
export function OrderedFits({ fits, order }: { fits: readonly PackedFit[]; order: Ordered }) {
  return (
    <ul className="mt-3">
      {fits.map((fit) => (
        <li key={fit.fitId} className="flex flex-wrap items-start gap-x-4 gap-y-1 border-b border-rule py-2">
          <div className="min-w-0 grow basis-60">
            <p className="font-semibold">
              {fit.design} on {fit.blank}
            </p>
            {fit.prints.map(({ path, faceId, sizes }) => (
              <p key={path} className="measure truncate text-sm text-ink-2">
                {faceId}
                {sizes && `, ${sizes.join(', ')}`}: {path.split('/').at(-1)}
              </p>
            ))}
          </div>
          <CopiesGrid
            name={`${fit.design} on ${fit.blank}`}
            grid={packedGrid(fit).grid}
            copies={(cell) => copiesIn(order.of(fit), cell)}
            onCopies={(cell, copies) => {
              order.set(fit, withCopies(order.of(fit), cell, copies));
            }}
          />
        </li>
      ))}
    </ul>
  );
}
