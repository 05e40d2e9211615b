import { UpFitError } from '@/core/errors';
import type { PixelSize } from '@/core/artwork/facts';
import { isOpaque, type Raster } from '@/core/raster/raster';
import type { PDFDocumentLoadingTask } from 'pdfjs-dist';

/** Draws one page of a PDF, its crop box whole, over nothing, at most so many pixels each way. */
export type DrawPage = (bytes: Uint8Array, index: number, within: PixelSize) => Promise<Raster>;

/** A canvas as browsers and Node have them. */
export interface PaintedCanvas {
  width: number;
  height: number;
  context: {
    getImageData(x: number, y: number, width: number, height: number): { data: Uint8ClampedArray };
  };
}

/** What drawing a page needs of where it runs. */
export interface PdfSurroundings {
  open: (data: Uint8Array) => PDFDocumentLoadingTask;
  /** What each operator of a page is known by. */
  ops: Readonly<Record<string, number>>;
  canvas: (width: number, height: number) => PaintedCanvas;
}

/** A worker has no document to put SVG filters in: pictures are drawn without them. */
export class NoFilterFactory {
  addFilter = () => 'none';
  addHCMFilter = () => 'none';
  addAlphaFilter = () => 'none';
  addLuminosityFilter = () => 'none';
  addHighlightHCMFilter = () => 'none';
  destroy = () => undefined;
}

/** No script of a document runs, whatever it holds. */
export const READING = {
  isEvalSupported: false,
  enableXfa: false,
  stopAtErrors: false,
  verbosity: 0,
} as const;

/** Makes the drawing of pages out of what the surroundings offer. */
export function pageDrawer(surroundings: () => Promise<PdfSurroundings>): DrawPage {
  return async (bytes, index, within) => {
    const { open, canvas } = await surroundings();
    const task = open(bytes.slice());
    try {
      const page = await (await task.promise).getPage(index + 1);
      const natural = page.getViewport({ scale: 1 });
      const scale = Math.min(within.width / natural.width, within.height / natural.height);
      const viewport = page.getViewport({ scale });
      const width = Math.max(1, Math.round(viewport.width));
      const height = Math.max(1, Math.round(viewport.height));
      const { context } = canvas(width, height);
      await page.render({
        canvas: null,
        canvasContext: context as unknown as CanvasRenderingContext2D,
        viewport,
        background: 'rgba(0,0,0,0)',
      }).promise;
      const { data } = context.getImageData(0, 0, width, height);
      const pixels = new Uint8Array(data.buffer, data.byteOffset, data.byteLength);
      return { width, height, data: pixels, opaque: isOpaque(pixels) };
    } catch {
      throw new UpFitError(
        'unreadable',
        `Page ${index + 1} of this PDF cannot be drawn: save it anew where it was made, without a password.`,
      );
    } finally {
      await task.destroy();
    }
  };
}
