'use client';
import { useState } from 'react';
import type { ListingWords } from '@/core/listing/schema';
import type { ListingOf } from '@/state/price/listing-pack';
import { changeSettings } from '@/state/shop/records';
import { useShop } from '@/state/shop/shop';
import { Dialog, LeaveDialog } from '@/ui/Dialog';
import { tellDone } from '@/ui/tell';

const TEMPLATES = [
  ['title', 'title', 1],
  ['description', 'description', 6],
  ['tags', 'tags, with commas between', 1],
  ['alt', 'what is said of a picture to who cannot see it', 1],
] as const;

/** What listings are drafted from: the shop's own words with fields in them, what a blank is of, and words that are another's. */
export function ListingWordsDialog({ own, onClose }: { own: ListingOf; onClose: () => void }) {
  const words = useShop((shop) => shop.settings.listingWords);
  const blankId = own.fit.blankId;
  const [draft, setDraft] = useState<ListingWords>(words);
  const blank = draft.blanks[blankId] ?? { material: '', care: '' };
  const setBlank = (change: Partial<typeof blank>) => {
    setDraft({ ...draft, blanks: { ...draft.blanks, [blankId]: { ...blank, ...change } } });
  };
  const fields = [...Object.keys(own.fields), 'colour', 'view'].map((name) => `{${name}}`).join(' ');
  const field = 'w-full border border-ink bg-docket px-2 py-1';
  return (
    <Dialog title="The shop’s words for its listings" className="top-14 w-[640px]" onClose={onClose}>
      <form
        className="max-h-[76vh] overflow-auto"
        onSubmit={(event) => {
          event.preventDefault();
          void changeSettings({ listingWords: draft }).then((undo) => {
            tellDone('Listings are drafted from these words now; what is written already stays.', undo);
            onClose();
          });
        }}
      >
        <p className="text-sm text-ink-2">
          {fields} stand for what they say of a fit. A line that says nothing for want of one is left out.
        </p>
        {TEMPLATES.map(([key, label, rows]) => (
          <label key={key} className="block pt-2">
            <span className="text-ink-2">{label}</span>
            <textarea
              rows={rows}
              value={draft[key]}
              className={field}
              onChange={(event) => {
                setDraft({ ...draft, [key]: event.target.value });
              }}
            />
          </label>
        ))}
        <label className="block pt-2">
          <span className="text-ink-2">what {own.fields['blank']} is of</span>
          <input
            value={blank.material}
            placeholder="glazed stoneware"
            className={field}
            onChange={(event) => {
              setBlank({ material: event.target.value });
            }}
          />
        </label>
        <label className="block pt-2">
          <span className="text-ink-2">how {own.fields['blank']} is looked after</span>
          <input
            value={blank.care}
            placeholder="by hand, no abrasive"
            className={field}
            onChange={(event) => {
              setBlank({ care: event.target.value });
            }}
          />
        </label>
        <label className="block pt-2">
          <span className="text-ink-2">words that are not yours to use, with commas between</span>
          <input
            value={draft.notOurs.join(', ')}
            className={field}
            onChange={(event) => {
              setDraft({ ...draft, notOurs: event.target.value.split(/,\s?/) });
            }}
          />
        </label>
        <p className="flex items-center justify-end gap-5 pt-3">
          <LeaveDialog>Leave it</LeaveDialog>
          <button className="action">Keep these words</button>
        </p>
      </form>
    </Dialog>
  );
}
