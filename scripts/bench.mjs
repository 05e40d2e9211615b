// Speed as ratios, each the median of interleaved pairs in one run, in headless Chromium: `npm run bench`.
import { build } from 'esbuild';
import { createServer } from 'node:http';
import { readFile } from 'node:fs/promises';
import { basename } from 'node:path';
import { fileURLToPath } from 'node:url';
import { peakOfLargeTiff } from './lib/large.mjs';
import { startApp } from './lib/app.mjs';
import { crowdedRows } from './lib/crowded.mjs';
import { rangeRows } from './lib/full-range.mjs';
import { handedRows } from './lib/handed.mjs';
import { rowRows } from './lib/row-rate.mjs';
import { openBrowser, openDemo } from './lib/browser.mjs';

const root = new URL('..', import.meta.url);
const bundle = await build({
  entryPoints: ['benchmarks/worker.ts', 'benchmarks/importer.ts'].map((path) =>
    fileURLToPath(new URL(path, root)),
  ),
  outdir: 'bench',
  bundle: true,
  write: false,
  format: 'esm',
  target: 'es2022',
  external: ['/vips/*'],
  tsconfig: fileURLToPath(new URL('tsconfig.json', root)),
  logLevel: 'warning',
});
const scripts = new Map(bundle.outputFiles.map(({ path, contents }) => [`/${basename(path)}`, contents]));

const PAGE = `<!doctype html><script type="module">
  window.rows = [];
  const worker = new Worker('/worker.js' + location.search, { type: 'module' });
  worker.onmessage = ({ data }) => {
    if (data === 'done') window.done = true;
    else if (data.files) window.files = data.files;
    else window.rows.push(data);
  };
  worker.onerror = ({ message }) => { window.rows.push({ name: message, limit: 0, ratio: Infinity, ms: null }); window.done = true; };
</script>`;

const server = createServer(async (request, response) => {
  response.setHeader('Cross-Origin-Opener-Policy', 'same-origin');
  response.setHeader('Cross-Origin-Embedder-Policy', 'require-corp');
  const send = (type, body) => response.setHeader('Content-Type', type).end(body);
  const { pathname } = new URL(request.url, 'http://localhost');
  if (pathname === '/') send('text/html', PAGE);
  else if (scripts.has(pathname)) send('text/javascript', scripts.get(pathname));
  else if (/^\/vips\/[\w.-]+$/.test(request.url)) {
    const type = request.url.endsWith('.wasm') ? 'application/wasm' : 'text/javascript';
    send(type, await readFile(new URL(`public${request.url}`, root)));
  } else response.writeHead(404).end();
});
await new Promise((ready) => server.listen(0, '127.0.0.1', ready));

const address = `http://127.0.0.1:${server.address().port}/`;
/** What is timed, part by part; one alone by its name: `npm run bench -- --drag`. */
const PARTS = {
  '--engine': () => engineRows(address),
  '--products': () => productRows(`${address}?products`),
  '--plates': () => productRows(`${address}?plates`),
  '--drag': pageRows,
  '--crowded': crowdedRows,
  '--handed': handedRows,
  '--range': rangeRows,
  '--rows': rowRows,
};
const named = Object.keys(PARTS).filter((part) => process.argv.includes(part));
let slow = 0;
for (const part of named.length > 0 ? named : Object.keys(PARTS))
  try {
    tell(await PARTS[part]());
  } catch (error) {
    // What else is timed is told all the same.
    slow++;
    console.log(`over  ${part} came to no end: ${error.stack ?? error}`);
  }
process.exit(slow > 0 ? 1 : 0);

function tell(rows) {
  for (const { name, limit, ratio, ms, unit = 'x' } of rows) {
    const over = ratio > limit;
    if (over) slow++;
    const time = ms === null ? '' : `${Math.round(ms)} ms`;
    console.log(
      `${over ? 'over ' : 'ok   '} ${name.padEnd(52)} ${ratio.toFixed(2)} ${unit}  (limit ${limit} ${unit})  ${time}`,
    );
  }
}

