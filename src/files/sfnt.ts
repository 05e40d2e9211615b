import { UpFitError } from '@/core/errors';
import { openFont } from './font';

const HEAD = { woff: 44, sfnt: 12 };
const ENTRY = { woff: 20, sfnt: 16 };
const SIGNATURE = 0x774f4646;

/**
 * A font's file as TrueType or OpenType: what is WOFF (W3C WOFF 1.0) is unpacked table by table, anything else is as it is.
 * Throws `unreadable` where it is cut short.
 */
export async function sfntOf(name: string, bytes: ArrayBuffer): Promise<Uint8Array> {
  // What it is, is told as where a font is brought in.
  openFont(name, bytes);
  const from = new DataView(bytes);
  if (from.getUint32(0) !== SIGNATURE) return new Uint8Array(bytes);
  const count = from.getUint16(12);
  const tables: { tag: number; checksum: number; data: Uint8Array }[] = [];
  for (let i = 0; i < count; i++) {
    const at = HEAD.woff + i * ENTRY.woff;
    const [offset, packed, length] = [
      from.getUint32(at + 4),
      from.getUint32(at + 8),
      from.getUint32(at + 12),
    ];
    const held = new Uint8Array(bytes, offset, packed);
    const data = packed === length ? held : await inflated(held);
    if (data.length !== length)
      throw new UpFitError('unreadable', `“${name}” is damaged: get it from its maker again.`);
    tables.push({ tag: from.getUint32(at), checksum: from.getUint32(at + 16), data });
  }
  return written(from.getUint32(4), tables);
}

async function inflated(bytes: Uint8Array<ArrayBuffer>): Promise<Uint8Array> {
  const stream = new Blob([bytes]).stream().pipeThrough(new DecompressionStream('deflate'));
  return new Uint8Array(await new Response(stream).arrayBuffer());
}

function written(
  flavour: number,
  tables: readonly { tag: number; checksum: number; data: Uint8Array }[],
): Uint8Array {
  const padded = (length: number) => Math.ceil(length / 4) * 4;
  const start = HEAD.sfnt + ENTRY.sfnt * tables.length;
  const out = new Uint8Array(start + tables.reduce((sum, { data }) => sum + padded(data.length), 0));
  const to = new DataView(out.buffer);
  const power = 2 ** Math.floor(Math.log2(tables.length));
  to.setUint32(0, flavour);
  to.setUint16(4, tables.length);
  to.setUint16(6, power * 16);
  to.setUint16(8, Math.log2(power));
  to.setUint16(10, tables.length * 16 - power * 16);
  let at = start;
  for (const [i, { tag, checksum, data }] of tables.entries()) {
    const entry = HEAD.sfnt + i * ENTRY.sfnt;
    to.setUint32(entry, tag);
    to.setUint32(entry + 4, checksum);
    to.setUint32(entry + 8, at);
    to.setUint32(entry + 12, data.length);
    out.set(data, at);
    at += padded(data.length);
  }
  return out;
}
