import { PDFDocument } from '@cantoo/pdf-lib';
import { execFileSync } from 'node:child_process';
import { writeFileSync } from 'node:fs';
import { By } from 'selenium-webdriver';
import type { Finding, RuleId, Verdict } from '@/core/check/finding';
import type { Raster } from '@/core/raster/raster';
import type { Engine } from '@/imaging/engine';
import { loadNodeEngine } from '@/imaging/node';
import type { StoredDocket } from '@/store/schema';
import { PATIENCE } from '../../support/bench';
import { BenchShop } from '../../support/bench-shop';
import { records } from '../../support/stored';
import { BARE, BLACK, circle, Drawing, rectangle, ring, type Rgba } from '../../truth/draw';
import { photographOf } from '../../truth/photographs';

/** What is hard to find, each on the bench as the command line has it, and with the place where it is. */
const shop = new BenchShop();
let engine: Engine;
beforeAll(async () => {
  engine = await loadNodeEngine();
  await shop.open();
});
afterAll(async () => {
  engine.close();
  await shop.close();
});

const PER_MM = 300 / 25.4;
const NAVY: Rgba = [20, 34, 74, 255];
const CREAM: Rgba = [244, 236, 214, 255];
const RED: Rgba = [180, 44, 40, 255];

function pngFile(name: string, drawing: Raster): string {
  const path = shop.file(`${name}.png`);
  writeFileSync(path, engine.encodePng(drawing, { ppi: 300, use: 'small' }));
  return path;
}

/** A badge on cream with a thin line through it at so many degrees. */
function guided(degrees: number, ink: Rgba): Raster {
  return new Drawing(150, 75, PER_MM, CREAM)
    .lay([circle(75, 37, 22)], NAVY)
    .lay([rectangle(60, 34, 400, 0.25, degrees)], ink)
    .raster();
}

function marked(x: number, y: number): Raster {
  return new Drawing(150, 75, PER_MM, BARE)
    .lay([rectangle(75, 37.5, 110, 45)], NAVY)
    .lay([rectangle(x, y, 6, 0.25), rectangle(x, y, 0.25, 6), ...ring(x, y, 2, 0.25)], BLACK)
    .raster();
}

/** Sea, sand and a sail, and a speck on one of them. */
function specked(x: number, y: number): Raster {
  return new Drawing(150, 75, PER_MM, [120, 170, 210, 255])
    .lay([rectangle(75, 62, 150, 26)], [230, 200, 150, 255])
    .lay([circle(100, 28, 14)], CREAM)
    .lay([rectangle(x, y, 0.35, 0.35)], RED)
    .raster();
}

/** A page with a crisp photograph, and beside it one that was enlarged so many times. */
async function twoPictures(times: number): Promise<string> {
  const whole = photographOf(3, 420, 300, { grain: 1 });
  const run = (input: Uint8Array, ...args: string[]) =>
    new Uint8Array(execFileSync('convert', args, { input, maxBuffer: 1e9 }));
  const png = engine.encodePng(whole, { ppi: 300, use: 'preview' });
  const pdf = await PDFDocument.create();
  const page = pdf.addPage([425, 212]);
  const [small, crisp] = [`${Math.round(100 / times)}%`, 'png:-'];
  page.drawImage(await pdf.embedPng(png), { x: 10, y: 40, width: 200, height: 143 });
  page.drawImage(
    await pdf.embedPng(
      run(
        png,
        'png:-',
        '-filter',
        'Box',
        '-resize',
        small,
        '-filter',
        'Catrom',
        '-resize',
        '420x300!',
        crisp,
      ),
    ),
    {
      x: 220,
      y: 40,
      width: 200,
      height: 143,
    },
  );
  const path = shop.file(`pages-${times}.pdf`);
  writeFileSync(path, await pdf.save());
  return path;
}

interface Hard {
  name: string;
  file: () => string | Promise<string>;
  rule: RuleId;
  verdict: Verdict;
  /** Whether it is at places of its own, and not all of the piece. */
  placed: boolean;
}