/** Views and pictures of products, or plates, in a worker of their own. */
async function productRows(address) {
  const browser = await openBrowser();
  try {
    await browser.get(address);
    await browser.wait(() => browser.executeScript('return window.done === true'), 600_000);
    return await browser.executeScript('return window.rows');
  } finally {
    await browser.quit();
  }
}

async function engineRows(address) {
  const browser = await openBrowser();
  try {
    await browser.get(address);
    await browser.wait(() => browser.executeScript('return window.done === true'), 600_000);
    const rows = await browser.executeScript('return window.rows');
    await browser.get(`${address}?rate`);
    await browser.wait(() => browser.executeScript('return window.done === true'), 600_000);
    await browser.executeScript(importRate);
    await browser.wait(() => browser.executeScript('return window.rate > 0'), 600_000);
    const rate = await browser.executeScript('return window.rate');
    return [
      ...rows,
      {
        name: 'time of two workers against one, files of 2 to 24 MP',
        limit: 1 / 1.5,
        ratio: rate,
        ms: null,
      },
      {
        name: 'peak memory, inspection of a 100-megapixel TIFF',
        limit: 512,
        ratio: await peakOfLargeTiff(),
        ms: null,
        unit: 'MiB',
      },
    ];
  } finally {
    await browser.quit();
  }
}

/** What is timed on the page itself, as the longest task of its main thread in ms: the median of five goes. */
async function pageRows() {
  const app = await startApp({ demo: true });
  const browser = await openBrowser();
  const median = async (go) => {
    const longest = [];
    for (let i = 0; i < 5; i++) longest.push(await browser.executeAsyncScript(go));
    return longest.sort((a, b) => a - b)[2];
  };
  const row = (name, limit, ratio) => ({ name, limit, ratio, ms: null, unit: 'ms' });
  try {
    await openDemo(browser, app.address);
    const drawing = row(
      'longest main-thread task while the library is drawn',
      100,
      await median(openLibrary),
    );
    await browser.get(`${app.address}/bench/lighthouse--shirt`);
    const dragging = row('longest main-thread task while dragging', 50, await median(dragAndWatch));
    await browser.get(`${app.address}/artwork`);
    const importing = row('longest main-thread task while files come in', 50, await median(importAndWatch));
    return [drawing, dragging, importing];
  } finally {
    await browser.quit();
    await app.stop();
  }
}

/**
 * Runs in the page: measures the files once in one worker and once in two that share them, five times over; leaves the
 * median of the time of two against that of one in `rate`.
 */
function importRate() {
  const start = () =>
    new Promise((ready) => {
      const worker = new Worker('/importer.js', { type: 'module' });
      worker.onmessage = () => ready(worker);
    });
  const measureAll = async (workers) => {
    const waiting = [...window.files];
    const began = performance.now();
    await Promise.all(
      workers.map(async (worker) => {
        for (let next = waiting.shift(); next; next = waiting.shift()) {
          await new Promise((measured) => {
            worker.onmessage = measured;
            worker.postMessage(next);
          });
        }
      }),
    );
    return performance.now() - began;
  };
  void (async () => {
    const ratios = [];
    for (let i = 0; i < 5; i++) {
      // Fresh ones, as the app replaces an engine that has worked through much.
      const workers = [await start(), await start()];
      const one = await measureAll(workers.slice(0, 1));
      ratios.push((await measureAll(workers)) / one);
      for (const worker of workers) worker.terminate();
    }
    window.rate = ratios.sort((a, b) => a - b)[2];
  })();
}

