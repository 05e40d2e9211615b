import { shippedBlanks } from '@/core/blank/library';
import { printPixels, printSize } from '@/core/blank/resolve';
import { newPiece } from '@/core/fit/place';
import { MM_PER_INCH } from '@/core/length/units';
import type { Fit, Role } from '@/core/fit/schema';
import { reducedTo } from '@/core/raster/shrink';
import type { Press } from '@/core/colour/press';
import { inkPixels } from '@/core/colour/press-pixels';
import { words, type Raster } from '@/core/raster/raster';
import { renderFace } from '@/core/render/face';
import { loadBrowserEngine } from '@/imaging/browser';
import { bytesSource } from '@/core/formats/source';
import { planPrint, type PrintChoice } from '@/core/print/plan';
import { cutAnew } from '@/core/cut/make';
import { PARTED, partPicture } from '@/core/cut/parting';
import { USUAL_CUT } from '@/core/fit/cut';
import { layOut } from '@/core/sheet/layout';
import type { Print } from '@/core/sheet/print';
import { newSheet } from '@/core/sheet/schema';
import { measureArtwork, type Readers } from '@/files/artwork';
import { writePrint } from '@/files/print';
import type { Measured } from '@/imaging/measure';
import { docketRows, otherHalf } from './docket';
import { plateRows } from './plates';
import { clothRows, makePictures, pictureRows, viewRows } from './products';

/** What is timed, in the page's own worker as the app does it: names and ratios go to the page that started it. */
const PAIRS = 5;
const WIDTH = 4200;
const HEIGHT = 5700;

const engine = await loadBrowserEngine(self.location.origin);
const readers: Readers = {
  engine,
  drawPage: () => Promise.reject(new Error('no page is drawn here')),
};
const measure = (name: string, bytes: Uint8Array) =>
  measureArtwork(readers, { name, source: bytesSource(bytes) });
const blanks = shippedBlanks();
const shirt = blanks.find(({ blank }) => blank.id === 'shirt')!;

/** Gradients, grain and a soft-edged shape: nothing a codec or a shortcut can skip over. */
function picture(width: number, height: number): Raster {
  const data = new Uint8Array(width * height * 4);
  let state = 7;
  for (let y = 0, at = 0; y < height; y++) {
    for (let x = 0; x < width; x++, at += 4) {
      state = (Math.imul(state, 1103515245) + 12345) & 0x7fffffff;
      const grain = (state >> 16) & 7;
      const far = Math.hypot((x / width - 0.5) * 2, (y / height - 0.5) * 2);
      data[at] = (x * 240) / width + grain;
      data[at + 1] = (y * 240) / height + grain;
      data[at + 2] = (((x + y) >> 5) & 127) + grain;
      data[at + 3] = far < 0.98 ? 255 : far < 1.02 ? (1.02 - far) * 6375 : 0;
    }
  }
  return { width, height, data, opaque: false };
}

/** The browser's own decode and read-back of every pixel. */
async function browserDecode(file: Blob): Promise<void> {
  const bitmap = await createImageBitmap(file);
  const context = new OffscreenCanvas(bitmap.width, bitmap.height).getContext('2d', {
    willReadFrequently: true,
  })!;
  context.drawImage(bitmap, 0, 0);
  context.getImageData(0, 0, bitmap.width, bitmap.height);
  bitmap.close();
}

function fitOf({ facts }: Measured, role: Role): Fit {
  const face = shirt.faces[0]!;
  const pieces = [newPiece('piece', facts.sha256, facts, role, face)];
  const { blank } = shirt;
  return {
    upfit: 'fit/1',
    id: 'bench',
    designId: 'bench',
    blankId: blank.id,
    blankVersion: blank.version,
    colourId: blank.colours[0]!.id,
    stateId: null,
    sizeId: null,
    faces: [{ faceId: face.id, pieces }],
  };
}

async function time(work: () => unknown): Promise<number> {
  const start = performance.now();
  await work();
  return performance.now() - start;
}

const median = (values: number[]) => [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)]!;

