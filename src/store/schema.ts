import * as v from 'valibot';
import { FactsSchema } from '@/core/artwork/facts';
import { IdSchema } from '@/core/blank/schema';
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
});
export type Settings = v.InferOutput<typeof SettingsSchema>;

export const FIRST_SETTINGS: Settings = {
  upfit: 'settings/1',
  shopName: 'My shop',
  unit: { unit: 'mm', inches: 'sixteenths' },
  theme: 'system',
  columns: ['mug-325', 'shirt-front'],
  demoLoaded: false,
};
