import { randomUUID } from 'node:crypto';
import {
  existsSync,
  mkdirSync,
  readdirSync,
  readFileSync,
  renameSync,
  rmSync,
  statSync,
  writeFileSync,
} from 'node:fs';
import { join } from 'node:path';
import type { Answer, OrderForm } from './forms';

/** An upload on its way, or one that has been answered. */
export interface Upload {
  id: string;
  houseId: string;
  order: OrderForm;
  received: number;
  /** When it was last heard of. */
  touched: number;
  answer: Answer | null;
}

interface Shelf {
  folder: string;
  uploads: Map<string, Upload>;
  /** Order numbers given so far. */
  numbers: number;
  /** Answers that are being worked out, by upload. */
  answering: Map<string, Promise<Answer>>;
}

/** Uploads that are open at once; of more, those of which nothing has arrived go first, the longest unheard of before others. */
const MOST_OPEN = 64;
/** How long one of which nothing, or not all, has arrived is kept, in ms. */
const EMPTY_AGE = 10 * 60_000;
const OPEN_AGE = 24 * 60 * 60_000;

// Routes are built apart, and share only what is global to the process.
const kept = globalThis as { upFitDesk?: Shelf };

/** What the desk holds. It is on the disk, and read from there when the server starts. */
export function shelf(): Shelf {
  return (kept.upFitDesk ??= read(process.env['UPFIT_DESK'] ?? join(process.cwd(), '.desk')));
}

/** Forgets what is in memory, as a server that is started again does. */
export function restart(): void {
  delete kept.upFitDesk;
}

function read(folder: string): Shelf {
  mkdirSync(join(folder, 'uploads'), { recursive: true });
  const index = join(folder, 'numbers.json');
  const numbers = existsSync(index) ? (JSON.parse(readFileSync(index, 'utf8')) as number) : 0;
  const uploads = new Map<string, Upload>();
  for (const id of readdirSync(join(folder, 'uploads'))) {
    const own = join(folder, 'uploads', id);
    try {
      const upload = JSON.parse(readFileSync(join(own, 'upload.json'), 'utf8')) as Upload;
      // What was written is what counts: the server may have ended between a part and its note.
      const received = existsSync(join(own, 'pack.zip')) ? statSync(join(own, 'pack.zip')).size : 0;
      uploads.set(id, { ...upload, received: upload.answer ? upload.received : received });
    } catch {
      rmSync(own, { recursive: true, force: true });
    }
  }
  const shelf = { folder, uploads, numbers, answering: new Map() };
  sweep(shelf);
  return shelf;
}

/** Where an upload's pack lies. */
export function packPath(id: string): string {
  return join(folderOf(shelf(), id), 'pack.zip');
}

function folderOf({ folder }: Shelf, id: string): string {
  return join(folder, 'uploads', id);
}

/** Finds an upload by its order's key, or begins one: one step, so that a key that comes eight times at once is one. */
export function uploadFor(houseId: string, order: OrderForm): Upload {
  const own = shelf();
  const known = [...own.uploads.values()].find(
    (upload) => upload.houseId === houseId && upload.order.key === order.key,
  );
  if (known) {
    known.touched = Date.now();
    return known;
  }
  const upload = { id: randomUUID(), houseId, order, received: 0, touched: Date.now(), answer: null };
  own.uploads.set(upload.id, upload);
  sweep(own);
  return upload;
}

/** Writes an upload's state down; it has a folder from its first part on. */
export function keepUpload(upload: Upload): void {
  const folder = folderOf(shelf(), upload.id);
  mkdirSync(folder, { recursive: true });
  writeWhole(join(folder, 'upload.json'), upload);
}

/** The next order number, written down before it is told: it is given once, also over a restart. */
export function nextCount(): number {
  const own = shelf();
  own.numbers++;
  writeWhole(join(own.folder, 'numbers.json'), own.numbers);
  return own.numbers;
}

function writeWhole(path: string, value: unknown): void {
  writeFileSync(`${path}.new`, JSON.stringify(value));
  renameSync(`${path}.new`, path);
}

/** Lets go of what was begun and left, by its age and by how many there are, and of what was sent back long ago. */
function sweep(own: Shelf): void {
  const open = [...own.uploads.values()]
    .filter(({ id, answer }) => answer === null && !own.answering.has(id))
    .sort((a, b) => Number(b.received > 0) - Number(a.received > 0) || b.touched - a.touched);
  const now = Date.now();
  const letGo = ({ id }: Upload) => {
    own.uploads.delete(id);
    rmSync(folderOf(own, id), { recursive: true, force: true });
  };
  open.forEach((upload, at) => {
    const age = now - upload.touched;
    if (at >= MOST_OPEN || age >= (upload.received > 0 ? OPEN_AGE : EMPTY_AGE)) letGo(upload);
  });
  for (const upload of own.uploads.values())
    if (upload.answer?.number === null && now - upload.touched >= OPEN_AGE) letGo(upload);
}
