import { bodyAt, type PrintFace, type ResolvedBlank } from '../blank/resolve';
import type { Finish, Method } from '../blank/schema';
import { caseMeshes, galleryMeshes, plateMeshes, tileMeshes, wallMeshes } from './bodies/boards';
import { foldedMeshes } from './bodies/folded';
import { garmentMeshes, openedMeshes } from './bodies/garment';
import { labelledMeshes } from './bodies/labelled';
import { roundMeshes } from './bodies/round';
import { bagMeshes, cardMeshes, cushionMeshes, pouchMeshes } from './bodies/soft';
import { stickerMeshes } from './bodies/sticker';
import type { Mesh } from './mesh';

/** A product as a thing in a room, in mm, its front towards the viewer. */
export interface Model {
  meshes: readonly Mesh[];
  /** What it usually rests on: a table it stands or lies on, or a wall it hangs on. */
  rest: 'stands' | 'lies' | 'hangs';
  /** How such products take light, where the colour does not say. */
  finish: Finish;
  /** Whether it is turned about: other things are looked at from in front and from behind. */
  turns: boolean;
}

/** The product of a blank, at one of its graded sizes. `faceId` matters where a face is only seen on the thing laid open. */
export function modelOf(
  { blank, faces }: Pick<ResolvedBlank, 'blank' | 'faces'>,
  sizeId: string | null = null,
  faceId: string | null = null,
): Model {
  const body = bodyAt(blank, sizeId);
  switch (body.kind) {
    case 'wrap':
    case 'taper':
      return { meshes: roundMeshes(body), rest: 'stands', finish: 'gloss', turns: true };
    case 'label':
      return { meshes: labelledMeshes(body, faces), rest: 'stands', finish: 'matt', turns: true };
    case 'garment':
      return {
        meshes: faceId === 'neck' ? openedMeshes(body) : garmentMeshes(body),
        rest: 'lies',
        finish: 'fabric',
        turns: false,
      };
    case 'case':
      return { meshes: caseMeshes(body), rest: 'lies', finish: 'gloss', turns: true };
    case 'gallery':
      return { meshes: galleryMeshes(body), rest: 'hangs', finish: 'matt', turns: true };
    case 'plate':
      return { meshes: plateMeshes(body), rest: 'hangs', finish: 'matt', turns: true };
    case 'flat':
      return blank.viewedFrom === null
        ? { meshes: tileMeshes(body), rest: 'lies', finish: 'gloss', turns: true }
        : { meshes: wallMeshes(body), rest: 'hangs', finish: 'matt', turns: false };
    case 'folded':
      return { meshes: foldedMeshes(body, faces), rest: 'stands', finish: 'matt', turns: true };
    case 'two-sided':
      switch (blank.shownAs) {
        case 'pouch':
          return { meshes: pouchMeshes(body), rest: 'stands', finish: 'matt', turns: true };
        case 'bag':
          return { meshes: bagMeshes(body), rest: 'stands', finish: 'fabric', turns: true };
        case 'cushion':
          return { meshes: cushionMeshes(body), rest: 'stands', finish: 'fabric', turns: true };
        default:
          return { meshes: cardMeshes(body), rest: 'lies', finish: 'matt', turns: true };
      }
    case 'sticker':
      return { meshes: stickerMeshes(faces), rest: 'lies', finish: 'gloss', turns: false };
  }
}

/** What of a face is seen on its product, in mm: its trim, and what is wrapped round its edges. */
export function seenOf({ width, height, edge }: PrintFace) {
  return { left: -edge, top: -edge, right: width + edge, bottom: height + edge };
}

/** Whether a method's print stands up from the product: a film that is pressed on, or ink that is cured on top. */
export function standsUp({ id }: Pick<Method, 'id'>): boolean {
  return id === 'film-transfer' || id === 'uv';
}
