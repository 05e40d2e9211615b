'use client';
import { dequal } from 'dequal';
import {
  useEffect,
  useRef,
  useState,
  type FocusEvent,
  type KeyboardEvent,
  type RefObject,
  type SyntheticEvent,
} from 'react';
import { allPlaces, placeOfKey, type Lines } from '@/core/many/choice';
import { chooseBlock, chooseNone, chooseOnly, toggle } from '@/state/many/chosen';
import { placeAmong, placeSelector, stepOf, stepped, type GridPlace } from './place';

/** Where keys that are letters go, so that typing finds a design. */
export const SEARCH_ID = 'range-search';

const LETTER = /^[\p{L}\p{N}]$/u;

/**
 * The range under the keys of a table: one place has the focus and Tab comes to it; arrows, Home, End and pages walk from
 * it, and a letter begins a search.
 */
export function useGridKeys(room: RefObject<HTMLElement | null>, lines: Lines) {
  const [stood, setStood] = useState<GridPlace | null>(null);
  const place = placeAmong(stood, lines);
  // Where a key led: the focus goes there once it is drawn, which an earlier drawing may not have done yet.
  const goal = useRef<GridPlace | null>(null);
  useEffect(() => {
    const target = goal.current && room.current?.querySelector<HTMLElement>(placeSelector(goal.current));
    if (!target) return;
    goal.current = null;
    target.focus({ preventScroll: true });
    target.scrollIntoView({ block: 'nearest', inline: 'nearest' });
  });
  return {
    at: {
      row: place ? lines.designs.indexOf(place.designId) : -1,
      /** −1 for the head of the row. */
      column: place?.blankId === undefined ? -1 : lines.blanks.indexOf(place.blankId),
    },
    onFocus: (event: FocusEvent<HTMLElement>) => {
      const on = placeOf(event);
      goal.current = null;
      if (on) setStood((now) => (dequal(now, on) ? now : on));
    },
    onKeyDown: (event: KeyboardEvent<HTMLElement>, page: number) => {
      const on = placeOf(event);
      if (!on) return;
      const step = stepOf(event);
      const to = step && stepped(on, step, lines, page);
      if (to) {
        event.preventDefault();
        goal.current = to;
        setStood(to);
        if (event.shiftKey && isCell(on) && isCell(to)) chooseBlock(to, on, lines);
      } else if (event.key === ' ' && isCell(on)) {
        event.preventDefault();
        toggle(on);
      } else if (event.key === 'Escape') {
        chooseNone();
      } else if (event.key === 'a' && (event.ctrlKey || event.metaKey)) {
        event.preventDefault();
        chooseOnly(allPlaces(lines));
      } else if (LETTER.test(event.key) && !event.ctrlKey && !event.metaKey && !event.altKey) {
        document.getElementById(SEARCH_ID)?.focus();
      }
    },
  };
}

function isCell(place: GridPlace): place is GridPlace & { blankId: string } {
  return place.blankId !== undefined;
}

/** The place that an event is on; null where it is on something else, as in a menu over it. */
function placeOf({ target, currentTarget }: SyntheticEvent<HTMLElement>): GridPlace | null {
  if (!(target instanceof HTMLElement) || !currentTarget.contains(target)) return null;
  const { designId, blankId } = placeOfKey(target.dataset.place ?? '');
  if (designId === '') return null;
  return { designId, ...(blankId !== '' && { blankId }) };
}
