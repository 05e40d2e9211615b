import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { basename, join } from 'node:path';
import { tmpdir } from 'node:os';
import fc from 'fast-check';
import { PNG } from 'pngjs';
import { fontNamed } from '@/cli/font';
import { nodeReaders } from '@/cli/readers';
import { run } from '@/cli/run';
import { keptName } from '@/core/pack/names';
import { columnOf, doubledRows, rowName, rowsFor, unknownParts } from '@/core/rows/list';
import { fillSlot, type Slot, type SlotFont } from '@/core/rows/slot';
import { fontOf, lackingIn } from '@/files/font';
import { longTest } from '../support/long';

const folder = mkdtempSync(join(tmpdir(), 'up-fit-rows-'));
const readers = nodeReaders();
afterAll(() => {
  readers.close();
  rmSync(folder, { recursive: true });
});

const at = (name: string) => join(folder, name);
const list = (name: string, text: string) => {
  writeFileSync(at(name), text);
  return at(name);
};

interface Told {
  rows: {
    row: number;
    verdict: string | null;
    file: string | null;
    problems: { column: string; message: string }[];
  }[];
  made: number;
  notMade: number;
  unused: string[];
}

async function rows(csv: string, ...more: string[]): Promise<{ told: Told; status: number }> {
  const argv = ['rows', '--blank', 'coaster', '--rows', csv, '--out', at('out'), '--json', ...more];
  const { out, status } = await run(argv, readers.supply);
  return { told: JSON.parse(out) as Told, status };
}
const refused = async (csv: string, ...more: string[]) => {
  const { told, status } = await rows(csv, ...more);
  return [status, (told as unknown as { error: { code: string; message: string } }).error] as const;
};

/** Where a print's ink lies, in mm from the trim's top left. */
function inkOf(path: string, bleed: number) {
  const { width, height, data } = PNG.sync.read(readFileSync(path));
  const box = { left: Infinity, right: -Infinity, top: Infinity, bottom: -Infinity };
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) {
      const [r, g, b, a] = data.subarray((y * width + x) * 4);
      if (a! < 128 || r! + g! + b! > 500) continue;
      box.left = Math.min(box.left, x);
      box.right = Math.max(box.right, x + 1);
      box.top = Math.min(box.top, y);
      box.bottom = Math.max(box.bottom, y + 1);
    }
  const mm = (px: number) => (px * 25.4) / 300 - bleed;
  return { left: mm(box.left), right: mm(box.right), top: mm(box.top), bottom: mm(box.bottom) };
}

const KEEPERS = [
  ...['Ada', 'Bjarke', 'Wilhelmina-Josephine', 'Gus', 'Ingrid', 'Quayle'],
  ...['', 'Jory', 'Zoë 灯', 'Hetty', 'Kit', 'Lowenna'],
];

describe('twelve keepers’ names', () => {
  const slot = ['--slot', 'name=60mmx12mm@48mm,30mm', '--least', '1.8mm', '--name', '{design}_{name}'];
  const csv = list('keepers.csv', `Name,born\r\n${KEEPERS.map((name) => `${name},1900`).join('\r\n')}\r\n`);
  let answer: { told: Told; status: number };
  beforeAll(async () => {
    answer = await rows(csv, ...slot);
  }, 120_000);

  test('ten are made, each a file by its name; the empty row and the one the font lacks are named', () => {
    const { told, status } = answer;
    expect([told.made, told.notMade, status]).toEqual([10, 2, 1]);
    expect(told.rows.map(({ row }) => row)).toEqual(KEEPERS.map((_, i) => i + 1));
    expect(told.rows.filter(({ file }) => file === null).map(({ row }) => row)).toEqual([7, 9]);
    expect(told.rows[6]!.problems).toEqual([{ column: 'Name', message: 'It is empty.' }]);
    expect(told.rows[8]!.problems[0]!.message).toMatch(/“灯” \(U\+706F\)/);
    expect(basename(told.rows[2]!.file!)).toBe('Coaster_Wilhelmina-Josephine.png');
    expect(told.unused).toEqual(['born']);
  });

  longTest(
    'every name’s ink lies in its slot and in its middle; the long one is narrower for it, and over the least',
    () => {
      const boxes = answer.told.rows.flatMap(({ file }) => (file === null ? [] : [inkOf(file, 2)]));
      for (const { left, right, top, bottom } of boxes) {
        expect(left).toBeGreaterThan(48 - 30 - 0.1);
        expect(right).toBeLessThan(48 + 30 + 0.1);
        expect(top).toBeGreaterThan(30 - 6 - 0.1);
        expect(bottom).toBeLessThan(30 + 6 + 0.1);
        expect((left + right) / 2).toBeCloseTo(48, 0);
      }
      const [ada, , long] = boxes;
      expect(long!.right - long!.left).toBeCloseTo(60, 0);
      // Capitals of names at full size are all as high.
      expect(boxes[3]!.bottom - boxes[3]!.top).toBeCloseTo(ada!.bottom - ada!.top, 0);
      expect(long!.bottom - long!.top).toBeLessThan(ada!.bottom - ada!.top);
      expect(long!.bottom - long!.top).toBeGreaterThan(1.8);
    },
  );
});

