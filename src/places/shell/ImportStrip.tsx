'use client';
import {
  canRetry,
  clearImports,
  isOpen,
  retryImports,
  stopImports,
  useImports,
  type Import,
} from '@/state/artwork/imports';
import { answerFolder, useFolders } from '@/state/artwork/folders';
import { Progress } from '@/ui/Progress';

/** Files told of one by one, at most: the rest are counted. */
const MOST_TOLD = 40;

/** Files on their way in: what, how far, and a way to stop; then which could not be taken and why. */
export function ImportStrip() {
  const list = useImports((imports) => imports.list);
  const asked = useFolders((folders) => folders.asked);
  const under = list.filter(({ phase }) => phase === 'measuring');
  const open = list.filter(({ phase }) => isOpen(phase)).length;
  const failed = list.filter(({ phase }) => phase === 'failed');
  const stopped = list.filter(({ phase }) => phase === 'stopped').length;
  const known = list.filter(({ phase }) => phase === 'known').length;
  if (open + failed.length + stopped + asked.length === 0) return null;
  return (
    <section
      aria-label="Files coming in"
      className="max-h-44 shrink-0 overflow-auto border-b border-rule bg-docket px-4 py-1.5"
    >
      {open > 0 && <Whole list={list} under={under} />}
      {under.map((one) => (
        <p key={one.id} className="flex items-center gap-4 py-px text-sm text-ink-2">
          <span className="truncate">{one.name}</span>
          <Bar name={one.name} share={one.share} className="ml-auto w-32" />
        </p>
      ))}
      {failed.slice(0, MOST_TOLD).map(({ id, message }) => (
        <p key={id} role="alert" className="flex items-baseline gap-4 py-0.5 text-fix">
          <span className="min-w-0 grow">{message}</span>
          <button
            className="verb shrink-0"
            onClick={() => {
              retryImports(id);
            }}
          >
            Try again
          </button>
        </p>
      ))}
      {failed.length > MOST_TOLD && (
        <p className="py-0.5 text-fix">and {failed.length - MOST_TOLD} more that could not be read.</p>
      )}
      {asked.map(({ name, artworks }) => (
        <p key={name} className="flex items-baseline gap-4 py-0.5">
          <span className="min-w-0 grow truncate">
            The folder “{name}” held {artworks.length} artworks.
          </span>
          <button className="verb shrink-0" onClick={() => void answerFolder(name, true)}>
            Make it one design
          </button>
          <button className="verb shrink-0" onClick={() => void answerFolder(name, false)}>
            Leave them single
          </button>
        </p>
      ))}
      {open === 0 && list.length > 0 && (
        <p className="flex items-baseline gap-5 py-0.5">
          <span>
            {told(list.length - stopped - failed.length - known, 'taken in', 'file')}
            {known > 0 && `, ${known} already here`}
            {stopped > 0 && `, ${stopped} stopped`}
            {failed.length > 0 && `, ${failed.length} not read`}.
          </span>
          {stopped > 0 && (
            <button
              className="verb"
              onClick={() => {
                retryImports();
              }}
            >
              Take in the rest
            </button>
          )}
          <button className="verb" onClick={clearImports}>
            Put these notes away
          </button>
        </p>
      )}
    </section>
  );
}

/** All files together. */
function Whole({ list, under }: { list: readonly Import[]; under: readonly Import[] }) {
  const ended = list.filter(({ phase }) => !isOpen(phase)).length;
  const bad = list.filter(({ phase }) => canRetry(phase)).length;
  const share = (ended + under.reduce((sum, one) => sum + one.share, 0)) / list.length;
  return (
    <p role="status" className="flex items-center gap-4">
      <span className="measure w-24 shrink-0 font-semibold">
        {ended} of {list.length}
      </span>
      <span>Measuring files{bad > 0 && `, ${bad} not taken in`}</span>
      <Bar name="all files" share={share} className="ml-auto w-64" />
      <button className="verb" onClick={stopImports}>
        Stop
      </button>
    </p>
  );
}

function Bar({ name, share, className }: { name: string; share: number; className: string }) {
  return <Progress label={`Measuring ${name}`} share={share} className={`shrink-0 ${className}`} />;
}

function told(count: number, done: string, what: string): string {
  return `${count} ${what}${count === 1 ? '' : 's'} ${done}`;
}
