import { requireDrawnSize } from '@/core/artwork/limits';
import { UpFitError } from '@/core/errors';
import { readHeader } from '@/core/formats/sniff';
import type { PixelSize, PlacedImage } from '@/core/artwork/facts';
import { MM_PER_INCH } from '@/core/length/units';
import {
  ATTRIBUTES,
  ELEMENTS,
  HIDDEN,
  isAllowedAddress,
  isAllowedValue,
  allowedRules,
  PARTS,
  WORD_ATTRIBUTES,
  WORD_ELEMENTS,
} from './allowed';
import { Expansion } from './expansion';
import { readElements, type Element } from './elements';
import { readSvgSize, requireSvgSize, userUnit, type SvgSize } from './size';
import { escaped } from './tree';
import { scales } from '@/core/geometry/matrix';

/** A drawing made safe, and what was found in it. */
export interface CleanDrawing {
  /** The drawing at a size in pixels: it draws only, and refers to nothing outside itself. */
  svg: (pixels: PixelSize) => string;
  size: SvgSize;
  /** Words of its live text, which is left out: it prints only once outlined. */
  text: string[];
  /** Kinds of what was left out because it could run or load something, or is not drawn at all. */
  refused: string[];
  images: (PlacedImage & { bytes: Uint8Array })[];
  /** How many parts make a mark of their own, those left out counted. */
  parts: number;
  /** For each part the groups that it lies in, from the outermost, each by a number of its own. */
  groups: number[][];
}

export interface CleanOptions {
  /** Parts to leave out, by their number. */
  omit?: readonly number[];
  /** Keeps live text, to be outlined. */
  words?: boolean;
  /** Draws each part in a colour of its own, its number plus one, so that a click can be told which it met. */
  map?: boolean;
}

/** Things nobody misses: descriptions, and the drawing program's own notes. */
const SILENT = new Set(['title', 'desc', 'metadata']);
const TEXT = new Set(['text', 'flowRoot']);
const LEAST_IMAGE = 1e-6;

/**
 * Makes a drawing safe by an allow-list: no script, no event handler, no outside address, no foreign content, no live
 * text. Nothing of it is fetched. Throws `unreadable` where it is no drawing or has no size.
 */
