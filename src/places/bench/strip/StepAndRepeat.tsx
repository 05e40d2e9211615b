'use client';
import { useState } from 'react';
import { parseLength } from '@/core/length/parse';
import { showLength } from '@/core/length/show';
import { useHand } from '@/state/bench/hand';
import { Field } from '@/ui/Field';
import { Dialog, LeaveDialog } from '@/ui/Dialog';
import { stepAndRepeat } from '../acts/acts';
import type { Live } from '../live/useLive';

/** More copies at one go than this is a slip of the hand. */
const MOST = 200;

/** Step and repeat: so many copies, each one distance further on. */
export function StepAndRepeat({ live }: { live: Live }) {
  const open = useHand((hand) => hand.editing === 'again');
  return open && live.selection ? (
    <Asking live={live} width={live.selection.extent.right - live.selection.extent.left} />
  ) : null;
}

function Asking({ live, width }: { live: Live; width: number }) {
  const { unit } = live;
  const [copies, setCopies] = useState('3');
  const [across, setAcross] = useState(showLength(width * 1.1, unit));
  const [down, setDown] = useState(showLength(0, unit));
  const dx = parseLength(across, { unit: unit.unit });
  const dy = parseLength(down, { unit: unit.unit });
  const count = /^\d+$/.test(copies.trim()) ? Number(copies) : 0;
  const troubled = count < 1 || count > MOST ? `A whole number from 1 to ${MOST}.` : null;
  const ready = !troubled && dx.ok && dy.ok;
  const close = () => {
    useHand.setState({ editing: null });
  };
  return (
    <Dialog title="Step and repeat" className="top-24 w-[420px]" onClose={close}>
      <form
        onSubmit={(event) => {
          event.preventDefault();
          if (!ready) return;
          stepAndRepeat(live, count, dx.mm, dy.mm);
          close();
        }}
      >
        <Field label="Copies" value={copies} trouble={troubled} onChange={setCopies} />
        <Field
          label="Each further across by"
          value={across}
          trouble={dx.ok ? null : dx.message}
          onChange={setAcross}
        />
        <Field
          label="Each further down by"
          value={down}
          trouble={dy.ok ? null : dy.message}
          onChange={setDown}
        />
        <div className="mt-4 flex items-center gap-4">
          <button className="action" disabled={!ready}>
            Lay them out
          </button>
          <LeaveDialog>Leave it</LeaveDialog>
        </div>
      </form>
    </Dialog>
  );
}
