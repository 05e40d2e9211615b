import * as v from 'valibot';
import { Finite, list, Place as At, Positive } from '../bounds';
import { IdSchema, NameSchema } from '../blank/basics';
import { DesignSchema, FitFaceSchema } from '../fit/schema';

const common = { id: v.string(), name: NameSchema };

/**
 * A place that is left empty for an artwork. A ground's is all of its face; a motif's is a box: its centre in mm from the
 * trim's top left, its turn in radians, its height as the artwork makes it where none is said.
 */
export const EmptyPlaceSchema = v.variant('role', [
  v.object({ ...common, role: v.literal('ground') }),
  v.object({
    ...common,
    role: v.literal('motif'),
    x: At,
    y: At,
    width: Positive,
    height: v.nullable(Positive),
    rotation: Finite,
  }),
]);
export type EmptyPlace = v.InferOutput<typeof EmptyPlaceSchema>;
export type MotifPlace = Extract<EmptyPlace, { role: 'motif' }>;

const LayoutFaceSchema = v.object({
  ...FitFaceSchema.entries,
  /** Filled in their order; grounds lie under the pieces, motifs on top of them. */
  places: v.optional(list(EmptyPlaceSchema, 200), []),
});
export type LayoutFace = v.InferOutput<typeof LayoutFaceSchema>;

/** What a new fit on a blank may begin with: pieces that are kept, and places for the design's own artworks. */
export const LayoutSchema = v.object({
  upfit: v.literal('layout/2'),
  id: IdSchema,
  blankId: IdSchema,
  name: NameSchema,
  /** Whether fits begin with it where nobody chooses: at most one of a blank. */
  usual: v.boolean(),
  keptAt: v.number(),
  /** Artworks on it that are examples: they give their places to those of a new design. */
  artworks: DesignSchema.entries.artworks,
  faces: list(LayoutFaceSchema, 500),
});
export type Layout = v.InferOutput<typeof LayoutSchema>;

/** A layout of the first version: a blank had one, with no name. */
export function fromFirstLayout(stored: Record<string, unknown>): Record<string, unknown> {
  return {
    ...stored,
    upfit: 'layout/2',
    id: stored.blankId,
    name: 'Starting layout',
    usual: true,
  };
}
