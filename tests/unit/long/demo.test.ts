import type { Facts } from '@/core/artwork/facts';
import { demoDesigns, demoFits, type DemoKey } from '@/demo/shop';
import { drawDemo } from '@/demo/draw';
import { loadNodeEngine } from '@/imaging/node';
import type { Engine } from '@/imaging/engine';
import { demoShop } from '../../support/demo';

let engine: Engine;
let shop: Awaited<ReturnType<typeof demoShop>>;
const facts = (key: DemoKey): Facts => shop.facts(key);

beforeAll(async () => {
  engine = await loadNodeEngine();
  shop = await demoShop(engine);
}, 60_000);
afterAll(() => {
  engine.close();
});

test('each drawing is what its name says', () => {
  expect(facts('lighthouse').alpha.softShare).toBeGreaterThan(0.02);
  expect(facts('knot-badge').inks).toBe(2);
  expect(facts('storm')).toMatchObject({ format: 'jpeg', density: { x: 72 }, inks: null });
  expect(facts('harbour-card').colour).toMatchObject({ mode: 'cmyk', profile: expect.any(String) as string });
  expect(facts('old-flyer')).toMatchObject({
    colour: { mode: 'cmyk', profile: null },
    notes: [{ code: 'no-profile' }],
  });
  expect(facts('compass-rose').density).toEqual({ x: 300, y: 300, source: 'file' });
});

test('drawn twice, a file is the same to the byte', () => {
  const draw = drawDemo(engine);
  expect(Buffer.compare(Buffer.from(draw.crab()), Buffer.from(draw.crab()))).toBe(0);
});

test('every design has its artworks, and every fit its design', () => {
  const designs = demoDesigns(facts);
  expect(designs.every(({ artworks }) => artworks.length > 0)).toBe(true);
  const known = new Set(designs.map(({ id }) => id));
  expect(demoFits(facts).every(({ designId }) => known.has(designId))).toBe(true);
});
