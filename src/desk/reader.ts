import { spawn } from 'node:child_process';
import { readFile } from 'node:fs/promises';
import { join } from 'node:path';
import * as v from 'valibot';
import { TakenForm, type OrderForm, type Taken } from './forms';
import type { House } from './houses';

/** What reading one pack may take: it is done in a process of its own, which is ended where it takes more. */
const MOST_MS = 30_000;
const MOST_BYTES = 1536 * 1024 * 1024;
const LOOK_EVERY = 200;
/** Packs that are read at once; the others wait their turn. */
const AT_ONCE = 2;

let reading = 0;
const queue: (() => void)[] = [];

/** Has a pack read in a process of its own. It always answers: a pack that costs too much, or ends its reader, is refused. */
export async function readPack(house: House, order: OrderForm, path: string): Promise<Taken> {
  if (reading >= AT_ONCE) await new Promise<void>((turn) => queue.push(turn));
  reading++;
  try {
    return await inProcess(house, order, path);
  } finally {
    reading--;
    queue.shift()?.();
  }
}

function inProcess(house: House, order: OrderForm, path: string): Promise<Taken> {
  const entry = join(process.cwd(), 'dist', 'desk', 'reading.mjs');
  const child = spawn(process.execPath, ['--max-old-space-size=512', entry, path], {
    stdio: ['pipe', 'pipe', 'ignore'],
  });
  const refused: Taken = {
    taken: false,
    sha256: '',
    reasons: ['We could not read this pack: it takes more time or memory than a pack may.'],
    findings: [],
    lines: [],
  };
  return new Promise((answer) => {
    const said: Buffer[] = [];
    const end = () => child.kill('SIGKILL');
    const timer = setTimeout(end, MOST_MS);
    const watch = setInterval(() => {
      void memoryOf(child.pid).then((bytes) => {
        if (bytes > MOST_BYTES) end();
      });
    }, LOOK_EVERY);
    child.stdout.on('data', (part: Buffer) => said.push(part));
    child.stdin.on('error', () => undefined);
    child.stdin.end(JSON.stringify({ houseId: house.id, order }));
    const settle = () => {
      clearTimeout(timer);
      clearInterval(watch);
      try {
        answer(v.parse(TakenForm, JSON.parse(Buffer.concat(said).toString('utf8'))));
      } catch {
        answer(refused);
      }
    };
    child.on('error', settle);
    child.on('close', settle);
  });
}

/** Bytes that a process holds in memory; 0 where the system does not say. */
async function memoryOf(pid: number | undefined): Promise<number> {
  const status = await readFile(`/proc/${pid}/status`, 'utf8').catch(() => '');
  return Number(/^VmRSS:\s+(\d+) kB/m.exec(status)?.[1] ?? 0) * 1024;
}
