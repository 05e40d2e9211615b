import fc from 'fast-check';
import * as v from 'valibot';
import { FitFaceSchema } from '@/core/fit/schema';
import type { PrintFace } from '@/core/blank/resolve';
import { outlineDistance } from '@/core/geometry/outline';
import { makeDocket } from '@/core/check/docket';
import type { Finding } from '@/core/check/finding';
import { shapeOf } from '@/core/cut/face';
import { cutKey, WHITE_BORDER } from '@/core/cut/key';
import { cutAnew } from '@/core/cut/make';
import { bytesSource } from '@/core/formats/source';
import { groupMotifs, ownGroups, partPicture, withGroups, type Parting } from '@/core/cut/parting';
import { USUAL_CUT, type Cut, type CutSettings } from '@/core/fit/cut';
import { stickerFaces, stickerSize } from '@/core/cut/set';
import { firstSet, joined, leftOut, parted, sized, takenBack } from '@/core/cut/sorting';
import { printPixels } from '@/core/blank/resolve';
import type { Raster } from '@/core/raster/raster';
import { renderFace, type Shown } from '@/core/render/face';
import { TIDE_POOL, tidePoolSheet } from '@/demo/art/marks';
import type { Engine } from '@/imaging/engine';
import { groupMap } from '@/files/svg/groups';
import { loadNodeEngine } from '@/imaging/node';
import { blankById, factsOf, foundBy, pieceAt, stickersOf } from '../support/fits';
import { few, longTest, runs } from '../support/long';

const blank = blankById('sticker-die-cut');
const base = blank.faces[0]!;

/** A picture whose pixels are what a function of place says: its colour and alpha, or clear. */
function painted(
  width: number,
  height: number,
  at: (x: number, y: number) => readonly [number, number, number, number] | null,
): Raster {
  const data = new Uint8Array(width * height * 4);
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) {
      const colour = at(x + 0.5, y + 0.5);
      if (colour) data.set(colour, (y * width + x) * 4);
    }
  return { width, height, data, opaque: false };
}

const RED = [178, 58, 42, 255] as const;
const disc = (cx: number, cy: number, r: number) => (x: number, y: number) =>
  Math.hypot(x - cx, y - cy) < r ? RED : null;

function shownOf(raster: Raster): Shown {
  const facts = factsOf(raster);
  return { facts: () => facts, pixels: () => raster };
}

/** A sticker of a picture, 10 px a mm, cut anew. */
function stickerOf(raster: Raster, settings: Partial<CutSettings> = {}) {
  const shown = shownOf(raster);
  const piece = pieceAt(raster.width / 20, raster.height / 20, raster.width / 10, raster.height / 10);
  const cut: Cut = { ...USUAL_CUT, ...settings, name: 'One', d: '', of: '' };
  const face = cutAnew({ faceId: 'sticker-1', pieces: [piece], cut }, base, shown);
  return { shown, face, ...stickersOf([face]) };
}

function cutFindings(raster: Raster, settings: Partial<CutSettings> = {}): Finding[] {
  const { fit, resolved, shown } = stickerOf(raster, settings);
  return foundBy('cut-line', resolved, fit, shown);
}

