import type { PrintFace, ResolvedBlank } from '../../blank/resolve';
import type { Polygons } from '../../geometry/path';
import { isInRing } from '../../geometry/ring';
import { looksOf, type AllLooks } from '../../product/looks';
import { toLinear } from '../../product/light';
import type { Fallen } from '../../product/bands';
import { paint, type Shader } from '../../product/paint';
import { sampleTexture, textureOf, type Texture } from '../../product/texture';
import { coverOf, maskAt, type Mask } from '../../raster/cover';
import { IN_SILENCE, type Progress, type Raster } from '../../raster/raster';
import type { PhotoPoint, PhotoScene, PhotoSurface } from './schema';
import { cellsOf, onPhoto } from './surface';
import { ringOf } from './troubles';
import { kindOf } from '../../blank/kinds';

/** What of a face a surface shows, in mm. */
export interface Area {
  left: number;
  top: number;
  width: number;
  height: number;
}

/** The face that a surface shows, and the part of it: a zone as wide as it is, round a thing as far as it goes. */
export function feedOf(
  blank: ResolvedBlank,
  { faceId, zoneId, shape }: PhotoSurface,
): { face: PrintFace; area: Area } {
  const face = blank.faces.find(({ id }) => id === faceId) ?? blank.faces[0]!;
  const zone = face.zones.find(({ id }) => id === zoneId);
  const { body } = blank.blank;
  const round = kindOf(body).round(body, face);
  if (shape.kind === 'cylinder' && round) {
    const width = (round.way * shape.sweep) / 360;
    const middle = zone?.x ?? (face.width - face.overlap) / 2;
    return { face, area: { left: middle - width / 2, top: 0, width, height: face.height } };
  }
  if (!zone) return { face, area: { left: 0, top: 0, width: face.width, height: face.height } };
  return {
    face,
    area: {
      left: zone.x - zone.width / 2,
      top: zone.y - zone.height / 2,
      width: zone.width,
      height: zone.height,
    },
  };
}

/** px of a picture for each mm of the print, where a photo shows it largest. */
export function photoPerMm(
  scene: PhotoScene,
  blank: ResolvedBlank,
  picture: { width: number; height: number },
): number {
  const { scale } = coverPicture(scene, picture);
  const found = scene.surfaces.map((surface) => {
    const { area } = feedOf(blank, surface);
    const at = onPhoto(surface.shape);
    const along = (u: number, v: number, du: number, dv: number) => {
      const [a, b] = [at(u, v), at(u + du, v + dv)];
      return Math.hypot(b.x - a.x, b.y - a.y);
    };
    const places = [0.05, 0.5, 0.9];
    const across = places.map((v) => along(0.475, v, 0.05, 0) / (0.05 * area.width));
    const down = places.map((u) => along(u, 0.475, 0, 0.05) / (0.05 * area.height));
    return scale * Math.max(...across, ...down);
  });
  return Math.max(0.1, ...found);
}

interface PhotoScenery extends Fallen {
  places: Float32Array;
}

/** How a photo lies in a picture: px of the picture for each of its own, and where its upper left corner is. */
export interface PhotoFit {
  scale: number;
  left: number;
  top: number;
}

/** The photo over the whole of a picture, its middle in the middle. */
export function coverPicture(
  photo: { width: number; height: number },
  picture: { width: number; height: number },
): PhotoFit {
  const scale = Math.max(picture.width / photo.width, picture.height / photo.height);
  return {
    scale,
    left: (picture.width - photo.width * scale) / 2,
    top: (picture.height - photo.height * scale) / 2,
  };
}

/**
 * A photo of a blank with a design on its marked surfaces: the print takes the photo's light and shade, as much as the
 * scene says, and lies behind what is marked as in front.
 */
