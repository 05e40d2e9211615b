import { STARTING_CONTENTS } from '@/core/blank/contents';
import { readableWidth } from '@/core/blank/bodies/round';
import { aspectsOf } from '@/core/blank/kinds';
import type { ResolvedBlank } from '@/core/blank/resolve';
import { findingsOf } from '@/core/check/face-findings';
import { USUAL_CUT } from '@/core/fit/cut';
import type { Fit } from '@/core/fit/schema';
import { firstLettering, newText } from '@/core/fit/text';
import { layText } from '@/core/type/layout';
import { blankById, faceOf, fitOf, pieceAt, sheetOf, shown, stickersOf } from '../support/fits';
import { face as font } from '../support/font';
import { few, LONG } from '../support/long';
import { laidOut, type Laid } from './bench';
import { circle, Drawing, turned, type Point, type Rgba } from './draw';
import { TruthTable } from './table';

/** What is asked of the product as a whole: how it reads in the hand, how it is cut, transferred, and what must stand on it. */
const table = new TruthTable();
afterAll(() => {
  table.print();
  expect(table.wrong()).toEqual([]);
});

const NAVY: Rgba = [20, 34, 74, 255];
const PER_MM = 4;

function lettered(text: string, x = 20, y = 15, id = 'text') {
  const lettering = { ...firstLettering('archivo-narrow', '#14224a', 3), lines: [{ text, gap: null }] };
  return newText(id, lettering, layText(lettering, font())!, { x, y });
}

/** The share of a disc that lies left of a line so many radii right of its middle. */
function discShare(at: number): number {
  const t = Math.max(-1, Math.min(1, at));
  return (Math.acos(-t) + t * Math.sqrt(1 - t * t)) / Math.PI;
}

test.each(few(['mug-325', 'mug-180', 'tumbler-590', 'tumbler-taper-480'], 2))(
  'read-share on %s: blocks and discs so much past the band that reads, on every side',
  (id) => {
    const blank = blankById(id);
    const face = faceOf(blank);
    const reads = readableWidth(aspectsOf(blank.blank.body).wall!);
    const block = new Drawing(40, 10, PER_MM, NAVY).raster();
    const disc = new Drawing(40, 40, PER_MM).lay([circle(20, 20, 19.99)], NAVY).raster();
    const y = face.height / 2;
    for (const zone of face.zones.filter(({ x }) => x > reads / 2 && x < face.width - reads / 2))
      for (const [share, verdict] of [
        [1, 'ready'],
        [0.93, 'ready'],
        [0.88, 'look'],
        [0.78, 'look'],
      ] as const) {
        // Wider than what reads, its ends turn away; half as wide and off to one side, one of them does.
        const wide = pieceAt(zone.x, y, reads / share, 10);
        const aside = (sign: number) =>
          pieceAt(zone.x + sign * (reads / 4 + (reads / 2) * (1 - share)), y, reads / 2, 10);
        for (const piece of [wide, aside(1), aside(-1)])
          table.take({
            rule: 'read-share',
            name: `${id}, ${zone.name}: a block of which ${share} reads`,
            laid: laidOut(blank, block, PER_MM, { pieces: [piece] }),
            verdict,
            measures: [share * 100, 0.6],
          });
      }
    // Of a disc that hangs over one end of the band, a segment of it.
    const front = face.zones.find(({ name }) => name === 'front')!;
    for (const radius of [0.18, 0.24, 0.3, 0.4].map((part) => part * reads)) {
      const off = 0.33 * reads;
      const share = discShare((reads / 2 - off) / radius);
      table.take({
        rule: 'read-share',
        name: `${id}: a disc of which ${share.toFixed(3)} reads`,
        laid: laidOut(blank, disc, PER_MM, {
          pieces: [pieceAt(front.x + off, y, 2 * radius, 2 * radius)],
        }),
        verdict: share >= 0.9 ? 'ready' : 'look',
        measures: [share * 100, 0.6],
      });
    }
  },
);

