import { extentOf, opaqueBox } from '../../fit/geometry';
import { movePiece } from '../../fit/move';
import type { PlacedPiece } from '../../fit/schema';
import { factsIn, motifsOf, withPiece, type CheckContext } from '../context';
import { tellingOnes, type Finding, type Remedy } from '../finding';
import { crossingAt } from '../measure/lines';

/** An upright line that motifs had better not lie across, and what it is called. */
export interface HardLine {
  x: number;
  name: string;
}

/** Every motif against a kind of line: none across, some for a person to decide, lettering never. */
export function checkLines(
  context: CheckContext,
  rule: 'fold' | 'seam-crossing',
  lines: readonly HardLine[],
): Finding[] {
  const motifs = motifsOf(context);
  if (lines.length === 0 || motifs.length === 0) return [];
  return tellingOnes(
    motifs
      .map((piece) => worstOf(context, rule, piece, lines))
      .sort((a, b) => Number(a.measured) - Number(b.measured)),
  );
}

function worstOf(
  context: CheckContext,
  rule: Finding['rule'],
  piece: PlacedPiece,
  lines: readonly HardLine[],
): Finding {
  let worst: { line: HardLine; length: number; top: number; bottom: number } | null = null;
  for (const line of lines) {
    const found = crossingAt(context, piece, line.x);
    if (found && found.length > (worst?.length ?? 0)) worst = { line, ...found };
  }
  const measured = worst?.length ?? 0;
  const verdict = measured === 0 ? 'ready' : piece.kind === 'text' ? 'fix' : 'look';
  const name = worst?.line.name ?? lines[0]!.name;
  const across = `${context.say(measured)} across`;
  return {
    rule,
    verdict,
    faceId: context.face.id,
    measured,
    required: 0,
    unit: 'mm',
    shown: { measured: measured === 0 ? 'none across' : across, required: `no motif across the ${name}` },
    gauge: null,
    pieceId: piece.id,
    word: measured === 0 ? 'Clear' : across,
    message:
      measured === 0
        ? `No motif lies across the ${name}.`
        : `“${piece.name}” lies ${across} the ${name}${piece.kind === 'text' ? ', and lettering there cannot be read' : ''}.`,
    remedies: worst ? offLine(context, piece, worst.line, lines) : [],
    ...(worst && {
      place: { left: worst.line.x - 0.5, right: worst.line.x + 0.5, top: worst.top, bottom: worst.bottom },
    }),
  };
}

/** The least way across that clears every line and stays inside the safe area; none where there is no room. */
function offLine(
  context: CheckContext,
  piece: PlacedPiece,
  line: HardLine,
  lines: readonly HardLine[],
): Remedy[] {
  const { face } = context;
  const facts = factsIn(context, piece);
  const { left, right } = extentOf(opaqueBox(piece, facts));
  const pixel = 1 / context.grid.perMmX;
  const shifts = [line.x - right - pixel, line.x - left + pixel]
    .filter((dx) => left + dx >= face.safe && right + dx <= face.width - face.safe)
    .filter((dx) => lines.every(({ x }) => x <= left + dx || x >= right + dx))
    .sort((a, b) => Math.abs(a) - Math.abs(b));
  const [dx] = shifts;
  if (dx === undefined) return [];
  const label = `Move ${context.say(Math.abs(dx))} ${dx > 0 ? 'right' : 'left'} to clear the ${line.name}`;
  return [{ id: 'off-line', label, pieces: withPiece(context, movePiece(piece, facts, { dx })) }];
}
