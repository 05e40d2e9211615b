import { execFileSync, spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import {
  BlendMode,
  clip,
  closePath,
  degrees,
  endPath,
  fill,
  lineTo,
  moveTo,
  PDFDocument,
  popGraphicsState,
  pushGraphicsState,
  rectangle,
  rgb,
  setFillingColor,
  type PDFPage,
} from '@cantoo/pdf-lib';
import { PNG } from 'pngjs';
import { bytesSource } from '@/core/formats/source';
import type { PrintFormat } from '@/core/formats/registry';
import type { Step } from '@/core/artwork/steps';
import type { ArtworkPiece, Piece } from '@/core/fit/schema';
import { planPrint } from '@/core/print/plan';
import { leavesOf } from '@/core/render/drawing';
import { artworkDrawing, artworkPixels } from '@/files/artwork';
import { nodePageDrawings, nodePages } from '@/files/pdf/node';
import { writePrint } from '@/files/print';
import { nodePlain } from '@/files/svg/node';
import type { Engine } from '@/imaging/engine';
import { loadNodeEngine } from '@/imaging/node';
import { blankById, faceOf, factsOf, pieceAt } from '../support/fits';
import { few, LONG, longTest } from '../support/long';
import { paint } from '../support/pictures';
import { difference, pdfDrawn } from '../support/redrawn';

const folder = mkdtempSync(join(tmpdir(), 'up-fit-drawings-'));
const drawings = { makePlain: nodePlain(), readPage: nodePageDrawings() };
let engine: Engine;
beforeAll(async () => {
  engine = await loadNodeEngine();
});
afterAll(() => {
  engine.close();
  rmSync(folder, { recursive: true });
});

const mug = blankById('mug-325');
const face = faceOf(mug);

const svg = (inner: string, box = '0 0 60 40', more = '') =>
  `<svg xmlns="http://www.w3.org/2000/svg" xmlns:xlink="http://www.w3.org/1999/xlink" width="60mm" height="40mm" viewBox="${box}" ${more}>${inner}</svg>`;

const sourceOf = (file: string | Uint8Array) =>
  bytesSource(typeof file === 'string' ? new TextEncoder().encode(file) : file);

/** What was said of the print that was written last. */
let lastTold: string[] = [];

async function write(
  format: PrintFormat,
  text: string | Uint8Array,
  pieces: Piece[],
  {
    steps = [],
    mode = 'rgb',
    mirrored = false,
  }: { steps?: Step[]; mode?: 'rgb' | 'cmyk'; mirrored?: boolean } = {},
): Promise<string> {
  const plan = planPrint(mug, face, { format, mode, ppi: 150, mirrored });
  const kind = typeof text === 'string' ? 'svg' : 'pdf';
  const file = { name: `drawing.${kind}`, source: sourceOf(text), steps };
  const raster = await artworkPixels({ engine, drawPage: nodePages() }, file, 600);
  const shown = {
    facts: () => factsOf(raster, { format: kind }),
    pixels: () => raster,
    drawing: () => artworkDrawing(drawings, file),
  };
  const press = mode === 'cmyk' ? { press: engine.bakePress(null, 'relative'), profile: null } : null;
  const asked = { title: 'Test', blank: mug, sides: [{ face, pieces }], plan, press };
  const { bytes, told } = await writePrint(engine, asked, shown);
  lastTold = told;
  const path = join(folder, `print.${format}`);
  writeFileSync(path, bytes);
  return path;
}

/** What the page of a PDF is made of, as another program lists it. */
async function operatorsOf(path: string): Promise<string[]> {
  const { getDocument, OPS } = await import('pdfjs-dist/legacy/build/pdf.mjs');
  const task = getDocument({ data: new Uint8Array(readFileSync(path)), verbosity: 0 });
  const page = await (await task.promise).getPage(1);
  const { fnArray } = await page.getOperatorList();
  const names = Object.fromEntries(Object.entries(OPS).map(([name, code]) => [code, name]));
  await task.destroy();
  return fnArray.map((code) => names[code]!);
}

const imagesIn = (path: string) =>
  execFileSync('pdfimages', ['-list', path], { encoding: 'utf8' }).trim().split('\n').length - 2;

const placed = (change: Partial<ArtworkPiece> = {}) =>
  pieceAt(111, 46, 60, 40, { id: 'art', artworkId: 'art', ...change });

const SHADES = `<defs><linearGradient id="a"><stop offset=".1" stop-color="#c02010"/><stop offset=".6" stop-color="#f0d060"/><stop offset="1" stop-color="#103080"/></linearGradient>
<radialGradient id="b" cx=".4" cy=".4" fx=".3" fy=".35" r=".6"><stop offset="0" stop-color="#ffffff"/><stop offset="1" stop-color="#205030"/></radialGradient></defs>`;

const DRAWINGS: Record<string, { text: string; pictures: number; steps?: Step[] }> = {
  'two shapes': {
    text: svg(
      '<rect x="5" y="5" width="20" height="30" fill="#c02010"/><circle cx="42" cy="20" r="12" fill="#103080"/>',
    ),
    pictures: 0,
  },
  'strokes with dashes, ends and corners': {
    text: svg(
      '<g fill="none" stroke="#0b5563"><path d="M5 8h50" stroke-width="3" stroke-dasharray="6 3" stroke-linecap="round"/><path d="M8 35l10-18 10 18" stroke-width="4" stroke-linejoin="round"/><path d="M34 35l10-18 10 18" stroke-width="4"/></g>',
    ),
    pictures: 0,
  },
  'a style sheet, copies, turned and skewed': {
    text: svg(
      '<style>.w{fill:#f3b909;stroke:#20252b;stroke-width:.8}</style><defs><path id="s" d="M0 0l8 3-3 8z"/></defs><use class="w" xlink:href="#s" x="6" y="6"/><use class="w" xlink:href="#s" transform="translate(30 8) rotate(30) skewX(20) scale(1.8 1)"/>',
    ),
    pictures: 0,
  },
  'runs of colours': {
    text: svg(
      `${SHADES}<rect x="4" y="4" width="24" height="32" fill="url(#a)"/><ellipse cx="44" cy="20" rx="13" ry="16" fill="url(#b)"/>`,
    ),
    pictures: 0,
  },
  'parts that show through, alone and together': {
    text: svg(
      '<rect x="4" y="4" width="30" height="20" fill="#c02010" fill-opacity=".6"/><g opacity=".5"><rect x="20" y="12" width="20" height="20" fill="#103080"/><circle cx="42" cy="24" r="12" fill="#f3b909"/></g>',
    ),
    pictures: 0,
  },
  'clips in clips, by either rule': {
    text: svg(
      '<defs><clipPath id="o"><rect x="6" y="6" width="40" height="24"/></clipPath><clipPath id="i" clip-path="url(#o)"><path d="M10 2h40v36h-40zM20 12h20v16h-20z" clip-rule="evenodd"/></clipPath></defs><g clip-path="url(#i)"><rect width="60" height="40" fill="#0b5563"/></g>',
    ),
    pictures: 0,
  },
  'a proportion of its own in its box': {
    text: svg(
      '<rect width="30" height="30" fill="#c02010"/>',
      '0 0 30 30',
      'preserveAspectRatio="xMaxYMid meet"',
    ),
    pictures: 0,
  },
  'tiny units': {
    text: svg('<path d="M.1 .1h.3v.2z" fill="#c02010"/><circle cx=".45" cy=".2" r=".08"/>', '0 0 .6 .4'),
    pictures: 0,
  },
  'a blur between two paths': {
    text: svg(
      '<filter id="f"><feGaussianBlur stdDeviation="2"/></filter><rect width="60" height="10" fill="#103080"/><circle cx="30" cy="22" r="9" fill="#c02010" filter="url(#f)"/><rect y="32" width="60" height="8" fill="#0b5563"/>',
    ),
    pictures: 1,
  },
  'a mask, and a run of colours that fades': {
    text: svg(
      '<defs><mask id="m"><rect width="60" height="40" fill="#777"/></mask><linearGradient id="f"><stop offset="0" stop-color="#f3b909"/><stop offset="1" stop-color="#f3b909" stop-opacity="0"/></linearGradient></defs><rect x="4" y="4" width="20" height="30" mask="url(#m)"/><path d="M30 20L56 6v28z" fill="url(#f)"/>',
    ),
    pictures: 2,
  },
  'cropped, turned and recoloured': {
    text: svg(
      '<rect x="5" y="5" width="20" height="30" fill="#c02010"/><circle cx="42" cy="20" r="12" fill="#103080"/>',
    ),
    pictures: 0,
    steps: [
      { kind: 'crop', to: 'hand', x: 0.05, y: 0.1, width: 0.8, height: 0.7 },
      { kind: 'turn', quarters: 1 },
      { kind: 'flip', axis: 'across' },
      { kind: 'recolour', from: '#c02010', to: '#0b5563' },
    ],
  },
  'a blur that was cropped and turned': {
    text: svg(
      '<filter id="f"><feGaussianBlur stdDeviation="1"/></filter><rect x="8" y="6" width="9" height="28" fill="#c02010" filter="url(#f)"/><circle cx="42" cy="20" r="12" fill="#103080"/>',
    ),
    pictures: 1,
    steps: [
      { kind: 'crop', to: 'hand', x: 0.1, y: 0, width: 0.8, height: 0.9 },
      { kind: 'turn', quarters: 3 },
    ],
  },
};

const LAID: readonly [string, ArtworkPiece][] = [
  ['upright', placed()],
  ['turned and flipped', placed({ rotation: 0.4, flipped: true })],
  [
    'cut to a shape',
    placed({ clip: { shape: { kind: 'ellipse' }, x: 0.1, y: 0.1, width: 0.8, height: 0.8 } }),
  ],
];

// One way to lie at a time, each in turn; all of them in the long run.
describe.each(Object.entries(DRAWINGS).map(([name, drawing], i) => [name, drawing, i] as const))(
  '%s',
  (_, { text, pictures, steps = [] }, turn) => {
    test.each(LONG ? LAID : [LAID[turn % LAID.length]!])(
      '%s: as paths in PDF and SVG, and it looks as its pixels do',
      async (_name, piece) => {
        const png = PNG.sync.read(readFileSync(await write('png', text, [piece], { steps })));
        const pdf = await write('pdf', text, [piece], { steps });
        execFileSync('qpdf', ['--check', pdf]);
        // A picture that shows through has a mask beside it.
        expect(imagesIn(pdf)).toBe(2 * pictures);
        expect(difference(png, pdfDrawn(pdf, png.width))).toBeLessThan(1);
        const again = readFileSync(await write('svg', text, [piece], { steps }), 'utf8');
        expect(again.match(/<image /g) ?? []).toHaveLength(pictures);
        const raster = engine.drawSvg(again, png.width);
        const redrawn = { ...raster, data: Buffer.from(raster.data) };
        expect(difference(png, redrawn)).toBeLessThan(0.6);
      },
    );
  },
);

test('two shapes are two filled paths and nothing else, where they belong to 0.05 mm', async () => {
  const { text } = DRAWINGS['two shapes']!;
  const path = await write('pdf', text, [placed()]);
  const operators = await operatorsOf(path);
  expect(operators.filter((name) => name === 'constructPath')).toHaveLength(2);
  expect(operators.some((name) => /Image|showText|clip|shading/i.test(name))).toBe(false);
  // What is marked of the page, by ghostscript, in points from its lower left.
  const { stderr } = spawnSync('gs', ['-q', '-dBATCH', '-dNOPAUSE', '-sDEVICE=bbox', path], {
    encoding: 'utf8',
  });
  const box = /HiResBoundingBox: (.*)/
    .exec(stderr)![1]!
    .split(' ')
    .map((at) => (Number(at) * 25.4) / 72);
  const [left, top] = [face.bleed + 111 - 30, face.bleed + 46 - 20];
  const high = face.height + 2 * face.bleed;
  const wanted = [left + 5, high - (top + 35), left + 54, high - (top + 5)];
  for (const [i, value] of wanted.entries()) expect(Math.abs(box[i]! - value)).toBeLessThan(0.05);
});

test('placed three times, a drawing is stored once', async () => {
  const { text } = DRAWINGS['two shapes']!;
  const pieces = [-50, 0, 50].map((dx, i) => placed({ x: 111 + dx, id: `art-${i}` }));
  const pdf = await write('pdf', text, pieces);
  const plainPdf = execFileSync('qpdf', ['--qdf', '--object-streams=disable', pdf, '-'], {
    encoding: 'latin1',
  });
  expect(plainPdf.match(/\/Subtype \/Form/g)).toHaveLength(1);
  const drawn = readFileSync(await write('svg', text, pieces), 'utf8');
  expect(drawn.match(/<symbol /g)).toHaveLength(1);
  expect(drawn.match(/<use /g)).toHaveLength(3);
});

test('mirrored it is flipped once, and on a press it is in inks alone', async () => {
  const { text } = DRAWINGS['two shapes']!;
  const png = PNG.sync.read(readFileSync(await write('png', text, [placed({ x: 80 })], { mirrored: true })));
  const mirrored = await write('pdf', text, [placed({ x: 80 })], { mirrored: true });
  expect(difference(png, pdfDrawn(mirrored, png.width))).toBeLessThan(1);
  const inks = await write('pdf', DRAWINGS['runs of colours']!.text, [placed()], { mode: 'cmyk' });
  const listed = execFileSync('qpdf', ['--qdf', '--object-streams=disable', inks, '-'], {
    encoding: 'latin1',
  });
  expect(listed).not.toMatch(/DeviceRGB| rg\n/);
});

test('what was done to one piece’s pixels is printed so, and beside it the drawing stays paths', async () => {
  const { text } = DRAWINGS['two shapes']!;
  const knocked = { kind: 'knock', colour: '#c02010', within: 2 } as const;
  const pieces = [placed({ x: 60, id: 'done', finish: [knocked] }), placed({ x: 160 })];
  const png = PNG.sync.read(readFileSync(await write('png', text, pieces)));
  const pdf = await write('pdf', text, pieces);
  expect(difference(png, pdfDrawn(pdf, png.width))).toBeLessThan(1);
  expect(imagesIn(pdf)).toBe(2);
  expect(lastTold).toEqual([]);
});

longTest(
  'on a press a drawing with black in it keeps its thin lines on black ink alone, as pixels, and says so',
  async () => {
    const lines = svg(
      '<path d="M5 20h50" stroke="#000000" stroke-width=".4"/><rect x="5" y="25" width="50" height="5" fill="#0b5563"/>',
    );
    const pdf = await write('pdf', lines, [placed()], { mode: 'cmyk' });
    expect(imagesIn(pdf)).toBeGreaterThan(0);
    expect(lastTold).toEqual([expect.stringMatching(/is drawn at 150 PPI, so that its thin blacks/)]);
    expect(imagesIn(await write('pdf', lines, [placed()]))).toBe(0);
    expect(lastTold).toEqual([]);
  },
);

test('what cannot stay paths is known by its reason; a drawing of pixels alone, and too many parts, are a picture', async () => {
  const why = async (text: string) => {
    const drawing = await artworkDrawing(drawings, { name: 'a.svg', source: sourceOf(text) });
    return (
      drawing && [...leavesOf(drawing.nodes)].map((leaf) => (leaf.kind === 'pixels' ? leaf.why : leaf.kind))
    );
  };
  expect(await why(DRAWINGS['a blur between two paths']!.text)).toEqual(['mark', 'filter', 'mark']);
  expect(await why(svg('<g style="mix-blend-mode:multiply"><rect width="9" height="9"/></g>'))).toEqual([
    'blend with what lies under it',
  ]);
  expect(await why(svg('<path d="M0 0h1"/>'.repeat(20_001)))).toBeNull();
  const edge = await artworkDrawing(drawings, {
    name: 'a.svg',
    source: sourceOf(DRAWINGS['two shapes']!.text),
    steps: [{ kind: 'edge', to: 'flat', cell: 0 }],
  });
  expect(edge).toBeNull();
});

describe('a page of a PDF', () => {
  const page = async (draw: (page: PDFPage) => void, turn = 0): Promise<Uint8Array> => {
    const pdf = await PDFDocument.create();
    const made = pdf.addPage([turn % 180 === 0 ? 170 : 113, turn % 180 === 0 ? 113 : 170]);
    made.setRotation(degrees(turn));
    draw(made);
    return pdf.save();
  };
  const shapes = (made: PDFPage) => {
    made.drawRectangle({ x: 10, y: 10, width: 60, height: 40, color: rgb(0.75, 0.1, 0.1), opacity: 0.5 });
    made.drawSvgPath('M0 0C20 10 40 20 60 0Q5 25 0 0Z', {
      x: 40,
      y: 90,
      color: rgb(0.1, 0.2, 0.5),
      borderColor: rgb(0.95, 0.7, 0),
      borderWidth: 3,
    });
    made.drawCircle({
      x: 70,
      y: 60,
      size: 22,
      borderWidth: 4,
      borderDashArray: [7, 4],
      borderColor: rgb(0.05, 0.35, 0.4),
    });
    made.pushOperators(
      pushGraphicsState(),
      moveTo(20, 60),
      lineTo(60, 100),
      lineTo(80, 55),
      closePath(),
      clip(),
      endPath(),
      setFillingColor(rgb(0.2, 0.6, 0.3)),
      rectangle(0, 60, 100, 20),
      fill(),
      popGraphicsState(),
    );
  };

  test.each(few([0, 90, 180, 270], 2))(
    'turned by %d degrees goes out as paths, and looks as its pixels do',
    async (turn) => {
      const bytes = await page(shapes, turn);
      const pieces = [placed({ rotation: 0.2 })];
      const png = PNG.sync.read(readFileSync(await write('png', bytes, pieces)));
      const pdf = await write('pdf', bytes, pieces);
      execFileSync('qpdf', ['--check', pdf]);
      expect(imagesIn(pdf)).toBe(0);
      expect(difference(png, pdfDrawn(pdf, png.width))).toBeLessThan(1);
      const again = readFileSync(await write('svg', bytes, pieces), 'utf8');
      expect(again).not.toMatch(/<image/);
      const raster = engine.drawSvg(again, png.width);
      expect(difference(png, { ...raster, data: Buffer.from(raster.data) })).toBeLessThan(1);
    },
  );

  test('with type, a picture, a blend or a run of colours on it is a picture', async () => {
    const image = smallPng();
    const kinds: ((made: PDFPage, pdf: PDFDocument) => Promise<void> | void)[] = [
      (made) => {
        made.drawText('Gullwick', { x: 20, y: 40 });
      },
      async (made, pdf) => {
        made.drawImage(await pdf.embedPng(image), { x: 10, y: 10, width: 40, height: 40 });
      },
      (made) => {
        made.drawRectangle({
          x: 10,
          y: 10,
          width: 60,
          height: 40,
          color: rgb(1, 0, 0),
          blendMode: BlendMode.Multiply,
        });
      },
    ];
    for (const draw of kinds) {
      const pdf = await PDFDocument.create();
      const made = pdf.addPage([170, 113]);
      shapes(made);
      await draw(made, pdf);
      const file = { name: 'page.pdf', source: sourceOf(await pdf.save()) };
      expect(await artworkDrawing(drawings, file)).toBeNull();
    }
  });

  const smallPng = () =>
    engine.encodePng(
      paint(8, 8, (x, y) => [x * 30, y * 30, 90, 255]),
      { ppi: 72, use: 'preview' },
    );
});
