import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import fc from 'fast-check';
import { PNG } from 'pngjs';
import { outlineDistance } from '@/core/geometry/outline';
import { cutAnew } from '@/core/cut/make';
import { partPicture } from '@/core/cut/parting';
import { common } from '@/core/cut/polygons';
import { ringsOf } from '@/core/cut/path-shape';
import { stickerFaces } from '@/core/cut/set';
import { firstSet, sized } from '@/core/cut/sorting';
import { USUAL_CUT } from '@/core/fit/cut';
import type { Ring } from '@/core/cut/trace';
import type { Fit } from '@/core/fit/schema';
import { planPrint } from '@/core/print/plan';
import { parsePath } from '@/core/geometry/parse-path';
import { renderFace, type Shown } from '@/core/render/face';
import { printCut } from '@/core/sheet/cut-print';
import { cutsOf } from '@/core/sheet/cuts';
import { layOut, type SheetLayout } from '@/core/sheet/layout';
import { reachOf } from '@/core/sheet/nest';
import type { Print } from '@/core/sheet/print';
import { newSheet, type Sheet } from '@/core/sheet/schema';
import { printSize, type PrintFace, type ResolvedBlank } from '@/core/blank/resolve';
import { tidePoolSheet } from '@/demo/art/marks';
import { bytesSource } from '@/core/formats/source';
import { openPage } from '@/files/pdf/artwork';
import { cutSvg } from '@/files/cut-lines';
import { cutPdf } from '@/files/pdf/cut-lines';
import { writePrint } from '@/files/print';
import { writeSheet, type DrawnPrint } from '@/files/sheet';
import { readFont } from '@/files/type';
import type { Engine } from '@/imaging/engine';
import { loadNodeEngine } from '@/imaging/node';
import { blankById, factsOf, stickersOf } from '../support/fits';
import { fontBytes } from '../support/font';
import { longTest, runs } from '../support/long';

const folder = mkdtempSync(join(tmpdir(), 'up-fit-cuts-'));
const blank = blankById('sticker-die-cut');
let engine: Engine;
let shown: Shown;
let fit: Fit;
let resolved: ResolvedBlank;
let faces: readonly PrintFace[];
beforeAll(async () => {
  engine = await loadNodeEngine();
  const picture = engine.drawSvg(tidePoolSheet(), 2400);
  const facts = factsOf(picture);
  shown = { facts: () => facts, pixels: () => picture };
  const parting = partPicture(picture);
  const settings = { ...USUAL_CUT, border: 2 };
  const first = firstSet(parting, { name: 'Pool', across: null, settings });
  const set = sized(first, parting, 0, { width: 60 });
  const made = stickerFaces({ id: 'test', facts }, parting, set.stickers, settings).map((face) =>
    cutAnew(face, blank.faces[0]!, shown),
  );
  ({ fit, resolved } = stickersOf(made));
  faces = resolved.faces;
}, 60_000);
afterAll(() => {
  engine.close();
  rmSync(folder, { recursive: true });
});

const piecesOf = (face: PrintFace) => fit.faces.find(({ faceId }) => faceId === face.id)!.pieces;

function printOf(face: PrintFace): DrawnPrint {
  return {
    ...{ fitId: 'fit', faceId: face.id, name: face.name, bleed: face.bleed, cut: printCut(face) },
    ...printSize(face),
    draw: (pixels) => renderFace(face, piecesOf(face), shown, { pixels }),
  };
}

function sheetOf(prints: readonly Print[], copies: number, change: Partial<Sheet> = {}): Sheet {
  const items = prints.map(({ fitId, faceId }) => ({ fitId, faceId, copies }));
  const paper = { name: 'A4', width: 210, height: 297 };
  return { ...newSheet('s', 'Tide pool'), paper, gap: 2, margin: 10, items, ...change };
}

