import type { BodyOf, Kind, Body } from '../blank/kinds';
import type { ResolvedBlank } from '../blank/resolve';
import type { Finish } from '../blank/schema';
import { caseMeshes, galleryMeshes, plateMeshes, tileMeshes, wallMeshes } from './bodies/boards';
import { foldedMeshes } from './bodies/folded';
import { garmentMeshes, openedMeshes } from './bodies/garment';
import { labelledMeshes } from './bodies/labelled';
import { mouthOf, roundMeshes, type Mouth } from './bodies/round';
import { bagMeshes, cardMeshes, cushionMeshes, pouchMeshes } from './bodies/soft';
import { stickerMeshes } from './bodies/sticker';
import type { Eye } from './camera';
import type { Family, Holder } from './families';
import { inStack, isFolded } from './worn/stack';
import { hangsOnHook, onHook } from './worn/hook';
import { hangsOnForm, onForm, onHanger } from './worn/worn';
import type { Mesh } from './mesh';

/** A side that a product is looked at from. */
export interface View extends Eye {
  id: string;
  /** As one says it after the product's name: "from the left". */
  name: string;
  /** The face that is only seen on the thing laid open, for this view. */
  faceId: string | null;
  /** What holds it for this view. */
  holder: Holder;
}

/** A product as a thing in a room, in mm, its front towards the viewer. */
export interface Model {
  meshes: readonly Mesh[];
  /** What it usually rests on: a table it stands or lies on, or a wall it hangs on. */
  rest: 'stands' | 'lies' | 'hangs';
  /** How such products take light, where the colour does not say. */
  finish: Finish;
}

type Known = Pick<ResolvedBlank, 'blank' | 'faces'>;

/** A kind of blank as a product: what it looks like, and how it is looked at. */
export interface ProductKind<B extends Body> {
  /** Its named sides, the usual one first. */
  views: (body: B, known: Known) => View[];
  /** `faceId` matters where a face is only seen on the thing laid open. */
  model: (body: B, known: Known, faceId: string | null, holder: Holder) => Model;
  /** Where it is open, if what is in it is drunk hot. */
  mouth?: (body: B) => Mouth | null;
  /** What can hold it besides nothing. */
  holders?: (body: B) => readonly Holder[];
  family: (known: Known) => Family;
  /** Whether it is turned about: other things are looked at from in front and from behind. */
  turns: (known: Known) => boolean;
  /** The face that is on the side turned away from the viewer; null where there is none. */
  backFace: string | null;
}

const degrees = (value: number) => (value * Math.PI) / 180;
/** A little from above, so that a lip shows as a ring. */
const ABOVE = degrees(11);

const view = (id: string, name: string, yaw: number, pitch: number, faceId: string | null = null): View => ({
  id,
  name,
  yaw: degrees(yaw),
  pitch,
  faceId,
  holder: 'none',
});

const FRONT = view('front', 'from the front', 0, 0);
const ROUND_ABOUT = [
  view('front', 'from the front', 0, ABOVE),
  view('left', 'from the left', -90, ABOVE),
  view('right', 'from the right', 90, ABOVE),
];
const BACK = view('back', 'from the back', 180, ABOVE);
const BOARD_VIEWS = [
  FRONT,
  view('right', 'its right edge', 48, degrees(8)),
  view('left', 'its left edge', -48, degrees(8)),
  view('top', 'from above', 0, degrees(50)),
];

const round: ProductKind<BodyOf<'wrap' | 'taper'>> = {
  views: ({ handle }) => [
    ...ROUND_ABOUT,
    handle ? view('handle', 'from the handle', 180, ABOVE) : BACK,
    view('top', 'from above', 0, degrees(72)),
  ],
  model: (body) => ({ meshes: roundMeshes(body), rest: 'stands', finish: 'gloss' }),
  mouth: mouthOf,
  turns: () => true,
  family: () => 'round',
  backFace: null,
};

/** A garment's sides by its print areas; a sleeve's is seen from the front. */
const GARMENT_VIEWS: Record<string, View> = {
  front: FRONT,
  back: view('back', 'from the back', 180, 0),
  neck: view('neck', 'inside the neck', 0, 0, 'neck'),
};

const ON_FORM: View = { ...view('form', 'on a tailor’s form', 28, degrees(5)), holder: 'form' };