/** Runs in the page: brings in twelve pictures that nobody has seen yet, and watches for long tasks. */
function importAndWatch(done) {
  const frame = () => new Promise((next) => requestAnimationFrame(next));
  const paint = async (i) => {
    const canvas = new OffscreenCanvas(2200, 1600);
    const context = canvas.getContext('2d');
    for (let k = 0; k < 400; k++) {
      context.fillStyle = `hsl(${(k * 37 + i * 11 + performance.now()) % 360} 70% 50%)`;
      context.fillRect((k * 131) % 2100, (k * 77) % 1500, 90, 120);
    }
    return new File([await canvas.convertToBlob({ type: 'image/png' })], `bench-${i}.png`);
  };
  void (async () => {
    while (!document.querySelector('[role=option], h1')) await frame();
    const files = new DataTransfer();
    for (let i = 0; i < 12; i++) files.items.add(await paint(i));
    const input = document.querySelector('input[type=file]');
    let longest = 0;
    const watch = new PerformanceObserver((list) => {
      for (const { duration } of list.getEntries()) longest = Math.max(longest, duration);
    });
    watch.observe({ type: 'longtask' });
    const count = () => Number.parseInt(document.querySelector('h1').textContent, 10);
    const before = count();
    input.files = files.files;
    input.dispatchEvent(new Event('change', { bubbles: true }));
    while (count() < before + 12) await frame();
    await frame();
    for (const { duration } of watch.takeRecords()) longest = Math.max(longest, duration);
    done(longest);
  })();
}

/** Runs in the page: goes from the range to the library and back, and watches for long tasks while it is drawn. */
function openLibrary(done) {
  const frame = () => new Promise((next) => requestAnimationFrame(next));
  const go = async (name, there) => {
    [...document.querySelectorAll('nav a')].find((link) => link.textContent === name).click();
    while (!there()) await frame();
  };
  void (async () => {
    let longest = 0;
    const watch = new PerformanceObserver((list) => {
      for (const { duration } of list.getEntries()) longest = Math.max(longest, duration);
    });
    watch.observe({ type: 'longtask' });
    await go('Blanks', () => document.querySelectorAll('[data-blank] svg').length >= 30);
    await frame();
    await frame();
    for (const { duration } of watch.takeRecords()) longest = Math.max(longest, duration);
    watch.disconnect();
    await go('Range', () => document.querySelector('[role=gridcell]'));
    await frame();
    done(longest);
  })();
}

/** Runs in the page: drags the last piece about by pointer events, a frame each, and watches for long tasks. */
function dragAndWatch(done) {
  const frame = () => new Promise((next) => requestAnimationFrame(next));
  const whenThere = async (selector) => {
    for (;;) {
      const found = [...document.querySelectorAll(selector)].at(-1);
      if (found) return found;
      await frame();
    }
  };
  void (async () => {
    const piece = await whenThere('[data-piece]');
    await whenThere('[aria-label=Product]');
    for (let i = 0; i < 60; i++) await frame();
    let longest = 0;
    const watch = new PerformanceObserver((list) => {
      for (const { duration } of list.getEntries()) longest = Math.max(longest, duration);
    });
    watch.observe({ type: 'longtask' });
    const box = piece.getBoundingClientRect();
    const x = box.x + box.width / 2;
    const y = box.y + box.height / 2;
    const send = (type, dx, dy) =>
      piece.dispatchEvent(
        new PointerEvent(type, {
          clientX: x + dx,
          clientY: y + dy,
          pointerId: 1,
          button: 0,
          bubbles: true,
          isPrimary: true,
        }),
      );
    piece.setPointerCapture = () => undefined;
    const before = piece.getAttribute('d');
    send('pointerdown', 0, 0);
    for (let i = 1; i <= 180; i++) {
      send('pointermove', Math.sin(i / 14) * 120, Math.cos(i / 9) * 20);
      await frame();
    }
    const moved = piece.getAttribute('d') !== before;
    send('pointerup', 0, 0);
    await frame();
    for (const { duration } of watch.takeRecords()) longest = Math.max(longest, duration);
    // A drag that moves nothing would measure nothing.
    done(moved ? longest : 1e9);
  })();
}
