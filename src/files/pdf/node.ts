import { dirname, join } from 'node:path';
import { requireAtHome } from '@/imaging/home';
import { pageDrawer, READING, type DrawPage, type PdfSurroundings } from './draw';
import { pageReader, type ReadPage } from './page-drawing';

/** Draws pages in Node, for the command line and tests. The library is loaded with the first page. */
export function nodePages(): DrawPage {
  return pageDrawer(surroundings);
}

/** Reads what pages are made of, in the same way. */
export function nodePageDrawings(): ReadPage {
  return pageReader(surroundings);
}

async function surroundings(): Promise<PdfSurroundings> {
  const require = requireAtHome();
  const folder = dirname(require.resolve('pdfjs-dist/package.json'));
  const { createCanvas } = await import('@napi-rs/canvas');
  const { getDocument, OPS } = await import('pdfjs-dist/legacy/build/pdf.mjs');
  const worker = (await import('pdfjs-dist/legacy/build/pdf.worker.mjs')) as object;
  Object.assign(globalThis, { pdfjsWorker: worker });
  const inside = (path: string) => `${join(folder, path)}/`;
  return {
    open: (data) =>
      getDocument({
        ...READING,
        data,
        standardFontDataUrl: inside('standard_fonts'),
        wasmUrl: inside('wasm'),
        iccUrl: inside('iccs'),
      }),
    canvas: (width, height) => ({ width, height, context: createCanvas(width, height).getContext('2d') }),
    ops: OPS,
  };
}
