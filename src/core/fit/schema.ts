import * as v from 'valibot';
import { Finite, Length, list, Place, Positive } from '../bounds';
import { IdSchema } from '../blank/basics';
import { CutSchema } from './cut';
import { IdeaSchema } from './idea';
import { CopiesSchema } from './copies';
import { VersionSchema } from './version';
import { StepSchema } from '../artwork/steps';
import { LetteringSchema, InkSchema } from '../type/schema';
import { mixing } from './mix';
import { ShapeSchema, StrokeSchema } from './shape';
import { PlatePlanSchema, type PlatePlan } from './plates';
import { PictureSlotSchema, TextSlotSchema } from './slot';

export const RoleSchema = v.picklist(['ground', 'motif']);
export type Role = v.InferOutput<typeof RoleSchema>;

const colour = v.pipe(v.string(), v.regex(/^#[0-9a-f]{6}$/));

const common = {
  id: v.string(),
  name: v.string(),
  /** A ground must reach the bleed edge all round; a motif must stay inside the safe area. */
  role: RoleSchema,
  locked: v.boolean(),
  visible: v.boolean(),
  /** Paints nothing: removes what is under it, so that the product shows through. */
  knockout: v.optional(v.boolean(), false),
  ...mixing,
  /** Large blacks of it are printed by the house's recipe, and not by black ink alone. */
  richBlack: v.optional(v.boolean()),
  /** The group of the face that it belongs to. */
  groupId: v.optional(v.nullable(v.string()), null),
};

/** Centre in mm from the trim's top left; size of the whole file, or of a text's box, in mm; turn in radians. */
const placement = {
  x: Place,
  y: Place,
  width: Length,
  height: Length,
  rotation: Finite,
  flipped: v.boolean(),
};

/** A shape that an artwork is seen through. Its box is in shares of the artwork, so that it goes where the artwork goes. */
export const ClipSchema = v.object({
  shape: v.variant('kind', [
    v.object({ kind: v.literal('rectangle') }),
    v.object({ kind: v.literal('ellipse') }),
    /** `radius` as a share of the shorter side, 0 to 0.5. */
    v.object({ kind: v.literal('rounded'), radius: v.pipe(Finite, v.minValue(0), v.maxValue(0.5)) }),
    /** A closed path of a drawing; `d` in shares of the clip's box. */
    v.object({ kind: v.literal('path'), name: v.string(), d: v.string() }),
  ]),
  x: Finite,
  y: Finite,
  width: Positive,
  height: Positive,
});
export type Clip = v.InferOutput<typeof ClipSchema>;

/** What is done to an artwork's pixels for one piece of it alone: steps that leave every pixel in its place. */
const finish = v.optional(list(StepSchema, 200));

/** An artwork set on a face. */
export const ArtworkPieceSchema = v.object({
  ...common,
  ...placement,
  kind: v.literal('artwork'),
  artworkId: v.string(),
  clip: v.optional(v.nullable(ClipSchema), null),
  finish,
  slot: v.optional(PictureSlotSchema),
});
export type ArtworkPiece = v.InferOutput<typeof ArtworkPieceSchema>;

/** A plain colour over the whole face, or one zone of it, out to the bleed. */
export const FillPieceSchema = v.object({
  ...common,
  kind: v.literal('fill'),
  colour,
  zoneId: v.optional(v.nullable(IdSchema), null),
});
export type FillPiece = v.InferOutput<typeof FillPieceSchema>;

export const PATTERNS = ['straight', 'half-drop', 'brick', 'mirrored'] as const;
export type Pattern = (typeof PATTERNS)[number];

/**
 * An artwork tiled over the whole face, or one zone of it. The placement is that of one tile; steps are mm from one
 * tile to the next along the tile's own axes, never less than its opaque bounds.
 */
export const RepeatPieceSchema = v.object({
  ...common,
  ...placement,
  kind: v.literal('repeat'),
  artworkId: v.string(),
  pattern: v.picklist(PATTERNS),
  stepX: Positive,
  stepY: Positive,
  zoneId: v.optional(v.nullable(IdSchema), null),
  finish,
});
export type RepeatPiece = v.InferOutput<typeof RepeatPieceSchema>;

/** Lines of type. `lettering` is what was asked for and stays editable; `ink` is its outlines, which are what prints. */
export const TextPieceSchema = v.object({
  ...common,
  ...placement,
  kind: v.literal('text'),
  lettering: LetteringSchema,
  ink: InkSchema,
  slot: v.optional(TextSlotSchema),
});
export type TextPiece = v.InferOutput<typeof TextPieceSchema>;

/** A shape of our own drawing, in the box of its placement: a fill, a stroke along the inside of its edge, or both. */
export const ShapePieceSchema = v.object({
  ...common,
  ...placement,
  kind: v.literal('shape'),
  shape: ShapeSchema,
  fill: v.nullable(colour),
  stroke: v.nullable(StrokeSchema),
});
export type ShapePiece = v.InferOutput<typeof ShapePieceSchema>;

export const PieceSchema = v.variant('kind', [
  ArtworkPieceSchema,
  FillPieceSchema,
  RepeatPieceSchema,
  TextPieceSchema,
  ShapePieceSchema,
]);
export type Piece = v.InferOutput<typeof PieceSchema>;
/** A piece with a place and a size of its own. */
export type PlacedPiece = Exclude<Piece, FillPiece>;
/** A piece that shows an artwork. */
export type ShowingPiece = ArtworkPiece | RepeatPiece;

/** Pieces that are moved, scaled and turned as one; `rotation` is how far its own axes are turned. */
export const GroupSchema = v.object({ id: v.string(), name: v.string(), rotation: Finite });
export type Group = v.InferOutput<typeof GroupSchema>;

/** A finding accepted with a reason: which one, what it measured, and the day it was. */
export const AcceptanceSchema = v.object({
  rule: v.string(),
  faceId: v.string(),
  pieceId: v.nullable(v.string()),
  measured: v.string(),
  reason: v.pipe(v.string(), v.minLength(1)),
  /** What it was accepted as, where that was a Fix. */
  verdict: v.optional(v.literal('fix')),
  date: v.string(),
});
export type Acceptance = v.InferOutput<typeof AcceptanceSchema>;

/** What lies on one face, how it is cut to that where the blank is cut to shape, and how it is printed in few inks. */
export const FitFaceSchema = v.object({
  faceId: IdSchema,
  pieces: list(PieceSchema, 2000),
  groups: v.optional(list(GroupSchema, 500)),
  cut: v.optional(CutSchema),
  plates: v.optional(PlatePlanSchema),
});
export type FitFace = v.InferOutput<typeof FitFaceSchema>;

/** One design set on one blank. Pieces of a face are in order, the lowest first. */
export const FitSchema = v.object({
  upfit: v.literal('fit/1'),
  id: v.string(),
  designId: v.string(),
  blankId: IdSchema,
  blankVersion: v.number(),
  colourId: IdSchema,
  stateId: v.nullable(IdSchema),
  sizeId: v.nullable(IdSchema),
  /** Which of several fits of its design on this blank it is. */
  version: v.optional(VersionSchema),
  /** Graded sizes that it is sold in: all of them where none is named. */
  soldIn: v.optional(list(IdSchema, 200)),
  /** How many are ordered in which colours and sizes. */
  copies: v.optional(list(CopiesSchema, 5000)),
  /** Findings that a person accepted as they are; they come back as soon as they measure otherwise. */
  accepted: v.optional(list(AcceptanceSchema)),
  /** What the product must carry that was ticked by hand, with how it was made sure. */
  ticked: v.optional(list(v.object({ entryId: IdSchema, note: v.string(), date: v.string() }))),
  faces: list(FitFaceSchema, 500),
});
export type Fit = v.InferOutput<typeof FitSchema>;

/** Artworks meant to go together, each with the role it usually has. */
export const DesignSchema = v.object({
  upfit: v.literal('design/1'),
  id: v.string(),
  name: v.string(),
  order: v.number(),
  idea: v.optional(IdeaSchema),
  artworks: list(v.object({ artworkId: v.string(), role: RoleSchema })),
});
export type Design = v.InferOutput<typeof DesignSchema>;

/** A design's artworks with others after them, each once. */
export function withArtworks(own: Design['artworks'], added: Design['artworks']): Design['artworks'] {
  const all = new Map(added.map((one) => [one.artworkId, one]));
  for (const { artworkId } of own) all.delete(artworkId);
  return [...own, ...all.values()];
}

/** Whether a piece has a place of its own; a fill lies over all of its area. */
export function isPlaced(piece: Piece): piece is PlacedPiece {
  return piece.kind !== 'fill';
}

export function isShowing(piece: Piece): piece is ShowingPiece {
  return piece.kind === 'artwork' || piece.kind === 'repeat';
}

/** A piece that is drawn by outlines of one colour each. */
export type InkPiece = TextPiece | ShapePiece;

export function isInk(piece: Piece): piece is InkPiece {
  return piece.kind === 'text' || piece.kind === 'shape';
}

/** A piece that is meant for one place: not a fill or a repeat, which go all over. */
export type MotifPiece = ArtworkPiece | InkPiece;

export function isMotifKind(piece: Piece): piece is MotifPiece {
  return piece.kind === 'artwork' || isInk(piece);
}

/** The artwork that a piece shows. */
export function artworkIdOf(piece: Piece): string | null {
  return isShowing(piece) ? piece.artworkId : null;
}

/** How a face is printed in few inks; null where it is not. */
export function planOf({ faces }: Pick<Fit, 'faces'>, faceId: string): PlatePlan | null {
  return faces.find((face) => face.faceId === faceId)?.plates ?? null;
}

/** Ids of the artworks that a fit shows, each once. */
export function artworkIdsOf(fit: Pick<Fit, 'faces'>): string[] {
  const pieces = fit.faces.flatMap((face) => face.pieces);
  return [...new Set(pieces.map(artworkIdOf))].filter((id) => id !== null);
}
