import { writeFileSync } from 'node:fs';
import { By, Key, until } from 'selenium-webdriver';
import type { ArtworkPiece, ShapePiece, TextPiece } from '@/core/fit/schema';
import type { Artwork, Settings } from '@/store/schema';
import { keepsOut } from '../../support/axe';
import { BenchShop } from '../../support/bench-shop';
import { blankById, faceOf } from '../../support/fits';
import { records } from '../../support/stored';

/** Shapes of our own drawing, and pieces that mix with what is under them, by what a person does on the bench. */
const shop = new BenchShop();
beforeAll(async () => {
  await shop.open();
  await shop.openFit('pouch');
});
afterAll(() => shop.close());

const pouch = blankById('pouch');
const last = async () => (await shop.fit.pieces()).at(-1)!;
const shape = async () => (await last()) as ShapePiece;
const become = (what: () => Promise<boolean>, otherwise: string) =>
  shop.browser.wait(what, 20_000, otherwise);

/** Types a length over one that stands in the strip. */
async function type(name: string, text: string): Promise<void> {
  await (await shop.bench.named(name, 'button')).click();
  await (await shop.bench.named(name, 'input')).sendKeys(Key.chord(Key.CONTROL, 'a'), text, Key.ENTER);
}

test('a line thinner than the method holds is a Fix with a remedy; taken, it is as thick as that', async () => {
  await shop.bench.press('Shape…');
  await shop.bench.press('line');
  await become(async () => (await last())?.kind === 'shape', 'there is no shape');
  const thin = pouch.limits.stroke / 2;
  await type('Thickness', String(thin));
  await become(async () => (await shape()).height === thin, 'it is not thinner');
  await shop.bench.says('body', new RegExp(`${thin.toFixed(2)} mm stroke`));
  await shop.bench.press('Make it');
  await become(async () => (await shape()).height === pouch.limits.stroke, 'it is not mended');
  expect(await keepsOut(shop.browser)).toEqual([]);
});

test('a rectangle by its own numbers: size, corners, stroke, no fill, dashes; one undo takes each back', async () => {
  await shop.bench.press('Shape…');
  await shop.bench.press('rectangle');
  await become(async () => (await shape()).shape.kind === 'rectangle', 'there is no rectangle');
  await type('Width', '62.5');
  await type('Height', '1 in');
  await type('Corner radius', '4');
  await type('Stroke', '1.2');
  await shop.bench.press('No fill');
  await become(async () => (await shape()).fill === null, 'it has a fill');
  expect(await shape()).toMatchObject({
    width: 62.5,
    height: 25.4,
    shape: { kind: 'rectangle', corner: 4 },
    stroke: { width: 1.2, dash: null },
  });
  await shop.bench.press('Whole…');
  await shop.bench.press('dashes with round ends');
  await become(async () => (await shape()).stroke?.dash !== null, 'it is not dashed');
  expect((await shape()).stroke).toMatchObject({ ends: 'round', dash: { on: 3.6, off: 2.4 } });
  await shop.bench.keysUndo();
  await become(async () => (await shape()).stroke?.dash === null, 'the dashes stay');
});

test('a frame goes with the safe area, and as far from the trim as is typed', async () => {
  const { width, safe } = faceOf(pouch);
  await shop.bench.press('Shape…');
  await shop.bench.press('frame along the safe');
  await become(async () => (await shape()).shape.kind === 'path', 'there is no frame');
  expect((await shape()).width).toBeCloseTo(width - 2 * safe, 3);
  await type('Distance from the trim', '9');
  await become(async () => Math.abs((await shape()).width - (width - 18)) < 0.001, 'it stays where it was');
});

test('40 % multiply is kept with the piece, said in the strip, and taken back', async () => {
  await shop.bench.press('Opacity…');
  const field = await shop.bench.named('Opacity in percent', 'input');
  await field.sendKeys(Key.chord(Key.CONTROL, 'a'), '40', Key.ENTER);
  await become(async () => (await last()).opacity === 0.4, 'it is as strong as before');
  await shop.bench.choose('with what is under it', 'multiply');
  await become(async () => (await last()).blend === 'multiply', 'it is laid over it');
  await shop.bench.keys(Key.ESCAPE);
  await shop.bench.says('[aria-label="Shape"]', /40 % multiply…/);
  await shop.bench.keysUndo();
  await shop.bench.keysUndo();
  await become(async () => (await last()).opacity === undefined, 'it is not taken back');
});

test('a number that it cannot be says which it can, and changes nothing', async () => {
  await shop.bench.press('Shape…');
  await shop.bench.press('star');
  await become(async () => (await shape()).shape.kind === 'star', 'there is no star');
  const points = await shop.bench.named('Points of the star', 'input');
  await points.sendKeys(Key.chord(Key.CONTROL, 'a'), '2');
  await shop.bench.says('[role=alert]', /3 to 60/);
  await points.sendKeys(Key.ESCAPE);
  expect((await shape()).shape).toMatchObject({ points: 5 });
  await points.sendKeys(Key.chord(Key.CONTROL, 'a'), '12', Key.ENTER);
  await become(async () => ((await shape()).shape as { points: number }).points === 12, 'it has five points');
  expect(await shop.browser.findElements(By.css('[role=alert]'))).toHaveLength(0);
});

