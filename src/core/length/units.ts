/** Millimetres in one of each unit a seller writes. 1 in = 25.4 mm exactly; 1 pt = 1/72 in. */
export const MM_PER_INCH = 25.4;

const SPELLINGS: Record<string, readonly string[]> = {
  in: ['inches', 'inch', 'in', '"', '″', '”', "''"],
  ft: ['feet', 'foot', 'ft', "'", '′', '’'],
  mm: ['mm'],
  cm: ['cm'],
  m: ['m'],
  pt: ['pt'],
  px: ['px'],
};

export type Unit = 'in' | 'ft' | 'mm' | 'cm' | 'm' | 'pt' | 'px';

/** Every spelling with its unit, longest first so that `mm` is never read as `m`. */
export const UNIT_SPELLINGS: readonly (readonly [spelling: string, unit: Unit])[] = Object.entries(SPELLINGS)
  .flatMap(([unit, names]) => names.map((name) => [name, unit as Unit] as const))
  .sort((a, b) => b[0].length - a[0].length);

/** Millimetres in one `unit`; a pixel has a size only where its density is known (throws otherwise). */
export function mmPer(unit: Unit, ppi?: number): number {
  switch (unit) {
    case 'in':
      return MM_PER_INCH;
    case 'ft':
      return 12 * MM_PER_INCH;
    case 'mm':
      return 1;
    case 'cm':
      return 10;
    case 'm':
      return 1000;
    case 'pt':
      return MM_PER_INCH / 72;
    case 'px':
      if (!ppi) throw new RangeError('A pixel has no size without a PPI.');
      return MM_PER_INCH / ppi;
  }
}

/** Pixels along a length: `round(mm / 25.4 * ppi)`. */
export function pixelsFor(mm: number, ppi: number): number {
  return Math.round((mm / MM_PER_INCH) * ppi);
}
