import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Piece } from '@/core/fit/schema';
import { newFill } from '@/core/fit/place';
import { firstLettering, newText } from '@/core/fit/text';
import { planPrint } from '@/core/print/plan';
import { layText } from '@/core/type/layout';
import type { ForPress } from '@/files/inks';
import { writePrint } from '@/files/print';
import type { Engine } from '@/imaging/engine';
import { loadNodeEngine } from '@/imaging/node';
import { blankById, faceOf, shown } from '../support/fits';
import { face as typeface } from '../support/font';
import { few } from '../support/long';
import { paint } from '../support/pictures';

/** Words knocked out of a black ground, as ghostscript separates the print into its plates. */
const folder = mkdtempSync(join(tmpdir(), 'up-fit-words-'));
const black = newFill('ground', '#000000');
let engine: Engine;
let press: ForPress;
let ground: Record<string, Uint8Array>;
beforeAll(async () => {
  engine = await loadNodeEngine();
  press = { press: engine.bakePress(null, 'relative'), profile: null };
  ground = await plates([black]);
});
afterAll(() => {
  engine.close();
  rmSync(folder, { recursive: true });
});

const blank = blankById('mug-325');
const face = faceOf(blank);
const PPI = 110;

function words(knockout: boolean): Piece {
  const lettering = {
    ...firstLettering('archivo-narrow', '#ffffff', 20),
    lines: [{ text: 'LIGHT', gap: null }],
  };
  return { ...newText('words', lettering, layText(lettering, typeface())!, { x: 111, y: 46 }), knockout };
}

/** How much of each plate, 0 to 255, lies at each pixel. */
async function plates(pieces: Piece[]): Promise<Record<string, Uint8Array>> {
  const plan = planPrint(blank, face, { format: 'pdf', mode: 'cmyk', ppi: PPI, mirrored: false });
  const asked = { title: 'Words', blank, sides: [{ face, pieces }], plan, press };
  const { bytes } = await writePrint(engine, asked, shown(paint(4, 4, () => [0, 0, 0, 255])));
  const path = join(folder, 'words.pdf');
  writeFileSync(path, bytes);
  const out = join(folder, 'plate%d.tif');
  execFileSync('gs', ['-q', '-dNOPAUSE', '-dBATCH', '-sDEVICE=tiffsep', `-r${PPI}`, `-sOutputFile=${out}`, path]); // prettier-ignore
  return Object.fromEntries(
    ['Cyan', 'Magenta', 'Yellow', 'Black'].map((name) => {
      const grey = join(folder, `${name}.gray`);
      execFileSync('convert', [join(folder, `plate1(${name}).tif`), '-depth', '8', grey]);
      return [name, readFileSync(grey).map((level) => 255 - level)];
    }),
  );
}

test.each(few([true, false], 1))(
  'white words on black, knocked out %s: nothing of any plate lies under them',
  async (knockout) => {
    const both = await plates([black, words(knockout)]);
    const solid = ground['Black']!.reduce((most, level) => Math.max(most, level), 0);
    expect(solid).toBeGreaterThan(240);
    // Where the words are, all four plates are bare; all else is as it was without them.
    const bare = Array.from(both['Black']!, (level, at) => (level === 0 ? at : -1)).filter((at) => at >= 0);
    const mm2 = bare.length * (25.4 / PPI) ** 2;
    expect(mm2).toBeGreaterThan(200);
    const others = ['Cyan', 'Magenta', 'Yellow'].map(
      (name) => bare.filter((at) => both[name]![at]! > 0).length,
    );
    for (const under of others) expect(under / bare.length).toBeLessThan(0.02);
    const touched = both['Black']!.filter((level, at) => level !== ground['Black']![at]).length;
    // But for their edges, where a pixel is of both.
    expect(bare.length / touched).toBeGreaterThan(0.75);
  },
);
