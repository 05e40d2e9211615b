import * as v from 'valibot';
import { IdSchema, NameSchema } from '../../blank/basics';
import { Finite, list } from '../../bounds';

/** A place of a photo, in its own px from its top left corner. */
export const PhotoPointSchema = v.tuple([Finite, Finite]);
export type PhotoPoint = v.InferOutput<typeof PhotoPointSchema>;

/** A flat print: its corners from the upper left, clockwise. */
export const PlaneSchema = v.object({
  kind: v.literal('plane'),
  corners: v.pipe(list(PhotoPointSchema), v.length(4, 'A plane has four corners.')),
});

/** A print round a thing: its left and right edge, each from its top down, and how far its curves bulge. */
export const CylinderSchema = v.object({
  kind: v.literal('cylinder'),
  left: v.tuple([PhotoPointSchema, PhotoPointSchema]),
  right: v.tuple([PhotoPointSchema, PhotoPointSchema]),
  /** px that the middle of the upper and of the lower curve lies below the line between the edges. */
  bulge: v.tuple([Finite, Finite]),
  /** Degrees from edge to edge round the thing: 180 where the edges are where it turns out of sight. */
  sweep: v.pipe(v.number(), v.minValue(20), v.maxValue(180)),
});

/** A print on cloth: a grid of points, row by row from the top, which a smooth surface goes through. */
export const ClothSchema = v.object({
  kind: v.literal('cloth'),
  columns: v.pipe(v.number(), v.integer(), v.minValue(2), v.maxValue(12)),
  rows: v.pipe(v.number(), v.integer(), v.minValue(2), v.maxValue(12)),
  points: list(PhotoPointSchema, 144),
});

export const PhotoSurfaceSchema = v.object({
  id: IdSchema,
  /** Which face it shows, by its id, and which zone of it; the first face where there is no such one, all of it where null. */
  faceId: v.nullable(IdSchema),
  zoneId: v.nullable(IdSchema),
  shape: v.pipe(
    v.variant('kind', [PlaneSchema, CylinderSchema, ClothSchema]),
    v.check(
      (shape) => shape.kind !== 'cloth' || shape.points.length === shape.columns * shape.rows,
      'A grid has a point for each crossing.',
    ),
  ),
});
export type PhotoSurface = v.InferOutput<typeof PhotoSurfaceSchema>;
export type SurfaceShape = PhotoSurface['shape'];

/** px of a photo's longer side at most: it has 64 megapixels at most, and is no strip. */
const MOST_SIDE = 16_384;

/** A photo of a blank with its print surfaces marked. The picture itself is kept beside it. */
export const PhotoSceneSchema = v.object({
  upfit: v.literal('photo/1'),
  id: IdSchema,
  name: NameSchema,
  width: v.pipe(v.number(), v.integer(), v.minValue(16), v.maxValue(MOST_SIDE)),
  height: v.pipe(v.number(), v.integer(), v.minValue(16), v.maxValue(MOST_SIDE)),
  surfaces: list(PhotoSurfaceSchema, 24),
  /** What lies in front of the print, each as a closed line. */
  fronts: list(v.pipe(list(PhotoPointSchema, 2000), v.minLength(3)), 100),
  /** How much of the photo's light and shade goes onto the print, 0 to 1. */
  shading: v.pipe(v.number(), v.minValue(0), v.maxValue(1)),
});
export type PhotoScene = v.InferOutput<typeof PhotoSceneSchema>;
