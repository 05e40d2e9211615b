import type { Source } from '@/core/artwork/source';
import { createSHA256 } from 'hash-wasm';

const PART = 4 * 1024 * 1024;

/** SHA-256 of a file, in hex; a large one is read part by part. */
export async function digest(source: Source): Promise<string> {
  const hash = (await createSHA256()).init();
  for (let at = 0; at < source.size; at += PART) hash.update(source.read(at, PART));
  return hash.digest('hex');
}
