import { keepOutPath } from '../blank/keep-out';
import { bendPoint, sectorBox, sectorPath } from '../blank/bodies/sector';
import { trimSize, type PrintFace } from '../blank/resolve';
import { shapePath } from '../blank/shape';
import { MM_PER_INCH } from '../length/units';
import { lerp } from '../geometry/lerp';

/** A stroke or a filled area: an SVG path in mm from the trim box's top left, y downwards. */
export interface Mark {
  d: string;
  /** Line width in mm; 0 where it is filled instead. */
  stroke: number;
  dash?: readonly number[];
}

/** A line of words, its baseline's start, middle or end at (x, y). */
export interface Words {
  text: string;
  x: number;
  y: number;
  /** mm of the type's em. */
  size: number;
  anchor: 'start' | 'middle' | 'end';
  /** Turn in radians. */
  rotation?: number;
}

export interface Layer {
  id: string;
  name: string;
  marks: Mark[];
  words: Words[];
}

export interface Rect {
  x: number;
  y: number;
  width: number;
  height: number;
}

/** A true-size template: where trim, bleed and page lie (mm from the trim box's top left), and named layers of lines. */
export interface TemplateDrawing {
  title: string;
  trim: Rect;
  bleed: Rect;
  page: Rect;
  layers: Layer[];
}

/** Papers a template is laid on where it fits with room to spare, in mm, the smallest first. */
const PAPERS = {
  mm: [
    [210, 297],
    [297, 420],
  ],
  in: [
    [215.9, 279.4],
    [279.4, 431.8],
  ],
} as const;

/** Room round the bleed, and below it for the ruler, in mm. */
const MARGIN = 9;
const FOOT = 26;
/** Room that the ruler needs across, in mm. */
const RULER = 118;
const THIN = 0.18;
const CUT = 0.3;

/** Draws a face's template. `title` says what it is; `size` its trim in words. */
export function drawTemplate(
  face: PrintFace,
  { title, size, paper }: { title: string; size: string; paper: 'mm' | 'in' },
): TemplateDrawing {
  const trimmed = trimSize(face);
  const trim = { x: 0, y: 0, ...trimmed };
  const bleed = bleedRect(face);
  const layers: Layer[] = [
    layer('trim', 'Trim', [{ d: trimPath(face, 0), stroke: CUT }]),
    layer('bleed', 'Bleed', face.bleed > 0 ? [{ d: trimPath(face, face.bleed), stroke: THIN }] : []),
    layer(
      'safe',
      'Safe area',
      face.safe > 0 ? [{ d: trimPath(face, -face.safe), stroke: THIN, dash: [3, 2] }] : [],
    ),
    centres(face),
    layer(
      'folds',
      'Folds',
      face.folds.map((x) => ({
        d: line(face, x, -face.bleed, x, face.height + face.bleed),
        stroke: THIN,
        dash: [4, 1, 0.6, 1],
      })),
    ),
    layer('seam', 'Seam overlap', seam(face)),
    layer(
      'keep-outs',
      'Keep-outs',
      face.keepOuts.map((one) => ({ d: keepOutPath(one), stroke: CUT })),
    ),
    layer(
      'cuts',
      'Cut lines',
      face.cuts.map(({ x, y, sheet }) => ({ d: shapePath(sheet, 0, x, y), stroke: CUT })),
    ),
    layer('edge', 'Wrapped edge', face.edge > 0 ? [{ d: trimPath(face, face.edge), stroke: CUT }] : []),
    ...(face.bend ? [grid(face)] : []),
    ruler(trim, bleed, title, size),
  ];
  return { title, trim, bleed, page: pageRound(bleed, paper), layers: layers.filter(isDrawn) };
}

function layer(id: string, name: string, marks: Mark[], words: Words[] = []): Layer {
  return { id, name, marks, words };
}

function isDrawn({ marks, words }: Layer): boolean {
  return marks.length + words.length > 0;
}

/** Trim grown by `grow` mm, on the arc where the face is bent. */
function trimPath(face: PrintFace, grow: number): string {
  return face.bend ? sectorPath(face.bend, grow) : shapePath(face, grow);
}

function bleedRect({ bend, bleed, width, height }: PrintFace): Rect {
  if (!bend) return { x: -bleed, y: -bleed, width: width + 2 * bleed, height: height + 2 * bleed };
  const grown = sectorBox(bend, bleed);
  const own = sectorBox(bend);
  return {
    x: own.apexX - grown.apexX,
    y: own.apexY - grown.apexY,
    width: grown.width,
    height: grown.height,
  };
}

