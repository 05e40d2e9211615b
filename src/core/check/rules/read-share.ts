import { readableWidth } from '../../blank/bodies/round';
import { extentOf, opaqueBox } from '../../fit/geometry';
import { movePiece } from '../../fit/move';
import { scalePiece } from '../../fit/place';
import { nearestZone } from '../../fit/zones';
import { PRESENT } from '../../raster/bounds';
import { factsIn, motifsOf, withPiece, type CheckContext, type Rule } from '../context';
import type { Remedy } from '../finding';
import { CHECK_LIMITS } from '../../limits';
import { alphaAt } from '../measure/grid';
import { aspectsOf } from '../../blank/kinds';

type Motif = ReturnType<typeof motifsOf>[number];

/**
 * How much of the headline is readable from the side it is set on: within 60 degrees of the middle of what one sees.
 * The headline is the largest lettering, or where there is none the largest motif. Listed on round products.
 */
export const readShare: Rule = {
  id: 'read-share',
  rests: ['size'],
  name: 'Readable',
  way: 'Make it narrower, or set it on the side that it is read from.',
  edges: true,
  check: (context) => {
    const { wall } = aspectsOf(context.blank.blank.body);
    const piece = headlineOf(context);
    if (!wall || !piece) return [];
    const box = opaqueBox(piece, factsIn(context, piece));
    const zone = nearestZone(context.face.zones, box)?.zone;
    if (!zone) return [];
    const half = readableWidth(wall) / 2;
    const share = shareWithin(context, piece, zone.x - half, zone.x + half);
    const ready = share >= CHECK_LIMITS.readShare;
    const percent = `${Math.floor(share * 100)} %`;
    const { left, right, top, bottom } = extentOf(box);
    return [
      {
        rule: 'read-share',
        verdict: ready ? 'ready' : 'look',
        faceId: context.face.id,
        measured: share * 100,
        required: CHECK_LIMITS.readShare * 100,
        unit: '%',
        shown: {
          measured: percent,
          required: `from the ${zone.name}: ${context.say(half * 2)} reads`,
        },
        gauge: { from: 0, to: 120, limit: CHECK_LIMITS.readShare * 100, value: share * 100 },
        pieceId: piece.id,
        word: ready ? 'Reads' : `${percent} reads`,
        message: ready
          ? `“${piece.name}” is read whole from the ${zone.name}.`
          : `Only ${percent} of “${piece.name}” is readable from the ${zone.name}: the rest turns out of sight.`,
        remedies: ready ? [] : remedies(context, piece, zone.x, half, right - left),
        ...(!ready && {
          place: { left: Math.min(left, zone.x - half), right: Math.max(right, zone.x + half), top, bottom },
        }),
      },
    ];
  },
};

function headlineOf(context: CheckContext): Motif | null {
  return headlineAmong(motifsOf(context));
}

/** The largest lettering among motifs, or where there is none the largest of them. */
export function headlineAmong(motifs: readonly Motif[]): Motif | null {
  const capOf = (piece: Motif) =>
    piece.kind === 'text'
      ? Math.max(...piece.ink.lines.map(({ cap }) => cap)) * (piece.height / piece.ink.height)
      : 0;
  // What is drawn round lettering or a picture is no headline while there is one of them.
  const area = ({ kind, width, height }: Motif) => (kind === 'shape' ? 1e-9 : 1) * width * height;
  return [...motifs].sort((a, b) => capOf(b) - capOf(a) || area(b) - area(a))[0] ?? null;
}

function shareWithin(context: CheckContext, piece: Motif, from: number, to: number): number {
  const { grid, face } = context;
  const at = alphaAt(context, piece);
  const { left, right, top, bottom } = extentOf(opaqueBox(piece, factsIn(context, piece)));
  const column = (mm: number) => (mm + face.bleed) * grid.perMmX;
  const row = (mm: number) => (mm + face.bleed) * grid.perMmY;
  // What a person reads does not hang on single pixels: a thousand by a thousand places say enough.
  const stepX = Math.max(1, Math.floor((column(right) - column(left)) / 1000));
  const stepY = Math.max(1, Math.floor((row(bottom) - row(top)) / 1000));
  let [all, within] = [0, 0];
  for (let y = Math.floor(row(top)); y < row(bottom); y += stepY) {
    for (let x = Math.floor(column(left)); x < column(right); x += stepX) {
      if (at(x, y) <= PRESENT) continue;
      all++;
      const mm = (x + 0.5) / grid.perMmX - face.bleed;
      if (mm >= from && mm <= to) within++;
    }
  }
  return all === 0 ? 1 : within / all;
}

function remedies(context: CheckContext, piece: Motif, middle: number, half: number, wide: number): Remedy[] {
  const facts = factsIn(context, piece);
  const box = opaqueBox(piece, facts);
  const centred = movePiece(piece, facts, { dx: middle - box.x });
  if (wide <= 2 * half)
    return [
      {
        id: 'centre-headline',
        label: `Centre it, ${context.say(Math.abs(middle - box.x))} across, where it is read whole`,
        pieces: withPiece(context, centred),
      },
    ];
  const scale = (2 * half * 0.999) / wide;
  const width = context.say(box.width * scale);
  return [
    {
      id: 'shrink-headline',
      label: `Bring it down to ${width} wide and centre it, where it is read whole`,
      pieces: withPiece(context, scalePiece(centred, facts, scale)),
    },
  ];
}
