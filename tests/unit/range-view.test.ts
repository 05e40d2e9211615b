import fc from 'fast-check';
import type { Verdict } from '@/core/check/finding';
import { summaryOf, type OpenFinding, type Summary } from '@/core/check/summary';
import type { Design } from '@/core/fit/schema';
import { layBeside } from '@/core/many/beside';
import { offersFor } from '@/core/many/offers';
import {
  columnHead,
  columnsIn,
  rowHead,
  rowsIn,
  WHOLE,
  type SeenDesign,
  type View,
  goesByMoney,
  type SeenMoney,
} from '@/core/many/view';
import { sizedBody } from '@/core/blank/sized';
import { shippedBlanks } from '@/core/blank/library';
import { facesOf, trimSize } from '@/core/blank/resolve';
import { groupsOf, GROUP_HEIGHT, ROW_HEIGHT, topOf } from '@/places/range/grid/sizes';
import { blankById, docketOf, factsOf, fitOf, pieceAt } from '../support/fits';
import { solid } from '../support/pictures';
import { runs } from '../support/long';

const mug = blankById('mug-325');
const shirt = blankById('shirt');
const tote = blankById('tote');
const NOW = 100 * 86_400_000;

const finding = (rule: OpenFinding['rule'], verdict: Verdict, off = 0): OpenFinding => ({
  rule,
  verdict,
  faceId: 'wrap',
  word: rule,
  message: rule,
  mendable: false,
  off,
});
function seen(
  name: string,
  fits: { verdict?: Verdict; findings?: OpenFinding[]; days?: number; colour?: string }[] = [],
  idea: Partial<Design> = {},
): SeenDesign {
  return {
    design: { upfit: 'design/1', id: name, name, order: 0, artworks: [], ...idea },
    fits: fits.map(({ verdict, findings = [], days = 0, colour }) => {
      const summary: Summary = { verdict: verdict ?? 'ready', findings, looks: [], sizes: [] };
      const blank = colour === undefined ? mug : shirt;
      const fit = fitOf(blank, [pieceAt(60, 40, 30, 30)]);
      const colourId = blank.blank.colours.find((one) => one.name === colour)?.id ?? fit.colourId;
      return {
        fit: { ...fit, colourId },
        blank,
        verdict,
        summary: verdict && { ...summary, measuredAt: NOW - days * 86_400_000 },
      };
    }),
  };
}
const names = (view: Partial<View>, designs: readonly SeenDesign[], search = '') =>
  rowsIn({ ...WHOLE, ...view }, designs, search, { now: NOW }).map(({ design }) => design.name);
const occasion = (name: string, day: string | null): Partial<Design> => ({
  idea: {
    note: '',
    words: 'keep it lit',
    wordsFrom: '',
    ownWords: true,
    buyers: '',
    occasion: { name, day },
  },
});

test('by what it costs or earns: what is unknown comes last, and is found by itself', () => {
  const all = ['Dear', 'Loss', 'Little', 'Unsaid'].map((name) => seen(name, [{ verdict: 'ready' }]));
  const sums: Record<string, SeenMoney> = {
    Dear: { cost: 12, margin: 0.4 },
    Loss: { cost: 7, margin: -0.1 },
    Little: { cost: 5, margin: 0.2 },
    Unsaid: { cost: null, margin: null },
  };
  const names = new Map(all.map(({ design, fits }) => [fits[0]!.fit, design.name]));
  const shown = (view: Partial<View>) =>
    rowsIn({ ...WHOLE, ...view }, all, '', { now: NOW, moneyOf: (fit) => sums[names.get(fit)!]! }).map(
      ({ design }) => design.name,
    );
  expect(shown({ sort: 'costs' })).toEqual(['Dear', 'Loss', 'Little', 'Unsaid']);
  expect(shown({ sort: 'earns' })).toEqual(['Loss', 'Little', 'Dear', 'Unsaid']);
  expect(shown({ money: 'loss' })).toEqual(['Loss']);
  expect(shown({ money: 'little' })).toEqual(['Loss', 'Little']);
  expect(shown({ money: 'unknown' })).toEqual(['Unsaid']);
  expect(
    [{ sort: 'costs' }, { money: 'loss' }, {}].map((view) => goesByMoney({ ...WHOLE, ...view } as View)),
  ).toEqual([true, true, false]);
});

