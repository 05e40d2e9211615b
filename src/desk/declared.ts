/** What a picture says of itself before a pixel of it is decoded. */
export interface Declared {
  format: 'png' | 'jpeg' | 'tiff' | 'pdf' | 'svg';
  /** Null where it has no pixels. */
  pixels: { width: number; height: number } | null;
}

/** TIFF directories that are followed at most: a print file has one, and a few inside of it. */
const MOST_DIRECTORIES = 16;

/** Reads a print file's head. Throws where it is none, or its parts lead round in a circle. */
export function declared(bytes: Uint8Array): Declared {
  const head = Buffer.from(bytes.subarray(0, 512)).toString('latin1');
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  if (head.startsWith('\x89PNG'))
    return { format: 'png', pixels: { width: view.getUint32(16), height: view.getUint32(20) } };
  if (head.startsWith('\xff\xd8')) return { format: 'jpeg', pixels: jpegFrame(view) };
  if (head.startsWith('II*\0') || head.startsWith('MM\0*'))
    return { format: 'tiff', pixels: tiffSize(view, head.startsWith('II')) };
  if (head.startsWith('%PDF-')) return { format: 'pdf', pixels: null };
  if (/<svg[\s>]/.test(head)) return { format: 'svg', pixels: null };
  throw new Error('no print file');
}

/** A JPEG's frame header: its size and how many components it has (ITU-T T.81, B.2.2). */
export function jpegFrame(view: DataView): { width: number; height: number; components: number } {
  for (let at = 2; at + 9 < view.byteLength; at += 2 + view.getUint16(at + 2)) {
    const marker = view.getUint16(at);
    if (marker >= 0xffc0 && marker <= 0xffcf && ![0xffc4, 0xffc8, 0xffcc].includes(marker))
      return {
        height: view.getUint16(at + 5),
        width: view.getUint16(at + 7),
        components: view.getUint8(at + 9),
      };
  }
  throw new Error('no frame');
}

/** Tags of a TIFF whose values are further directories (TIFF 6.0 supplement 1; Exif 2.3, 4.6.3). */
const INNER = new Set([330, 34665, 34853]);
const WIDTH = 256;
const HEIGHT = 257;

function tiffSize(view: DataView, little: boolean): { width: number; height: number } {
  const seen = new Set<number>();
  const wanted = [view.getUint32(4, little)];
  const size = { width: 0, height: 0 };
  for (let at = wanted.shift(); at !== undefined; at = wanted.shift()) {
    if (at === 0) continue;
    if (seen.has(at) || seen.size >= MOST_DIRECTORIES) throw new Error('directories lead round in a circle');
    const first = seen.size === 0;
    seen.add(at);
    const count = view.getUint16(at, little);
    for (let i = 0; i < count; i++) {
      const entry = at + 2 + i * 12;
      const tag = view.getUint16(entry, little);
      const short = view.getUint16(entry + 2, little) === 3;
      const value = short ? view.getUint16(entry + 8, little) : view.getUint32(entry + 8, little);
      if (first && tag === WIDTH) size.width = value;
      if (first && tag === HEIGHT) size.height = value;
      if (!INNER.has(tag)) continue;
      const several = view.getUint32(entry + 4, little);
      for (let j = 0; j < Math.min(several, MOST_DIRECTORIES); j++)
        wanted.push(several === 1 ? value : view.getUint32(value + j * 4, little));
    }
    wanted.push(view.getUint32(at + 2 + count * 12, little));
  }
  return size;
}
