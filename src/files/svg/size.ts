import { UpFitError } from '@/core/errors';
import { parseLength } from '@/core/length/parse';
import { MM_PER_INCH } from '@/core/length/units';

/** CSS: 96 px an inch, and a number without a unit is a pixel. */
export const MM_PER_PX = MM_PER_INCH / 96;

export interface ViewBox {
  x: number;
  y: number;
  width: number;
  height: number;
}

/** What a drawing's root element says of its size. */
export interface SvgSize {
  /** Size in mm. */
  width: number;
  height: number;
  view: ViewBox | null;
  /** Whether a side carries a real unit; else it is read as pixels at 96 PPI. */
  stated: boolean;
}

/**
 * A drawing's true size (SVG 2, coordinate systems): its width and height in any unit, a side that is missing or in
 * percent from the other by the viewBox, or the viewBox alone as pixels. Null where it has no size at all.
 */
export function readSvgSize(root: Readonly<Record<string, string>>): SvgSize | null {
  const view = viewBox(root['viewBox']);
  const width = lengthOf(root['width']);
  const height = lengthOf(root['height']);
  const aspect = view && view.height / view.width;
  const size =
    width && height
      ? { width: width.mm, height: height.mm }
      : width && aspect
        ? { width: width.mm, height: width.mm * aspect }
        : height && aspect
          ? { width: height.mm / aspect, height: height.mm }
          : view && { width: view.width * MM_PER_PX, height: view.height * MM_PER_PX };
  return size && { ...size, view, stated: Boolean(width?.unit ?? height?.unit) };
}

/** Refuses a drawing that has no size. */
export function requireSvgSize(name: string, size: SvgSize | null): SvgSize {
  if (size) return size;
  throw new UpFitError(
    'unreadable',
    `“${name}” has neither a size nor a viewBox, so it has no size at all: export it with one.`,
  );
}

/** Millimetres of a user unit inside the root. */
export function userUnit({ width, view }: SvgSize): number {
  return view ? width / view.width : MM_PER_PX;
}

/** A length attribute in mm, and whether it carries a real unit. Percentages are no size of their own. */
function lengthOf(text: string | undefined): { mm: number; unit: boolean } | undefined {
  if (!text || text.includes('%')) return undefined;
  if (/^\s*[\d.]+(e-?\d+)?\s*(px)?\s*$/i.test(text)) {
    const mm = Number.parseFloat(text) * MM_PER_PX;
    return mm > 0 ? { mm, unit: false } : undefined;
  }
  const other = /^\s*([\d.]+)\s*(pc|q|em|rem|ex)\s*$/i.exec(text);
  if (other) {
    const unit = other[2]!.toLowerCase();
    const size = { pc: MM_PER_INCH / 6, q: 0.25, em: 16 * MM_PER_PX, rem: 16 * MM_PER_PX, ex: 8 * MM_PER_PX };
    const mm = Number(other[1]) * size[unit as keyof typeof size];
    return mm > 0 ? { mm, unit: unit === 'pc' || unit === 'q' } : undefined;
  }
  const length = parseLength(text);
  return length.ok && length.mm > 0 ? { mm: length.mm, unit: true } : undefined;
}

function viewBox(text: string | undefined): ViewBox | null {
  const [x, y, width, height] = (text ?? '')
    .trim()
    .split(/[\s,]+/)
    .map(Number);
  return width && height && width > 0 && height > 0 ? { x: x!, y: y!, width, height } : null;
}
