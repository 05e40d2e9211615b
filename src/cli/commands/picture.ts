import { writeFile } from 'node:fs/promises';
import { extname } from 'node:path';
import { UpFitError } from '@/core/errors';
import { FORMATS } from '@/core/formats/registry';
import { marksIn } from '@/core/mockup/marks';
import { inBothEnds, isTurnable, SCENES, scenesFor } from '@/core/mockup/scenes';
import { PICTURE_FORMATS, PictureSizeSchema, USUAL_DRESS, type Scene } from '@/core/mockup/schema';
import { picturePpi } from '@/core/mockup/prints';
import {
  delayOf,
  TURN_FORMATS,
  turnTrouble,
  TurningSchema,
  USUAL_TURNING,
  type Turning,
} from '@/core/mockup/turning';
import type { Readers } from '@/files/artwork';
import {
  makePicture,
  makeTurn,
  picturedAs,
  writePicture,
  writeTurn,
  type KeptForPictures,
} from '@/files/picture';
import * as v from 'valibot';
import { badArgument, readNumber, required, type Args } from '../args';
import type { Answer } from '../answer';
import { PLACED_OPTIONS, readPlaced, type Placed } from '../placed';

export const PICTURE_OPTIONS = [
  ...PLACED_OPTIONS,
  'scene',
  'pixels',
  'turn',
  'frames',
  'way',
  'seconds',
  'out',
] as const;

/** `picture`: the product with the artwork on it in a scene, as a listing shows it; and where places of the flat are seen. */
export async function picture(args: Args, readers: () => Promise<Readers>): Promise<Answer> {
  const out = required(args, 'out');
  const ending = extname(out).toLowerCase().slice(1);
  const turning = readTurning(args);
  const format = formatOf(PICTURE_FORMATS, ending);
  const moving = formatOf(TURN_FORMATS, ending);
  if (turning ? !moving : !format)
    throw badArgument(
      turning
        ? `--out of a turn ends in .gif or .webp, not “.${ending}”.`
        : `--out ends in .png, .jpg or .webp, not “.${ending}”; .gif goes with --frames.`,
    );
  const size = readPixels(args.values.get('pixels') ?? (turning ? '800x800' : '1000x1000'));
  const ready = await readers();
  const { blank, fit, facts, pixels } = await readPlaced(ready, args);
  const scene = turned(findScene(required(args, 'scene'), blank), args.values.get('turn'));
  const marks = args.switches.has('marks');
  const dress = { ...USUAL_DRESS, steam: args.switches.has('steam') };
  requireFor(scene, { turning, size, marks });
  const raster = await pixels(picturePpi(blank, fit, Math.max(size.width, size.height)));
  const shown = { facts: () => facts, pixels: () => raster };
  const pictured = { blank, fit, shown, colour: colourOf(blank, fit), press: null };
  const keep: KeptForPictures = { prints: (_, make) => make(), headlines: (_, make) => make() };
  if (turning && moving) {
    const strip = makeTurn([pictured], scene, { ...size, dress, turning }, keep);
    const { bytes } = writeTurn(ready.engine, strip, turning, moving);
    await writeFile(out, bytes);
    const { frames } = turning;
    return {
      json: { out, scene: scene.id, pixels: size, bytes: bytes.length, frames, delay: delayOf(turning) },
      text: `${out}: ${scene.name}, ${frames} pictures of ${size.width} × ${size.height} px, ${bytes.length} bytes`,
      status: 0,
    };
  }
  const things = scene.sizes ? inBothEnds(blank, fit).map((one) => ({ ...pictured, ...one })) : [pictured];
  const { raster: drawn, read } = makePicture(things, { scene }, { ...size, dress, reads: true }, keep);
  const { bytes } = writePicture(ready.engine, drawn, format!);
  await writeFile(out, bytes);
  return {
    json: {
      out,
      scene: scene.id,
      pixels: size,
      bytes: bytes.length,
      read,
      ...(marks && {
        marks: marksIn(scene, picturedAs(pictured, undefined, scene.holder), blank.faces, { ...size, dress }),
      }),
    },
    text: `${out}: ${scene.name}, ${size.width} × ${size.height} px, ${bytes.length} bytes`,
    status: 0,
  };
}

function formatOf<F extends keyof typeof FORMATS>(formats: readonly F[], ending: string): F | undefined {
  return formats.find((one) => (FORMATS[one].endings as readonly string[]).includes(ending));
}

/** Throws where a scene cannot be had in the way that it is asked for, before anything is drawn. */
function requireFor(
  scene: Scene,
  {
    turning,
    size,
    marks,
  }: { turning: Turning | null; size: { width: number; height: number }; marks: boolean },
): void {
  if (scene.sizes && marks)
    throw badArgument(
      `“${scene.name}” shows a print twice, each time in another size: --marks goes with other scenes.`,
    );
  if (!turning) return;
  if (marks) throw badArgument('--marks says where things are in one picture: it does not go with --frames.');
  if (!isTurnable(scene))
    throw badArgument(
      `In “${scene.name}” nothing can be turned: --frames goes with a scene where one thing stands.`,
    );
  const tooLarge = turnTrouble(turning, size);
  if (tooLarge !== null) throw badArgument(tooLarge);
}

/** How what is pictured turns; null where it stands still. */
function readTurning({ values }: Args): Turning | null {
  const frames = values.get('frames');
  if (frames === undefined) {
    const extra = ['way', 'seconds'].find((one) => values.has(one));
    if (extra) throw badArgument(`--${extra} says how a thing turns: it goes with --frames.`);
    return null;
  }
  const seconds = values.get('seconds');
  const asked = {
    way: values.get('way') ?? USUAL_TURNING.way,
    frames: readNumber('frames', frames),
    seconds: seconds === undefined ? USUAL_TURNING.seconds : readNumber('seconds', seconds),
  };
  if (!v.is(TurningSchema, asked))
    throw badArgument('A turn has --frames 2 to 72 (whole), --seconds 0.5 to 20, --way round or swing.');
  return asked;
}

function readPixels(text: string): { width: number; height: number } {
  const [, width, height] = /^(\d+)\s*[x×]\s*(\d+)$/i.exec(text.trim()) ?? [];
  const size = { width: Number(width), height: Number(height) };
  const bounds = v.pick(PictureSizeSchema, ['width', 'height']);
  if (!v.is(bounds, size))
    throw badArgument(`--pixels wants two whole numbers of 64 to 6000, as in 1000x1000; not “${text}”.`);
  return size;
}

/** A scene by its id that shows such products; `not-found` where there is none, with those there are. */
function findScene(id: string, blank: Placed['blank']): Scene {
  const own = scenesFor(blank);
  const scene = own.find((one) => one.id === id);
  if (scene) return scene;
  const why = SCENES.some((one) => one.id === id)
    ? `Scene “${id}” is not for ${blank.blank.name}`
    : `There is no scene “${id}”`;
  throw new UpFitError('not-found', `${why}: choose among ${own.map((one) => one.id).join(', ')}.`);
}

/** The scene with everything in it turned further, in degrees. */
function turned(scene: Scene, by: string | undefined): Scene {
  if (by === undefined) return scene;
  const degrees = readNumber('turn', by);
  return { ...scene, places: scene.places.map((place) => ({ ...place, turn: place.turn + degrees })) };
}

/** What the product is shown in: its colour, or the look of it that does not hide the print. */
function colourOf({ blank }: Placed['blank'], fit: Placed['fit']): string {
  const state = blank.states.find(({ hides }) => hides !== true);
  return (state ?? blank.colours.find(({ id }) => id === fit.colourId) ?? blank.colours[0]!).hex;
}
