import opentype from 'opentype.js';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Step } from '@/core/artwork/steps';
import { pixelsKey, withStep } from '@/core/artwork/steps';
import { run } from '@/cli/run';
import { bytesSource } from '@/core/formats/source';
import { leavesOf } from '@/core/render/drawing';
import { SHIPPED_FONTS } from '@/core/type/fonts';
import { artworkDrawing, artworkPixels, measureArtwork } from '@/files/artwork';
import { nodePageDrawings, nodePages } from '@/files/pdf/node';
import { sfntOf } from '@/files/sfnt';
import { nodePlain } from '@/files/svg/node';
import { wordFont } from '@/files/svg/word-fonts';
import { outlineWords, type WordFont } from '@/files/svg/words';
import type { Engine } from '@/imaging/engine';
import { loadNodeEngine } from '@/imaging/node';
import { fontBytes } from '../support/font';

/** Live text of a drawing, outlined with a font of the name that it gives. */

const makePlain = nodePlain();
let engine: Engine;
let fonts: WordFont[];
beforeAll(async () => {
  engine = await loadNodeEngine();
  fonts = await Promise.all(SHIPPED_FONTS.map(({ id, name }) => wordFont(name, fontBytes(id))));
});
afterAll(() => {
  engine.close();
});

const drawing = (inner: string) =>
  `<svg xmlns="http://www.w3.org/2000/svg" width="100mm" height="50mm" viewBox="0 0 200 100">${inner}</svg>`;
const outline = (inner: string) => outlineWords('sign.svg', drawing(inner), fonts, makePlain);
const bytes = (text: string) => bytesSource(new TextEncoder().encode(text));

test.each(SHIPPED_FONTS.map(({ id, name }) => [id, name]))(
  'a font that comes with Up Fit, unpacked, has every table and glyph of its own: %s',
  async (id, name) => {
    const packed = opentype.parse(fontBytes(id));
    const plain = opentype.parse((await sfntOf(name, fontBytes(id))).buffer as ArrayBuffer);
    expect(plain.glyphs.length).toBe(packed.glyphs.length);
    expect(plain.outlinesFormat).toBe(packed.outlinesFormat);
    for (const letter of 'HgÅ8&')
      expect(plain.charToGlyph(letter).getPath(0, 0, 100).toPathData(2)).toBe(
        packed.charToGlyph(letter).getPath(0, 0, 100).toPathData(2),
      );
  },
);

test('words lie where they were: as the font’s own outlines do, to a part of a pixel, at the true size', async () => {
  const { svg, families } = await outline(
    '<text x="20" y="60" font-family="Lora, serif" font-size="40" fill="#102030">H</text>',
  );
  expect(families).toEqual(['Lora Medium']);
  const step: Step = { kind: 'outline', families, svg };
  const file = { name: 'sign.svg', source: bytes(drawing('<text>other</text>')), steps: [step] };
  const readers = { engine, drawPage: nodePages() };
  const { facts } = await measureArtwork(readers, file);
  expect(facts.notes.map(({ code }) => code)).not.toContain('live-text');
  expect(facts.physical).toEqual({ width: expect.closeTo(100, 6), height: expect.closeTo(50, 6) });
  const raster = await artworkPixels(readers, file, 2000);
  let [left, right, top, bottom] = [Infinity, 0, Infinity, 0];
  for (let y = 0; y < raster.height; y++)
    for (let x = 0; x < raster.width; x++)
      if (raster.data[(y * raster.width + x) * 4 + 3]! > 127)
        [left, right, top, bottom] = [
          Math.min(left, x),
          Math.max(right, x + 1),
          Math.min(top, y),
          Math.max(bottom, y + 1),
        ];
  const lora = opentype.parse(fontBytes('lora'));
  const box = lora.charToGlyph('H').getPath(200, 600, 400).getBoundingBox();
  expect(Math.abs(left - box.x1)).toBeLessThan(2);
  expect(Math.abs(right - box.x2)).toBeLessThan(4);
  expect(Math.abs(top - box.y1)).toBeLessThan(2);
  expect(Math.abs(bottom - box.y2)).toBeLessThan(2);
  // It is printed as paths, letter by letter.
  const paths = await artworkDrawing({ makePlain, readPage: nodePageDrawings() }, file);
  expect([...leavesOf(paths!.nodes)].length).toBeGreaterThan(0);
});

