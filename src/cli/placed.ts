import { basename } from 'node:path';
import { UpFitError } from '@/core/errors';
import { shippedBlanks } from '@/core/blank/library';
import { resolveBlank, type PrintFace, type ResolvedBlank } from '@/core/blank/resolve';
import { asCut, isToShape, usualCut } from '@/core/cut/face';
import { cutAnew } from '@/core/cut/make';
import { centreOn, coverBleed, fitInside, newPiece, setRotation, setSize } from '@/core/fit/place';
import { RoleSchema, type ArtworkPiece, type Fit } from '@/core/fit/schema';
import { wantedAcross } from '@/core/fit/wanted';
import type { Raster } from '@/core/raster/raster';
import { artworkDrawing, artworkPixels, measureArtwork, type Readers } from '@/files/artwork';
import { nodePageDrawings } from '@/files/pdf/node';
import { nodePlain } from '@/files/svg/node';
import { fileSource } from '@/imaging/node';
import type { Drawing } from '@/core/render/drawing';
import type { Facts } from '@/core/artwork/facts';
import { withWords } from './words';
import { badArgument, oneOf, readNumber, readPoint, readSize, required, type Args } from './args';

export const PLACED_OPTIONS = [
  'blank',
  'face',
  'colour',
  'size',
  'artwork',
  'place',
  'role',
  'at',
  'rotate',
] as const;

/** One artwork set on one face of a blank, as the options say: what `check` and `render` both work on. */
export interface Placed {
  blank: ResolvedBlank;
  face: PrintFace;
  fit: Fit;
  facts: Facts;
  /** The artwork's pixels, as many as the print needs at so many PPI. */
  pixels: (ppi: number) => Promise<Raster>;
  /** What it is made of, where it is a drawing. */
  drawing: () => Promise<Drawing | null>;
}

/** A face of a blank in the colour and size that the options name, with nothing on it. */
export function readBare(args: Args): Pick<Placed, 'blank' | 'face' | 'fit'> {
  const found = findBlank(required(args, 'blank'));
  const sizeId = findSize(found, args.values.get('size'));
  const blank = sizeId === undefined ? found : resolveBlank(found.blank, found.method, found.spec, sizeId);
  const face = findFace(blank, args.values.get('face'));
  const fit: Fit = {
    upfit: 'fit/1',
    id: 'command-line',
    designId: 'command-line',
    blankId: blank.blank.id,
    blankVersion: blank.blank.version,
    colourId: findColour(blank, args.values.get('colour')),
    stateId: null,
    sizeId: sizeId ?? null,
    // A size that is asked for is the one that is judged.
    ...(sizeId !== undefined && { soldIn: [sizeId] }),
    faces: [{ faceId: face.id, pieces: [] }],
  };
  return { blank, face, fit };
}

const drawings = { makePlain: nodePlain(), readPage: nodePageDrawings() };

export async function readPlaced(readers: Readers, args: Args): Promise<Placed> {
  const { blank, face, fit: bare } = readBare(args);
  const file = await withWords(openNamed(required(args, 'artwork')));
  const { facts, raster } = await measureArtwork(readers, file);
  const fit: Fit = { ...bare, faces: [{ faceId: face.id, pieces: [place(args, facts, face)] }] };
  const pixels = async (ppi: number) => {
    if (raster && facts.pixels) return raster;
    const across = (wantedAcross(fit, blank.faces, facts.sha256, facts) * ppi) / face.target;
    return artworkPixels(readers, file, across);
  };
  const drawing = () => artworkDrawing(drawings, file);
  const placed = { blank, face, fit, facts, pixels, drawing };
  return isToShape(blank) ? cutToShape(placed) : placed;
}

/** The same, cut to the artwork's outline in a border of white, as a sticker to shape is made at first. */
async function cutToShape(placed: Placed): Promise<Placed> {
  const { blank, face, fit, facts, pixels } = placed;
  const raster = await pixels(face.target);
  const name = facts.name.replace(/\.[a-z0-9]+$/i, '') || 'sticker';
  const cut = { ...usualCut(blank), name, d: '', of: '' };
  const shown = { facts: () => facts, pixels: () => raster };
  const faces = fit.faces.map((one) => cutAnew({ ...one, cut }, face, shown));
  const made = { ...fit, faces };
  const resolved = asCut(blank, made);
  return { ...placed, blank: resolved, face: resolved.faces[0]!, fit: made };
}

function place(args: Args, facts: Facts, face: PrintFace): ArtworkPiece {
  const where = args.values.get('place') ?? 'inside';
  const asked = args.values.get('role');
  const role =
    asked === undefined ? (where === 'cover' ? 'ground' : 'motif') : oneOf('role', asked, RoleSchema.options);
  let piece = newPiece('artwork', facts.sha256, facts, role, face);
  const rotate = args.values.get('rotate');
  if (rotate !== undefined) piece = setRotation(piece, facts, (readNumber('rotate', rotate) * Math.PI) / 180);
  if (where === 'inside') piece = fitInside(piece, facts, face);
  else if (where === 'cover') piece = coverBleed(piece, facts, face);
  else {
    const { width, height } = readSize('place', where);
    piece = setSize(piece, facts, width, height);
  }
  const at = args.values.get('at');
  return at === undefined ? piece : centreOn(piece, facts, readPoint('at', at));
}

/** One of the blank's graded sizes by its name. */
function findSize({ blank }: ResolvedBlank, name: string | undefined): string | undefined {
  if (name === undefined) return undefined;
  if (blank.sizes.length === 0) throw badArgument(`${blank.name} comes in one size: leave --size out.`);
  const wanted = name.toLowerCase();
  const size = blank.sizes.find((one) => one.id === wanted || one.name.toLowerCase() === wanted);
  if (size) return size.id;
  const names = blank.sizes.map((one) => one.name).join(', ');
  throw new UpFitError('not-found', `${blank.name} does not come in size “${name}”: it comes in ${names}.`);
}

export function findBlank(id: string): ResolvedBlank {
  const blanks = shippedBlanks();
  const found = blanks.find(({ blank }) => blank.id === id);
  if (!found) {
    const ids = blanks.map(({ blank }) => blank.id).join(', ');
    throw new UpFitError('not-found', `There is no blank “${id}”. The shipped ones are ${ids}.`);
  }
  return found;
}

export function findFace(blank: ResolvedBlank, id: string | undefined): PrintFace {
  const face = id === undefined ? blank.faces[0] : blank.faces.find((one) => one.id === id);
  if (face) return face;
  const ids = blank.faces.map((one) => one.id).join(', ');
  throw new UpFitError('not-found', `${blank.blank.name} has no face “${id}”: it has ${ids}.`);
}

function findColour({ blank }: ResolvedBlank, name: string | undefined): string {
  const wanted = name?.toLowerCase();
  const colour =
    wanted === undefined
      ? blank.colours[0]
      : blank.colours.find((one) => one.id === wanted || one.name.toLowerCase() === wanted);
  if (colour) return colour.id;
  const names = blank.colours.map((one) => one.name).join(', ');
  throw new UpFitError('not-found', `${blank.name} does not come in “${name}”: it comes in ${names}.`);
}

/** A file to be read; `not-found` where there is none. */
export function openNamed(path: string): { name: string; source: ReturnType<typeof fileSource> } {
  try {
    return { name: basename(path), source: fileSource(path) };
  } catch (error) {
    const why = (error as NodeJS.ErrnoException).code === 'ENOENT' ? 'is not there' : 'cannot be read';
    throw new UpFitError('not-found', `The file ${path} ${why}.`);
  }
}
