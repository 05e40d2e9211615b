import jpegJs from 'jpeg-js';
import { PNG } from 'pngjs';
import UTIF from 'utif2';
import { declared, jpegFrame } from './declared';

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
  const { format } = declared(bytes);
  switch (format) {
    case 'png':
      return decodePng(bytes);
    case 'jpeg':
      return decodeJpeg(bytes);
    case 'tiff':
      return decodeTiff(bytes);
    default:
      return { format };
  }
}

function decodePng(bytes: Uint8Array): Decoded {
  const png = PNG.sync.read(Buffer.from(bytes)) as PNG & { color: boolean; alpha: boolean };
  const { width, height, data, color, alpha } = png;
  return { format: 'png', width, height, mode: color ? 'rgb' : 'grey', alpha, pixels: data };
}

function decodeJpeg(bytes: Uint8Array): Decoded {
  const { components } = jpegFrame(new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength));
  if (components === 4) {
    const { width, height } = jpegJs.decode(bytes, { useTArray: true, maxMemoryUsageInMB: 1024 });
    return { format: 'jpeg', width, height, mode: 'cmyk', alpha: false, pixels: null };
  }
  const { width, height, data } = jpegJs.decode(bytes, { useTArray: true, maxMemoryUsageInMB: 1024 });
  const mode = components === 1 ? 'grey' : 'rgb';
  return { format: 'jpeg', width, height, mode, alpha: false, pixels: data };
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
