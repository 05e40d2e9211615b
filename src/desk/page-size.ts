const MM = 25.4 / 72;

/** Pages of a PDF and the size of the first in mm. Throws where it cannot be read. */
export async function pageSize(bytes: Uint8Array): Promise<{ pages: number; width: number; height: number }> {
  // Asked for where a PDF comes: most packs hold none, and each is read in a process of its own.
  const { getDocument } = await import('pdfjs-dist/legacy/build/pdf.mjs');
  const task = getDocument({ data: bytes.slice(), useSystemFonts: false, isEvalSupported: false });
  const pdf = await task.promise;
  try {
    const [left, bottom, right, top] = (await pdf.getPage(1)).view as [number, number, number, number];
    return { pages: pdf.numPages, width: (right - left) * MM, height: (top - bottom) * MM };
  } finally {
    await task.destroy();
  }
}
