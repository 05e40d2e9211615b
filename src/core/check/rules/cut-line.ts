import type { PrintFace } from '../../blank/resolve';
import { shapePath } from '../../blank/shape';
import { shapeOf } from '../../cut/face';
import { measureCut, type CutMeasures, type Placed } from '../../cut/measure';
import type { CutSettings } from '../../fit/cut';
import { fixed } from '../../length/show';
import type { CheckContext, Rule } from '../context';
import type { Finding, Remedy, Verdict } from '../finding';
import { CHECK_LIMITS } from '../../limits';

/** Where a cut line tears, will not peel, or cannot be followed by the knife: necks, corners, points, parts that fall apart. */
export const cutLine: Rule = {
  id: 'cut-line',
  rests: [],
  name: 'Cut line',
  way: 'Give it a wider border, or bring artwork without parts so narrow.',
  check: (context) => {
    const { body } = context.blank.blank;
    if (body.kind !== 'sticker') return [];
    if (body.toShape && !context.face.cut) return cutOf(context) ? [noLine(context)] : [];
    const measured = measuresOf(context.face);
    const found = [apart(context, measured), ...CLAUSES.map((clause) => judge(context, measured, clause))];
    const open = found.filter((finding) => finding !== null && finding.verdict !== 'ready') as Finding[];
    return open.length > 0 ? open : [allWell(context, measured)];
  },
};

const measures = new WeakMap<PrintFace, CutMeasures>();

function measuresOf(face: PrintFace): CutMeasures {
  let found = measures.get(face);
  if (!found) {
    const [first] = face.cuts;
    const d = face.cut?.d ?? (first ? shapePath(first.sheet) : shapePath(face));
    measures.set(face, (found = measureCut(shapeOf(d))));
  }
  return found;
}

interface Clause {
  id: 'neck' | 'radius' | 'point';
  limit: (context: CheckContext) => number;
  unit: string;
  shown: (context: CheckContext, value: number) => string;
  /** What is wrong, in the seller's words. */
  message: (shown: string, limit: string) => string;
  remedies: (context: CheckContext, value: number) => Remedy[];
}

const CLAUSES: readonly Clause[] = [
  {
    id: 'neck',
    limit: () => CHECK_LIMITS.cutNeck,
    unit: 'mm',
    shown: ({ say }, value) => say(value),
    message: (shown, limit) => `The sticker is ${shown} thin at its neck and tears there: ${limit} holds.`,
    remedies: (context, value) => [
      widen(context, (CHECK_LIMITS.cutNeck * CHECK_LIMITS.cutLook - value) / 2 + 0.1),
    ],
  },
  {
    id: 'radius',
    limit: ({ blank }) => blank.spec.cutRadius ?? CHECK_LIMITS.cutRadius,
    unit: 'mm',
    shown: ({ say }, value) => say(value),
    message: (shown, limit) =>
      `A corner has a radius of ${shown}: the knife cannot follow it under ${limit}, and it lifts when peeled.`,
    remedies: (context) => [rounder(context)],
  },
  {
    id: 'point',
    limit: () => CHECK_LIMITS.cutPoint,
    unit: 'degrees',
    shown: (_, value) => `${fixed(value, 0)}°`,
    message: (shown, limit) =>
      `A tip is sharp, ${shown} between its sides, and will not peel: from ${limit} on it does.`,
    remedies: (context) => [widen(context, 1.5), rounder(context)],
  },
];

function judge(context: CheckContext, measured: CutMeasures, clause: Clause): Finding | null {
  const { value, at } = measured[clause.id];
  const limit = clause.limit(context);
  const verdict: Verdict = value < limit ? 'fix' : value < limit * CHECK_LIMITS.cutLook ? 'look' : 'ready';
  if (verdict === 'ready') return null;
  const shown = clause.shown(context, value);
  return {
    ...base(context, verdict),
    measured: value,
    required: limit,
    unit: clause.unit,
    shown: { measured: `${clause.id} ${shown}`, required: `at least ${clause.shown(context, limit)}` },
    gauge: { from: 0, to: limit * 2, limit, value: Math.min(value, limit * 2) },
    word: `${clause.id === 'neck' ? 'Neck' : clause.id === 'radius' ? 'Corner' : 'Point'} ${shown}`,
    message: clause.message(shown, clause.shown(context, limit)),
    remedies: context.face.cut ? clause.remedies(context, value) : [],
    ...placeOf(at),
  };
}

