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

/** A surface with what does not change from place to place on it. */
interface Skin {
  red: number;
  green: number;
  blue: number;
  lamp: Lamp;
  texture: Texture | undefined;
  covers: boolean;
  folds: number;
  cloth: boolean;
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
  private readonly facing = new Float64Array(6);
  private readonly lit = new Float64Array(2);

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
        folds,
        cloth: folds > 0 || finish === 'fabric',
        tone: material.tone ?? 1,
      };
    });
    this.looks = looksOf(
      scene,
      this.skins.map(({ texture }) => texture),
    );
  }

  shade(triangle: number, at: Float64Array, into: Float64Array): void {
    const { triangles, normals, places, meshOf } = this.scene;
    const skin = this.skins[meshOf[triangle]!]!;
    const a = at[0]!;
    const b = at[1]!;
    const c = at[2]!;
    const p = triangles[triangle * 3]!;
    const q = triangles[triangle * 3 + 1]!;
    const r = triangles[triangle * 3 + 2]!;
    let { red, green, blue } = skin;
    if (skin.texture) {
      const { place, print, looks } = this;
      place[0] = a * places[p * 2]! + b * places[q * 2]! + c * places[r * 2]!;
      place[1] = a * places[p * 2 + 1]! + b * places[q * 2 + 1]! + c * places[r * 2 + 1]!;
      place[2] = looks.stepX[triangle]!;
      place[3] = looks.stepY[triangle]!;
      sampleTexture(skin.texture, looks.level[triangle]!, looks.count[triangle]!, place, print);
      const bare = 1 - print[3]! / 255;
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
    const { facing, lit } = this;
    facing[0] = a * normals[p * 3]! + b * normals[q * 3]! + c * normals[r * 3]!;
    facing[1] = a * normals[p * 3 + 1]! + b * normals[q * 3 + 1]! + c * normals[r * 3 + 1]!;
    facing[2] = a * normals[p * 3 + 2]! + b * normals[q * 3 + 2]! + c * normals[r * 3 + 2]!;
    const weave = skin.cloth ? this.lean(skin, p, q, r, at) : 1;
    this.face(at);
    lightOn(skin.lamp, facing, lit);
    const shine = lit[1]!;
    const lightness = lit[0]! * weave;
    const shade = (lightness < 1 ? lightness : 1) * skin.tone * (1 - shine);
    into[0] = toLinear(red) * shade + shine;
    into[1] = toLinear(green) * shade + shine;
    into[2] = toLinear(blue) * shade + shine;
  }

  /** Leans the normal as cloth folds; gives back how light its weave is there. */
  private lean({ folds }: Skin, p: number, q: number, r: number, at: Float64Array): number {
    const { own, near } = this.scene;
    const x = at[0]! * own[p * 2]! + at[1]! * own[q * 2]! + at[2]! * own[r * 2]!;
    const y = at[0]! * own[p * 2 + 1]! + at[1]! * own[q * 2 + 1]! + at[2]! * own[r * 2 + 1]!;
    if (folds > 0) {
      const [across, down] = foldsAt(x, y);
      this.facing[0]! -= across * folds;
      this.facing[1]! -= down * folds;
    }
    return near[p]! * this.axes[9]! * WEAVE_SEEN > 1 ? weaveAt(x, y) : 1;
  }

  /** Makes the normal one long and turns it to the viewer; puts the ray beside it. */
  private face(at: Float64Array): void {
    const { axes, facing } = this;
    const dx = (at[3]! - axes[10]!) / axes[9]!;
    const dy = (axes[11]! - at[4]!) / axes[9]!;
    const rx = axes[6]! + axes[0]! * dx + axes[3]! * dy;
    const ry = axes[7]! + axes[1]! * dx + axes[4]! * dy;
    const rz = axes[8]! + axes[2]! * dx + axes[5]! * dy;
    const nx = facing[0]!;
    const ny = facing[1]!;
    const nz = facing[2]!;
    const away = nx * rx + ny * ry + nz * rz > 0 ? -1 : 1;
    const toUnit = away / Math.sqrt(nx * nx + ny * ny + nz * nz);
    const rayUnit = 1 / Math.sqrt(rx * rx + ry * ry + rz * rz);
    facing[0] = nx * toUnit;
    facing[1] = ny * toUnit;
    facing[2] = nz * toUnit;
    facing[3] = rx * rayUnit;
    facing[4] = ry * rayUnit;
    facing[5] = rz * rayUnit;
  }
}
