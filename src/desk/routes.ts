import { showBytes } from '@/core/length/bytes';
import * as v from 'valibot';
import { readBytes, readJson, strangerRefused, told } from './door';
import { OrderForm } from './forms';
import { houseById, HOUSES, introduce, PART_BYTES, type House } from './houses';
import { meetMood, MOODS, setMood } from './mood';
import { beginUpload, finishUpload, ordersOf, takePart, uploadById } from './uploads';

/** ms that a slow desk takes over each request. */
const SLOW = 1500;

/** Lets the desk's mood have its way with a request before it is answered. */
async function inMood(answer: () => Promise<Response>): Promise<Response> {
  switch (meetMood()) {
    case 'well':
      return answer();
    case 'slow':
      await new Promise((done) => setTimeout(done, SLOW));
      return answer();
    case 'drops':
      // What it was asked is done; the answer is what is lost.
      await answer();
      return dropped();
    case 'fails':
      return told(500, 'Something broke at the desk.');
    case 'refuses':
      return told(403, 'The desk takes no orders today.');
  }
}

/** A connection that ends in the middle of the answer. */
function dropped(): Response {
  const body = new ReadableStream({
    start(controller) {
      controller.enqueue(new TextEncoder().encode('{'));
      controller.error(new Error('dropped'));
    },
  });
  return new Response(body, { headers: { 'Content-Length': '1000' } });
}

/** Answers a request that changes something at a house, where it may. */
async function atHouse(
  request: Request,
  id: string,
  answer: (house: House) => Promise<Response>,
): Promise<Response> {
  const stranger = strangerRefused(request);
  if (stranger) return stranger;
  const house = houseById(id);
  return house ? inMood(() => answer(house)) : told(404, 'There is no such desk.');
}

export function desks(): Response {
  return Response.json(HOUSES.map(introduce));
}

export function create(houseId: string, request: Request): Promise<Response> {
  return atHouse(request, houseId, async (house) => {
    const read = await readJson(request);
    if (!read.ok) return read.response;
    const form = v.safeParse(OrderForm, read.value);
    if (!form.success) return told(400, 'The order cannot be read: make it again.');
    if (form.output.bytes > house.mostBytes) {
      return told(413, `${house.name} takes packs of ${showBytes(house.mostBytes)} at most.`);
    }
    const { id: uploadId, received, answer } = beginUpload(house, form.output);
    return Response.json({ uploadId, received, answer });
  });
}

export function part(houseId: string, uploadId: string, request: Request): Promise<Response> {
  return atHouse(request, houseId, async (house) => {
    const upload = uploadById(house, uploadId);
    if (!upload) return told(404, UNKNOWN);
    const offset = Number(new URL(request.url).searchParams.get('offset'));
    if (!Number.isInteger(offset) || offset < 0) return told(400, 'A part begins at a whole offset.');
    const read = await readBytes(request, PART_BYTES);
    if (!read.ok) return read.response;
    if (read.value.length === 0) return told(400, `A part is 1 byte to ${showBytes(PART_BYTES)}.`);
    return Response.json({ uploadId, received: await takePart(upload, offset, read.value), answer: null });
  });
}

export function finish(houseId: string, uploadId: string, request: Request): Promise<Response> {
  return atHouse(request, houseId, async (house) => {
    const upload = uploadById(house, uploadId);
    if (!upload) return told(404, UNKNOWN);
    const answer = finishUpload(upload);
    if (!answer) return told(409, 'Some of the pack has not arrived.');
    return Response.json({ uploadId, received: upload.received, answer: await answer });
  });
}

/** Heard by a client as: begin again, by yourself. */
const UNKNOWN = 'The desk knows nothing of this upload: begin again.';

export function orders(houseId: string): Response {
  const house = houseById(houseId);
  return house ? Response.json(ordersOf(house)) : told(404, 'There is no such desk.');
}

const MoodForm = v.object({ mood: v.picklist(MOODS), times: v.optional(v.nullable(v.number()), null) });

/** Has the desk behave otherwise: only where the server was started for trying that. */
export async function changeMood(request: Request): Promise<Response> {
  if (process.env['UPFIT_MOODS'] !== '1') return told(404, 'There is no such address.');
  const stranger = strangerRefused(request);
  if (stranger) return stranger;
  const read = await readJson(request);
  if (!read.ok) return read.response;
  const form = v.safeParse(MoodForm, read.value);
  if (!form.success) return told(400, `A desk is ${MOODS.join(', ')}.`);
  setMood(form.output.mood, form.output.times);
  return Response.json(form.output);
}
