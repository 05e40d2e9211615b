import { createSHA256 } from 'hash-wasm';
import type { Source } from '@/core/formats/source';

const PART = 4 * 1024 * 1024;

/** SHA-256 of a file, in hex; a large one is read part by part. */
export async function digest(source: Source): Promise<string> {
  const hash = (await createSHA256()).init();
  for (let at = 0; at < source.size; at += PART) hash.update(source.read(at, PART));
  return hash.digest('hex');
}

/** The same of a blob, read as a stream. */
export async function digestBlob(blob: Blob): Promise<string> {
  const hash = (await createSHA256()).init();
  const reader = blob.stream().getReader();
  for (let part = await reader.read(); !part.done; part = await reader.read()) hash.update(part.value);
  return hash.digest('hex');
}
