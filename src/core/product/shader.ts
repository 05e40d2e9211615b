import { rgbOf } from '../colour/hex';
import type { Camera } from './camera';
import { foldsAt, weaveAt } from './cloth';
import { lampOn, lightOn, toLinear, type Lamp, type Light } from './light';
import type { Shader } from './paint';
import type { Scene } from './scene';
import { looksOf, type AllLooks } from './looks';
import { sampleTexture, type Texture } from './texture';

/** Below so many mm a pixel, the weave is seen. */
const WEAVE_SEEN = 0.25;
/** How far in mm the edge of a raised print casts its shade. */
const RELIEF = 0.3;

/** A surface with what does not change from place to place on it. */
interface Skin {
  red: number;
  green: number;
  blue: number;
  lamp: Lamp;
  texture: Texture | undefined;
  covers: boolean;
  raised: boolean;
  folds: number;
  cloth: boolean;
  solid: boolean;
  tone: number;
}

/**
 * How the surfaces of products take light and print. (One method for all pictures, and its numbers in arrays of its
 * own: what is called millions of times must stay the same to the machine.)
 */
export class SurfaceShader implements Shader {
  private readonly skins: readonly Skin[];
  private readonly looks: AllLooks;
  private readonly flat: boolean;
  private readonly axes: Float64Array;
  private readonly place = new Float64Array(4);
  private readonly print = new Float64Array(4);
  private readonly beside = new Float64Array(4);
  private readonly edge = new Float64Array(4);
  private readonly facing = new Float64Array(6);
  private readonly slope = new Float64Array(2);
  private readonly lit = new Float64Array(2);
  private readonly corners = new Float64Array(15);
  private readonly placed = new Float64Array(9);
  private readonly ray = new Float64Array(6);
  private skin: Skin;
  private level = 0;
  private count = 1;
  private shaded = -1;
  private litX = -2;
  private litY = -2;
  private litSkin: Skin | null = null;
  /** -1 where the triangle is seen from its back: its normals are turned to the viewer. */
  private turned = 1;

  constructor(
    private readonly scene: Scene,
    { right, up, ahead, focal, centre }: Camera,
    light: Light,
  ) {
    this.flat = light.around >= 1;
    this.axes = Float64Array.from([...right, ...up, ...ahead, focal, centre.x, centre.y]);
    this.skins = scene.meshes.map(({ material, look }) => {
      const [red, green, blue] = rgbOf(material.colour === 'product' ? look.colour : material.colour);
      const finish = material.finish === 'product' ? look.finish : material.finish;
      const folds = material.folds ?? 0;
      return {
        red,
        green,
        blue,
        lamp: lampOn(light, finish),
        texture: material.faceId === null ? undefined : look.prints.get(material.faceId),
        covers: look.ink === 'cover',
        raised: (look.raised ?? false) && !this.flat,
        folds,
        cloth: folds > 0 || finish === 'fabric',
        solid: material.solid ?? false,
        tone: material.tone ?? 1,
      };
    });
    this.skin = this.skins[0]!;
    this.looks = looksOf(
      scene,
      this.skins.map(({ texture }) => texture),
    );
  }

