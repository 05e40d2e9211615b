import * as v from 'valibot';
import { SPECS } from '@/core/blank/library';
import { newFill } from '@/core/fit/place';
import { UploadSchema, type Answer } from '@/core/pack/order';
import type { Engine } from '@/imaging/engine';
import { loadNodeEngine } from '@/imaging/node';
import { packOf, print } from '../support/orders';
import { blankById } from '../support/fits';
import { served } from '../support/served';

let engine: Engine;
beforeAll(async () => {
  engine = await loadNodeEngine();
});
afterAll(() => {
  engine.close();
});

async function ask(path: string, init: RequestInit) {
  const answer = await fetch(`${served().empty}/api/desk/${path}`, init);
  return v.parse(UploadSchema, await answer.json());
}

/** The desk of a blank's house, by the start of its spec's id. */
async function sent(deskId: string, { pack, order }: Awaited<ReturnType<typeof packOf>>): Promise<Answer> {
  const begun = await ask(`${deskId}/uploads`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(order),
  });
  await ask(`${deskId}/uploads/${begun.uploadId}?offset=0`, { method: 'PUT', body: pack });
  return (await ask(`${deskId}/uploads/${begun.uploadId}/finish`, { method: 'POST' })).answer!;
}

test('the desk of the built application opens PDFs: the right one is taken, one of another size is sent back', async () => {
  const blankId = 'sticker-75';
  const { spec } = blankById(blankId);
  expect(SPECS.find(({ id }) => id === spec.id)!.files.formats.value).toContain('pdf');
  const pieces = [newFill('sea', '#1f6f78')];
  const bytes = await print(engine, blankId, { format: 'pdf' }, pieces);
  const taken = await sent('skerry-labels', await packOf(blankId, { bytes, format: 'pdf' }));
  expect(taken.findings).toEqual([{ path: '01/print.png', verdict: 'ready', reasons: [] }]);
  expect(taken.number).toMatch(/^SL-\d{6}$/);
  const other = await print(engine, 'poster-a2', { format: 'pdf', ppi: 30 }, pieces);
  const refused = await sent('skerry-labels', await packOf(blankId, { bytes: other, format: 'pdf' }));
  expect(refused.number).toBeNull();
  expect(refused.findings[0]!.reasons.join(' ')).toMatch(/mm/);
});
