import 'fake-indexeddb/auto';
import { readFileSync } from 'node:fs';
import fc from 'fast-check';
import { photoTroubles } from '@/core/mockup/photo/troubles';
import { layOut } from '@/core/sheet/layout';
import type { Print } from '@/core/sheet/print';
import { lostIn, openShop, useShop } from '@/state/shop/shop';
import { contextOf } from '@/state/shop/shop';
import { printsIn } from '@/state/handover/sheets';
import { settingsFor } from '@/state/handover/pictures';
import { database } from '@/store/database';
import { entryOf, migrated, readRecord, TABLE_NAMES, type RecordOf, type TableName } from '@/store/tables';
import { runs } from '../support/long';
import { emptyStore } from '../support/shop-store';

afterAll(async () => {
  (await database()).close();
});

type Json = null | boolean | number | string | Json[] | { [key: string]: Json };
const SOUND = JSON.parse(readFileSync('tests/fixtures/records-1.json', 'utf8')) as Record<TableName, Json>;

/** What somebody may have put in the place of a value: of the same kind and absurd, or of another kind. */
const ABSURD: Json[] = [
  ...[0, -1, -35, 1e-9, 0.003, 1e9, 1e307, -1e307, 0.5, 12, 98_000],
  ...['', ' ', 'x'.repeat(5_000), '../../up', '<b>', '#gggggg', 'NaN', '__proto__'],
  ...[null, true, [], {}, [[]], [null]],
];

/** A record with one to four of its values, anywhere in it, something else, gone, or there a thousand times. */
const altered = (record: Json) =>
  fc
    .array(
      fc.record({
        at: fc.nat(10_000),
        how: fc.constantFrom('absurd', 'gone', 'many'),
        with: fc.constantFrom(...ABSURD),
      }),
      { minLength: 1, maxLength: 4 },
    )
    .map((changes) => {
      const copy = structuredClone(record);
      for (const change of changes) {
        const places = placesIn(copy);
        const place = places[change.at % places.length];
        if (!place) continue;
        const { owner, key } = place;
        const value = owner[key as never] as Json;
        if (change.how === 'absurd') owner[key as never] = structuredClone(change.with) as never;
        else if (change.how === 'gone') Reflect.deleteProperty(owner, key);
        else if (Array.isArray(value) && value.length > 0)
          owner[key as never] = Array.from({ length: 1_200 }, () => structuredClone(value[0])) as never;
      }
      return copy;
    });

function placesIn(value: Json): { owner: object; key: string }[] {
  if (value === null || typeof value !== 'object') return [];
  return Object.entries(value).flatMap(([key, inner]) => [
    { owner: value as object, key },
    ...placesIn(inner as Json),
  ]);
}

function withFiles(record: Json): Record<string, unknown> {
  return Object.fromEntries(
    Object.entries(record as object).map(([field, value]) => [
      field,
      value === 'FILE' ? new Blob(['x']) : (value as unknown),
    ]),
  );
}

describe('records that are well formed and absurd', () => {
  test.each(TABLE_NAMES.map((name) => [name] as const))('of %s read, or are refused in words', (name) => {
    fc.assert(
      fc.property(altered(SOUND[name]), (record) => {
        const read = readRecord(name, withFiles(record));
        if (!read.ok) expect(read.why).toMatch(/^(In this|This) .+\.$/);
      }),
      runs(60),
    );
  });

  test('sheets that read lay out, or say why not, at once', () => {
    const print: Print = { fitId: 'f', faceId: 'wrap', name: 'P', width: 120, height: 90, bleed: 2 };
    const sound = { ...(SOUND.sheets as object), items: [{ fitId: 'f', faceId: 'wrap', copies: 3 }] };
    fc.assert(
      fc.property(altered(sound as Json), (record) => {
        const read = readRecord('sheets', record);
        if (read.ok) layOut(read.record as RecordOf<'sheets'>, [print]);
      }),
      runs(150),
    );
  });

  test('photos that read are told what is wrong with them', () => {
    fc.assert(
      fc.property(altered(SOUND.photos), (record) => {
        const read = readRecord('photos', withFiles(record));
        if (read.ok) photoTroubles((read.record as RecordOf<'photos'>).scene);
      }),
      runs(150),
    );
  });

  test('a shop that holds any of them opens, and what its places ask first of it answers', async () => {
    const tables = ['designs', 'fits', 'blanks', 'specs', 'sheets', 'photos', 'layouts', 'settings'] as const;
    await fc.assert(
      fc.asyncProperty(
        fc.constantFrom(...tables).chain((name) => fc.tuple(fc.constant(name), altered(SOUND[name]))),
        async ([name, record]) => {
          await emptyStore();
          const db = await database();
          for (const table of tables)
            if (table !== 'settings') await db.put(table, migrated(table, withFiles(SOUND[table])));
          const odd = migrated(name, withFiles(record)) as Record<string, unknown>;
          const { key } = entryOf(name);
          if (key === null) await db.put(name, odd, name);
          else await db.put(name, { ...odd, [key as string]: 'odd' });
          await openShop();
          const shop = useShop.getState();
          expect(shop.phase).toBe('open');
          printsIn(shop);
          for (const fit of shop.fits.values()) {
            lostIn(fit, shop);
            const context = contextOf(fit, shop);
            if (context) settingsFor(context.blank, shop.photos.values());
          }
        },
      ),
      runs(120),
    );
  });
});