  shade(triangle: number, at: Float64Array, into: Float64Array): void {
    if (triangle !== this.shaded) this.take(triangle);
    const { skin, corners } = this;
    const a = at[0]!;
    const b = at[1]!;
    const c = at[2]!;
    let { red, green, blue } = skin;
    let relief = 1;
    if (skin.texture) {
      const { place, print } = this;
      place[0] = a * corners[9]! + b * corners[11]! + c * corners[13]!;
      place[1] = a * corners[10]! + b * corners[12]! + c * corners[14]!;
      sampleTexture(skin.texture, this.level, this.count, place, print);
      const bare = 1 - print[3]! / 255;
      if (skin.raised) relief = this.reliefAt(1 - bare);
      if (skin.covers) {
        red = print[0]! + red * bare;
        green = print[1]! + green * bare;
        blue = print[2]! + blue * bare;
      } else {
        red *= print[0]! / 255 + bare;
        green *= print[1]! / 255 + bare;
        blue *= print[2]! / 255 + bare;
      }
    }
    into[3] = 1;
    if (this.flat) {
      into[0] = toLinear(red);
      into[1] = toLinear(green);
      into[2] = toLinear(blue);
      return;
    }
    const { lit } = this;
    const weave = this.isLit(at) ? 1 : this.light(triangle, at);
    const shine = lit[1]!;
    const lightness = lit[0]! * weave;
    const shade = (lightness < 1 ? lightness : 1) * skin.tone * relief * (1 - shine);
    into[0] = toLinear(red) * shade + shine;
    into[1] = toLinear(green) * shade + shine;
    into[2] = toLinear(blue) * shade + shine;
  }

  /** Light changes so little from one pixel to the next that every second one takes its neighbour's; not on cloth. */
  private isLit(at: Float64Array): boolean {
    const { skin } = this;
    const next = skin === this.litSkin && at[3] === this.litX + 1 && at[4] === this.litY && !skin.cloth;
    this.litX = next ? -2 : at[3]!;
    this.litY = at[4]!;
    this.litSkin = skin;
    return next;
  }

  /** Works out the light at a place; gives back how light the weave is there. */
  private light(triangle: number, at: Float64Array): number {
    const { skin, corners, facing, lit } = this;
    const a = at[0]!;
    const b = at[1]!;
    const c = at[2]!;
    facing[0] = a * corners[0]! + b * corners[3]! + c * corners[6]!;
    facing[1] = a * corners[1]! + b * corners[4]! + c * corners[7]!;
    facing[2] = a * corners[2]! + b * corners[5]! + c * corners[8]!;
    const weave = skin.cloth ? this.lean(triangle, at) : 1;
    this.face(at, skin.lamp.strength > 0);
    lightOn(skin.lamp, facing, lit);
    return weave;
  }

  /**
   * How light the edge of a raised print is, about 1: a little way towards the lamp there is less of it, or more, and so
   * it faces the lamp or lies in its own shade. Nothing where a pixel covers more than that way.
   */
  private reliefAt(here: number): number {
    const { skin, place, beside, edge } = this;
    if (Math.abs(place[2]!) + Math.abs(place[3]!) > 2 * RELIEF) return 1;
    beside[0] = place[0]! - RELIEF;
    beside[1] = place[1]! - RELIEF;
    sampleTexture(skin.texture!, this.level, 1, beside, edge);
    const rise = here - edge[3]! / 255;
    return rise > 0 ? 1 : 1 + 0.3 * rise;
  }

  /** What of a triangle is the same for all its pixels: its skin, its corners' normals and places, how it is looked at. */
  private take(triangle: number): void {
    const { triangles, normals, places, meshOf } = this.scene;
    const { corners, looks } = this;
    for (let k = 0; k < 3; k++) {
      const point = triangles[triangle * 3 + k]!;
      corners[k * 3] = normals[point * 3]!;
      corners[k * 3 + 1] = normals[point * 3 + 1]!;
      corners[k * 3 + 2] = normals[point * 3 + 2]!;
      corners[9 + k * 2] = places[point * 2]!;
      corners[10 + k * 2] = places[point * 2 + 1]!;
    }
    this.skin = this.skins[meshOf[triangle]!]!;
    this.turned = this.skin.solid || !this.isFromBack(triangle) ? 1 : -1;
    this.level = looks.level[triangle]!;
    this.count = looks.count[triangle]!;
    this.place[2] = looks.stepX[triangle]!;
    this.place[3] = looks.stepY[triangle]!;
    this.shaded = triangle;
  }

