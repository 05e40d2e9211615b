import * as v from 'valibot';
import { FoldedBodySchema, foldedFaces } from './bodies/folded';
import {
  GarmentBodySchema,
  garmentFaces,
  garmentStandsOff,
  gradeGarment,
  type GarmentBody,
} from './bodies/garment';
import {
  circumference,
  roundFaces,
  roundStandsOff,
  TaperBodySchema,
  WrapBodySchema,
  type RoundBody,
} from './bodies/round';
import {
  caseFaces,
  CaseBodySchema,
  FlatBodySchema,
  flatFaces,
  GalleryBodySchema,
  galleryFaces,
  LabelBodySchema,
  labelFaces,
  PlateBodySchema,
  StickerBodySchema,
  stickerFaces,
  TwoSidedBodySchema,
  twoSidedFaces,
  type FlatBody,
  type PlateBody,
  type StickerBody,
} from './bodies/sheets';
import { foldedTroubles, garmentTroubles, roundTroubles, type Say, type Trouble } from './bodies/troubles';
import type { Face, KeepOut, Zone } from './face';
import {
  caseForm,
  flatForm,
  foldedForm,
  galleryForm,
  garmentForm,
  labelForm,
  plateForm,
  stickerForm,
  taperForm,
  twoSidedForm,
  wrapForm,
  type KindForm,
} from './forms';

/** What a blank is made as: one of these, told apart by its `kind`. A new kind is a schema here and an entry below. */
export const BodySchema = v.variant('kind', [
  WrapBodySchema,
  TaperBodySchema,
  FlatBodySchema,
  GalleryBodySchema,
  FoldedBodySchema,
  TwoSidedBodySchema,
  GarmentBodySchema,
  CaseBodySchema,
  LabelBodySchema,
  PlateBodySchema,
  StickerBodySchema,
]);
export type Body = v.InferOutput<typeof BodySchema>;
export type Kind = Body['kind'];
export type BodyOf<K extends Kind> = Extract<Body, { kind: K }>;

/** How a face goes round its product. */
export interface Round {
  /** mm all the way round. */
  way: number;
  /** Where on the face the viewer before it looks, in mm from its left, and the side that viewer stands at, in radians. */
  front: number;
  middle: number;
  /** Whether the print goes all the way and its ends meet. */
  closes: boolean;
}

/** What a body is to those who work with more of it than its faces. */
export interface Aspects {
  /** A wall that the print is wrapped round. */
  wall: RoundBody | null;
  /** A sewn thing on which print areas hang. */
  sewn: GarmentBody | null;
  /** A flat thing that a printed template is laid on. */
  laid: FlatBody | PlateBody | null;
  sticker: StickerBody | null;
}
const PLAIN: Aspects = { wall: null, sewn: null, laid: null, sticker: null };

/** All that the code needs to know of a kind of blank, but for how it is drawn as a product (core/product/kinds.ts). */
export interface KindOfBlank<B extends Body> {
  /** What a seller calls it. */
  name: string;
  /** Its lengths by their path, in the order they are measured, and their names; `*` stands for every entry of a list. */
  lengths: readonly (readonly [path: string, name: string])[];
  faces: (body: B) => Face[];
  /** What keeps it from being made or printed. */
  troubles: (body: B, say: Say) => Trouble[];
  /** It at one of its graded sizes; null where such things have one size. */
  graded: ((body: B, size: { garment: number; print: number }) => B) | null;
  /** How a face goes round it; null where it lies flat. */
  round: (body: B, face: Pick<Face, 'id' | 'width' | 'overlap' | 'zones'>) => Round | null;
  aspects: (body: B) => Aspects;
  /** The zones of a face that so many motifs begin in, in that order; they come round again where there are more. */
  begins: (zones: readonly Zone[], count: number) => readonly Zone[];
  /** Keep-outs of each of its faces, which may be changed; null where such things have none. */
  keepOuts: {
    of: (body: B, faceId: string) => KeepOut[];
    set: (body: B, faceId: string, keepOuts: KeepOut[]) => B;
  } | null;
  /** How one of one's own is described, number by number. */
  form: KindForm<B>;
  /** How far a print is from the product's own edges, for the press card. */
  standsOff: (body: B, face: { id: string; bleed: number }, say: Say) => string[];
}

