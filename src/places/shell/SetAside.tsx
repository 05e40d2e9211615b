'use client';
import { useState } from 'react';
import { asideName, asideText, exportAside, removeAside, type Aside } from '@/state/shop/aside';
import { useShop } from '@/state/shop/shop';
import { tellDone } from '@/ui/tell';

/** Records that do not read: named, and to be looked at, saved or taken out. Nothing else is stopped by them. */
export function SetAside() {
  const aside = useShop((shop) => shop.aside);
  if (aside.length === 0) return null;
  return (
    <>
      <h3 className="mt-5 border-b border-ink pb-0.5 text-sm font-semibold">Set aside: does not read</h3>
      <ul className="max-h-72 overflow-auto text-sm">
        {aside.map((one) => (
          <Line key={`${one.table}/${String(one.key)}`} aside={one} />
        ))}
      </ul>
    </>
  );
}

function Line({ aside }: { aside: Aside }) {
  const [shown, setShown] = useState(false);
  const name = asideName(aside);
  return (
    <li className="border-b border-rule py-1">
      <span className="block truncate font-semibold">{name}</span>
      <span className="text-ink-2">{aside.why}</span>
      <span className="flex gap-4">
        <button
          className="verb"
          aria-expanded={shown}
          aria-label={`Look at ${name}`}
          onClick={() => {
            setShown(!shown);
          }}
        >
          {shown ? 'Put away' : 'Look'}
        </button>
        <button
          className="verb"
          aria-label={`Save ${name}`}
          onClick={() => {
            exportAside(aside);
          }}
        >
          Save
        </button>
        <button
          className="verb"
          aria-label={`Take out ${name}`}
          onClick={() =>
            void removeAside(aside).then((undo) => {
              tellDone(`The ${name} is taken out.`, undo);
            })
          }
        >
          Take out
        </button>
      </span>
      {shown && (
        <pre tabIndex={0} className="measure max-h-32 overflow-auto bg-frame p-2">
          {asideText(aside).slice(0, 20_000)}
        </pre>
      )}
    </li>
  );
}
