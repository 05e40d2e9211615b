import { createHash, randomUUID } from 'node:crypto';
import { mkdtemp, readdir, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { zipSync } from 'fflate';
import * as v from 'valibot';
import { AnswerSchema, UploadSchema, type Answer, type Order } from '@/core/pack/order';
import { changeMood, create, finish, orders, part } from '@/desk/routes';
import { restart, shelf } from '@/desk/shelf';
import type { Engine } from '@/imaging/engine';
import { loadNodeEngine } from '@/imaging/node';
import { circularTiff, hugePng, lyingZip } from '../support/hostile';
import { LONG, longTest } from '../support/long';
import { packOf, print } from '../support/orders';

const HARL = 'harl-kiln-works';
/** MB of a list that is refused by its size: making them takes longest. */
const BRACKETS = LONG ? 200 : 30;
let engine: Engine;
let folder: string;
let sound: Uint8Array;

beforeAll(async () => {
  engine = await loadNodeEngine();
  sound = await print(engine, 'mug-325');
  folder = await mkdtemp(join(tmpdir(), 'up-fit-desk-'));
  process.env['UPFIT_DESK'] = folder;
});
beforeEach(() => {
  restart();
});
afterAll(async () => {
  engine.close();
  await rm(folder, { recursive: true });
});

const post = (body: unknown, headers: Record<string, string> = {}) =>
  new Request('http://desk/', {
    method: 'POST',
    headers: { 'Content-Type': 'application/json', ...headers },
    body: typeof body === 'string' ? body : JSON.stringify(body),
  });
const read = async (response: Response) => v.parse(UploadSchema, await response.json());
const begin = async (order: Order) => read(await create(HARL, post(order)));
const put = (id: string, at: number, body: BodyInit, headers: Record<string, string> = {}) =>
  part(
    HARL,
    id,
    new Request(`http://desk/?offset=${at}`, { method: 'PUT', body, headers, duplex: 'half' } as RequestInit),
  );
const end = async (id: string): Promise<Answer> =>
  v.parse(
    AnswerSchema,
    (await read(await finish(HARL, id, new Request('http://desk/', { method: 'POST' })))).answer,
  );
async function sent({ pack, order }: { pack: Blob; order: Order }): Promise<Answer> {
  const { uploadId, answer } = await begin(order);
  if (answer) return answer;
  await put(uploadId, 0, pack);
  return end(uploadId);
}
const packed = (bytes: Uint8Array, format: 'png' | 'tiff' | 'pdf' = 'png') =>
  packOf('mug-325', { bytes, format });
const held = async () => (await orders(HARL).json()) as { number: string; key: string }[];

/** A pack whose zip is given, with an order for it. */
async function zipped(files: Record<string, Uint8Array>): Promise<{ pack: Blob; order: Order }> {
  const { order } = await packed(sound);
  const zip = zipSync(files);
  const sha256 = createHash('sha256').update(zip).digest('hex');
  return { pack: new Blob([zip as Uint8Array<ArrayBuffer>]), order: { ...order, bytes: zip.length, sha256 } };
}

describe('one order is one order', () => {
  test('a key begun and finished eight times at once is one upload and one number', async () => {
    const made = await packed(sound);
    const begun = await Promise.all(Array.from({ length: 8 }, () => begin(made.order)));
    expect(new Set(begun.map(({ uploadId }) => uploadId)).size).toBe(1);
    const { uploadId } = begun[0]!;
    await Promise.all(Array.from({ length: 8 }, () => put(uploadId, 0, made.pack)));
    const before = (await held()).length;
    const answers = await Promise.all(Array.from({ length: 8 }, () => end(uploadId)));
    expect(new Set(answers.map(({ number }) => number)).size).toBe(1);
    expect(await held()).toHaveLength(before + 1);
  });

  test('different orders finished at once have a number each', async () => {
    const made = await Promise.all(Array.from({ length: 5 }, () => packed(sound)));
    const numbers = (await Promise.all(made.map(sent))).map(({ number }) => number);
    expect(numbers.every((number) => number !== null)).toBe(true);
    expect(new Set(numbers).size).toBe(5);
  });

  test('keys, numbers and what has arrived survive a restart', async () => {
    const first = await packed(sound);
    const { number } = await sent(first);
    const half = await packed(sound);
    const { uploadId } = await begin(half.order);
    await put(uploadId, 0, half.pack.slice(0, 4_000));
    restart();
    expect((await begin(first.order)).answer!.number).toBe(number);
    expect(await begin(half.order)).toMatchObject({ uploadId, received: 4_000 });
    await put(uploadId, 4_000, half.pack.slice(4_000));
    const later = await end(uploadId);
    expect(Number(later.number!.slice(3))).toBe(Number(number!.slice(3)) + 1);
  });
});

describe('what costs more than it is', () => {
  const cost = async (work: () => Promise<unknown>) => {
    const before = process.memoryUsage().rss;
    await work();
    return (process.memoryUsage().rss - before) / 1024 / 1024;
  };

  test('a small PNG of 20,000 × 20,000 px is refused by its size, undecoded', async () => {
    const bytes = hugePng(20_000);
    expect(bytes.length).toBeLessThan(2_000_000);
    const grown = await cost(async () => {
      const answer = await sent(await packed(bytes));
      expect(answer.number).toBeNull();
      expect(answer.findings[0]!.reasons).toEqual([
        expect.stringMatching(/^20000 × 20000 px; we need exactly/) as string,
      ]);
    });
    expect(grown).toBeLessThan(256);
  });

  test.each([
    ['to itself', [8]],
    ['round in a circle', [100, 8]],
  ])('a TIFF whose directories lead %s is no print file', async (_, next) => {
    const answer = await sent(await packed(circularTiff(next), 'tiff'));
    expect(answer.findings[0]!.reasons.join()).toMatch(/cannot open this file/);
  });

  test(`a list of ${BRACKETS} MB of brackets, and one that is short and deep, are no list`, async () => {
    const brackets = new Uint8Array(BRACKETS * 1024 * 1024).fill(0x5b);
    const grown = await cost(async () => {
      const answer = await sent(await zipped({ 'manifest.json': brackets }));
      expect(answer.reasons.join()).toMatch(/no pack that we can open/);
    });
    // The test itself makes that much, and its zip.
    expect(grown).toBeLessThan(3 * BRACKETS + 150);
    const deep = new TextEncoder().encode('['.repeat(200_000));
    expect((await sent(await zipped({ 'manifest.json': deep }))).reasons.join()).toMatch(/no pack/);
  }, 60_000);

  test('a pack that unpacks to gigabytes by its own word is not unpacked', async () => {
    const { order } = await packed(sound);
    const zip = lyingZip(0xfffffff0);
    const sha256 = createHash('sha256').update(zip).digest('hex');
    const pack = new Blob([zip as Uint8Array<ArrayBuffer>]);
    const answer = await sent({ pack, order: { ...order, bytes: zip.length, sha256 } });
    expect(answer.reasons.join()).toMatch(/no pack that we can open/);
  });
});

describe('what is sent', () => {
  test('a part of a gigabyte is refused by its length, and one that says no length while it streams', async () => {
    const made = await packed(sound);
    const { uploadId } = await begin(made.order);
    let pulled = 0;
    const stream = () =>
      new ReadableStream<Uint8Array>({
        pull: (controller) => {
          pulled++;
          controller.enqueue(new Uint8Array(1024 * 1024));
          if (pulled === 1024) controller.close();
        },
      });
    expect((await put(uploadId, 0, stream(), { 'Content-Length': String(2 ** 30) })).status).toBe(413);
    expect(pulled).toBeLessThan(4);
    expect((await put(uploadId, 0, stream())).status).toBe(413);
    expect(pulled).toBeLessThan(20);
    expect((await put(uploadId, 0, made.pack)).status).toBe(200);
  });

  test('an order of nothing, of too much, or nested without end is none; the others are still told', async () => {
    const { order } = await packed(sound);
    const refused = async (body: unknown) => (await create(HARL, post(body))).status;
    expect(await refused({ ...order, bytes: 0 })).toBe(400);
    expect(await refused({ ...order, lines: Array.from({ length: 2_000 }, () => order.lines[0]) })).toBe(400);
    expect(await refused({ ...order, notes: 'x'.repeat(600 * 1024) })).toBe(413);
    expect(await refused('['.repeat(100_000))).toBe(400);
    expect(await refused('{"key":')).toBe(400);
    expect(orders(HARL).status).toBe(200);
  });

  longTest(
    'three thousand orders that are only begun leave nothing behind, and the one that is on its way stays',
    async () => {
      const made = await packed(sound);
      const { uploadId } = await begin(made.order);
      await put(uploadId, 0, made.pack.slice(0, 1_000));
      const folders = (await readdir(join(folder, 'uploads'))).length;
      for (let i = 0; i < 3_000; i++) await begin({ ...made.order, key: randomUUID() });
      expect(await readdir(join(folder, 'uploads'))).toHaveLength(folders);
      const open = [...shelf().uploads.values()].filter(({ answer }) => answer === null);
      expect(open.length).toBeLessThanOrEqual(64);
      restart();
      expect(await begin(made.order)).toMatchObject({ uploadId, received: 1_000 });
    },
  );

  test('what was sent back is let go of after a day, and told again until then; an order stays', async () => {
    const bad = new Blob([new Uint8Array(90)]);
    const sha256 = createHash('sha256').update(new Uint8Array(90)).digest('hex');
    const refused = { ...(await packed(sound)).order, bytes: 90, sha256 };
    const { uploadId } = await begin(refused);
    await put(uploadId, 0, bad);
    const { number, reasons } = await end(uploadId);
    expect(number).toBeNull();
    expect((await begin(refused)).answer).toMatchObject({ reasons });
    const made = await packed(sound);
    const taken = await sent(made);
    for (const upload of shelf().uploads.values()) upload.touched -= 25 * 60 * 60_000;
    await begin({ ...made.order, key: randomUUID() });
    expect(shelf().uploads.has(uploadId)).toBe(false);
    expect(await readdir(join(folder, 'uploads'))).not.toContain(uploadId);
    expect((await begin(made.order)).answer).toMatchObject({ number: taken.number });
  });
});

describe('who sends it', () => {
  test('another site’s page gets nothing in: by its origin, by what the browser says, or dressed as plain text', async () => {
    const { order } = await packed(sound);
    const status = async (headers: Record<string, string>) =>
      (await create(HARL, post(order, headers))).status;
    expect(await status({ Origin: 'http://elsewhere.example', Host: 'desk' })).toBe(403);
    expect(await status({ 'Sec-Fetch-Site': 'cross-site' })).toBe(403);
    expect(await status({ 'Sec-Fetch-Site': 'same-site' })).toBe(403);
    expect(await status({ 'Content-Type': 'text/plain' })).toBe(415);
    expect(await status({ Origin: 'http://desk', Host: 'desk', 'Sec-Fetch-Site': 'same-origin' })).toBe(200);
  });

  test('the desk is told how to behave only where it was started for that', async () => {
    expect((await changeMood(post({ mood: 'fails' }))).status).toBe(404);
    process.env['UPFIT_MOODS'] = '1';
    expect((await changeMood(post({ mood: 'well' }))).status).toBe(200);
    expect((await changeMood(post({ mood: 'well' }, { 'Content-Type': 'text/plain' }))).status).toBe(415);
    delete process.env['UPFIT_MOODS'];
  });
});