export function drawPhoto(
  scene: PhotoScene,
  photo: Raster,
  blank: ResolvedBlank,
  prints: ReadonlyMap<string, Texture>,
  picture: { width: number; height: number; progress?: Progress },
): Raster {
  const { width, height, progress = IN_SILENCE } = picture;
  const fit = coverPicture(scene, picture);
  const base = laidOut(photo, scene, fit, { width, height });
  progress(0.2);
  const surfaces = scene.surfaces.map((surface) => ({ surface, ...feedOf(blank, surface) }));
  const fallen = fallenOf(surfaces, fit);
  const textures = surfaces.map(({ face }) => prints.get(face.id));
  const shader = new PhotoShader(
    fallen,
    textures,
    surfaces.map(({ surface }) =>
      referenceOf(
        base,
        ringOf(surface.shape).map((point) => fitted(point, fit)),
      ),
    ),
    { width, data: base.data.slice() },
    frontMask(scene, fit, { width, height }),
    scene.shading,
  );
  return paint(fallen, shader, {
    width,
    height,
    backdrop: base,
    progress: (share) => {
      progress(0.2 + 0.8 * share);
    },
  });
}

function fitted([x, y]: PhotoPoint, { scale, left, top }: PhotoFit): PhotoPoint {
  return [x * scale + left, y * scale + top];
}

/** The photo at the picture's own size. */
function laidOut(
  photo: Raster,
  scene: PhotoScene,
  fit: PhotoFit,
  size: { width: number; height: number },
): Raster {
  if (fit.scale === 1 && photo.width === size.width && photo.height === size.height)
    return { ...photo, data: photo.data.slice() };
  const { width, height } = scene;
  const corners = [
    [0, 0],
    [width, 0],
    [width, height],
    [0, height],
  ] as const;
  const fallen: PhotoScenery = {
    x: Float64Array.from(corners, ([x]) => x * fit.scale + fit.left),
    y: Float64Array.from(corners, ([, y]) => y * fit.scale + fit.top),
    near: new Float64Array(4).fill(1),
    places: Float32Array.from(corners.flat()),
    triangles: Uint32Array.from([0, 3, 1, 1, 3, 2]),
    meshOf: new Uint16Array(2),
  };
  const texture = textureOf(photo, { left: 0, top: 0, width, height });
  return paint(fallen, new PlainShader(fallen, texture), {
    ...size,
    backdrop: { ...size, data: new Uint8Array(size.width * size.height * 4).fill(255), opaque: true },
  });
}

function fallenOf(surfaces: readonly { surface: PhotoSurface; area: Area }[], fit: PhotoFit): PhotoScenery {
  const [x, y, near, places, triangles, meshOf]: number[][] = [[], [], [], [], [], []];
  for (const [number, { surface, area }] of surfaces.entries()) {
    const at = onPhoto(surface.shape);
    const { columns, rows } = cellsOf(surface.shape);
    const first = x!.length;
    for (let row = 0; row <= rows; row++) {
      for (let column = 0; column <= columns; column++) {
        const [u, v] = [column / columns, row / rows];
        const point = at(u, v);
        const [px, py] = fitted([point.x, point.y], fit);
        x!.push(px);
        y!.push(py);
        near!.push(point.near);
        places!.push(area.left + u * area.width, area.top + v * area.height);
      }
    }
    for (let row = 0; row < rows; row++) {
      for (let column = 0; column < columns; column++) {
        const a = first + row * (columns + 1) + column;
        const c = a + columns + 1;
        triangles!.push(a, c, a + 1, a + 1, c, c + 1);
        meshOf!.push(number, number);
      }
    }
  }
  return {
    x: Float64Array.from(x!),
    y: Float64Array.from(y!),
    near: Float64Array.from(near!),
    places: Float32Array.from(places!),
    triangles: Uint32Array.from(triangles!),
    meshOf: Uint16Array.from(meshOf!),
  };
}

/** What lies in front of the print. */
function frontMask(
  { fronts }: PhotoScene,
  fit: PhotoFit,
  size: { width: number; height: number },
): Mask | null {
  if (fronts.length === 0) return null;
  const polygons: Polygons = fronts.map((ring) =>
    Float64Array.from(ring.flatMap((point) => fitted(point, fit))),
  );
  return coverOf(polygons, { left: 0, top: 0, right: size.width, bottom: size.height });
}

const LUMINANCE = [0.2126, 0.7152, 0.0722] as const;
/** Places across and down that a surface's own white is looked for at. */
const LOOKS = 64;
/** Its own white is as light as all but this share of it: what is lighter is a highlight. */
const HIGHLIGHTS = 0.12;

