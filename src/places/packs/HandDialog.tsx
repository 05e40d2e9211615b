'use client';
import { useState } from 'react';
import type { StoredPack } from '@/core/pack/record';
import { noteSent } from '@/state/handover/by-hand';
import { sentence } from '@/state/sentence';
import { useShop } from '@/state/shop/shop';
import { today } from '@/state/today';
import { Dialog, LeaveDialog } from '@/ui/Dialog';
import { OneOf } from '@/ui/OneOf';
import { OrderedFits, useOrdered } from './SendDialog';

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
  const [house, setHouse] = useState(houses[0]!);
  const own = pack.manifest.fits.filter((fit) => fit.house === house);
  const usual = own.map(({ specId }) => specs.get(specId)?.contact).find(Boolean) ?? '';
  const [typed, setTyped] = useState<string | null>(null);
  const [day, setDay] = useState(today());
  const [trouble, setTrouble] = useState<string | null>(null);
  const order = useOrdered(pack.manifest.fits);
  const note = async () => {
    try {
      const lines = order.linesOf(own);
      await noteSent(pack, house, { to: typed ?? usual, day, lines, notes: pack.manifest.notes });
      onClose();
    } catch (error) {
      setTrouble(sentence(error));
    }
  };
  const field = 'border-b-2 border-ink bg-docket px-1 py-1 text-base text-ink';
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
          onChoose={setHouse}
          options={houses.map((name) => ({ id: name, name }))}
        />
      )}
      <form
        onSubmit={(event) => {
          event.preventDefault();
          void note();
        }}
      >
        <div className="flex gap-4 text-sm text-ink-2">
          <label className="flex grow flex-col">
            to whom
            <input
              value={typed ?? usual}
              maxLength={300}
              onChange={({ target }) => {
                setTyped(target.value);
                setTrouble(null);
              }}
              className={field}
            />
          </label>
          <label className="flex flex-col">
            on
            <input
              type="date"
              value={day}
              max={today()}
              onChange={({ target }) => {
                setDay(target.value);
                setTrouble(null);
              }}
              className={field}
            />
          </label>
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
