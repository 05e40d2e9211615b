import * as v from 'valibot';
import { MM_PER_INCH } from './units';

export const UnitSettingSchema = v.object({
  unit: v.picklist(['mm', 'in']),
  inches: v.picklist(['sixteenths', 'decimal']),
});

/** How this seller reads lengths: the unit, and inches as 1/16 or to three decimals. */
export type UnitSetting = v.InferOutput<typeof UnitSettingSchema>;

export const MILLIMETRES: UnitSetting = { unit: 'mm', inches: 'sixteenths' };

/** A length with its unit: `120.5 mm`, `3 1/8 in`, `3.125 in`. Sixteenths that are not exact carry a `~`. */
export function showLength(mm: number, setting: UnitSetting = MILLIMETRES): string {
  return `${showNumber(mm, setting)} ${setting.unit}`;
}

/** The number alone, for a row of lengths that shares one unit. */
export function showNumber(mm: number, setting: UnitSetting = MILLIMETRES): string {
  if (setting.unit === 'mm') return fixed(mm, 1);
  const inches = mm / MM_PER_INCH;
  return setting.inches === 'decimal' ? fixed(inches, 3) : sixteenths(inches);
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
