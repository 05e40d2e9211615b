import * as v from 'valibot';
import { UpFitError } from '@/core/errors';
import {
  AnswerSchema,
  DeskSchema,
  UploadSchema,
  type Answer,
  type Desk,
  type Order,
} from '@/core/pack/order';

/** Times in a row that a request may come to nothing before sending is broken off, and ms before the first more try. */
const TRIES = 5;
const WAIT = 300;

/** What a desk does not take, in its own words: trying again would not help. */
export class DeskRefused extends UpFitError {
  constructor(message: string) {
    super('unsupported', message);
  }
}

/** No desk answers: the connection is gone, or the desk is. */
export class DeskAway extends UpFitError {
  constructor() {
    super('unsupported', 'The desk does not answer. The pack waits here and goes by itself when it does.');
  }
}

/** The desk does not know the upload, or the desk itself is none. */
class Forgotten extends DeskRefused {}

export async function readDesks(): Promise<Desk[]> {
  let said: unknown;
  try {
    said = await (await fetch('/api/desk')).json();
  } catch {
    throw new DeskAway();
  }
  return v.parse(v.array(DeskSchema), said);
}

/** Whether the desk answers now: what is kept of it for when it is away does not count. */
export async function isDeskBack(): Promise<boolean> {
  try {
    return (await fetch('/api/desk', { method: 'HEAD', cache: 'no-store' })).ok;
  } catch {
    return false;
  }
}

/**
 * Sends a pack in parts and gives back the desk's answer. Parts that arrived are not sent again, whatever broke between;
 * the order's key makes it one order however often it is sent. Throws `DeskRefused` where the desk says no,
 * `DeskAway` where none answers.
 */
export async function sendPack(
  desk: Desk,
  order: Order,
  pack: Blob,
  { signal, onSent }: { signal: AbortSignal; onSent: (bytes: number) => void },
): Promise<Answer> {
  for (let again = 0; ; again++) {
    try {
      return await sendOnce(desk, order, pack, { signal, onSent });
    } catch (error) {
      // A desk that was started anew may have forgotten what it had; the key makes it the same order.
      if (!(error instanceof Forgotten) || again === TRIES) throw error;
    }
  }
}

async function sendOnce(
  desk: Desk,
  order: Order,
  pack: Blob,
  { signal, onSent }: { signal: AbortSignal; onSent: (bytes: number) => void },
): Promise<Answer> {
  const uploads = `/api/desk/${encodeURIComponent(desk.id)}/uploads`;
  const headers = { 'Content-Type': 'application/json' };
  const begun = await ask(uploads, { method: 'POST', headers, body: JSON.stringify(order) }, signal);
  if (begun.answer) return begun.answer;
  const upload = `${uploads}/${encodeURIComponent(begun.uploadId)}`;
  for (let at = begun.received; at < pack.size;) {
    onSent(at);
    const body = pack.slice(at, at + desk.partBytes);
    at = (await ask(`${upload}?offset=${at}`, { method: 'PUT', body }, signal)).received;
  }
  onSent(pack.size);
  const { answer } = await ask(`${upload}/finish`, { method: 'POST' }, signal);
  return v.parse(AnswerSchema, answer);
}

/** A request that is made again where the connection breaks or the desk does; what it refuses is not. */
async function ask(url: string, request: RequestInit, signal: AbortSignal) {
  for (let attempt = 1; ; attempt++) {
    signal.throwIfAborted();
    try {
      const response = await fetch(url, { ...request, signal });
      const said: unknown = await response.json();
      if (response.ok) return v.parse(UploadSchema, said);
      if (response.status === 404) throw new Forgotten(messageOf(said));
      if (response.status < 500) throw new DeskRefused(messageOf(said));
    } catch (error) {
      if (error instanceof DeskRefused || signal.aborted) throw error;
    }
    if (attempt === TRIES) throw new DeskAway();
    await new Promise((done) => setTimeout(done, WAIT * 2 ** (attempt - 1)));
  }
}

function messageOf(said: unknown): string {
  const read = v.safeParse(v.object({ message: v.string() }), said);
  return read.success ? read.output.message : 'The desk refused without saying why.';
}