const SHEET = [
  ['sheet.width', 'width'],
  ['sheet.height', 'height'],
  ['sheet.cornerRadius', 'corner radius'],
] as const;
const ROUND = [
  ['lip', 'lip left out'],
  ['foot', 'foot left out'],
  ['handle.gap', 'handle gap, kept clear'],
  ['overlap', 'seam overlap'],
] as const;

const goesPast: KindOfBlank<Body>['standsOff'] = (_, { bleed }, say) =>
  bleed > 0 ? [`goes ${say(bleed)} past every edge of the product`] : [];

/** What most kinds are. */
const FLAT = {
  troubles: () => [],
  graded: null,
  round: () => null,
  aspects: () => PLAIN,
  begins: (zones: readonly Zone[]) => zones.slice(0, 1),
  keepOuts: null,
  standsOff: goesPast,
} as const;

interface Clear {
  keepOuts: KeepOut[];
}

/** Of a thing with one face. */
const OWN_KEEP_OUTS = {
  of: <B extends Clear>({ keepOuts }: B) => keepOuts,
  set: <B extends Clear>(body: B, _: string, keepOuts: KeepOut[]) => ({ ...body, keepOuts }),
};

/** Of the one of several parts that a face is. */
function keepOutOf<P extends Clear>(parts: readonly P[], isFace: (part: P) => boolean): KeepOut[] {
  return parts.find(isFace)?.keepOuts ?? [];
}
function keptClear<P extends Clear>(
  parts: readonly P[],
  isFace: (part: P) => boolean,
  keepOuts: KeepOut[],
): P[] {
  return parts.map((part) => (isFace(part) ? { ...part, keepOuts } : part));
}

/** One in front, two at the sides, more all round. */
function sidesOf(zones: readonly Zone[], count: number): readonly Zone[] {
  const front = zones.filter(({ id }) => id === 'front');
  if (count > 2 || front.length === 0) return zones;
  const sides = zones.filter(({ id }) => id !== 'front');
  return count === 2 && sides.length === 2 ? sides : front;
}

function wall<B extends RoundBody>(goesAll: (body: B) => boolean) {
  return {
    faces: roundFaces,
    troubles: roundTroubles,
    graded: null,
    round: (body: B, { width, overlap }: Pick<Face, 'width' | 'overlap'>) => ({
      way: circumference(body),
      front: (width - overlap) / 2,
      middle: 0,
      closes: body.handle === null && goesAll(body),
    }),
    aspects: (body: B) => ({ ...PLAIN, wall: body }),
    begins: sidesOf,
    keepOuts: null,
    standsOff: (body: B, _: unknown, say: Say) => roundStandsOff(body, say),
  };
}

