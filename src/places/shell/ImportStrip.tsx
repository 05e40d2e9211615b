'use client';
import { clearImports, isOpen, stopImports, useImports } from '@/state/imports';

/** Files on their way in: what, how far, and a way to stop; then which could not be taken and why. */
export function ImportStrip() {
  const list = useImports((imports) => imports.list);
  const open = list.filter(({ phase }) => isOpen(phase));
  const failed = list.filter(({ phase }) => phase === 'failed');
  const stopped = list.filter(({ phase }) => phase === 'stopped').length;
  if (open.length === 0 && failed.length === 0 && stopped === 0) return null;
  const current = open.find(({ phase }) => phase === 'measuring');
  const done = list.length - open.length;
  return (
    <section
      aria-label="Files coming in"
      className="max-h-40 shrink-0 overflow-auto border-b border-rule bg-docket px-4 py-1.5"
    >
      {current && (
        <p role="status" className="flex items-center gap-4">
          <span className="measure w-16 shrink-0 font-semibold">
            {done + 1} of {list.length}
          </span>
          <span className="truncate">Measuring {current.name}</span>
          <progress
            aria-label={`Measuring ${current.name}`}
            value={current.share}
            max={1}
            className="ml-auto h-1.5 w-48 accent-thread"
          />
          <button className="verb" onClick={stopImports}>
            Stop
          </button>
        </p>
      )}
      {failed.map(({ id, message }) => (
        <p key={id} role="alert" className="py-0.5 text-fix">
          {message}
        </p>
      ))}
      {stopped > 0 && (
        <p className="py-0.5">
          Stopped: {stopped} {stopped === 1 ? 'file was' : 'files were'} not taken in.
        </p>
      )}
      {open.length === 0 && (
        <button className="verb" onClick={clearImports}>
          Put these notes away
        </button>
      )}
    </section>
  );
}
