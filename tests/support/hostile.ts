import { deflateSync, zipSync } from 'fflate';

/** A grey PNG of one colour, so many pixels a side: small, and large once decoded. */
export function hugePng(side: number): Uint8Array {
  const rows = new Uint8Array((Math.ceil(side / 8) + 1) * side);
  const deflated = deflateSync(rows, { level: 9 });
  const zlib = new Uint8Array(deflated.length + 6);
  zlib.set([0x78, 0x9c]);
  zlib.set(deflated, 2);
  const head = new Uint8Array(13);
  new DataView(head.buffer).setUint32(0, side);
  new DataView(head.buffer).setUint32(4, side);
  head[8] = 1;
  const parts = [chunk('IHDR', head), chunk('IDAT', zlib), chunk('IEND', new Uint8Array())];
  return Buffer.concat([Buffer.from([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a]), ...parts]);
}

function chunk(kind: string, data: Uint8Array): Buffer {
  const length = Buffer.alloc(4);
  length.writeUInt32BE(data.length);
  return Buffer.concat([length, Buffer.from(kind), data, Buffer.alloc(4)]);
}

/** A TIFF of one pixel whose directory at 8 is followed by others, and they lead back. */
export function circularTiff(next: readonly number[]): Uint8Array {
  const bytes = new Uint8Array(400);
  const view = new DataView(bytes.buffer);
  bytes.set([0x49, 0x49, 42, 0, 8, 0, 0, 0]);
  const places = [8, ...next];
  for (const [i, at] of places.slice(0, -1).entries()) {
    view.setUint16(at, 2, true);
    for (const [n, tag] of [256, 257].entries()) {
      view.setUint16(at + 2 + n * 12, tag, true);
      view.setUint16(at + 4 + n * 12, 3, true);
      view.setUint32(at + 6 + n * 12, 1, true);
      view.setUint16(at + 10 + n * 12, 1, true);
    }
    view.setUint32(at + 26, places[i + 1]!, true);
  }
  return bytes;
}

/** A zip of one short file that says it unpacks to so many bytes. */
export function lyingZip(says: number): Uint8Array {
  const zip = zipSync({ 'manifest.json': new TextEncoder().encode('{}') });
  const view = new DataView(zip.buffer);
  const list = view.getUint32(zip.length - 6, true);
  view.setUint32(list + 24, says, true);
  view.setUint32(22, says, true);
  return zip;
}
