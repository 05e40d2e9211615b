import { FOLDS, type FoldedBody } from './bodies/folded';
import { GARMENT_CUTS, PRINT_PLACES, type GarmentBody } from './bodies/garment';
import { diametersOf, usualHandle, type RoundBody, type TaperBody, type WrapBody } from './bodies/round';
import type {
  CaseBody,
  FlatBody,
  GalleryBody,
  LabelBody,
  PlateBody,
  StickerBody,
  TwoSidedBody,
} from './bodies/sheets';
import { rectangle } from './face';

/** One of a few words that a body is told by. */
export interface BodyPick<B> {
  name: string;
  choices: readonly (readonly [value: string, name: string])[];
  get: (body: B) => string;
  set: (body: B, value: string) => B;
}

/** A whole number of things on a body, at least one. */
export interface BodyCount<B> {
  name: string;
  most: number;
  get: (body: B) => number;
  set: (body: B, count: number) => B;
}

/** Parts that a body has several of: sides, print areas, panels. */
export interface BodyParts<B> {
  name: string;
  of: (body: B) => readonly string[];
  /** What can be added, by the name it gets. */
  offered: (body: B) => readonly string[];
  add: (body: B, name: string) => B;
  /** Null where the last one cannot be taken off. */
  remove: (body: B, index: number) => B | null;
  /** Null where parts have the names that the trade gives them. */
  rename: ((body: B, index: number, name: string) => B) | null;
}

/** How a body of one kind is described, besides by its lengths and its keep-outs. */
export interface KindForm<B> {
  /** Things of that kind, in words. */
  what: string;
  /** What a new one begins with, and the method that most such are printed by. */
  begin: B;
  methodId: string;
  picks: readonly BodyPick<B>[];
  counts: (body: B) => readonly BodyCount<B>[];
  parts: BodyParts<B> | null;
}

const PLAIN = { picks: [], counts: () => [], parts: null } as const;

/** mm of a handle's gap before anybody has measured it. */
const HANDLE_GAP = 26;

function handlePick<B extends RoundBody>(): BodyPick<B> {
  return {
    name: 'handle',
    choices: [
      ['none', 'none'],
      ['one', 'one, kept clear'],
    ],
    get: ({ handle }) => (handle ? 'one' : 'none'),
    set: (body, value) => {
      const { top, bottom } = diametersOf(body);
      const height = body.kind === 'wrap' ? body.height - body.lip - body.foot : body.slant;
      const handle = usualHandle(HANDLE_GAP, Math.min(top, bottom), Math.max(1, height));
      // Where there is a handle, the ends do not meet under it.
      return { ...body, handle: value === 'one' ? handle : null, ...(value === 'one' && { overlap: 0 }) };
    },
  };
}

export const wrapForm: KindForm<WrapBody> = {
  ...PLAIN,
  methodId: 'sublimation',
  what: 'mugs and tumblers that are the same all the way down',
  begin: {
    kind: 'wrap',
    diameter: 82,
    height: 95,
    lip: 3,
    foot: 4,
    overlap: 0,
    handle: usualHandle(HANDLE_GAP, 82, 88),
    partial: null,
  },
  picks: [
    handlePick(),
    {
      name: 'the print goes',
      choices: [
        ['all', 'all the way it can'],
        ['part', 'part of the way'],
      ],
      get: ({ partial }) => (partial === null ? 'all' : 'part'),
      set: (body, value) => ({ ...body, partial: value === 'part' ? body.diameter : null }),
    },
  ],
};

export const taperForm: KindForm<TaperBody> = {
  ...PLAIN,
  methodId: 'sublimation',
  what: 'cups that narrow: tumblers, cone mugs, stemless cups',
  begin: {
    kind: 'taper',
    topDiameter: 88,
    bottomDiameter: 64,
    slant: 120,
    lip: 4,
    foot: 5,
    overlap: 0,
    handle: null,
  },
  picks: [handlePick()],
};

