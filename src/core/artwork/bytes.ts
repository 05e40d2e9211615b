/** Reads numbers and text out of a file's bytes; a read past the end throws a `RangeError`. */
export class ByteReader {
  private readonly view: DataView;
  constructor(
    readonly bytes: Uint8Array,
    private readonly littleEndian = false,
  ) {
    this.view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  }
  get length(): number {
    return this.bytes.length;
  }
  u8(at: number): number {
    return this.view.getUint8(at);
  }
  u16(at: number): number {
    return this.view.getUint16(at, this.littleEndian);
  }
  u32(at: number): number {
    return this.view.getUint32(at, this.littleEndian);
  }
  text(at: number, length: number): string {
    let text = '';
    for (let i = 0; i < length; i++) text += String.fromCharCode(this.u8(at + i));
    return text;
  }
  slice(at: number, length: number): Uint8Array {
    return this.bytes.subarray(at, Math.min(at + length, this.length));
  }
}
