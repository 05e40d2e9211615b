import fc from 'fast-check';
import { describeFacts } from '@/core/fit/describe';
import { freeIdAmong, printFileName, safeName } from '@/core/pack/names';
import { planPrint } from '@/core/print/plan';
import { garmentExtent, garmentOutline, printOrigin } from '@/core/blank/bodies/garment';
import type { GarmentBody } from '@/core/blank/bodies/garment';
import { RasterShelf } from '@/workers/rasters';
import { rectangle } from '@/core/blank/face';
import { shippedBlanks } from '@/core/blank/library';
import { shapePath } from '@/core/blank/shape';
import { blankById, faceOf, factsOf } from '../support/fits';
import { CLEAR, paint, RED, solid } from '../support/pictures';

describe('a file told as a seller would', () => {
  const said = (change: Parameters<typeof factsOf>[1], raster = solid(4200, 10)) =>
    describeFacts(factsOf(raster, change)).join(' ');

  test('how large it prints sharp, in both units', () => {
    expect(said({ pixels: { width: 4200, height: 5700 } })).toContain(
      'Prints sharp up to 355.6 × 482.6 mm (14 × 19 in).',
    );
    const inches = describeFacts(factsOf(solid(300, 300)), { unit: 'in', inches: 'sixteenths' });
    expect(inches[0]).toBe('Prints sharp up to 1 × 1 in (25.4 × 25.4 mm).');
  });

  test('a page that holds pictures is as sharp as they are, and one of paths at any size', () => {
    const page = { format: 'pdf', pixels: null, physical: { width: 254, height: 127 } } as const;
    expect(said(page)).toContain('A page, sharp at any size. Its own size is 254.0 × 127.0 mm (10 × 5 in).');
    const images = [{ pixels: { width: 750, height: 750 }, ppi: { x: 150, y: 150 } }];
    expect(said({ ...page, images })).toContain(
      'its pictures are sharp while it is no larger than 127.0 × 63.5 mm (5 × 2 1/2 in).',
    );
  });

  test('what a tag means and what none means', () => {
    expect(said({ density: { x: 72, y: 72, source: 'file' } })).toContain(
      'Tagged 72 PPI, which only sets a default size.',
    );
    expect(said({ density: { x: 72, y: 150.5, source: 'file' } })).toContain('Tagged 72 by 150.5 PPI');
    expect(said({})).toContain('no density tag');
  });

  test('colours, inks and profile', () => {
    expect(said({ inks: 1 })).toContain('RGB, 8 bits, no profile; 1 ink.');
    expect(said({ inks: null, colour: { mode: 'cmyk', bits: 8, profile: 'Press' } })).toContain(
      'CMYK, 8 bits, profile Press; as many colours as a photograph.',
    );
  });

  test('what is there of it', () => {
    expect(said({})).toContain('Opaque all over.');
    const block = paint(100, 80, (x, y) => (x > 9 && y > 19 ? RED : CLEAR));
    expect(said({}, block)).toContain('what is there takes 90 × 60 px from 10, 20.');
    expect(said({}, solid(20, 20, [0, 0, 0, 0]))).toContain('nothing in it to print');
    const glow = factsOf(block);
    expect(describeFacts({ ...glow, alpha: { ...glow.alpha, softShare: 0.123 } }).join(' ')).toContain(
      '12.3 % of it half transparent',
    );
  });

  test('how it was held', () => {
    expect(said({ orientation: 6 })).toContain('upright');
    expect(said({})).not.toContain('upright');
  });
});

