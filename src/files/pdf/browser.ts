import { getDocument, GlobalWorkerOptions } from 'pdfjs-dist';
import { NoFilterFactory, pageDrawer, READING, type DrawPage } from './draw';

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
  const served = (path: string) => new URL(`${SERVED}${path}`, base).href;
  return pageDrawer(() => {
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
    });
  });
}
