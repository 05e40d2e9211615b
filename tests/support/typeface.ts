import { readFileSync } from 'node:fs';
import { openFace, typefaceOf } from '@/files/typeface';

/** The bytes of a face that comes with Up Fit. */
export function faceBytes(id: string): ArrayBuffer {
  const bytes = readFileSync(`public/fonts/${id}.woff`);
  return bytes.buffer.slice(bytes.byteOffset, bytes.byteOffset + bytes.byteLength) as ArrayBuffer;
}

export function face(id = 'archivo-narrow') {
  return typefaceOf(openFace(`${id}.woff`, faceBytes(id)));
}