/** Plates of a PDF as ghostscript separates them, by name: what of each page has ink on it. */
function plates(bytes: Uint8Array, ppi: number): Map<string, PNG> {
  const path = join(folder, 'plates.pdf');
  writeFileSync(path, bytes);
  for (const name of readdirSync(folder))
    if (name.includes('.tif') || name.includes('.png')) rmSync(join(folder, name));
  const out = join(folder, 'plate.tif');
  execFileSync('gs', ['-q', '-dNOPAUSE', '-dBATCH', '-dFirstPage=1', '-dLastPage=1', '-sDEVICE=tiffsep', `-r${ppi}`, `-sOutputFile=${out}`, path]); // prettier-ignore
  return new Map(
    readdirSync(folder)
      .filter((name) => name.startsWith('plate(') || name.startsWith('plate.tif('))
      .map((name) => {
        const png = join(folder, `${name}.png`);
        execFileSync('convert', [join(folder, name), '-depth', '8', 'PNG32:' + png]);
        return [/\(([^)]+)\)/.exec(name)![1]!, PNG.sync.read(readFileSync(png))] as const;
      }),
  );
}

/** Pixels of a plate with ink, in mm from the page's top left. */
function inked({ width, height, data }: PNG, ppi: number): [number, number][] {
  const found: [number, number][] = [];
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++)
      if (data[(y * width + x) * 4]! < 128) found.push([((x + 0.5) * 25.4) / ppi, ((y + 0.5) * 25.4) / ppi]);
  return found;
}

/** Every inked pixel lies on one of the lines, and every line has ink on it. */
function expectOn(points: readonly [number, number][], rings: readonly Ring[], near: number): void {
  expect(points.length).toBeGreaterThan(100);
  const isOn =
    ([x, y]: readonly [number, number]) =>
    (ring: Ring) =>
      Math.abs(outlineDistance(ring, x, y)) < near;
  // Some, spread over the page: there are tens of thousands.
  const looked = points.filter((_, i) => i % 97 === 0);
  expect(looked.filter((point) => !rings.some(isOn(point)))).toEqual([]);
  expect(rings.filter((ring) => !looked.some((point) => isOn(point)(ring)))).toEqual([]);
}

const ringsIn = (ds: readonly string[]) => ds.flatMap((d) => ringsOf(parsePath(d) ?? [], 0.01));

test('a sticker’s PDF: its cut line is a plate of its own, where the flat has it; the other plates have none of it', async () => {
  const face = faces[1]!;
  const plan = planPrint(resolved, face, { format: 'pdf', mode: 'cmyk', ppi: 150 });
  const press = { press: engine.bakePress(null, 'relative'), profile: null };
  const asked = { title: 'One', blank: resolved, sides: [{ face, pieces: piecesOf(face) }], plan, press };
  const { bytes } = await writePrint(engine, asked, shown);
  const found = plates(bytes, 400);
  expect(new Set(found.keys())).toEqual(new Set(['Black', 'Cyan', 'Cut line', 'Magenta', 'Yellow']));
  expectOn(inked(found.get('Cut line')!, 400), ringsIn([printCut(face)!.d]), 0.1);
  // It overprints: the white border under it knocks nothing out, and no process ink stands along it.
  const magenta = inked(found.get('Magenta')!, 400);
  const line = ringsIn([printCut(face)!.d])[0]!;
  expect(magenta.some(([x, y]) => Math.abs(outlineDistance(line, x, y)) < 0.3)).toBe(false);
}, 60_000);

longTest(
  'a sheet of the six: cut lines stand where the flat says, in the ink it names',
  async () => {
    const prints = faces.map(printOf);
    const sheet = sheetOf(prints, 2, { spot: 'KnifeLine', labels: false, ruler: false });
    const layout = layOut(sheet, prints);
    expect(layout.laid).toHaveLength(12);
    const [bytes] = await writeSheet(
      engine,
      { sheet, prints, cards: [], format: 'pdf', ppi: 60 },
      readFont(fontBytes('archivo-narrow')),
      () => undefined,
    );
    const plate = plates(bytes!, 150).get('KnifeLine')!;
    expectOn(inked(plate, 150), ringsIn(cutsOf(layout, 0).map(({ d }) => d)), 0.2);
  },
  60_000,
);

