import type { ResolvedBlank } from '../blank/resolve';
import { accept } from '../check/acceptance';
import { standing, type Finding, type RuleId } from '../check/finding';
import { ruleName } from '../check/registry';
import type { FactsOf } from '../fit/geometry';
import { newFill } from '../fit/place';
import { artworkIdsOf, type Fit, type FitFace } from '../fit/schema';
import { swapArtworks } from '../fit/swap';

/** A fit after an act on many, or why it is left as it is, in a sentence. */
export type Changed = { fit: Fit } | { why: string };

/** The findings of a rule that still stand against a fit. */
export function against(findings: readonly Finding[], rule: RuleId): Finding[] {
  return findings.filter((finding) => finding.rule === rule && standing(finding) !== 'ready');
}

/** Takes the first remedy that a rule's findings have, one a face: another would undo it. */
export function mend(fit: Fit, findings: readonly Finding[], rule: RuleId): Changed {
  const own = against(findings, rule);
  if (own.length === 0) return { why: `Nothing stands against it by ${ruleName(rule).toLowerCase()}.` };
  const remedies = new Map(
    own.flatMap(({ faceId, remedies: [first] }) => (first ? [[faceId, first] as const] : [])).reverse(),
  );
  if (remedies.size === 0) return { why: own[0]!.message };
  const mended = (face: FitFace): FitFace => {
    const remedy = remedies.get(face.faceId);
    if (!remedy) return face;
    return {
      ...face,
      pieces: remedy.pieces,
      ...(remedy.cut && face.cut && { cut: { ...face.cut, ...remedy.cut } }),
    };
  };
  return { fit: { ...fit, faces: fit.faces.map(mended) } };
}

/** Accepts what a person should decide of a rule, for one reason; what is a Fix cannot be accepted. */
export function acceptLooks(
  fit: Fit,
  findings: readonly Finding[],
  rule: RuleId,
  { reason, date }: { reason: string; date: string },
): Changed {
  const looks = against(findings, rule).filter(({ verdict }) => verdict === 'look');
  if (looks.length === 0) return { why: `No Look stands against it by ${ruleName(rule).toLowerCase()}.` };
  return { fit: looks.reduce((so, finding) => accept(so, finding, reason, date), fit) };
}

/** The plain ground of every face that carries something in another colour; where there is none, one under everything. */
export function colourGround(fit: Fit, colour: string, newId: () => string): Changed {
  const carrying = fit.faces.filter(({ pieces }) => pieces.length > 0);
  if (carrying.length === 0) return { why: 'Nothing lies on it yet.' };
  if (carrying.every(hasPicturedGround))
    return { why: 'Its ground is a picture, which would cover the colour.' };
  const coloured = (face: FitFace): FitFace => {
    if (!carrying.includes(face) || hasPicturedGround(face)) return face;
    const plain = face.pieces.some(isPlainGround);
    return {
      ...face,
      pieces: plain
        ? face.pieces.map((piece) => (isPlainGround(piece) ? { ...piece, colour } : piece))
        : [newFill(newId(), colour), ...face.pieces],
    };
  };
  return { fit: { ...fit, faces: fit.faces.map(coloured) } };
}

type Piece = FitFace['pieces'][number];

/** A colour over all of a face. */
function isPlainGround(piece: Piece): piece is Extract<Piece, { kind: 'fill' }> {
  return piece.kind === 'fill' && piece.zoneId === null && !piece.knockout;
}

function hasPicturedGround({ pieces }: FitFace): boolean {
  return pieces.some((piece) => piece.kind !== 'fill' && piece.role === 'ground' && piece.visible);
}

/** One artwork in another's place, by what is seen of it. */
export function swapOne(fit: Fit, from: string, to: string, factsOf: FactsOf): Changed {
  if (!artworkIdsOf(fit).includes(from)) return { why: 'It does not show that artwork.' };
  return { fit: { ...fit, faces: swapArtworks(fit.faces, new Map([[from, to]]), factsOf) } };
}

/** The product in another of its colours, by the colour's name. */
export function inColour(fit: Fit, { blank }: Pick<ResolvedBlank, 'blank'>, name: string): Changed {
  const colour = blank.colours.find((one) => one.name === name);
  if (!colour) return { why: `${blank.name} does not come in ${name}.` };
  const only = fit.version?.colours ?? [];
  if (only.length > 0 && !only.includes(colour.id)) return { why: `This version is not for ${name}.` };
  return colour.id === fit.colourId
    ? { why: `It is on ${name} already.` }
    : { fit: { ...fit, colourId: colour.id } };
}
