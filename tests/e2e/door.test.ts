import { connect } from 'node:net';
import { request } from 'node:http';
import { gzipSync } from 'node:zlib';
import { startApp } from '../../scripts/lib/app.mjs';
import { longTest } from '../support/long';

let app: Awaited<ReturnType<typeof startApp>>;
beforeAll(async () => {
  app = await startApp({ demo: false });
});
afterAll(() => app.stop());

/** A request as it goes over the line; fetch would not let a page say some of this. */
function ask(
  method: string,
  path: string,
  headers: Record<string, string> = {},
  body = '',
): Promise<{ status: number; headers: Record<string, unknown> }> {
  return new Promise((answer, fail) => {
    const sent = request({ host: '127.0.0.1', port: app.port, method, path, headers }, (response) => {
      response.resume();
      response.on('end', () => {
        answer({ status: response.statusCode!, headers: response.headers });
      });
    });
    sent.on('error', fail);
    sent.end(body);
  });
}

test('the server is on this machine alone', async () => {
  const { networkInterfaces } = await import('node:os');
  const others = Object.values(networkInterfaces())
    .flatMap((all) => all ?? [])
    .filter(({ internal, family }) => !internal && family === 'IPv4');
  for (const { address } of others)
    await expect(
      new Promise((open, fail) => {
        const line = connect(app.port, address, () => {
          line.end();
          open(address);
        });
        line.on('error', fail);
      }),
    ).rejects.toThrow();
});

test('a name that is not its own, and methods that nothing here is asked with, are turned away', async () => {
  expect((await ask('GET', '/', { Host: 'elsewhere.example' })).status).toBe(421);
  expect((await ask('GET', '/', { Host: `localhost:${app.port}` })).status).toBe(200);
  for (const method of ['DELETE', 'PATCH', 'OPTIONS', 'TRACE', 'PROPFIND']) {
    const answer = await ask(method, '/api/desk');
    expect([method, answer.status, answer.headers['allow']]).toEqual([method, 405, 'GET, HEAD, POST, PUT']);
  }
  expect((await ask('POST', '/api/desk')).status).toBe(405);
});

test('another site’s page cannot order, and cannot tell the desk how to behave', async () => {
  const order = (headers: Record<string, string>) =>
    ask('POST', '/api/desk/harl-kiln-works/uploads', headers, '{}').then(({ status }) => status);
  const json = { 'Content-Type': 'application/json' };
  expect(await order({ ...json, Origin: 'http://elsewhere.example' })).toBe(403);
  expect(await order({ ...json, 'Sec-Fetch-Site': 'cross-site' })).toBe(403);
  expect(await order({ 'Content-Type': 'text/plain' })).toBe(415);
  expect(await order(json)).toBe(400);
  const mood = await ask(
    'POST',
    '/api/desk/mood',
    { ...json, Origin: 'http://elsewhere.example' },
    '{"mood":"fails"}',
  );
  expect(mood.status).toBe(403);
});

test('the range opens with what it shows: what measures, begins and asks is fetched later', async () => {
  const page = await (await fetch(app.address)).text();
  const scripts = [...page.matchAll(/<script[^>]*>/g)]
    .map(([tag]) => tag)
    .filter((tag) => !/nomodule/i.test(tag))
    .flatMap((tag) => / src="([^"]+)"/.exec(tag)?.[1] ?? []);
  const sizes = await Promise.all(
    [...new Set(scripts)].map(async (path) => {
      const script = await (await fetch(new URL(path, app.address))).arrayBuffer();
      return gzipSync(new Uint8Array(script)).length;
    }),
  );
  expect(sizes.length).toBeGreaterThan(10);
  const kB = sizes.reduce((sum, bytes) => sum + bytes, 0) / 1000;
  expect(kB).toBeGreaterThan(200);
  expect(kB).toBeLessThan(370);
});

longTest(
  'a head that never ends is ended',
  async () => {
    const opened = Date.now();
    const line = connect(app.port, '127.0.0.1');
    line.write('GET / HTTP/1.1\r\nHost: localhost\r\nX-Slow: ');
    const end = await new Promise<string>((ended) => {
      let said = '';
      line.on('data', (part) => (said += String(part)));
      line.on('close', () => {
        ended(said);
      });
    });
    expect(end).toMatch(/408|^$/);
    expect(Date.now() - opened).toBeLessThan(20_000);
  },
  30_000,
);

test('a server that is started again goes on with what it had', async () => {
  const { mkdtemp, rm } = await import('node:fs/promises');
  const { tmpdir } = await import('node:os');
  const { join } = await import('node:path');
  const desk = await mkdtemp(join(tmpdir(), 'up-fit-desk-'));
  const order = {
    ...{ upfit: 'order/1', key: '0123456789abcdef', notes: '', bytes: 9, sha256: 'a'.repeat(64) },
    lines: [{ fitId: 'f', size: null, colour: 'White', quantity: 1, sides: [] }],
  };
  const begin = async (address: string) => {
    const answer = await fetch(`${address}/api/desk/harl-kiln-works/uploads`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify(order),
    });
    return (await answer.json()) as { uploadId: string; received: number };
  };
  const one = await startApp({ demo: false, desk });
  const { uploadId } = await begin(one.address);
  const put = await fetch(`${one.address}/api/desk/harl-kiln-works/uploads/${uploadId}?offset=0`, {
    method: 'PUT',
    body: new Uint8Array(5),
  });
  expect(await put.json()).toMatchObject({ received: 5 });
  await one.stop();
  const other = await startApp({ demo: false, desk });
  expect(await begin(other.address)).toMatchObject({ uploadId, received: 5 });
  await other.stop();
  await rm(desk, { recursive: true });
});
