import { readFileSync } from 'node:fs';
import { openFont, fontOf } from '@/files/font';

/** The bytes of a face that comes with Up Fit. */
export function fontBytes(id: string): ArrayBuffer {
  const bytes = readFileSync(`public/fonts/${id}.woff`);
  return bytes.buffer.slice(bytes.byteOffset, bytes.byteOffset + bytes.byteLength) as ArrayBuffer;
}

export function face(id = 'archivo-narrow') {
  return fontOf(openFont(`${id}.woff`, fontBytes(id)));
}
