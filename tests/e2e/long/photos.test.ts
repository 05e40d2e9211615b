import { rmSync, writeFileSync, readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { unzipSync } from 'fflate';
import jpeg from 'jpeg-js';
import { PNG } from 'pngjs';
import { By, Key, type WebDriver } from 'selenium-webdriver';
import type { ArtworkPiece, Fit } from '@/core/fit/schema';
import { takenOver } from '@/core/mockup/photo/marks';
import { PhotoSceneSchema, type PhotoScene } from '@/core/mockup/photo/schema';
import * as v from 'valibot';
import { openBrowser } from '../../../scripts/lib/browser.mjs';
import { keepsOut } from '../../support/axe';
import { downloaded, newFolder, Page, PATIENCE } from '../../support/bench';
import { records } from '../../support/stored';
import { served } from '../../support/served';

const [WIDE, HIGH] = [1200, 900];
const GREY = 214;
const folder = newFolder();
const downloads = newFolder();
const app = { address: served().demo };
let browser: WebDriver;
let page: Page;

beforeAll(async () => {
  browser = await openBrowser({ seed: served().profile, downloads });
  page = new Page(browser, app.address);
  await browser.get(app.address);
  await page.says('h1', /12 designs/);
});
afterAll(async () => {
  await browser.quit();
  for (const one of [folder, downloads]) rmSync(one, { recursive: true, force: true, maxRetries: 5 });
});

/** A photo of a bare blank, evenly lit. */
function photo(name: string, width = WIDE, height = HIGH): string {
  const picture = new PNG({ width, height });
  for (let at = 0; at < picture.data.length; at += 4) picture.data.set([GREY, GREY, GREY, 255], at);
  const path = join(folder, name);
  writeFileSync(path, PNG.sync.write(picture, { colorType: 2 }));
  return path;
}

async function pictures(fitId: string): Promise<void> {
  await browser.get(`${app.address}/pictures?fit=${fitId}`);
  await page.find('[aria-label=Scenes] li img');
}

async function bring(path: string): Promise<void> {
  await (await page.find('input[aria-label="Photo of a blank"]')).sendKeys(path);
}

/** Clicks places of the photo, in its own px. */
async function mark(...points: readonly (readonly [number, number])[]): Promise<void> {
  const marks = await page.named('Marks on the photo');
  const { x, y, width, height } = await marks.getRect();
  for (const [i, [px, py]] of points.entries()) {
    await browser
      .actions({ async: true })
      .move({ x: Math.round(x + (px * width) / WIDE), y: Math.round(y + (py * height) / HIGH) })
      .click()
      .perform();
    if (i < points.length - 1) await page.says('[aria-label=Marks]', new RegExp(`${i + 1} (of 4 )?marked`));
  }
}

/** The photo's marks as they are kept. */
async function kept(): Promise<PhotoScene> {
  const [stored] = (await records<{ scene: PhotoScene; addedAt: number }>(browser, 'photos')).sort(
    (a, b) => b.addedAt - a.addedAt,
  );
  return v.parse(PhotoSceneSchema, stored!.scene);
}

/** Chooses one photo alone, as large as it is, and makes its picture. */
async function exported(name: string): Promise<PNG> {
  await page.press('Make pictures with it');
  const cell = await page.named(name, 'button');
  await page.find('[aria-label=Scenes] li img');
  for (const on of await browser.findElements(By.css('[aria-label=Scenes] button[aria-pressed=true]')))
    await on.click();
  await cell.click();
  await page.choose('Size', 'a size of my own');
  for (const [side, value] of [
    ['Width', WIDE],
    ['Height', HIGH],
  ] as const) {
    const field = await browser.findElement(
      By.xpath(`//label[normalize-space()="${side}"]/following-sibling::input`),
    );
    await field.sendKeys(Key.chord(Key.CONTROL, 'a'), String(value));
  }
  await page.choose('File', 'PNG');
  for (const old of readdirSync(downloads)) rmSync(join(downloads, old));
  await page.press('Make 1 picture');
  await page.says('aside', /1 picture saved/);
  return PNG.sync.read((await downloaded(browser, downloads, '.png')).bytes);
}

/** The one artwork of a demo fit, its pixels by another decoder than ours, and where it lies on its face in mm. */
async function placed(fitId: string, file: string) {
  const fit = (await records<Fit>(browser, 'fits')).find(({ id }) => id === fitId)!;
  const piece = fit.faces[0]!.pieces[0] as ArtworkPiece;
  expect([piece.kind, piece.rotation, piece.flipped]).toEqual(['artwork', 0, false]);
  const art = PNG.sync.read(readFileSync(new URL(`../../../public/demo/${file}`, import.meta.url)));
  /** The colour at a place of the face in mm: the bare photo where the artwork leaves it clear; null at an edge. */
  return (x: number, y: number): readonly number[] | null => {
    const at = (dx: number, dy: number) => {
      const column = Math.floor(((x + dx - piece.x) / piece.width + 0.5) * art.width);
      const row = Math.floor(((y + dy - piece.y) / piece.height + 0.5) * art.height);
      if (column < 0 || row < 0 || column >= art.width || row >= art.height) return [GREY, GREY, GREY];
      const [r, g, b, alpha] = art.data.subarray((row * art.width + column) * 4);
      return alpha === 0 ? [GREY, GREY, GREY] : alpha === 255 ? [r!, g!, b!] : [-1, -1, -1];
    };
    const middle = at(0, 0);
    const near = [-0.7, 0.7].flatMap((d) => [at(d, 0), at(0, d), at(d, d), at(d, -d)]);
    const even = near.every((one) => one.every((level, c) => Math.abs(level - middle[c]!) < 6));
    return even && middle[0]! >= 0 ? middle : null;
  };
}

/** Holds a picture against what it should show at a grid of places; gives back how many could be told. */
function agree(
  picture: PNG,
  colourAt: (x: number, y: number) => readonly number[] | null,
): { bare: number; printed: number } {
  const told = { bare: 0, printed: 0 };
  for (let y = 5; y < HIGH; y += 11) {
    for (let x = 5; x < WIDE; x += 11) {
      const wanted = colourAt(x + 0.5, y + 0.5);
      if (!wanted) continue;
      const found = picture.data.subarray((y * WIDE + x) * 4, (y * WIDE + x) * 4 + 3);
      const off = Math.max(...wanted.map((level, c) => Math.abs(level - found[c]!)));
      if (off > 8) throw new Error(`at ${x}, ${y}: ${[...found].join()} and not ${wanted.join()}`);
      told[wanted[0] === GREY ? 'bare' : 'printed']++;
    }
  }
  return told;
}

describe('a photo of one’s own', () => {
  const CORNERS = [
    [260, 140],
    [930, 210],
    [880, 720],
    [310, 640],
  ] as const;

  test('a plane is marked by its four corners; three are told; the picture is what the homography says', async () => {
    await pictures('knot-badge--shirt');
    await bring(photo('table.png'));
    await page.says('[aria-label=Marks]', /No print surface is marked yet/);
    await page.press('Mark a flat print');
    await mark(...CORNERS.slice(0, 3));
    await page.says('[aria-label=Marks]', /3 of 4 marked/);
    await page.press('Done');
    await page.says('[aria-label=Marks] [role=alert]', /four corners: 3 are marked/);
    await mark(CORNERS[3]);
    await page.find('[data-photo=drawn]');
    await page.says('[aria-label=Marks]', /1\. flat print/);
    const { surfaces } = await kept();
    const [surface] = surfaces;
    if (surface?.shape.kind !== 'plane') throw new Error('no plane is kept');
    surface.shape.corners.forEach(([x, y], i) => {
      expect(Math.hypot(x - CORNERS[i]![0], y - CORNERS[i]![1])).toBeLessThan(2);
    });
    const colourAt = await placed('knot-badge--shirt', 'knot-badge.png');
    const picture = await exported('table');
    const inverse = inverseOf(surface.shape.corners);
    const told = agree(picture, (x, y) => {
      const [u, w] = inverse(x, y);
      const out = u < -0.01 || w < -0.01 || u > 1.01 || w > 1.01;
      if (out) return [GREY, GREY, GREY];
      return u < 0.01 || w < 0.01 || u > 0.99 || w > 0.99 ? null : colourAt(u * 305, w * 406);
    });
    expect(told.bare).toBeGreaterThan(2000);
    expect(told.printed).toBeGreaterThan(60);
  });

  test('a round wall carries the wrap by the law of its spacing', async () => {
    await pictures('keep-the-light--mug-325');
    await bring(photo('mug.png'));
    await page.press('Mark a print round a wall');
    await mark([350, 150], [850, 150], [850, 750], [350, 750]);
    await page.find('[data-photo=drawn]');
    await page.says('[aria-label=Marks]', /1\. print round a wall/);
    const { shape } = (await kept()).surfaces[0]!;
    if (shape.kind !== 'cylinder') throw new Error('no round wall is kept');
    const colourAt = await placed('keep-the-light--mug-325', 'keep-the-light.png');
    const picture = await exported('mug');
    const [[left, top], [right, foot]] = [shape.left[0], shape.right[1]];
    const told = agree(picture, (x, y) => {
      const across = (2 * (x - left)) / (right - left) - 1;
      if (Math.abs(across) > 1.02) return [GREY, GREY, GREY];
      if (Math.abs(across) > 0.9) return null;
      const angle = Math.asin(across);
      const sag = (down: number) =>
        (shape.bulge[0] + (shape.bulge[1] - shape.bulge[0]) * down) * Math.cos(angle);
      const down = (y - top - sag((y - top) / (foot - top))) / (foot - top);
      if (down < -0.02 || down > 1.02) return [GREY, GREY, GREY];
      return down < 0.02 || down > 0.98 ? null : colourAt(222.1858 / 2 + (79 / 2) * angle, down * 92);
    });
    expect(told.bare).toBeGreaterThan(2000);
    expect(told.printed).toBeGreaterThan(150);
  });

  test('its points are drawn by key and by hand, each step undone; crossed corners are told', async () => {
    await browser.navigate().back();
    await page.named('Marks on the photo');
    const before = (await kept()).surfaces[0]!.shape;
    const grip = await page.named('upper left edge');
    await browser.executeScript('arguments[0].focus()', grip);
    await page.keys(Key.ARROW_RIGHT, Key.ARROW_DOWN);
    await browser.wait(async () => {
      const { shape } = (await kept()).surfaces[0]!;
      return (
        shape.kind === 'cylinder' && before.kind === 'cylinder' && shape.left[0][1] === before.left[0][1] + 1
      );
    }, PATIENCE);
    await page.press('Undo');
    await page.press('Undo');
    await browser.wait(
      async () => JSON.stringify((await kept()).surfaces[0]!.shape) === JSON.stringify(before),
      PATIENCE,
    );
    await page.press('take off');
    await page.says('[aria-label=Marks]', /No print surface/);
    await page.press('Mark a flat print');
    await mark([300, 200], [900, 700], [900, 200], [300, 700]);
    await page.says('[aria-label=Marks]', /cross one another/);
  });

  test('goes out as a file and comes back marked as it was', async () => {
    await page.press('Undo');
    await page.press('Undo');
    await page.says('[aria-label=Marks]', /1\. print round a wall/);
    const { surfaces } = await kept();
    await page.press('Save it as a file');
    const { bytes } = await downloaded(browser, downloads, '-photo.zip');
    const held = unzipSync(bytes);
    expect(Object.keys(held).sort()).toEqual(['photo.json', 'photo/mug.png']);
    expect(Buffer.from(held['photo/mug.png']!).equals(readFileSync(join(folder, 'mug.png')))).toBe(true);
    expect(await keepsOut(browser)).toEqual([]);
    await pictures('keep-the-light--mug-325');
    const path = join(folder, 'again.zip');
    writeFileSync(path, bytes);
    await bring(path);
    await page.says('h1', /^mug$/);
    expect((await kept()).surfaces).toEqual(surfaces);
    expect((await kept()).id).toBe('mug-2');
  });

  test('photos that will not do are told in words, and nothing is lost', async () => {
    await pictures('keep-the-light--mug-325');
    const huge = join(folder, 'huge.png');
    writeFileSync(huge, claiming(20_000, 12_000));
    await bring(huge);
    await page.says('[data-sonner-toaster]', /“huge\.png”/);
    const drawing = join(folder, 'drawing.svg');
    writeFileSync(
      drawing,
      '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 9 9"><path d="M0 0H9V9Z"/></svg>',
    );
    await bring(drawing);
    await page.says('[data-sonner-toaster]', /is a drawing and no photo/);
    const broken = join(folder, 'broken.jpg');
    const whole = jpeg.encode({ width: 64, height: 64, data: Buffer.alloc(64 * 64 * 4, 120) }, 80).data;
    writeFileSync(broken, whole.subarray(0, whole.length / 2));
    await bring(broken);
    await page.says('[data-sonner-toaster]', /“broken\.jpg”/);
    expect(await records(browser, 'photos')).toHaveLength(3);
  });
});

/** A PNG that says it has so many pixels. */
function claiming(width: number, height: number): Buffer {
  const small = PNG.sync.write(new PNG({ width: 1, height: 1 }));
  small.writeUInt32BE(width, 16);
  small.writeUInt32BE(height, 20);
  return small;
}

type Corner = readonly [number, number];

/** From the photo back to the unit square: the four corners' homography solved, and turned round, by Cramer's rule. */
function inverseOf(
  corners: readonly (readonly [number, number])[],
): (x: number, y: number) => readonly [number, number] {
  const [[x0, y0], [x1, y1], [x2, y2], [x3, y3]] = corners as readonly [Corner, Corner, Corner, Corner];
  const det = (a: number, b: number, c: number, d: number) => a * d - b * c;
  const whole = det(x1 - x2, x3 - x2, y1 - y2, y3 - y2);
  const g = det(x0 - x1 + x2 - x3, x3 - x2, y0 - y1 + y2 - y3, y3 - y2) / whole;
  const h = det(x1 - x2, x0 - x1 + x2 - x3, y1 - y2, y0 - y1 + y2 - y3) / whole;
  const m = [x1 - x0 + g * x1, x3 - x0 + h * x3, x0, y1 - y0 + g * y1, y3 - y0 + h * y3, y0, g, h, 1];
  return (x, y) => {
    // u and w from two equations in the picture's x and y.
    const [a, b, c] = [m[0]! - m[6]! * x, m[1]! - m[7]! * x, x - m[2]!];
    const [d, e, f] = [m[3]! - m[6]! * y, m[4]! - m[7]! * y, y - m[5]!];
    const all = det(a, b, d, e);
    return [det(c, b, f, e) / all, det(a, c, d, f) / all];
  };
}

test('the marks of one photo are taken to a second of another size, and one undo gives them back', async () => {
  const marked = (await records<{ scene: PhotoScene }>(browser, 'photos')).find(
    ({ scene }) => scene.surfaces.length > 0,
  )!.scene;
  await pictures('lighthouse--mug-325');
  await bring(photo('second.png', marked.width / 2, marked.height));
  await page.says('h1', /^second$/);
  await page.press('Take the marks of');
  await page.press(marked.name);
  await browser.wait(async () => (await kept()).surfaces.length > 0, PATIENCE, 'no marks were taken');
  const second = await kept();
  expect(second).toMatchObject({ name: 'second', width: marked.width / 2 });
  expect(second.surfaces).toHaveLength(marked.surfaces.length);
  expect(second.surfaces).toEqual(takenOver({ ...marked, width: marked.width / 2 }, marked).surfaces);
  await page.press('Undo');
  await browser.wait(async () => (await kept()).surfaces.length === 0, PATIENCE, 'they were not given back');
  expect(await keepsOut(browser)).toEqual([]);
});

test('several photos come in at once; what is no photo is told and keeps none of the others out', async () => {
  await pictures('lighthouse--mug-325');
  const before = (await records(browser, 'photos')).length;
  const none = join(folder, 'list.png');
  writeFileSync(none, 'no picture at all');
  await bring([photo('third.png', 300, 200), none, photo('fourth.png', 200, 300)].join('\n'));
  await page.says('[data-sonner-toaster]', /2 of 3 photos are in: mark/);
  expect(await page.says('[data-sonner-toaster]', /list\.png/)).toMatch(/list\.png/);
  expect(await records(browser, 'photos')).toHaveLength(before + 2);
  // Each waits for its marks, in the place itself.
  expect(await page.says('[aria-label=Scenes]', /third[\s\S]*fourth|fourth[\s\S]*third/)).toMatch(
    /Mark the photo/,
  );
});