test('what is not words stays: shapes, runs of colours, what words are set by in a style sheet', async () => {
  const { svg } = await outline(
    '<style>.a{font-family:"Zilla Slab";font-size:20px}</style><rect width="50" height="20" fill="#c0392b"/><text class="a" x="10" y="40">Gull &amp; “"so"” <tspan dy="20" font-family="Archivo Narrow" font-weight="bold">light</tspan></text>',
  );
  expect(svg).not.toMatch(/<text|<tspan|<style/);
  expect(svg).toMatch(/#c0392b/);
  // A quote in the words is a letter like any other.
  const marks = async (words: string) =>
    (await outline(`<text y="20" font-family='"Lora"'>${words}</text>`)).svg.length;
  expect(await marks('""')).not.toBe(await marks("''"));
});

test.each([
  [
    'a font that is not here',
    '<text font-family="Seaside Script">Ahoy</text>',
    /“Seaside Script” is not among/,
  ],
  ['words of no font', '<text y="20">Ahoy</text>', /name no font/],
  ['a letter that it lacks', '<text y="20" font-family="Lora">鯨</text>', /“Lora Medium” has no “鯨”/],
  [
    'a cut that is not here',
    '<text y="20" font-family="Lora" font-weight="700">A</text>',
    /asks for bold letters/,
  ],
  [
    'another',
    '<text y="20" style="font-family:Pacifico;font-style:italic">A</text>',
    /asks for italic letters/,
  ],
])('%s is said, and nothing is outlined', async (_, inner, words) => {
  await expect(outline(inner)).rejects.toThrow(words);
});

test('scripts, outside addresses and events go, as from any drawing', async () => {
  const { svg } = await outline(
    '<script>alert(1)</script><text y="20" font-family="Lora" onclick="x()">A<a href="https://example.org"><tspan>b</tspan></a></text><image href="https://example.org/a.png" width="9" height="9"/>',
  );
  expect(svg).not.toMatch(/script|onclick|example\.org/);
});

test('a step of it opens the file: there is one, before work on pixels, and pixels are known by its digest', () => {
  const step: Step = { kind: 'outline', families: ['Lora'], svg: `<svg>${'x'.repeat(10_000)}</svg>` };
  const steps = withStep(withStep([{ kind: 'turn', quarters: 1 }], step), { ...step, svg: '<svg/>' });
  expect(steps.map(({ kind }) => kind)).toEqual(['outline', 'turn']);
  const key = pixelsKey('a', [step]);
  expect(key.length).toBeLessThan(200);
  expect(pixelsKey('a', [{ ...step, svg: `${step.svg} ` }])).not.toBe(key);
});

test('the command line outlines what it has the font for, and tells of live text else', async () => {
  const folder = mkdtempSync(join(tmpdir(), 'up-fit-words-'));
  const supply = () => Promise.resolve({ engine, drawPage: nodePages() });
  const codes = async (family: string) => {
    const path = join(folder, `${family}.svg`);
    writeFileSync(
      path,
      drawing(
        `<rect width="1" height="1"/><text x="20" y="60" font-size="40" font-family="${family}">HILL</text>`,
      ),
    );
    const { out } = await run(['inspect', path, '--json'], supply);
    const { notes, alpha } = JSON.parse(out) as {
      notes: { code: string }[];
      alpha: { opaqueBounds: { width: number } };
    };
    return [notes.map(({ code }) => code).includes('live-text'), alpha.opaqueBounds.width > 100];
  };
  expect(await codes('Bungee')).toEqual([false, true]);
  expect(await codes('Seaside Script')).toEqual([true, false]);
  rmSync(folder, { recursive: true });
});
