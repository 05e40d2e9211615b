import { hexOf, type Rgb } from './hex';
import { srgbOfXyz, xyzOf } from './lab';
import type { Cmyk } from './palette';
import { formatHex, modeHsl, modeRgb, parse, useMode as addMode } from 'culori/fn';

/** A colour as it was typed: one of the screen's, or inks whose colour the press has to say; or what is wrong with it. */
export type TypedColour =
  { kind: 'screen'; hex: string } | { kind: 'inks'; inks: Cmyk } | { kind: 'wrong'; message: string };

addMode(modeRgb);
addMode(modeHsl);

const HOW = 'Type #1f6f78, rgb(31 111 120), lab 42 -25 -9 or cmyk 85 40 45 10.';

/** Reads a colour as CSS writes it (`#0b5563`, `#abc`, `teal`, `rgb(11 85 99)`, `hsl(190 80% 22%)`), hex alone, CIE Lab under D50 (`lab 42 -25 -9`), or inks in percent (`cmyk 85 40 45 10`, `85/40/45/10`). */
export function readColour(text: string): TypedColour {
  const typed = text.trim().toLowerCase().replace(/−/g, '-');
  const css = parse(/^([0-9a-f]{3}|[0-9a-f]{6})$/.test(typed) ? `#${typed}` : typed);
  if (css) {
    if ((css.alpha ?? 1) < 1)
      return { kind: 'wrong', message: 'A colour covers what is under it: leave its alpha out.' };
    return { kind: 'screen', hex: formatHex(css) };
  }
  const numbers = (typed.match(/-?\d+(?:\.\d+)?/g) ?? []).map(Number);
  const [a = 0, b = 0, c = 0, d = 0] = numbers;
  if (typed.startsWith('lab') && numbers.length === 3) {
    if (a < 0 || a > 100) return { kind: 'wrong', message: 'L* goes from 0 to 100.' };
    return {
      kind: 'screen',
      hex: hexOf(srgbOfXyz(...xyzOf([a, b, c])).map((level) => level * 255) as unknown as Rgb),
    };
  }
  if ((typed.startsWith('cmyk') || /^[\d.]+%?(\s*\/\s*[\d.]+%?){3}$/.test(typed)) && numbers.length === 4) {
    if (numbers.some((ink) => ink < 0 || ink > 100))
      return { kind: 'wrong', message: 'Inks go from 0 to 100 percent.' };
    return { kind: 'inks', inks: [a / 100, b / 100, c / 100, d / 100] };
  }
  return { kind: 'wrong', message: HOW };
}
