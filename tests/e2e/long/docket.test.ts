import { execFileSync } from 'node:child_process';
import { writeFileSync } from 'node:fs';
import { By, Key } from 'selenium-webdriver';
import type { Finding } from '@/core/check/finding';
import { loadNodeEngine } from '@/imaging/node';
import type { StoredDocket } from '@/store/schema';
import { keepsOut } from '../../support/axe';
import { PATIENCE } from '../../support/bench';
import { BenchShop } from '../../support/bench-shop';
import { records } from '../../support/stored';
import { longTest } from '../../support/long';

const shop = new BenchShop();
beforeAll(() => shop.open());
afterAll(() => shop.close());

/** The open fit's docket, once every pixel is measured. */
async function exact(): Promise<StoredDocket> {
  await shop.bench.says('[aria-label=Docket] [role=status]', /^exact$/);
  const dockets = await records<StoredDocket>(shop.browser, 'dockets');
  return dockets.find(({ fitId }) => fitId === shop.fit.id)!;
}

const line = (rule: string, attributes = '') => `[aria-label=Docket] [data-rule="${rule}"]${attributes}`;

describe('the docket', () => {
  test('says on the bench what the command line says of the same piece', async () => {
    await shop.openFit('mug-325');
    await shop.bench.add(shop.motif, 'gull');
    await shop.bench.fillSafe();
    await shop.bench.verdict('resolution', 'fix');
    const told = (findings: readonly Pick<Finding, 'rule' | 'verdict' | 'shown'>[]) =>
      findings.map(({ rule, verdict, shown }) => [rule, verdict, shown.measured, shown.required]);
    const bench = told((await exact()).findings);
    const asked = ['check', '--blank', 'mug-325', '--artwork', shop.motif, '--place', 'inside', '--json'];
    let said: string;
    try {
      said = execFileSync('node', ['dist/cli/main.mjs', ...asked], { encoding: 'utf8' });
    } catch (error) {
      // One Fix, and the command line ends with 1.
      said = (error as { stdout: string }).stdout;
    }
    expect(bench).toEqual(told((JSON.parse(said) as { findings: Finding[] }).findings));
    expect(bench.length).toBeGreaterThan(10);
  });

  test('a remedy is one step: done, measured, and taken back', async () => {
    const before = await shop.fit.pieces();
    await shop.bench.press('Go down to');
    await shop.bench.saved();
    await shop.bench.verdict('resolution', 'ready');
    await shop.bench.keysUndo();
    await shop.bench.saved();
    await shop.bench.verdict('resolution', 'fix');
    expect(await shop.fit.pieces()).toEqual(before);
  });

  test('all that can be mended is, one after another, as one step', async () => {
    await shop.bench.keys(Key.ARROW_RIGHT);
    await shop.bench.saved();
    await shop.bench.verdict('centre', 'look');
    const before = await shop.fit.pieces();
    await exact();
    await shop.bench.press('Mend all that can be mended');
    await shop.bench.says('[data-sonner-toast]', /\d mended\. (Left: gamut\.|Nothing is left\.)/);
    await shop.bench.saved();
    await shop.bench.verdict('resolution', 'ready');
    await shop.bench.verdict('read-share', 'ready');
    await shop.bench.keysUndo();
    await shop.bench.saved();
    expect(await shop.fit.pieces()).toEqual(before);
    await shop.bench.keysUndo();
    await shop.bench.saved();
  });

  test('a Fix is accepted all the same, is marked as one, and stays a Look', async () => {
    await shop.bench.verdict('resolution', 'fix');
    const fixed = await shop.bench.find(line('resolution'));
    await (await fixed.findElement(By.xpath('.//button[starts-with(., "Accept it all the same")]'))).click();
    await shop.bench.type('seen from across the street', Key.ENTER);
    await shop.bench.saved();
    await shop.bench.says(
      line('resolution', '[data-accepted=true][data-verdict=fix]'),
      /Accepted though a Fix, \d{4}-\d\d-\d\d: seen from across the street/,
    );
    await shop.bench.press('Take back');
    await shop.bench.saved();
    await shop.bench.find(line('resolution', '[data-accepted=false][data-verdict=fix]'));
  });

  test('a Look is accepted with a reason, kept over a reload, and back once it measures otherwise', async () => {
    await shop.bench.dimension('width', '70 mm');
    await shop.bench.saved();
    await shop.bench.verdict('resolution', 'look');
    const lineOf = await shop.bench.find(line('resolution'));
    await (await lineOf.findElement(By.xpath('.//button[starts-with(., "Accept it")]'))).click();
    await shop.bench.type('the house agreed', Key.ENTER);
    await shop.bench.saved();
    await shop.bench.says(
      line('resolution', '[data-accepted=true]'),
      /Accepted \d{4}-\d\d-\d\d: the house agreed/,
    );
    await shop.bench.reload();
    await shop.bench.says(line('resolution', '[data-accepted=true]'), /the house agreed/);
    await shop.bench.pick(0);
    await shop.bench.dimension('width', '72 mm');
    await shop.bench.saved();
    await shop.bench.find(line('resolution', '[data-accepted=false][data-verdict=look]'));
    await shop.bench.keysUndo();
    await shop.bench.find(line('resolution', '[data-accepted=true]'));
    await shop.bench.press('Take back');
    await shop.bench.find(line('resolution', '[data-accepted=false][data-verdict=look]'));
  });

  longTest('on a shirt every colour and size is told of, those that fail by what', async () => {
    await shop.openFit('shirt');
    await shop.bench.add(shop.motif, 'gull');
    await shop.bench.fillSafe();
    await exact();
    await shop.bench.press('Ready on');
    await shop.bench.says('[data-reach]', /Ready on 0 of 6 colours, 0 of 6 sizes[\s\S]*resolution/);
  });

  longTest('what a pouch must carry is ticked by hand with a note', async () => {
    await shop.openFit('pouch');
    await shop.bench.add(shop.motif, 'gull');
    await shop.bench.saved();
    await shop.bench.verdict('contents', 'fix');
    for (const name of ['net weight', 'best before', 'maker and address']) {
      await shop.bench.press(`Tick ${name} by hand`);
      await shop.bench.type('in the artwork', Key.ENTER);
      await shop.bench.saved();
    }
    expect(await shop.bench.verdict('contents', 'look')).toContain('maker and address (in the artwork)');
  });

  test('nothing in it keeps a person out (WCAG 2.2 AA)', async () => {
    expect(await keepsOut(shop.browser)).toEqual([]);
  });
});

