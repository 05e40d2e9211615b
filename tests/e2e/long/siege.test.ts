import { createHash, randomUUID } from 'node:crypto';
import { once } from 'node:events';
import { request } from 'node:http';
import { connect } from 'node:net';
import { join } from 'node:path';
import { Worker } from 'node:worker_threads';
import { zipSync } from 'fflate';
import * as v from 'valibot';
import { UploadSchema, type Order, type Upload } from '@/core/pack/order';
import type { Engine } from '@/imaging/engine';
import { loadNodeEngine } from '@/imaging/node';
import { startApp } from '../../../scripts/lib/app.mjs';
import { circularTiff, hugePng, lyingZip } from '../../support/hostile';
import { packOf, print } from '../../support/orders';
import { randomOf } from '../../truth/photographs';

/** The server held under attack: how much memory it takes, and how long others wait meanwhile. */
const HOUSE = 'harl-kiln-works';
const BLANK = 'mug-325';
const JSON_TYPE = { 'content-type': 'application/json' };
let app: Awaited<ReturnType<typeof startApp>>;
let engine: Engine;
let sound: Awaited<ReturnType<typeof packOf>>;
/** Made before the server starts: it takes longer than a line may stay open. */
let huge: Uint8Array[];
beforeAll(async () => {
  huge = [12_000, 16_000, 20_000].map(hugePng);
  engine = await loadNodeEngine();
  sound = await packOf(BLANK, { bytes: await print(engine, BLANK) });
  app = await startApp({ demo: false });
});
afterAll(async () => {
  engine.close();
  await app.stop();
});

const MIB = 1024 * 1024;
/** What the server may take, and how long another's request may. */
const [MOST_MEMORY, MOST_WAIT] = [512 * MIB, 2_000];

/** What someone else meets while some work goes on: the longest wait, the most memory, and answers that are none. */
async function meanwhile(work: () => Promise<void>): Promise<{ wait: number; most: number; odd: string[] }> {
  // In a thread of its own: making what is sent keeps this one busy for seconds.
  const other = new Worker(join(process.cwd(), 'scripts/lib/someone-else.mjs'), {
    workerData: { port: app.port, path: '/api/desk', pid: app.pid },
  });
  const told = once(other, 'message');
  try {
    await work();
  } finally {
    other.postMessage('stop');
  }
  const [met] = (await told) as [{ wait: number; most: number; odd: string[] }];
  return met;
}

async function many(count: number, at: number, one: (i: number) => Promise<void>): Promise<void> {
  let next = 0;
  await Promise.all(
    Array.from({ length: at }, async () => {
      while (next < count) await one(next++);
    }),
  );
}

/** A request whose line is cut after so many bytes of its body, or once it is all sent and nothing is answered yet. */
function dropped(method: string, path: string, body: Uint8Array, after: number): Promise<void> {
  return new Promise((ended) => {
    const sent = request({
      ...{ host: '127.0.0.1', port: app.port, method, path },
      headers: { ...(method === 'POST' && JSON_TYPE), 'content-length': String(body.length) },
    });
    sent.on('error', () => undefined);
    sent.on('close', ended);
    sent.write(body.slice(0, after), () => {
      if (after >= body.length) sent.end();
      sent.destroy();
    });
  });
}

async function ask(path: string, init: RequestInit): Promise<Upload> {
  const answer = await fetch(`${app.address}/api/desk/${HOUSE}/${path}`, init);
  return v.parse(UploadSchema, await answer.json());
}

const begin = (order: Order) =>
  ask('uploads', { method: 'POST', headers: JSON_TYPE, body: JSON.stringify(order) });

test('a thousand connections are dropped at any moment, and each order is there once', async () => {
  const random = randomOf(11);
  const pack = new Uint8Array(await sound.pack.arrayBuffer());
  const numbers = new Map<string, string>();
  const { wait, most, odd } = await meanwhile(() =>
    many(1_000, 6, async () => {
      const order = { ...sound.order, key: randomUUID() };
      const said = new TextEncoder().encode(JSON.stringify(order));
      if (random() < 0.3)
        await dropped('POST', `/api/desk/${HOUSE}/uploads`, said, random() * said.length * 1.2);
      let upload = await begin(order);
      if (random() < 0.6) {
        const left = pack.slice(upload.received);
        const path = `/api/desk/${HOUSE}/uploads/${upload.uploadId}?offset=${upload.received}`;
        await dropped('PUT', path, left, Math.floor(random() * left.length * 1.1));
        // What comes back asks how far it had come.
        upload = await begin(order);
      }
      for (let tries = 0; upload.answer === null && tries < 20; tries++) {
        if (upload.received < pack.length)
          upload = await ask(`uploads/${upload.uploadId}?offset=${upload.received}`, {
            method: 'PUT',
            body: pack.slice(upload.received),
          }).catch(() => begin(order));
        else {
          const path = `/api/desk/${HOUSE}/uploads/${upload.uploadId}/finish`;
          if (tries < 2 && random() < 0.3) await dropped('POST', path, new Uint8Array(), 0);
          upload = await ask(`uploads/${upload.uploadId}/finish`, { method: 'POST' });
        }
      }
      numbers.set(order.key, upload.answer!.number!);
    }),
  );
  const held = (await (await fetch(`${app.address}/api/desk/${HOUSE}/orders`)).json()) as {
    number: string;
    key: string;
  }[];
  expect(numbers.size).toBe(1_000);
  expect(new Set(numbers.values()).size).toBe(1_000);
  for (const [key, number] of numbers)
    expect(held.filter((one) => one.key === key).map((one) => one.number)).toEqual([number]);
  expect(odd).toEqual([]);
  expect(most).toBeLessThan(MOST_MEMORY);
  expect(wait).toBeLessThan(MOST_WAIT);
}, 3_000_000);

