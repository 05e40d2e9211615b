import { Key, Origin } from 'selenium-webdriver';
import { extentOf, overlap, type Box } from '@/core/fit/geometry';
import type { ArtworkPiece, Design, Fit, TextPiece } from '@/core/fit/schema';
import { keepsOut } from '../support/axe';
import { downloaded, PATIENCE } from '../support/bench';
import { BenchShop, close, inches } from '../support/bench-shop';
import { longTest } from '../support/long';
import { countRenders, watchRenders } from '../support/renders';
import { putRecord, records } from '../support/stored';

const shop = new BenchShop();
beforeAll(() => shop.open());
afterAll(() => shop.close());

describe('a mug', () => {
  test('from artwork to the same motif left and right, on both centres, in three actions', async () => {
    await shop.openFit('mug-325');
    await shop.bench.says('[aria-label=Piece]', /Drop artwork here to begin/);
    await shop.bench.add(shop.motif, 'gull');
    await shop.bench.keys('1');
    await shop.bench.keys('s');
    await shop.bench.saved();
    const boxes = await shop.fit.boxes();
    const [left, , right] = (await shop.fit.face()).zones;
    expect(boxes).toHaveLength(2);
    for (const [box, zone] of [
      [boxes[0]!, left!],
      [boxes[1]!, right!],
    ] as const) {
      expect(Math.abs(box.x - zone.x)).toBeLessThan(0.05);
      expect(Math.abs(box.y - zone.y)).toBeLessThan(0.05);
    }
    expect(boxes[1]!.height).toBeCloseTo(boxes[0]!.height, 6);
  });

  test('mirrored on the other side: turned over, as far from its middle the other way', async () => {
    await shop.bench.keys('S');
    await shop.bench.saved();
    const pieces = (await shop.fit.pieces()) as ArtworkPiece[];
    expect(pieces.map(({ flipped }) => flipped).sort()).toEqual([false, true]);
    await shop.bench.chord(Key.CONTROL, 'z');
    await shop.bench.saved();
    await shop.bench.pick(1);
  });

  test('once more on the other side it is not doubled', async () => {
    await shop.bench.keys('s');
    await shop.bench.saved();
    expect(await shop.fit.boxes()).toHaveLength(2);
  });

  test.each([
    ['width', '3 1/8 in', (box: Box) => box.width, 3.125 * 25.4],
    ['width', '62,5 mm', (box: Box) => box.width, 62.5],
    ['height', '1in 4mm', (box: Box) => box.height, 29.4],
    ['height', '5/8" + 10 mm', (box: Box) => box.height, 25.875],
    ['width', '5.6 cm', (box: Box) => box.width, 56],
  ] as const)('%s typed as %s is stored to a hundredth of a mm', async (id, typed, side, mm) => {
    await shop.bench.dimension(id, typed);
    await shop.bench.saved();
    const [box] = (await shop.fit.boxes()).slice(-1);
    expect(side(box!)).toEqual(close(mm));
    // What is opaque is two by one, and stays so.
    expect(box!.width / box!.height).toBeCloseTo(2, 6);
  });

  longTest(
    'every distance: to the safe edge, to the trim, to the bleed, off the centre, the angle',
    async () => {
      const face = await shop.fit.face();
      const last = async () => (await shop.fit.boxes()).at(-1)!;
      await shop.bench.dimension('left', '1 1/4 in');
      await shop.bench.saved();
      expect(extentOf(await last()).left - face.safe).toEqual(inches(1.25));
      await shop.bench.dimension('right', '12 mm');
      await shop.bench.saved();
      expect(face.width - face.safe - extentOf(await last()).right).toEqual(close(12));
      await shop.bench.keys('n', 'n');
      await shop.bench.dimension('top', '9.5 mm');
      await shop.bench.saved();
      expect(extentOf(await last()).top).toEqual(close(9.5));
      await shop.bench.keys('n');
      await shop.bench.dimension('foot', '20 mm');
      await shop.bench.saved();
      expect(face.height + face.bleed - extentOf(await last()).bottom).toEqual(close(20));
      await shop.bench.keys('n');
      await shop.bench.dimension('centre', '-1/16 in');
      await shop.bench.saved();
      expect((await last()).x - face.zones[2]!.x).toEqual(inches(-1 / 16));
      await shop.bench.dimension('centre-down', '2 mm');
      await shop.bench.saved();
      expect((await last()).y - face.zones[2]!.y).toEqual(close(2));
      await shop.bench.angle('30');
      await shop.bench.saved();
      expect((await last()).rotation).toBeCloseTo(Math.PI / 6, 9);
      // Turned, it has its own width and an overall one.
      await shop.bench.dimension('overall-width', '2 in');
      await shop.bench.saved();
      const turned = extentOf(await last());
      expect(turned.right - turned.left).toEqual(inches(2));
      await shop.bench.dimension('overall-height', '30 mm');
      await shop.bench.saved();
      const tall = extentOf(await last());
      expect(tall.bottom - tall.top).toEqual(close(30));
      await shop.bench.angle('0');
    },
  );

  test('Tab goes from one number to the next', async () => {
    await shop.bench.keys('w');
    await shop.bench.type('50 mm', Key.TAB);
    await shop.bench.type('14 mm', Key.ENTER);
    await shop.bench.saved();
    const box = (await shop.fit.boxes()).at(-1)!;
    const face = await shop.fit.face();
    expect(box.width).toEqual(close(50));
    expect(face.width - face.safe - extentOf(box).right).toEqual(close(14));
  });

  longTest(
    'both chosen: the gap between them, aligned, as large as the first, spread, grouped and scaled as one',
    async () => {
      await shop.bench.chord(Key.CONTROL, 'a');
      await shop.bench.chosen(/2 pieces/);
      await shop.bench.dimension('gap-across', '1 1/2 in');
      await shop.bench.saved();
      let [a, b] = (await shop.fit.boxes()).map(extentOf);
      expect(b!.left - a!.right).toEqual(inches(1.5));
      await shop.bench.dimension('gap-down', '3 mm');
      await shop.bench.saved();
      [a, b] = (await shop.fit.boxes()).map(extentOf);
      expect(Math.max(b!.top - a!.bottom, a!.top - b!.bottom)).toEqual(close(3));
      for (const [key, side] of [
        [Key.ARROW_UP, 'top'],
        [Key.ARROW_DOWN, 'bottom'],
        [Key.ARROW_LEFT, 'left'],
        [Key.ARROW_RIGHT, 'right'],
      ] as const) {
        await shop.bench.chord(Key.CONTROL, key);
        await shop.bench.saved();
        const [c, d] = (await shop.fit.boxes()).map(extentOf);
        expect(d![side]).toEqual(close(c![side]));
      }
      await shop.bench.keys('m');
      await shop.bench.saved();
      let [c, d] = await shop.fit.boxes();
      expect(d!.height).toEqual(close(c!.height));
      await shop.bench.keys('M');
      await shop.bench.saved();
      [c, d] = await shop.fit.boxes();
      expect(d!.width).toEqual(close(c!.width));
      await shop.bench.keys('X');
      await shop.bench.keys('Y');
      await shop.bench.saved();
      [c, d] = await shop.fit.boxes();
      expect([d!.x, d!.y]).toEqual([close(c!.x), close(c!.y)]);
      await shop.bench.keys('o');
      await shop.bench.saved();
      [c, d] = await shop.fit.boxes();
      const { width } = await shop.fit.face();
      expect(Math.abs(d!.x - c!.x)).toEqual(close(width / 2));
      await shop.bench.keys('g');
      await shop.bench.saved();
      expect((await shop.fit.read()).faces[0]!.groups).toHaveLength(1);
      const before = await shop.fit.boxes();
      await shop.bench.dimension('width', '4 in');
      await shop.bench.saved();
      const after = await shop.fit.boxes();
      const whole = after.map(extentOf);
      expect(
        Math.max(...whole.map(({ right }) => right)) - Math.min(...whole.map(({ left }) => left)),
      ).toEqual(inches(4));
      expect(after[0]!.width / before[0]!.width).toBeCloseTo(after[1]!.width / before[1]!.width, 9);
      await shop.bench.angle('20');
      await shop.bench.saved();
      expect((await shop.fit.read()).faces[0]!.groups![0]!.rotation).toBeCloseTo(Math.PI / 9, 9);
      await shop.bench.keys('G');
      await shop.bench.saved();
      expect((await shop.fit.read()).faces[0]!.groups ?? []).toEqual([]);
    },
  );

  test('verbs of one piece: inside, to the bleed, a quarter turn, over, role, knockout, order, lock, hide', async () => {
    await shop.bench.keys(Key.ESCAPE);
    await shop.bench.pick(1);
    const last = async () => (await shop.fit.pieces()).at(-1) as ArtworkPiece;
    await shop.bench.keys('f');
    await shop.bench.saved();
    const face = await shop.fit.face();
    // 500 opaque px at the 300 PPI that the mug wants; the rest of the room is offered.
    expect((await shop.fit.boxes()).at(-1)!.width).toEqual(close((500 / 300) * 25.4));
    await shop.bench.press('Fill the safe area');
    await shop.bench.saved();
    let box = extentOf((await shop.fit.boxes()).at(-1)!);
    expect(Math.min(box.left - face.safe, box.top - face.safe)).toEqual(close(0));
    await shop.bench.keys('b');
    await shop.bench.saved();
    box = extentOf((await shop.fit.boxes()).at(-1)!);
    expect(box.left).toBeLessThanOrEqual(-face.bleed + 1e-6);
    expect((await last()).role).toBe('ground');
    await shop.bench.keys('r', 'q', 'v', 'k', 'L');
    await shop.bench.saved();
    const piece = await last();
    expect(piece).toMatchObject({ role: 'motif', flipped: true, knockout: true, locked: true });
    expect(Math.abs(Math.sin(piece.rotation))).toBeGreaterThan(0.9);
    // Locked, it stays.
    await shop.bench.keys(Key.ARROW_RIGHT);
    await shop.bench.keys('H', 'L', 'k');
    await shop.bench.saved();
    expect(await last()).toMatchObject({ x: piece.x, visible: false, locked: false, knockout: false });
    await shop.bench.keys('H', ',');
    await shop.bench.saved();
    expect((await shop.fit.pieces())[0]!.id).toBe(piece.id);
  });

  longTest('nudged by a step in the unit at hand, ten with Shift', async () => {
    const box = async () => (await shop.fit.boxes())[0]!;
    const from = await box();
    await shop.bench.keys(Key.ARROW_RIGHT);
    await shop.bench.chord(Key.SHIFT, Key.ARROW_DOWN);
    await shop.bench.saved();
    expect([(await box()).x - from.x, (await box()).y - from.y]).toEqual([close(1), close(10)]);
    await shop.bench.keys('x');
    await shop.bench.saved();
    const near = async () => {
      const { zones } = await shop.fit.face();
      const { x } = await box();
      return zones.reduce((best, zone) => (Math.abs(zone.x - x) < Math.abs(best.x - x) ? zone : best));
    };
    expect((await box()).x).toEqual(close((await near()).x));
    expect((await box()).y - from.y).toEqual(close(10));
    await shop.bench.keys('y');
    await shop.bench.saved();
    expect((await box()).y).toEqual(close((await near()).y));
    await shop.bench.chord(Key.CONTROL, 'z');
    await shop.bench.chord(Key.CONTROL, 'z');
    await shop.bench.menu('Lengths in millimetres', 'inches, in fractions');
    await shop.bench.named('Lengths in inches');
    await shop.bench.keys(Key.ARROW_LEFT);
    await shop.bench.saved();
    expect((await box()).x - from.x).toEqual(close(1 - 25.4 / 16));
    await shop.bench.menu('Lengths in inches', 'millimetres');
    await shop.bench.named('Lengths in millimetres');
  });

  test('stepped and repeated by a distance', async () => {
    const before = await shop.fit.boxes();
    await shop.bench.keys('c', 'd');
    await shop.bench.field('Copies', '2');
    await shop.bench.field('Each further across by', '1 in');
    await shop.bench.field('Each further down by', '-2 mm');
    await shop.bench.press('Lay them out');
    await shop.bench.saved();
    const boxes = await shop.fit.boxes();
    expect(boxes).toHaveLength(before.length + 2);
    const [one, two] = boxes.slice(-2);
    expect([two!.x - one!.x, two!.y - one!.y]).toEqual([inches(1), close(-2)]);
  });

  longTest(
    'width and height apart, when asked: the docket says it is stretched, and makes it true again',
    async () => {
      await shop.bench.keys(Key.ESCAPE);
      await shop.bench.pick(0);
      await shop.bench.keys('p');
      await shop.bench.dimension('width', '40 mm');
      await shop.bench.dimension('height', '15 mm');
      await shop.bench.keys('p');
      await shop.bench.saved();
      const [box] = await shop.fit.boxes();
      expect([box!.width, box!.height]).toEqual([close(40), close(15)]);
      expect(await shop.bench.verdict('stretch', 'fix')).toContain('33.3 % stretched');
      await shop.bench.press('Bring it back in proportion');
      await shop.bench.verdict('stretch', 'ready');
    },
  );

  longTest(
    'undone to the beginning and redone to the end, also through a reload, it is the same fit',
    async () => {
      await shop.bench.saved();
      const end = await shop.fit.read();
      const steps = await shop.bench.undoAll();
      expect(steps).toBeGreaterThan(40);
      await shop.bench.saved();
      expect((await shop.fit.read()).faces.flatMap(({ pieces }) => pieces)).toEqual([]);
      await shop.bench.redo(Math.floor(steps / 2));
      await shop.bench.saved();
      const middle = await shop.fit.read();
      await shop.bench.reload();
      await shop.bench.ready();
      expect(await shop.fit.read()).toEqual(middle);
      await shop.bench.redo(steps - Math.floor(steps / 2));
      await shop.bench.saved();
      expect(await shop.fit.read()).toEqual(end);
    },
  );
});