describe('the soft proof', () => {
  /** The colour of the flat's picture at a share of its room. */
  const colourAt = (x: number, y: number) =>
    shop.browser.executeScript<number[]>(
      `const canvas = document.querySelector('[aria-label=Flat] canvas');
       const at = (share, size) => Math.floor(share * size);
       return [...canvas.getContext('2d').getImageData(at(${x}, canvas.width), at(${y}, canvas.height), 1, 1).data];`,
    );

  test('shows the print’s colours, right of the divider only, and hatches what the inks cannot reach', async () => {
    await shop.openFit('tumbler-470');
    await shop.bench.press('Add…');
    await shop.bench.press('a fill on the left side');
    await (await shop.bench.named('Colour #ffffff: change')).click();
    const typed = await shop.bench.named('Colour, typed');
    await typed.sendKeys(Key.chord(Key.CONTROL, 'a'), '00ff00', Key.ENTER);
    await shop.browser.actions().sendKeys(Key.ESCAPE).perform();
    await shop.bench.saved();
    const becomes = (x: number, y: number, wanted: (rgb: number[]) => boolean) =>
      shop.browser.wait(async () => wanted(await colourAt(x, y)), PATIENCE, `colour at ${x}, ${y}`);
    const green = ([red, , blue]: number[]) => red === 0 && blue === 0;
    const printed = ([red]: number[]) => red! > 100;
    await becomes(0.4, 0.5, green);
    await shop.bench.press('Colours: as designed');
    await shop.bench.press('both, with a divider');
    await shop.bench.find('[aria-label^="Divider"]');
    await becomes(0.4, 0.5, green);
    await (
      await shop.bench.find('[aria-label^="Divider"]')
    ).sendKeys(...Array<string>(24).fill(Key.ARROW_LEFT));
    await becomes(0.4, 0.5, printed);
    await shop.bench.press('Colours: as printed');
    await shop.bench.press('what the inks cannot reach');
    await shop.bench.says(
      '[data-hatched]',
      /hatched: \d+\.\d % of what is seen here is out of the inks’ reach; the worst, ringed, dE 2\d\.\d/,
    );
  });

  test('tells the inks under the pointer', async () => {
    const flat = await shop.bench.find('[aria-label=Flat]');
    await shop.browser.actions().move({ origin: flat, x: -100, y: -20 }).perform();
    await shop.bench.says('[data-inks]', /^C 23\s+M 0\s+Y 100\s+K 0\s+=\s+123 %$/);
  });

  test('a colour typed as inks takes their colour on the print', async () => {
    await (await shop.bench.named('Colour #00ff00: change')).click();
    const typed = await shop.bench.named('Colour, typed');
    await typed.sendKeys(Key.chord(Key.CONTROL, 'a'), 'teapot', Key.ENTER);
    await shop.bench.says('[role=dialog] [role=status]', /Type #1f6f78/);
    await typed.sendKeys(Key.chord(Key.CONTROL, 'a'), 'cmyk 0 0 0 100', Key.ENTER);
    await shop.bench.saved();
    await shop.browser.actions().sendKeys(Key.ESCAPE).perform();
    const [fill] = (await shop.fit.pieces()).filter(({ kind }) => kind === 'fill');
    expect((fill as { colour: string }).colour).toMatch(/^#[0-3]/);
  });

  longTest(
    'a house’s own profile is brought in and kept; what is none is refused with a sentence',
    async () => {
      const engine = await loadNodeEngine();
      const profile = shop.file('house.icc');
      writeFileSync(profile, engine.pressProfile());
      engine.close();
      const input = await shop.bench.find('input[aria-label="Printing profile"]');
      await input.sendKeys(shop.motif);
      await shop.bench.says('[data-sonner-toast]', /not a whole ICC profile: export it again/);
      await input.sendKeys(profile);
      await shop.bench.says('[data-sonner-toast]', /now prints through/);
      const [kept] = await records<{ fileName: string }>(shop.browser, 'profiles');
      expect(kept!.fileName).toBe('house.icc');
      await shop.bench.reload();
      await shop.bench.ready();
      await shop.bench.press('Colours:');
      await shop.bench.says('[role=menu]', /take “.+” out/);
    },
  );
});
