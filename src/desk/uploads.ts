import { randomUUID } from 'node:crypto';
import { mkdtemp, open, readFile, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Answer, OrderForm } from './forms';
import type { House } from './houses';
import { takeIn } from './take-in';

interface Upload {
  id: string;
  house: House;
  order: OrderForm;
  received: number;
  folder: string;
  answer: Promise<Answer> | null;
}

interface Shelf {
  uploads: Map<string, Upload>;
  /** Ids of uploads by house and key: an order that comes again is the same one. */
  byKey: Map<string, string>;
  orders: number;
}

// Routes are built apart, and share only what is global to the process.
const kept = globalThis as { upFitDesk?: Shelf };

function shelf(): Shelf {
  return (kept.upFitDesk ??= { uploads: new Map(), byKey: new Map(), orders: 0 });
}

/** Begins an upload; one with the same key goes on where it stood. */
export async function beginUpload(house: House, order: OrderForm): Promise<Upload> {
  const { uploads, byKey } = shelf();
  const key = `${house.id}/${order.key}`;
  const known = uploads.get(byKey.get(key) ?? '');
  if (known) return known;
  const folder = await mkdtemp(join(tmpdir(), 'up-fit-desk-'));
  const upload = { id: randomUUID(), house, order, received: 0, folder, answer: null };
  uploads.set(upload.id, upload);
  byKey.set(key, upload.id);
  return upload;
}

export function uploadById(house: House, id: string): Upload | undefined {
  const upload = shelf().uploads.get(id);
  return upload?.house.id === house.id ? upload : undefined;
}

/** Takes a part in at its offset; what is there already is not taken twice. Gives back how much has been received. */
export async function takePart(upload: Upload, offset: number, part: Uint8Array): Promise<number> {
  if (offset > upload.received || upload.answer) return upload.received;
  if (offset + part.length > upload.order.bytes) return upload.received;
  const file = await open(join(upload.folder, 'pack.zip'), upload.received === 0 ? 'w' : 'r+');
  try {
    await file.write(part, 0, part.length, offset);
  } finally {
    await file.close();
  }
  upload.received = Math.max(upload.received, offset + part.length);
  return upload.received;
}

/** Goes through a pack that is all there, once; asked again, gives the same answer. Null where some of it is missing. */
export function finishUpload(upload: Upload): Promise<Answer> | null {
  if (upload.received < upload.order.bytes) return null;
  upload.answer ??= answerTo(upload);
  return upload.answer;
}

async function answerTo({ house, order, folder }: Upload): Promise<Answer> {
  const pack = await readFile(join(folder, 'pack.zip'));
  const state = shelf();
  const number = `${house.mark}-${String(state.orders + 1).padStart(6, '0')}`;
  const answer = await takeIn(house, order, pack, number);
  if (answer.number !== null) state.orders++;
  await rm(folder, { recursive: true });
  return answer;
}

/** Orders that the desk holds, with their checksums. */
export async function ordersOf(house: House): Promise<{ number: string; key: string; sha256: string }[]> {
  const answers = [...shelf().uploads.values()]
    .filter((upload) => upload.house.id === house.id && upload.answer !== null)
    .map(async ({ order, answer }) => ({ key: order.key, answer: (await answer)! }));
  return (await Promise.all(answers)).flatMap(({ key, answer }) =>
    answer.number === null ? [] : [{ number: answer.number, key, sha256: answer.sha256 }],
  );
}
