import type { ByteReader } from './bytes';
import type { Header } from './header';
import { profileName } from './icc';

/** A box of the ISO base media format: its kind and where its content lies. */
interface Part {
  kind: string;
  start: number;
  end: number;
}

const ALPHA = 'urn:mpeg:mpegB:cicp:systems:auxiliary:alpha';

/** Reads what an AVIF says of its primary picture (ISO/IEC 23008-12). Throws `RangeError` where it says nothing. */
export function readAvifHeader(read: ByteReader): Header {
  const meta = partsOf(read, 0, read.length).find(({ kind }) => kind === 'meta');
  if (!meta) throw new RangeError('no meta');
  const inside = partsOf(read, meta.start + 4, meta.end);
  const properties = inside.find(({ kind }) => kind === 'iprp');
  if (!properties) throw new RangeError('no properties');
  const [container, ...others] = partsOf(read, properties.start, properties.end);
  if (!container) throw new RangeError('no properties');
  const all = partsOf(read, container.start, container.end);
  const own = ownProperties(read, inside, others).map((index) => all[index - 1]);
  const found = (kind: string) => (own.length > 0 ? own : all).find((part) => part?.kind === kind);
  const size = found('ispe');
  if (!size) throw new RangeError('no size');
  const turned = found('irot');
  const quarter = turned ? (read.u8(turned.start) & 3) % 2 === 1 : false;
  const [width, height] = [read.u32(size.start + 4), read.u32(size.start + 8)];
  const bits = found('pixi');
  const channels = bits ? read.u8(bits.start + 4) : 3;
  return {
    width: quarter ? height : width,
    height: quarter ? width : height,
    density: null,
    colour: {
      mode: channels === 1 ? 'grey' : 'rgb',
      bits: bits ? read.u8(bits.start + 5) : 8,
      profile: profileOf(read, found('colr')),
    },
    alpha: all.some((part) => part.kind === 'auxC' && read.text(part.start + 4, ALPHA.length) === ALPHA),
    orientation: 1,
    animated: false,
    pages: 1,
    directory: 0,
  };
}

function partsOf(read: ByteReader, from: number, to: number): Part[] {
  const parts: Part[] = [];
  for (let at = from; at + 8 <= to && parts.length < 1000;) {
    const length = read.u32(at);
    const end = length === 0 ? to : at + length;
    if (length !== 0 && length < 8) throw new RangeError('no such box');
    parts.push({ kind: read.text(at + 4, 4), start: at + 8, end: Math.min(end, to) });
    at = end;
  }
  return parts;
}

/** Numbers of the properties that belong to the primary item (boxes `pitm` and `ipma`); none where it is not said. */
function ownProperties(read: ByteReader, meta: readonly Part[], associations: readonly Part[]): number[] {
  const primary = meta.find(({ kind }) => kind === 'pitm');
  const ipma = associations.find(({ kind }) => kind === 'ipma');
  if (!primary || !ipma) return [];
  const id = read.u8(primary.start) === 0 ? read.u16(primary.start + 4) : read.u32(primary.start + 4);
  const wideId = read.u8(ipma.start) >= 1;
  const wideIndex = (read.u8(ipma.start + 3) & 1) === 1;
  const items = Math.min(read.u32(ipma.start + 4), 1000);
  let at = ipma.start + 8;
  for (let i = 0; i < items; i++) {
    const item = wideId ? read.u32(at) : read.u16(at);
    at += wideId ? 4 : 2;
    const count = read.u8(at++);
    const indices = Array.from({ length: count }, (_, k) =>
      wideIndex ? read.u16(at + 2 * k) & 0x7fff : read.u8(at + k) & 0x7f,
    );
    if (item === id) return indices;
    at += count * (wideIndex ? 2 : 1);
  }
  return [];
}

function profileOf(read: ByteReader, colr: Part | undefined): string | null {
  if (!colr) return null;
  const kind = read.text(colr.start, 4);
  if (kind === 'prof' || kind === 'rICC')
    return profileName(read.slice(colr.start + 4, colr.end - colr.start - 4)) ?? 'unnamed profile';
  // Primaries 1 with transfer 13 are sRGB by number (ITU-T H.273).
  const srgb = kind === 'nclx' && read.u16(colr.start + 4) === 1 && read.u16(colr.start + 6) === 13;
  return srgb ? 'sRGB' : null;
}
