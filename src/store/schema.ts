import * as v from 'valibot';
import { list } from '@/core/bounds';
import { FactsSchema } from '@/core/artwork/facts';
import { GoesSchema } from '@/core/fit/rendition';
import { StepSchema } from '@/core/artwork/steps';
import { IdSchema, NameSchema } from '@/core/blank/basics';
import { FindingSchema, VERDICTS } from '@/core/check/finding';
import { OutcomeSchema } from '@/core/check/outcome';
import { SummarySchema, summaryOf } from '@/core/check/summary';
import { INTENTS } from '@/core/colour/press';
import { digestOf } from '@/core/digest';
import { UnitSettingSchema } from '@/core/length/show';
import { FIRST_LISTING_WORDS, ListingWordsSchema } from '@/core/listing/schema';
import { RateSchema } from '@/core/price/rate';
import { StyleSchema } from '@/core/type/schema';
import { KeptTurningSchema } from '@/core/mockup/turning';
import { KeptPicturesSchema } from '@/core/mockup/schema';
import { ViewSchema } from '@/core/many/view';

/** What a rendition of an artwork leaves out or does otherwise. */
export const RENDITION_KINDS = ['no-ground', 'no-lettering', 'few-inks', 'other'] as const;

/**
 * An artwork's record: what was measured in it after its steps, and a small picture for the screen. Its file is kept
 * beside it under its hash, `facts.sha256`.
 */
export const ArtworkSchema = v.object({
  upfit: v.literal('artwork/1'),
  /** What fits and designs know it by: it stays when its file is replaced. At first the SHA-256 of the file. */
  id: v.string(),
  facts: FactsSchema,
  addedAt: v.number(),
  preview: v.instance(Blob),
  /** Done to the file on its way to the print, in order. */
  steps: v.optional(list(StepSchema), []),
  /** Name of the file it came from; null where it is the artwork's own. */
  fileName: v.optional(v.nullable(v.string()), null),
  /** Who made it, under what licence, and where that is written. */
  origin: v.optional(v.object({ source: v.string(), licence: v.string(), proof: v.string() }), {
    source: '',
    licence: '',
    proof: '',
  }),
  /** The artwork that this is another rendition of. */
  rendition: v.optional(
    v.nullable(v.object({ of: v.string(), kind: v.picklist(RENDITION_KINDS), name: v.string() })),
    null,
  ),
  /** Which of its renditions a blank, or else a printing method, gets, by their ids; where it says nothing, the one that suits it. */
  goes: v.optional(GoesSchema),
});
export type Artwork = v.InferOutput<typeof ArtworkSchema>;

/** The last exact docket of a fit, and a digest of what it was measured from. */
export const StoredDocketSchema = v.object({
  fitId: v.string(),
  key: v.string(),
  /** ms since 1970; 0 of those that were kept before it was noted. */
  measuredAt: v.optional(v.number(), 0),
  verdict: v.picklist(VERDICTS),
  exact: v.boolean(),
  findings: list(FindingSchema),
  looks: v.optional(list(OutcomeSchema), []),
  sizes: v.optional(list(OutcomeSchema), []),
});
export type StoredDocket = v.InferOutput<typeof StoredDocketSchema>;

/** A docket's summary under the same digest: all that is read of it until its fit is opened. */
export const StoredSummarySchema = v.object({
  fitId: v.string(),
  key: v.string(),
  measuredAt: v.number(),
  ...SummarySchema.entries,
});
export type StoredSummary = v.InferOutput<typeof StoredSummarySchema>;

/** A fit as the range shows it, drawn small, under a digest of what it was drawn from. */
export const StoredDrawingSchema = v.object({
  fitId: v.string(),
  key: v.string(),
  picture: v.instance(Blob),
});
export type StoredDrawing = v.InferOutput<typeof StoredDrawingSchema>;

export function storedSummary({ fitId, key, measuredAt, ...docket }: StoredDocket): StoredSummary {
  return { fitId, key, measuredAt, ...summaryOf(docket) };
}

/** Dockets of the first Up Fits were kept under all that they were measured from, and not its digest. */
export function underDigest(docket: Record<string, unknown>): Record<string, unknown> {
  const { key } = docket;
  return typeof key === 'string' && key.startsWith('[') ? { ...docket, key: digestOf(key) } : docket;
}