describe('what of the range is shown', () => {
  const all = [
    seen('Gull', [{ verdict: 'ready' }, { verdict: 'look', findings: [finding('thin', 'look', 0.1)] }]),
    seen('Anchor', [{ verdict: 'ready', days: 3 }], occasion('Harbour day', '1970-05-01')),
    seen('Kelp', [
      { verdict: 'fix', days: 40, findings: [finding('thin', 'fix', 0.6), finding('bleed', 'fix')] },
    ]),
    seen('Bare', [], occasion('Harbour day', '1970-05-01')),
    seen('New', [{}], occasion('Lamp night', '1970-04-20')),
  ];

  test('by how designs stand: what is not fitted, or not measured, is not ready', () => {
    expect(names({}, all)).toEqual(['Gull', 'Anchor', 'Kelp', 'Bare', 'New']);
    expect(names({ standing: 'ready' }, all)).toEqual(['Anchor']);
    expect(names({ standing: 'needs work' }, all)).toEqual(['Gull', 'Kelp', 'Bare', 'New']);
  });

  test('by what stands against one of their fits, by age, and by product colour: one fit has to be all of it', () => {
    expect(names({ rule: 'thin' }, all)).toEqual(['Gull', 'Kelp']);
    expect(names({ rule: 'thin', days: 30 }, all)).toEqual(['Gull']);
    expect(names({ days: 1 }, all)).toEqual(['Gull']);
    expect(names({ days: 3 }, all)).toEqual(['Gull', 'Anchor']);
    const { name } = shirt.blank.colours.at(-1)!;
    expect(
      names({ colour: name }, [
        seen('a', [{ verdict: 'ready', colour: name }]),
        seen('b', [{ verdict: 'ready' }]),
      ]),
    ).toEqual(['a']);
  });

  test('found by their names, what they are for, and the words they carry, in any letters', () => {
    expect(names({}, all, ' gUL ')).toEqual(['Gull']);
    expect(names({}, all, 'harbour')).toEqual(['Anchor', 'Bare']);
    expect(names({}, all, 'keep it')).toEqual(['Anchor', 'Bare', 'New']);
    expect(names({}, all, 'nothing like it')).toEqual([]);
  });

  test('in order: by name, what is wrong first, of one rule by how far it is off, the next occasion, the last change', () => {
    expect(names({ sort: 'name' }, all)).toEqual(['Anchor', 'Bare', 'Gull', 'Kelp', 'New']);
    expect(names({ sort: 'wrong' }, all).slice(0, 2)).toEqual(['Kelp', 'Gull']);
    const two = [
      seen('less', [{ verdict: 'fix', findings: [finding('thin', 'fix', 0.2)] }]),
      seen('more', [{ verdict: 'look', findings: [finding('thin', 'look', 0.9)] }]),
    ];
    expect(names({ sort: 'wrong', rule: 'thin' }, two)).toEqual(['more', 'less']);
    expect(names({ sort: 'wrong' }, two)).toEqual(['less', 'more']);
    expect(names({ sort: 'occasion' }, all).slice(0, 3)).toEqual(['New', 'Anchor', 'Bare']);
    expect(names({ sort: 'measured' }, all).slice(0, 3)).toEqual(['Gull', 'Anchor', 'Kelp']);
  });

  test('rows of one head come together, and each head stands over its first row', () => {
    const view = { ...WHOLE, rows: 'occasion' as const };
    const rows = rowsIn(view, all, '', { now: NOW });
    const heads = rows.map((one) => rowHead(view, one));
    expect(heads).toEqual(['for no occasion', 'for no occasion', 'Harbour day', 'Harbour day', 'Lamp night']);
    const groups = groupsOf(heads);
    expect(groups.map(({ at }) => at)).toEqual([0, 2, 4]);
    expect(topOf(3, groups)).toBe(3 * ROW_HEIGHT + 2 * GROUP_HEIGHT);
    expect(groupsOf(['', '', ''])).toEqual([]);
    expect(topOf(3, [])).toBe(3 * ROW_HEIGHT);
    expect(all.map((one) => rowHead({ rows: 'standing' }, one))).toEqual([
      'with a Look',
      'all Ready',
      'with a Fix',
      'nothing measured',
      'nothing measured',
    ]);
  });

  test('columns by house, kind and method, of one head together; others are left out', () => {
    const blanks = [mug, shirt, tote, blankById('mug-450')];
    const view = (change: Partial<View>) =>
      columnsIn({ ...WHOLE, ...change }, blanks).map(({ blank }) => blank.id);
    expect(view({})).toEqual(['mug-325', 'shirt', 'tote', 'mug-450']);
    expect(view({ columns: 'kind' }).slice(0, 2)).toEqual(['mug-325', 'mug-450']);
    expect(view({ methodId: shirt.method.id })).toContain('shirt');
    expect(view({ methodId: shirt.method.id })).not.toContain('mug-325');
    expect(view({ specId: mug.spec.id })).toContain('mug-325');
    expect(columnHead({ columns: 'house' }, mug)).toBe(mug.spec.house);
    expect(columnHead({ columns: 'none' }, mug)).toBe('');
  });
});

