import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { newFill } from '@/core/fit/place';
import type { Piece } from '@/core/fit/schema';
import { planPrint, type PrintMode } from '@/core/print/plan';
import { writePrint } from '@/files/print';
import type { Engine } from '@/imaging/engine';
import { loadNodeEngine } from '@/imaging/node';
import { blankById, faceOf, pieceAt, shown } from '../support/fits';
import { few } from '../support/long';
import { paint } from '../support/pictures';

/** A print as PDF, key by key, as qpdf lists it, and its metadata as exiftool reads them. */
const folder = mkdtempSync(join(tmpdir(), 'up-fit-x4-'));
let engine: Engine;
beforeAll(async () => {
  engine = await loadNodeEngine();
});
afterAll(() => {
  engine.close();
  rmSync(folder, { recursive: true });
});

type Value = string | number | boolean | null | Value[] | { [key: string]: Value };
type Dict = Record<string, Value>;

/** A document's objects, every reference followed. */
class Listed {
  private readonly objects: Record<string, { value?: Value; stream?: { dict: Dict } }>;

  constructor(readonly path: string) {
    const json = execFileSync('qpdf', ['--json=2', '--json-key=qpdf', path], {
      encoding: 'utf8',
      maxBuffer: 2 ** 28,
    });
    this.objects = (JSON.parse(json) as { qpdf: [unknown, Listed['objects']] }).qpdf[1];
  }

  get trailer(): Dict {
    return this.objects['trailer']!.value as Dict;
  }

  get catalog(): Dict {
    return this.at(this.trailer['/Root']!) as Dict;
  }

  at(value: Value): Value {
    if (typeof value !== 'string' || !/^\d+ \d+ R$/.test(value)) return value;
    const found = this.objects[`obj:${value}`]!;
    return found.stream?.dict ?? found.value!;
  }

  pages(): Dict[] {
    const kids = (this.at(this.catalog['/Pages']!) as Dict)['/Kids'] as Value[];
    return kids.map((kid) => this.at(kid) as Dict);
  }

  bytes(reference: Value): Buffer {
    const number = /^\d+/.exec(String(reference))![0];
    return execFileSync('qpdf', [`--show-object=${number}`, '--filtered-stream-data', this.path]);
  }

  /** Everything, as text, the streams' own content too. */
  text(): string {
    return execFileSync('qpdf', ['--qdf', '--object-streams=disable', this.path, '-'], {
      encoding: 'latin1',
      maxBuffer: 2 ** 28,
    });
  }
}

const picture = paint(120, 80, (x, y) => [x * 2, y * 3, 90, x < 20 ? 120 : 255]);

async function listed(blankId: string, mode: PrintMode, faces = 1): Promise<Listed> {
  const blank = blankById(blankId);
  const face = faceOf(blank);
  const pieces: Piece[] = [newFill('ground', '#102030'), pieceAt(40, 40, 60, 40, { id: 'art' })];
  const plan = planPrint(blank, face, { format: 'pdf', mode, ppi: 60, mirrored: false });
  const press = mode === 'cmyk' ? { press: engine.bakePress(null, 'relative'), profile: null } : null;
  const sides = Array.from({ length: faces }, () => ({ face, pieces }));
  const { bytes } = await writePrint(
    engine,
    { title: 'Lamp & “light”', blank, sides, plan, press },
    shown(picture),
  );
  const path = join(folder, `${blankId}-${mode}.pdf`);
  writeFileSync(path, bytes);
  execFileSync('qpdf', ['--check', path]);
  return new Listed(path);
}

const MADE: [blankId: string, faces: number][] = [
  ['mug-325', 1],
  ['tumbler-taper-480', 2],
  ['sticker-die-cut', 1],
];
test.each(few(MADE, 2))('%s in inks is PDF/X-4, key by key', async (blankId, faces) => {
  const pdf = await listed(blankId, 'cmyk', faces);
  expect(readFileSync(pdf.path).subarray(0, 8).toString('latin1')).toBe('%PDF-1.6');
  expect(pdf.trailer['/ID']).toHaveLength(2);
  expect(pdf.trailer['/Encrypt']).toBeUndefined();
  expect(pdf.at(pdf.trailer['/Info']!)).toMatchObject({ '/Trapped': '/False', '/Title': 'u:Lamp & “light”' });

  const [intent] = (pdf.at(pdf.catalog['/OutputIntents']!) as Value[]).map((one) => pdf.at(one) as Dict);
  expect(intent).toMatchObject({ '/S': '/GTS_PDFX', '/OutputConditionIdentifier': 'u:Custom' });
  const profile = pdf.bytes(intent!['/DestOutputProfile']!);
  expect(profile.subarray(12, 20).toString('latin1')).toBe('prtrCMYK');
  expect((pdf.at(intent!['/DestOutputProfile']!) as Dict)['/N']).toBe(4);

  expect(pdf.pages()).toHaveLength(faces);
  for (const page of pdf.pages()) {
    const [media, bleed, trim] = ['/MediaBox', '/BleedBox', '/TrimBox'].map((box) => page[box] as number[]);
    for (const i of [0, 1]) {
      expect(bleed![i]).toBeGreaterThanOrEqual(media![i]!);
      expect(trim![i]).toBeGreaterThanOrEqual(bleed![i]!);
      expect(trim![i + 2]).toBeLessThanOrEqual(bleed![i + 2]! + 1e-6);
    }
    expect(page['/Group']).toMatchObject({ '/S': '/Transparency', '/CS': '/DeviceCMYK' });
    expect(page['/ArtBox']).toBeUndefined();
    expect(page['/Annots'] ?? []).toEqual([]);
  }
  // Nothing that runs, and no colour but inks.
  expect(pdf.text()).not.toMatch(/DeviceRGB|CalRGB| rg\n| RG\n|\/JavaScript|\/AA\b|\/OpenAction/);

  const [xmp] = JSON.parse(
    execFileSync('exiftool', ['-json', '-struct', '-G1', '-XMP:all', pdf.path], { encoding: 'utf8' }),
  ) as Dict[];
  expect(Object.entries(xmp!).filter(([key]) => /PDFXVersion$/.test(key))).toEqual([
    [expect.any(String), 'PDF/X-4'],
  ]);
  expect(xmp!['XMP-dc:Title']).toBe('Lamp & “light”');
  expect(xmp!['XMP-xmpMM:RenditionClass']).toBe('default');
  expect(String(xmp!['XMP-xmpMM:DocumentID'])).toMatch(/^uuid:/);
  const info = execFileSync('pdfinfo', ['-isodates', pdf.path], { encoding: 'utf8' });
  const created = /CreationDate:\s+(\S+)/.exec(info)![1]!;
  expect(String(xmp!['XMP-xmp:CreateDate']).replace(/:/g, '')).toContain(
    created.slice(0, 10).replaceAll('-', ''),
  );
});

test('in RGB it is no X-4, and every colour is by the profile that it carries', async () => {
  const pdf = await listed('mug-325', 'rgb');
  expect(pdf.catalog['/OutputIntents'] ?? pdf.catalog['/Metadata']).toBeUndefined();
  const [page] = pdf.pages();
  const resources = pdf.at(page!['/Resources']!) as Dict;
  const space = pdf.at((pdf.at(resources['/ColorSpace']!) as Dict)['/DefaultRGB']!) as Value[];
  expect(space[0]).toBe('/ICCBased');
  expect(pdf.bytes(space[1]!).subarray(16, 20).toString('latin1')).toBe('RGB ');
});
