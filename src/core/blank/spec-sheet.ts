import { MM_PER_INCH } from '../length/units';

/** A size as a house gives it, with what else it says of it. Lengths in mm; `null` where it says nothing. */
export interface SpecSheet {
  pixels: { width: number; height: number } | null;
  lengths: { width: number; height: number } | null;
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
  trim: { width: number; height: number };
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
  const stated: { from: 'lengths' | 'pixels'; width: number; height: number }[] = [];
  if (lengths) stated.push({ from: 'lengths', ...lengths });
  if (pixels && ppi) {
    const perPixel = MM_PER_INCH / ppi;
    stated.push({ from: 'pixels', width: pixels.width * perPixel, height: pixels.height * perPixel });
  }
  const doubts: string[] = [];
  if (pixels && !ppi && !lengths)
    doubts.push('Pixels have no size without a PPI: ask which resolution they are for.');
  const whole = agree(stated) ? stated.slice(0, 1) : stated;
  if (whole.length > 1) doubts.push(disagreement(sheet, stated));
  const bleedReadings =
    bleed === 0 ? [false] : includesBleed === 'unknown' ? [false, true] : [includesBleed === 'yes'];
  if (bleedReadings.length > 1) doubts.push('Nobody says whether this size includes the bleed.');
  const readings = whole.flatMap(({ from, width, height }) =>
    bleedReadings.map((withBleed): SpecReading => {
      const off = withBleed ? 2 * bleed : 0;
      return { from, withBleed, trim: { width: width - off, height: height - off } };
    }),
  );
  const sound = readings.filter(({ trim }) => trim.width > 0 && trim.height > 0);
  if (sound.length < readings.length) doubts.push('The bleed is larger than the size allows.');
  const safe = sheet.safeFrom === 'bleed' ? sheet.safe - bleed : sheet.safe;
  if (safe < 0) doubts.push('A safe margin measured from the bleed edge must be more than the bleed.');
  return { readings: sound, doubts, safe: Math.max(0, safe) };
}

function agree(stated: readonly { width: number; height: number }[]): boolean {
  const [a, b] = stated;
  return !a || !b || (Math.abs(a.width - b.width) <= AGREE && Math.abs(a.height - b.height) <= AGREE);
}

/** Both readings in numbers, and whether the difference is just the bleed. */
function disagreement(
  { bleed, ppi }: SpecSheet,
  stated: readonly { width: number; height: number }[],
): string {
  const [lengths, pixels] = stated as [{ width: number; height: number }, { width: number; height: number }];
  const near = (a: number, b: number) => Math.abs(a - b) <= AGREE;
  const more = [pixels.width - lengths.width, pixels.height - lengths.height] as const;
  if (bleed > 0 && near(more[0], 2 * bleed) && near(more[1], 2 * bleed)) {
    return 'The pixels are the size with its bleed on every side.';
  }
  const at = (lengths.width / pixels.width) * ppi!;
  const byHeight = (lengths.height / pixels.height) * ppi!;
  const other =
    Math.abs(at / byHeight - 1) < 0.01
      ? ` At ${Math.round(ppi! * (pixels.width / lengths.width))} PPI they would agree.`
      : '';
  return `At ${ppi!} PPI the pixels come to ${size(pixels)}, the lengths say ${size(lengths)}.${other}`;
}

function size({ width, height }: { width: number; height: number }): string {
  return `${width.toFixed(1)} × ${height.toFixed(1)} mm`;
}
