import type { Copies } from '../fit/copies';
import type { PackedFit } from './manifest';
import type { OrderGrid } from './lines';
import type { OrderLine } from './order';

/** What of a packed fit can be ordered: the colours and sizes that its lines name, and no other, since files are for those. */
export function packedGrid(fit: PackedFit): { grid: OrderGrid; copies: Copies[] } {
  const lines = fit.lines ?? [
    { colour: fit.colour, size: fit.size, faceId: null, what: null, copies: 1, verdict: fit.verdict },
  ];
  const colours = [...new Set(lines.map(({ colour }) => colour))];
  const rows = new Map(
    lines.map(({ size, faceId, what }) => [
      size ?? faceId ?? '',
      { id: size ?? faceId ?? '', name: size ?? what, sizeId: size, faceId },
    ]),
  );
  return {
    grid: { columns: colours.map((name) => ({ id: name, name, hex: null })), rows: [...rows.values()] },
    copies: lines.map(({ colour, size, faceId, copies }) => ({
      colourId: colour,
      sizeId: size,
      faceId,
      copies,
    })),
  };
}

/** The lines of an order, each with the file that goes on each of its sides: a file goes on its own face only. */
export function orderLinesOf(fit: PackedFit, copies: readonly Copies[]): OrderLine[] {
  const { grid } = packedGrid(fit);
  return copies
    .filter((one) => one.copies > 0)
    .map(({ colourId, sizeId, faceId, copies: quantity }) => ({
      fitId: fit.fitId,
      size: sizeId,
      colour: colourId,
      what: faceId === null ? null : (grid.rows.find((row) => row.faceId === faceId)?.name ?? faceId),
      quantity,
      sides: fit.prints
        .filter((print) => faceId === null || print.faceId === faceId)
        .filter((print) => sizeId === null || !print.sizes || print.sizes.includes(sizeId))
        .map((print) => ({ faceId: print.faceId, path: print.path })),
    }));
}
