import { createRequire } from 'node:module';
import { dirname, join } from 'node:path';
import { pageDrawer, READING, type DrawPage } from './draw';

/** Draws pages in Node, for the command line and tests. The library is loaded with the first page. */
export function nodePages(): DrawPage {
  return pageDrawer(async () => {
    const require = createRequire(`${process.cwd()}/package.json`);
    const folder = dirname(require.resolve('pdfjs-dist/package.json'));
    const { createCanvas } = await import('@napi-rs/canvas');
    const { getDocument } = await import('pdfjs-dist/legacy/build/pdf.mjs');
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
    };
  });
}
