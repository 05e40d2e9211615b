import { aspectsOf } from '../blank/kinds';
import type { PrintFace, ResolvedBlank } from '../blank/resolve';
import { inSize, sizesSold } from '../fit/in-size';
import { carryOver } from '../fit/resize-garment';
import type { Fit } from '../fit/schema';
import { findingsOf, type DocketOptions } from './face-findings';
import { rank, standing, worst, type Finding, type RuleId } from './finding';
import { outcomeOf, type Outcome } from './outcome';
import { RULES } from './registry';

/** Whether a finding hangs on how large the face is. */
const isEdge = ({ rule }: Finding): boolean => EDGE_RULES.some(({ id }) => id === rule);

/** Pixels along the longer side on which the sizes that were not chosen are measured. */
const OTHER_SIZES = 1200;

/** The rules that hang on how large the face is. */
const EDGE_RULES = RULES.filter(({ edges }) => edges);

/**
 * The chosen size as it was measured; of every other one, with its pieces hung as a size's are, what hangs on how large
 * its faces are, on a reduced grid. All else is the same: pieces keep their size.
 */
export function sizesOf(
  blank: ResolvedBlank,
  fit: Fit,
  options: DocketOptions,
  own: readonly Finding[],
): { outcomes: Outcome[]; findings: Finding[] } {
  const { blank: product } = blank;
  const same = own.filter((finding) => !isEdge(finding));
  const worse = new Map<RuleId, Finding>();
  const sewn = aspectsOf(product.body).sewn !== null;
  const sold = new Set(sizesSold(blank, fit).map(({ id }) => id));
  // Where none was chosen it is the one that the print areas are stated for.
  const chosen = fit.sizeId ?? product.sizes.find(({ print }) => print === 1)?.id;
  const outcomes = product.sizes.map(({ id, name }): Outcome => {
    if (id === chosen) return { id, name, ...outcomeOf(own), edge: worst(own.filter(isEdge)) };
    const { blank: sized, fit: moved } = inSize(blank, fit, id);
    // As many pixels a mm for each, so that artworks are reduced alike.
    const coarse = Math.ceil(OTHER_SIZES * (longestOf(sized) / longestOf(blank)));
    const findings = findingsOf(sized, moved, { ...options, coarse }, EDGE_RULES);
    if (sold.has(id))
      for (const finding of findings)
        keepWorse(worse, own, broughtBack(finding, sized.faces, blank.faces, sewn), { id, name });
    return { id, name, ...outcomeOf([...same, ...findings]), edge: worst(findings) };
  });
  return { outcomes, findings: [...worse.values()] };
}

/** Keeps what a size fails by where neither the size on the bench nor one before it fails by as much. */
function keepWorse(
  worse: Map<RuleId, Finding>,
  own: readonly Finding[],
  finding: Finding,
  size: { id: string; name: string },
): void {
  const so = worst([...own, ...worse.values()].filter(({ rule }) => rule === finding.rule));
  if (rank(standing(finding)) <= rank(so)) return;
  worse.set(finding.rule, {
    ...finding,
    size,
    word: `${finding.word} in ${size.name}`,
    message: `In size ${size.name}: ${finding.message}`,
    remedies: finding.remedies.map((remedy) => ({
      ...remedy,
      label: `${remedy.label}, in size ${size.name} too`,
    })),
  });
}

/** What was found in another size, its remedies on the face that is on the bench; its places are those of the other. */
function broughtBack(
  finding: Finding,
  from: readonly PrintFace[],
  to: readonly PrintFace[],
  sewn: boolean,
): Finding {
  const remedies = finding.remedies.map((remedy) => {
    const [face] = carryOver([{ faceId: finding.faceId, pieces: remedy.pieces }], from, to, sewn);
    return { ...remedy, pieces: face?.pieces ?? remedy.pieces };
  });
  const told = { ...finding, remedies };
  delete told.place;
  delete told.places;
  return told;
}

function longestOf({ faces }: ResolvedBlank): number {
  return Math.max(...faces.map(({ width, height }) => Math.max(width, height)));
}
