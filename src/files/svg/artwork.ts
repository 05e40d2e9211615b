import type { Facts } from '@/core/artwork/facts';
import { heldSize } from '@/core/artwork/limits';
import { omittedBy, outlinedBy, type Step } from '@/core/artwork/steps';
import type { Source } from '@/core/formats/source';
import type { Engine } from '@/imaging/engine';
import type { Opened } from '@/imaging/opened';
import { pictureInside, sharpness } from '../placed';
import { cleanDrawing, type CleanDrawing } from './clean';

/** Opens a drawing: made safe first, and only then ever drawn. Its steps say which parts are left out, and what its words look like. */
export function openDrawing(
  engine: Engine,
  name: string,
  source: Source,
  steps: readonly Step[] = [],
): Opened {
  const drawing = cleanOf(name, source, steps);
  const { width, height } = drawing.size;
  return {
    format: 'svg',
    pixels: null,
    physical: { width, height },
    density: null,
    colour: { mode: 'rgb', bits: 8, profile: null },
    orientation: 1,
    images: drawing.images.map(({ bytes, ...image }) => ({
      ...image,
      raster: () => pictureInside(engine, name, bytes),
    })),
    notes: notesOn(drawing),
    raster: (wanted) => {
      const pixels = heldSize(wanted);
      return Promise.resolve(engine.drawSvg(drawing.svg(pixels), pixels.width));
    },
    bands: null,
  };
}

/** A drawing made safe, from its file or as it is with its words outlined. */
export function cleanOf(name: string, source: Source, steps: readonly Step[]): CleanDrawing {
  return cleanDrawing(name, outlinedBy(steps) ?? textOf(source), { omit: omittedBy(steps) });
}

/** Text in UTF-8, or UTF-16 where it begins with its mark. */
export function textOf(source: Source): string {
  const bytes = source.bytes ?? source.read(0, source.size);
  const wide = (bytes[0] === 0xff && bytes[1] === 0xfe) || (bytes[0] === 0xfe && bytes[1] === 0xff);
  return new TextDecoder(wide ? (bytes[0] === 0xff ? 'utf-16le' : 'utf-16be') : 'utf-8').decode(bytes);
}

function notesOn({ text, refused, images, size }: CleanDrawing): Facts['notes'] {
  const notes: Facts['notes'] = [];
  if (text.length > 0) {
    const words = text.slice(0, 3).map((line) => `“${line}”`);
    notes.push({
      code: 'live-text',
      message: `Has live text, which is left out until it is outlined: ${words.join(', ')}${text.length > 3 ? ' and more' : ''}.`,
    });
  }
  if (refused.length > 0) {
    notes.push({
      code: 'left-out',
      message: `Left out, since it could run or load something or is no drawing: ${refused.join(', ')}.`,
    });
  }
  if (!size.stated) {
    notes.push({ code: 'no-unit', message: 'Gives its size without a unit: read as pixels at 96 PPI.' });
  }
  return [...notes, ...sharpness(images)];
}