/** Parts that the border does not hold together. */
function apart(context: CheckContext, { parts, apart: mm }: CutMeasures): Finding | null {
  if (parts < 2) return null;
  const { say } = context;
  return {
    ...base(context, 'fix'),
    measured: parts,
    required: 1,
    unit: 'parts',
    shown: { measured: `${parts} parts, ${say(mm)} apart`, required: 'one' },
    gauge: null,
    word: `${parts} parts`,
    message: `The sticker falls into ${parts} parts, ${say(mm)} apart: each would be cut on its own.`,
    remedies: [
      widen(context, mm / 2 + CHECK_LIMITS.cutNeck / 2),
      remedy(context, 'bridge', 'Bridge them with a strip', { islands: 'bridge' }),
      remedy(context, 'drop-island', 'Keep the largest part alone', { islands: 'drop' }),
    ],
    ...placeOf(centreOf(context.face.cuts[0])),
  };
}

/** Nothing on it is opaque enough to be gone round. */
function noLine(context: CheckContext): Finding {
  return {
    ...base(context, 'fix'),
    measured: 0,
    required: 1,
    unit: 'lines',
    shown: { measured: 'no line', required: 'one' },
    gauge: null,
    word: 'No cut line',
    message:
      'Nothing that is seen on it is more than half opaque, so there is nothing to cut round: show a piece, or set artwork with solid shapes on it.',
    remedies: [],
  };
}

function allWell(context: CheckContext, { length, neck, point, mm2 }: CutMeasures): Finding {
  const { say } = context;
  const limit = CHECK_LIMITS.cutNeck;
  return {
    ...base(context, 'ready'),
    measured: neck.value,
    required: limit,
    unit: 'mm',
    shown: {
      measured: `${say(length)} long`,
      required: neck.at ? `neck ${say(neck.value)}` : `neck over ${say(neck.value)}`,
    },
    gauge: { from: 0, to: limit * 2, limit, value: Math.min(neck.value, limit * 2) },
    word: 'Cuts well',
    message: `The line is ${say(length)} long round ${fixed(mm2 / 100, 1)} cm², its sharpest point ${point.at ? '' : 'over '}${fixed(point.value, 0)}°: it cuts and peels.`,
    remedies: [],
  };
}

function base({ face }: CheckContext, verdict: Verdict): Pick<Finding, 'rule' | 'verdict' | 'faceId'> {
  return { rule: 'cut-line', verdict, faceId: face.id };
}

/** mm round a place that are pointed at. */
const ROUND = 2;

function placeOf(at: Placed['at']): Pick<Finding, 'place'> {
  if (!at) return {};
  const [x, y] = at;
  return { place: { left: x - ROUND, top: y - ROUND, right: x + ROUND, bottom: y + ROUND } };
}

function centreOf(island: PrintFace['cuts'][number] | undefined): Placed['at'] {
  return island ? [island.x + island.sheet.width / 2, island.y + island.sheet.height / 2] : null;
}

/** A border so many mm wider, to the next tenth. */
export function widen(context: CheckContext, mm: number): Remedy {
  const border = Math.ceil(((cutOf(context)?.border ?? 0) + mm) * 10) / 10;
  return remedy(context, 'wider-border', `Widen the border to ${context.say(border)}`, { border });
}

function rounder(context: CheckContext): Remedy {
  const limit = (context.blank.spec.cutRadius ?? CHECK_LIMITS.cutRadius) * CHECK_LIMITS.cutLook;
  const radius = Math.ceil(Math.max(limit * 1.2, (cutOf(context)?.radius ?? 0) * 1.5) * 10) / 10;
  return remedy(context, 'rounder', `Round corners to ${context.say(radius)}`, { radius });
}

function remedy({ pieces }: CheckContext, id: string, label: string, cut: Partial<CutSettings>): Remedy {
  return { id, label, pieces: [...pieces], cut };
}

function cutOf({ fit, face }: CheckContext): CutSettings | undefined {
  return fit.faces.find(({ faceId }) => faceId === face.id)?.cut;
}
