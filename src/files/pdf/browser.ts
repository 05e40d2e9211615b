import { getDocument, GlobalWorkerOptions, OPS } from 'pdfjs-dist';
import { NoFilterFactory, pageDrawer, READING, type DrawPage, type PdfSurroundings } from './draw';
import { pageReader, type ReadPage } from './page-drawing';

/** Where the app serves the PDF library's own worker, its fonts, decoders and profiles. */
const SERVED = '/pdf/';

class WorkerCanvasFactory {
  create(width: number, height: number) {
    const canvas = new OffscreenCanvas(width, height);
    return { canvas, context: canvas.getContext('2d', { willReadFrequently: true }) };
  }
  reset({ canvas }: { canvas: OffscreenCanvas }, width: number, height: number) {
    canvas.width = width;
    canvas.height = height;
  }
  destroy({ canvas }: { canvas: OffscreenCanvas }) {
    canvas.width = canvas.height = 0;
  }
}

/** Draws pages in a browser's worker, with what the app's own server at `base` has for it. */
export function browserPages(base: string): DrawPage {
  return pageDrawer(() => surroundings(base));
}

/** Reads what pages are made of, in the same way. */
export function browserPageDrawings(base: string): ReadPage {
  return pageReader(() => surroundings(base));
}

function surroundings(base: string): Promise<PdfSurroundings> {
  const served = (path: string) => new URL(`${SERVED}${path}`, base).href;
  GlobalWorkerOptions.workerPort ??= new Worker(served('pdf.worker.min.mjs'), { type: 'module' });
  return Promise.resolve({
    open: (data) =>
      getDocument({
        ...READING,
        data,
        CanvasFactory: WorkerCanvasFactory,
        FilterFactory: NoFilterFactory,
        standardFontDataUrl: served('standard_fonts/'),
        wasmUrl: served('wasm/'),
        iccUrl: served('iccs/'),
        useWorkerFetch: false,
      }),
    canvas: (width, height) => ({
      width,
      height,
      context: new OffscreenCanvas(width, height).getContext('2d', { willReadFrequently: true })!,
    }),
    ops: OPS,
  });
}
