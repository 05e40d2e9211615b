import { csvOf, gplOf, swatchesOf, type Swatch } from '@/core/colour/swatches';
import type { Cmyk, PaletteColour } from '@/core/colour/palette';
import { safeName } from '@/core/pack/names';
import { engine } from '@/workers/client';
import { saveAs } from '../handover/download';

/** Inks of each colour through the shipped printing profile. */
export function inksOf(colours: readonly string[]): Promise<Cmyk[]> {
  return engine.inksOf(colours);
}

export const PALETTE_FORMATS = {
  gpl: 'Colour list, .gpl',
  csv: 'Colour table, .csv',
  pdf: 'Swatch page, PDF',
} as const;
export type PaletteFormat = keyof typeof PALETTE_FORMATS;

/** Hands a palette out as a file. */
export async function savePalette(
  title: string,
  colours: readonly (PaletteColour & { name?: string })[],
  format: PaletteFormat,
): Promise<void> {
  const swatches = swatchesOf(colours, await inksOf(colours.map(({ hex }) => hex)));
  saveAs(await fileOf(title, swatches, format), `${safeName(title)}.${format}`);
}

function fileOf(title: string, swatches: readonly Swatch[], format: PaletteFormat): Promise<Blob> | Blob {
  switch (format) {
    case 'gpl':
      return new Blob([gplOf(title, swatches)], { type: 'text/plain' });
    case 'csv':
      return new Blob([csvOf(swatches)], { type: 'text/csv' });
    case 'pdf':
      return engine.swatchPage(title, swatches);
  }
}