describe('names of files', () => {
  test('are safe on every disk', () => {
    expect(safeName('  Möwe / “Sturm” 3.png ')).toBe('möwe-sturm-3-png');
    expect(safeName('Mo\u0308we')).toBe('möwe');
    expect(safeName('灯台の灯り　ガル')).toBe('灯台の灯り-ガル');
    expect(safeName('Con')).toBe('con-1');
    expect(safeName('../../etc/passwd')).not.toMatch(/[/\\]|\.\./);
    expect(safeName('***')).toBe('untitled');
  });

  test('of any script are at most 120 bytes a part, cut between letters, safe, and the same again', () => {
    const bytes = (text: string) => new TextEncoder().encode(text).length;
    const mug = blankById('mug-325');
    const fileOf = (design: string) => printFileName(design, mug, faceOf(mug), planPrint(mug, faceOf(mug)));
    const any = fc.oneof(
      fc.string({ unit: 'grapheme', maxLength: 200 }),
      fc.string({
        unit: fc.constantFrom('灯', 'が', 'é', 'ñ', '한', 'ش', 'न्', 'a', ' ', '/', '.', '👩‍🚀'),
        maxLength: 200,
      }),
    );
    fc.assert(
      fc.property(any, (text) => {
        const name = safeName(text);
        expect(bytes(name)).toBeLessThanOrEqual(120);
        expect(name).toMatch(/^[\p{L}\p{M}\p{N}-]+$/u);
        expect(safeName(name)).toBe(name);
        const file = fileOf(text);
        expect(bytes(file)).toBeLessThanOrEqual(120);
        expect(file).toMatch(/_mug-325-ml_wrap_222x92mm\.png$/);
      }),
    );
    const long = fileOf('灯台守の長い夜と静かな海'.repeat(10));
    expect(long).toMatch(/^(灯台守の長い夜と静かな海)+.*_mug-325-ml_wrap_222x92mm\.png$/);
    expect(bytes(long)).toBeGreaterThan(115);
    expect(freeIdAmong('Café Möwe', [])).toBe('cafe-mowe');
  });

  test('say design, blank, face and size', () => {
    const mug = blankById('mug-325');
    expect(printFileName('Keep the light', mug, faceOf(mug), planPrint(mug, faceOf(mug)))).toBe(
      'keep-the-light_mug-325-ml_wrap_222x92mm.png',
    );
  });
});

describe('drawings', () => {
  test('a garment’s print hangs on its centre line, inside its outline', () => {
    for (const { blank } of shippedBlanks()) {
      if (blank.body.kind !== 'garment') continue;
      const { body } = blank;
      const extent = garmentExtent(body);
      for (const print of body.prints.filter(({ place }) => place !== 'sleeve')) {
        const origin = printOrigin(body, print);
        expect(origin.x).toBe(-print.width / 2);
        expect(origin.y).toBeGreaterThanOrEqual(print.below);
        expect(origin.y + print.height).toBeLessThan(extent.height + extent.top);
      }
      expect(extent.width).toBeGreaterThanOrEqual(body.chest);
      expect(garmentOutline(body)).toMatch(/^M.*Z/);
    }
    const shirt = blankById('shirt').blank.body as GarmentBody;
    expect(printOrigin(shirt, shirt.prints[0]!).y).toBe(shirt.collarDrop + shirt.prints[0]!.below);
  });

  test('the path of a shape grown by its bleed', () => {
    expect(shapePath(rectangle(100, 50), 2)).toBe('M-2 -2h104v54h-104z');
    expect(shapePath(rectangle(75, 75, 37.5))).toContain('a37.5 37.5');
  });
});

describe('the shelf of decoded pixels', () => {
  const raster = (megabytes: number) => ({
    width: 1,
    height: 1,
    data: new Uint8Array(megabytes * 1024 * 1024),
    opaque: true,
  });

  test('decodes once, and lets the least recently used go', async () => {
    const shelf = new RasterShelf();
    let decoded = 0;
    const take = (id: string) =>
      shelf.take(id, () => {
        decoded++;
        return Promise.resolve(raster(130));
      });
    await take('a');
    await take('b');
    await take('a');
    expect(decoded).toBe(2);
    await take('c');
    expect(shelf.bytes).toBeLessThanOrEqual(320 * 1024 * 1024);
    await take('a');
    expect(decoded).toBe(3);
    await take('b');
    expect(decoded).toBe(4);
  });

  test('one picture larger than the shelf is kept while it is worked on', async () => {
    const shelf = new RasterShelf();
    const large = raster(450);
    expect(await shelf.take('large', () => Promise.resolve(large))).toBe(large);
    expect(shelf.bytes).toBe(large.data.byteLength);
  });
});
