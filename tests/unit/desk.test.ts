import { randomUUID } from 'node:crypto';
import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { PNG } from 'pngjs';
import { newFill } from '@/core/fit/place';
import { AnswerSchema, DeskSchema, UploadSchema, type Answer, type Order } from '@/core/pack/order';
import { changeMood, create, desks, finish, orders, part } from '@/desk/routes';
import type { Engine } from '@/imaging/engine';
import { loadNodeEngine } from '@/imaging/node';
import * as v from 'valibot';
import { resolveAmong, SHIPPED } from '@/core/blank/library';
import { withNumber } from '@/core/blank/numbers';
import type { ResolvedBlank } from '@/core/blank/resolve';
import { newHouse } from '@/core/blank/entries/house';
import type { Blank, HouseSpec } from '@/core/blank/schema';
import { numberBy } from '@/desk/houses';
import { blankById, faceOf } from '../support/fits';
import { packOf, print as printOf } from '../support/orders';
import { longTest } from '../support/long';

let engine: Engine;
let folder: string;
beforeAll(async () => {
  engine = await loadNodeEngine();
  folder = await mkdtemp(join(tmpdir(), 'up-fit-desk-'));
  process.env['UPFIT_DESK'] = folder;
  process.env['UPFIT_MOODS'] = '1';
});
afterAll(async () => {
  engine.close();
  await rm(folder, { recursive: true });
});
afterEach(() => mood('well'));

const print = (...asked: Parameters<typeof printOf> extends [unknown, ...infer Rest] ? Rest : never) =>
  printOf(engine, ...asked);

const HARL = 'harl-kiln-works';
const DUNMERE = 'dunmere-garment-print';

const post = (body: unknown, headers: Record<string, string> = {}) =>
  new Request('http://desk/', {
    method: 'POST',
    headers: { 'Content-Type': 'application/json', ...headers },
    body: typeof body === 'string' ? body : JSON.stringify(body),
  });
const mood = (name: string, times: number | null = null) => changeMood(post({ mood: name, times }));

const begin = (houseId: string, order: Order) => create(houseId, post(order));
const end = (houseId: string, id: string) =>
  finish(houseId, id, new Request('http://desk/', { method: 'POST' }));
const put = (houseId: string, id: string, offset: number, body: Blob) =>
  part(houseId, id, new Request(`http://desk/?offset=${offset}`, { method: 'PUT', body }));
const read = async (response: Response) => v.parse(UploadSchema, await response.json());

async function sent(houseId: string, { pack, order }: { pack: Blob; order: Order }): Promise<Answer> {
  const { uploadId, received } = await read(await begin(houseId, order));
  for (let at = received; at < pack.size; at += 100_000)
    await put(houseId, uploadId, at, pack.slice(at, at + 100_000));
  return v.parse(AnswerSchema, (await read(await end(houseId, uploadId))).answer);
}

const reasonsIn = (answer: Answer) => answer.findings.flatMap(({ reasons }) => reasons).join(' ');

test('three desks, and the one for houses that are written down, say what they take before anything is sent', async () => {
  const list = v.parse(v.array(DeskSchema), await desks().json());
  expect(list.map(({ id }) => id)).toEqual([HARL, DUNMERE, 'skerry-labels', 'written']);
  expect(new Set(list.map(({ mostBytes }) => mostBytes)).size).toBe(3);
  expect(list[0]!.partBytes).toBe(8_000_000);
});

describe('a blank that the customer measured', () => {
  const withSizes = (body: Blank['body'], sizes: Readonly<Record<string, number>>): Blank['body'] =>
    Object.entries(sizes).reduce((so, [id, mm]) => withNumber(so, id, mm)!, body);
  const own = (
    from: string,
    change: Partial<Blank>,
    sizes: Readonly<Record<string, number>>,
  ): ResolvedBlank => {
    const { blank } = blankById(from);
    return resolveAmong(SHIPPED, { ...blank, ...change, body: withSizes(blank.body, sizes) });
  };
  const cup = own(
    'tumbler-taper-480',
    { id: 'kiln-cup', version: 1 },
    { topDiameter: 84, bottomDiameter: 62 },
  );
  const corrected = own('mug-325', { version: 2 }, { diameter: 80 });

  test('is printed by a house that takes such, by its own numbers; by those of another it is sent back', async () => {
    for (const measured of [cup, corrected]) {
      const bytes = await print(measured);
      const answer = await sent(HARL, await packOf(measured, { bytes }));
      expect([answer.number, reasonsIn(answer)]).toEqual([expect.stringMatching(/^HK-/), '']);
      const other =
        measured === cup ? own('tumbler-taper-480', { id: 'kiln-cup' }, { topDiameter: 70 }) : cup;
      expect(reasonsIn(await sent(HARL, await packOf(other, { bytes })))).toMatch(/we need exactly/);
    }
  });

  longTest(
    'is sent back by a house that prints its own products only, and where its numbers make no product',
    async () => {
      const shirt = own('shirt', { id: 'own-shirt' }, {});
      const answer = await sent(DUNMERE, await packOf(shirt, { bytes: await print('shirt') }));
      expect(reasonsIn(answer)).toMatch(/our own products only/);
      const absurd = { ...cup, blank: { ...cup.blank, body: withSizes(cup.blank.body, { slant: 0.5 }) } };
      const refused = await sent(HARL, await packOf(absurd, { bytes: await print('mug-325') }));
      expect(reasonsIn(refused)).toMatch(/choose one of ours/);
    },
  );
});

