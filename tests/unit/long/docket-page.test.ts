import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { PNG } from 'pngjs';
import * as v from 'valibot';
import type { Fit } from '@/core/fit/schema';
import { docketPage, DocketPageSchema, type DocketPage } from '@/core/pack/docket-page';
import { swatchesOf } from '@/core/colour/swatches';
import { writeDocket } from '@/files/docket';
import { readFont } from '@/files/type';
import type { Engine } from '@/imaging/engine';
import { loadNodeEngine } from '@/imaging/node';
import { demoShop, docketOf } from '../../support/demo';
import { blankById } from '../../support/fits';
import { fontBytes } from '../../support/font';
import { few } from '../../support/long';

const folder = process.env['DOCKET_PAGES'] ?? mkdtempSync(join(tmpdir(), 'up-fit-docket-'));
let engine: Engine;
let shop: Awaited<ReturnType<typeof demoShop>>;
beforeAll(async () => {
  engine = await loadNodeEngine();
  shop = await demoShop(engine);
}, 60_000);
afterAll(() => {
  engine.close();
  if (!process.env['DOCKET_PAGES']) rmSync(folder, { recursive: true });
});

const fitOf = (designId: string, blankId: string): Fit =>
  shop.fits.find((fit) => fit.designId === designId && fit.blankId === blankId)!;

function sheetOf(fit: Fit): DocketPage {
  const palette = shop.shown.facts(
    fit.faces.flatMap(({ pieces }) => pieces).find((piece) => piece.kind === 'artwork')!.artworkId,
  ).palette;
  return docketPage({
    shop: 'Gullwick Light',
    design: fit.designId,
    blank: blankById(fit.blankId),
    fit,
    docket: docketOf(engine, fit, shop.shown, 900),
    facts: shop.shown.facts,
    swatches: swatchesOf(palette, engine.inksOf(palette.map(() => [20, 80, 90]))),
    files: new Map([[fit.faces[0]!.faceId, ['a-print.png']]]),
    date: '2026-11-26',
    reason: null,
    notes: 'Two of these go to the counter.',
  });
}

async function page(sheet: DocketPage, fit: Fit, name: string): Promise<{ path: string; drawn: PNG }> {
  const blank = blankById(fit.blankId);
  const font = readFont(fontBytes('archivo-narrow'));
  const bytes = await writeDocket(engine, sheet, { blank, fit }, shop.shown, font);
  const path = join(folder, `${name}.pdf`);
  writeFileSync(path, bytes);
  execFileSync('pdftoppm', ['-png', '-r', '75', '-singlefile', path, path.replace('.pdf', '')]);
  return { path, drawn: PNG.sync.read(readFileSync(path.replace('.pdf', '.png'))) };
}

test('a docket says what the command line’s check says, line by line, and reads as its schema', () => {
  const fit = fitOf('compass-rose', 'mug-325');
  const sheet = sheetOf(fit);
  expect(v.parse(DocketPageSchema, JSON.parse(JSON.stringify(sheet)))).toEqual(sheet);
  const { findings } = docketOf(engine, fit, shop.shown, 900);
  expect(sheet.lines.map(({ rule, verdict, message }) => [rule, verdict, message])).toEqual(
    findings.map(({ rule, verdict, message }) => [rule, verdict, message]),
  );
  expect(sheet.faces[0]!.pieces[0]).toMatchObject({ kind: 'artwork', role: 'motif', knockout: false });
  expect(sheet.press[0]).toBe('200 °C (392 °F)');
  expect(sheet.mirroring).toBe('house');
});

const PAGES = [
  ['compass-rose', 'mug-325'],
  ['storm', 'tumbler-470'],
  ['compass-rose', 'sticker-75'],
  ['keep-the-light', 'shirt'],
] as const;

test.each(few(PAGES, 2))(
  '%s on %s: a sound page, every word an outline, its flat drawn as it prints',
  async (designId, blankId) => {
    const fit = fitOf(designId, blankId);
    const { path, drawn } = await page(sheetOf(fit), fit, `${designId}-${blankId}`);
    execFileSync('qpdf', ['--check', path]);
    const info = execFileSync('pdfinfo', [path], { encoding: 'utf8' });
    // What is found at length goes on to a second.
    expect(info).toMatch(/Pages:\s+[12]\n/);
    expect(info).toMatch(/\(A4\)/);
    expect(execFileSync('pdffonts', [path], { encoding: 'utf8' }).trim().split('\n')).toHaveLength(2);
    let inked = 0;
    for (let at = 0; at < drawn.data.length; at += 4) if (drawn.data[at]! < 128) inked++;
    expect(inked / (drawn.width * drawn.height)).toBeGreaterThan(0.01);
  },
);

test('what does not go on one page goes on to the next', async () => {
  const fit = fitOf('compass-rose', 'mug-325');
  const sheet = sheetOf(fit);
  const many = { ...sheet, lines: Array.from({ length: 6 }, () => sheet.lines).flat() };
  const { path } = await page(many, fit, 'many');
  expect(execFileSync('pdfinfo', [path], { encoding: 'utf8' })).toMatch(/Pages:\s+[2-9]\n/);
});