/** Median of the ratios of interleaved pairs: the work against the browser's decode just before it. */
async function ratio(file: Blob, work: () => unknown): Promise<{ ratio: number; ms: number }> {
  const ratios: number[] = [];
  const times: number[] = [];
  for (let i = 0; i < PAIRS; i++) {
    const decode = await time(() => browserDecode(file));
    const own = await time(work);
    ratios.push(own / decode);
    times.push(own);
  }
  return { ratio: median(ratios), ms: median(times) };
}

/** Our table against the engine's own way, over the same pixels. */
async function separation(raster: Raster, press: Press): Promise<{ ratio: number; ms: number }> {
  const rgb = new Uint8Array(raster.width * raster.height * 3);
  for (let at = 0, to = 0; at < raster.data.length; at += 4, to += 3)
    rgb.set(raster.data.subarray(at, at + 3), to);
  const ratios: number[] = [];
  const times: number[] = [];
  for (let i = 0; i < PAIRS; i++) {
    const theirs = await time(() => engine.inksOfPixels(rgb));
    const own = await time(() => inkPixels(press, words(raster)));
    ratios.push(own / theirs);
    times.push(own);
  }
  return { ratio: median(ratios), ms: median(times) };
}

/** Files of 2 to 24 megapixels, PNG and JPEG in turn. */
function mixedFiles(): { name: string; file: Blob }[] {
  return Array.from({ length: 10 }, (_, i) => {
    const width = 1300 + ((i * 7) % 10) * 320;
    const raster = picture(width, Math.round(width * 1.3));
    const bytes =
      i % 2 === 0
        ? engine.encodePng(raster, { ppi: 300, use: 'print' })
        : engine.encodeJpeg(raster, { ppi: 300, quality: 92 });
    return {
      name: `${i}.${i % 2 === 0 ? 'png' : 'jpg'}`,
      file: new Blob([bytes as Uint8Array<ArrayBuffer>]),
    };
  });
}

/** 200 prints of all sizes on a roll: how long they take to pack, and how much of it they use. */
function packing(): void {
  let state = 7;
  const random = () => (state = (Math.imul(state, 1103515245) + 12345) & 0x7fffffff) / 0x7fffffff;
  const prints = Array.from({ length: 200 }, (_, i) => ({
    ...{ fitId: `${i}`, faceId: 'front', name: 'print', bleed: 0 },
    width: 40 + Math.round(random() * 120),
    height: 40 + Math.round(random() * 160),
  }));
  const items = prints.map(({ fitId, faceId }) => ({ fitId, faceId, copies: 1 }));
  const paper = { name: 'Roll', width: 600, height: null };
  const sheet = { ...newSheet('bench', 'bench'), items, paper, margin: 5, gap: 2 };
  const times: number[] = [];
  let used = 0;
  for (let i = 0; i < PAIRS; i++) {
    const start = performance.now();
    const layout = layOut(sheet, prints);
    times.push(performance.now() - start);
    const area = layout.laid.reduce((sum, { width, height }) => sum + width * height, 0);
    used = area / (layout.width * layout.height);
  }
  postMessage({
    name: '200 prints packed on a roll',
    limit: 200,
    ratio: median(times),
    ms: null,
    unit: 'ms',
  });
  postMessage({ name: 'of the roll left unused', limit: 0.15, ratio: 1 - used, ms: null, unit: 'share' });
}

/** 24 megapixels of drawn shapes on nothing, in a grid of so many. */
function motifs(across: number, down: number): Raster {
  const data = new Uint32Array(WIDTH * HEIGHT);
  const [w, h] = [WIDTH / across, HEIGHT / down];
  for (let y = 0, at = 0; y < HEIGHT; y++) {
    for (let x = 0; x < WIDTH; x++, at++) {
      const [dx, dy] = [(x % w) - w / 2, (y % h) - h / 2];
      const reach = Math.min(w, h) * (0.3 + 0.09 * Math.cos(5 * Math.atan2(dy, dx)));
      if (Math.hypot(dx, dy) < reach) data[at] = (0xff000000 | (x & 255) | ((y & 255) << 8)) >>> 0;
    }
  }
  return { width: WIDTH, height: HEIGHT, data: new Uint8Array(data.buffer), opaque: false };
}