export const KINDS: { readonly [K in Kind]: KindOfBlank<BodyOf<K>> } = {
  wrap: {
    name: 'Straight wrap',
    lengths: [
      ['diameter', 'diameter'],
      ['height', 'height, whole'],
      ...ROUND,
      ['partial', 'width of the print'],
    ],
    ...wall<BodyOf<'wrap'>>(({ partial }) => partial === null),
    form: wrapForm,
  },
  taper: {
    name: 'Tapered wrap',
    lengths: [
      ['topDiameter', 'diameter, top of the print'],
      ['bottomDiameter', 'diameter, foot of the print'],
      ['slant', 'along the wall'],
      ...ROUND,
    ],
    ...wall<BodyOf<'taper'>>(() => true),
    form: taperForm,
  },
  flat: {
    ...FLAT,
    name: 'Flat',
    lengths: SHEET,
    faces: flatFaces,
    aspects: (body) => ({ ...PLAIN, laid: body }),
    keepOuts: OWN_KEEP_OUTS,
    form: flatForm,
  },
  gallery: {
    ...FLAT,
    name: 'Gallery wrap',
    lengths: [
      ['width', 'width'],
      ['height', 'height'],
      ['depth', 'edge depth'],
    ],
    faces: galleryFaces,
    form: galleryForm,
  },
  folded: {
    ...FLAT,
    name: 'Folded',
    lengths: [
      ['width', 'panel width'],
      ['height', 'height'],
      ['inward', 'inner panel narrower by'],
    ],
    faces: foldedFaces,
    // Closed, it shows the last panel of its outside: the cover.
    begins: (zones) => zones.slice(-1),
    troubles: foldedTroubles,
    form: foldedForm,
  },
  'two-sided': {
    ...FLAT,
    name: 'Two-sided',
    lengths: SHEET.map(([path, name]) => [`sides.*.${path}`, name] as const),
    faces: twoSidedFaces,
    keepOuts: {
      of: ({ sides }, faceId) => keepOutOf(sides, ({ id }) => id === faceId),
      set: (body, faceId, keepOuts) => ({
        ...body,
        sides: keptClear(body.sides, ({ id }) => id === faceId, keepOuts),
      }),
    },
    form: twoSidedForm,
  },
  garment: {
    ...FLAT,
    name: 'Garment',
    lengths: [
      ['chest', 'across'],
      ['length', 'length'],
      ['sleeve', 'sleeve'],
      ['collarWidth', 'collar, across'],
      ['prints.*.width', 'print width'],
      ['prints.*.height', 'print height'],
      ['prints.*.below', 'below the collar'],
    ],
    faces: garmentFaces,
    troubles: garmentTroubles,
    graded: gradeGarment,
    aspects: (body) => ({ ...PLAIN, sewn: body }),
    keepOuts: {
      of: ({ prints }, faceId) => keepOutOf(prints, ({ place }) => place === faceId),
      set: (body, faceId, keepOuts) => ({
        ...body,
        prints: keptClear(body.prints, ({ place }) => place === faceId, keepOuts),
      }),
    },
    form: garmentForm,
    standsOff: (body, face, say) => garmentStandsOff(body, face.id, say),
  },
  case: {
    ...FLAT,
    name: 'Phone case',
    lengths: [
      ['width', 'width'],
      ['height', 'height'],
      ['cornerRadius', 'corner radius'],
      ['depth', 'wrapped side'],
    ],
    faces: caseFaces,
    keepOuts: OWN_KEEP_OUTS,
    form: caseForm,
  },
  label: {
    ...FLAT,
    name: 'Label',
    lengths: [
      ['diameter', 'diameter of the container'],
      ['height', 'height'],
      ['overlap', 'seam overlap'],
      ['pair.front', 'front width'],
      ['pair.back', 'back width'],
    ],
    faces: labelFaces,
    begins: (zones) => [...zones].sort((a, b) => b.width - a.width).slice(0, 1),
    form: labelForm,
    round: ({ diameter }, { id, width, overlap, zones }) => ({
      way: Math.PI * diameter,
      front: zones.find(({ name }) => name === 'front')?.x ?? width / 2,
      middle: id === 'back' ? Math.PI : 0,
      closes: overlap > 0,
    }),
  },
  plate: {
    ...FLAT,
    name: 'Hardware plate',
    lengths: SHEET,
    faces: flatFaces,
    aspects: (body) => ({ ...PLAIN, laid: body }),
    keepOuts: OWN_KEEP_OUTS,
    form: plateForm,
  },
  sticker: {
    ...FLAT,
    name: 'Sticker',
    lengths: [...SHEET, ['several.gap', 'gap']],
    faces: stickerFaces,
    begins: (zones) => zones,
    form: stickerForm,
    aspects: (body) => ({ ...PLAIN, sticker: body }),
  },
};

export const KIND_IDS = Object.keys(KINDS) as Kind[];

/** What is known of a body's kind. */
export function kindOf<B extends Body>(body: B): KindOfBlank<B> {
  return KINDS[body.kind] as unknown as KindOfBlank<B>;
}

/** What a body is to those who work with more of it than its faces. */
export function aspectsOf(body: Body): Aspects {
  return kindOf(body).aspects(body);
}

/**
 * How far it is in mm round a face that closes on itself: from a point to the same point again. Null where it does not
 * close, for a handle or because it goes only part of the way round.
 */
export function wayRound(body: Body, face: Pick<Face, 'id' | 'width' | 'overlap' | 'zones'>): number | null {
  const round = kindOf(body).round(body, face);
  return round?.closes ? round.way : null;
}
