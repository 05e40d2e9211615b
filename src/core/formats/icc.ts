import { ByteReader } from './bytes';

/**
 * The description of an ICC profile (ICC.1:2022, `desc` tag, as `desc` of version 2 or `mluc` of version 4);
 * `null` where the bytes are no profile or carry none.
 */
export function profileName(profile: Uint8Array): string | null {
  try {
    const read = new ByteReader(profile);
    if (read.text(36, 4) !== 'acsp') return null;
    const tags = read.u32(128);
    for (let i = 0; i < Math.min(tags, 100); i++) {
      const entry = 132 + i * 12;
      if (read.text(entry, 4) === 'desc') return describe(read, read.u32(entry + 4));
    }
    return null;
  } catch (error) {
    if (error instanceof RangeError) return null;
    throw error;
  }
}

function describe(read: ByteReader, at: number): string | null {
  const type = read.text(at, 4);
  if (type === 'desc') return clean(read.text(at + 12, Math.min(read.u32(at + 8), 256)));
  if (type !== 'mluc' || read.u32(at + 8) === 0) return null;
  const length = Math.min(read.u32(at + 20), 512);
  const start = at + read.u32(at + 24);
  let text = '';
  for (let i = 0; i + 1 < length; i += 2) text += String.fromCharCode(read.u16(start + i));
  return clean(text);
}

function clean(text: string): string | null {
  const name = text.replace(/\0.*$/s, '').trim();
  return name === '' ? null : name;
}