/** Cut lines: one round a drawing, the parting of a sheet, and outlines packed. */
async function stickers(tell: (name: string, limit: number, result: { ratio: number; ms: number }) => void) {
  const toShape = blanks.find(({ blank }) => blank.id === 'sticker-die-cut')!;
  const [base] = toShape.faces;
  const cutOf = async (picture: Raster, name: string) => {
    const bytes = new Uint8Array(engine.encodePng(picture, { ppi: 300, use: 'print' }));
    const { facts, raster } = await measure(name, bytes);
    const piece = newPiece('piece', facts.sha256, facts, 'motif', base!);
    const cut = { ...USUAL_CUT, name: 'one', d: '', of: '' };
    // Other pixels to the program each time: nothing of them is known yet.
    const fresh = () => {
      const own = { ...raster! };
      return { facts: () => facts, pixels: () => own };
    };
    return {
      file: new Blob([bytes]),
      raster: raster!,
      make: () => cutAnew({ faceId: 'sticker-1', pieces: [piece], cut }, base!, fresh()),
    };
  };
  const one = await cutOf(motifs(1, 1), 'one.png');
  tell('cut line of a 24-megapixel drawing', 1.5, await ratio(one.file, one.make));
  const sixty = await cutOf(motifs(6, 10), 'sixty.png');
  let parts = 0;
  tell(
    'a sheet of 60 motifs parted',
    2,
    await ratio(sixty.file, () => {
      parts = partPicture(reducedTo(sixty.raster, PARTED)).motifs.length;
    }),
  );
  if (parts !== 60) throw new Error(`parted into ${parts}`);
  const times: number[] = [];
  for (let i = 0; i < PAIRS; i++) {
    const prints = Array.from({ length: 60 }, (_, n) => star(`${n}`, 22 + ((n * 7) % 13)));
    const items = prints.map(({ fitId, faceId }) => ({ fitId, faceId, copies: 1 }));
    const paper = { name: 'A4', width: 210, height: 297 };
    const start = performance.now();
    layOut({ ...newSheet('bench', 'bench'), items, paper, margin: 5, gap: 2 }, prints);
    times.push(performance.now() - start);
  }
  postMessage({ name: '60 outlines packed on A4', limit: 3000, ratio: median(times), ms: null, unit: 'ms' });
}

function star(id: string, size: number): Print {
  const reach = Array.from({ length: 60 }, (_, i): [number, number] => {
    const radius = (size / 2) * (i % 12 < 6 ? 1 : 0.5);
    const angle = (i / 60) * 2 * Math.PI;
    return [size / 2 + radius * Math.cos(angle), size / 2 + radius * Math.sin(angle)];
  });
  return {
    ...{ fitId: id, faceId: 'front', name: id, width: size, height: size, bleed: 2 },
    cut: { d: 'M0 0Z', backing: null, reach: [reach] },
  };
}