const CASES: Hard[] = [
  ...([12, 48, 140] as const).map((degrees, i): Hard => ({
    name: `a guide at ${degrees} degrees`,
    file: () =>
      pngFile(
        `guide-${degrees}`,
        guided(
          degrees,
          (
            [
              [0, 255, 255, 255],
              [255, 0, 255, 255],
              [90, 90, 90, 255],
            ] as const
          )[i]!,
        ),
      ),
    rule: 'leftover',
    verdict: 'look',
    placed: true,
  })),
  ...(
    [
      [75, 6],
      [10, 37.5],
      [140, 37.5],
    ] as const
  ).map(([x, y]): Hard => ({
    name: `a registration mark at ${x}, ${y}`,
    file: () => pngFile(`mark-${x}-${Math.round(y)}`, marked(x, y)),
    rule: 'leftover',
    verdict: 'look',
    placed: true,
  })),
  ...(
    [
      [30, 20],
      [100, 28],
      [60, 62],
    ] as const
  ).map(([x, y]): Hard => ({
    name: `a speck at ${x}, ${y}`,
    file: () => pngFile(`speck-${x}-${y}`, specked(x, y)),
    rule: 'specks',
    verdict: 'look',
    placed: true,
  })),
  ...([2, 3, 4] as const).map((times): Hard => ({
    name: `a page whose second picture is enlarged ${times} times`,
    file: () => twoPictures(times),
    rule: 'true-detail',
    verdict: 'fix',
    placed: false,
  })),
];

const said = (path: string): Finding[] => {
  const asked = ['check', '--blank', 'mug-325', '--artwork', path, '--place', 'inside', '--json'];
  let out: string;
  try {
    out = execFileSync('node', ['dist/cli/main.mjs', ...asked], { encoding: 'utf8', maxBuffer: 1e8 });
  } catch (error) {
    // With a Fix in it the command line ends with 1.
    out = (error as { stdout: string }).stdout;
  }
  return (JSON.parse(out) as { findings: Finding[] }).findings;
};

const told = (findings: readonly Finding[]) =>
  findings.map(({ rule, verdict, shown, place, places }) => [
    rule,
    verdict,
    shown.measured,
    place,
    places?.length,
  ]);

test.each(CASES)('$name', async ({ name, file, rule, verdict, placed }) => {
  const path = await file();
  await shop.openFit('mug-325');
  for (const piece of await shop.browser.findElements(By.css('[data-piece]'))) {
    await shop.browser.executeScript('arguments[0].focus({ focusVisible: true })', piece);
    await shop.bench.press('Take off');
    await shop.bench.saved();
  }
  await shop.bench.add(path, path.replace(/^.*\/|\.\w+$/g, ''));
  await shop.bench.fillSafe();
  const asked = told(said(path));
  const measured = async () => {
    const dockets = await records<StoredDocket>(shop.browser, 'dockets');
    return dockets.find(({ fitId }) => fitId === shop.fit.id)!.findings;
  };
  // What is measured anew is measured coarsely first, and told once it is exact.
  await shop.browser
    .wait(async () => JSON.stringify(told(await measured())) === JSON.stringify(asked), PATIENCE)
    .catch(() => undefined);
  const findings = await measured();
  expect(told(findings)).toEqual(asked);
  const found = findings.find((finding) => finding.rule === rule)!;
  expect([found.verdict, found.place !== undefined]).toEqual([verdict, placed || found.place !== undefined]);
  // Its line in the docket shows it on the flat.
  const line = await shop.bench.find(`[aria-label=Docket] [data-rule="${rule}"]`);
  await shop.browser.executeScript('arguments[0].scrollIntoView({ block: "center" })', line);
  await shop.browser.actions().move({ origin: line }).perform();
  await shop.bench.says(
    '[data-callout]',
    new RegExp(found.message.slice(0, 24).replace(/[.*+?^${}()|[\]\\]/g, '\\$&')),
  );
  if (process.env.UPFIT_SHOTS)
    writeFileSync(
      `${process.env.UPFIT_SHOTS}/${name.replace(/\W+/g, '-')}.png`,
      await shop.browser.takeScreenshot(),
      'base64',
    );
});