/** A line from one point of the face to another, bent where the face is. */
function line(face: PrintFace, x1: number, y1: number, x2: number, y2: number): string {
  const { bend } = face;
  if (!bend) return `M${x1} ${y1}L${x2} ${y2}`;
  const steps = Math.abs(x2 - x1) < 1e-9 ? 1 : 48;
  return Array.from({ length: steps + 1 }, (_, i) => {
    const t = i / steps;
    const { x, y } = bendPoint(bend, lerp(x1, x2, t), lerp(y1, y2, t));
    return `${i === 0 ? 'M' : 'L'}${x} ${y}`;
  }).join('');
}

/** Ticks at the edges where each zone's centre is, with its name. */
function centres(face: PrintFace): Layer {
  const reach = Math.min(6, face.height / 6);
  const columns = [...new Set(face.zones.map(({ x }) => x))];
  const marks = columns.map((x) => ({
    d: line(face, x, 0, x, reach) + line(face, x, face.height - reach, x, face.height),
    stroke: CUT,
  }));
  const words = face.zones.map(({ name, x, y }): Words => {
    const high = face.zones.every((zone) => zone.y === y) ? Math.min(reach + 4, face.height / 2) : y;
    if (!face.bend) return { text: name, x, y: high, size: 3, anchor: 'middle' };
    const at = bendPoint(face.bend, x, high);
    const beside = bendPoint(face.bend, x + 1, high);
    return {
      text: name,
      ...at,
      size: 3,
      anchor: 'middle',
      rotation: Math.atan2(beside.y - at.y, beside.x - at.x),
    };
  });
  return layer('centres', 'Centres', marks, words);
}

function seam(face: PrintFace): Mark[] {
  if (face.overlap <= 0) return [];
  const x = face.width - face.overlap;
  return [{ d: line(face, x, 0, x, face.height), stroke: THIN, dash: [1.2, 1.2] }];
}

/** The rectangle's own grid on the arc: what is level and upright on the product. */
function grid(face: PrintFace): Layer {
  const marks: Mark[] = [];
  for (let i = 1; i < 4; i++) {
    const y = (face.height * i) / 4;
    marks.push({ d: line(face, 0, y, face.width, y), stroke: 0.1 });
  }
  for (let i = 1; i < 8; i++) {
    const x = (face.width * i) / 8;
    marks.push({ d: line(face, x, 0, x, face.height), stroke: 0.1 });
  }
  return layer('grid', 'Level and upright', marks);
}

/** A ruler of 100 mm and 4 in that proves the scale, and what the template is of. */
function ruler(trim: Rect, bleed: Rect, title: string, size: string): Layer {
  const left = trim.x + trim.width / 2 - RULER / 2 + 4;
  const top = bleed.y + bleed.height + 7;
  const marks: Mark[] = [];
  let metric = `M${left} ${top}h100`;
  for (let mm = 0; mm <= 100; mm++)
    metric += `M${left + mm} ${top}v${mm % 10 === 0 ? 3 : mm % 5 === 0 ? 2 : 1.2}`;
  let imperial = `M${left} ${top + 8}h${4 * MM_PER_INCH}`;
  for (let part = 0; part <= 32; part++) {
    const x = left + (part * MM_PER_INCH) / 8;
    imperial += `M${x} ${top + 8}v${part % 8 === 0 ? -3 : part % 4 === 0 ? -2 : -1.2}`;
  }
  marks.push({ d: metric, stroke: 0.15 }, { d: imperial, stroke: 0.15 });
  const words: Words[] = [
    { text: '100 mm', x: left + 102, y: top + 2.6, size: 3, anchor: 'start' },
    { text: '4 in', x: left + 103.6, y: top + 8, size: 3, anchor: 'start' },
    { text: `${title}: ${size}`, x: left, y: top + 12.6, size: 3.2, anchor: 'start' },
    {
      text: 'Print at 100 %, not fitted to the page. Then lay a ruler on these lines.',
      x: left,
      y: top + 16.6,
      size: 2.6,
      anchor: 'start',
    },
  ];
  return layer('ruler', 'Proof ruler', marks, words);
}

/** The smallest paper that holds the bleed and the ruler, turned as it fits; a page of its own size where none does. */
function pageRound(bleed: Rect, paper: 'mm' | 'in'): Rect {
  const width = Math.max(bleed.width, RULER) + 2 * MARGIN;
  const height = bleed.height + 2 * MARGIN + FOOT - MARGIN;
  const papers = PAPERS[paper].flatMap(([a, b]) => [
    [a, b],
    [b, a],
  ]);
  const fits = papers
    .filter(([w, h]) => w! >= width && h! >= height)
    .sort(([a, b], [c, d]) => a! * b! - c! * d!)[0];
  const [w, h] = [fits?.[0] ?? width, fits?.[1] ?? height];
  return {
    x: bleed.x + bleed.width / 2 - w / 2,
    y: bleed.y - (h - bleed.height - FOOT) / 2,
    width: w,
    height: h,
  };
}