async function run(): Promise<void> {
  const bytes = new Uint8Array(engine.encodePng(picture(WIDTH, HEIGHT), { ppi: 300, use: 'print' }));
  const file = new Blob([bytes], { type: 'image/png' });
  const measured = await measure('bench.png', bytes);
  const tell = (name: string, limit: number, result: { ratio: number; ms: number }) => {
    postMessage({ name, limit, ...result });
  };
  await browserDecode(file);
  tell('import: decode and every measurement', 4, await ratio(file, () => measure('bench.png', bytes)));

  const press = engine.bakePress(null, 'relative');
  await docketRows(
    async (name, limit, work) => {
      tell(name, limit, await ratio(file, work));
    },
    { blank: shirt, measured, press, fitOf },
  );
  tell(
    '24 megapixels to inks by the table, against the engine',
    1,
    await separation(measured.raster!, press),
  );

  const face = shirt.faces[0]!;
  const shown = { facts: () => measured.facts, pixels: () => measured.raster! };
  const printFile = (choice: PrintChoice) => {
    const pieces = fitOf(measured, 'motif').faces[0]!.pieces;
    const plan = planPrint(shirt, face, choice);
    return writePrint(
      engine,
      { title: 'bench', blank: shirt, sides: [{ face, pieces }], plan, press: { press, profile: null } },
      shown,
    );
  };
  tell('print file of the shirt front, PNG', 4, await ratio(file, () => printFile({})));
  const tiff = { format: 'tiff', mode: 'cmyk' } as const;
  tell('print file of the shirt front, CMYK TIFF', 8, await ratio(file, () => printFile(tiff)));
  tell('print file of the shirt front, PDF', 4, await ratio(file, () => printFile({ format: 'pdf' })));
  packing();
  await stickers(tell);

  const taper = blanks.find(({ blank }) => blank.id === 'tumbler-taper-480')!;
  const arc = taper.faces[0]!;
  // As fine as gives the arc's box the picture's own 24 megapixels.
  const box = printSize(arc);
  const ppi = Math.sqrt((WIDTH * HEIGHT) / (box.width * box.height)) * MM_PER_INCH;
  const ground = newPiece('ground', measured.facts.sha256, measured.facts, 'ground', arc);
  const bend = () => renderFace(arc, [ground], shown, { pixels: printPixels(arc, taper.spec, ppi) });
  tell('24 megapixels bent onto an arc of 24 megapixels', 3, await ratio(file, bend));

  const small = new Uint8Array(engine.encodePng(picture(1000, 1200), { ppi: 300, use: 'print' }));
  let third = 0;
  for (let i = 1; i <= 20; i++) {
    await measure(`${i}.png`, i % 2 === 0 ? small : bytes);
    if (i === 3) third = engine.memory().bytes;
  }
  const last = engine.memory().bytes;
  postMessage({
    name: 'tracked engine memory: import 20 against import 3',
    limit: 1,
    ratio: third === 0 ? (last === 0 ? 1 : Infinity) : last / third,
    ms: null,
  });
  postMessage('done');
}

/** Plates of a print of 24 megapixels. */
async function plates(): Promise<void> {
  const tell = (name: string, limit: number, result: { ratio: number; ms: number }) => {
    postMessage({ name, limit, ...result });
  };
  await plateRows(tell, shirt, { width: WIDTH, height: HEIGHT }, (raster, work) => {
    const bytes = engine.encodePng(raster, { ppi: 300, use: 'print' });
    return ratio(new Blob([bytes as Uint8Array<ArrayBuffer>], { type: 'image/png' }), work);
  });
  postMessage('done');
}

/** Views and pictures of products. */
async function products(): Promise<void> {
  const tell = (name: string, limit: number, result: { ratio: number; ms: number }) => {
    postMessage({ name, limit, ...result });
  };
  await viewRows(tell, time);
  await clothRows(tell, time);
  const bytes = new Uint8Array(engine.encodePng(picture(WIDTH, HEIGHT), { ppi: 300, use: 'print' }));
  const file = new Blob([bytes], { type: 'image/png' });
  await pictureRows(tell, time, () => browserDecode(file));
}

/** One of the engines that make pictures: says when it is ready, and makes its share of them when it is told. */
async function pictures(first: number): Promise<void> {
  const bytes = new Uint8Array(engine.encodePng(picture(WIDTH, HEIGHT), { ppi: 300, use: 'print' }));
  const measured = await measure('bench.png', bytes);
  self.onmessage = () => {
    postMessage(makePictures({ engine, measured }, first, 2));
  };
  postMessage('ready');
}

/** The engine that measures half of the rules beside the one that is timed. */
async function half(): Promise<void> {
  const bytes = new Uint8Array(engine.encodePng(picture(WIDTH, HEIGHT), { ppi: 300, use: 'print' }));
  const press = engine.bakePress(null, 'relative');
  otherHalf({ blank: shirt, measured: await measure('bench.png', bytes), press, fitOf });
}

// On its own page the rate of imports is timed, of files that are made here; else all that one engine does.
if (self.location.search.startsWith('?pictures=')) {
  await pictures(Number(self.location.search.slice(-1)));
} else if (self.location.search === '?half') {
  await half();
} else if (self.location.search === '?plates') {
  await plates();
} else if (self.location.search === '?products') {
  await products();
  postMessage('done');
} else if (self.location.search === '?rate') {
  postMessage({ files: mixedFiles() });
  postMessage('done');
} else await run();
