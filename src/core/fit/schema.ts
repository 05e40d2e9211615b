import * as v from 'valibot';
import { IdSchema } from '../blank/basics';

export const RoleSchema = v.picklist(['ground', 'motif']);
export type Role = v.InferOutput<typeof RoleSchema>;

const finite = v.pipe(v.number(), v.finite());

const common = {
  id: v.string(),
  name: v.string(),
  /** A ground must reach the bleed edge all round; a motif must stay inside the safe area. */
  role: RoleSchema,
  locked: v.boolean(),
  visible: v.boolean(),
};

/** An artwork set on a face. Centre in mm from the trim's top left; size of the whole file in mm; turn in radians. */
export const ArtworkPieceSchema = v.object({
  ...common,
  kind: v.literal('artwork'),
  artworkId: v.string(),
  x: finite,
  y: finite,
  width: v.pipe(finite, v.gtValue(0)),
  height: v.pipe(finite, v.gtValue(0)),
  rotation: finite,
  flipped: v.boolean(),
});
export type ArtworkPiece = v.InferOutput<typeof ArtworkPieceSchema>;

/** A plain colour over the whole face, out to the bleed. */
export const FillPieceSchema = v.object({
  ...common,
  kind: v.literal('fill'),
  colour: v.pipe(v.string(), v.regex(/^#[0-9a-f]{6}$/)),
});
export type FillPiece = v.InferOutput<typeof FillPieceSchema>;

export const PieceSchema = v.variant('kind', [ArtworkPieceSchema, FillPieceSchema]);
export type Piece = v.InferOutput<typeof PieceSchema>;

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
  faces: v.array(v.object({ faceId: IdSchema, pieces: v.array(PieceSchema) })),
});
export type Fit = v.InferOutput<typeof FitSchema>;

/** Artworks meant to go together, each with the role it usually has. */
export const DesignSchema = v.object({
  upfit: v.literal('design/1'),
  id: v.string(),
  name: v.string(),
  order: v.number(),
  artworks: v.array(v.object({ artworkId: v.string(), role: RoleSchema })),
});
export type Design = v.InferOutput<typeof DesignSchema>;