describe('a house that its customer wrote down', () => {
  const fogbell: HouseSpec = {
    ...newHouse('fogbell', 'Fogbell Print', 'sublimation'),
    desk: true,
    orderNumbers: 'FP-####',
    files: { ...newHouse('x', 'x', 'x').files, formats: { value: ['tiff'], source: { kind: 'house' } } },
  };
  const mug = resolveAmong(
    { ...SHIPPED, specs: [fogbell] },
    { ...blankById('mug-325').blank, specId: 'fogbell' },
  );
  const packed = (change: Partial<HouseSpec>, bytes: Uint8Array) =>
    packOf(mug, { bytes, spec: { ...fogbell, ...change } });

  test('has a desk that goes by what was written: a kind of file it does not take is refused by name', async () => {
    const png = await print('mug-325');
    const refused = await sent('written', await packed({}, png));
    expect([refused.number, reasonsIn(refused)]).toEqual([
      null,
      expect.stringContaining('We take TIFF for this product, not PNG.'),
    ]);
    const takesPng = {
      files: { ...fogbell.files, formats: { value: ['png' as const], source: fogbell.bleed.source } },
    };
    const answer = await sent('written', await packed(takesPng, png));
    expect(answer.number).toMatch(/^FP-\d{4,}$/);
    expect(answer.lines).toEqual(['3 × White']);
  });

  test('takes nothing where it is said to have no desk, and no other desk takes what is its own', async () => {
    const bytes = await print('mug-325');
    expect((await sent('written', await packed({ desk: false }, bytes))).reasons.join()).toMatch(
      /for Fogbell Print/,
    );
    expect((await sent(HARL, await packed({}, bytes))).reasons.join()).toMatch(/for Fogbell Print/);
  });

  test.each([
    [7, 'FP-####', 'FP-0007'],
    [12_345, 'FP-####', 'FP-12345'],
    [42, '##/2026-#', '04/2026-2'],
    [7, undefined, 'WD-000007'],
  ])('numbers order %d by %s: %s', (count, pattern, expected) => {
    expect(numberBy(count, 'WD', pattern)).toBe(expected);
  });
});

describe('a pack that can be printed', () => {
  longTest('is refused where a file is put on another face, or goes into a size it is not for', async () => {
    const made = await packOf('mug-325', { bytes: await print('mug-325'), sizes: ['M'] });
    const [line] = made.order.lines;
    const ordered = (change: Partial<typeof line>) =>
      sent(HARL, { ...made, order: { ...made.order, key: randomUUID(), lines: [{ ...line!, ...change }] } });
    const [side] = line!.sides;
    expect((await ordered({ sides: [{ ...side!, faceId: 'back' }] })).reasons.join()).toMatch(
      /puts it on the back/,
    );
    expect((await ordered({ size: 'L' })).reasons.join()).toMatch(/is for M, and the order wants it in L/);
    expect((await ordered({ size: 'M' })).number).toMatch(/^HK-/);
  });

  test('is given an order number, its files opened and its checksum told', async () => {
    const made = await packOf('mug-325', { bytes: await print('mug-325') });
    const answer = await sent(HARL, made);
    expect(answer).toMatchObject({ sha256: made.order.sha256, reasons: [] });
    expect(answer.number).toMatch(/^HK-\d{6}$/);
    expect(answer.findings).toEqual([{ path: '01/print.png', verdict: 'ready', reasons: [] }]);
  });

  test('sent again with the same key is the same order; parts that arrived are not asked for again', async () => {
    const made = await packOf('mug-325', { bytes: await print('mug-325') });
    const first = await read(await begin(HARL, made.order));
    await put(HARL, first.uploadId, 0, made.pack.slice(0, 5_000));
    expect(await read(await begin(HARL, made.order))).toMatchObject({
      uploadId: first.uploadId,
      received: 5_000,
    });
    const later = await read(await put(HARL, first.uploadId, 9_000, made.pack.slice(9_000)));
    expect(later.received).toBe(5_000);
    expect((await end(HARL, first.uploadId)).status).toBe(409);
    const before = ((await orders(HARL).json()) as unknown[]).length;
    const answer = await sent(HARL, made);
    expect(await sent(HARL, made)).toEqual(answer);
    const held = (await orders(HARL).json()) as { number: string; sha256: string }[];
    expect(held).toHaveLength(before + 1);
    expect(held.at(-1)).toMatchObject({ number: answer.number, sha256: made.order.sha256 });
  });
});

