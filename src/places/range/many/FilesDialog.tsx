'use client';
import { useState } from 'react';
import type { Fit } from '@/core/fit/schema';
import {
  MANY_FILES,
  makeManyFiles,
  saveManyFiles,
  type ManyFiles,
  type ManyMade,
  type ManyProgress,
} from '@/state/handover/many';
import { Dialog, LeaveDialog } from '@/ui/Dialog';
import { useWork } from '../../shell/useWork';
import { WorkLine } from '../../shell/WorkLine';

interface Props {
  kind: ManyFiles;
  fits: readonly Fit[];
  onClose: () => void;
}

/** Makes files of all that is chosen, one after another; what failed is told, and what is made is saved in one zip. */
export function FilesDialog({ kind, fits, onClose }: Props) {
  const { what } = MANY_FILES[kind];
  const [made, setMade] = useState<ManyMade | null>(null);
  const { progress, trouble, run, stop } = useWork<ManyProgress>();
  const make = () =>
    run({ done: 0, of: fits.length }, async (asked) => {
      setMade(await makeManyFiles(kind, fits, asked));
    });
  return (
    <Dialog
      title={`Make ${what}`}
      description={`Of ${fits.length} ${fits.length === 1 ? 'fit' : 'fits'}, as their houses take them.`}
      className="top-24 flex max-h-[calc(100vh-10rem)] w-[560px] flex-col"
      shade
      onClose={() => {
        stop();
        onClose();
      }}
    >
      <WorkLine
        words={progress && `${progress.done} of ${progress.of} made`}
        label="Making files"
        share={progress ? progress.done / Math.max(1, progress.of) : 0}
        trouble={trouble}
        onStop={stop}
      />
      {made && !progress && (
        <>
          <p role="status" className="font-semibold">
            {made.files.length} {made.files.length === 1 ? 'file is' : 'files are'} made
            {made.failed.length > 0 && `; ${made.failed.length} could not be made`}.
          </p>
          <ul className="min-h-0 overflow-auto text-sm">
            {made.failed.map(({ title, why }) => (
              <li key={title} className="border-b border-rule py-1">
                <span className="font-semibold">{title}</span>: {why}
              </li>
            ))}
          </ul>
        </>
      )}
      <div className="mt-4 flex items-center gap-4">
        {made === null ? (
          <button className="action" disabled={progress !== null} onClick={() => void make()}>
            Make them
          </button>
        ) : (
          <button
            className="action"
            disabled={progress !== null || made.files.length === 0}
            onClick={() => void run({ done: 0, of: 1 }, () => saveManyFiles(kind, made))}
          >
            Save the zip
          </button>
        )}
        <LeaveDialog>Leave</LeaveDialog>
      </div>
    </Dialog>
  );
}
