import * as v from 'valibot';
import type { ResolvedBlank } from '../blank/resolve';
import type { Docket } from '../check/docket';
import type { Summary } from '../check/summary';
import { rank, VERDICTS, worst, type Verdict } from '../check/finding';
import { isToShape } from '../cut/face';
import { isSameCell, type Cell, type Copies } from '../fit/copies';
import { inSize, sizesSold } from '../fit/in-size';
import type { Fit } from '../fit/schema';
import { coloursFor } from '../fit/version';

/** What can be ordered of a fit: product colours across, and down its graded sizes or its stickers. */
export interface OrderGrid {
  columns: { id: string; name: string; hex: string | null }[];
  /** One without a name where there is nothing to tell apart. */
  rows: { id: string; name: string | null; sizeId: string | null; faceId: string | null }[];
}

/** The grid of a fit, on its blank as the fit has it cut. */
export function orderGrid({ blank, faces }: ResolvedBlank, fit: Fit): OrderGrid {
  const sold = sizesSold({ blank }, fit);
  const stickers = isToShape({ blank }) ? faces.filter(({ cut }) => cut) : [];
  const rows =
    sold.length > 0
      ? sold.map(({ id, name }) => ({ id, name, sizeId: id, faceId: null }))
      : stickers.length > 1
        ? stickers.map(({ id, name }) => ({ id, name, sizeId: null, faceId: id }))
        : [{ id: '', name: null, sizeId: null, faceId: null }];
  return { columns: coloursFor(blank, fit).map(({ id, name, hex }) => ({ id, name, hex })), rows };
}

/** Every cell of a grid, column by column. */
export function cellsOf({ columns, rows }: OrderGrid): Cell[] {
  return columns.flatMap(({ id }) => rows.map(({ sizeId, faceId }) => ({ colourId: id, sizeId, faceId })));
}

/**
 * What is ordered of a fit, in the order of its grid: what was typed, as far as the fit still has it; where nothing was,
 * one of the colour and size it is shown in, or one of each sticker.
 */
export function orderedOf(blank: ResolvedBlank, fit: Fit): Copies[] {
  const grid = orderGrid(blank, fit);
  const cells = cellsOf(grid);
  const typed = cells.flatMap((cell) => (fit.copies ?? []).filter((one) => isSameCell(one, cell)));
  if (typed.length > 0) return typed;
  const colourId = grid.columns.find(({ id }) => id === fit.colourId)?.id ?? grid.columns[0]!.id;
  const base = fit.sizeId ?? blank.blank.sizes.find(({ print }) => print === 1)?.id;
  const shown = grid.rows.find(({ sizeId }) => sizeId === base) ?? grid.rows[0]!;
  const rows = grid.rows.some(({ faceId }) => faceId !== null) ? grid.rows : [shown];
  return rows.map(({ sizeId, faceId }) => ({ colourId, sizeId, faceId, copies: 1 }));
}

/** What a line of an order is judged by: a docket, or its summary. */
type Measured = Pick<Docket | Summary, 'findings' | 'looks' | 'sizes'>;

/** How one line of an order does by a docket: on its own colour, and in its own size. */
export function lineVerdict(
  { findings, looks, sizes }: Measured,
  { colourId, sizeId, faceId }: Cell,
): Verdict {
  const look = looks.find(({ id }) => id === colourId);
  const own = findings.filter((one) => one.size === undefined);
  const onFace = faceId === null ? own : own.filter((one) => one.faceId === faceId);
  const onColour = look && faceId === null ? look.verdict : worst(onFace);
  const size = sizes.find(({ id }) => id === sizeId);
  const inSize = size ? (size.edge ?? size.verdict) : 'ready';
  return rank(inSize) > rank(onColour) ? inSize : onColour;
}

/** The worst of all that is ordered of a fit. */
export function orderedVerdict(docket: Measured, ordered: readonly Cell[]): Verdict {
  return worst(ordered.map((cell) => ({ verdict: lineVerdict(docket, cell) })));
}

/** A line of an order in words, as it lies in a pack. */
export const PackedLineSchema = v.object({
  colour: v.string(),
  size: v.nullable(v.string()),
  /** The sticker, where each of a set is ordered by itself. */
  faceId: v.nullable(v.string()),
  what: v.nullable(v.string()),
  copies: v.number(),
  verdict: v.picklist(VERDICTS),
});
export type PackedLine = v.InferOutput<typeof PackedLineSchema>;

/** Lines in words, each with how it does. */
export function packedLines(
  { blank, faces }: ResolvedBlank,
  ordered: readonly Copies[],
  docket: Pick<Docket, 'findings' | 'looks' | 'sizes'>,
): PackedLine[] {
  return ordered.map((one) => ({
    colour: blank.colours.find(({ id }) => id === one.colourId)?.name ?? one.colourId,
    size: blank.sizes.find(({ id }) => id === one.sizeId)?.name ?? null,
    faceId: one.faceId,
    what: faces.find(({ id }) => id === one.faceId)?.name ?? null,
    copies: one.copies,
    verdict: lineVerdict(docket, one),
  }));
}

/** A fit as it is printed in some of the graded sizes: those whose print is the same share one. */
export interface SizedFit {
  /** Null where the product has no sizes. */
  sizeIds: readonly (string | null)[];
  fit: Fit;
}

/** The fits that the sizes of an order take, each once. */
export function sizedFits(blank: ResolvedBlank, fit: Fit, ordered: readonly Cell[]): SizedFit[] {
  const groups = new Map<string, { sizeIds: (string | null)[]; fit: Fit }>();
  for (const sizeId of new Set(ordered.map((one) => one.sizeId))) {
    const sized = sizeId === null ? { blank, fit } : inSize(blank, fit, sizeId);
    const areas = sized.blank.faces.map(({ width, height }) => [width, height]);
    const key = JSON.stringify([areas, sized.fit.faces]);
    const group = groups.get(key);
    if (group) group.sizeIds.push(sizeId);
    else groups.set(key, { sizeIds: [sizeId], fit: sized.fit });
  }
  return [...groups.values()];
}