test('three hundred hostile sendings are answered or ended, and nobody else waits', async () => {
  const random = randomOf(5);
  const between = (low: number, high: number) => Math.floor(low + random() * (high - low));
  const sent = async (pack: Uint8Array, change: Partial<Order> = {}) => {
    const sha256 = createHash('sha256').update(pack).digest('hex');
    const upload = await begin({ ...sound.order, key: randomUUID(), bytes: pack.length, sha256, ...change });
    await ask(`uploads/${upload.uploadId}?offset=0`, {
      method: 'PUT',
      body: pack as Uint8Array<ArrayBuffer>,
    });
    const { answer } = await ask(`uploads/${upload.uploadId}/finish`, { method: 'POST' });
    expect(answer!.number).toBeNull();
  };
  const packed = async (bytes: Uint8Array, format: 'png' | 'tiff' | 'pdf') => {
    const { pack } = await packOf(BLANK, { bytes, format });
    await sent(new Uint8Array(await pack.arrayBuffer()));
  };
  // What is too much is answered before all of it is said, and the line let go.
  const posted = (body: string, statuses: readonly number[]) =>
    new Promise<void>((answered, failed) => {
      const said = Buffer.from(body);
      const asked = request({
        ...{ host: '127.0.0.1', port: app.port, path: `/api/desk/${HOUSE}/uploads`, method: 'POST' },
        agent: false,
        headers: { ...JSON_TYPE, 'content-length': String(said.length) },
      });
      let status = 0;
      asked.on('response', (response) => {
        status = response.statusCode!;
        response.resume();
      });
      asked.on('error', () => undefined);
      asked.on('close', () => {
        if (status === 0 || statuses.includes(status)) answered();
        else failed(new Error(`answered with ${status}, not with ${statuses.join(' or ')}`));
      });
      asked.end(said);
    });
  const attacks: ((i: number) => Promise<void>)[] = [
    (i) => packed(huge[i % huge.length]!, 'png'),
    (i) => packed(circularTiff(i % 2 === 0 ? [8] : [between(60, 300), 8]), 'tiff'),
    () => sent(zipSync({ 'manifest.json': new TextEncoder().encode('['.repeat(between(1e5, 3e6))) })),
    () => sent(lyingZip(between(2 ** 30, 2 ** 32 - 2))),
    () => sent(crypto.getRandomValues(new Uint8Array(between(1, 60_000)))),
    () => posted('['.repeat(between(1e3, 4e5)), [400]),
    () => posted(JSON.stringify({ ...sound.order, notes: 'x'.repeat(between(6e5, 4e6)) }), [413]),
    () => posted(JSON.stringify({ ...sound.order, key: randomUUID(), bytes: -between(0, 9e9) }), [400]),
    // A body that never ends, and a head that trickles: the line is let go.
    () =>
      dropped(
        'PUT',
        `/api/desk/${HOUSE}/uploads/${randomUUID()}?offset=0`,
        new Uint8Array(2 ** 28),
        between(1, 2 ** 22),
      ),
    () =>
      new Promise((ended) => {
        const line = connect(app.port, '127.0.0.1');
        line.on('error', () => undefined);
        line.on('close', () => {
          ended();
        });
        line.resume();
        line.write(`GET /${'x'.repeat(between(1e4, 1e5))} HTTP/1.1\r\nHost: localhost\r\n`);
        for (let i = 0; i < 40; i++) line.write(`X-${i}: ${'y'.repeat(1_000)}\r\n`);
      }),
  ];
  const before = await (await fetch(`${app.address}/api/desk/${HOUSE}/orders`)).text();
  const { wait, most, odd } = await meanwhile(() => many(300, 6, (i) => attacks[i % attacks.length]!(i)));
  expect(await (await fetch(`${app.address}/api/desk/${HOUSE}/orders`)).text()).toBe(before);
  expect(odd).toEqual([]);
  expect(most).toBeLessThan(MOST_MEMORY);
  expect(wait).toBeLessThan(MOST_WAIT);
}, 1_800_000);
