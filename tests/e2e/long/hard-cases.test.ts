import { execFileSync } from 'node:child_process';
import { writeFileSync } from 'node:fs';
import { isDeepStrictEqual } from 'node:util';
import { By } from 'selenium-webdriver';
import type { Finding } from '@/core/check/finding';
import type { Engine } from '@/imaging/engine';
import { loadNodeEngine } from '@/imaging/node';
import type { StoredDocket } from '@/store/schema';
import { PATIENCE } from '../../support/bench';
import { BenchShop } from '../../support/bench-shop';
import { HARD, type Hard } from '../../support/hard-cases';
import { records } from '../../support/stored';

/** What is hard to tell, each on the bench as the command line has it, and with the place where it is. */
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

function said({ blank, place }: Hard, path: string): Finding[] {
  const asked = ['check', '--blank', blank, '--artwork', path, '--place', place, '--json'];
  let out: string;
  try {
    out = execFileSync('node', ['dist/cli/main.mjs', ...asked], { encoding: 'utf8', maxBuffer: 1e8 });
  } catch (error) {
    // With a Fix in it the command line ends with 1.
    out = (error as { stdout: string }).stdout;
  }
  return (JSON.parse(out) as { findings: Finding[] }).findings;
}

/** A millionth of a mm is nothing: the bench comes to a place by other steps. */
const rounded = (place: Finding['place']) =>
  place && [place.left, place.top, place.right, place.bottom].map((mm) => Math.round(mm * 1e6));
const told = (findings: readonly Finding[]) =>
  findings.map(({ rule, verdict, shown, place, places }) => [
    rule,
    verdict,
    shown.measured,
    rounded(place),
    places?.length,
  ]);

test.each(HARD)('$name', async (hard) => {
  const { name, blank, place, make, rule, verdict, placed } = hard;
  const path = await make({ engine, file: (one) => shop.file(one) });
  await shop.openFit(blank);
  for (const piece of await shop.browser.findElements(By.css('[data-piece]'))) {
    await shop.browser.executeScript('arguments[0].focus({ focusVisible: true })', piece);
    await shop.bench.press('Take off');
    await shop.bench.saved();
  }
  await shop.bench.add(path, path.replace(/^.*\/|\.\w+$/g, ''));
  if (place === 'inside') await shop.bench.fillSafe();
  else {
    await shop.bench.keys('b');
    await shop.bench.saved();
  }
  const asked = told(said(hard, path));
  const measured = async () => {
    const dockets = await records<StoredDocket>(shop.browser, 'dockets');
    return dockets.find(({ fitId }) => fitId === shop.fit.id)?.findings ?? [];
  };
  // What is measured anew is measured coarsely first, and told once it is exact.
  await shop.browser
    .wait(async () => isDeepStrictEqual(told(await measured()), asked), PATIENCE)
    .catch(() => undefined);
  const findings = await measured();
  expect(told(findings)).toEqual(asked);
  const found = findings.find((finding) => finding.rule === rule)!;
  expect(found.verdict).toBe(verdict);
  if (placed) expect(found.place).toBeDefined();
  // Its line in the docket shows it on the flat; what is Ready has nothing to show.
  const line = await shop.bench.find(`[aria-label=Docket] [data-rule="${rule}"]`);
  await shop.browser.executeScript('arguments[0].scrollIntoView({ block: "center" })', line);
  await shop.browser.actions().move({ origin: line }).perform();
  if (verdict !== 'ready')
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
