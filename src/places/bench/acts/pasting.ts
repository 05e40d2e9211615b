import { useEffect } from 'react';
import { toast } from '@/ui/toast';
import { copiedFrom, pastedOn, readCopied } from '@/core/fit/copied';
import { answerCopy, copiedText, copyText } from '@/state/bench/clipboard';
import { changeFace, faceOf } from '@/state/bench/open-fit';
import { select } from '@/state/bench/hand';
import { useShop } from '@/state/shop/shop';
import { OPEN_OVER } from '@/ui/Dialog';
import { isTyping } from '../../shell/typing';
import type { Live } from '../live/useLive';
import { takeOff } from './acts';

/** What is chosen, as text for the clipboard. */
function chosenAsText(live: Live): string | null {
  const copied = copiedFrom(faceOf(live.face.id), live.selectedIds, live.face);
  return copied && JSON.stringify(copied);
}

export function copyPieces(live: Live): void {
  const text = chosenAsText(live);
  if (text !== null) copyText(text);
}

export function cutPieces(live: Live): void {
  copyPieces(live);
  takeOff(live);
}

export async function pastePieces(live: Live): Promise<void> {
  const text = await copiedText();
  if (text === null || !layCopied(live, text))
    toast('No pieces are on the clipboard. Copy some first: Ctrl C.');
}

/** Lays what is chosen on the face once more. */
export function duplicate(live: Live): void {
  const text = chosenAsText(live);
  if (text !== null) layCopied(live, text);
}

/** Lays copied pieces on the face: grounds over the grounds that are there, motifs on top. False where it is any other text. */
function layCopied(live: Live, text: string): boolean {
  const copied = readCopied(text);
  if (!copied) return false;
  const { artworks } = useShop.getState();
  const pasted = pastedOn(copied, live.face, live.pieces, {
    factsOf: (id) => artworks.get(id)!.facts,
    has: (id) => artworks.has(id),
    newId: () => crypto.randomUUID(),
  });
  if (pasted.leftOut > 0)
    toast(
      `${pasted.leftOut === 1 ? 'One piece was' : `${pasted.leftOut} pieces were`} left out: the artwork is not in this shop. Bring it in first.`,
      { duration: 10_000 },
    );
  if (pasted.pieces.length === 0) return true;
  const over = pasted.pieces.filter(({ role }) => role === 'motif');
  const under = pasted.pieces.filter(({ role }) => role === 'ground');
  void changeFace(live.face.id, ({ pieces, groups = [] }) => {
    const at = pieces.findLastIndex(({ role }) => role === 'ground') + 1;
    return {
      pieces: [...pieces.slice(0, at), ...under, ...pieces.slice(at), ...over],
      groups: [...groups, ...(pasted.groups ?? [])],
    };
  });
  select(pasted.pieces.map(({ id }) => id));
  if (pasted.scale < 0.995)
    toast(`Pasted at ${Math.round(pasted.scale * 100)} %, to lie inside this face's safe area.`, {
      duration: 10_000,
    });
  return true;
}

/** Ctrl C, X and V of pieces: the browser asks what is to be copied, and hands over what is pasted. */
export function usePieceClipboard(live: Live): void {
  useEffect(() => {
    const ours = (event: ClipboardEvent) =>
      !event.defaultPrevented && !isTyping(event) && !document.querySelector(OPEN_OVER) && !someTextChosen();
    const copy = (event: ClipboardEvent) => {
      const text = ours(event) ? chosenAsText(live) : null;
      if (text === null || (event.type === 'cut' && live.following)) return;
      answerCopy(event, text);
      if (event.type === 'cut') takeOff(live);
    };
    const paste = (event: ClipboardEvent) => {
      if (!ours(event) || live.following) return;
      if (layCopied(live, event.clipboardData?.getData('text/plain') ?? '')) event.preventDefault();
    };
    document.addEventListener('copy', copy);
    document.addEventListener('cut', copy);
    document.addEventListener('paste', paste);
    return () => {
      document.removeEventListener('copy', copy);
      document.removeEventListener('cut', copy);
      document.removeEventListener('paste', paste);
    };
  }, [live]);
}

/** Words chosen on the page are what a copy is meant for. */
function someTextChosen(): boolean {
  return (getSelection()?.toString() ?? '') !== '';
}
