import { rgbOf } from './hex';
import { plainName } from './names';
import type { Cmyk, PaletteColour } from './palette';

/** A colour as it is handed on: by hex, its name, its share of the artwork, and its inks. */
export interface Swatch extends PaletteColour {
  name: string;
  /** Shares of ink, 0 to 1; null where they were not asked for. */
  inks: Cmyk | null;
}

/** Colours of a palette by their own names, or by plain words where they have none. */
export function swatchesOf(
  palette: readonly (PaletteColour & { name?: string })[],
  inks: readonly Cmyk[] = [],
): Swatch[] {
  return palette.map(({ hex, share, name }, i) => ({
    hex,
    share,
    name: name?.trim() ? name.trim() : plainName(hex),
    inks: inks[i] ?? null,
  }));
}

/** "60/50/50/100", in whole percent. */
export function showInks(inks: Cmyk): string {
  return inks.map((ink) => Math.round(ink * 100)).join('/');
}

/** A GIMP palette file (`.gpl`), readable by several programs. */
export function gplOf(name: string, swatches: readonly Swatch[]): string {
  const rows = swatches.map(
    ({ hex, name: own }) =>
      `${rgbOf(hex)
        .map((level) => String(level).padStart(3))
        .join(' ')}\t${oneLine(own)}`,
  );
  return ['GIMP Palette', `Name: ${oneLine(name)}`, 'Columns: 0', '#', ...rows, ''].join('\n');
}

/** Comma-separated values (RFC 4180), a header first. */
export function csvOf(swatches: readonly Swatch[]): string {
  const rows = swatches.map(({ hex, name, share, inks }) => [
    name,
    hex,
    ...rgbOf(hex).map(String),
    (share * 100).toFixed(1),
    ...(inks ?? ['', '', '', '']).map((ink) =>
      typeof ink === 'number' ? String(Math.round(ink * 100)) : ink,
    ),
  ]);
  const header = [
    'name',
    'hex',
    'red',
    'green',
    'blue',
    'share %',
    'cyan %',
    'magenta %',
    'yellow %',
    'black %',
  ];
  return [header, ...rows].map((row) => row.map(quoted).join(',')).join('\r\n') + '\r\n';
}

function oneLine(text: string): string {
  return text.replace(/\s+/g, ' ').trim();
}

/** Quoted where it must be. What a spreadsheet would take for a formula is kept from being one. */
function quoted(value: string): string {
  const safe = /^[=+\-@]/.test(value) ? `'${value}` : value;
  return /[",\r\n]/.test(safe) ? `"${safe.replace(/"/g, '""')}"` : safe;
}