longTest(
  'what is dropped on the flat lies where the pointer was, chosen; one more goes beside it',
  async () => {
    await shop.openFit('shirt');
    const middleOf = (css: string) =>
      shop.browser.executeScript<{ x: number; y: number }>(
        'const { left, top, width, height } = document.querySelector(arguments[0]).getBoundingClientRect();' +
          'return { x: left + width / 2, y: top + height / 2 };',
        css,
      );
    const { x, y } = await middleOf('[data-flat]');
    const at = { x: x - 30, y: y + 12 };
    await shop.bench.dropOn('[data-flat] canvas', shop.motif, at);
    await shop.bench.chosen(/gull/);
    const lies = await middleOf('[data-piece]');
    expect([Math.abs(lies.x - at.x) < 2, Math.abs(lies.y - at.y) < 2]).toEqual([true, true]);
    await shop.bench.add(shop.motif, 'gull');
    await shop.bench.saved();
    const [first, second] = (await shop.fit.boxes()) as [Box, Box];
    expect(overlap(first, second)).toBe(false);
  },
);

test('anything is gone to, and done, by a few letters of its name', async () => {
  await shop.openFit('mug-325');
  await shop.bench.add(shop.motif, 'gull');
  await shop.bench.chord(Key.CONTROL, 'k');
  await shop.bench.find('[cmdk-input]');
  await shop.bench.keys('quarter', Key.ENTER);
  await shop.bench.says('[data-dimension=angle]', /90\.0°/);
  await shop.bench.saved();
  await shop.bench.keysUndo();
  await shop.bench.says('[data-dimension=angle]', /^0\.0°/);
  await shop.bench.chord(Key.CONTROL, 'k');
  await shop.bench.find('[cmdk-input]');
  await shop.bench.keys('tumbler 470', Key.ENTER);
  await shop.browser.wait(async () => /tumbler-470/.test(await shop.browser.getCurrentUrl()), PATIENCE);
});