describe('a desk refuses, and says why', () => {
  test('wrong pixels', async () => {
    const bytes = await print('mug-325', { ppi: 299 });
    const answer = await sent(HARL, await packOf('mug-325', { bytes }));
    expect(answer.number).toBeNull();
    expect(reasonsIn(answer)).toMatch(/we need exactly 2671 × 1134 px/);
  });

  longTest('the wrong mode and format', async () => {
    const bytes = await print('mug-325', { format: 'tiff', mode: 'cmyk' });
    const said = reasonsIn(await sent(HARL, await packOf('mug-325', { bytes })));
    expect(said).toMatch(/We take PNG, JPEG .*not TIFF/);
    expect(said).toMatch(/CMYK; we print from RGB/);
  });

  longTest(
    'no alpha where the product shows between the motifs',
    async () => {
      const whole = await print('shirt-child', {}, [newFill('f', '#ffffff')]);
      const clear = PNG.sync.read(Buffer.from(whole));
      const flat = new PNG({ width: clear.width, height: clear.height });
      flat.data = clear.data;
      const bytes = PNG.sync.write(flat, { colorType: 2, deflateLevel: 1 });
      const answer = await sent(DUNMERE, await packOf('shirt-child', { bytes }));
      expect(reasonsIn(answer)).toMatch(/No transparency/);
      expect((await sent(DUNMERE, await packOf('shirt-child', { bytes: whole }))).number).toMatch(/^DG-/);
    },
    60_000,
  );

  longTest('the line of its template left in, and not cyan art elsewhere', async () => {
    const png = PNG.sync.read(Buffer.from(await print('mug-325')));
    const { bleed, target } = faceOf(blankById('mug-325'));
    const cyanRow = (y: number) => {
      for (let x = 0; x < png.width; x++) png.data.set([0, 255, 255, 255], (y * png.width + x) * 4);
      return PNG.sync.write(png);
    };
    const inside = await sent(HARL, await packOf('mug-325', { bytes: cyanRow(400) }));
    expect(inside.number).not.toBeNull();
    const along = cyanRow(Math.round((bleed * target) / 25.4));
    const answer = await sent(HARL, await packOf('mug-325', { bytes: along }));
    expect(reasonsIn(answer)).toMatch(/cyan line of our template/);
  });

  test('mirrored twice over', async () => {
    const bytes = await print('mug-325', { mirrored: true });
    const answer = await sent(HARL, await packOf('mug-325', { bytes, mirrored: true }));
    expect(reasonsIn(answer)).toMatch(/Mirrored already/);
  });

  test('too large as a whole, before a byte of it is sent', async () => {
    const { order } = await packOf('mug-325', { bytes: await print('mug-325') });
    const response = await begin(HARL, { ...order, bytes: 401 * 1024 * 1024 });
    expect(response.status).toBe(413);
    expect(await response.json()).toMatchObject({
      message: expect.stringMatching(/400 MB at most/) as string,
    });
  });

  longTest('what is damaged on the way, what is no picture, and what is another house’s', async () => {
    const made = await packOf('mug-325', { bytes: await print('mug-325') });
    const bytes = new Uint8Array(await made.pack.arrayBuffer());
    bytes[5000]! ^= 1;
    expect((await sent(HARL, { ...made, pack: new Blob([bytes]) })).reasons.join()).toMatch(
      /checksum differs/,
    );
    const junk = await packOf('mug-325', { bytes: new TextEncoder().encode('hello') });
    expect(reasonsIn(await sent(HARL, junk))).toMatch(/cannot open this file/);
    const other = await packOf('mug-325', { bytes: await print('mug-325') });
    expect((await sent(DUNMERE, other)).reasons.join()).toMatch(/for Harl Kiln Works, and we are Dunmere/);
  });

  test('in a mood: it fails, refuses or drops the line, and for as often as it is told', async () => {
    const { order } = await packOf('mug-325', { bytes: await print('mug-325') });
    await mood('fails', 1);
    expect((await begin(HARL, order)).status).toBe(500);
    expect((await begin(HARL, order)).status).toBe(200);
    await mood('refuses');
    expect((await begin(HARL, order)).status).toBe(403);
    await mood('drops');
    await expect((await begin(HARL, order)).json()).rejects.toThrow();
    await mood('well');
    expect((await mood('sulks')).status).toBe(400);
    expect((await begin('nobody', order)).status).toBe(404);
  });
});
