// What the command line takes of memory, at its most, to inspect a TIFF of 100 megapixels.
import { spawn } from 'node:child_process';
import { closeSync, mkdtempSync, openSync, readFileSync, rmSync, writeSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';

const SIDE = 10_000;
const CLI = fileURLToPath(new URL('../../dist/cli/main.mjs', import.meta.url));

/** Peak of the whole process in MiB. */
export async function peakOfLargeTiff() {
  const folder = mkdtempSync(join(tmpdir(), 'up-fit-'));
  const path = join(folder, 'large.tif');
  writeTiff(path);
  const child = spawn(process.execPath, [CLI, 'inspect', path, '--json'], {
    stdio: ['ignore', 'ignore', 'inherit'],
  });
  let peak = 0;
  const look = setInterval(() => {
    try {
      const status = readFileSync(`/proc/${child.pid}/status`, 'utf8');
      peak = Math.max(peak, Number(/VmHWM:\s+(\d+)/.exec(status)?.[1] ?? 0));
    } catch {
      // It has just ended.
    }
  }, 20);
  const code = await new Promise((ended) => child.on('exit', ended));
  clearInterval(look);
  rmSync(folder, { recursive: true });
  return code === 0 ? peak / 1024 : Infinity;
}

/** An RGB TIFF without compression, one strip for every 100 rows, of grain and gradients. */
function writeTiff(path) {
  const rows = 100;
  const strips = SIDE / rows;
  const stripBytes = rows * SIDE * 3;
  const entries = [
    [256, 3, 1, SIDE],
    [257, 3, 1, SIDE],
    [258, 3, 3, 'bits'],
    [259, 3, 1, 1],
    [262, 3, 1, 2],
    [273, 4, strips, 'offsets'],
    [277, 3, 1, 3],
    [278, 3, 1, rows],
    [279, 4, strips, 'counts'],
  ];
  const directory = 8;
  const tables = { bits: directory + 2 + entries.length * 12 + 4 };
  tables.offsets = tables.bits + 6;
  tables.counts = tables.offsets + strips * 4;
  const start = tables.counts + strips * 4;
  const head = Buffer.alloc(start);
  head.write('II*\0', 'latin1');
  head.writeUInt32LE(directory, 4);
  head.writeUInt16LE(entries.length, directory);
  entries.forEach(([tag, type, count, value], i) => {
    const at = directory + 2 + i * 12;
    head.writeUInt16LE(tag, at);
    head.writeUInt16LE(type, at + 2);
    head.writeUInt32LE(count, at + 4);
    head.writeUInt32LE(typeof value === 'string' ? tables[value] : value, at + 8);
  });
  for (let i = 0; i < 3; i++) head.writeUInt16LE(8, tables.bits + i * 2);
  for (let i = 0; i < strips; i++) {
    head.writeUInt32LE(start + i * stripBytes, tables.offsets + i * 4);
    head.writeUInt32LE(stripBytes, tables.counts + i * 4);
  }
  const file = openSync(path, 'w');
  writeSync(file, head);
  const strip = Buffer.alloc(stripBytes);
  for (let i = 0; i < strips; i++) {
    for (let at = 0; at < stripBytes; at++) strip[at] = (at * 7 + ((at >> 9) ^ i) * 31) & 255;
    writeSync(file, strip);
  }
  closeSync(file);
}
