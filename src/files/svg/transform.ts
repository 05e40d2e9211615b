import { combined, IDENTITY, type Matrix } from '@/core/geometry/matrix';

const RADIANS = Math.PI / 180;

/** A `transform` attribute as one matrix (CSS Transforms 1, SVG syntax); what cannot be read changes nothing. */
export function readTransform(text: string | undefined): Matrix {
  let matrix = IDENTITY;
  for (const [, kind, list] of (text ?? '').matchAll(/(\w+)\s*\(([^)]*)\)/g)) {
    const values = list!
      .trim()
      .split(/[\s,]+/)
      .map(Number);
    const step = values.some(Number.isNaN) ? IDENTITY : stepOf(kind!, values);
    matrix = combined(matrix, step);
  }
  return matrix;
}

function stepOf(kind: string, [a = 0, b, c, d = 0, e = 0, f = 0]: number[]): Matrix {
  switch (kind) {
    case 'matrix':
      return [a, b ?? 0, c ?? 0, d, e, f];
    case 'translate':
      return [1, 0, 0, 1, a, b ?? 0];
    case 'scale':
      return [a, 0, 0, b ?? a, 0, 0];
    case 'rotate': {
      const cos = Math.cos(a * RADIANS);
      const sin = Math.sin(a * RADIANS);
      const turn: Matrix = [cos, sin, -sin, cos, 0, 0];
      if (b === undefined) return turn;
      return combined(combined([1, 0, 0, 1, b, c ?? 0], turn), [1, 0, 0, 1, -b, -(c ?? 0)]);
    }
    case 'skewX':
      return [1, 0, Math.tan(a * RADIANS), 1, 0, 0];
    case 'skewY':
      return [1, Math.tan(a * RADIANS), 0, 1, 0, 0];
    default:
      return IDENTITY;
  }
}
