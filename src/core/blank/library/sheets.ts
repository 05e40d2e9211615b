import type { StickerBody } from '../bodies/sheets';
import type { Outline } from '../../geometry/outline';
import { rectangle, type KeepOut, type Sheet } from '../face';
import type { Blank } from '../schema';
import { blank } from './make';
import { keepOutFrom } from './parts';

const VINYL = [{ id: 'white', name: 'White vinyl', hex: '#ffffff' }];
const PAPER = [{ id: 'white', name: 'White', hex: '#fbfaf5' }];
const CLEAR = { id: 'clear', name: 'Clear', hex: '#d9dedf' };

function phoneCase(id: string, name: string, width: number, height: number, keepOuts: KeepOut[]): Blank {
  return blank({
    id,
    name,
    body: { kind: 'case', width, height, cornerRadius: 11, depth: 6, keepOuts },
    methodId: 'uv',
    specId: 'ostrey-case',
    colours: [CLEAR, { id: 'black', name: 'Black', hex: '#202226' }],
  });
}

function sticker(
  id: string,
  name: string,
  cut: StickerBody['cut'],
  sheet: Sheet,
  several: StickerBody['several'] = null,
): Blank {
  return blank({
    id,
    name,
    body: { kind: 'sticker', cut, sheet, several },
    methodId: 'digital-label',
    specId: 'skerry-sticker',
    colours: VINYL,
  });
}

/** A sticker cut to what lies on it; its sheet is what it is before anything does. */
function stickerToShape(id: string, name: string, cut: StickerBody['cut']): Blank {
  return blank({
    id,
    name,
    body: {
      kind: 'sticker',
      cut,
      sheet: rectangle(75, 75, 6),
      several: null,
      toShape: { offered: [40, 60, 80, 100] },
    },
    methodId: 'digital-label',
    specId: 'skerry-to-shape',
    colours: VINYL,
  });
}

/** A regular star-like bell that an ornament is cut to: a round body with a shoulder for the ribbon. */
function ornamentOutline(): Outline {
  const points: Outline = [
    [31, 10],
    [31, 2],
    [33, 0],
    [47, 0],
    [49, 2],
    [49, 10],
  ];
  for (let step = 1; step < 72; step++) {
    const angle = (step / 72) * 2 * Math.PI;
    const point: [number, number] = [40 + 40 * Math.sin(angle), 48 - 40 * Math.cos(angle)];
    if (Math.abs(point[0] - 40) > 9 || point[1] > 48) points.push(point);
  }
  return points;
}

