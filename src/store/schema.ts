import * as v from 'valibot';
import { FactsSchema } from '@/core/artwork/facts';
import { IdSchema } from '@/core/blank/basics';
import { FindingSchema, VERDICTS } from '@/core/check/finding';
import { UnitSettingSchema } from '@/core/length/show';

/** An artwork's record: what was measured in it, and a small picture for the screen. Its file is kept beside it. */
export const ArtworkSchema = v.object({
  upfit: v.literal('artwork/1'),
  /** SHA-256 of the file. */
  id: v.string(),
  facts: FactsSchema,
  addedAt: v.number(),
  preview: v.instance(Blob),
});
export type Artwork = v.InferOutput<typeof ArtworkSchema>;

/** The last exact docket of a fit, and the key of what it was measured from. */
export const StoredDocketSchema = v.object({
  fitId: v.string(),
  key: v.string(),
  verdict: v.picklist(VERDICTS),
  exact: v.boolean(),
  findings: v.array(FindingSchema),
});
export type StoredDocket = v.InferOutput<typeof StoredDocketSchema>;

export const SettingsSchema = v.object({
  upfit: v.literal('settings/1'),
  shopName: v.string(),
  unit: UnitSettingSchema,
  theme: v.picklist(['system', 'light', 'dark']),
  /** Blanks that are columns of the range, in order. */
  columns: v.array(IdSchema),
  demoLoaded: v.boolean(),
  /** Blanks taken out of the library; fits that were made on them stay whole. */
  removedBlanks: v.optional(v.array(IdSchema), []),
  /** The house chosen for a blank, where it is not the one it came with. */
  houses: v.optional(v.record(IdSchema, IdSchema), {}),
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
  draft: null,
};
