'use client';
import { useStore } from 'zustand';
import { redo, undo, useBench } from '@/state/bench/open-fit';

/** Takes the open fit's last edit back, or does it again; in another tab's hand it does neither. */
export function UndoRedo({ following }: { following: boolean }) {
  const { pastStates, futureStates } = useStore(useBench.temporal);
  return (
    <>
      <button className="verb" disabled={following || pastStates.length === 0} onClick={() => void undo()}>
        Undo
      </button>
      <button className="verb" disabled={following || futureStates.length === 0} onClick={() => void redo()}>
        Redo
      </button>
    </>
  );
}
