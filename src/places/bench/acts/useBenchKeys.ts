import { useEffect } from 'react';
import { toast } from '@/ui/toast';
import { redo, undo } from '@/state/bench/open-fit';
import { EDGE_LINES, select, useHand } from '@/state/bench/hand';
import { ARROWS, nudgeMm } from '@/ui/arrows';
import { OPEN_OVER } from '@/ui/Dialog';
import { isTyping } from '../../shell/typing';
import { centreOnZone, nudge } from './acts';
import { stepView, zoomTo } from '../flat/zooming';
import type { Live } from '../live/useLive';
import { perform, type VerbId } from './verbs';

/** Verbs by key; with Shift by the key in capitals. */
const VERB_KEYS: Record<string, VerbId> = {
  f: 'inside',
  b: 'cover',
  c: 'centreBoth',
  x: 'centreAcross',
  y: 'centreDown',
  X: 'alignCentre',
  Y: 'alignMiddle',
  s: 'otherSide',
  S: 'otherSideMirrored',
  o: 'spread',
  m: 'sameHeight',
  M: 'sameWidth',
  q: 'quarterTurn',
  v: 'flip',
  g: 'group',
  G: 'ungroup',
  r: 'role',
  k: 'knockout',
  L: 'lock',
  H: 'hide',
  '.': 'raise',
  ',': 'lower',
  Delete: 'takeOff',
  Backspace: 'takeOff',
};
/** Numbers and small sheets that a key opens, by the name of what is then typed in. */
const EDIT_KEYS: Record<string, string> = { w: 'width', h: 'height', a: 'angle', e: 'words', d: 'again' };
/** With Ctrl, an arrow sets what is chosen against each other on its side. */
const ALIGN_KEYS: Record<string, VerbId> = {
  ArrowLeft: 'alignLeft',
  ArrowRight: 'alignRight',
  ArrowUp: 'alignTop',
  ArrowDown: 'alignFoot',
};

/** px that an arrow key moves the flat by, where nothing is chosen. */
const PAN = 40;

/** The bench by keyboard; the sheet on `?` lists these. */
export function useBenchKeys(live: Live, add: { text: () => void }): void {
  useEffect(() => {
    const press = (event: KeyboardEvent) => {
      // A list or a field that is open takes the key for itself, wherever the focus is.
      if (event.defaultPrevented) return;
      if (isTyping(event) || document.querySelector(OPEN_OVER)) return;
      if (handle(live, event, add)) event.preventDefault();
    };
    addEventListener('keydown', press);
    return () => {
      removeEventListener('keydown', press);
    };
  }, [live, add]);
}

function handle(live: Live, event: KeyboardEvent, add: { text: () => void }): boolean {
  const { key } = event;
  const inside = (event.target as HTMLElement).closest('[data-arrows]') !== null;
  const arrow = ARROWS[key];
  if (event.ctrlKey || event.metaKey) {
    const align = ALIGN_KEYS[key];
    if (align && !inside) perform(live, align);
    else if (key.toLowerCase() === 'z') void (event.shiftKey ? redo() : undo());
    else if (key.toLowerCase() === 'y') void redo();
    else if (key.toLowerCase() === 'd') perform(live, 'duplicate');
    else if (key.toLowerCase() === 'a') select(live.pieces.map(({ id }) => id));
    else return false;
    return true;
  }
  if (arrow) {
    if (inside) return false;
    if (!live.selection) {
      stepView(live, { dx: arrow[0] * PAN, dy: arrow[1] * PAN });
      return true;
    }
    if (live.following) return false;
    const step = nudgeMm(event, live.unit);
    nudge(live, arrow[0] * step, arrow[1] * step);
    return true;
  }
  if (event.altKey) return false;
  return look(live, key) || (!live.following && work(live, key, add));
}

/** Keys that change what is seen. */
function look(live: Live, key: string): boolean {
  switch (key) {
    case 'l':
      useHand.setState(({ legend }) => ({ legend: !legend }));
      return true;
    case 'u':
      useHand.setState(({ list }) => ({ list: !list }));
      return true;
    case 'n':
      useHand.setState(({ edgeLine }) => ({
        edgeLine: EDGE_LINES[(EDGE_LINES.indexOf(edgeLine) + 1) % EDGE_LINES.length]!,
      }));
      return true;
    case '0':
      zoomTo(live, 'face');
      return true;
    case 'j':
      zoomTo(live, live.selection ? 'piece' : 'zone');
      return true;
    case 'J':
      zoomTo(live, 'zone');
      return true;
    case '+':
      stepView(live, { factor: 1.25 });
      return true;
    case '-':
      stepView(live, { factor: 0.8 });
      return true;
    case '=':
      zoomTo(live, 'true');
      return true;
    case 'Escape':
      select([]);
      return true;
    default:
      return false;
  }
}

/** Keys that change the fit. */
function work(live: Live, key: string, add: { text: () => void }): boolean {
  if (key === 'i') {
    add.text();
    return true;
  }
  if (key === 'p') {
    const { stretching } = useHand.getState();
    useHand.setState({ stretching: !stretching });
    toast(
      stretching
        ? 'Sizes keep their proportion again.'
        : 'A width or a height now changes alone and stretches.',
    );
    return true;
  }
  if (/^[1-9]$/.test(key)) {
    centreOnZone(live, Number(key) - 1);
    return true;
  }
  const verb = VERB_KEYS[key];
  if (verb) {
    if (live.selectedIds.length === 0) return false;
    perform(live, verb);
    return true;
  }
  const edit = EDIT_KEYS[key];
  if (!edit || !live.selection) return false;
  useHand.setState({ editing: edit });
  return true;
}