/** A sticker cut along closed lines in mm. */
function cutAlong(...rings: (readonly Point[])[]): Laid {
  const all = rings.flat();
  const [left, top] = [Math.min(...all.map(([x]) => x)), Math.min(...all.map(([, y]) => y))];
  const d = rings
    .map((ring) => `M${ring.map(([x, y]) => `${(x - left).toFixed(4)} ${(y - top).toFixed(4)}`).join('L')}Z`)
    .join('');
  const cut = { ...USUAL_CUT, name: 'One', d, of: '' };
  const dot = new Drawing(2, 2, 12, NAVY).raster();
  const { fit, resolved } = stickersOf([{ faceId: 'sticker-1', pieces: [pieceAt(12, 12, 2, 2)], cut }]);
  return (rules) => findingsOf(resolved, fit, shown(dot), rules);
}

/** A dumb-bell of length 40 that is so wide at its waist, all its corners wide and round. */
function waisted(neck: number): Point[] {
  const [half, swell, ends] = [20, 8, 60];
  const at = (x: number) => neck / 2 + swell * Math.sin((Math.PI * x) / (2 * half)) ** 2;
  const upper = Array.from({ length: 161 }, (_, i): Point => [-half + i / 4, -at(-half + i / 4)]);
  const end = Array.from({ length: ends - 1 }, (_, i): Point => {
    const angle = -Math.PI / 2 + ((i + 1) / ends) * Math.PI;
    return [half + at(half) * Math.cos(angle), at(half) * Math.sin(angle)];
  });
  const right = [...upper.slice(80), ...end];
  return [...right, ...right.map(([x, y]): Point => [-x, -y])];
}

function arc(x: number, y: number, radius: number, from: number, to: number): Point[] {
  const steps = 24;
  return Array.from({ length: steps + 1 }, (_, i): Point => {
    const angle = ((from + ((to - from) * i) / steps) * Math.PI) / 180;
    return [x + radius * Math.cos(angle), y + radius * Math.sin(angle)];
  });
}

function roundedBox(width: number, height: number, radius: number): Point[] {
  const [x, y] = [width / 2 - radius, height / 2 - radius];
  return [
    ...arc(x, -y, radius, -90, 0),
    ...arc(x, y, radius, 0, 90),
    ...arc(-x, y, radius, 90, 180),
    ...arc(-x, -y, radius, 180, 270),
  ];
}

/** A drop whose tip has so many degrees between its sides and is rounded to a radius. */
function drop(degrees: number, radius: number): Point[] {
  const large = 9;
  const away = (large - radius) / Math.sin((degrees * Math.PI) / 360);
  const half = 90 - degrees / 2;
  return [...arc(0, 0, large, half, 360 - half), ...arc(away, 0, radius, -half, half)];
}

type Case = readonly [value: number, verdict: 'ready' | 'look' | 'fix'];

/** Both sides of a rule's limits; what is far off them is tried in the long run. */
const atLimits =
  (...near: Case[]) =>
  (...far: Case[]): Case[] => [...near, ...(LONG ? far : [])];