describe('a list', () => {
  const slot = ['--slot', 'name=60mmx12mm@48mm,30mm'];

  test('of any separator, with quotes, in UTF-16, with columns in any order', async () => {
    const text = 'year;name\n1912;"Ferro; the elder"\n';
    writeFileSync(at('wide.csv'), Buffer.concat([Buffer.from([0xff, 0xfe]), Buffer.from(text, 'utf16le')]));
    const { told, status } = await rows(at('wide.csv'), ...slot, '--slot', 'year=20mmx8mm@48mm,60mm');
    expect([told.made, status]).toEqual([1, 0]);
    expect(basename(told.rows[0]!.file!)).toBe('Coaster_Ferro-the-elder.png');
  });

  test.each([
    ['no head', 'Ada\nGus\n', /no column “name”: its first row names “Ada”/],
    ['nothing', '', /no column “name”/],
    ['a head alone', 'name\n', /no rows under it/],
    ['two columns of one name', 'name,Name\na,b\n', /Two columns are called/],
    ['a quote that never ends', 'name\n"Ada\nGus\n', /Row 2: a quote is opened and never closed/],
    ['20,000 rows', `name\n${'a\n'.repeat(20_000)}`, /20000 rows/],
  ])('with %s is told', async (name, text, sentence) => {
    const [status, error] = await refused(list('bad.csv', text), ...slot);
    expect([name, status, error.message]).toEqual([name, 2, expect.stringMatching(sentence)]);
  });

  test.each([
    [['--slot', 'name'], /write a name, a size and its middle/],
    [['--slot', 'name=0mmx12mm@1mm,1mm'], /above zero/],
    [[...slot, ...slot], /Two slots are called/],
    [[...slot, '--least', '0mm'], /above zero/],
    [[...slot, '--name', '{nmae}'], /no column “nmae”/],
    [[...slot, '--font', 'Nothing Sans'], /There is no font “Nothing Sans”/],
    [[], /wants --slot/],
  ])('asked for as %j is told', async (more, sentence) => {
    const [status, error] = await refused(list('one.csv', 'name\nAda\n'), ...more);
    expect([status, error.code]).toEqual([2, 'bad-argument']);
    expect(error.message).toMatch(sentence);
  });

  test('a list that is not there is told', async () => {
    expect((await refused(at('none.csv'), ...slot))[1].code).toBe('not-found');
  });

  longTest('names of 200 letters, of paths and of other scripts: each a problem or a safe name', async () => {
    const csv = list('odd.csv', `name\n${'w'.repeat(200)}\n../../etc/passwd\nAda\nada\n`);
    const { told } = await rows(csv, ...slot, '--name', '{name}');
    expect(told.rows[0]).toMatchObject({ file: null });
    expect(told.rows[0]!.problems[0]!.message).toMatch(/at the least height of 1.8 mm.*shorten it/);
    const made = told.rows.slice(1).map(({ file }) => file!);
    expect(made.map((file) => basename(file))).toEqual(['etcpasswd.png', 'Ada.png', 'ada-2.png']);
    expect(told.rows[3]!.problems).toEqual([{ column: 'name', message: 'Row 3 says the same.' }]);
  });
});

