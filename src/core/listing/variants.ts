import type { ResolvedBlank } from '../blank/resolve';
import { sizesSold } from '../fit/in-size';
import type { Fit } from '../fit/schema';
import { coloursFor } from '../fit/version';
import type { ListingTrouble } from './check';

/** One thing that can be ordered of a fit: a colour in a size. */
export interface Variant {
  key: string;
  colour: string;
  /** Null where the blank has one size. */
  size: string | null;
  sizeId: string | null;
  sku: string;
}

/** A variant's number by a pattern: letters and digits in capitals, the rest as hyphens. */
function skuBy(pattern: string, fields: Readonly<Record<string, string>>): string {
  return pattern
    .replace(/\{(\w+)\}/g, (_, name: string) => fields[name.toLowerCase()] ?? '')
    .normalize('NFKD')
    .replace(/\p{M}/gu, '')
    .replace(/[^\p{L}\p{N}]+/gu, '-')
    .replace(/^-+|-+$/g, '')
    .toLocaleUpperCase();
}

/** Every colour in every size that a fit is sold in, numbered by a pattern. */
export function variantsOf({ blank }: ResolvedBlank, fit: Fit, design: string, pattern: string): Variant[] {
  const sold = sizesSold({ blank }, fit);
  let row = 0;
  return coloursFor(blank, fit).flatMap((colour) =>
    (sold.length > 0 ? sold : [null]).map((size): Variant => ({
      key: `${colour.id}/${size?.id ?? ''}`,
      colour: colour.name,
      size: size?.name ?? null,
      sizeId: size?.id ?? null,
      sku: skuBy(pattern, {
        design,
        blank: blank.name,
        colour: colour.name,
        size: size?.name ?? '',
        row: String(++row),
      }),
    })),
  );
}

/** Numbers that are empty, or of two variants. */
export function skuTroubles(variants: readonly Variant[]): ListingTrouble[] {
  const seen = new Map<string, Variant>();
  const said = ({ colour, size }: Variant) => [colour, size].filter(Boolean).join(' ');
  for (const variant of variants) {
    if (variant.sku === '')
      return [
        {
          field: 'sku',
          verdict: 'fix',
          message: `${said(variant)} has no number: name a field in the pattern.`,
        },
      ];
    const before = seen.get(variant.sku);
    if (before)
      return [
        {
          field: 'sku',
          verdict: 'fix',
          message: `${said(before)} and ${said(variant)} would both be ${variant.sku}: name {colour} and {size}, or {row}, in the pattern.`,
        },
      ];
    seen.set(variant.sku, variant);
  }
  return [];
}