longTest(
  'a print file is named after its design in any script, cut where it is too long for a disk',
  async () => {
    const name = '灯台守の長い夜と静かな海'.repeat(10);
    const [fit] = (await records<Fit>(shop.browser, 'fits')).filter(({ id }) => id === 'mug-325');
    const [design] = (await records<Design>(shop.browser, 'designs')).filter(
      ({ id }) => id === fit!.designId,
    );
    await putRecord(shop.browser, 'designs', { ...design, name });
    await shop.openFit('mug-325');
    await shop.bench.press('Make print file');
    const file = await downloaded(shop.browser, shop.downloads, '.png');
    expect(file.name.normalize('NFC')).toMatch(
      /^(灯台守の長い夜と静かな海)+.*_mug-325-ml_wrap_222x92mm\.png$/,
    );
    await putRecord(shop.browser, 'designs', design!);
  },
);

longTest('a frame of a drag renders what the hand moves, and nothing else', async () => {
  const rest = ['Docket', 'Product', 'Piece', 'Bench'];
  await watchRenders(shop.browser, ['Flat', ...rest]);
  await shop.openFit('tumbler-470');
  await shop.bench.add(shop.motif, 'gull');
  await shop.bench.says('[aria-label=Docket] [role=status]', /^exact$/);
  const grip = await shop.bench.find('[data-piece]');
  const pointer = () => shop.browser.actions({ async: true });
  await pointer().move({ origin: grip }).press().move({ origin: Origin.POINTER, x: 5, y: 0 }).perform();
  await shop.bench.says('[aria-label=Docket] [role=status]', /measuring/);
  const drag = await countRenders(shop.browser, async () => {
    for (let step = 1; step <= 12; step++)
      await pointer()
        .move({ origin: Origin.POINTER, x: step % 2 ? 7 : -4, y: 1, duration: 0 })
        .perform();
  });
  await pointer().release().perform();
  expect(drag.frames).toBeGreaterThanOrEqual(8);
  expect(drag.of.Flat).toBeGreaterThanOrEqual(drag.frames);
  expect(rest.map((part) => drag.of[part] ?? 0)).toEqual(rest.map(() => 0));
  // What holds the parts together passes the frame on to the flat.
  expect(drag.all - drag.of.Flat!).toBeLessThanOrEqual(4 * drag.frames);
});