longTest(
  'cut lines alone: SVG and PDF at true size hold the same lines',
  async () => {
    const [face] = faces;
    const page = {
      name: 'Crab & co',
      ...printSize(face!),
      lines: [{ kind: 'cut' as const, through: true, name: 'Crab & co', d: printCut(face!)!.d }],
    };
    const svg = cutSvg(page);
    expect(svg).toContain(`width="${page.width}mm"`);
    expect(svg).toContain('Crab &amp; co');
    expect(/d="([^"]+)"/.exec(svg)![1]).toBe(page.lines[0]!.d);
    const path = join(folder, 'alone.pdf');
    const bytes = await cutPdf('Alone', [page], { cut: 'Cut line', backing: 'Backing line' });
    writeFileSync(path, bytes);
    // Read as artwork it tells of its separation, and that it overprints.
    const { notes } = await openPage(
      { engine, drawPage: () => Promise.reject(new Error('not drawn')) },
      'alone.pdf',
      bytesSource(bytes),
    );
    expect(notes.map(({ code }) => code)).toEqual(expect.arrayContaining(['spots', 'overprint']));
    execFileSync('qpdf', ['--check', path]);
    const info = execFileSync('pdfinfo', [path]).toString();
    const [, width] = /Page size:\s+([\d.]+) x/.exec(info)!;
    expect((Number(width) / 72) * 25.4).toBeCloseTo(page.width, 1);
    expectOn(inked(plates(bytes, 600).get('Cut line')!, 600), ringsIn([page.lines[0]!.d]), 0.1);
  },
  60_000,
);

test('a PDF says which line cuts through and which the upper layer alone, a layer each, the backing dashed', async () => {
  const d = 'M5 5H25V25H5Z';
  const lines = [
    { kind: 'cut' as const, through: false, name: 'Crab', d },
    { kind: 'backing' as const, through: true, name: 'Crab', d: 'M2 2H28V28H2Z' },
  ];
  const page = { name: 'Crab', width: 30, height: 30, lines };
  const bytes = await cutPdf('Kiss', [page, page], { cut: 'Cut line', backing: 'Backing line' });
  const path = join(folder, 'kiss.pdf');
  writeFileSync(path, bytes);
  execFileSync('qpdf', ['--check', path]);
  const text = execFileSync('qpdf', ['--qdf', '--object-streams=disable', path, '-']).toString('latin1');
  const layers = [...text.matchAll(/GTS_ProcStepsType \/(\w+)/g)].map(([, type]) => type);
  expect(layers).toEqual(['PartialCutting', 'Cutting']);
  expect(text.match(/\/OC \/\w+ BDC/g)).toHaveLength(4);
  expect(text.match(/^\[ ?3 2 ?\] 0 d$/gm)).toHaveLength(2);
  // Another reader finds the same two layers, both seen.
  const { getDocument } = await import('pdfjs-dist/legacy/build/pdf.mjs');
  const pdf = await getDocument({ data: bytes.slice() }).promise;
  const groups = await pdf.getOptionalContentConfig();
  expect([...groups].map(([, { name, visible }]) => [name, visible])).toEqual([
    ['Cut line, kiss cut', true],
    ['Backing line, cut through', true],
  ]);
  await pdf.destroy();
}, 60_000);