describe('a face cut to what lies on it', () => {
  const picture = painted(500, 400, disc(250, 200, 150));
  it('is as large as the artwork and its border, which lies in it with the border all round', () => {
    const { resolved, face } = stickerOf(picture);
    const [own] = resolved.faces as [PrintFace];
    expect(own.width).toBeCloseTo(36, 1);
    expect(own.height).toBeCloseTo(36, 1);
    const artwork = face.pieces.find(({ kind }) => kind === 'artwork');
    expect(artwork).toMatchObject({ role: 'motif' });
    expect(face.pieces[0]).toMatchObject({ id: WHITE_BORDER, role: 'ground' });
    // The picture's disc, 30 mm across, stands in the middle.
    expect(artwork?.kind === 'artwork' && artwork.x).toBeCloseTo(18, 1);
  });

  it('is known by what it was made of, wherever that lies afterwards', () => {
    const { face } = stickerOf(picture);
    // As it comes back from the store: read by its schema, which puts what it holds in its own order.
    const kept = v.parse(FitFaceSchema, structuredClone(face)) as typeof face;
    expect(cutKey(kept, ['a'])).toBe(cutKey(face, ['a']));
    const line = { ...face, cut: { ...face.cut, d: 'M0 0Z', name: 'Other' } };
    expect(cutKey(line, ['a'])).toBe(cutKey(face, ['a']));
    expect(cutKey({ ...face, cut: { ...face.cut, border: 4 } }, ['a'])).not.toBe(cutKey(face, ['a']));
    expect(cutKey(face, ['b'])).not.toBe(cutKey(face, ['a']));
  });

  it('without anything opaque stays without a line and where it is, and is told', () => {
    const { face, fit, resolved, shown } = stickerOf(painted(50, 50, () => [0, 0, 0, 90]));
    expect(face.cut.d).toBe('');
    expect(resolved.faces).toEqual([{ ...base, id: 'sticker-1', name: 'One' }]);
    const found = foundBy('cut-line', resolved, fit, shown);
    expect(found).toMatchObject([{ verdict: 'fix', word: 'No cut line' }]);
  });

  it.each(few(['white', 'spread'] as const, 1))(
    'bleed: ink 1.5 mm outside the line all round, and none past the bleed (%s)',
    (edge) => {
      const star = painted(600, 600, (x, y) => {
        const angle = Math.atan2(y - 300, x - 300);
        return Math.hypot(x - 300, y - 300) < 170 + 70 * Math.cos(5 * angle) ? RED : null;
      });
      const { resolved, fit, shown } = stickerOf(star, { edge, border: edge === 'spread' ? 0 : 3 });
      const [face] = resolved.faces as [PrintFace];
      const pixels = printPixels(face, resolved.spec);
      const raster = renderFace(face, fit.faces[0]!.pieces, shown, { pixels });
      const alphaAt = (x: number, y: number) => {
        const column = Math.floor(((x + face.bleed) / (face.width + 2 * face.bleed)) * pixels.width);
        const row = Math.floor(((y + face.bleed) / (face.height + 2 * face.bleed)) * pixels.height);
        return raster.data[(row * pixels.width + column) * 4 + 3]!;
      };
      const outline = face.outline!;
      let looked = 0;
      outline.forEach(([x, y], i) => {
        const [nx, ny] = outline[(i + 1) % outline.length]!;
        const length = Math.hypot(nx - x, ny - y);
        if (length === 0) return;
        for (const off of [1.5, -1.5]) {
          const [px, py] = [
            (x + nx) / 2 + ((ny - y) / length) * off,
            (y + ny) / 2 - ((nx - x) / length) * off,
          ];
          if (outlineDistance(outline, px, py) < 1.4) continue;
          looked++;
          expect(alphaAt(px, py)).toBeGreaterThanOrEqual(250);
        }
      });
      expect(looked).toBeGreaterThan(outline.length * 0.6);
      expect(alphaAt(-face.bleed + 0.05, -face.bleed + 0.05)).toBe(0);
      const bleed = foundBy('bleed', resolved, fit, shown)[0];
      expect(bleed?.verdict).toBe('ready');
    },
  );
});

