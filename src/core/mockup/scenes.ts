import * as v from 'valibot';
import type { ResolvedBlank } from '../blank/resolve';
import { inSize, sizesSold } from '../fit/in-size';
import type { Fit } from '../fit/schema';
import type { Family, Holder } from '../product/families';
import { productOf } from '../product/kinds';
import { READABLE_ANGLE } from '../blank/bodies/round';
import { wrapAngle } from '../product/views';
import { PictureSizeSchema, SceneSchema, type PictureSize, type Scene } from './schema';
import listed from './scenes.json';
import sizes from './sizes.json';

const Numbers = v.array(v.number());
/** As the shipped list writes them, in short. */
const ShortSchema = v.object({
  id: v.string(),
  name: v.string(),
  families: v.array(v.string()),
  holder: v.optional(v.string()),
  sizes: v.optional(v.boolean()),
  camera: Numbers,
  light: Numbers,
  backdrop: v.array(v.string()),
  window: v.optional(v.boolean()),
  beside: v.optional(v.array(v.string())),
  places: v.array(Numbers),
});

/** The scenes that come with Up Fit, all drawn. */
export const SCENES: readonly Scene[] = v.parse(v.array(ShortSchema), listed).map((short) => {
  const [yaw, pitch, far, margin] = short.camera;
  const [lampYaw, lampPitch, around] = short.light;
  const [ground, surface, colour, behind] = short.backdrop;
  return v.parse(SceneSchema, {
    upfit: 'scene/1',
    id: short.id,
    name: short.name,
    families: short.families,
    holder: short.holder,
    sizes: short.sizes,
    camera: { yaw, pitch, far, margin },
    light: { yaw: lampYaw, pitch: lampPitch, around },
    backdrop: { ground, surface, colour, behind, window: short.window },
    beside: short.beside,
    places: short.places.map(([fit, turn, gap, forward]) => ({ fit, turn, gap, forward })),
  });
});

/** The sizes that listings ask for. */
export const PICTURE_SIZES: readonly PictureSize[] = v.parse(v.array(PictureSizeSchema), sizes);

/** What kind of thing a blank is to a scene. */
export function familyOf(blank: ResolvedBlank): Family {
  return productOf(blank.blank.body).family(blank);
}

/** The scenes that show a blank as it is used. */
export function scenesFor(blank: ResolvedBlank): Scene[] {
  const family = familyOf(blank);
  const { body } = blank.blank;
  const holders: readonly Holder[] = ['none', ...(productOf(body).holders?.(body) ?? [])];
  return SCENES.filter(
    ({ families, holder, sizes }) =>
      holders.includes(holder) &&
      (families.length === 0 || families.includes(family)) &&
      (!sizes || blank.blank.sizes.length > 1),
  );
}

const SIDES = { front: 0, right: 90, back: 180, left: -90 } as const;

/** The sides of its first fit that a scene shows, as a viewer in front names them: those that read, within 60 degrees. */
export function sidesIn(scene: Scene): string[] {
  const eyes = scene.places
    .filter(({ fit }) => fit === 0)
    .map(({ turn }) => ((scene.camera.yaw - turn) * Math.PI) / 180);
  return Object.entries(SIDES)
    .filter(([, degrees]) =>
      eyes.some((yaw) => Math.abs(wrapAngle(yaw - (degrees * Math.PI) / 180)) <= READABLE_ANGLE),
    )
    .map(([side]) => side);
}

/** How many fits a scene pictures together. */
export function fitsIn({ places, sizes }: Scene): number {
  return sizes ? 1 : 1 + Math.max(...places.map(({ fit }) => fit));
}

/** A fit as the things of a scene that shows its sizes: in the smallest that it is sold in, and in the largest. */
export function inBothEnds(blank: ResolvedBlank, fit: Fit): { blank: ResolvedBlank; fit: Fit }[] {
  const sold = sizesSold(blank, fit);
  return [sold[0]!, sold.at(-1)!].map(({ id }) => inSize(blank, fit, id));
}

/** Whether a blank is drunk hot from, so that it may steam. */
export function isSteaming({ blank: { body } }: ResolvedBlank): boolean {
  return (productOf(body).mouth?.(body) ?? null) !== null;
}

/** Whether what a scene shows stands free and alone: what lies or hangs has a back that nobody sees. */
export function isTurnable({ backdrop, places }: Scene): boolean {
  return (backdrop.ground === 'sweep' || backdrop.ground === 'table') && places.length === 1;
}
