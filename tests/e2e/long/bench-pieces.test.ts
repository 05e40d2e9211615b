import { execFileSync } from 'node:child_process';
import { readdirSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { By, Key, until } from 'selenium-webdriver';
import { wayRound } from '@/core/blank/kinds';
import type { ArtworkPiece, FillPiece, Fit, RepeatPiece, TextPiece } from '@/core/fit/schema';
import { boundsOf, flattenPath } from '@/core/geometry/path';
import { parsePath } from '@/core/geometry/parse-path';
import { downloaded, PATIENCE } from '../../support/bench';
import { BenchShop, close, inches } from '../../support/bench-shop';
import { blankById } from '../../support/fits';
import { records } from '../../support/stored';
import { fontBytes } from '../../support/font';

const shop = new BenchShop();
beforeAll(() => shop.open());
afterAll(() => shop.close());

describe('every kind of piece', () => {
  test('a tumbler with a repeat: its seam closes, within one level', async () => {
    await shop.openFit('tumbler-470');
    await shop.bench.add(shop.ground, 'sea');
    await shop.bench.press('Repeat');
    await shop.bench.saved();
    const { blank } = blankById('tumbler-470');
    const around = wayRound(blank.body, await shop.fit.face())!;
    const repeat = async () => (await shop.fit.pieces())[0] as RepeatPiece;
    const tiles = around / (await repeat()).stepX;
    expect(tiles).toBeCloseTo(Math.round(tiles), 6);
    expect(await shop.bench.verdict('seam', 'ready')).toContain('closes');
    await shop.bench.dimension('width', '1 7/8 in');
    await shop.bench.value('Gap between tiles, across', '2 mm');
    await shop.bench.saved();
    expect((await repeat()).stepX).toEqual(close(1.875 * 25.4 + 2));
    expect(await shop.bench.verdict('seam', 'fix')).toMatch(/dE/);
    await shop.bench.press('straight…');
    await shop.bench.press('half-drop, columns');
    await shop.bench.press('half-drop…');
    await shop.bench.press('mirrored, every');
    await shop.bench.press('Close the seam, tiles');
    await shop.bench.saved();
    expect(await shop.bench.verdict('seam', 'ready')).toContain('closes');
    expect(await repeat()).toMatchObject({ pattern: 'mirrored' });
    // Every second tile is turned over: two make one period.
    const periods = around / (await repeat()).stepX / 2;
    expect(periods).toBeCloseTo(Math.round(periods), 6);
  });

  test('its seam can be looked at, and a fill laid over one zone', async () => {
    await shop.bench.press('View:');
    await shop.bench.press('the seam, both ends meeting');
    await shop.bench.says('body', /px a mm/);
    await shop.bench.keys('0');
    await shop.bench.press('Add…');
    await shop.bench.press('a fill on the left side');
    await shop.bench.press('over the left side');
    await shop.bench.press('the right side');
    await (await shop.bench.named('Colour #ffffff: change')).click();
    const typed = await shop.bench.named('Colour, typed');
    await typed.sendKeys(Key.chord(Key.CONTROL, 'a'), '0b5563', Key.ENTER);
    await shop.bench.named('Colour #0b5563: change');
    await shop.bench.saved();
    const fill = (await shop.fit.pieces()).find(({ kind }) => kind === 'fill') as FillPiece;
    expect(fill).toMatchObject({ zoneId: 'right', colour: '#0b5563' });
    await shop.bench.keys(Key.ESCAPE);
  });

  test('four lines of text of equal width, on an arc; printed they are paths, no text', async () => {
    await shop.openFit('shirt');
    await shop.bench.keys('i');
    await shop.bench.words(['GULLWICK LIGHT', 'KEPT BY', 'VOLUNTEERS ALL', 'SINCE 1874']);
    await shop.bench.press('Make lines equal');
    await shop.bench.value('Equal width', '8 1/4 in');
    await shop.bench.value('Cap height', '12 mm');
    await shop.bench.value('Space between lines', '9 mm');
    await shop.bench.value('Outline', '0.8 mm');
    await shop.bench.saved();
    const text = async () => (await shop.fit.pieces()).find(({ kind }) => kind === 'text') as TextPiece;
    // Typed one on the heels of the other, none undoes another.
    expect((await text()).lettering).toMatchObject({ cap: 12, gap: 9, outline: { width: 0.8 } });
    for (const { width } of (await text()).ink.lines) expect(Math.abs(width - 209.55)).toBeLessThan(0.2);
    expect(lineWidths(await text())).toEqual(
      Array.from({ length: 4 }, () => expect.closeTo(209.55, 1) as number),
    );
    await shop.bench.press('Straight…');
    await shop.bench.press('on an arc');
    await shop.bench.says('[aria-label=Text]', /On an arc/);
    await shop.bench.saved();
    expect((await text()).lettering.bend).toMatchObject({ kind: 'arc' });
    for (const { width } of (await text()).ink.lines) expect(Math.abs(width - 209.55)).toBeLessThan(0.2);
    for (const ending of ['.svg', '.pdf']) {
      await shop.bench.press('other formats…');
      const label = By.xpath(`//label[normalize-space()="${ending.slice(1).toUpperCase()}"]`);
      await (await shop.browser.wait(until.elementLocated(label), PATIENCE)).click();
      await shop.bench.press('Make the file');
      const { name, bytes } = await downloaded(shop.browser, shop.downloads, ending);
      const file = bytes.toString('latin1');
      if (ending === '.svg') {
        expect(file).not.toMatch(/<text|<image|font/);
        expect(file.match(/<path /g)).toHaveLength(2);
      } else {
        expect(file).toMatch(/\/TrimBox/);
        // Two lines of heading, and no font under it.
        const fonts = execFileSync('pdffonts', [join(shop.downloads, name)], { encoding: 'utf8' });
        expect(fonts.trim().split('\n')).toHaveLength(2);
      }
    }
  });

  test('a font that is brought in shows what it allows; one that is none says so', async () => {
    const own = shop.file('sign.woff');
    writeFileSync(own, Buffer.from(fontBytes('bungee')));
    const input = await shop.bench.find('input[aria-label="Bring in a font"]');
    await input.sendKeys(own);
    await shop.bench.says('[data-sonner-toast]', /Bungee.*\n.*allows/s);
    await shop.bench.saved();
    const id = ((await shop.fit.pieces()).find(({ kind }) => kind === 'text') as TextPiece).lettering.faceId;
    expect(id).toMatch(/^[0-9a-f]{64}$/);
    await (await shop.bench.find('input[aria-label="Bring in a font"]')).sendKeys(shop.motif);
    await shop.bench.says('body', /“gull.png” is not a font/);
  });

  test('seen through a circle, rounded corners, and the path of a drawing; moved within it', async () => {
    await shop.bench.add(shop.motif, 'gull');
    await shop.bench.fillSafe();
    const piece = async () => (await shop.fit.pieces()).at(-1) as ArtworkPiece;
    await shop.bench.press('Clip to…');
    await shop.bench.press('a circle');
    await shop.bench.value('Clip width', '3 in');
    await shop.bench.saved();
    let box = (await shop.fit.boxes()).at(-1)!;
    expect(box.width).toEqual(inches(3));
    const { x } = await piece();
    await shop.bench.value('Artwork within its clip, moved across', '5 mm');
    await shop.bench.saved();
    expect((await piece()).x - x).toEqual(close(5));
    expect((await shop.fit.boxes()).at(-1)!.x).toEqual(close(box.x));
    await shop.bench.press('Clip…');
    await shop.bench.press('rounded corners');
    await shop.bench.value('Corner radius', '6 mm');
    await shop.bench.saved();
    box = (await shop.fit.boxes()).at(-1)!;
    const { clip } = await piece();
    expect(clip!.shape).toMatchObject({
      kind: 'rounded',
      radius: expect.closeTo(6 / Math.min(box.width, box.height), 3) as number,
    });
    await (await shop.bench.find('input[aria-label="A drawing whose shape clips"]')).sendKeys(shop.shape);
    await shop.bench.says('[aria-label=Clip]', /through a path/);
    await shop.bench.saved();
    expect((await piece()).clip!.shape).toMatchObject({ kind: 'path', name: 'drop' });
  });

  test('the list of pieces names, locks, hides and chooses; a click goes through to what lies under', async () => {
    await shop.bench.keys('u');
    await shop.bench.says('[aria-label=Pieces]', /2, by their place on the face[\s\S]*over no\. /);
    const choose = async (name: string) => {
      const button = await shop.bench.find(`[aria-label^="Choose number"][aria-label*="${name}"]`);
      await button.click();
      return /number (\d)/.exec((await button.getAttribute('aria-label')) ?? '')![1]!;
    };
    await choose('GULLWICK');
    await shop.bench.chosen(/GULLWICK/);
    await shop.bench.keys('c', '0');
    await choose('gull');
    await shop.bench.keys('c');
    const gull = await choose('gull');
    const grip = await shop.bench.find('[data-piece][aria-label^=gull]');
    await shop.browser.actions().move({ origin: grip }).click().perform();
    await shop.bench.chosen(/gull/);
    await shop.browser.actions().move({ origin: grip }).click().perform();
    await shop.bench.chosen(/GULLWICK/);
    await shop.browser.actions().move({ origin: grip }).click().perform();
    await shop.bench.chosen(/gull/);
    const row = `Number ${gull}: `;
    await (await shop.bench.named(`${row}lock, hide`)).click();
    await shop.bench.press('Lock');
    await shop.bench.says('[aria-label=Piece]', /locked/);
    await (await shop.bench.named(`${row}locked`)).click();
    await shop.bench.press('Unlock');
    await shop.bench.named(`${row}lock, hide`);
    await shop.bench.keys('u');
  });
});

describe('faces, layouts, other artwork', () => {
  test('two faces side by side; one is copied onto the other', async () => {
    await shop.openFit('pouch');
    await shop.bench.add(shop.motif, 'gull');
    await shop.bench.dimension('width', '60 mm');
    await shop.bench.press('side by side');
    const face = await shop.fit.face();
    const [, back] = blankById('pouch').faces;
    await shop.bench.named(`Work on the ${back!.name}`);
    await shop.bench.press('Fit…');
    await shop.bench.press(`copy this face onto the ${back!.name}`);
    await shop.bench.saved();
    const [copy] = await shop.fit.boxes(back!.id);
    expect(copy!.width).toEqual(close((60 * back!.width) / face.width));
    await shop.bench.press('side by side');
  });

  test('kept as the starting layout, a new fit begins from it and leaves it alone', async () => {
    await shop.bench.press('Fit…');
    await shop.bench.press('keep as a starting layout');
    await shop.bench.press('Keep it');
    await shop.bench.says('body', /New fits on .* begin with “gull”/);
    const [layout] = await records<{ blankId: string }>(shop.browser, 'layouts');
    expect(layout).toMatchObject({ blankId: 'pouch' });
    await shop.browser.get(`${shop.address}/blanks?blank=pouch`);
    await shop.bench.press('Put on the range');
    await shop.browser.get(shop.address);
    await shop.bench.drop(shop.ground);
    await (await shop.bench.named(`Fit sea on ${blankById('pouch').blank.name}`)).click();
    const made = async () =>
      (await records<Fit>(shop.browser, 'fits')).filter(
        ({ blankId, id }) => blankId === 'pouch' && id !== 'pouch',
      );
    await shop.browser.wait(async () => (await made()).length > 0, PATIENCE);
    expect((await records(shop.browser, 'layouts'))[0]).toEqual(layout);
  });

  test('other artwork in its place keeps every placement', async () => {
    await shop.openFit('pouch');
    await shop.bench.pick(0);
    const [before] = await shop.fit.boxes();
    await shop.bench.press('Swap…');
    await shop.bench.press('sea.png');
    await shop.bench.saved();
    const [after] = await shop.fit.boxes();
    expect([after!.x, after!.y]).toEqual([close(before!.x), close(before!.y)]);
    expect(Math.max(after!.width / before!.width, after!.height / before!.height)).toBeCloseTo(1, 6);
    expect((await shop.fit.pieces())[0]!.name).toBe('sea');
  });
});

/** Ink widths of a straight text's lines, from its outlines alone: letters by the line they stand in. */
function lineWidths({ ink }: TextPiece): number[] {
  const boxes = flattenPath(parsePath(ink.d)!, 0.01).map((points) => boundsOf([points])!);
  const lines: { top: number; bottom: number; left: number; right: number }[] = [];
  for (const box of boxes) {
    const line = lines.find(({ top, bottom }) => box.top < bottom && box.bottom > top);
    if (!line) lines.push({ ...box });
    else
      Object.assign(line, {
        top: Math.min(line.top, box.top),
        bottom: Math.max(line.bottom, box.bottom),
        left: Math.min(line.left, box.left),
        right: Math.max(line.right, box.right),
      });
  }
  return lines.map(({ left, right }) => right - left);
}

test('a drawing goes out as paths, what of it is blurred as a picture of its own, which is said', async () => {
  const badge = shop.file('badge.svg');
  writeFileSync(
    badge,
    `<svg xmlns="http://www.w3.org/2000/svg" width="80mm" height="60mm" viewBox="0 0 80 60"><filter id="f"><feGaussianBlur stdDeviation="1"/></filter>
     <rect x="4" y="4" width="30" height="50" fill="#103080"/><circle cx="58" cy="30" r="18" fill="#c02010"/><rect x="10" y="10" width="12" height="12" filter="url(#f)" fill="#f3b909"/></svg>`,
  );
  await shop.openFit('shirt');
  await shop.bench.add(badge, 'badge');
  await shop.bench.saved();
  await shop.bench.press('other formats…');
  const pdf = By.xpath('//label[normalize-space()="PDF"]');
  await (await shop.browser.wait(until.elementLocated(pdf), PATIENCE)).click();
  for (const name of readdirSync(shop.downloads)) rmSync(join(shop.downloads, name));
  await shop.bench.press('Make the file');
  const { name } = await downloaded(shop.browser, shop.downloads, '.pdf');
  const images = execFileSync('pdfimages', ['-list', join(shop.downloads, name)], { encoding: 'utf8' });
  // The gull that was there, and the blur; each with what of it shows through.
  expect(images.trim().split('\n')).toHaveLength(6);
  await shop.bench.says('body', /“badge.svg” is paths, but for one part drawn at \d+ PPI: a filter\./);
});