describe('the cut-line rule', () => {
  const barbell = (neck: number) =>
    painted(640, 300, (x, y) =>
      Math.hypot(x - 150, y - 150) < 90 || Math.hypot(x - 490, y - 150) < 90
        ? RED
        : x > 150 && x < 490 && Math.abs(y - 150) < (neck * 10) / 2
          ? RED
          : null,
    );
  it('a neck is told by its width within 2 %, and a wider border mends it', () => {
    const settings = { border: 0.5, radius: 1 };
    const [found] = cutFindings(barbell(0.8), settings);
    // 0.8 mm of artwork and the border on both sides.
    expect(found).toMatchObject({ verdict: 'fix', unit: 'mm' });
    expect(found!.shown.measured).toMatch(/^neck/);
    expect(Math.abs(Number(found!.measured) / 1.8 - 1)).toBeLessThan(0.04);
    expect(found!.place!.left).toBeGreaterThan(10);
    expect(found!.place!.right).toBeLessThan(55);
    const wider = found!.remedies.find(({ id }) => id === 'wider-border')!;
    expect(cutFindings(barbell(0.8), { ...settings, ...wider.cut })[0]!.verdict).toBe('ready');
  });

  it('parts that fall apart are told, and each way of mending them does', () => {
    const two = painted(700, 300, (x, y) => disc(150, 150, 100)(x, y) ?? disc(500, 150, 80)(x, y));
    const [found] = cutFindings(two);
    expect(found).toMatchObject({ verdict: 'fix', measured: 2, unit: 'parts' });
    for (const { cut } of found!.remedies) {
      const after = cutFindings(two, cut);
      expect(after.map(({ verdict }) => verdict)).toEqual(['ready']);
    }
  });

  longTest('a sharp tip and a corner that no knife follows are told, their twins are not', () => {
    const wedge = (half: number) =>
      painted(700, 400, (x, y) => (x > 60 && x < 660 && Math.abs(y - 200) < (660 - x) * half ? RED : null));
    const tip = (settings: Partial<CutSettings>, half: number) =>
      cutFindings(wedge(half), settings).filter(({ unit }) => unit === 'degrees');
    expect(tip({ border: 0.2, radius: 0.1 }, Math.tan((6 * Math.PI) / 180))[0]).toMatchObject({
      verdict: 'fix',
    });
    expect(tip({ border: 0.2, radius: 0.1 }, Math.tan((20 * Math.PI) / 180))).toEqual([]);
    const square = painted(500, 500, (x, y) => (x > 100 && x < 400 && y > 100 && y < 400 ? RED : null));
    const [corner] = cutFindings(square, { border: 0, radius: 0 });
    expect(corner!.shown.measured).toMatch(/^radius/);
    expect(cutFindings(square, { border: 0, radius: 0, ...corner!.remedies[0]!.cut })[0]!.verdict).toBe(
      'ready',
    );
  });

  it('plain stickers are measured by their own outline', () => {
    for (const id of few(['sticker-75', 'sticker-90x60', 'sticker-sheet-a6'], 2)) {
      const plain = blankById(id);
      const raster = painted(40, 40, disc(20, 20, 10));
      const { fit } = stickersOf([{ faceId: plain.faces[0]!.id, pieces: [pieceAt(20, 20, 10, 10)] }]);
      const docket = makeDocket(plain, { ...fit, blankId: id }, { ...shownOf(raster), coarse: 200 });
      expect(docket.findings.find(({ rule }) => rule === 'cut-line')?.verdict).toBe('ready');
    }
  });

  it('the border that keeps the artwork inside the safe area is offered', () => {
    const raster = painted(400, 400, disc(200, 200, 150));
    const { fit, resolved, shown } = stickerOf(raster, { border: 1.2 });
    const safe = foundBy('safe', resolved, fit, shown)[0]!;
    expect(safe.verdict).toBe('look');
    expect(Number(safe.measured)).toBeCloseTo(0.8, 0);
    const after = stickerOf(raster, { border: 1.2, ...safe.remedies[0]!.cut });
    expect(foundBy('safe', after.resolved, after.fit, after.shown)[0]!.verdict).toBe('ready');
  });
});

