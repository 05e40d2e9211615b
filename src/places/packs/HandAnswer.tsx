'use client';
import { useState } from 'react';
import type { SentOrder, StoredPack } from '@/core/pack/record';
import { noteAccepted, noteRefused, numberTrouble } from '@/state/handover/by-hand';
import { sentence } from '@/state/sentence';
import { useShop } from '@/state/shop/shop';
import { Popup } from '@/ui/Popup';

/** What a house without a desk said of an order, noted by hand: a number, or why not. */
export function HandAnswer({ pack, sent }: { pack: StoredPack; sent: SentOrder }) {
  const specs = useShop((shop) => shop.specs);
  const fit = pack.manifest.fits.find(({ house }) => house === sent.desk);
  const pattern = fit && (specs.get(fit.specId) ?? fit.spec)?.orderNumbers;
  return (
    <span className="flex gap-4">
      <Ask
        verb="Accepted…"
        label="its number there, if it has one"
        placeholder={pattern ?? ''}
        refuse={(number) => numberTrouble(number, pattern)}
        onSaid={(number) => noteAccepted(pack.id, sent, number)}
      />
      <Ask
        verb="Refused…"
        label="why, in the house’s words"
        placeholder=""
        refuse={() => null}
        onSaid={(reason) => noteRefused(pack.id, sent, reason)}
      />
    </span>
  );
}

/** A verb that asks for a few words before it is done. */
function Ask({
  verb,
  label,
  placeholder,
  refuse,
  onSaid,
}: {
  verb: string;
  label: string;
  placeholder: string;
  refuse: (words: string) => string | null;
  onSaid: (words: string) => Promise<void>;
}) {
  const [words, setWords] = useState('');
  const [trouble, setTrouble] = useState<string | null>(null);
  const say = async () => {
    const refused = refuse(words);
    setTrouble(refused);
    if (refused !== null) return;
    try {
      await onSaid(words);
    } catch (error) {
      setTrouble(sentence(error));
    }
  };
  return (
    <Popup trigger={<button className="verb">{verb}</button>} align="start" className="w-80 p-3">
      <form
        onSubmit={(event) => {
          event.preventDefault();
          void say();
        }}
      >
        <label className="flex flex-col text-sm text-ink-2">
          {label}
          <input
            autoFocus
            value={words}
            placeholder={placeholder}
            maxLength={300}
            onChange={({ target }) => {
              setWords(target.value);
              setTrouble(null);
            }}
            className="border-b-2 border-ink bg-docket px-1 py-1 text-base text-ink placeholder:text-ink-2"
          />
        </label>
        <p role={trouble ? 'alert' : undefined} className="min-h-5 text-sm text-fix">
          {trouble}
        </p>
        <button className="action">Note it</button>
      </form>
    </Popup>
  );
}