describe('what is worked out of a list', () => {
  const sample = rowsFor(
    [
      ['﻿Name', 'Year'],
      ['Ada', '1912'],
      ['', ''],
      ['ada ', '1912'],
      ['', ''],
    ],
    ['name'],
  );

  test('a row that is empty counts, but at the end; columns are found whatever their case', () => {
    expect(sample.rows).toEqual([
      ['Ada', '1912'],
      ['', ''],
      ['ada ', '1912'],
    ]);
    expect([columnOf(sample.columns, 'NAME'), columnOf(sample.columns, 'born')]).toEqual([0, -1]);
    expect(doubledRows(sample, ['name'])).toEqual([null, null, 1]);
  });

  test('a name’s pattern', () => {
    expect(rowName('{row}-{design}_{ YEAR }_{x}', sample, ['Ada', '1912'], 3, 'lamp')).toBe(
      '3-lamp_1912_{x}',
    );
    expect(unknownParts('{row}{name}{x}{design}', sample)).toEqual(['x']);
  });

  test('a kept name is one part of a path, of at most 120 bytes, whatever stood there', () => {
    fc.assert(
      fc.property(fc.string({ unit: 'grapheme', maxLength: 300 }), (text) => {
        const name = keptName(text, 'row-1');
        expect(new TextEncoder().encode(name).length).toBeLessThanOrEqual(120);
        expect(name).not.toMatch(/[/\\:*?"<>|\0]|^\.|^$/);
      }),
    );
    expect(keptName('灯台の番人 ゲン', 'x')).toBe('灯台の番人-ゲン');
    expect(keptName('Zoë/../', 'x')).toBe('Zoë');
    expect(keptName('///', 'row-4')).toBe('row-4');
  });
});

describe('words in a slot', () => {
  let font: SlotFont;
  beforeAll(async () => {
    const opened = await fontNamed('Lora');
    font = { ...fontOf(opened), lacking: (text) => lackingIn(opened, text) };
  });
  const look = { faceId: 'lora', colour: '#000000' };

  test('never over its box, never under the least, in its middle: over many words and boxes', () => {
    const words = fc.stringMatching(/^[A-Za-zÉÅçgjpqy.'-][A-Za-zÉÅçgjpqy .'-]{0,30}$/);
    const box = fc.record({
      width: fc.double({ min: 10, max: 120, noNaN: true }),
      height: fc.double({ min: 3, max: 40, noNaN: true }),
    });
    fc.assert(
      fc.property(words, box, (text: string, { width, height }) => {
        const slot: Slot = { name: 'n', width, height, x: 50, y: 20, least: 1.8 };
        const filled = fillSlot(slot, text, font, look);
        if (!filled.ok) return;
        const { piece, cap } = filled;
        expect(cap).toBeGreaterThanOrEqual(1.8 - 1e-6);
        expect(piece.width).toBeLessThanOrEqual(width + 0.01);
        expect(piece.y - piece.height / 2).toBeGreaterThanOrEqual(20 - height / 2 - 0.01);
        expect(piece.y + piece.height / 2).toBeLessThanOrEqual(20 + height / 2 + 0.01);
        expect(piece.x).toBe(50);
      }),
    );
  });

  test('short words of one slot stand on one baseline, whatever hangs from them', () => {
    const slot: Slot = { name: 'n', width: 100, height: 12, x: 50, y: 20, least: 1.8 };
    const [tall, hanging] = ['HE', 'Hg'].map((text) => fillSlot(slot, text, font, look));
    if (!tall?.ok || !hanging?.ok) throw new Error('not set');
    expect(hanging.cap).toBe(tall.cap);
    expect(hanging.piece.y - hanging.piece.height / 2).toBeCloseTo(tall.piece.y - tall.piece.height / 2, 1);
  });

  test.each([
    ['   ', /empty/],
    ['\u200b', /empty/],
    ['Ada 😀', /“😀” \(U\+1F600\)/],
    ['Жанна', /“Ж” \(U\+0416\), “а”/],
  ])('“%s” is told', (text, sentence) => {
    const slot: Slot = { name: 'n', width: 100, height: 12, x: 50, y: 20, least: 1.8 };
    expect(fillSlot(slot, text, font, look)).toMatchObject({
      ok: false,
      message: expect.stringMatching(sentence) as string,
    });
  });
});
