import { useEffect, useReducer, useRef, useState } from 'react';
import type { ResolvedBlank } from '@/core/blank/resolve';
import type { Parting } from '@/core/cut/parting';
import { firstSet, type StickerSet } from '@/core/cut/sorting';
import { USUAL_CUT } from '@/core/fit/cut';
import type { Fit } from '@/core/fit/schema';
import { partArtwork } from '@/state/bench/cutting';
import { isStopped } from '@/state/engine/engine';
import { sentence } from '@/state/sentence';
import { cutSet } from '@/state/artwork/stickers';
import type { Artwork } from '../types';

interface History {
  before: StickerSet[];
  now: StickerSet | null;
  after: StickerSet[];
}

type Act = { kind: 'begin' | 'change'; set: StickerSet } | { kind: 'undo' } | { kind: 'redo' };

function step({ before, now, after }: History, act: Act): History {
  switch (act.kind) {
    case 'begin':
      return { before: [], now: act.set, after: [] };
    case 'change':
      return { before: now ? [...before, now] : before, now: act.set, after: [] };
    case 'undo': {
      const last = before.at(-1);
      return last && now
        ? { before: before.slice(0, -1), now: last, after: [now, ...after] }
        : { before, now, after };
    }
    case 'redo': {
      const [next] = after;
      return next && now
        ? { before: [...before, now], now: next, after: after.slice(1) }
        : { before, now, after };
    }
  }
}

export interface SetWork {
  parting: Parting | null;
  set: StickerSet | null;
  /** The set with its cut lines; of an earlier state of it while the newer one is on its way. */
  cut: { set: StickerSet; fit: Fit } | null;
  trouble: string | null;
  change: (set: StickerSet) => void;
  undo: (() => void) | null;
  redo: (() => void) | null;
}

/** The picture's shapes, the set that is made of them with its undo, and its cut lines, which follow every change. */
export function useSet(artwork: Artwork, blank: ResolvedBlank): SetWork {
  const [parted, setParted] = useState<{ of: Artwork; parting: Parting } | null>(null);
  const [trouble, setTrouble] = useState<string | null>(null);
  const [history, act] = useReducer(step, { before: [], now: null, after: [] });
  const [made, setMade] = useState<(NonNullable<SetWork['cut']> & { of: Parting }) | null>(null);
  const fail = useRef((error: unknown) => {
    if (!isStopped(error)) setTrouble(sentence(error));
  });
  // An artwork whose pixels were changed is another one to this screen.
  useEffect(() => {
    const stop = new AbortController();
    partArtwork(artwork, { signal: stop.signal }).then((found) => {
      if (stop.signal.aborted) return;
      setTrouble(null);
      setParted({ of: artwork, parting: found });
      const name = artwork.facts.name.replace(/\.[a-z0-9]+$/i, '');
      const across = artwork.facts.physical?.width ?? null;
      act({ kind: 'begin', set: firstSet(found, { name, across, settings: USUAL_CUT }) });
    }, fail.current);
    return () => {
      stop.abort();
    };
  }, [artwork]);
  const { now } = history;
  const parting = parted?.of === artwork ? parted.parting : null;
  useEffect(() => {
    if (!parting || !now || now.stickers.length === 0) return;
    const stop = new AbortController();
    cutSet(now, parting, artwork, blank, { signal: stop.signal }).then((fit) => {
      if (!stop.signal.aborted) setMade({ of: parting, set: now, fit });
    }, fail.current);
    return () => {
      stop.abort();
    };
  }, [now, parting, artwork, blank]);
  return {
    parting,
    set: now,
    cut: made && made.of === parting && now && now.stickers.length > 0 ? made : null,
    trouble,
    change: (set) => {
      act({ kind: 'change', set });
    },
    undo:
      history.before.length > 0
        ? () => {
            act({ kind: 'undo' });
          }
        : null,
    redo:
      history.after.length > 0
        ? () => {
            act({ kind: 'redo' });
          }
        : null,
  };
}