  /**
   * Whether a triangle shows its back: by how it lies itself, as its corners' normals are round it and lean past its
   * edge where cloth turns away.
   */
  private isFromBack(triangle: number): boolean {
    const { axes, corners } = this;
    const { x, y, near, triangles } = this.scene;
    const { placed, ray } = this;
    for (let k = 0; k < 3; k++) {
      const point = triangles[triangle * 3 + k]!;
      const depth = 1 / near[point]!;
      placed[k * 3] = ((x[point]! - axes[10]!) / axes[9]!) * depth;
      placed[k * 3 + 1] = ((axes[11]! - y[point]!) / axes[9]!) * depth;
      placed[k * 3 + 2] = depth;
    }
    for (let k = 0; k < 3; k++) {
      ray[k] = placed[3 + k]! - placed[k]!;
      ray[3 + k] = placed[6 + k]! - placed[k]!;
    }
    const gx = ray[1]! * ray[5]! - ray[2]! * ray[4]!;
    const gy = ray[2]! * ray[3]! - ray[0]! * ray[5]!;
    const gz = ray[0]! * ray[4]! - ray[1]! * ray[3]!;
    let outward = 0;
    for (let k = 0; k < 3; k++) {
      const of = corners[k]! + corners[3 + k]! + corners[6 + k]!;
      outward += of * (gx * axes[k]! + gy * axes[3 + k]! + gz * axes[6 + k]!);
    }
    const ahead = gx * placed[0]! + gy * placed[1]! + gz * placed[2]!;
    return outward * ahead > 0;
  }

  /** Leans the normal as cloth folds; gives back how light its weave is there. */
  private lean(triangle: number, at: Float64Array): number {
    const { own, near, triangles } = this.scene;
    const { folds } = this.skin;
    const p = triangles[triangle * 3]!;
    const q = triangles[triangle * 3 + 1]!;
    const r = triangles[triangle * 3 + 2]!;
    const x = at[0]! * own[p * 2]! + at[1]! * own[q * 2]! + at[2]! * own[r * 2]!;
    const y = at[0]! * own[p * 2 + 1]! + at[1]! * own[q * 2 + 1]! + at[2]! * own[r * 2 + 1]!;
    if (folds > 0) {
      const { slope, facing } = this;
      foldsAt(x, y, slope);
      facing[0]! -= slope[0]! * folds;
      facing[1]! -= slope[1]! * folds;
    }
    return near[p]! * this.axes[9]! * WEAVE_SEEN > 1 ? weaveAt(x, y) : 1;
  }

  /** Makes the normal one long and turns it to the viewer; puts the ray beside it, where that matters. */
  private face(at: Float64Array, shines: boolean): void {
    const { axes, facing } = this;
    const { turned } = this;
    let nx = facing[0]! * turned;
    let ny = facing[1]! * turned;
    let nz = facing[2]! * turned;
    let rx = axes[6]!;
    let ry = axes[7]!;
    let rz = axes[8]!;
    if (shines) {
      const dx = (at[3]! - axes[10]!) / axes[9]!;
      const dy = (axes[11]! - at[4]!) / axes[9]!;
      rx += axes[0]! * dx + axes[3]! * dy;
      ry += axes[1]! * dx + axes[4]! * dy;
      rz += axes[2]! * dx + axes[5]! * dy;
      const rayUnit = 1 / Math.sqrt(rx * rx + ry * ry + rz * rz);
      facing[3] = rx * rayUnit;
      facing[4] = ry * rayUnit;
      facing[5] = rz * rayUnit;
    }
    let away = nx * rx + ny * ry + nz * rz;
    // At the edge of what turns away a normal leans past it: there it lies across the ray, and no further.
    away = this.skin.solid || away <= 0 ? 0 : away / (rx * rx + ry * ry + rz * rz);
    nx -= rx * away;
    ny -= ry * away;
    nz -= rz * away;
    const toUnit = 1 / Math.sqrt(nx * nx + ny * ny + nz * nz);
    facing[0] = nx * toUnit;
    facing[1] = ny * toUnit;
    facing[2] = nz * toUnit;
  }
}