export const PRODUCT_KINDS: { readonly [K in Kind]: ProductKind<BodyOf<K>> } = {
  wrap: round,
  taper: round,
  label: {
    views: () => [...ROUND_ABOUT, BACK],
    model: (body, { faces }) => ({
      meshes: labelledMeshes(body, faces),
      rest: 'stands',
      finish: 'matt',
    }),
    turns: () => true,
    family: () => 'round',
    backFace: null,
  },
  garment: {
    views: (body) => [
      ...body.prints.flatMap(({ place }) => GARMENT_VIEWS[place] ?? []),
      ...(hangsOnForm(body) ? [ON_FORM] : []),
    ],
    model: (body, _, faceId, holder) => {
      if (holder === 'form' && hangsOnForm(body))
        return { meshes: onForm(body), rest: 'stands', finish: 'fabric' };
      if (holder === 'hanger' && hangsOnForm(body))
        return { meshes: onHanger(body), rest: 'hangs', finish: 'fabric' };
      if (holder === 'stack' && isFolded(body))
        return { meshes: inStack(body), rest: 'lies', finish: 'fabric' };
      if (holder === 'hook' && hangsOnHook(body))
        return { meshes: onHook(body), rest: 'hangs', finish: 'fabric' };
      const meshes = faceId === 'neck' ? openedMeshes(body) : garmentMeshes(body);
      return { meshes, rest: 'lies', finish: 'fabric' };
    },
    holders: (body) => [
      ...(hangsOnForm(body) ? (['form', 'hanger'] as const) : []),
      ...(isFolded(body) ? (['stack'] as const) : []),
      ...(hangsOnHook(body) ? (['hook'] as const) : []),
    ],
    turns: () => false,
    family: () => 'garment',
    backFace: 'back',
  },
  folded: {
    views: () => [
      view('outside', 'the outside', 180 + 34, degrees(8)),
      view('inside', 'the inside', 0, degrees(8)),
      view('edge', 'on edge', 90, degrees(14)),
    ],
    model: (body, { faces }) => ({
      meshes: foldedMeshes(body, faces),
      rest: 'stands',
      finish: 'matt',
    }),
    turns: () => true,
    family: () => 'paper',
    backFace: 'outside',
  },
  'two-sided': {
    views: (_, { faces }) => [
      view('front', 'from the front', 0, degrees(4)),
      ...(faces.length > 1 ? [view('back', 'from the back', 180, degrees(4))] : []),
      view('edge', 'on edge', 62, degrees(8)),
    ],
    model: (body, { blank: { shownAs = 'card' } }) => {
      switch (shownAs) {
        case 'pouch':
          return { meshes: pouchMeshes(body), rest: 'stands', finish: 'matt' };
        case 'bag':
          return { meshes: bagMeshes(body), rest: 'stands', finish: 'fabric' };
        case 'cushion':
          return { meshes: cushionMeshes(body), rest: 'stands', finish: 'fabric' };
        case 'card':
          return { meshes: cardMeshes(body), rest: 'lies', finish: 'matt' };
      }
    },
    turns: () => true,
    family: ({ blank: { shownAs = 'card' } }) => (shownAs === 'card' ? 'small' : 'soft'),
    backFace: 'back',
  },
  case: {
    views: () => [
      view('back', 'from behind', 0, 0),
      view('right', 'its right edge', 52, degrees(6)),
      view('left', 'its left edge', -52, degrees(6)),
      view('top', 'from above', 0, degrees(52)),
    ],
    model: (body) => ({ meshes: caseMeshes(body), rest: 'lies', finish: 'gloss' }),
    turns: () => true,
    family: () => 'case',
    backFace: null,
  },
  gallery: {
    views: () => BOARD_VIEWS,
    model: (body) => ({ meshes: galleryMeshes(body), rest: 'hangs', finish: 'matt' }),
    turns: () => true,
    family: () => 'wall',
    backFace: null,
  },
  plate: {
    views: () => BOARD_VIEWS,
    model: (body) => ({ meshes: plateMeshes(body), rest: 'hangs', finish: 'matt' }),
    turns: () => true,
    family: () => 'small',
    backFace: null,
  },
  // What is looked at from afar hangs on a wall, the rest lies on a table.
  flat: {
    views: (_, { blank: { viewedFrom } }) =>
      viewedFrom === null
        ? [FRONT, view('edge', 'on edge', 36, degrees(28))]
        : [FRONT, view('edge', 'from the side', -38, 0)],
    model: (body, { blank: { viewedFrom } }) =>
      viewedFrom === null
        ? { meshes: tileMeshes(body), rest: 'lies', finish: 'gloss' }
        : { meshes: wallMeshes(body), rest: 'hangs', finish: 'matt' },
    turns: ({ blank: { viewedFrom } }) => viewedFrom === null,
    family: ({ blank: { viewedFrom } }) => (viewedFrom === null ? 'small' : 'wall'),
    backFace: null,
  },
  sticker: {
    views: () => [FRONT, view('edge', 'on edge', -24, degrees(34))],
    model: (_, { faces }) => ({ meshes: stickerMeshes(faces), rest: 'lies', finish: 'gloss' }),
    turns: () => false,
    family: () => 'sticker',
    backFace: null,
  },
};

/** A body's kind as a product. */
export function productOf<B extends Body>(body: B): ProductKind<B> {
  return PRODUCT_KINDS[body.kind] as unknown as ProductKind<B>;
}
