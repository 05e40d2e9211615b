import * as v from 'valibot';
import { IdSchema, NameSchema } from './basics';
import { Bytes, Finite, NotNegative, Positive, list } from '../bounds';
import { BodySchema } from './kinds';
import { PanelSchema } from './face';
import { COLOUR_MODES } from '../formats/header';

const Hex = v.pipe(v.string(), v.regex(/^#[0-9a-f]{6}$/, 'A colour is written #rrggbb.'));
const Share = v.pipe(v.number(), v.minValue(0), v.maxValue(1));
const Version = v.pipe(v.number(), v.integer(), v.minValue(1));

/** Where a number of a spec comes from. What is `assumed` is asked about before it is trusted. */
export const SourceSchema = v.object({
  kind: v.picklist(['house', 'template', 'tape', 'assumed']),
  note: v.optional(v.string()),
  date: v.optional(v.string()),
});
export type Source = v.InferOutput<typeof SourceSchema>;

const Sourced = <T extends v.GenericSchema>(value: T) => v.object({ value, source: SourceSchema });

/** What a method can print. A blank may override each. `null` where there is no limit. */
export const MethodLimitsSchema = v.object({
  /** Inks, one screen or film each. */
  inks: v.nullable(v.pipe(v.number(), v.integer(), v.minValue(1))),
  /** C + M + Y + K in percent. */
  totalInk: v.nullable(Positive),
  /** Thinnest stroke and gap that holds, in mm. */
  stroke: Positive,
  /** Smallest cap height of lettering, in mm. */
  capHeight: Positive,
  softPrintsBadly: v.boolean(),
  whiteInk: v.boolean(),
});
export type MethodLimits = v.InferOutput<typeof MethodLimitsSchema>;

/** How ink gets onto the product, and what that changes. */
export const MethodSchema = v.object({
  upfit: v.literal('method/1'),
  id: IdSchema,
  version: Version,
  name: NameSchema,
  /** `multiply`: inks darken the product and white is left bare; `cover`: white ink lies under. */
  ink: v.picklist(['multiply', 'cover']),
  mirrored: v.boolean(),
  knockout: v.boolean(),
  /** Whether its print stands up from the product: a film that is pressed on, or ink that is cured on top. */
  raised: v.boolean(),
  /** mm, where no house says otherwise. */
  bleed: NotNegative,
  /** What it can be printed on, in the seller's words. */
  prints: v.string(),
  limits: MethodLimitsSchema,
  /** mm from which its prints are looked at, where a blank says nothing else: the floor PPI follows from it. */
  viewedFrom: v.optional(Positive),
});
export type Method = v.InferOutput<typeof MethodSchema>;

export const FILE_FORMATS = ['png', 'jpeg', 'tiff', 'pdf'] as const;

/** What the cut line and the backing line are called in PDFs where a house says nothing. */
export const CUT_INK = 'Cut line';
export const BACKING_INK = 'Backing line';
/** Name of a separation in a PDF. */
const InkName = v.pipe(v.string(), v.regex(/^[\w -]{1,40}$/));
const Words = v.pipe(v.string(), v.maxLength(300));

/** What one house asks of a print: a record of its own, since another house asks otherwise of the same blank. */
export const HouseSpecSchema = v.object({
  upfit: v.literal('spec/1'),
  id: IdSchema,
  version: Version,
  house: NameSchema,
  /** What of a house's work it is for, where it prints several kinds of thing: mugs. */
  about: v.optional(NameSchema),
  /** Methods this spec is for. */
  methods: list(IdSchema),
  bleed: Sourced(NotNegative),
  safe: Sourced(Finite),
  /** The edge that `safe` is measured from. */
  safeFrom: Sourced(v.picklist(['trim', 'bleed'])),
  target: Sourced(Positive),
  floor: Sourced(Positive),
  files: v.object({
    formats: Sourced(list(v.picklist(FILE_FORMATS))),
    /** Pixels the house states outright; `null` where it asks for true size at the target PPI. */
    pixels: Sourced(v.nullable(v.object({ width: Positive, height: Positive }))),
    /** Whether the file must carry its density. */
    density: Sourced(v.boolean()),
    modes: Sourced(list(v.picklist(COLOUR_MODES))),
    alpha: Sourced(v.picklist(['kept', 'none'])),
    maxBytes: Sourced(Bytes),
    /** How files are named: {design} {blank} {face} {size} stand for what they say. */
    naming: Sourced(v.string()),
  }),
  /** Rich black as the house wants it, in shares of cyan, magenta, yellow and black; the usual one where it says nothing. */
  black: v.optional(v.tuple([Share, Share, Share, Share])),
  /** Smallest radius in mm that the house's cutter follows. */
  cutRadius: v.optional(Positive),
  /** Who turns a transfer over; the house where it says nothing. */
  mirroring: v.optional(v.picklist(['file', 'driver', 'house'])),
  /** What the cut line and the backing line are called in its PDFs. */
  cutInk: v.optional(InkName),
  backingInk: v.optional(InkName),
  /** Screens it has for one print, and their rulings in lines per inch. */
  screens: v.optional(
    v.object({
      count: v.pipe(v.number(), v.integer(), v.minValue(1), v.maxValue(24)),
      rulings: list(Positive, 24),
    }),
  ),
  /** Working days from an order to its parcel. */
  days: v.optional(v.pipe(v.number(), v.integer(), v.minValue(0), v.maxValue(365))),
  contact: v.optional(Words),
  /** How its order numbers look, # for a digit: FP-####. */
  orderNumbers: v.optional(v.pipe(v.string(), v.regex(/^[A-Z0-9# -]*#[A-Z0-9# -]*$/), v.maxLength(24))),
  /** Whether the house prints on blanks that its customers measured; nothing where it has not said. */
  takesMeasured: v.optional(v.boolean()),
  /** Whether it has a desk that packs are sent to from here. */
  desk: v.optional(v.boolean()),
  press: v.nullable(
    v.object({
      celsius: Positive,
      seconds: Positive,
      pressure: v.picklist(['light', 'medium', 'firm']),
      peel: v.optional(v.picklist(['hot', 'warm', 'cold'])),
      /** What is done to the product and the sheet before pressing. */
      preparation: v.optional(v.string()),
      /** The transfer's paper, and the settings of the printer's driver. */
      paper: v.optional(v.string()),
      driver: v.optional(v.string()),
    }),
  ),
  /** Where numbers come from that do not carry it themselves, by their entry. */
  sources: v.optional(v.record(v.string(), SourceSchema)),
});
export type HouseSpec = v.InferOutput<typeof HouseSpecSchema>;

/** How a surface takes light. */
export const FINISHES = ['matt', 'gloss', 'metal', 'fabric', 'glass'] as const;
export type Finish = (typeof FINISHES)[number];

export const ProductColourSchema = v.object({
  id: IdSchema,
  name: NameSchema,
  hex: Hex,
  /** Where it is another than such products usually have: bare steel among painted ones. */
  finish: v.optional(v.picklist(FINISHES)),
});
export type ProductColour = v.InferOutput<typeof ProductColourSchema>;

/** One thing that must be on a product by law or by its house: found by any of its words, or ticked by hand. */
export const ContentSchema = v.object({ id: IdSchema, name: NameSchema, words: list(v.string(), 100) });
export type Content = v.InferOutput<typeof ContentSchema>;

/** An unprinted product: its body, and the ids of the method and the house spec it is printed by. */
export const BlankSchema = v.object({
  upfit: v.literal('blank/1'),
  id: IdSchema,
  version: Version,
  name: NameSchema,
  body: BodySchema,
  /** Where the body's measurements come from. */
  measured: SourceSchema,
  methodId: IdSchema,
  specId: IdSchema,
  /** What a thing with two sides is drawn as; a card where nothing is said. */
  shownAs: v.optional(v.picklist(['card', 'pouch', 'bag', 'cushion'])),
  /** What this blank overrides of its method's limits. */
  limits: v.partial(MethodLimitsSchema),
  /** mm from which it is looked at, for prints that are seen from afar: the floor PPI follows from it. */
  viewedFrom: v.nullable(Positive),
  colours: v.pipe(list(ProductColourSchema, 500), v.minLength(1)),
  /** Looks of the product that a colour does not cover (a mug cold and hot). Empty where it has one. */
  states: list(
    v.object({
      id: IdSchema,
      name: NameSchema,
      hex: Hex,
      /** A coating that covers the print on purpose, until it is warm. */
      hides: v.optional(v.boolean()),
    }),
  ),
  contents: v.optional(list(ContentSchema, 100)),
  /** Graded sizes: the factors that the garment and its print area take. Empty where there is one size. */
  sizes: list(v.object({ id: IdSchema, name: NameSchema, garment: Positive, print: Positive })),
  /** Faces split into panels, never printed. */
  splits: list(v.object({ faceId: IdSchema, panels: v.pipe(list(PanelSchema), v.minLength(1)) })),
});
export type Blank = v.InferOutput<typeof BlankSchema>;