describe('a set from one picture', () => {
  let engine: Engine;
  let sheet: Raster;
  let parting: Parting;
  beforeAll(async () => {
    engine = await loadNodeEngine();
    sheet = engine.drawSvg(tidePoolSheet(), 2400);
    parting = partPicture(sheet);
  }, 60_000);
  afterAll(() => {
    engine.close();
  });

  it('the six tide-pool drawings are parted into six, in reading order, their own shapes together', () => {
    const groups = groupMotifs(parting, 6 / 203);
    expect(groups).toHaveLength(TIDE_POOL.length);
    expect(groups.flat().sort((a, b) => a - b)).toEqual(parting.motifs.map((_, i) => i));
  });

  longTest(
    'the largest typed to 60 mm, the others follow in proportion to 0.1 mm; each is that large when cut',
    () => {
      const settings = { ...USUAL_CUT, border: 2 };
      const first = firstSet(parting, { name: 'Pool', across: null, settings });
      const widths = first.stickers.map((one) => stickerSize(one, parting).width);
      const largest = widths.indexOf(Math.max(...widths));
      const set = sized(first, parting, largest, { width: 60 });
      const factor = 60 / widths[largest]!;
      set.stickers.forEach((one, i) => {
        expect(stickerSize(one, parting).width).toBeCloseTo(widths[i]! * factor, 6);
      });
      const facts = factsOf(sheet);
      const shown: Shown = { facts: () => facts, pixels: () => sheet };
      const faces = stickerFaces({ id: 'test', facts }, parting, set.stickers, settings).map((face) =>
        cutAnew(face, base, shown),
      );
      const { resolved } = stickersOf(faces);
      expect(resolved.faces.map(({ name }) => name)).toEqual(set.stickers.map(({ name }) => name));
      resolved.faces.forEach((face, i) => {
        const size = stickerSize(set.stickers[i]!, parting);
        expect(Math.abs(face.width - 4 - size.width)).toBeLessThan(0.1);
        expect(Math.abs(face.height - 4 - size.height)).toBeLessThan(0.1);
        expect(shapeOf(faces[i]!.cut.d).outers).toHaveLength(1);
      });
    },
  );

  it('a drawing’s own groups are the first guess, however near they lie', () => {
    const bytes = new TextEncoder().encode(tidePoolSheet());
    const map = groupMap(engine, 'pool.svg', bytesSource(bytes))!;
    const grouped = withGroups(parting, map);
    expect(ownGroups(grouped)).toHaveLength(TIDE_POOL.length);
    const set = firstSet(grouped, { name: 'Pool', across: 2030, settings: USUAL_CUT });
    expect(set.stickers).toHaveLength(TIDE_POOL.length);
    const near =
      '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 100 50"><g id="layer">' +
      '<g><path d="M5 5H45V45H5Z"/><path d="M10 10h4v4h-4z" fill="#f00"/></g><g><path d="M46 5H80V45H46Z"/></g></g></svg>';
    const own = withGroups(
      partPicture(engine.drawSvg(near, 1000)),
      groupMap(engine, 'near.svg', bytesSource(new TextEncoder().encode(near)))!,
    );
    expect(groupMotifs(own, 0.02)).toHaveLength(1);
    expect(ownGroups(own)).toEqual([[0], [1]]);
  });

  it('joined, parted, left out and taken back by hand', () => {
    const set = firstSet(parting, { name: 'Pool', across: 203, settings: USUAL_CUT });
    const one = joined(set, [0, 2]);
    expect(one.stickers).toHaveLength(set.stickers.length - 1);
    expect(one.stickers[0]!.motifs).toEqual(
      [...set.stickers[0]!.motifs, ...set.stickers[2]!.motifs].sort((a, b) => a - b),
    );
    const again = parted(one, 0);
    expect(again.stickers.flatMap(({ motifs }) => motifs).sort((a, b) => a - b)).toEqual(
      set.stickers.flatMap(({ motifs }) => motifs).sort((a, b) => a - b),
    );
    const less = leftOut(set, [1, 3]);
    expect(less.stickers).toHaveLength(set.stickers.length - 2);
    expect(takenBack(less, 'Pool').stickers.length).toBeGreaterThanOrEqual(set.stickers.length);
  });

  it('what cannot be cut is no error: nothing opaque, all opaque, specks, lines of one pixel, a hole in all', () => {
    expect(partPicture(painted(90, 60, () => null)).motifs).toEqual([]);
    const full = partPicture({ ...painted(90, 60, () => RED), opaque: true });
    expect(full.motifs).toHaveLength(1);
    expect(full.motifs[0]!.box).toEqual({ x: 0, y: 0, width: 1, height: 1 });
    const specks = partPicture(
      painted(1200, 900, (x, y) =>
        Math.hypot(x - 600, y - 450) < 200 ? RED : x % 12 < 1 && y % 12 < 1 ? RED : null,
      ),
    );
    expect(specks.motifs).toHaveLength(1);
    expect(specks.specks).toBeGreaterThan(5000);
    expect(partPicture(painted(300, 300, (x) => (Math.floor(x) % 40 === 0 ? RED : null))).motifs.length).toBe(
      8,
    );
    const ring = partPicture(
      painted(400, 400, (x, y) => (disc(200, 200, 190)(x, y) && !disc(200, 200, 180)(x, y) ? RED : null)),
    );
    expect(ring.motifs).toHaveLength(1);
    expect(ring.motifs[0]!.holes).toHaveLength(1);
  });

  it('every shape is in one group, whatever the gap, and a wider gap never parts what a narrower one joined', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 0.2, noNaN: true }),
        fc.double({ min: 0, max: 0.2, noNaN: true }),
        (a, b) => {
          const [narrow, wide] = [groupMotifs(parting, Math.min(a, b)), groupMotifs(parting, Math.max(a, b))];
          for (const groups of [narrow, wide])
            expect(groups.flat().sort((x, y) => x - y)).toEqual(parting.motifs.map((_, i) => i));
          for (const group of narrow)
            expect(wide.some((other) => group.every((i) => other.includes(i)))).toBe(true);
        },
      ),
      runs(20),
    );
  });
});
