import { UpFitError } from '../errors';

/** What an ICC profile's header and table of tags say (ICC.1:2010, 7.2 and 7.3). */
export interface IccProfile {
  bytes: Uint8Array;
  /** Four letters each: `prtr` for a printer, `CMYK`, `Lab `. */
  deviceClass: string;
  space: string;
  connection: string;
  /** Its own name. */
  description: string;
  tags: ReadonlyMap<string, { at: number; size: number }>;
}

/** No printing profile is larger, by far. */
const MOST_BYTES = 16 * 1024 * 1024;
const HEADER = 128;

/** Reads a profile's header. Throws an `UpFitError` where the bytes are none. */
export function readIcc(bytes: Uint8Array): IccProfile {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  if (bytes.length < HEADER + 4 || lettersAt(bytes, 36) !== 'acsp' || view.getUint32(0) > bytes.length)
    throw new UpFitError('unreadable', 'This is not a whole ICC profile: export it again.');
  if (bytes.length > MOST_BYTES)
    throw new UpFitError(
      'too-large',
      'This profile is over 16 MB, and no printing profile is: choose another.',
    );
  const tags = new Map<string, { at: number; size: number }>();
  const count = Math.min(200, view.getUint32(HEADER));
  for (let i = 0; i < count; i++) {
    const entry = HEADER + 4 + i * 12;
    if (entry + 12 > bytes.length) break;
    const [at, size] = [view.getUint32(entry + 4), view.getUint32(entry + 8)];
    if (at + size <= bytes.length) tags.set(lettersAt(bytes, entry), { at, size });
  }
  const profile = {
    bytes,
    deviceClass: lettersAt(bytes, 12),
    space: lettersAt(bytes, 16),
    connection: lettersAt(bytes, 20),
    tags,
  };
  return { ...profile, description: descriptionOf(profile, view) };
}

/** A printing profile for four inks, or why another will not do. */
export function requirePrintingProfile(bytes: Uint8Array): IccProfile {
  const profile = readIcc(bytes);
  if (profile.space !== 'CMYK')
    throw new UpFitError(
      'unsupported',
      `This profile is for ${profile.space.trim()} and not for CMYK inks: ask the house for the one it prints with.`,
    );
  if (profile.deviceClass !== 'prtr' || !profile.tags.has('A2B0') || !profile.tags.has('B2A0'))
    throw new UpFitError(
      'unsupported',
      'This profile does not describe a printer both ways: ask the house for its output profile.',
    );
  return profile;
}

function descriptionOf({ bytes, tags }: Pick<IccProfile, 'bytes' | 'tags'>, view: DataView): string {
  const tag = tags.get('desc');
  if (!tag) return '';
  const kind = lettersAt(bytes, tag.at);
  if (kind === 'desc') {
    const length = Math.min(view.getUint32(tag.at + 8), tag.size - 12);
    return new TextDecoder('latin1').decode(bytes.subarray(tag.at + 12, tag.at + 11 + length)).trim();
  }
  if (kind !== 'mluc' || tag.size < 28) return '';
  const [length, offset] = [view.getUint32(tag.at + 20), view.getUint32(tag.at + 24)];
  if (offset + length > tag.size) return '';
  const text = bytes.subarray(tag.at + offset, tag.at + offset + length);
  return new TextDecoder('utf-16be').decode(text).trim();
}

/** White of the medium as XYZ, from its `wtpt` tag; D50 where it has none. */
export function mediaWhite({ bytes, tags }: IccProfile): readonly [number, number, number] {
  const tag = tags.get('wtpt');
  if (!tag || tag.size < 20) return [0.9642, 1, 0.8249];
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  const of = (index: number) => view.getInt32(tag.at + 8 + index * 4) / 65536;
  return [of(0), of(1), of(2)];
}

function lettersAt(bytes: Uint8Array, at: number): string {
  return String.fromCharCode(...bytes.subarray(at, at + 4));
}
