import { sha256 } from '@noble/hashes/sha2';
import { bytesToHex } from '@noble/hashes/utils';

/** The SHA-256 of a text, in hex, at once: what many things are compared by instead of by all that they are. */
export function digestOf(text: string): string {
  return bytesToHex(sha256(text));
}
