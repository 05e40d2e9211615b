import * as v from 'valibot';
import { FAMILIES, HOLDERS } from '../product/families';
import { IdSchema, NameSchema } from '../blank/basics';
import { Finite, list, NotNegative, Positive } from '../bounds';

const Hex = v.pipe(v.string(), v.regex(/^#[0-9a-f]{6}$/, 'A colour is written #rrggbb.'));
const Share = v.pipe(v.number(), v.minValue(0), v.maxValue(1));

/** What the things of a scene stand on or hang on. */
export const GROUNDS = ['sweep', 'table', 'lying', 'wall'] as const;
export const SURFACES = ['smooth', 'boards', 'linen', 'stone', 'plaster', 'brushed'] as const;

/** What can stand beside the things of a scene. */
export const BESIDE = ['awning', 'brushes', 'crates', 'gift-box', 'hand'] as const;
export type Beside = (typeof BESIDE)[number];

/** A scene that is drawn: lengths are shares of the first product's width, angles degrees. */
export const SceneSchema = v.object({
  upfit: v.literal('scene/1'),
  id: IdSchema,
  name: NameSchema,
  /** Products it is for; all of them where empty. */
  families: v.array(v.picklist(FAMILIES)),
  /** What holds its things, where they are such as can be held. */
  holder: v.optional(v.picklist(HOLDERS), 'none'),
  /** Whether it shows the first fit in its smallest size and in its largest, which are its places 0 and 1. */
  sizes: v.optional(v.boolean(), false),
  camera: v.object({
    yaw: Finite,
    pitch: Finite,
    /** How far off, as a multiple of the usual distance. */
    far: Positive,
    /** Share of the picture that is clear on each side. */
    margin: v.pipe(v.number(), v.minValue(-0.5), v.maxValue(0.45)),
  }),
  light: v.object({ yaw: Finite, pitch: Finite, around: Share }),
  backdrop: v.object({
    ground: v.picklist(GROUNDS),
    surface: v.picklist(SURFACES),
    /** The ground's colour, and the wall's behind it. */
    colour: Hex,
    behind: Hex,
    /** Whether daylight falls through a window on what is behind. */
    window: v.optional(v.boolean(), false),
  }),
  /** What stands beside its things. */
  beside: v.optional(v.array(v.picklist(BESIDE)), []),
  /** Things from the left to the right. */
  places: v.pipe(
    v.array(
      v.object({
        /** Which of the fits that are pictured together; the first where there are fewer. */
        fit: v.pipe(v.number(), v.integer(), v.minValue(0)),
        turn: Finite,
        /** To the next thing, and towards the viewer. */
        gap: Finite,
        forward: Finite,
      }),
    ),
    v.minLength(1),
  ),
});
export type Scene = v.InferOutput<typeof SceneSchema>;

/** A size that pictures are made in. */
export const PictureSizeSchema = v.object({
  id: IdSchema,
  name: NameSchema,
  width: v.pipe(v.number(), v.integer(), v.minValue(64), v.maxValue(6000)),
  height: v.pipe(v.number(), v.integer(), v.minValue(64), v.maxValue(6000)),
});
export type PictureSize = v.InferOutput<typeof PictureSizeSchema>;

/** How a scene is dressed for one picture. */
export const DressSchema = v.object({
  /** Of the ground; the scene's own where null. */
  colour: v.nullable(Hex),
  /** How strong shadows are, 0 to 1.5; 0 is none. */
  shadow: v.pipe(NotNegative, v.maxValue(1.5)),
  /** Whether cups that are drunk hot from steam. */
  steam: v.optional(v.boolean(), false),
});
export type Dress = v.InferOutput<typeof DressSchema>;

export const USUAL_DRESS: Dress = { colour: null, shadow: 1, steam: false };

export const PICTURE_FORMATS = ['jpeg', 'png', 'webp'] as const;
export type PictureFormat = (typeof PICTURE_FORMATS)[number];

/** How pictures are made. */
export const PictureStyleSchema = v.object({
  ...v.pick(PictureSizeSchema, ['width', 'height']).entries,
  format: v.picklist(PICTURE_FORMATS),
  dress: DressSchema,
  /** Whether colours are shown as printed. */
  proof: v.boolean(),
  /** {design} {blank} {scene} {colour} {size} stand for what they say. */
  naming: v.pipe(v.string(), v.maxLength(200)),
});
export type PictureStyle = v.InferOutput<typeof PictureStyleSchema>;

/** What pictures are made together: in which scenes or photos, in which colours of the product, and how. */
export const PictureSetSchema = v.object({
  settingIds: list(v.string(), 200),
  allColours: v.boolean(),
  style: PictureStyleSchema,
});
export type PictureSet = v.InferOutput<typeof PictureSetSchema>;

/** A set that is kept by name, and the fits that it was made of: each as it was then, by a digest. */
export const KeptPicturesSchema = v.object({
  name: NameSchema,
  ...PictureSetSchema.entries,
  made: list(v.object({ fitId: IdSchema, state: v.string() }), 10_000),
});
export type KeptPictures = v.InferOutput<typeof KeptPicturesSchema>;