/** Cases, stickers, labels, paper, walls and hardware. */
export const SHEETS: readonly Blank[] = [
  phoneCase('case-pier-6', 'Case for Wherran 4', 69, 151, [
    keepOutFrom('camera-oblong', 24, 18),
    keepOutFrom('side-button', 71.5, 52),
  ]),
  phoneCase('case-pier-6-long', 'Case for Wherran 4 tall', 75, 167, [
    keepOutFrom('camera-oblong', 24, 18),
    keepOutFrom('side-button', 77.5, 56),
  ]),
  phoneCase('case-tern-3', 'Case for Selkin 2', 72, 144, [
    keepOutFrom('camera-band', 36, 15),
    keepOutFrom('side-button', 74.5, 54),
  ]),
  phoneCase('case-moor-x', 'Case for Orlet 9', 78, 156, [keepOutFrom('camera-round', 39, 24)]),

  sticker('sticker-75', 'Sticker 75, die cut', 'die', rectangle(75, 75, 37.5)),
  sticker('sticker-50', 'Sticker 50, round', 'kiss', rectangle(50, 50, 25)),
  sticker('sticker-90x60', 'Sticker 90 × 60, rounded', 'kiss', rectangle(90, 60, 6)),
  sticker('sticker-40', 'Sticker 40, kiss cut', 'kiss', rectangle(40, 40, 3)),
  sticker('sticker-wide', 'Bumper sticker', 'die', rectangle(280, 75, 4)),
  sticker('sticker-sheet-a6', 'Sticker sheet, six', 'kiss', rectangle(42, 42, 21), {
    across: 2,
    down: 3,
    gap: 6,
  }),

  stickerToShape('sticker-die-cut', 'Sticker to shape, die cut', 'die'),
  stickerToShape('sticker-kiss-cut', 'Sticker to shape, kiss cut', 'kiss'),

  blank({
    id: 'label-jar',
    name: 'Jar label',
    body: {
      kind: 'label',
      diameter: 68,
      height: 48,
      overlap: 6,
      panels: [
        { name: 'contents', share: 1 },
        { name: 'front', share: 2 },
        { name: 'maker', share: 1 },
      ],
      pair: null,
    },
    methodId: 'digital-label',
    specId: 'skerry-label',
    colours: PAPER,
  }),
  blank({
    id: 'label-bottle',
    name: 'Bottle label, front and back',
    body: {
      kind: 'label',
      diameter: 76,
      height: 110,
      overlap: 0,
      panels: [],
      pair: { front: 90, back: 75, cornerRadius: 3 },
    },
    methodId: 'digital-label',
    specId: 'skerry-label',
    colours: PAPER,
  }),
  blank({
    id: 'pouch',
    name: 'Coffee pouch 250 g',
    body: {
      kind: 'two-sided',
      sides: [
        {
          id: 'front',
          name: 'Front',
          sheet: rectangle(140, 190),
          keepOuts: [keepOutFrom('knob-19', 70, 22, 'valve')],
        },
        { id: 'back', name: 'Back', sheet: rectangle(140, 190), keepOuts: [] },
      ],
    },
    shownAs: 'pouch',
    methodId: 'digital-label',
    specId: 'skerry-label',
    colours: [
      { id: 'cream', name: 'Cream', hex: '#efe6d2' },
      { id: 'kraft', name: 'Kraft', hex: '#b68f62' },
    ],
    contents: [
      { id: 'net-weight', name: 'net weight', words: ['net weight', 'net wt', '250 g'] },
      { id: 'best-before', name: 'best before', words: ['best before', 'use by'] },
      { id: 'maker', name: 'maker and address', words: ['made by', 'packed by', 'roasted by'] },
    ],
  }),
  blank({
    id: 'lunch-bag',
    name: 'Lunch bag',
    body: {
      kind: 'two-sided',
      sides: [
        { id: 'front', name: 'Front', sheet: rectangle(240, 200, 8), keepOuts: [] },
        { id: 'back', name: 'Back', sheet: rectangle(240, 200, 8), keepOuts: [] },
      ],
    },
    shownAs: 'bag',
    methodId: 'sublimation',
    specId: 'corrie-sublimation',
  }),
  blank({
    id: 'gallery-40x30',
    name: 'Gallery print 400 × 300',
    body: { kind: 'gallery', width: 400, height: 300, depth: 38 },
    methodId: 'large-format',
    specId: 'broadwater-wall',
    viewedFrom: 1000,
    colours: PAPER,
  }),
  blank({
    id: 'poster-a2',
    name: 'Poster 420 × 594',
    body: { kind: 'flat', sheet: rectangle(420, 594), keepOuts: [] },
    methodId: 'large-format',
    specId: 'broadwater-wall',
    viewedFrom: 1000,
    colours: PAPER,
  }),
  blank({
    id: 'banner-1800',
    name: 'Banner 1,800 × 700',
    body: {
      kind: 'flat',
      sheet: rectangle(1800, 700),
      keepOuts: [
        [20, 20],
        [1780, 20],
        [20, 680],
        [1780, 680],
      ].map(([x, y], index) => ({
        id: `eyelet-${index + 1}`,
        name: 'Eyelet',
        effect: 'hole' as const,
        shape: { kind: 'circle' as const, x: x!, y: y!, diameter: 14 },
      })),
    },
    methodId: 'large-format',
    specId: 'broadwater-banner',
    viewedFrom: 2000,
    colours: PAPER,
  }),
  blank({
    id: 'leaflet',
    name: 'Folded leaflet',
    body: { kind: 'folded', fold: 'letter', width: 100, height: 210, inward: 1.5 },
    methodId: 'digital-print',
    specId: 'tarn-paper',
    colours: PAPER,
  }),
  blank({
    id: 'card-a6',
    name: 'Greeting card, folded',
    body: { kind: 'folded', fold: 'half', width: 105, height: 148, inward: 0 },
    methodId: 'digital-print',
    specId: 'tarn-paper',
    colours: PAPER,
  }),
  blank({
    id: 'coaster',
    name: 'Coaster',
    body: { kind: 'flat', sheet: rectangle(96, 96, 8), keepOuts: [] },
    methodId: 'sublimation',
    specId: 'harl-kiln-plate',
  }),
  blank({
    id: 'cushion-450',
    name: 'Cushion 450',
    body: {
      kind: 'two-sided',
      sides: [
        { id: 'front', name: 'Front', sheet: rectangle(450, 450), keepOuts: [] },
        { id: 'back', name: 'Back', sheet: rectangle(450, 450), keepOuts: [] },
      ],
    },
    shownAs: 'cushion',
    methodId: 'sublimation',
    specId: 'corrie-sublimation',
  }),
  blank({
    id: 'ornament',
    name: 'Hanging ornament',
    body: {
      kind: 'flat',
      sheet: { width: 80, height: 88, cornerRadius: 0, outline: ornamentOutline() },
      keepOuts: [keepOutFrom('hanging-hole', 40, 6)],
    },
    methodId: 'sublimation',
    specId: 'harl-kiln-plate',
  }),
  blank({
    id: 'knob-plate',
    name: 'Control plate, four knobs',
    body: {
      kind: 'plate',
      sheet: rectangle(66, 112, 3),
      keepOuts: [
        ...[
          [18, 22],
          [48, 22],
          [18, 54],
          [48, 54],
        ].flatMap(([x, y], index) => [
          keepOutFrom('knob-19', x!, y!, `knob-${index + 1}`),
          keepOutFrom('shaft-hole', x!, y!, `shaft-${index + 1}`),
        ]),
        keepOutFrom('screw-hole', 5, 5, 'screw-1'),
        keepOutFrom('screw-hole', 61, 107, 'screw-2'),
      ],
    },
    methodId: 'uv',
    specId: 'ostrey-case',
    colours: [
      { id: 'bare', name: 'Bare aluminium', hex: '#c9ccce', finish: 'metal' },
      { id: 'black', name: 'Black', hex: '#202226' },
    ],
  }),
];
