import * as v from 'valibot';
import { NameSchema } from '../blank/basics';
import { list } from '../bounds';

const finite = v.pipe(v.number(), v.finite());
const positive = v.pipe(finite, v.gtValue(0));
const colour = v.pipe(v.string(), v.regex(/^#[0-9a-f]{6}$/));

/** Degrees that letters lean over at most. */
export const MOST_SLANT = 30;

/** One line of type. */
export const LineSchema = v.object({
  text: v.string(),
  /** mm from this line's foot to the next one's caps; null for the block's own gap. */
  gap: v.nullable(finite),
});
export type Line = v.InferOutput<typeof LineSchema>;

/** How lines are bent; null leaves them straight. */
export const BendSchema = v.variant('kind', [
  /** Round an arc: `sweep` in radians that the widest line takes up on the first baseline; below zero it hangs. */
  v.object({ kind: v.literal('arc'), sweep: finite }),
  /** Up and down: `height` mm from trough to crest, `length` mm from crest to crest. */
  v.object({ kind: v.literal('wave'), height: finite, length: positive }),
]);

/** Lines that go round letters at most, besides the first. */
export const MOST_RINGS = 3;

/** Letters, with all that goes round them, once more under themselves, so far to the right and down. */
export const ShadowSchema = v.object({
  right: finite,
  down: finite,
  colour,
  /** Drawn out from the letters, without a gap between it and them, in the place of lying apart. */
  joined: v.optional(v.boolean()),
  /** In lines so thick and so far apart, so many degrees counterclockwise from across, in the place of solid. */
  hatch: v.optional(v.nullable(v.object({ line: positive, gap: positive, angle: finite }))),
});
export type Shadow = v.InferOutput<typeof ShadowSchema>;

export const DEALT_BY = ['letter', 'word', 'line'] as const;
export const DEAL_RULES = ['in turn', 'no neighbours alike', 'random'] as const;

/** Several colours that letters, words or lines have by turns; the same seed deals them alike. */
export const DealtSchema = v.object({
  colours: v.pipe(list(colour, 12), v.minLength(2)),
  by: v.picklist(DEALT_BY),
  rule: v.picklist(DEAL_RULES),
  seed: v.pipe(v.number(), v.integer(), v.minValue(0), v.maxValue(2 ** 31)),
});
export type Dealt = v.InferOutput<typeof DealtSchema>;

/** Lines of type as they were asked for. All lengths mm at a text's own scale. */
export const LetteringSchema = v.object({
  lines: v.pipe(list(LineSchema, 200), v.minLength(1)),
  faceId: v.string(),
  /** Height of a flat capital. */
  cap: positive,
  /** Width that every line is sized to; null where all have the one cap height. */
  equalWidth: v.nullable(positive),
  gap: finite,
  /** Added between letters. */
  spacing: finite,
  align: v.picklist(['left', 'centre', 'right']),
  colour,
  /** A line round every letter, outside it. */
  outline: v.nullable(v.object({ width: positive, colour })),
  bend: v.nullable(BendSchema),
  /** A rectangle of one colour behind the whole, so many mm larger on every side. */
  plate: v.optional(v.nullable(v.object({ margin: v.pipe(finite, v.minValue(0)), colour })), null),
  /** More lines round that one, the next outside the last. */
  rings: v.optional(list(v.object({ width: positive, colour }), MOST_RINGS)),
  /** A line along the inside of every letter's edge. */
  inline: v.optional(v.nullable(v.object({ width: positive, colour }))),
  shadow: v.optional(v.nullable(ShadowSchema)),
  /** Degrees that the letters lean over to the right, each on its own foot. */
  slant: v.optional(v.pipe(finite, v.minValue(-MOST_SLANT), v.maxValue(MOST_SLANT))),
  /** In the place of the one colour. */
  dealt: v.optional(v.nullable(DealtSchema)),
});
export type Lettering = v.InferOutput<typeof LetteringSchema>;

/** What a text prints: outlines in mm within a box whose top left is (0, 0). `d` is SVG path data, nonzero rule. */
export const InkSchema = v.object({
  width: positive,
  height: positive,
  d: v.string(),
  /** The letters grown by their outline, to be painted under them; null without one. */
  outlineD: v.nullable(v.string()),
  /** The plate behind them; null without one. */
  plateD: v.optional(v.nullable(v.string()), null),
  shadowD: v.optional(v.nullable(v.string())),
  /** The letters grown by each of the further lines round them, the innermost first. */
  ringsD: v.optional(list(v.string(), MOST_RINGS)),
  /** What is left of the letters inside a line along their edges, by its colour where they have several. */
  inner: v.optional(list(v.object({ d: v.string(), colour: v.nullable(colour) }), 12)),
  /** The letters by their colours, where they have several. */
  parts: v.optional(list(v.object({ d: v.string(), colour }), 12)),
  /** mm from the box's top to the first baseline; of texts that were set before it was kept, nothing. */
  base: v.optional(finite),
  /** Width and cap height of each line, before it is bent. */
  lines: list(v.object({ width: finite, cap: finite })),
});
export type Ink = v.InferOutput<typeof InkSchema>;

/** How words are set, kept under a name: all of a lettering but the words themselves. */
export const StyleSchema = v.object({
  name: NameSchema,
  lettering: v.omit(LetteringSchema, ['lines']),
});
export type Style = v.InferOutput<typeof StyleSchema>;