export function cleanDrawing(name: string, source: string, options: CleanOptions = {}): CleanDrawing {
  const out: string[] = [];
  const refused = new Set<string>();
  const text: string[] = [];
  const images: CleanDrawing['images'] = [];
  const omit = new Set(options.omit);
  let size: SvgSize | null = null;
  const expansion = new Expansion();
  let root: Attributes = [];
  let parts = 0;
  const groups: number[][] = [];
  /** The element at each depth on the way to the one that is read. */
  const lineage: number[] = [];
  let elements = 0;
  /** Depth of the element that is left out with all in it; of a `text`; of a style sheet; of the outermost hidden one. */
  let skipped: number | null = null;
  let spoken: number | null = null;
  /** Depth of a `text` that is kept. */
  let speaking: number | null = null;
  let sheet: { depth: number; rules: string } | null = null;
  let hidden: number | null = null;

  const skip = (depth: number) => (skipped ??= depth);
  readElements(name, source, {
    open: (element) => {
      const { tag, attributes, depth } = element;
      lineage[depth] = elements++;
      if (depth === 0) size = readSvgSize(attributes);
      if (skipped !== null || spoken !== null) return;
      const word = tag !== null && options.words === true && WORD_ELEMENTS.has(tag);
      if (tag !== null && TEXT.has(tag)) {
        text.push('');
        if (word) speaking = depth;
        else {
          spoken = depth;
          return;
        }
      }
      if (tag === null || !(ELEMENTS.has(tag) || word)) {
        if (tag !== null && !SILENT.has(tag)) refused.add(tag);
        skip(depth);
        return;
      }
      for (const key of Object.keys(attributes)) if (/^on/i.test(key)) refused.add('event handler');
      if (tag === 'style') {
        sheet = { depth, rules: '' };
        return;
      }
      if (HIDDEN.has(tag)) hidden ??= depth;
      const isPart = PARTS.has(tag) && hidden === null;
      if (isPart) groups.push(lineage.slice(1, depth + 1));
      if (isPart && omit.has(parts++)) {
        skip(depth);
        return;
      }
      if (tag === 'image' && size) images.push(...placedImage(element, userUnit(size)));
      expansion.enter(tag, attributes, depth);
      const kept = keptAttributes(tag, attributes, refused, options.words);
      if (depth === 0) {
        root = kept;
        return;
      }
      const drawn = options.map && isPart ? mapped(kept, parts) : kept;
      out.push(opened(tag, drawn));
    },
    text: (inner) => {
      if (speaking !== null && skipped === null) out.push(escaped(inner));
      if (spoken !== null || speaking !== null) text.push((text.pop() ?? '') + inner);
      else if (sheet) sheet.rules += inner;
    },
    close: (tag, depth) => {
      if (skipped !== null) {
        if (depth === skipped) skipped = null;
        return;
      }
      if (spoken !== null) {
        if (depth === spoken) spoken = null;
        return;
      }
      if (sheet) {
        const allowed = options.map ? [] : allowedRules(sheet.rules);
        const rules = allowed.map(({ selector, body }) => `${selector}{${body}}`).join('\n');
        expansion.style(allowed);
        if (/@import|url\(/i.test(sheet.rules) && !/url\(/i.test(rules)) refused.add('outside address');
        if (rules !== '') out.push(`<style>${escaped(rules)}</style>`);
        sheet = null;
        return;
      }
      if (depth === speaking) speaking = null;
      expansion.leave(depth);
      if (depth === hidden) hidden = null;
      if (depth > 0) out.push(`</${tag!}>`);
    },
  });
  const found = requireSvgSize(name, size);
  requireDrawnSize(name, found);
  if (!expansion.isBounded()) {
    throw new UpFitError(
      'too-large',
      `“${name}” draws the same shapes, filters or masks over and over, more than can be drawn: export it flattened, with its copies as shapes of their own.`,
    );
  }
  return {
    svg: (pixels) => `${opened('svg', rootAt(root, found, pixels))}${out.join('')}</svg>`,
    size: found,
    text: text.map((words) => words.replace(/\s+/g, ' ').trim()).filter((words) => words !== ''),
    refused: [...refused],
    images,
    parts,
    groups,
  };
}

type Attributes = [key: string, value: string][];

function keptAttributes(
  tag: string,
  attributes: Readonly<Record<string, string>>,
  refused: Set<string>,
  words = false,
): Attributes {
  const kept: Attributes = [];
  for (const [key, value] of Object.entries(attributes)) {
    if (key === 'href' || key === 'xlink:href') {
      if (tag === 'a') continue;
      if (isAllowedAddress(tag, value)) kept.push(['xlink:href', value.trim()]);
      else refused.add('outside address');
    } else if (ATTRIBUTES.has(key) || (words && WORD_ATTRIBUTES.has(key))) {
      if (isAllowedValue(value)) kept.push([key, value]);
      else refused.add('outside address');
    }
  }
  return kept;
}

/** Proportions this near are one, but for whole pixels. */
const SAME = 0.01;

/** The root's attributes for a size in pixels; a viewBox of the same proportion fills it to the last pixel. */
function rootAt(attributes: Attributes, { width, height, view }: SvgSize, pixels: PixelSize): Attributes {
  const own = ['width', 'height', 'x', 'y', 'viewBox', 'preserveAspectRatio'];
  const unit = 96 / MM_PER_INCH;
  const shown = view ?? { x: 0, y: 0, width: width * unit, height: height * unit };
  const fills = Math.abs((shown.width * height) / (shown.height * width) - 1) < SAME;
  const asked = attributes.find(([key]) => key === 'preserveAspectRatio')?.[1] ?? 'xMidYMid';
  return [
    ['xmlns', 'http://www.w3.org/2000/svg'],
    ['xmlns:xlink', 'http://www.w3.org/1999/xlink'],
    ['width', String(pixels.width)],
    ['height', String(pixels.height)],
    ['viewBox', `${shown.x} ${shown.y} ${shown.width} ${shown.height}`],
    ['preserveAspectRatio', fills ? 'none' : asked],
    ...attributes.filter(([key]) => !own.includes(key)),
  ];
}

function opened(tag: string, attributes: Attributes): string {
  return `<${tag}${attributes.map(([key, value]) => ` ${key}="${escaped(value)}"`).join('')}>`;
}

/** A part in one colour, wherever it makes a mark. */
function mapped(attributes: Attributes, number: number): Attributes {
  const colour = `#${number.toString(16).padStart(6, '0')}`;
  const styled = (key: string) =>
    attributes.find(([own]) => own === key)?.[1] ??
    new RegExp(`(?:^|;)\\s*${key}\\s*:\\s*([^;]+)`).exec(
      attributes.find(([own]) => own === 'style')?.[1] ?? '',
    )?.[1];
  const shape = attributes.filter(([key]) => !/^(fill|stroke|opacity|style|class|filter|mask)/.test(key));
  const marks: Attributes = [
    ['fill', styled('fill')?.trim() === 'none' ? 'none' : colour],
    ['shape-rendering', 'crispEdges'],
  ];
  const stroke = styled('stroke')?.trim();
  if (stroke && stroke !== 'none') {
    marks.push(['stroke', colour], ['stroke-width', styled('stroke-width') ?? '1']);
  }
  return [...shape, ...marks];
}

/** A picture written into a drawing, with its PPI at the size it has there; none where it cannot be read. */
function placedImage({ attributes, matrix }: Element, unit: number): CleanDrawing['images'] {
  const address = attributes['xlink:href'] ?? attributes['href'] ?? '';
  const data = /^data:image\/[a-z]+;base64,(.*)$/s.exec(address.trim())?.[1];
  if (!data) return [];
  try {
    const bytes = Uint8Array.from(atob(data.replace(/\s+/g, '')), (one) => one.charCodeAt(0));
    const pixels = readHeader('picture', bytes);
    const scale = scales(matrix);
    const wide = Number.parseFloat(attributes['width'] ?? `${pixels.width}`) * scale.x * unit;
    const high = Number.parseFloat(attributes['height'] ?? `${pixels.height}`) * scale.y * unit;
    if (!(wide > LEAST_IMAGE && high > LEAST_IMAGE)) return [];
    let ppi = {
      x: (pixels.width * MM_PER_INCH) / wide,
      y: (pixels.height * MM_PER_INCH) / high,
    };
    // Unless told otherwise a picture keeps its proportion inside its box.
    if (attributes['preserveAspectRatio']?.trim() !== 'none') {
      const least = /slice/.test(attributes['preserveAspectRatio'] ?? '')
        ? Math.min(ppi.x, ppi.y)
        : Math.max(ppi.x, ppi.y);
      ppi = { x: least, y: least };
    }
    return [{ pixels: { width: pixels.width, height: pixels.height }, ppi, bytes }];
  } catch {
    return [];
  }
}
