import { rgb } from '@cantoo/pdf-lib';
import type { Verdict } from '@/core/check/finding';
import type { DrawnPage } from './page';

/** A verdict's word and its colour on paper. */
export const VERDICT: Record<Verdict, { word: string; colour: ReturnType<typeof rgb> }> = {
  ready: { word: 'Ready', colour: rgb(0.043, 0.333, 0.388) },
  look: { word: 'Look', colour: rgb(0.541, 0.353, 0) },
  fix: { word: 'Fix', colour: rgb(0.639, 0.153, 0.106) },
};

/** A verdict's own shape in a square: filled notch, split open notch, cross. */
export function drawVerdict(page: DrawnPage, verdict: Verdict, x: number, y: number, size: number): void {
  const { colour } = VERDICT[verdict];
  const at = (u: number, v: number) => `${(x + u * size).toFixed(3)} ${(y + v * size).toFixed(3)}`;
  const notch = `M${at(0.08, 0.12)}L${at(0.92, 0.12)}L${at(0.5, 0.92)}Z`;
  if (verdict === 'ready') page.fill(notch, colour);
  if (verdict === 'look') page.stroke(`${notch}M${at(0.5, 0.16)}L${at(0.5, 0.84)}`, size * 0.13, colour);
  if (verdict === 'fix')
    page.stroke(
      `M${at(0.12, 0.12)}L${at(0.88, 0.88)}M${at(0.88, 0.12)}L${at(0.12, 0.88)}`,
      size * 0.2,
      colour,
    );
}
