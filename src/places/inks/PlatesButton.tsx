'use client';
import { useState } from 'react';
import type { PlatePlan } from '@/core/fit/plates';
import { savePlates, type PlateFilesWanted } from '@/state/plates/files';
import { Dialog, LeaveDialog } from '@/ui/Dialog';
import { OneOf } from '@/ui/OneOf';
import { StopButton } from '@/ui/StopButton';
import { toast } from '@/ui/toast';
import type { Live } from '../bench/live/useLive';
import { useWork } from '../shell/useWork';

/** Makes the plates: how far they are, a way to stop them, and what is said once they are there. */
export function PlatesButton({
  live,
  plan,
  product,
}: {
  live: Live;
  plan: PlatePlan | null;
  product: { name: string; hex: string };
}) {
  const [open, setOpen] = useState(false);
  const { progress, run, stop } = useWork<number>({ outlives: true, place: false });
  if (progress !== null) return <StopButton share={progress} className="w-32" onStop={stop} />;
  const make = (wanted: PlateFilesWanted) =>
    run(0, async (options) => {
      const made = plan && (await savePlates(live, plan, product, wanted, options));
      if (!made) return;
      const { width, height } = made.pixels;
      toast(
        `${made.each.length} plates of ${width.toLocaleString('en')} × ${height.toLocaleString('en')} px at ${made.ppi} PPI, and all of them as one PDF, in one zip.`,
      );
    });
  return (
    <>
      <button
        className="action"
        disabled={!plan}
        onClick={() => {
          setOpen(true);
        }}
      >
        Make the plates…
      </button>
      {open && (
        <PlatesDialog
          onMake={(wanted) => void make(wanted)}
          onClose={() => {
            setOpen(false);
          }}
        />
      )}
    </>
  );
}

function PlatesDialog({
  onMake,
  onClose,
}: {
  onMake: (wanted: PlateFilesWanted) => void;
  onClose: () => void;
}) {
  const [format, setFormat] = useState<PlateFilesWanted['format']>('tiff');
  const [marks, setMarks] = useState<'with' | 'without'>('with');
  return (
    <Dialog title="Plates" className="top-24 w-[560px]" onClose={onClose}>
      <OneOf
        label="Each as"
        value={format}
        onChoose={setFormat}
        options={[
          { id: 'tiff', name: 'TIFF' },
          { id: 'png', name: 'PNG' },
        ]}
      />
      <OneOf
        label="The PDF"
        value={marks}
        onChoose={setMarks}
        options={[
          { id: 'with', name: 'with registration marks, names, a ruler and colour patches' },
          { id: 'without', name: 'trim and bleed alone' },
        ]}
      />
      <p className="mt-3 text-sm text-ink-2">
        A plate an ink, black where it prints, trim plus bleed; and one PDF with a separation of each ink’s
        name.
      </p>
      <div className="mt-4 flex items-center gap-4">
        <button
          className="action"
          onClick={() => {
            onClose();
            onMake({ format, marks: marks === 'with' });
          }}
        >
          Make them
        </button>
        <LeaveDialog>Leave</LeaveDialog>
      </div>
    </Dialog>
  );
}
