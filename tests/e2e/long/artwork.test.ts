import { execFileSync } from 'node:child_process';
import { mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { join } from 'node:path';
import { By, Key, type WebDriver } from 'selenium-webdriver';
import { openBrowser } from '../../../scripts/lib/browser.mjs';
import { keepsOut } from '../../support/axe';
import { records } from '../../support/stored';
import { downloaded, newFolder, Page, PATIENCE } from '../../support/bench';
import { writeDamaged } from '../../support/damaged';
import { LONG } from '../../support/long';
import { served } from '../../support/served';

const folder = newFolder();
const downloads = newFolder();
const file = (name: string) => join(folder, name);
const convert = (...args: string[]) => execFileSync('convert', args, { cwd: folder });
/** More than go to one design unasked. */
const FILES = LONG ? 240 : 40;
/** So many of them are in before the rest is stopped. */
const ENOUGH = 26;
const DAMAGED = LONG ? 100 : 24;

const app = { address: served().empty };
let browser: WebDriver;
let page: Page;
/** A server that nobody may call: whatever is asked of it is written down. */
let far: Server;
const called: string[] = [];

/** A PNG with a note in it, so that its bytes are its own. */
function withNote(png: Buffer, note: string): Buffer {
  const text = Buffer.from(`Comment\0${note}`, 'latin1');
  const chunk = Buffer.alloc(12 + text.length);
  chunk.writeUInt32BE(text.length, 0);
  chunk.write('tEXt', 4, 'latin1');
  text.copy(chunk, 8);
  chunk.writeUInt32BE(crc(chunk.subarray(4, 8 + text.length)), 8 + text.length);
  return Buffer.concat([png.subarray(0, png.length - 12), chunk, png.subarray(png.length - 12)]);
}

function crc(bytes: Buffer): number {
  let value = 0xffffffff;
  for (const byte of bytes) {
    value ^= byte;
    for (let bit = 0; bit < 8; bit++) value = value & 1 ? (value >>> 1) ^ 0xedb88320 : value >>> 1;
  }
  return (value ^ 0xffffffff) >>> 0;
}

const BOAT = `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 400 300" width="80mm" height="60mm"><rect width="400" height="300" fill="#f4e6bd"/><path d="M100 200h200l-40 50h-120z" fill="#17358b"/><circle cx="60" cy="60" r="24" fill="#efb51c"/></svg>`;

beforeAll(async () => {
  far = createServer((request, response) => {
    called.push(request.url ?? '');
    response.end();
  });
  await new Promise<void>((ready) => far.listen(0, '127.0.0.1', ready));
  const there = `http://127.0.0.1:${(far.address() as AddressInfo).port}`;
  writeFileSync(
    file('attack.svg'),
    `<?xml-stylesheet href="${there}/sheet.css"?><!DOCTYPE svg [<!ENTITY own "#c81e14">]>
<svg xmlns="http://www.w3.org/2000/svg" xmlns:xlink="http://www.w3.org/1999/xlink" width="40mm" height="30mm" viewBox="0 0 40 30" onload="window.attacked=1;fetch('${there}/load')">
<script>window.attacked = 1; fetch('${there}/script')</script><style>@import url(${there}/import.css); rect{fill:url(${there}/paint)}</style>
<image href="${there}/picture.png" width="9" height="9"/><use href="${there}/use.svg#a"/><foreignObject width="9" height="9"><img xmlns="http://www.w3.org/1999/xhtml" src="${there}/img" onerror="window.attacked=1"/></foreignObject>
<path d="M4 4h32v22h-32z" fill="&own;"/></svg>`,
  );
  writeFileSync(
    file('bomb.svg'),
    `<!DOCTYPE svg [<!ENTITY a "ha"><!ENTITY b "&a;&a;&a;&a;&a;&a;&a;&a;&a;&a;"><!ENTITY c "&b;&b;&b;&b;&b;&b;&b;&b;&b;&b;">]><svg xmlns="http://www.w3.org/2000/svg" width="9" height="9"><text>&c;</text></svg>`,
  );
  writeFileSync(file('boat.svg'), BOAT);
  convert('-size', '600x400', 'xc:#f4e6bd', '-fill', '#17358b', '-draw', 'circle 300,200 300,80', 'disc.png');
  convert(
    '-size',
    '300x900',
    'xc:#f4e6bd',
    '-fill',
    '#d8231f',
    '-draw',
    'circle 150,450 150,340',
    'tall.png',
  );
  convert('-size', '1500x1000', 'plasma:navy-orange', '-depth', '8', 'plasma.png');
  // Rings drawn crisply at 375 × 250 and enlarged four times.
  const rings = Array.from({ length: 30 }, (_, i) => {
    const [x, y] = [20 + (i % 6) * 65, 25 + Math.floor(i / 6) * 48];
    return ['-draw', `circle ${x},${y} ${x + 8 + (i % 9)},${y + 3}`];
  });
  convert(
    ...['-size', '375x250', 'xc:#f4e6bd', '-fill', '#17358b', ...rings.flat(), '-filter', 'Triangle'],
    ...['-resize', '400%', '-density', '72', '-units', 'PixelsPerInch', '-quality', '95', 'enlarged.jpg'],
  );
  mkdirSync(file('beach'));
  const plasma = readFileSync(file('plasma.png'));
  for (let i = 1; i <= FILES; i++)
    writeFileSync(join(folder, 'beach', `wave-${i}.png`), withNote(plasma, `wave ${i}`));
  browser = await openBrowser({ downloads });
  page = new Page(browser, app.address);
  await browser.get(`${app.address}/artwork`);
});
afterAll(async () => {
  await browser.quit();
  far.close();
  for (const one of [folder, downloads]) rmSync(one, { recursive: true, force: true, maxRetries: 5 });
});

const facts = (words: RegExp) => page.says('aside[aria-label=Facts]', words);
const count = (words: RegExp) => page.says('h1', words);

/** Chooses an artwork of the list by its name, through the search. */
async function choose(name: string): Promise<void> {
  const search = await page.named('Search artwork');
  await search.sendKeys(Key.chord(Key.CONTROL, 'a'), name);
  await page.says('[role=option]', new RegExp(`^${name.replace(/[.()]/g, '\\$&')}`));
  await (await page.find('[role=option]')).click();
  await browser.wait(
    async () => (await (await page.named('Name', 'input')).getAttribute('value')) === name,
    PATIENCE,
    `${name} is not chosen`,
  );
}

/** Everything stored of one kind. */
function stored<T>(table: string): Promise<T[]> {
  return records<T>(browser, table);
}

test('with nothing in it, the place says what to do first', async () => {
  await page.says('body', /Drop files or a folder here, or paste a picture/);
  await count(/^0 artworks/);
});

test('a drawing that tries to run, to load and to blow up does none of it', async () => {
  await page.drop(file('attack.svg'), file('bomb.svg'));
  await page.says('[role=alert]', /“bomb\.svg” is not a drawing that can be read/);
  await count(/^1 artwork$/);
  await facts(/Left out, since it could run or load something.*script/s);
  expect(await browser.executeScript('return window.attacked')).toBeNull();
  expect(called).toEqual([]);
  const [artwork] = await stored<{ facts: { palette: { hex: string }[] } }>('artworks');
  expect(artwork!.facts.palette.map(({ hex }) => hex)).toEqual(['#c81e14']);
  await page.press('Put these notes away');
});

test('facts read as sentences', async () => {
  await page.drop(file('disc.png'), file('boat.svg'), file('enlarged.jpg'));
  await count(/^4 artworks/);
  await choose('enlarged.jpg');
  const said = await facts(/Enlarged about/);
  expect(said).toMatch(/Prints sharp up to 127\.0 × 84\.7 mm \(5 × ~?3 5\/16 in\)\./);
  expect(said).toMatch(/Tagged 72 PPI, which only sets a default size\./);
  expect(said).toMatch(/Enlarged about (3|4|5)(\.\d)? times: its detail is that of a [34]00-pixel picture\./);
  await choose('boat.svg');
  await facts(/A drawing, sharp at any size\. Its own size is 80\.0 × 60\.0 mm/);
  await choose('disc.png');
  await facts(/Lies on flat #f4e6bd all round, which can be cleared\./);
  await facts(/\d+ fully sharp\s+\d+ just enough\s+\d+ not enough/);
});

test('a length typed at the drawing says what it would come to', async () => {
  await choose('disc.png');
  await (await page.named('Width 50.8 mm')).click();
  const field = await page.find('input[aria-describedby]');
  await field.sendKeys(Key.chord(Key.CONTROL, 'a'), '4 in', Key.ENTER);
  await page.says('section[aria-label="disc.png"]', /150 PPI/);
  await page.press('Largest honest size');
  await page.says('section[aria-label="disc.png"]', /largest honest size, 300 PPI/);
});

describe('steps', () => {
  test('the background cleared, cropped to what is left, taken back, and undone', async () => {
    await choose('disc.png');
    await page.press('Clear it');
    await facts(/Background #f4e6bd cleared/);
    await facts(/Transparent round its edges: what is there takes 24\d × 24\d px/);
    await page.press('Crop to what is there');
    await facts(/Cropped to what is there/);
    await facts(/24\d × 24\d px · PNG/);
    await (await page.named('Take back: Background #f4e6bd cleared')).click();
    await facts(/Opaque all over/);
    await page.undo('Step taken back');
    await facts(/Reaches its edges, and has transparency inside/);
    const [original] = await stored<{ id: string }>('artworks');
    expect(original!.id).toMatch(/^[0-9a-f]{64}$/);
  });

  test('cropped by hand with the keyboard, to the pixel', async () => {
    await choose('enlarged.jpg');
    await page.press('Crop by hand');
    await (
      await page.named('Crop, left edge')
    ).sendKeys(Key.chord(Key.SHIFT, Key.ARROW_RIGHT), Key.ARROW_RIGHT);
    await (await page.named('Crop, bottom edge')).sendKeys(Key.chord(Key.SHIFT, Key.ARROW_UP));
    await page.says('section', /1489 × 990 px/);
    await page.press('Crop');
    await facts(/1489 × 990 px · JPEG/);
  });

  test('a part of a drawing is left out by clicking it', async () => {
    await choose('boat.svg');
    await page.press('Leave parts out');
    const picture = await page.find('img[alt="boat.svg"]');
    const { width, height } = await picture.getRect();
    await browser
      .actions()
      .move({
        origin: picture,
        x: Math.round((60 / 400 - 0.5) * width),
        y: Math.round((60 / 300 - 0.5) * height),
      })
      .click()
      .perform();
    await facts(/One part left out/);
    await facts(/2 inks/);
    await page.press('Done');
  });
});

test('colours are named, merged, kept, and handed out as files', async () => {
  await choose('boat.svg');
  const name = await page.named('Name of #17358b');
  await name.sendKeys(Key.chord(Key.CONTROL, 'a'), 'Hull');
  await facts(/CMYK \d+\/\d+\/\d+\/\d+/);
  await page.press('Colour list');
  const gpl = (await downloaded(browser, downloads, '.gpl')).bytes.toString();
  expect(gpl).toContain(' 23  53 139\tHull');
  await page.press('Colour table');
  expect((await downloaded(browser, downloads, '.csv')).bytes.toString()).toMatch(/Hull,#17358b,23,53,139/);
  await page.press('Swatch page');
  const pdf = await downloaded(browser, downloads, '.pdf');
  expect(execFileSync('pdfinfo', [join(downloads, pdf.name)], { encoding: 'utf8' })).toMatch(/Pages:\s+1/);
  await (await page.named('Mark Hull #17358b')).click();
  await (await page.named('Mark cream #f4e6bd')).click();
  await page.press('Merge the two marked');
  await facts(/100\.0 %/);
  await page.press('Keep as a set');
  await facts(/1 kept set of colours/);
  await (await page.named('Recolour cream #f4e6bd')).click();
  const field = await page.named('New colour for #f4e6bd');
  await field.sendKeys(Key.chord(Key.CONTROL, 'a'), '#0b5563');
  await page.press('Use this colour');
  await facts(/#f4e6bd printed as #0b5563/);
});

test('another rendition stands behind the full one and is picked there', async () => {
  await choose('disc.png');
  await page.press('Start from this');
  await page.says('[role=option][aria-selected=true]', /disc \(without ground\)\.png/);
  await facts(/full\s+without ground/);
});

test('a file replaced under its name: fits follow, unstretched, and what changed is said', async () => {
  await choose('boat.svg');
  await page.press('Make it a design');
  await browser.get(app.address);
  await (await page.named('Fit boat on Mug 325 ml', 'button')).click();
  await page.says('[role=grid]', /Ready|Look|Fix/);
  await browser.get(`${app.address}/artwork`);
  await choose('boat.svg');
  await (await page.named('Replace the file', 'input')).sendKeys(file('tall.png'));
  await page.says('[data-sonner-toast]', /Proportion: 1\.33 : 1 before, 1 : 3\.00 now/);
  await page.says('[data-sonner-toast]', /It was a drawing and has pixels now.*Its fit follows/s);
  await facts(/300 × 900 px · PNG.*from tall\.png/s);
  const [fit] = await stored<{ faces: { pieces: { width: number; height: number }[] }[] }>('fits');
  const piece = fit!.faces[0]!.pieces[0]!;
  expect(piece.height / piece.width).toBeCloseTo(3, 6);
});

test('where it came from is asked for, and kept over a reload', async () => {
  await choose('enlarged.jpg');
  await facts(/Nothing is said of who made it/);
  for (const [label, text] of [
    ['Made by, or from', 'my own photograph'],
    ['Licence', 'own work'],
  ]) {
    const field = await browser.findElement(
      By.xpath(`//label[starts-with(normalize-space(), "${label}")]/input`),
    );
    await field.sendKeys(text!, Key.TAB);
  }
  await browser.wait(
    async () => !(await facts(/Where it came from/)).includes('Nothing is said'),
    PATIENCE,
    'the note is not taken',
  );
  await page.reload();
  await choose('enlarged.jpg');
  expect(await facts(/Where it came from/)).not.toMatch(/Nothing is said/);
});

describe('hundreds at a time', () => {
  test(`a folder of ${FILES}: stopped at half, what is there stays, and the rest comes when asked for`, async () => {
    const before = (await stored('artworks')).length;
    await (await page.find('input[type=file][webkitdirectory]')).sendKeys(file('beach'));
    await page.says('[aria-label="Files coming in"]', new RegExp(`\\b(2[6-9]|[3-9]\\d|\\d{3}) of ${FILES}`));
    await page.press('Stop');
    const told = await page.says('[aria-label="Files coming in"]', /\d+ files taken in, \d+ stopped/);
    const [, taken, stopped] = /(\d+) files taken in, (\d+) stopped/.exec(told)!.map(Number);
    expect(taken! + stopped!).toBe(FILES);
    expect(taken).toBeGreaterThanOrEqual(ENOUGH);
    expect(stopped).toBeGreaterThan(0);
    await count(new RegExp(`^${before + taken!} artworks`));
    expect((await stored('artworks')).length).toBe(before + taken!);
    await choose('wave-1.png');
    await facts(/1500 × 1000 px/);
    await page.press('Take in the rest');
    await count(new RegExp(`^${before + FILES} artworks`));
    await page.press('Make it one design');
    const designs = await stored<{ name: string; artworks: unknown[] }>('designs');
    expect(designs.find(({ name }) => name === 'beach')!.artworks).toHaveLength(taken!);
  });

  test('files that are here already are known by their bytes', async () => {
    const waves = [7, 8].map((i) => join(folder, 'beach', `wave-${i}.png`));
    await page.drop(...waves, file('plasma.png'), file('bomb.svg'));
    await page.says('[aria-label="Files coming in"]', /1 file taken in, 2 already here, 1 not read\./);
    await page.press('Put these notes away');
  });

  test(`${DAMAGED} damaged files at once leave the page working`, async () => {
    const paths = writeDamaged(folder, DAMAGED, 23);
    await page.drop(...paths);
    await page.says('[aria-label="Files coming in"]', /\d+ not read\./);
    await page.press('Put these notes away');
    await choose('enlarged.jpg');
    await page.press('Turn right');
    await facts(/Turned a quarter right/);
    await facts(/990 × 1489 px/);
  });

  test('the list is walked by the keyboard, and nothing in it is hard to reach', async () => {
    const search = await page.named('Search artwork');
    await search.sendKeys(Key.chord(Key.CONTROL, 'a'), Key.BACK_SPACE);
    const list = await page.find('[role=listbox]');
    await list.sendKeys(Key.HOME);
    await page.says('[role=option][aria-selected=true]', /\S/);
    const first = await (await page.find('[role=option][aria-selected=true]')).getAttribute('aria-posinset');
    await list.sendKeys(Key.ARROW_DOWN, Key.ARROW_DOWN);
    await browser.wait(
      async () =>
        (await (await page.find('[role=option][aria-selected=true]')).getAttribute('aria-posinset')) ===
        String(Number(first) + 2),
      PATIENCE,
      'the arrows do not walk',
    );
    expect(await keepsOut(browser)).toEqual([]);
  });
});
