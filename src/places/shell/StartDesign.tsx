'use client';
import { useRouter } from 'next/navigation';
import { useRef, useState } from 'react';
import { sentence } from '@/state/sentence';
import { startDesign } from '@/state/shop/designs';
import { useShop } from '@/state/shop/shop';
import { Dialog, LeaveDialog } from '@/ui/Dialog';

/** Begins a design on a blank: a name, and the bench is open with nothing on the face. */
export function StartDesign({ blankId, onClose }: { blankId: string; onClose: () => void }) {
  const blank = useShop((shop) => shop.blanks.get(blankId)?.blank);
  const layout = useShop((shop) => shop.layouts.has(blankId));
  const router = useRouter();
  const [name, setName] = useState('');
  const [trouble, setTrouble] = useState<string | null>(null);
  const field = useRef<HTMLInputElement>(null);
  const start = async () => {
    try {
      const { result } = await startDesign(name, blankId);
      router.push(`/bench/${result.id}`);
    } catch (error) {
      setTrouble(sentence(error));
      field.current?.focus();
    }
  };
  return (
    <Dialog
      title={`Start a design on ${blank?.name ?? 'it'}`}
      description={`Words, fills and artwork come on the bench. ${layout ? 'It begins with this blank’s starting layout.' : 'It begins with nothing on its faces.'}`}
      className="top-40 w-[440px]"
      shade
      onClose={onClose}
    >
      <form
        onSubmit={(event) => {
          event.preventDefault();
          void start();
        }}
      >
        <label className="flex flex-col text-sm text-ink-2">
          name of the design
          <input
            ref={field}
            value={name}
            autoFocus
            aria-invalid={trouble !== null}
            aria-describedby="start-trouble"
            onChange={(event) => {
              setName(event.target.value);
              setTrouble(null);
            }}
            className="border-b-2 border-ink bg-docket px-1 py-1 text-base text-ink"
          />
        </label>
        <p id="start-trouble" role={trouble ? 'alert' : undefined} className="min-h-6 text-sm text-fix">
          {trouble}
        </p>
        <div className="mt-1 flex items-center gap-4">
          <button type="submit" className="action">
            Start it
          </button>
          <LeaveDialog>Leave</LeaveDialog>
        </div>
      </form>
    </Dialog>
  );
}
