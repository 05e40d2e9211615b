import type { Facts, Page } from '@/core/artwork/facts';
import { heldSize, requireDrawnSize } from '@/core/artwork/limits';
import type { Source } from '@/core/formats/source';
import { MILLIMETRES, showLength, showSize } from '@/core/length/show';
import type { PDFRawStream } from '@cantoo/pdf-lib';
import type { Raster } from '@/core/raster/raster';
import type { Engine } from '@/imaging/engine';
import type { Opened } from '@/imaging/opened';
import { pictureInside, sharpness } from '../placed';
import { openPdf, type PdfPage } from './boxes';
import { outputProfile } from './colour';
import { readContent, type PageContent } from './content';
import type { DrawPage } from './draw';
import { storedImage } from './image';

/** Opens one page of a PDF as artwork: what is seen of it, its crop box. */
export async function openPage(
  { engine, drawPage }: { engine: Engine; drawPage: DrawPage },
  name: string,
  source: Source,
  page = 0,
): Promise<Opened> {
  const bytes = source.bytes ?? source.read(0, source.size);
  const { document, pages } = await openPdf(bytes, name);
  const index = Math.min(page, pages.length - 1);
  const chosen = pages[index]!;
  const content = readContent(name, document.getPage(index), chosen.unit);
  const [x0, y0, x1, y1] = chosen.crop;
  requireDrawnSize(name, { width: x1 - x0, height: y1 - y0 });
  const profile = outputProfile(document.catalog) ?? [...content.profiles][0] ?? null;
  return {
    format: 'pdf',
    pixels: null,
    physical: { width: x1 - x0, height: y1 - y0 },
    density: null,
    colour: { mode: modeOf(content), bits: content.bits || 8, profile },
    orientation: 1,
    page: index,
    pageCount: pages.length,
    pages: pages.map(({ media, crop, bleed, trim, art }) => ({ media, crop, bleed, trim, art })),
    images: content.images.map(({ stream, ...image }) => ({
      ...image,
      ...(stream && { raster: () => pixelsOf(engine, name, stream) }),
    })),
    notes: notesOn(chosen, index, pages.length, content),
    raster: (wanted) => drawPage(bytes, index, heldSize(wanted)),
    bands: null,
  };
}

async function pixelsOf(engine: Engine, name: string, stream: PDFRawStream): Promise<Raster | null> {
  const stored = storedImage(stream);
  if (!stored) return null;
  return 'raster' in stored ? stored.raster : await pictureInside(engine, name, stored.jpeg);
}

/** The mode that needs the most care in print speaks for the page. */
function modeOf({ modes }: PageContent): Facts['colour']['mode'] {
  return (['cmyk', 'lab', 'rgb', 'grey'] as const).find((mode) => modes.has(mode)) ?? 'grey';
}

function notesOn(page: PdfPage, index: number, pages: number, content: PageContent): Facts['notes'] {
  const notes: Facts['notes'] = [];
  if (pages > 1) {
    notes.push({
      code: 'pages',
      message: `It has ${pages} pages: ${index === 0 ? 'the first' : `page ${index + 1}`} is used.`,
    });
  }
  const trimmed = trimNote(page);
  if (trimmed) notes.push({ code: 'trim', message: trimmed });
  if (content.textRuns > 0) {
    notes.push({
      code: 'live-text',
      message:
        'Has live text, which a house without its fonts prints otherwise: outline it where it was made.',
    });
  }
  if (content.modes.has('rgb') && content.modes.has('cmyk')) {
    notes.push({ code: 'mixed', message: 'Mixes RGB and CMYK: the two can print differently side by side.' });
  }
  if (content.spots.size > 0) {
    notes.push({ code: 'spots', message: `Uses spot colours: ${[...content.spots].join(', ')}.` });
  }
  if (content.overprints) {
    notes.push({
      code: 'overprint',
      message:
        'Parts of it overprint: where a file is flattened on its way to the press they print otherwise.',
    });
  }
  return [...notes, ...sharpness(content.images)];
}

function trimNote({ trim, crop, stated }: PdfPage): string | null {
  if (!stated.trim) return null;
  const size = ([x0, y0, x1, y1]: Page['trim']) => showSize(x1 - x0, y1 - y0, MILLIMETRES);
  const around = [trim[0] - crop[0], trim[1] - crop[1], crop[2] - trim[2], crop[3] - trim[3]];
  const [least, most] = [Math.min(...around), Math.max(...around)];
  if (most < 0.05) return null;
  const past =
    most - least < 0.05
      ? `${showLength(most, MILLIMETRES)} past it all round`
      : `${showLength(least, MILLIMETRES)} to ${showLength(most, MILLIMETRES)} past it`;
  return `Its trim is ${size(trim)}; the page goes ${past}.`;
}
