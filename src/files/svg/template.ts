import { SaxesParser } from 'saxes';
import { UpFitError } from '@/core/artwork/errors';
import { parseLength } from '@/core/length/parse';
import { MM_PER_INCH } from '@/core/length/units';
import type { DrillHole, TemplateReading } from '@/core/template/reading';

/** CSS: 96 px an inch, and a number without a unit is a pixel. */
const MM_PER_PX = MM_PER_INCH / 96;
/** Deeper nesting than any drawing needs kills renderers. */
const MOST_DEPTH = 128;

interface Frame {
  /** Scale and shift of what is inside, in user units: only `translate` and `scale` are followed. */
  scale: number;
  x: number;
  y: number;
  followed: boolean;
}

/** Reads an SVG template's true size and the circles in it. Throws `unreadable` where it is no SVG. */
export function readSvgTemplate(name: string, text: string): TemplateReading {
  let root: Record<string, string> | null = null;
  const circles: DrillHole[] = [];
  const frames: Frame[] = [];
  const parser = new SaxesParser();
  parser.on('error', () => {
    throw unreadable(name);
  });
  parser.on('opentag', ({ name: tag, attributes }) => {
    const own = attributes as Record<string, string>;
    const local = tag.replace(/^.*:/, '');
    if (!root) {
      if (local !== 'svg') throw unreadable(name);
      root = own;
    }
    if (frames.length > MOST_DEPTH) throw unreadable(name);
    const frame = inner(frames.at(-1) ?? { scale: 1, x: 0, y: 0, followed: true }, own['transform']);
    frames.push(frame);
    if (local === 'circle' && frame.followed) {
      const [x = 0, y = 0, r = 0] = ['cx', 'cy', 'r'].map((key) => Number.parseFloat(own[key] ?? '0'));
      if (r > 0)
        circles.push({
          x: frame.x + x * frame.scale,
          y: frame.y + y * frame.scale,
          diameter: 2 * r * frame.scale,
        });
    }
  });
  parser.on('closetag', () => frames.pop());
  try {
    parser.write(text).close();
  } catch (error) {
    throw error instanceof UpFitError ? error : unreadable(name);
  }
  if (!root) throw unreadable(name);
  return reading(name, root, circles);
}

function reading(name: string, root: Record<string, string>, circles: DrillHole[]): TemplateReading {
  const view = viewBox(root['viewBox']);
  const width = lengthOf(root['width']);
  const height = lengthOf(root['height']);
  const aspect = view && view.height / view.width;
  const page =
    width && height
      ? { width: width.mm, height: height.mm }
      : width && aspect
        ? { width: width.mm, height: width.mm * aspect }
        : height && aspect
          ? { width: height.mm / aspect, height: height.mm }
          : view && { width: view.width * MM_PER_PX, height: view.height * MM_PER_PX };
  if (!page) {
    throw new UpFitError(
      'unreadable',
      `“${name}” has neither a size nor a viewBox, so it has no size at all.`,
    );
  }
  const unit = view ? page.width / view.width : MM_PER_PX;
  const stated = Boolean(width?.unit ?? height?.unit);
  return {
    name,
    format: 'svg',
    page,
    pixels: null,
    from: stated ? 'size in the SVG' : 'pixels in the SVG at 96 PPI',
    trim: { x: 0, y: 0, ...page },
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
            message: `The drawing gives its size without a unit; read as pixels it is ${page.width.toFixed(1)} × ${page.height.toFixed(1)} mm. Check one side against what the house states.`,
          },
        ],
  };
}

/** A length attribute in mm, and whether it carries a real unit. Percentages are no size of their own. */
function lengthOf(text: string | undefined): { mm: number; unit: boolean } | undefined {
  if (!text || text.includes('%')) return undefined;
  const bare = /^\s*[\d.]+(e-?\d+)?\s*(px)?\s*$/i.test(text);
  if (bare) return { mm: Number.parseFloat(text) * MM_PER_PX, unit: false };
  const pica = /^\s*([\d.]+)\s*pc\s*$/i.exec(text);
  if (pica) return { mm: (Number(pica[1]) * MM_PER_INCH) / 6, unit: true };
  const length = parseLength(text);
  return length.ok && length.mm > 0 ? { mm: length.mm, unit: true } : undefined;
}

function viewBox(text: string | undefined): { x: number; y: number; width: number; height: number } | null {
  const [x, y, width, height] = (text ?? '')
    .trim()
    .split(/[\s,]+/)
    .map(Number);
  return width && height && width > 0 && height > 0 ? { x: x!, y: y!, width, height } : null;
}

/** What a group's transform makes of the space inside it. */
function inner(outer: Frame, transform: string | undefined): Frame {
  if (!transform) return outer;
  let { scale, x, y, followed } = outer;
  for (const [, kind, list] of transform.matchAll(/(\w+)\s*\(([^)]*)\)/g)) {
    const [a = 0, b] = list!
      .trim()
      .split(/[\s,]+/)
      .map(Number);
    if (kind === 'translate') {
      x += a * scale;
      y += (b ?? 0) * scale;
    } else if (kind === 'scale' && (b === undefined || b === a)) scale *= a;
    else followed = false;
  }
  return { scale, x, y, followed };
}

function unreadable(name: string): UpFitError {
  return new UpFitError('unreadable', `“${name}” is not a drawing that can be read: export it as SVG again.`);
}
