'use client';
import dynamic from 'next/dynamic';
import { changeFit } from '@/state/bench';
import type { Live } from '../useLive';
import { DrawnProduct } from './DrawnProduct';

/** The 3D library is large and needs the window: it comes in when a round product is shown. */
const RoundProduct = dynamic(() => import('./RoundProduct').then((module) => module.RoundProduct), {
  ssr: false,
});

/** The product with the fit on it: a strip of views beneath a wide face, a drawing beside a tall one. */
export function ProductPanel({ live, wide }: { live: Live; wide: boolean }) {
  const { body } = live.blank.blank;
  return (
    <section
      aria-label="Product"
      className={`relative flex shrink-0 flex-col border-viewing-rule ${wide ? 'h-[38%] border-t' : 'w-[42%] border-l'}`}
    >
      <Colours live={live} />
      {body.kind === 'wrap' ? (
        <RoundProduct live={live} body={body} tall={!wide} />
      ) : (
        <DrawnProduct live={live} />
      )}
    </section>
  );
}

function Colours({ live }: { live: Live }) {
  const { colours } = live.blank.blank;
  if (colours.length < 2) return null;
  const chosen = colours.find(({ id }) => id === live.fit.colourId);
  return (
    <div
      className="absolute right-3 top-1.5 z-10 flex items-center gap-1.5 text-sm"
      role="group"
      aria-label="Product colour"
    >
      {colours.map(({ id, name, hex }) => (
        <button
          key={id}
          aria-label={name}
          aria-pressed={id === live.fit.colourId}
          title={name}
          onClick={() => void changeFit((fit) => ({ ...fit, colourId: id }))}
          style={{ background: hex }}
          className={`h-5 w-5 border border-viewing-ink ${id === live.fit.colourId ? 'outline-2 outline-offset-2 outline-viewing-thread' : ''}`}
        />
      ))}
      <span className="ml-2">{chosen?.name}</span>
    </div>
  );
}
