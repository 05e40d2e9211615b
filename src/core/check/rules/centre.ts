import { opaqueBox } from '../../fit/geometry';
import { centreOn } from '../../fit/place';
import type { PlacedPiece } from '../../fit/schema';
import { capsBelowMiddle } from '../../fit/text';
import { nearestZone } from '../../fit/zones';
import { factsIn, motifsOf, withPiece, type CheckContext, type Rule } from '../context';
import { tellingOnes, type Finding } from '../finding';
import { CHECK_LIMITS } from '../../limits';

/**
 * A motif that lies within 3 mm of a zone's centre, across or down, was aimed at it: 0.2 mm off is centred, more
 * shows as a gap on one side. Further off it was meant to lie where it is.
 */
export const centre: Rule = {
  id: 'centre',
  rests: ['size'],
  name: 'Centre',
  way: 'Move it onto the centre, or more than 3 mm off.',
  edges: true,
  check: (context) =>
    tellingOnes(
      motifsOf(context)
        .map((piece) => measure(context, piece))
        .filter((finding) => finding !== null)
        .sort((a, b) => Number(a.measured) - Number(b.measured)),
    ),
};

function measure(context: CheckContext, piece: PlacedPiece): Finding | null {
  const facts = factsIn(context, piece);
  const off = nearestZone(context.face.zones, opaqueBox(piece, facts));
  if (!off) return null;
  const { zone } = off;
  const across = aimedBy(off.across);
  const offDown = downFrom(piece, off.down);
  const down = aimedBy(offDown);
  const isAcross = across >= down;
  const measured = Math.max(across, down);
  const aimed = Math.abs(off.across) <= CHECK_LIMITS.aimed || Math.abs(offDown) <= CHECK_LIMITS.aimed;
  const verdict = measured <= CHECK_LIMITS.centred ? 'ready' : 'look';
  const amount = context.say(measured);
  const towards = isAcross ? (off.across > 0 ? 'right' : 'left') : offDown > 0 ? 'down' : 'up';
  const base: Finding = {
    rule: 'centre',
    verdict,
    faceId: context.face.id,
    measured,
    required: 0,
    unit: 'mm',
    shown: {
      measured: aimed ? `${amount} off` : 'not aimed at',
      required: aimed ? zone.name : `nearest: ${zone.name}`,
    },
    gauge: aimed ? { from: 3, to: -1, limit: CHECK_LIMITS.centred, value: measured } : null,
    pieceId: piece.id,
    word: verdict === 'ready' ? 'Centred' : `${amount} off`,
    message:
      verdict === 'look'
        ? `“${piece.name}” sits ${amount} too far ${towards} of the ${zone.name}’s centre.`
        : aimed
          ? `“${piece.name}” is centred on the ${zone.name}.`
          : `“${piece.name}” is not aimed at a centre.`,
    remedies: [],
  };
  if (verdict === 'ready') return base;
  const to = {
    ...(across > CHECK_LIMITS.centred && { x: zone.x }),
    ...(down > CHECK_LIMITS.centred && { y: zone.y }),
  };
  const box = opaqueBox(piece, facts);
  return {
    ...base,
    place: { left: zone.x, right: zone.x, top: box.y - box.height / 2, bottom: box.y + box.height / 2 },
    remedies: [
      {
        id: 'centre-on-zone',
        label: `Move ${amount} to centre on the ${zone.name}`,
        pieces: withPiece(context, centreOn(piece, facts, to)),
      },
    ],
  };
}

/** How far down a piece lies: lettering by its ink or by its capitals, whichever was centred. */
function downFrom(piece: PlacedPiece, byInk: number): number {
  if (piece.kind !== 'text' || piece.rotation !== 0) return byInk;
  const byCaps = byInk + (capsBelowMiddle(piece.lettering, piece.ink) * piece.height) / piece.ink.height;
  return Math.abs(byCaps) < Math.abs(byInk) ? byCaps : byInk;
}

/** Distance off a centre that was aimed at; 0 where it was not. */
function aimedBy(distance: number): number {
  const off = Math.abs(distance);
  return off > CHECK_LIMITS.aimed || off < 1e-6 ? 0 : off;
}
