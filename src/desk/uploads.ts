import { open, rm } from 'node:fs/promises';
import type { Answer, OrderForm } from './forms';
import { houseById, numberBy, type House } from './houses';
import { readPack } from './reader';
import { keepUpload, nextCount, packPath, shelf, uploadFor, type Upload } from './shelf';

/** Begins an upload; one with the same key goes on where it stood. */
export function beginUpload(house: House, order: OrderForm): Upload {
  return uploadFor(house.id, order);
}

export function uploadById(house: House, id: string): Upload | undefined {
  const upload = shelf().uploads.get(id);
  return upload?.houseId === house.id ? upload : undefined;
}

/** Parts that are being written, by upload: one after another, each at what has arrived by then. */
const writing = new Map<string, Promise<unknown>>();

/** Takes a part in at its offset; what is there already is not taken twice. Gives back how much has been received. */
export function takePart(upload: Upload, offset: number, part: Uint8Array): Promise<number> {
  const before = writing.get(upload.id) ?? Promise.resolve();
  const own = before.catch(() => undefined).then(() => write(upload, offset, part));
  writing.set(upload.id, own);
  void own
    .catch(() => undefined)
    .finally(() => {
      if (writing.get(upload.id) === own) writing.delete(upload.id);
    });
  return own;
}

async function write(upload: Upload, offset: number, part: Uint8Array): Promise<number> {
  if (offset > upload.received || upload.answer || shelf().answering.has(upload.id)) return upload.received;
  if (offset + part.length > upload.order.bytes) return upload.received;
  upload.touched = Date.now();
  keepUpload(upload);
  const file = await open(packPath(upload.id), upload.received === 0 ? 'w' : 'r+');
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
  if (upload.answer) return Promise.resolve(upload.answer);
  if (upload.received < upload.order.bytes) return null;
  const { answering } = shelf();
  let answer = answering.get(upload.id);
  if (!answer) {
    answer = answerTo(upload).finally(() => answering.delete(upload.id));
    answering.set(upload.id, answer);
  }
  return answer;
}

async function answerTo(upload: Upload): Promise<Answer> {
  const house = houseById(upload.houseId)!;
  const { taken, orderNumbers, ...said } = await readPack(house, upload.order, packPath(upload.id));
  // Given in one step with being written down: no two orders share one.
  const answer = { ...said, number: taken ? numberBy(nextCount(), house.mark, orderNumbers) : null };
  upload.answer = answer;
  keepUpload(upload);
  await rm(packPath(upload.id), { force: true });
  return answer;
}

/** Orders that the desk holds, with their checksums. */
export function ordersOf(house: House): { number: string; key: string; sha256: string }[] {
  return [...shelf().uploads.values()].flatMap(({ houseId, order, answer }) =>
    houseId === house.id && answer && answer.number !== null
      ? [{ number: answer.number, key: order.key, sha256: answer.sha256 }]
      : [],
  );
}
