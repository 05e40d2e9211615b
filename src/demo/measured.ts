import * as v from 'valibot';
import { FactsSchema } from '@/core/artwork/facts';
import { FitSchema } from '@/core/fit/schema';
import { StoredDocketSchema } from '@/store/schema';

/** What of the demo is measured before it is opened: its artworks' facts, its fits with their cut lines, their dockets. */
export const MeasuredSchema = v.object({
  upfit: v.literal('demo/1'),
  facts: v.record(v.string(), FactsSchema),
  fits: v.array(FitSchema),
  dockets: v.array(StoredDocketSchema),
});
export type MeasuredDemo = v.InferOutput<typeof MeasuredSchema>;

/** Where the measures lie among the demo's files, and an artwork's small picture. */
export const MEASURED_FILE = 'measured.json';
export const previewFile = (key: string) => `${key}.preview.png`;
