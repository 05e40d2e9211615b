import { bytesSource, type Source } from './source';

/** Bytes held at a time of a source that is not in memory. */
const WINDOW = 64 * 1024;

/** Reads numbers and text out of a file's bytes; a read past the end throws a `RangeError`. */
export class ByteReader {
  private readonly source: Source;
  private view: DataView;
  private start = 0;

  constructor(
    from: Uint8Array | Source,
    private readonly littleEndian = false,
  ) {
    this.source = from instanceof Uint8Array ? bytesSource(from) : from;
    this.view = viewOf(this.source.bytes ?? new Uint8Array(0));
  }
  /** The same bytes, numbers read the other way round or not. */
  as(littleEndian: boolean): ByteReader {
    return new ByteReader(this.source, littleEndian);
  }
  get length(): number {
    return this.source.size;
  }
  u8(at: number): number {
    return this.around(at, 1).getUint8(at - this.start);
  }
  u16(at: number): number {
    return this.around(at, 2).getUint16(at - this.start, this.littleEndian);
  }
  u32(at: number): number {
    return this.around(at, 4).getUint32(at - this.start, this.littleEndian);
  }
  text(at: number, length: number): string {
    let text = '';
    for (let i = 0; i < length; i++) text += String.fromCharCode(this.u8(at + i));
    return text;
  }
  slice(at: number, length: number): Uint8Array {
    return this.source.read(at, Math.max(0, Math.min(length, this.length - at)));
  }

  /** A view that holds so many bytes from a place on, or as many as there are. */
  private around(at: number, length: number): DataView {
    const end = this.start + this.view.byteLength;
    if ((at < this.start || at + length > end) && !this.source.bytes && at >= 0 && at < this.length) {
      this.start = at;
      this.view = viewOf(this.source.read(at, Math.min(WINDOW, this.length - at)).slice());
    }
    return this.view;
  }
}

function viewOf(bytes: Uint8Array): DataView {
  return new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
}
