import * as v from 'valibot';
import { Distance, Length } from '../bounds';

const colour = v.pipe(v.string(), v.regex(/^#[0-9a-f]{6}$/));
const corners = v.pipe(v.number(), v.integer(), v.minValue(3), v.maxValue(60));

/** mm that are drawn, and mm that are left out, over and over. */
export const DashSchema = v.object({ on: Length, off: Length });
const ENDS = ['butt', 'round'] as const;

/** What a shape's box holds. All lengths mm. */
export const ShapeSchema = v.variant('kind', [
  /** As long as the box is wide, as thick as it is high. */
  v.object({ kind: v.literal('line'), dash: v.nullable(DashSchema), ends: v.picklist(ENDS) }),
  v.object({ kind: v.literal('rectangle'), corner: Distance }),
  v.object({ kind: v.literal('ellipse') }),
  /** Points up; `inner`: how far from the middle its inner corners lie, as a share of the outer ones. */
  v.object({
    kind: v.literal('star'),
    points: corners,
    inner: v.pipe(v.number(), v.minValue(0.05), v.maxValue(0.98)),
  }),
  v.object({ kind: v.literal('polygon'), sides: corners }),
  /** A closed path of its own, in shares of the box, as a frame that goes with a face's outline has. */
  v.object({ kind: v.literal('path'), d: v.pipe(v.string(), v.maxLength(200_000)) }),
]);
export type Shape = v.InferOutput<typeof ShapeSchema>;

/** A stroke along the inside of a shape's edge, so that its box holds all of it. */
export const StrokeSchema = v.object({
  width: Length,
  colour,
  dash: v.optional(v.nullable(DashSchema), null),
  ends: v.optional(v.picklist(ENDS), 'butt'),
});
export type Stroke = v.InferOutput<typeof StrokeSchema>;