/** Colours kept by name, for use again. */
export const SwatchSetSchema = v.object({
  id: v.string(),
  name: v.string(),
  colours: list(v.object({ hex: v.string(), name: v.string(), share: v.optional(v.number(), 0) })),
});
export type SwatchSet = v.InferOutput<typeof SwatchSetSchema>;

/** An act on many with what was answered to it; what an answer names may be gone since. */
const ActSchema = v.object({
  act: v.string(),
  answers: v.record(v.string(), v.pipe(v.string(), v.maxLength(2000))),
});
export type KeptAct = v.InferOutput<typeof ActSchema>;

export const SettingsSchema = v.object({
  upfit: v.literal('settings/1'),
  shopName: v.string(),
  unit: UnitSettingSchema,
  theme: v.picklist(['system', 'light', 'dark']),
  /** Blanks that are columns of the range, in order. */
  columns: list(IdSchema),
  demoLoaded: v.boolean(),
  /** Blanks taken out of the library; fits that were made on them stay whole. */
  removedBlanks: v.optional(list(IdSchema), []),
  /** The house chosen for a blank, where it is not the one it came with. */
  houses: v.optional(v.record(IdSchema, IdSchema), {}),
  /** The printing profile (null: the shipped one) and the intent chosen for a house's spec, by the spec's id. */
  presses: v.optional(
    v.record(IdSchema, v.object({ profileId: v.nullable(v.string()), intent: v.picklist(INTENTS) })),
    {},
  ),
  /** Weeks that the shop needs before an occasion. */
  leadWeeks: v.optional(v.pipe(v.number(), v.integer(), v.minValue(0), v.maxValue(52)), 3),
  /** Pixels of this screen a mm, as measured with a card held against it; null until then. */
  pxPerMm: v.optional(v.nullable(v.pipe(v.number(), v.gtValue(0))), null),
  /** Views of the range that are kept by name. */
  views: v.optional(list(v.object({ name: NameSchema, ...ViewSchema.entries }), 200), []),
  /** Acts on many that are kept by name, and the last one that was done. */
  acts: v.optional(list(v.object({ name: NameSchema, ...ActSchema.entries }), 200), []),
  lastAct: v.optional(v.nullable(ActSchema), null),
  /** How words are set, kept by name. */
  styles: v.optional(list(StyleSchema, 200), []),
  /** Sets of pictures that are kept by name. */
  pictureSets: v.optional(list(KeptPicturesSchema, 200), []),
  /** How the last picture that turns was asked for. */
  turning: v.optional(KeptTurningSchema),
  /** The place to sell that costs are reckoned for, and how many are ordered at once there. */
  outletId: v.optional(v.string(), 'quay-market'),
  quantity: v.optional(v.pipe(v.number(), v.integer(), v.minValue(1), v.maxValue(1_000_000)), 1),
  /** What currencies are worth in one another, by hand. */
  rates: v.optional(list(RateSchema, 200), []),
  /** What listings are drafted from. */
  listingWords: v.optional(ListingWordsSchema, FIRST_LISTING_WORDS),
  /** A blank that is being measured. */
  draft: v.optional(
    v.nullable(
      v.object({
        thingId: v.picklist(['straight', 'narrowing', 'flat', 'frame']),
        name: v.string(),
        answers: v.record(
          v.string(),
          v.object({ text: v.string(), mode: v.picklist(['round', 'across']), second: v.string() }),
        ),
      }),
    ),
    null,
  ),
});
export type Settings = v.InferOutput<typeof SettingsSchema>;

export const FIRST_SETTINGS: Settings = {
  upfit: 'settings/1',
  shopName: 'My shop',
  unit: { unit: 'mm', inches: 'sixteenths' },
  theme: 'system',
  columns: ['mug-325', 'shirt'],
  demoLoaded: false,
  removedBlanks: [],
  houses: {},
  presses: {},
  leadWeeks: 3,
  pxPerMm: null,
  views: [],
  acts: [],
  lastAct: null,
  styles: [],
  pictureSets: [],
  outletId: 'quay-market',
  quantity: 1,
  rates: [],
  listingWords: FIRST_LISTING_WORDS,
  draft: null,
};
