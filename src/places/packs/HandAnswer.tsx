'use client';
import type { SentOrder, StoredPack } from '@/core/pack/record';
import { noteAccepted, noteRefused } from '@/state/handover/by-hand';
import { useShop } from '@/state/shop/shop';
import { Ask } from '../shell/Ask';

/** What a house without a desk said of an order, noted by hand: a number, or why not. */
export function HandAnswer({ pack, sent }: { pack: StoredPack; sent: SentOrder }) {
  const specs = useShop((shop) => shop.specs);
  const fit = pack.manifest.fits.find(({ house }) => house === sent.desk);
  const pattern = fit && (specs.get(fit.specId) ?? fit.spec)?.orderNumbers;
  return (
    <span className="flex gap-4">
      <Ask
        trigger={<button className="verb">Accepted…</button>}
        label="its number there, if it has one"
        placeholder={pattern ?? ''}
        verb="Note it"
        align="start"
        onSaid={(number) => noteAccepted(pack.id, sent, number, pattern)}
      />
      <Ask
        trigger={<button className="verb">Refused…</button>}
        label="why, in the house’s words"
        verb="Note it"
        align="start"
        onSaid={(reason) => noteRefused(pack.id, sent, reason)}
      />
    </span>
  );
}
