import type { Body } from '../blank/kinds';
import type { RoundBody } from '../blank/bodies/round';
import { bendOf, diametersOf, printableHeight, wrapWidth } from '../blank/bodies/round';
import { STRAIGHT } from '../blank/bodies/sector';
import { withNumber } from '../blank/numbers';
import { aspectsOf } from '../blank/kinds';

/** What is read off a printed template, all in mm. */
export interface TryOn {
  /** What the template's ruler of 100 mm measures on paper. */
  ruler: number;
  /** Between the ends when it is wrapped round: a gap, or negative where they lap over. At the upper and lower edge. */
  endsTop: number;
  endsBottom: number;
  /** From the template's upper and lower edge to where the print should end; negative where it runs past. */
  top: number;
  bottom: number;
}

/** How much larger a printer prints than it was told, as a share: 0.01 is one percent large. */
export function printerError({ ruler }: Pick<TryOn, 'ruler'>): number {
  return ruler / 100 - 1;
}

/**
 * The body that the template's fit on the thing shows. A round thing's way round is the printed width as the
 * ruler proves it, plus the gap between the ends (the handle lies within it); a flat thing's size likewise.
 */
export function correctBody(body: Body, seen: TryOn): Body | null {
  const scale = seen.ruler / 100;
  const slack = seen.top + seen.bottom;
  const { wall, laid } = aspectsOf(body);
  if (wall) return correctRound(wall, seen, scale, slack);
  if (laid) {
    const { width, height } = laid.sheet;
    const wider = withNumber(body, 'sheet.width', width * scale + (seen.endsTop + seen.endsBottom) / 2);
    return wider && withNumber(wider, 'sheet.height', height * scale + slack);
  }
  return null;
}

/** Width in mm of the template along its upper and lower edge. */
function edgesOf(body: RoundBody): { top: number; bottom: number } {
  const bend = bendOf(body);
  if (!bend) return { top: wrapWidth(body), bottom: wrapWidth(body) };
  const wide = bend.sweep * bend.outerRadius;
  const narrow = bend.sweep * bend.innerRadius;
  return bend.wideTop ? { top: wide, bottom: narrow } : { top: narrow, bottom: wide };
}

/** What the ends should leave open at the upper and lower edge where every number is right; negative where they lap over. */
export function expectedEnds(body: RoundBody): { top: number; bottom: number } {
  const { top, bottom } = diametersOf(body);
  const edges = edgesOf(body);
  return { top: Math.PI * top - edges.top, bottom: Math.PI * bottom - edges.bottom };
}

function correctRound(body: RoundBody, seen: TryOn, scale: number, slack: number): Body | null {
  const edges = edgesOf(body);
  const newTop = (edges.top * scale + seen.endsTop) / Math.PI;
  const newBottom = (edges.bottom * scale + seen.endsBottom) / Math.PI;
  const slant = printableHeight(body) * scale + slack;
  if (Math.min(newTop, newBottom, slant) <= 0) return null;
  if (body.kind === 'taper') {
    if (Math.abs(newTop - newBottom) < STRAIGHT) return null;
    return { ...body, topDiameter: newTop, bottomDiameter: newBottom, slant };
  }
  return { ...body, diameter: (newTop + newBottom) / 2, height: slant + body.lip + body.foot };
}