export const flatForm: KindForm<FlatBody> = {
  ...PLAIN,
  methodId: 'sublimation',
  what: 'coasters, posters, banners, tags with one printed side',
  begin: { kind: 'flat', sheet: rectangle(96, 96, 8), keepOuts: [] },
};

export const plateForm: KindForm<PlateBody> = {
  ...PLAIN,
  methodId: 'sublimation',
  what: 'plates that are screwed on: drill holes, knobs that will cover them',
  begin: { kind: 'plate', sheet: rectangle(120, 94, 3), keepOuts: [] },
};

export const galleryForm: KindForm<GalleryBody> = {
  ...PLAIN,
  methodId: 'large-format',
  what: 'prints stretched over a frame',
  begin: { kind: 'gallery', width: 400, height: 300, depth: 38 },
};

const FOLD_NAMES: Record<FoldedBody['fold'], string> = {
  half: 'once, in the middle',
  letter: 'twice, a flap inward',
  accordion: 'twice, to and fro',
  gate: 'two flaps that meet',
};

export const foldedForm: KindForm<FoldedBody> = {
  ...PLAIN,
  methodId: 'digital-print',
  what: 'cards and leaflets that fold',
  begin: { kind: 'folded', fold: 'half', width: 105, height: 148, inward: 0 },
  picks: [
    {
      name: 'folded',
      choices: FOLDS.map((fold) => [fold, FOLD_NAMES[fold]] as const),
      get: ({ fold }) => fold,
      set: (body, fold) => ({ ...body, fold: fold as FoldedBody['fold'] }),
    },
  ],
};

const SIDES = ['Front', 'Back', 'Left side', 'Right side', 'Lid', 'Foot'] as const;

export const twoSidedForm: KindForm<TwoSidedBody> = {
  ...PLAIN,
  methodId: 'digital-label',
  what: 'pouches, cards, tags, bags: every side with art of its own',
  begin: {
    kind: 'two-sided',
    sides: [
      { id: 'front', name: 'Front', sheet: rectangle(90, 55, 3), keepOuts: [] },
      { id: 'back', name: 'Back', sheet: rectangle(90, 55, 3), keepOuts: [] },
    ],
  },
  parts: {
    name: 'sides',
    of: ({ sides }) => sides.map(({ name }) => name),
    offered: ({ sides }) => SIDES.filter((name) => !sides.some((side) => side.id === idOf(name))),
    add: (body, name) => ({
      ...body,
      sides: [...body.sides, { ...body.sides[0]!, id: idOf(name), name, keepOuts: [] }],
    }),
    remove: (body, index) =>
      body.sides.length > 1 ? { ...body, sides: body.sides.filter((_, i) => i !== index) } : null,
    rename: (body, index, name) => ({
      ...body,
      sides: body.sides.map((side, i) => (i === index ? { ...side, name } : side)),
    }),
  },
};

function idOf(name: string): string {
  return name.toLowerCase().replaceAll(' ', '-');
}

const CUT_NAMES: Record<GarmentBody['cut'], string> = {
  shirt: 'a shirt',
  hooded: 'a hooded top',
  cap: 'a cap',
  tote: 'a bag with handles',
  apron: 'an apron',
};

export const garmentForm: KindForm<GarmentBody> = {
  ...PLAIN,
  methodId: 'direct-to-garment',
  what: 'shirts, tops, caps, bags and aprons, in graded sizes',
  begin: {
    kind: 'garment',
    cut: 'shirt',
    chest: 530,
    length: 735,
    sleeve: 215,
    collarWidth: 190,
    collarDrop: 62,
    prints: [{ place: 'front', width: 300, height: 400, below: 60, keepOuts: [] }],
  },
  picks: [
    {
      name: 'sewn as',
      choices: GARMENT_CUTS.map((cut) => [cut, CUT_NAMES[cut]] as const),
      get: ({ cut }) => cut,
      set: (body, cut) => ({ ...body, cut: cut as GarmentBody['cut'] }),
    },
  ],
  parts: {
    name: 'print areas',
    of: ({ prints }) => prints.map(({ place }) => place),
    offered: ({ prints }) => PRINT_PLACES.filter((place) => !prints.some((one) => one.place === place)),
    add: (body, place) => ({
      ...body,
      prints: [
        ...body.prints,
        { ...body.prints[0]!, place: place as (typeof PRINT_PLACES)[number], keepOuts: [] },
      ],
    }),
    remove: (body, index) =>
      body.prints.length > 1 ? { ...body, prints: body.prints.filter((_, i) => i !== index) } : null,
    rename: null,
  },
};

