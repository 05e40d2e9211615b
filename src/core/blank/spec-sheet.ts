import { MM_PER_INCH } from '../length/units';

interface Size {
  width: number;
  height: number;
}

/** A size as a house gives it, with what else it says of it. Lengths in mm; `null` where it says nothing. */
export interface SpecSheet {
  pixels: Size | null;
  lengths: Size | null;
  ppi: number | null;
  bleed: number;
  includesBleed: 'yes' | 'no' | 'unknown';
  safe: number;
  safeFrom: 'trim' | 'bleed';
}

/** One way to read it: the trim it comes to in mm, and in words where that is from. */
export interface SpecReading {
  from: 'lengths' | 'pixels';
  withBleed: boolean;
  trim: Size;
  /** The stated pixels, where they are exactly what this reading prints: trim plus bleed. */
  pixels: Size | null;
}

export interface SpecSheetReading {
  /** What it can mean, the likeliest first; one where it is plain. */
  readings: SpecReading[];
  /** What is doubtful, each a sentence. */
  doubts: string[];
  /** mm inside the trim. */
  safe: number;
}

/** Lengths and pixels within this many mm say the same thing: a house rounds its pixels. */
const AGREE = 0.3;

/** Reads a house's spec. Where it can be read in several ways, every reading is given, and why. */
export function readSpecSheet(sheet: SpecSheet): SpecSheetReading {
  const { pixels, lengths, ppi, bleed, includesBleed } = sheet;
  const pixelSize =
    pixels && ppi
      ? { width: (pixels.width * MM_PER_INCH) / ppi, height: (pixels.height * MM_PER_INCH) / ppi }
      : null;
  const stated: (Size & { from: SpecReading['from'] })[] = [];
  if (lengths) stated.push({ from: 'lengths', ...lengths });
  if (pixelSize) stated.push({ from: 'pixels', ...pixelSize });
  const doubts: string[] = [];
  if (pixels && !ppi && !lengths)
    doubts.push('Pixels have no size without a PPI: ask which resolution they are for.');
  const [lengthsRead, pixelsRead] = stated;
  const pixelsHoldBleed =
    bleed > 0 && pixelsRead !== undefined && isGrown(lengthsRead!, pixelsRead, 2 * bleed);
  if (pixelsHoldBleed) {
    doubts.push('The pixels are the size with its bleed on every side: both say the same.');
  }
  const agreed = pixelsHoldBleed || agree(stated);
  if (!agreed) doubts.push(disagreement(sheet, stated));
  const whole = agreed ? stated.slice(0, 1) : stated;
  const open = bleed > 0 && includesBleed === 'unknown' && !pixelsHoldBleed;
  if (open) doubts.push('Nobody says whether this size includes the bleed.');
  const plain = bleed > 0 && includesBleed === 'yes' && !pixelsHoldBleed;
  const bleedReadings = open ? [false, true] : [plain];
  const readings = whole.flatMap(({ from, width, height }) =>
    bleedReadings.map((withBleed): SpecReading => {
      const off = withBleed ? 2 * bleed : 0;
      const trim = { width: width - off, height: height - off };
      const exact = pixelSize !== null && isGrown(trim, pixelSize, 2 * bleed);
      return { from, withBleed, trim, pixels: exact ? pixels : null };
    }),
  );
  const sound = readings.filter(({ trim }) => trim.width > 0 && trim.height > 0);
  if (sound.length < readings.length) doubts.push('The bleed is larger than the size allows.');
  const safe = sheet.safeFrom === 'bleed' ? sheet.safe - bleed : sheet.safe;
  if (safe < 0) doubts.push('A safe margin measured from the bleed edge must be more than the bleed.');
  return { readings: sound, doubts, safe: Math.max(0, safe) };
}

function agree(stated: readonly Size[]): boolean {
  const [a, b] = stated;
  return !a || !b || isGrown(a, b, 0);
}

/** Whether one size is another with so much more each way. */
function isGrown(a: Size, b: Size, more: number): boolean {
  return Math.abs(b.width - a.width - more) <= AGREE && Math.abs(b.height - a.height - more) <= AGREE;
}

/** Both readings in numbers, and the PPI at which they would be one. */
function disagreement({ ppi }: SpecSheet, stated: readonly Size[]): string {
  const [lengths, pixels] = stated as [Size, Size];
  const at = (lengths.width / pixels.width) * ppi!;
  const byHeight = (lengths.height / pixels.height) * ppi!;
  const other =
    Math.abs(at / byHeight - 1) < 0.01
      ? ` At ${Math.round(ppi! * (pixels.width / lengths.width))} PPI they would agree.`
      : '';
  return `At ${ppi!} PPI the pixels come to ${size(pixels)}, the lengths say ${size(lengths)}.${other}`;
}

function size({ width, height }: Size): string {
  return `${width.toFixed(1)} × ${height.toFixed(1)} mm`;
}