function luminanceAt(data: Uint8Array, at: number): number {
  return (
    LUMINANCE[0] * toLinear(data[at]!) +
    LUMINANCE[1] * toLinear(data[at + 1]!) +
    LUMINANCE[2] * toLinear(data[at + 2]!)
  );
}

/** How light the bare blank is on a surface: what the photo's light and shade are told from. */
function referenceOf({ width, height, data }: Raster, ring: readonly PhotoPoint[]): number {
  const [xs, ys] = [ring.map(([x]) => x), ring.map(([, y]) => y)];
  const [left, right, top, bottom] = [Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)];
  const found: number[] = [];
  for (let j = 0; j < LOOKS; j++) {
    for (let i = 0; i < LOOKS; i++) {
      const x = left + ((i + 0.5) / LOOKS) * (right - left);
      const y = top + ((j + 0.5) / LOOKS) * (bottom - top);
      if (x < 0 || y < 0 || x >= width || y >= height || !isInRing(ring, x, y)) continue;
      found.push(luminanceAt(data, (Math.floor(y) * width + Math.floor(x)) * 4));
    }
  }
  found.sort((a, b) => a - b);
  return Math.max(0.004, found[Math.floor((found.length - 1) * (1 - HIGHLIGHTS))] ?? 1);
}

/** A picture as it is. */
class PlainShader implements Shader {
  private readonly looks: AllLooks;
  private readonly place = new Float64Array(4);
  protected readonly print = new Float64Array(4);

  constructor(
    private readonly fallen: PhotoScenery,
    texture: Texture,
    protected readonly textures: readonly (Texture | undefined)[] = [texture],
  ) {
    this.looks = looksOf(fallen, textures);
  }

  /** The print of a triangle, premultiplied levels. */
  protected look(triangle: number, at: Float64Array): Float64Array {
    const { fallen, looks, place, print } = this;
    const { triangles, places, meshOf } = fallen;
    const texture = this.textures[meshOf[triangle]!];
    if (!texture) return print.fill(0);
    const p = triangles[triangle * 3]!;
    const q = triangles[triangle * 3 + 1]!;
    const r = triangles[triangle * 3 + 2]!;
    place[0] = at[0]! * places[p * 2]! + at[1]! * places[q * 2]! + at[2]! * places[r * 2]!;
    place[1] = at[0]! * places[p * 2 + 1]! + at[1]! * places[q * 2 + 1]! + at[2]! * places[r * 2 + 1]!;
    place[2] = looks.stepX[triangle]!;
    place[3] = looks.stepY[triangle]!;
    sampleTexture(texture, looks.level[triangle]!, looks.count[triangle]!, place, print);
    return print;
  }

  shade(triangle: number, at: Float64Array, into: Float64Array): void {
    const print = this.look(triangle, at);
    for (let c = 0; c < 3; c++) into[c] = toLinear(print[c]!);
    into[3] = print[3]! / 255;
  }
}

/** A print in the light and shade of a photo. */
class PhotoShader extends PlainShader {
  constructor(
    private readonly scenery: PhotoScenery,
    textures: readonly (Texture | undefined)[],
    private readonly references: readonly number[],
    private readonly photo: { width: number; data: Uint8Array },
    private readonly front: Mask | null,
    private readonly amount: number,
  ) {
    super(scenery, textures[0]!, textures);
  }

  override shade(triangle: number, at: Float64Array, into: Float64Array): void {
    const print = this.look(triangle, at);
    const alpha = print[3]! / 255;
    into[3] = 0;
    if (alpha === 0) return;
    const { width, data } = this.photo;
    const [x, y] = [Math.floor(at[3]!), Math.floor(at[4]!)];
    const reference = this.references[this.scenery.meshOf[triangle]!]!;
    const light = luminanceAt(data, (y * width + x) * 4) / reference;
    // Shade is one factor for all three; what is lighter than the blank itself is a highlight, and stays white.
    const shade = light < 1 ? 1 - (1 - light) * this.amount : 1;
    const shine = light > 1 ? Math.min(1, (light - 1) * reference * this.amount) : 0;
    for (let c = 0; c < 3; c++)
      into[c] = Math.min(1, toLinear(print[c]! / alpha) * shade * (1 - shine) + shine);
    into[3] = alpha * (this.front ? 1 - maskAt(this.front, x, y) / 255 : 1);
  }
}