describe('by keyboard alone', () => {
  test('a face is filled, lettered, measured, centred and taken back', async () => {
    await shop.openFit('tumbler-taper-480');
    await shop.bench.tabTo('Add…');
    await shop.bench.keys(Key.ENTER);
    await shop.bench.menuLine('a plain ground');
    await shop.bench.chosen(/Plain ground/);
    await shop.bench.saved();
    expect((await shop.fit.pieces()).map(({ kind }) => kind)).toEqual(['fill']);
    await shop.bench.keys('i');
    await shop.bench.words(['Gullwick']);
    await shop.bench.keys('2', 'w');
    await shop.bench.type('2 3/4 in', Key.ENTER);
    await shop.bench.saved();
    const [box] = await shop.fit.boxes();
    expect(box!.width).toEqual(inches(2.75));
    expect(box!.x).toEqual(close((await shop.fit.face()).zones[1]!.x));
    await shop.bench.keys('e');
    await shop.bench.words(['Gullwick Light']);
    expect(((await shop.fit.pieces())[1] as TextPiece).name).toBe('Gullwick Light');
    await shop.bench.tabTo('Plain ground, ground');
    await shop.bench.chosen(/Plain ground/);
    await shop.bench.keys(Key.DELETE);
    await shop.bench.saved();
    expect((await shop.fit.pieces()).map(({ kind }) => kind)).toEqual(['text']);
  });

  test('nothing on the bench keeps a person out (WCAG 2.2 AA)', async () => {
    await shop.bench.keys('u');
    await shop.bench.pick(0);
    expect(await keepsOut(shop.browser)).toEqual([]);
    await shop.bench.keys('u');
  });
});
