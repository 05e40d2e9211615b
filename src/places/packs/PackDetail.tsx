'use client';
import { showBytes } from '@/core/length/bytes';
import Link from 'next/link';
import { useState } from 'react';
import { toast } from '@/ui/toast';
import type { PackedFit } from '@/core/pack/manifest';
import { sentence } from '@/state/sentence';
import { removePack, savePack } from '@/state/handover/packs';
import type { StoredPack } from '@/core/pack/record';
import { VerdictShape, VERDICT_WORDS } from '@/ui/Verdict';
import { useShop } from '@/state/shop/shop';
import { Orders } from './Orders';
import { HandDialog } from './HandDialog';
import { SendDialog } from './SendDialog';
import { sayDay } from './words';
import { Hint } from '@/ui/Hint';
import { tellDone } from '@/ui/tell';
import { useTitle } from '@/ui/useTitle';

const MIRRORED = {
  file: 'mirrored in the file',
  driver: 'the printer driver mirrors',
  house: 'the house mirrors',
};

/** What a pack holds, file by file, and what its houses said. */
export function PackDetail({ pack }: { pack: StoredPack }) {
  const { manifest, bytes, sha256 } = pack;
  useTitle(manifest.name);
  const [sending, setSending] = useState(false);
  const [noting, setNoting] = useState(false);
  const specs = useShop((shop) => shop.specs);
  const housesWhere = (withDesk: boolean) => {
    const fits = manifest.fits.filter(({ specId, spec }) => {
      const record = specs.get(specId) ?? spec;
      // A house that is not in the shop any more may have one: it is asked for.
      return (record === undefined || record.desk === true) === withDesk;
    });
    return [...new Set(fits.map(({ house }) => house))];
  };
  const houses = housesWhere(false);
  const hasDesk = housesWhere(true).length > 0;
  const arrived = pack.orders.some(({ state }) => state === 'arrived');
  const remove = async () => {
    const undo = await removePack(pack);
    tellDone(`“${manifest.name}” is taken out.`, undo);
  };
  return (
    <article aria-label="Pack" className="flex min-w-0 grow flex-col">
      <header className="flex shrink-0 items-baseline gap-5 border-b border-rule px-5 py-2.5">
        <h2 className="truncate text-lg font-bold">{manifest.name}</h2>
        <span className="measure shrink-0 text-sm text-ink-2">
          {sayDay(manifest.made)} · {showBytes(bytes)} · SHA-256 {sha256.slice(0, 12)}…
        </span>
        <span className="ml-auto flex shrink-0 items-center gap-4">
          <button
            className="verb"
            onClick={() => void remove().catch((error: unknown) => toast(sentence(error)))}
          >
            Take out
          </button>
          <button
            className="action-2"
            onClick={() => void savePack(pack).catch((error: unknown) => toast(sentence(error)))}
          >
            Save the zip
          </button>
          {hasDesk && (
            <button
              className="action"
              onClick={() => {
                setSending(true);
              }}
            >
              {arrived ? 'Order it again…' : 'Send to a house…'}
            </button>
          )}
        </span>
      </header>
      {houses.length > 0 && (
        <p role="note" className="flex shrink-0 gap-4 border-b border-rule px-5 py-2">
          <span className="grow">
            {houses.join(' and ')} {houses.length === 1 ? 'has' : 'have'} no desk here: save the zip, and send
            it as {houses.length === 1 ? 'they ask' : 'each of them asks'}.
          </span>
          <button
            className="verb shrink-0"
            onClick={() => {
              setNoting(true);
            }}
          >
            Note it as sent
          </button>
        </p>
      )}
      <div className="min-h-0 grow overflow-auto px-5 pb-5">
        <Orders pack={pack} />
        {manifest.notes !== '' && <p className="mt-3">{manifest.notes}</p>}
        {manifest.fits.map((fit) => (
          <FitFiles key={fit.fitId} fit={fit} files={manifest.files} />
        ))}
        {manifest.sheets.length > 0 && (
          <section className="mt-4">
            <h3 className="border-b border-ink pb-0.5 font-semibold">Sheets</h3>
            {manifest.sheets.map(({ path, name, mirrored }) => (
              <p key={path} className="measure flex justify-between border-b border-rule py-1 text-sm">
                <span>
                  {name}, {path.split('/').at(-1)}
                </span>
                <span className="text-ink-2">{mirrored ? 'mirrored as a whole' : 'not mirrored'}</span>
              </p>
            ))}
          </section>
        )}
      </div>
      {noting && (
        <HandDialog
          pack={pack}
          houses={houses}
          onClose={() => {
            setNoting(false);
          }}
        />
      )}
      {sending && (
        <SendDialog
          pack={pack}
          onClose={() => {
            setSending(false);
          }}
        />
      )}
    </article>
  );
}

function FitFiles({ fit, files }: { fit: PackedFit; files: StoredPack['manifest']['files'] }) {
  const folder = fit.prints[0]?.path.split('/')[0] ?? '';
  const own = files.filter(({ path }) => path.startsWith(`${folder}/`));
  return (
    <section className="mt-4">
      <h3 className="flex items-baseline gap-2 border-b border-ink pb-0.5">
        <VerdictShape verdict={fit.verdict} />
        <span className="font-semibold">{VERDICT_WORDS[fit.verdict]}</span>
        <Link href={`/bench/${fit.fitId}`} className="truncate font-semibold underline underline-offset-2">
          {fit.design} on {fit.blank}
        </Link>
        <span className="measure truncate text-sm text-ink-2">
          {[
            fit.house,
            fit.colour,
            ...(fit.size ? [`size ${fit.size}`] : []),
            ...(fit.mirroring ? [MIRRORED[fit.mirroring]] : []),
          ].join(' · ')}
        </span>
      </h3>
      {fit.lines && fit.lines.length > 0 && (
        <p className="measure mt-1 text-sm">
          {fit.lines
            .map(
              ({ copies, what, colour, size }) =>
                `${copies} × ${[what, colour, size].filter(Boolean).join(', ')}`,
            )
            .join(' · ')}
        </p>
      )}
      {fit.reason && <p className="mt-1 text-sm text-look">Handed over as it is: {fit.reason}</p>}
      <table className="measure w-full table-fixed text-sm">
        <tbody>
          {own.map(({ path, bytes, sha256 }) => {
            const print = fit.prints.find((one) => one.path === path);
            const plate = plateAt(fit, path);
            return (
              <tr key={path} className="border-b border-rule">
                <Hint words={path}>
                  <td className="truncate py-1 pr-4">{path.slice(folder.length + 1)}</td>
                </Hint>
                <td className="w-64 truncate pr-4 text-ink-2">
                  {print &&
                    `${print.pixels.width} × ${print.pixels.height} px, ${print.ppi} PPI, ${print.mode.toUpperCase()}`}
                  {plate}
                </td>
                <td className="w-20 pr-4 text-right">{showBytes(bytes)}</td>
                <Hint words={`SHA-256 ${sha256}`}>
                  <td className="w-36 text-right text-ink-2">{sha256.slice(0, 12)}…</td>
                </Hint>
              </tr>
            );
          })}
        </tbody>
      </table>
    </section>
  );
}

/** What a file is of a fit's plates: nothing where it is none of them. */
function plateAt({ plates = [] }: PackedFit, path: string): string | null {
  for (const { inks, separations, colour, ppi } of plates) {
    if (path === separations) return `${inks.length} separations, on ${colour}`;
    const own = inks.find((ink) => ink.path === path);
    if (own) return `${own.area} cm² of ${own.ink}, ${ppi} PPI`;
  }
  return null;
}