export const caseForm: KindForm<CaseBody> = {
  ...PLAIN,
  methodId: 'uv',
  what: 'phone cases: the back, its wrapped sides, and the holes in them',
  begin: { kind: 'case', width: 74, height: 152, cornerRadius: 11, depth: 6, keepOuts: [] },
};

export const labelForm: KindForm<LabelBody> = {
  ...PLAIN,
  methodId: 'digital-label',
  what: 'labels of jars and bottles: one that goes round, or a front and a back',
  begin: { kind: 'label', diameter: 68, height: 48, overlap: 6, panels: [], pair: null },
  picks: [
    {
      name: 'made as',
      choices: [
        ['wrap', 'one label that goes round'],
        ['pair', 'a front and a back label'],
      ],
      get: ({ pair }) => (pair ? 'pair' : 'wrap'),
      set: (body, value) =>
        value === 'pair'
          ? {
              ...body,
              overlap: 0,
              panels: [],
              pair: { front: body.diameter, back: body.diameter, cornerRadius: 3 },
            }
          : { ...body, pair: null },
    },
  ],
  counts: ({ panels }) =>
    panels.map(({ name, share }, index) => ({
      name: `${name}: shares of the way round`,
      most: 1000,
      get: () => share,
      set: (body, count) => ({
        ...body,
        panels: body.panels.map((panel, i) => (i === index ? { ...panel, share: count } : panel)),
      }),
    })),
  parts: {
    name: 'panels',
    of: ({ panels }) => panels.map(({ name }) => name),
    offered: ({ panels, pair }) =>
      pair
        ? []
        : ['contents', 'front', 'maker', 'use'].filter((one) => !panels.some(({ name }) => name === one)),
    add: (body, name) => ({ ...body, panels: [...body.panels, { name, share: 1 }] }),
    remove: (body, index) => ({ ...body, panels: body.panels.filter((_, i) => i !== index) }),
    rename: (body, index, name) => ({
      ...body,
      panels: body.panels.map((panel, i) => (i === index ? { ...panel, name } : panel)),
    }),
  },
};

export const stickerForm: KindForm<StickerBody> = {
  ...PLAIN,
  methodId: 'digital-label',
  what: 'stickers and sheets of them',
  begin: { kind: 'sticker', cut: 'die', sheet: rectangle(75, 75, 6), several: null },
  picks: [
    {
      name: 'cut',
      choices: [
        ['die', 'through (die cut)'],
        ['kiss', 'to the backing (kiss cut)'],
      ],
      get: ({ cut }) => cut,
      set: (body, cut) => ({ ...body, cut: cut as StickerBody['cut'] }),
    },
    {
      name: 'comes as',
      choices: [
        ['one', 'one of a fixed shape'],
        ['sheet', 'several on a sheet'],
        ['shape', 'cut round its artwork'],
      ],
      get: ({ several, toShape }) => (toShape ? 'shape' : several ? 'sheet' : 'one'),
      set: ({ kind, cut, sheet }, value) => ({
        kind,
        cut,
        sheet,
        several: value === 'sheet' ? { across: 2, down: 3, gap: 4 } : null,
        ...(value === 'shape' && { toShape: { offered: [] } }),
      }),
    },
  ],
  counts: ({ several }) =>
    several
      ? (['across', 'down'] as const).map((name) => ({
          name,
          most: 100,
          get: () => several[name],
          set: (body, count) => ({ ...body, several: { ...several, [name]: count } }),
        }))
      : [],
};