test('a summary has what stands against a fit, the worst first, and how far off its limit each measures', () => {
  const picture = solid(3000, 2000);
  const docket = docketOf(mug, [pieceAt(111, 68, 90, 60)], picture, factsOf(picture));
  const summary = summaryOf(docket);
  expect(summary.verdict).toBe('fix');
  expect(summary.findings.map(({ verdict }) => verdict)).toEqual(
    [...summary.findings.map(({ verdict }) => verdict)].sort((a, b) => (a === b ? 0 : a === 'fix' ? -1 : 1)),
  );
  const safe = summary.findings.find(({ rule }) => rule === 'safe')!;
  expect(safe.mendable).toBe(true);
  expect(JSON.stringify(summary).length).toBeLessThan(JSON.stringify(docket).length / 3);
});

describe('fits side by side', () => {
  const size = fc.record({
    width: fc.double({ min: 5, max: 900, noNaN: true }),
    height: fc.double({ min: 5, max: 900, noNaN: true }),
  });
  const page = { width: 269, height: 164, gap: 7, caption: { width: 34, height: 15 } };

  test('all at one scale, none over another or off its page, and none larger than it is', () => {
    fc.assert(
      fc.property(fc.array(size, { minLength: 1, maxLength: 60 }), (sizes) => {
        const { scale, pages } = layBeside(sizes, page);
        expect(scale).toBeGreaterThan(0);
        expect(scale).toBeLessThanOrEqual(1);
        expect(pages.flat().map(({ index }) => index)).toEqual(sizes.map((_, i) => i));
        for (const spots of pages) {
          const boxes = spots.map(({ index, x, y }) => ({
            left: x,
            right: x + Math.max(sizes[index]!.width * scale, page.caption.width),
            top: y,
            bottom: y + sizes[index]!.height * scale + page.caption.height,
          }));
          for (const [i, a] of boxes.entries()) {
            expect([
              a.left >= -1e-6,
              a.right <= page.width + 1e-6,
              a.top >= -1e-6,
              a.bottom <= page.height + 1e-6,
            ]).toEqual([true, true, true, true]);
            for (const b of boxes.slice(i + 1))
              expect(
                a.right <= b.left + 1e-6 ||
                  b.right <= a.left + 1e-6 ||
                  a.bottom <= b.top + 1e-6 ||
                  b.bottom <= a.top + 1e-6,
              ).toBe(true);
          }
        }
      }),
      runs(60),
    );
  });
});

describe('a size that is not offered', () => {
  const facts = factsOf(solid(1200, 600));
  const asked = { factsOf: () => facts, newId: () => 'new' };
  const fit = fitOf(mug, [pieceAt(111, 46, 60, 30)]);

  test('the blanks of its kind, the nearest first, with what changes on each', () => {
    const offers = offersFor({ fit, blank: mug }, { width: 230, height: 95 }, shippedBlanks(), asked);
    expect(offers.every(({ blank }) => blank.blank.body.kind === mug.blank.body.kind)).toBe(true);
    const off = offers.map(({ wider, higher }) => Math.hypot(wider, higher));
    expect(off).toEqual([...off].sort((a, b) => a - b));
    for (const { blank, wider, scale, ppi, lost, faces } of offers) {
      const [from, to] = [mug.faces[0]!, blank.faces[0]!];
      expect(wider).toBeCloseTo(trimSize(to).width - 230, 6);
      expect(scale).toBeCloseTo(Math.min(to.width / from.width, to.height / from.height), 6);
      expect(ppi!.before).toBeCloseTo(1200 / (60 / 25.4), 3);
      expect(ppi!.after).toBeCloseTo(ppi!.before / scale, 3);
      expect(Math.min(lost.across, lost.down)).toBeCloseTo(0, 9);
      expect(faces[0]!.faceId).toBe(to.id);
    }
    const own = offers.find(({ blank }) => blank.blank.id === mug.blank.id)!;
    expect([own.scale, own.lost.across, own.lost.down]).toEqual([1, 0, 0]);
  });

  test('a body takes the size where width and height are its own numbers: corners no rounder than it allows', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...shippedBlanks()),
        fc.double({ min: 20, max: 400, noNaN: true }),
        fc.double({ min: 20, max: 400, noNaN: true }),
        ({ blank }, width, height) => {
          const sized = sizedBody(blank.body, { width, height });
          if (!sized) return;
          const [face] = facesOf(sized);
          expect([face!.width, face!.height]).toEqual([expect.closeTo(width, 2), expect.closeTo(height, 2)]);
          expect(face!.cornerRadius).toBeLessThanOrEqual(Math.min(width, height) / 2 + 1e-9);
        },
      ),
      runs(80),
    );
    expect(sizedBody(blankById('sticker-75').blank.body, { width: 60, height: 50 })).not.toBeNull();
    expect(sizedBody(mug.blank.body, { width: 60, height: 50 })).toBeNull();
  });
});
