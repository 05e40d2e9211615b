import jpegJs from 'jpeg-js';
import { PNG } from 'pngjs';
import UTIF from 'utif2';

/** What a decoder of the desk's own makes of a print file. */
export interface Decoded {
  format: 'png' | 'jpeg' | 'tiff';
  width: number;
  height: number;
  mode: 'rgb' | 'cmyk' | 'grey';
  alpha: boolean;
  /** RGBA, 8 bits; null where inks are not turned into colours. */
  pixels: Uint8Array | null;
}

/** Decodes every pixel of a print file. Throws where it is none, or damaged. */
export function decode(bytes: Uint8Array): Decoded | { format: 'pdf' | 'svg' } {
  const head = Buffer.from(bytes.subarray(0, 512)).toString('latin1');
  if (head.startsWith('\x89PNG')) return decodePng(bytes);
  if (head.startsWith('\xff\xd8')) return decodeJpeg(bytes);
  if (head.startsWith('II*\0') || head.startsWith('MM\0*')) return decodeTiff(bytes);
  if (head.startsWith('%PDF-')) return { format: 'pdf' };
  if (/<svg[\s>]/.test(head)) return { format: 'svg' };
  throw new Error('no print file');
}

function decodePng(bytes: Uint8Array): Decoded {
  const png = PNG.sync.read(Buffer.from(bytes)) as PNG & { color: boolean; alpha: boolean };
  const { width, height, data, color, alpha } = png;
  return { format: 'png', width, height, mode: color ? 'rgb' : 'grey', alpha, pixels: data };
}

function decodeJpeg(bytes: Uint8Array): Decoded {
  const components = jpegComponents(bytes);
  if (components === 4) {
    const { width, height } = jpegJs.decode(bytes, { useTArray: true, maxMemoryUsageInMB: 2048 });
    return { format: 'jpeg', width, height, mode: 'cmyk', alpha: false, pixels: null };
  }
  const { width, height, data } = jpegJs.decode(bytes, { useTArray: true, maxMemoryUsageInMB: 2048 });
  const mode = components === 1 ? 'grey' : 'rgb';
  return { format: 'jpeg', width, height, mode, alpha: false, pixels: data };
}

/** Components of a JPEG, from its frame header (ITU-T T.81, B.2.2). */
function jpegComponents(bytes: Uint8Array): number {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  for (let at = 2; at + 9 < bytes.length; at += 2 + view.getUint16(at + 2)) {
    const marker = view.getUint16(at);
    if (marker >= 0xffc0 && marker <= 0xffcf && ![0xffc4, 0xffc8, 0xffcc].includes(marker))
      return view.getUint8(at + 9);
  }
  throw new Error('no frame');
}

const SEPARATED = 5;

function decodeTiff(bytes: Uint8Array): Decoded {
  const buffer = bytes.slice().buffer;
  const [page] = UTIF.decode(buffer);
  if (!page) throw new Error('no page');
  UTIF.decodeImage(buffer, page);
  const tag = (name: string) => (page[name] as number[] | undefined)?.[0];
  const samples = tag('t277') ?? 1;
  const inks = tag('t262') === SEPARATED;
  const { width, height } = page;
  return {
    format: 'tiff',
    width,
    height,
    mode: inks ? 'cmyk' : samples < 3 ? 'grey' : 'rgb',
    alpha: !inks && (samples === 4 || samples === 2),
    pixels: inks ? null : UTIF.toRGBA8(page),
  };
}