test('cut line: necks, corners, tips and parts, at any turn', () => {
  for (const degrees of few([33, 0, 90], 1)) {
    const take = (
      name: string,
      rings: (readonly Point[])[],
      verdict: 'ready' | 'look' | 'fix',
      measures?: readonly [number, number],
    ) => {
      table.take({
        rule: 'cut-line',
        name: `${name}, turned ${degrees}`,
        laid: cutAlong(...rings.map((ring) => turned(ring, degrees))),
        verdict,
        ...(measures && { measures }),
      });
    };
    for (const [neck, verdict] of atLimits(
      [1.9, 'fix'],
      [2.1, 'look'],
      [2.3, 'look'],
      [2.5, 'ready'],
    )([1, 'fix'], [5, 'ready']))
      take(`a neck of ${neck}`, [waisted(neck)], verdict, [neck, 0.05]);
    for (const [radius, verdict] of atLimits(
      [0.42, 'fix'],
      [0.55, 'look'],
      [0.68, 'ready'],
    )([0.2, 'fix'], [2, 'ready']))
      take(
        `corners of ${radius}`,
        [roundedBox(30, 20, radius)],
        verdict,
        verdict === 'ready' ? undefined : [radius, 0.08],
      );
    for (const [tip, verdict] of atLimits(
      [19, 'fix'],
      [21.5, 'look'],
      [23, 'look'],
      [26, 'ready'],
    )([14, 'fix'], [60, 'ready']))
      take(`a tip of ${tip} degrees`, [drop(tip, 0.8)], verdict, verdict === 'ready' ? undefined : [tip, 1]);
    take('two parts', [circle(0, 0, 9), circle(20, 0, 9)], 'fix', [2, 0]);
    take('one round part', [circle(0, 0, 15)], 'ready');
  }
});

test('mirror: every owner with every method, set right and backwards', () => {
  for (const [method, transferred] of [
    ['mug-325', true],
    ['hooded-top', true],
    ['shirt', false],
    ['case-pier-6', false],
  ] as const)
    for (const mirroring of ['file', 'driver', 'house', undefined] as const)
      for (const backwards of [false, true]) {
        const sheet = sheetOf(method);
        const blank: ResolvedBlank = { ...sheet, spec: { ...sheet.spec, mirroring } };
        const text = { ...lettered('HARBOUR'), flipped: backwards };
        const owners = (transferred ? 1 : 0) + (backwards ? 1 : 0);
        const laid = laidOut(blank, new Drawing(2, 2, 12, NAVY).raster(), 12, { pieces: [text] });
        table.take({
          rule: 'mirror',
          name: `${method}, by ${mirroring ?? 'nobody named'}, ${backwards ? 'backwards' : 'right'}`,
          laid,
          verdict: backwards ? 'fix' : 'ready',
          ...(owners > 0 && { measures: [owners, 0] as const }),
        });
      }
});

test('contents: each entry said in any of its words, left away, said by another word, ticked by hand', () => {
  const dot = shown(new Drawing(2, 2, 12, NAVY).raster());
  for (const { name: list, contents } of STARTING_CONTENTS) {
    const blank = sheetOf('label-jar', { height: 80 }, { contents: [...contents] });
    const told = (lines: readonly string[], change: Partial<Fit> = {}): Laid => {
      const pieces = lines.map((line, i) => lettered(line, 20, 6 + 6 * i, `line-${i}`));
      return (rules) => findingsOf(blank, { ...fitOf(blank, pieces), ...change }, dot, rules);
    };
    /** A line for every entry but one, each in the word of its own that no other entry has. */
    const wordOf = (of: (typeof contents)[number], which: number) => of.words[which % of.words.length]!;
    for (let which = 0; which < 6; which++)
      table.take({
        rule: 'contents',
        name: `${list}: all, in words ${which}`,
        laid: told(contents.map((entry) => `${wordOf(entry, which).toUpperCase()}: 40`)),
        verdict: 'ready',
        measures: [contents.length, 0],
      });
    for (const [i, entry] of contents.entries()) {
      const others = contents.filter((other) => other !== entry).map((other) => `${other.words[0]!} 40`);
      // Within another word an entry is not said.
      for (const [said, lines] of [
        ['away', others],
        ['within another word', [...others, `x${entry.words[0]!}x`]],
      ] as const)
        table.take({
          rule: 'contents',
          name: `${list}: ${entry.name} ${said}`,
          laid: told(lines),
          verdict: 'fix',
          measures: [contents.length - 1, 0],
        });
      table.take({
        rule: 'contents',
        name: `${list}: ${entry.name} ticked`,
        laid: told(others, { ticked: [{ entryId: entry.id, note: `seen ${i}`, date: '2026-11-30' }] }),
        verdict: 'look',
      });
    }
  }
});
