import { createHash, randomUUID } from 'node:crypto';
import { mkdtemp, readdir, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { deflateSync, zipSync } from 'fflate';
import * as v from 'valibot';
import { AnswerSchema, UploadSchema, type Answer, type Order } from '@/core/pack/order';
import { changeMood, create, finish, orders, part } from '@/desk/routes';
import { restart, shelf } from '@/desk/shelf';
import type { Engine } from '@/imaging/engine';
import { loadNodeEngine } from '@/imaging/node';
import { LONG } from '../support/long';
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

  test('three thousand orders that are only begun leave nothing behind, and the one that is on its way stays', async () => {
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

/** A grey PNG of one colour, so many pixels a side: small, and large once decoded. */
function hugePng(side: number): Uint8Array {
  const rows = new Uint8Array((Math.ceil(side / 8) + 1) * side);
  const deflated = deflateSync(rows, { level: 9 });
  const zlib = new Uint8Array(deflated.length + 6);
  zlib.set([0x78, 0x9c]);
  zlib.set(deflated, 2);
  const head = new Uint8Array(13);
  new DataView(head.buffer).setUint32(0, side);
  new DataView(head.buffer).setUint32(4, side);
  head[8] = 1;
  const parts = [chunk('IHDR', head), chunk('IDAT', zlib), chunk('IEND', new Uint8Array())];
  return Buffer.concat([Buffer.from([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a]), ...parts]);
}

function chunk(kind: string, data: Uint8Array): Buffer {
  const length = Buffer.alloc(4);
  length.writeUInt32BE(data.length);
  return Buffer.concat([length, Buffer.from(kind), data, Buffer.alloc(4)]);
}

/** A TIFF of one pixel whose directory at 8 is followed by others, and they lead back. */
function circularTiff(next: readonly number[]): Uint8Array {
  const bytes = new Uint8Array(400);
  const view = new DataView(bytes.buffer);
  bytes.set([0x49, 0x49, 42, 0, 8, 0, 0, 0]);
  const places = [8, ...next];
  for (const [i, at] of places.slice(0, -1).entries()) {
    view.setUint16(at, 2, true);
    for (const [n, tag] of [256, 257].entries()) {
      view.setUint16(at + 2 + n * 12, tag, true);
      view.setUint16(at + 4 + n * 12, 3, true);
      view.setUint32(at + 6 + n * 12, 1, true);
      view.setUint16(at + 10 + n * 12, 1, true);
    }
    view.setUint32(at + 26, places[i + 1]!, true);
  }
  return bytes;
}

/** A zip of one short file that says it unpacks to so many bytes. */
function lyingZip(says: number): Uint8Array {
  const zip = zipSync({ 'manifest.json': new TextEncoder().encode('{}') });
  const view = new DataView(zip.buffer);
  const list = view.getUint32(zip.length - 6, true);
  view.setUint32(list + 24, says, true);
  view.setUint32(22, says, true);
  return zip;
}
