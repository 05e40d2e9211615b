import type { KeepOut } from '../../blank/face';
import { keepOutPath } from '../../blank/keep-out';
import { extentOf, opaqueBox, type Extent } from '../../fit/geometry';
import { movePiece } from '../../fit/move';
import type { PlacedPiece } from '../../fit/schema';
import { fixed } from '../../length/show';
import { boundsOf, flattenPath } from '../../geometry/path';
import { parsePath } from '../../geometry/parse-path';
import { PRESENT } from '../../raster/bounds';
import { coverOn, flatGround } from '../../render/ground';
import { factsIn, motifsOf, withPiece, type CheckContext, type Rule } from '../context';
import { tellingOnes, type Finding, type Remedy } from '../finding';
import { CHECK_LIMITS } from '../../limits';
import { alphaAt } from '../measure/grid';

/** How much of a motif lies where nothing may sit: in a hole, or under a cover, in mm2. Listed where there are such. */
export const keepOut: Rule = {
  id: 'keep-out',
  rests: ['size'],
  name: 'Keep-out',
  way: 'Move it aside, or make it smaller.',
  onInk: 'whole',
  edges: true,
  moves: true,
  check: (context) => {
    const { keepOuts } = context.face;
    const motifs = motifsOf(context);
    if (keepOuts.length === 0 || motifs.length === 0) return [];
    return tellingOnes(
      motifs
        .flatMap((piece) => keepOuts.map((one) => measure(context, piece, one)))
        .sort((a, b) => Number(a.measured) - Number(b.measured)),
    );
  },
};

function measure(context: CheckContext, piece: PlacedPiece, one: KeepOut): Finding {
  const measured = overlap(context, piece, one);
  const verdict = measured === 0 ? 'ready' : measured <= CHECK_LIMITS.keepOutLook ? 'look' : 'fix';
  const area = `${fixed(measured, 1)} mm²`;
  const place = placeOf(one);
  return {
    rule: 'keep-out',
    verdict,
    faceId: context.face.id,
    measured,
    required: 0,
    unit: 'mm2',
    shown: {
      measured: measured === 0 ? 'clear' : `${area} inside`,
      required: `nothing in the ${one.name}`,
    },
    gauge: null,
    pieceId: piece.id,
    word: measured === 0 ? 'Clear' : `${area} in the ${one.name}`,
    message:
      measured === 0
        ? `No motif reaches the ${one.name}.`
        : `“${piece.name}” has ${area} in the ${one.name}, ${one.effect === 'hole' ? 'where there is a hole' : 'which will cover it'}.`,
    remedies: measured === 0 ? [] : moveOff(context, piece, one, place),
    ...(measured > 0 && { place }),
  };
}

/**
 * mm2 of a piece inside a keep-out: pixels at the edge of either by their share. Where no pixel lies there by more than
 * half, the two touch.
 */
function overlap(context: CheckContext, piece: PlacedPiece, one: KeepOut): number {
  const { grid } = context;
  const mask = coverOn(flatGround(grid), parsePath(keepOutPath(one)) ?? []);
  const at = alphaAt(context, piece);
  let [sum, most] = [0, 0];
  const isEdge = (column: number, row: number) =>
    [at(column - 1, row), at(column + 1, row), at(column, row - 1), at(column, row + 1)].some(
      (alpha) => alpha <= PRESENT,
    );
  for (let row = 0; row < mask.height; row++) {
    for (let column = 0; column < mask.width; column++) {
      const inside = mask.data[row * mask.width + column]!;
      if (inside === 0) continue;
      const alpha = at(mask.left + column, mask.top + row);
      if (alpha <= PRESENT) continue;
      // A part of a pixel at the piece's edge is a part; what lets something through within it is there all the same.
      const share =
        alpha < 255 && isEdge(mask.left + column, mask.top + row) ? (inside * alpha) / 255 : inside;
      sum += share;
      most = Math.max(most, share);
    }
  }
  return most <= 128 ? 0 : sum / 255 / grid.perMmX / grid.perMmY;
}

function placeOf(one: KeepOut): Extent {
  return (
    boundsOf(flattenPath(parsePath(keepOutPath(one)) ?? [], 0.05)) ?? { left: 0, top: 0, right: 0, bottom: 0 }
  );
}

/** The least way straight off the keep-out that stays inside the safe area; none where there is no room. */
function moveOff(context: CheckContext, piece: PlacedPiece, one: KeepOut, hole: Extent): Remedy[] {
  const { face } = context;
  const facts = factsIn(context, piece);
  const { left, top, right, bottom } = extentOf(opaqueBox(piece, facts));
  // A pixel further, so that none is shared.
  const [across, down] = [1 / context.grid.perMmX, 1 / context.grid.perMmY];
  const ways = [
    { dx: hole.left - right - across, dy: 0, name: 'left' },
    { dx: hole.right - left + across, dy: 0, name: 'right' },
    { dx: 0, dy: hole.top - bottom - down, name: 'up' },
    { dx: 0, dy: hole.bottom - top + down, name: 'down' },
  ]
    .filter(
      ({ dx, dy }) =>
        left + dx >= face.safe &&
        right + dx <= face.width - face.safe &&
        top + dy >= face.safe &&
        bottom + dy <= face.height - face.safe,
    )
    .sort((a, b) => Math.abs(a.dx + a.dy) - Math.abs(b.dx + b.dy));
  const [way] = ways;
  if (!way) return [];
  const label = `Move ${context.say(Math.abs(way.dx + way.dy))} ${way.name} to clear the ${one.name}`;
  return [{ id: 'off-keep-out', label, pieces: withPiece(context, movePiece(piece, facts, way)) }];
}
