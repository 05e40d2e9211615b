import type { PrintFace } from '../blank/resolve';
import { artSize } from '../blank/resolve';
import { isRectangle, signedDistance } from '../blank/shape';
import { gridOf, type Facts } from '../artwork/facts';
import {
  corners,
  largestInside,
  opaqueBox,
  placeOpaqueBox,
  smallestCovering,
  type Box,
  type PieceFacts,
  type Point,
} from './geometry';
import { rgbOf } from '../colour/hex';
import { labOf } from '../colour/lab';
import type { ArtworkPiece, FillPiece, PlacedPiece, Role } from './schema';

/** Paper: L* of a background that a drawing stands on and is no part of. */
const PAPER = 93;

/** What an artwork is taken for: with clear parts, or drawn in a few inks on white all round, a motif; else a ground. */
export function roleOf({ alpha, background, inks }: Pick<Facts, 'alpha' | 'background' | 'inks'>): Role {
  const onPaper = background !== null && inks !== null && labOf(...rgbOf(background.hex))[0] > PAPER;
  return alpha.present || onPaper ? 'motif' : 'ground';
}

/** A new piece of an artwork on a face: a motif inside the safe area, a ground covering the bleed. */
export function newPiece(
  id: string,
  artworkId: string,
  facts: Facts,
  role: Role,
  face: PrintFace,
): ArtworkPiece {
  const pixels = gridOf(facts);
  const bare: ArtworkPiece = {
    id,
    kind: 'artwork',
    artworkId,
    name: facts.name.replace(/\.[a-z0-9]+$/i, ''),
    role,
    locked: false,
    visible: true,
    knockout: false,
    groupId: null,
    clip: null,
    x: face.width / 2,
    y: face.height / 2,
    width: pixels.width,
    height: pixels.height,
    rotation: 0,
    flipped: false,
  };
  return role === 'ground' ? coverBleed(bare, facts, face) : fitInside(bare, facts, face);
}

/** A plain colour over the whole face, as a ground. */
export function newFill(id: string, colour: string, name = 'Plain ground'): FillPiece {
  return {
    id,
    kind: 'fill',
    name,
    role: 'ground',
    locked: false,
    visible: true,
    knockout: false,
    groupId: null,
    colour,
    zoneId: null,
  };
}

/** As large as the safe area allows, centred in it, its own turn and proportion kept. */
export function fitInside<P extends PlacedPiece>(piece: P, facts: PieceFacts, face: PrintFace): P {
  const box = opaqueBox(piece, facts);
  const room = { width: face.width - 2 * face.safe, height: face.height - 2 * face.safe };
  const upper = largestInside(box, box.rotation, room);
  const centre = { x: face.width / 2, y: face.height / 2 };
  const scale = isRectangle(face) ? upper : largestInShape(box, () => centre, upper, face);
  return placeOpaqueBox(piece, facts, { ...scaled(box, scale), ...centre });
}

/**
 * Largest scale at which the box's corners stay inside the safe area of a rounded face, found by halving; `at` is where its
 * middle lies at a scale.
 */
export function largestInShape(
  box: Box,
  at: (scale: number) => Point,
  upper: number,
  face: PrintFace,
): number {
  const fits = (scale: number) =>
    corners({ ...scaled(box, scale), ...at(scale) }).every(
      ({ x, y }) => signedDistance(face, -face.safe, x, y) <= 1e-9,
    );
  let low = 0;
  let high = upper;
  if (fits(upper)) return upper;
  for (let i = 0; i < 50; i++) {
    const middle = (low + high) / 2;
    if (fits(middle)) low = middle;
    else high = middle;
  }
  return low;
}

/** As small as covers the bleed on every side, centred, its own turn and proportion kept. */
export function coverBleed<P extends PlacedPiece>(piece: P, facts: PieceFacts, face: PrintFace): P {
  const box = opaqueBox(piece, facts);
  const scale = smallestCovering(box, box.rotation, artSize(face));
  return placeOpaqueBox(piece, facts, { ...scaled(box, scale), x: face.width / 2, y: face.height / 2 });
}

/** Sets the width of the opaque bounds in mm; the height follows in proportion, the centre stays. */
export function setWidth<P extends PlacedPiece>(piece: P, facts: PieceFacts, width: number): P {
  const box = opaqueBox(piece, facts);
  return placeOpaqueBox(piece, facts, scaled(box, width / box.width));
}

/** Sets the height of the opaque bounds in mm; the width follows in proportion, the centre stays. */
export function setHeight<P extends PlacedPiece>(piece: P, facts: PieceFacts, height: number): P {
  const box = opaqueBox(piece, facts);
  return placeOpaqueBox(piece, facts, scaled(box, height / box.height));
}

/** Scales about the opaque bounds' centre. */
export function scalePiece<P extends PlacedPiece>(piece: P, facts: PieceFacts, factor: number): P {
  return placeOpaqueBox(piece, facts, scaled(opaqueBox(piece, facts), factor));
}

/** Sets width and height outright, which may stretch. */
export function setSize<P extends PlacedPiece>(
  piece: P,
  facts: PieceFacts,
  width: number,
  height: number,
): P {
  return placeOpaqueBox(piece, facts, { ...opaqueBox(piece, facts), width, height });
}

/** Turns about the opaque bounds' centre, to an angle in radians. */
export function setRotation<P extends PlacedPiece>(piece: P, facts: PieceFacts, rotation: number): P {
  return placeOpaqueBox(piece, facts, { ...opaqueBox(piece, facts), rotation });
}

/** Moves the opaque bounds' centre; a coordinate left out stays. */
export function centreOn<P extends PlacedPiece>(piece: P, facts: PieceFacts, to: Partial<Point>): P {
  const box = opaqueBox(piece, facts);
  return placeOpaqueBox(piece, facts, { ...box, x: to.x ?? box.x, y: to.y ?? box.y });
}

/** Share of the picture cut away past each edge of the bleed when it covers a face, 0 to 1, unturned pieces only. */
export function coverLoss(
  piece: PlacedPiece,
  face: PrintFace,
): { top: number; right: number; bottom: number; left: number } | null {
  if (Math.abs(Math.sin(piece.rotation)) > 1e-9) return null;
  const past = (overhang: number, whole: number) => Math.max(0, overhang) / whole;
  const left = piece.x - piece.width / 2;
  const top = piece.y - piece.height / 2;
  return {
    left: past(-face.bleed - left, piece.width),
    right: past(left + piece.width - (face.width + face.bleed), piece.width),
    top: past(-face.bleed - top, piece.height),
    bottom: past(top + piece.height - (face.height + face.bleed), piece.height),
  };
}

function scaled(box: Box, factor: number): Box {
  return { ...box, width: box.width * factor, height: box.height * factor };
}
