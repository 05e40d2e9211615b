import { getDocument, GlobalWorkerOptions } from 'pdfjs-dist';

/** Where the app serves the PDF library's own worker and its fonts. */
const SERVED = '/pdf/';

class WorkerCanvasFactory {
  create(width: number, height: number) {
    const canvas = new OffscreenCanvas(width, height);
    return { canvas, context: canvas.getContext('2d') };
  }
  reset({ canvas }: { canvas: OffscreenCanvas }, width: number, height: number) {
    canvas.width = width;
    canvas.height = height;
  }
  destroy({ canvas }: { canvas: OffscreenCanvas }) {
    canvas.width = canvas.height = 0;
  }
}

/** A worker has no document to put SVG filters in: pictures are drawn without them. */
class NoFilterFactory {
  addFilter = () => 'none';
  addHCMFilter = () => 'none';
  addAlphaFilter = () => 'none';
  addLuminosityFilter = () => 'none';
  addHighlightHCMFilter = () => 'none';
  destroy = () => undefined;
}

/** One page of a PDF as a picture, its media box whole, at most so many pixels along its longer side. For workers. */
export async function drawPdfPage(
  bytes: Uint8Array,
  index: number,
  longest: number,
  base: string,
): Promise<OffscreenCanvas> {
  GlobalWorkerOptions.workerPort ??= new Worker(new URL(`${SERVED}pdf.worker.min.mjs`, base), {
    type: 'module',
  });
  const task = getDocument({
    data: bytes.slice(),
    CanvasFactory: WorkerCanvasFactory,
    FilterFactory: NoFilterFactory,
    standardFontDataUrl: new URL(`${SERVED}standard_fonts/`, base).href,
    useWorkerFetch: false,
    isEvalSupported: false,
  });
  try {
    const page = await (await task.promise).getPage(index + 1);
    const natural = page.getViewport({ scale: 1 });
    const viewport = page.getViewport({ scale: longest / Math.max(natural.width, natural.height) });
    const canvas = new OffscreenCanvas(Math.round(viewport.width), Math.round(viewport.height));
    const context = canvas.getContext('2d')!;
    context.fillStyle = '#ffffff';
    context.fillRect(0, 0, canvas.width, canvas.height);
    await page.render({
      canvas: null,
      canvasContext: context as unknown as CanvasRenderingContext2D,
      viewport,
    }).promise;
    return canvas;
  } finally {
    await task.destroy();
  }
}
