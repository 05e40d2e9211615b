import * as v from 'valibot';
import { MM_PER_INCH } from './units';

export const UnitSettingSchema = v.object({
  unit: v.picklist(['mm', 'in']),
  inches: v.picklist(['sixteenths', 'decimal']),
});

/** How this seller reads lengths: the unit, and inches as 1/16 or to three decimals. */
export type UnitSetting = v.InferOutput<typeof UnitSettingSchema>;

export const MILLIMETRES: UnitSetting = { unit: 'mm', inches: 'sixteenths' };

/**
 * A length with its unit: `120.5 mm`, `3 1/8 in`, `3.125 in`. Half tenths of a millimetre are told (`6.35 mm` is 1/4 in);
 * sixteenths that are not exact carry a `~`.
 */
export function showLength(mm: number, setting: UnitSetting = MILLIMETRES): string {
  return `${showNumber(mm, setting)} ${setting.unit}`;
}

/** The number alone, for a row of lengths that shares one unit. */
export function showNumber(mm: number, setting: UnitSetting = MILLIMETRES): string {
  if (setting.unit === 'mm') return fixed(mm, isHalfTenth(mm) ? 2 : 1);
  const inches = mm / MM_PER_INCH;
  return setting.inches === 'decimal' ? fixed(inches, 3) : sixteenths(inches);
}

/** Nearer than this, in mm, two lengths are written alike. */
const ALIKE = 0.0005;

/** Whether a length in mm is a tenth and a half one exactly, which a tenth alone would misstate. */
function isHalfTenth(mm: number): boolean {
  const twentieths = Math.round(mm * 20);
  return twentieths % 2 !== 0 && Math.abs(mm - twentieths / 20) < ALIKE;
}

/**
 * A length as it is typed over: as it is shown where that says all of it, else with the decimals that do. Read again it
 * comes to the same within a thousandth of a millimetre.
 */
export function typedLength(mm: number, setting: UnitSetting = MILLIMETRES): string {
  const shown = showLength(mm, setting);
  if (setting.unit === 'mm')
    return Math.abs(mm * 10 - Math.round(mm * 10)) < 10 * ALIKE || isHalfTenth(mm)
      ? shown
      : `${trimmed(mm, 3)} mm`;
  const inches = mm / MM_PER_INCH;
  const exact =
    setting.inches === 'decimal'
      ? Math.abs(inches * 1000 - Math.round(inches * 1000)) < 0.02
      : Math.abs(inches * 16 - Math.round(inches * 16)) < 0.0005;
  return exact ? shown : `${trimmed(inches, 5)} in`;
}

function trimmed(value: number, decimals: number): string {
  return fixed(value, decimals).replace(/\.?0+$/, '');
}

/** `222.2 × 92.0 mm`. */
export function showSize(width: number, height: number, setting: UnitSetting = MILLIMETRES): string {
  return `${showNumber(width, setting)} × ${showLength(height, setting)}`;
}

/** One step of the arrow keys in the seller's unit: 1 mm, or 1/16 in. */
export function nudgeStep(setting: UnitSetting): number {
  return setting.unit === 'mm' ? 1 : MM_PER_INCH / 16;
}

function sixteenths(inches: number): string {
  const parts = Math.round(Math.abs(inches) * 16);
  const sign = inches < 0 && parts > 0 ? '−' : '';
  const about = Math.abs(Math.abs(inches) * 16 - parts) > 0.02 ? '~' : '';
  const whole = Math.floor(parts / 16);
  let above = parts % 16;
  let below = 16;
  while (above > 0 && above % 2 === 0) {
    above /= 2;
    below /= 2;
  }
  const fraction = above > 0 ? `${above}/${below}` : '';
  const number = fraction === '' ? String(whole) : whole === 0 ? fraction : `${whole} ${fraction}`;
  return `${about}${sign}${number}`;
}

/** A fixed number of decimals, never `-0.0`, with a true minus sign. */
export function fixed(value: number, decimals: number): string {
  const text = Math.abs(value).toFixed(decimals);
  return value < 0 && Number(text) !== 0 ? `−${text}` : text;
}