describe('words with a look', () => {
  const words = async () => (await last()) as TextPiece;

  test('three lines of one width, five colours with no neighbours alike, a shadow: new words keep it all', async () => {
    await shop.openFit('mug-325');
    await shop.bench.keys('i');
    await shop.bench.words(['LIGHT', 'THE', 'LAMP']);
    await type('Equal width', '60');
    await shop.bench.press('Shadow, slant, colours…');
    await type('Shadow to the right', '1.2');
    await become(async () => (await words()).lettering.shadow?.down === 1.2, 'there is no shadow');
    await shop.bench.choose('several colours', 'letter');
    await become(async () => (await words()).lettering.dealt?.colours.length === 5, 'there is one colour');
    const before = await words();
    expect(before.ink.lines.map(({ width }) => width)).toEqual(
      Array.from({ length: 3 }, () => expect.closeTo(60, 2) as number),
    );
    expect(before.ink.parts?.length).toBeGreaterThan(2);
    expect(await keepsOut(shop.browser)).toEqual([]);
    await shop.bench.keys(Key.ESCAPE);
    await shop.bench.press('Words…');
    await shop.bench.words(['NIGHT']);
    await become(async () => (await words()).lettering.lines[0]!.text === 'NIGHT', 'the words stay');
    const { lettering, ink } = await words();
    expect(lettering).toMatchObject({
      shadow: before.lettering.shadow,
      dealt: before.lettering.dealt,
      equalWidth: 60,
    });
    expect(ink.lines.map(({ width }) => width)).toEqual(
      before.ink.lines.map(({ width }) => expect.closeTo(width, 6) as number),
    );
  });

  test('a style is kept by name, set on other words on another fit, and taken out', async () => {
    await shop.bench.press('Style…');
    await shop.bench.press('keep how these are set');
    await (await shop.bench.find('form input')).sendKeys('lamp letters', Key.ENTER);
    await shop.bench.says('[data-sonner-toast]', /“lamp letters” is a style/);
    const { lettering } = await words();
    await shop.openFit('tumbler-470');
    await shop.bench.keys('i');
    await shop.bench.words(['Salve']);
    await shop.bench.press('Style…');
    await shop.bench.press('lamp letters');
    await become(async () => (await words()).lettering.dealt !== undefined, 'it is set as before');
    const set = await words();
    expect(set.lettering).toMatchObject({ dealt: lettering.dealt, lines: [{ text: 'Salve' }] });
    await shop.bench.press('Style…');
    const lines = await shop.browser.findElements(
      By.xpath('//*[@role="menuitem"][normalize-space()="lamp letters"]'),
    );
    await lines.at(-1)!.click();
    await become(
      async () => (await records<Settings>(shop.browser, 'settings'))[0]!.styles.length === 0,
      'it is kept',
    );
    expect((await words()).lettering).toEqual(set.lettering);
  });
});

test('an artwork is seen through a shape where it lies, and the shape is gone; one undo brings both back', async () => {
  await shop.bench.add(shop.motif, 'gull');
  await shop.bench.press('Shape…');
  await shop.bench.press('star');
  await become(async () => (await shape()).shape.kind === 'star', 'there is no star');
  const before = await shop.fit.pieces();
  await shop.bench.pick(before.length - 2);
  await shop.bench.press('Clip to…');
  await shop.bench.press('the star, where it lies');
  await become(async () => (await shop.fit.pieces()).length === before.length - 1, 'the star is still there');
  const clipped = (await last()) as ArtworkPiece;
  expect(clipped).toMatchObject({ kind: 'artwork', clip: { shape: { kind: 'path', name: 'star' } } });
  await shop.bench.keysUndo();
  await become(async () => (await shop.fit.pieces()).length === before.length, 'nothing is taken back');
});

test('words become the tile of a repeat, as a drawing of their own', async () => {
  await shop.bench.keys(Key.ESCAPE, Key.ESCAPE, 'i');
  await shop.bench.words(['Ahoy']);
  await shop.bench.press('Repeat');
  await become(
    async () => (await shop.fit.pieces()).some(({ kind, name }) => kind === 'repeat' && name === 'Ahoy'),
    'there is no repeat',
  );
  const artworks = await records<Artwork>(shop.browser, 'artworks');
  expect(artworks.find(({ facts }) => facts.name === 'Ahoy.svg')?.facts).toMatchObject({ format: 'svg' });
});

test('live text of a drawing that comes in is outlined in the font that it names; any other stays told', async () => {
  const drawn = (name: string, family: string) => {
    const path = shop.file(name);
    writeFileSync(
      path,
      `<svg xmlns="http://www.w3.org/2000/svg" width="60mm" height="30mm" viewBox="0 0 60 30"><rect width="2" height="2"/><text x="4" y="20" font-size="12" font-family="${family}">Harbour</text></svg>`,
    );
    return path;
  };
  await shop.bench.drop(drawn('sign.svg', 'Bungee'), drawn('far.svg', 'Seaside Script'));
  const found = async (name: string) =>
    (await records<Artwork>(shop.browser, 'artworks')).find(({ facts }) => facts.name === name);
  await become(
    async () => (await found('sign.svg'))?.steps[0]?.kind === 'outline',
    'its words are not outlined',
  );
  await become(async () => (await found('far.svg')) !== undefined, 'the other is not in');
  expect((await found('far.svg'))!.facts.notes.map(({ code }) => code)).toContain('live-text');
  expect((await found('sign.svg'))!.facts.notes.map(({ code }) => code)).not.toContain('live-text');
  await shop.browser.get(`${shop.address}/artwork`);
  await (
    await shop.browser.wait(
      until.elementLocated(By.xpath('//*[@role="option"][contains(., "far.svg")]')),
      20_000,
    )
  ).click();
  await shop.bench.press('Outline its words');
  await shop.bench.says('body', /“Seaside Script” is not among your fonts/);
});
