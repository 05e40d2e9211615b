import { PRINT_FORMATS } from '@/core/formats/registry';
import type { ResolvedBlank } from '@/core/blank/resolve';
import { planPrint } from '@/core/print/plan';
import type { Raster } from '@/core/raster/raster';
import { writePrint } from '@/files/print';
import type { Engine } from '@/imaging/engine';
import { loadNodeEngine } from '@/imaging/node';
import { faceOf, pieceAt, sheetOf, shown } from '../support/fits';
import { few, LONG } from '../support/long';
import { laidOut } from './bench';
import { circle, Drawing, rectangle, WHITE, type Rgba } from './draw';
import { photographOf, randomOf } from './photographs';
import { TruthTable } from './table';

const table = new TruthTable();
let engine: Engine;
beforeAll(async () => {
  engine = await loadNodeEngine();
});
afterAll(() => {
  engine.close();
  table.print();
});

const PER_MM = 300 / 25.4;

function drawing(seed: number): Raster {
  const random = randomOf(seed);
  const drawn = new Drawing(40, 30, PER_MM, WHITE);
  for (let i = 0; i < 25; i++) {
    const ink: Rgba = [random() * 255, random() * 255, random() * 255, 255];
    const [x, y] = [random() * 40, random() * 30];
    if (i % 2) drawn.lay([circle(x, y, 1 + random() * 6)], ink);
    else drawn.lay([rectangle(x, y, 2 + random() * 14, 1 + random() * 7, random() * 180)], ink);
  }
  return drawn.raster();
}

const PICTURES: [name: string, raster: () => Raster][] = [
  ['a photograph', () => photographOf(1, 472, 354, { grain: 2 })],
  ['a smooth one', () => photographOf(2, 472, 354, { grain: 0 })],
  ['a coarse one', () => photographOf(3, 472, 354, { grain: 30 })],
  ['one of half the pixels', () => photographOf(4, 236, 177, { grain: 2 })],
  ['a drawing', () => drawing(5)],
];

/** The sheet of a house that takes one kind of file, so large. */
function takes(format: (typeof PRINT_FORMATS)[number], mode: 'rgb' | 'cmyk', bytes: number): ResolvedBlank {
  const blank = sheetOf('mug-325');
  const { spec } = blank;
  const of = <T>(value: T) => ({ value, source: { kind: 'stated' as const } });
  const files = {
    ...spec.files,
    formats: of([format]),
    modes: of([mode]),
    pixels: of(null),
    maxBytes: of(bytes),
  };
  return { ...blank, spec: { ...spec, files } } as unknown as ResolvedBlank;
}

test('a file that will be too large is never Ready, and one that will not is never a Fix, whatever it is made as', async () => {
  const press = { press: engine.bakePress(null, 'relative'), profile: null };
  for (const [name, make] of few(PICTURES, 1)) {
    const raster = make();
    const perMm = raster.width / 40;
    for (const format of PRINT_FORMATS)
      for (const mode of ['rgb', 'cmyk'] as const) {
        if (mode === 'cmyk' && (format === 'png' || format === 'svg')) continue;
        const free = takes(format, mode, 1e9);
        const face = faceOf(free);
        const plan = planPrint(free, face);
        expect([plan.format, plan.mode]).toEqual([format, mode]);
        const sides = [{ face, pieces: [pieceAt(20, 15, 40, 30)] }];
        // As it is packed where room is short.
        const tight = takes(format, mode, 1);
        const asked = { title: 'Test', blank: tight, sides, plan, press };
        const { bytes } = await writePrint(engine, asked, shown(raster));
        for (const [allowed, verdict] of [
          [bytes.length * 0.99, ['look', 'fix']],
          [bytes.length * 1.01, ['ready', 'look']],
          ...(LONG ? ([[bytes.length * 4 + 1e6, 'ready']] as const) : []),
        ] as const)
          table.take({
            rule: 'file-spec',
            name: `${name} as ${format} in ${mode} of ${bytes.length}, ${Math.round(allowed)} allowed`,
            laid: laidOut(takes(format, mode, allowed), raster, perMm),
            verdict,
          });
        // A photograph four times as large as is taken is no matter of opinion.
        if (name === 'a photograph' && mode === 'rgb')
          table.take({
            rule: 'file-spec',
            name: `${name} as ${format}, a quarter allowed`,
            laid: laidOut(takes(format, mode, bytes.length / 4), raster, perMm),
            verdict: 'fix',
          });
      }
  }
  expect(table.wrong()).toEqual([]);
}, 120_000);
