import { useEffect } from 'react';
import { opaqueBox } from '@/core/fit/geometry';
import { centreOn } from '@/core/fit/place';
import { nudgeStep } from '@/core/length/show';
import { changePiece, redo, undo, useHand } from '@/state/bench';
import { isTyping } from '../shell/typing';
import type { Live } from './useLive';
import { changeRole, perform, takeOff, type Verb } from './verbs';

const VERB_KEYS: Record<string, Verb> = { f: 'inside', b: 'cover', c: 'centreBoth' };
const ARROWS: Record<string, readonly [dx: number, dy: number]> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
};

/** The bench by keyboard; the sheet on `?` lists these. */
export function useBenchKeys(live: Live): void {
  useEffect(() => {
    const press = (event: KeyboardEvent) => {
      if (isTyping(event) || document.querySelector('[role=dialog]')) return;
      if (handle(live, event)) event.preventDefault();
    };
    addEventListener('keydown', press);
    return () => {
      removeEventListener('keydown', press);
    };
  }, [live]);
}

function handle(live: Live, event: KeyboardEvent): boolean {
  const key = event.key.length === 1 ? event.key.toLowerCase() : event.key;
  if (event.ctrlKey || event.metaKey) {
    if (key === 'z') void (event.shiftKey ? redo() : undo());
    else if (key === 'y') void redo();
    else return false;
    return true;
  }
  const arrow = ARROWS[key];
  if (arrow) return nudge(live, arrow, event);
  if (key === 'l' && !event.altKey) {
    useHand.setState(({ legend }) => ({ legend: !legend }));
    return true;
  }
  if (!live.selected || event.altKey) return false;
  const verb = VERB_KEYS[key];
  if (verb) perform(live, verb);
  else if (key === 'r') changeRole(live);
  else if (key === 'Delete' || key === 'Backspace') takeOff(live);
  else if (key === 'w' || key === 'h') useHand.setState({ editing: key === 'w' ? 'width' : 'height' });
  else if (key === 'Escape') useHand.setState({ selectedId: null });
  else return false;
  return true;
}

/** One step, ten with Shift, a tenth with Alt. Inside a group of controls that arrows walk, they are left alone. */
function nudge(
  { placed, face, unit }: Live,
  [dx, dy]: readonly [number, number],
  event: KeyboardEvent,
): boolean {
  if (!placed || placed.piece.locked || (event.target as HTMLElement).closest('[data-arrows]')) return false;
  const step = nudgeStep(unit) * (event.shiftKey ? 10 : event.altKey ? 0.1 : 1);
  const box = opaqueBox(placed.piece, placed.facts);
  void changePiece(
    face.id,
    centreOn(placed.piece, placed.facts, { x: box.x + dx * step, y: box.y + dy * step }),
  );
  return true;
}
