import * as v from 'valibot';
import { pressCard } from '../blank/press-card';
import type { PrintFace, ResolvedBlank } from '../blank/resolve';
import type { Blank } from '../blank/schema';
import type { Docket } from '../check/docket';
import type { Outcome } from '../check/outcome';
import { VERDICTS } from '../check/finding';
import { failing } from '../check/reach';
import { ruleName } from '../check/registry';
import type { Swatch } from '../colour/swatches';
import { shownPpi, toldPpi } from '../fit/density';
import { factsFor, opaqueBox, type FactsOf } from '../fit/geometry';
import { isMotifKind, isShowing, type Fit, type Piece } from '../fit/schema';
import { PackedLineSchema, type PackedLine } from './lines';
import { mirrorOwner } from '../print/plan';
import { namedColours } from '../fit/version';

const Size = { width: v.number(), height: v.number() };

/** One thing on a face: what it is, how large, and where its middle lies from the trim's top left. Lengths mm. */
const LaidSchema = v.object({
  name: v.string(),
  kind: v.picklist(['artwork', 'text', 'fill', 'repeat', 'shape']),
  role: v.picklist(['ground', 'motif']),
  knockout: v.boolean(),
  /** Of a fill or repeat, which go all over, null. */
  box: v.nullable(v.object({ x: v.number(), y: v.number(), ...Size, rotation: v.number() })),
  ppi: v.nullable(v.number()),
});

const LineSchema = v.object({
  faceId: v.string(),
  rule: v.string(),
  name: v.string(),
  verdict: v.picklist(VERDICTS),
  measured: v.string(),
  required: v.string(),
  message: v.string(),
  accepted: v.nullable(v.object({ reason: v.string(), date: v.string() })),
});

/** On how many colours or sizes it is Ready, and which are not, for what. */
const ReachSchema = v.object({
  ready: v.number(),
  of: v.number(),
  not: v.array(
    v.object({ names: v.array(v.string()), verdict: v.picklist(VERDICTS), why: v.array(v.string()) }),
  ),
});

/** A fit's docket as it goes out with its files: `docket.json`, and what its page is drawn from. */
export const DocketPageSchema = v.object({
  upfit: v.literal('docket/1'),
  shop: v.string(),
  design: v.string(),
  blank: v.string(),
  house: v.string(),
  method: v.string(),
  colour: v.string(),
  size: v.nullable(v.string()),
  /** ISO date. */
  date: v.string(),
  verdict: v.picklist(VERDICTS),
  /** Why it goes out although something in it is a Fix. */
  reason: v.nullable(v.string()),
  faces: v.array(
    v.object({
      id: v.string(),
      name: v.string(),
      ...Size,
      bleed: v.number(),
      safe: v.number(),
      files: v.array(v.string()),
      pieces: v.array(LaidSchema),
    }),
  ),
  lines: v.array(LineSchema),
  /** What is ordered, each line with how it does. */
  ordered: v.optional(v.array(PackedLineSchema), []),
  looks: ReachSchema,
  sizes: ReachSchema,
  colours: v.array(v.object({ name: v.string(), hex: v.string(), cmyk: v.nullable(v.array(v.number())) })),
  mirroring: v.nullable(v.picklist(['file', 'driver', 'house'])),
  press: v.array(v.string()),
  notes: v.string(),
});
export type DocketPage = v.InferOutput<typeof DocketPageSchema>;

export interface SheetAsked {
  shop: string;
  design: string;
  blank: ResolvedBlank;
  fit: Fit;
  docket: Pick<Docket, 'verdict' | 'findings' | 'looks' | 'sizes'>;
  facts: FactsOf;
  swatches: readonly Swatch[];
  /** Names of the print files, by face. */
  files: ReadonlyMap<string, readonly string[]>;
  date: string;
  ordered?: PackedLine[];
  reason: string | null;
  notes: string;
}

/** The docket that goes out with a fit: everything required and measured, what lies where, and how it is printed. */
export function docketPage(asked: SheetAsked): DocketPage {
  const { shop, design, blank, fit, docket, swatches, date, reason, notes } = asked;
  const { blank: product, method, spec } = blank;
  return {
    upfit: 'docket/1',
    shop,
    design,
    blank: product.name,
    house: spec.house,
    method: method.name,
    colour: coloursOf(product, fit).join(', '),
    size: product.sizes.find(({ id }) => id === fit.sizeId)?.name ?? null,
    date,
    verdict: docket.verdict,
    reason,
    faces: blank.faces.flatMap((face) => facePrinted(asked, face)),
    lines: docket.findings.map(({ faceId, rule, verdict, shown, message, accepted }) => ({
      faceId,
      rule,
      name: ruleName(rule),
      verdict,
      measured: shown.measured,
      required: shown.required,
      message,
      accepted: accepted ?? null,
    })),
    ordered: asked.ordered ?? [],
    looks: reach(docket.looks),
    sizes: reach(docket.sizes),
    colours: swatches.map(({ name, hex, inks }) => ({ name, hex, cmyk: inks && [...inks] })),
    mirroring: mirrorOwner(blank),
    press: pressCard(spec),
    notes,
  };
}

/** The product colours that a version is for by name, or the one that is chosen. */
function coloursOf(product: Blank, fit: Fit): string[] {
  const chosen = product.colours.find(({ id }) => id === fit.colourId) ?? product.colours[0]!;
  return namedColours(product, fit) ?? [chosen.name];
}

function reach(outcomes: readonly Outcome[]): v.InferOutput<typeof ReachSchema> {
  const ready = outcomes.filter(({ verdict }) => verdict === 'ready').length;
  return { ready, of: outcomes.length, not: failing(outcomes) };
}

function facePrinted({ fit, facts, files }: SheetAsked, face: PrintFace): DocketPage['faces'] {
  const pieces = fit.faces.find(({ faceId }) => faceId === face.id)?.pieces ?? [];
  const visible = pieces.filter((piece) => piece.visible);
  if (visible.length === 0) return [];
  const { id, name, width, height, bleed, safe } = face;
  return [
    {
      ...{ id, name, width, height, bleed, safe },
      files: [...(files.get(id) ?? [])],
      pieces: visible.map((piece) => laid(piece, face, facts)),
    },
  ];
}

function laid(piece: Piece, face: PrintFace, factsOf: FactsOf): v.InferOutput<typeof LaidSchema> {
  const { name, kind, role, knockout } = piece;
  const facts = factsFor(piece, factsOf);
  const placed = facts && isShowing(piece) ? shownPpi(facts, piece, face) : null;
  return {
    ...{ name, kind, role, knockout },
    box: isMotifKind(piece) ? opaqueBox(piece, facts) : null,
    ppi: placed ? toldPpi(placed, face) : null,
  };
}