test('a PNG a sticker: cropped to its bleed, clear outside it, true size', async () => {
  for (const face of faces.slice(0, 3)) {
    const plan = planPrint(resolved, face);
    const side = { face, pieces: piecesOf(face) };
    const asked = { title: face.name, blank: resolved, sides: [side], plan, press: null };
    const { bytes } = await writePrint(engine, asked, shown);
    const png = PNG.sync.read(Buffer.from(bytes));
    expect(png.width).toBe(Math.round(((face.width + 4) / 25.4) * 300));
    const alphas = [0, png.width - 1].flatMap((x) =>
      [0, png.height - 1].map((y) => png.data[(y * png.width + x) * 4 + 3]!),
    );
    expect(alphas).toEqual([0, 0, 0, 0]);
    // The border touches every side of it.
    const columns = Array.from({ length: png.height }, (_, y) => png.data[(y * png.width + 2) * 4 + 3]!);
    expect(Math.max(...columns)).toBeGreaterThan(200);
  }
});

describe('packed by outline', () => {
  const star = (size: number): Ring =>
    Array.from({ length: 10 }, (_, i) => {
      const radius = i % 2 === 0 ? size / 2 : size / 5;
      const angle = (i / 10) * 2 * Math.PI;
      return [size / 2 + radius * Math.cos(angle), size / 2 + radius * Math.sin(angle)];
    });
  const shaped = (id: string, ring: Ring, width: number, height: number): Print => ({
    ...{ fitId: id, faceId: 'front', name: id, width, height, bleed: 2 },
    cut: { d: 'M0 0Z', backing: null, reach: [ring] },
  });

  function apart(layout: SheetLayout, gap: number): boolean {
    const shapes = layout.laid.map(({ print, turned, x, y }) =>
      reachOf(print, turned).map((ring) => ring.map(([px, py]): [number, number] => [px + x, py + y])),
    );
    return shapes.every((a, i) =>
      shapes.slice(i + 1).every((b, n) => {
        const other = layout.laid[i + 1 + n]!;
        if (other.sheet !== layout.laid[i]!.sheet) return true;
        if (common({ outers: a, holes: [] }, { outers: b, holes: [] }).outers.length > 0) return false;
        return a.every((ring) =>
          b.every((against) => ring.every(([x, y]) => outlineDistance(against, x, y) >= gap - 1e-3)),
        );
      }),
    );
  }

  test('stars lie in each other’s bays: fewer sheets than by their boxes, inside the margin, a gap apart', () => {
    const prints = [shaped('star', star(60), 60, 60)];
    const sheet = sheetOf(prints, 24, { gap: 2 });
    const layout = layOut(sheet, prints);
    const boxed = layOut(
      sheet,
      prints.map((print) => ({ ...print, cut: undefined })),
    );
    expect(layout.laid).toHaveLength(24);
    expect(layout.sheets).toBeLessThanOrEqual(boxed.sheets);
    const end = ({ laid, sheets }: SheetLayout) =>
      sheets * 1000 +
      Math.max(...laid.filter((one) => one.sheet === sheets - 1).map((one) => one.y + one.height));
    expect(end(layout)).toBeLessThan(end(boxed));
    expect(apart(layout, 2)).toBe(true);
    for (const { x, y, width, height } of layout.laid) {
      expect(Math.min(x, y)).toBeGreaterThanOrEqual(10 - 1e-6);
      expect(x + width).toBeLessThanOrEqual(200 + 1e-6);
      expect(y + height).toBeLessThanOrEqual(287 + 1e-6);
    }
  });

  test('whatever the shapes: every copy is there, none nearer to another than the gap', () => {
    const size = fc.integer({ min: 15, max: 70 });
    fc.assert(
      fc.property(
        fc.array(size, { minLength: 1, maxLength: 7 }),
        fc.integer({ min: 0, max: 6 }),
        fc.boolean(),
        (sizes, gap, turning) => {
          const prints = sizes.map((side, i) => shaped(`s${i}`, star(side), side, side));
          const layout = layOut(sheetOf(prints, 3, { gap, turning }), prints);
          expect(layout.laid).toHaveLength(sizes.length * 3);
          expect(layout.troubles).toEqual([]);
          expect(apart(layout, gap)).toBe(true);
        },
      ),
      // The tips of these two reached a hair into each other's cells.
      { ...runs(6), examples: [[[63, 68], 0, true]] },
    );
  }, 60_000);
});
