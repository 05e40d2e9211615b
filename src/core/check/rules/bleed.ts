import type { Facts } from '../../artwork/facts';
import { newFill } from '../../fit/place';
import { extendToBleed } from '../../fit/remedies';
import { mirroredPast } from '../../fit/repeat';
import { fixed } from '../../length/show';
import { visibleOf, withPiece, type CheckContext, type Rule } from '../context';
import { measureBleed } from '../measure/bleed';
import { worstSide } from '../measure/grid';
import { placed, type Finding, type Remedy } from '../finding';
import { CHECK_LIMITS } from '../../limits';

export const SIDE_NAMES = {
  top: 'top edge',
  right: 'right edge',
  bottom: 'bottom edge',
  left: 'left edge',
} as const;

/** With all grounds drawn, how far the ring between trim and bleed edge is covered. Listed where there is a ground. */
export const bleed: Rule = {
  id: 'bleed',
  rests: ['size', 'bleed'],
  name: 'Bleed',
  way: 'Lay a ground out past the bleed edge, or bring one that reaches further.',
  edges: true,
  moves: true,
  check: (context) => {
    const grounds = visibleOf(context, 'ground');
    if (grounds.length === 0) return [];
    const { share, gaps, places, within } = measureBleed(context, grounds);
    const side = worstSide(gaps);
    const gap = gaps[side];
    const verdict = gap === 0 ? 'ready' : gap <= CHECK_LIMITS.bleedLook ? 'look' : 'fix';
    const finding: Finding = {
      rule: 'bleed',
      verdict,
      faceId: context.face.id,
      measured: gap,
      required: 0,
      unit: 'mm',
      shown: {
        measured: verdict === 'ready' ? 'all covered' : `${context.say(gap)} ${within ? 'bare' : 'short'}`,
        required:
          verdict === 'ready'
            ? `${context.say(context.face.bleed)} all round`
            : // Without a bleed there is no ring of which a share could be covered.
              `${SIDE_NAMES[side]}${context.face.bleed > 0 ? `, ${percent(share)} covered` : ''}`,
      },
      gauge: { from: Math.max(6, context.face.bleed * 3), to: -2, limit: 0, value: gap },
      word: verdict === 'ready' ? 'Bleed' : `Bleed −${context.say(gap)}`,
      message:
        verdict === 'ready'
          ? 'The ground reaches the bleed edge all round.'
          : within
            ? `The bleed is bare over ${context.say(gap)} at the ${SIDE_NAMES[side]}: the product shows through the ground there.`
            : `Ground ends ${context.say(gap)} short of the bleed, ${SIDE_NAMES[side]}.`,
      remedies: [],
    };
    if (verdict === 'ready') return [finding];
    return [{ ...finding, side, ...placed(places), remedies: remedies(context, gap, within) }];
  },
};

function remedies(context: CheckContext, gap: number, within: boolean): Remedy[] {
  const [largest] = visibleOf(context, 'ground')
    .filter((piece) => piece.kind === 'artwork')
    .sort((a, b) => b.width * b.height - a.width * a.height);
  if (!largest) return [];
  const facts = context.facts(largest.artworkId);
  const under = fillUnder(context, facts);
  if (within) return [under];
  const mended = extendToBleed(largest, facts, context.face);
  if (!mended) return [];
  const label =
    mended.scale > 1 + 1e-9
      ? `Extend the ground ${context.say(gap)} to the bleed, to ${fixed(mended.scale * 100, 1)} %`
      : `Move the ground ${context.say(mended.moved)} over the bleed`;
  return [
    { id: 'extend-ground', label, pieces: withPiece(context, mended.piece) },
    ...(largest.clip
      ? []
      : [
          {
            id: 'mirror-edge',
            label: 'Let it go on past its edges, mirrored',
            pieces: withPiece(context, mirroredPast(largest, facts)),
          },
        ]),
    under,
  ];
}

function fillUnder(context: CheckContext, { background, palette }: Facts): Remedy {
  const colour = background?.hex ?? palette[0]?.hex ?? '#ffffff';
  const under = newFill('ground-under', colour, 'Ground under it');
  return {
    id: 'fill-under',
    label: `Lay a plain ground of ${colour} under it`,
    pieces: [under, ...context.pieces.filter(({ id }) => id !== under.id)],
  };
}

function percent(share: number): string {
  return `${fixed(Math.floor(share * 1000) / 10, 1)} %`;
}
