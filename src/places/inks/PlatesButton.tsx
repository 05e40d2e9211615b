'use client';
import { useState } from 'react';
import type { PlatePlan } from '@/core/fit/plates';
import { savePlates, type PlateFilesWanted } from '@/state/plates/files';
import { sentence } from '@/state/sentence';
import { Dialog, LeaveDialog } from '@/ui/Dialog';
import { OneOf } from '@/ui/OneOf';
import { toast } from '@/ui/toast';
import type { Live } from '../bench/live/useLive';

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
  const [work, setWork] = useState<{ share: number; stop: AbortController } | null>(null);
  if (work)
    return (
      <button
        className="action-2 measure w-32"
        onClick={() => {
          work.stop.abort();
        }}
      >
        {Math.round(work.share * 100)} % · Stop
      </button>
    );
  const make = async (wanted: PlateFilesWanted) => {
    if (!plan) return;
    const stop = new AbortController();
    setWork({ share: 0, stop });
    try {
      const made = await savePlates(live, plan, product, wanted, {
        signal: stop.signal,
        onProgress: (share) => {
          setWork({ share, stop });
        },
      });
      if (made) {
        const { width, height } = made.pixels;
        toast(
          `${made.each.length} plates of ${width.toLocaleString('en')} × ${height.toLocaleString('en')} px at ${made.ppi} PPI, and all of them as one PDF, in one zip.`,
        );
      }
    } catch (error) {
      toast(sentence(error));
    }
    setWork(null);
  };
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
