import type { DrillHole, TemplateReading } from '@/core/template/reading';
import { readElements } from './elements';
import { readSvgSize, requireSvgSize, userUnit, type SvgSize } from './size';
import { moved, scales } from '@/core/geometry/matrix';

/** How far two scales may be apart for a circle to be one still. */
const ROUND = 1e-6;

/** Reads an SVG template's true size and the circles in it. Throws `unreadable` where it is no SVG. */
export function readSvgTemplate(name: string, text: string): TemplateReading {
  let root: Readonly<Record<string, string>> = {};
  const circles: DrillHole[] = [];
  readElements(name, text, {
    open: ({ tag, attributes, matrix, depth }) => {
      if (depth === 0) root = attributes;
      const scale = scales(matrix);
      if (tag !== 'circle' || Math.abs(scale.x - scale.y) > ROUND * scale.x) return;
      const [x = 0, y = 0, r = 0] = ['cx', 'cy', 'r'].map((key) => Number.parseFloat(attributes[key] ?? '0'));
      if (r > 0) circles.push({ ...moved(matrix, x, y), diameter: 2 * r * scale.x });
    },
  });
  return reading(name, requireSvgSize(name, readSvgSize(root)), circles);
}

function reading(name: string, size: SvgSize, circles: DrillHole[]): TemplateReading {
  const { width, height, view, stated } = size;
  const unit = userUnit(size);
  return {
    name,
    format: 'svg',
    page: { width, height },
    pixels: null,
    from: stated ? 'size in the SVG' : 'pixels in the SVG at 96 PPI',
    trim: { x: 0, y: 0, width, height },
    bleed: null,
    holes: circles.map(({ x, y, diameter }) => ({
      x: (x - (view?.x ?? 0)) * unit,
      y: (y - (view?.y ?? 0)) * unit,
      diameter: diameter * unit,
    })),
    traps: stated
      ? []
      : [
          {
            code: 'no-unit',
            message: `The drawing gives its size without a unit; read as pixels it is ${width.toFixed(1)} × ${height.toFixed(1)} mm. Check one side against what the house states.`,
          },
        ],
  };
}
