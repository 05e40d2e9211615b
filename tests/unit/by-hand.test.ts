import 'fake-indexeddb/auto';
import type { StoredPack } from '@/core/pack/record';
import { noteAccepted, noteRefused, noteSent, numberTrouble } from '@/state/handover/by-hand';
import { keep } from '@/state/shop/records';
import { openShop, useShop } from '@/state/shop/shop';
import { today } from '@/state/today';
import { keepFile } from '@/store/commit';
import { database } from '@/store/database';
import { emptyStore } from '../support/shop-store';

const line = { fitId: 'a', size: null, colour: 'White', what: null, quantity: 2, sides: [] };
const pack: StoredPack = {
  ...{ upfit: 'stored-pack/1', id: 'pack', bytes: 3, sha256: 'a'.repeat(64), orders: [] },
  manifest: {
    ...{ upfit: 'pack/1', id: 'pack', name: 'p', shop: 's', made: '2026-11-28T00:00:00Z', notes: '' },
    ...{ fits: [], sheets: [], files: [] },
  },
};
const asked = { to: 'Ms Ferro', day: today(), lines: [line], notes: '' };
const orders = () => useShop.getState().packs.get('pack')!.orders;

beforeEach(async () => {
  await emptyStore();
  await openShop();
  await keepFile('packZips', 'pack', new Blob(['zip']));
  await keep('packs', pack);
});
afterAll(async () => {
  (await database()).close();
});

test('sent, then accepted under a number: one order', async () => {
  await noteSent(pack, 'Brathwick Banners', asked);
  expect(orders()).toMatchObject([{ state: 'sent', to: 'Ms Ferro', desk: 'Brathwick Banners' }]);
  await expect(noteAccepted('pack', orders()[0]!, 'BB-1', 'BB-##')).rejects.toThrow(/look like BB-##/);
  await noteAccepted('pack', orders()[0]!, ' BB-12 ', 'BB-##');
  expect(orders()).toMatchObject([{ state: 'arrived', answer: { number: 'BB-12' } }]);
  await noteRefused('pack', { ...orders()[0]!, state: 'sent' }, 'too late');
  expect(orders()[0]!.state).toBe('arrived');
});

test('refused with the house’s words, and never without', async () => {
  await noteSent(pack, 'Brathwick Banners', asked);
  await expect(noteRefused('pack', orders()[0]!, ' ')).rejects.toThrow(/why/);
  await noteRefused('pack', orders()[0]!, 'The eyelets are too near.');
  expect(orders()).toMatchObject([{ state: 'refused', answer: { reasons: ['The eyelets are too near.'] } }]);
});

test.each([
  [{ to: '  ' }, /to whom/],
  [{ day: '2999-01-01' }, /still to come/],
  [{ lines: [] }, /how many/],
])('%j is told, and nothing is kept', async (change, sentence) => {
  await expect(noteSent(pack, 'Brathwick Banners', { ...asked, ...change })).rejects.toThrow(sentence);
  expect(orders()).toEqual([]);
});

test.each([
  ['FP-0012', 'FP-####', null],
  ['fp-0012', 'FP-####', null],
  ['FP-012', 'FP-####', /FP-####/],
  ['FP-00123', 'FP-####', /FP-####/],
  ['', 'FP-####', null],
  ['anything', undefined, null],
])('“%s” as an order number of %s', (number, pattern, expected) => {
  const trouble = numberTrouble(number, pattern);
  if (expected === null) expect(trouble).toBeNull();
  else expect(trouble).toMatch(expected);
});
