import type { PrintFace } from '@/core/blank/resolve';
import { areaOf } from '@/core/fit/area';
import { isMixed } from '@/core/fit/mix';
import { clipOutline } from '@/core/fit/clip';
import type { FactsOf } from '@/core/fit/geometry';
import { opaqueBox } from '@/core/fit/geometry';
import { PERIODS, tileAt } from '@/core/fit/repeat';
import type {
  ArtworkPiece,
  FillPiece,
  Piece,
  MotifPiece,
  RepeatPiece,
  ShapePiece,
  TextPiece,
} from '@/core/fit/schema';
import { textInks } from '@/core/fit/text';
import { shapeInks } from '@/core/fit/shape-ink';
import { writePath } from '@/core/geometry/path';
import { finishedPicture } from './finish';

type Context2D = CanvasRenderingContext2D | OffscreenCanvasRenderingContext2D;

/** What pieces show on a screen. */
export interface PicturesShown {
  facts: FactsOf;
  pictureOf: (artworkId: string) => ImageBitmap | undefined;
}

/** Pixels of a tile on the screen, at most. */
const LARGEST_TILE = 1024;

/**
 * Draws a face's visible pieces on a canvas whose units are mm of the face, over nothing: a knockout takes away what is
 * under it, and leaves clear what it takes.
 */
export function drawPieces(
  context: Context2D,
  face: PrintFace,
  pieces: readonly Piece[],
  shown: PicturesShown,
): void {
  context.imageSmoothingQuality = 'high';
  for (const piece of pieces) {
    if (!piece.visible) continue;
    if (isMixed(piece)) {
      drawMixed(context, face, piece, shown);
      continue;
    }
    context.save();
    context.globalCompositeOperation = piece.knockout ? 'destination-out' : 'source-over';
    drawPiece(context, face, piece, shown);
    context.restore();
  }
}

/** A piece drawn apart as one, then laid over the others as strongly, and by the blend, that it has. */
function drawMixed(context: Context2D, face: PrintFace, piece: Piece, shown: PicturesShown): void {
  const apart = new OffscreenCanvas(context.canvas.width, context.canvas.height);
  const own = apart.getContext('2d')!;
  own.setTransform(context.getTransform());
  own.imageSmoothingQuality = 'high';
  drawPiece(own, face, piece, shown);
  context.save();
  context.setTransform(1, 0, 0, 1, 0, 0);
  context.globalAlpha = piece.opacity ?? 1;
  context.globalCompositeOperation = piece.blend ?? 'source-over';
  context.drawImage(apart, 0, 0);
  context.restore();
}

function drawPiece(context: Context2D, face: PrintFace, piece: Piece, shown: PicturesShown): void {
  if (piece.kind === 'fill') {
    drawFill(context, face, piece);
    return;
  }
  if (piece.kind === 'text') {
    drawText(context, piece);
    return;
  }
  if (piece.kind === 'shape') {
    drawShape(context, piece);
    return;
  }
  const own = shown.pictureOf(piece.artworkId);
  if (!own) return;
  const picture = finishedPicture(own, piece.finish ?? []);
  if (piece.kind === 'repeat') drawRepeat(context, face, piece, picture, shown.facts);
  else drawArtwork(context, piece, picture);
}

function drawFill(context: Context2D, face: PrintFace, piece: FillPiece): void {
  const { left, top, right, bottom } = areaOf(piece, face);
  context.fillStyle = piece.colour;
  context.fillRect(left, top, right - left, bottom - top);
}

/** Goes to where a piece is set, so that its middle is (0, 0). */
function goTo(context: Context2D, { x, y, rotation, flipped }: MotifPiece): void {
  context.translate(x, y);
  context.rotate(rotation);
  if (flipped) context.scale(-1, 1);
}

function drawArtwork(context: Context2D, piece: ArtworkPiece, picture: ImageBitmap | OffscreenCanvas): void {
  const { width, height, clip } = piece;
  goTo(context, piece);
  if (clip) {
    const outline = new Path2D();
    const toBox = new DOMMatrix([width, 0, 0, height, -width / 2, -height / 2]);
    outline.addPath(new Path2D(writePath(clipOutline(clip, width / height), 6)), toBox);
    context.clip(outline);
  }
  context.drawImage(picture, -width / 2, -height / 2, width, height);
}

function drawText(context: Context2D, piece: TextPiece): void {
  const { ink, width, height } = piece;
  goTo(context, piece);
  context.translate(-width / 2, -height / 2);
  context.scale(width / ink.width, height / ink.height);
  // What is knocked out is all of it.
  for (const { d, colour } of textInks(piece)) {
    context.fillStyle = colour;
    context.fill(new Path2D(d));
  }
}

function drawShape(context: Context2D, piece: ShapePiece): void {
  goTo(context, piece);
  context.translate(-piece.width / 2, -piece.height / 2);
  for (const { path, colour } of shapeInks(piece)) {
    context.fillStyle = colour;
    context.fill(new Path2D(writePath(path)));
  }
}

function drawRepeat(
  context: Context2D,
  face: PrintFace,
  piece: RepeatPiece,
  picture: ImageBitmap | OffscreenCanvas,
  facts: FactsOf,
): void {
  const period = PERIODS[piece.pattern];
  const { stepX, stepY } = piece;
  const scale = Math.min(LARGEST_TILE / Math.max(stepX, stepY), scaleOf(context));
  const cell = new OffscreenCanvas(
    Math.max(1, Math.round(stepX * period.across * scale)),
    Math.max(1, Math.round(stepY * period.down * scale)),
  );
  const perX = cell.width / (stepX * period.across);
  const perY = cell.height / (stepY * period.down);
  const tile = cell.getContext('2d')!;
  tile.imageSmoothingQuality = 'high';
  const known = facts(piece.artworkId);
  const flat = { ...piece, x: 0, y: 0, rotation: 0 };
  const box = opaqueBox(flat, known);
  for (const [p, q] of period.tiles) {
    tile.setTransform(perX, 0, 0, perY, (p + 0.5) * stepX * perX, (q + 0.5) * stepY * perY);
    const { overX, overY } = tileAt(piece.pattern, p, q);
    tile.scale(overX ? -1 : 1, overY ? -1 : 1);
    tile.beginPath();
    tile.rect(-box.width / 2, -box.height / 2, box.width, box.height);
    tile.save();
    tile.clip();
    tile.translate(-box.x, -box.y);
    if (piece.flipped) tile.scale(-1, 1);
    tile.drawImage(picture, -piece.width / 2, -piece.height / 2, piece.width, piece.height);
    tile.restore();
  }
  const pattern = context.createPattern(cell, 'repeat')!;
  const middle = opaqueBox(piece, known);
  const place = new DOMMatrix()
    .translate(middle.x, middle.y)
    .rotate((piece.rotation * 180) / Math.PI)
    .translate(-stepX / 2, -stepY / 2)
    .scale(1 / perX, 1 / perY);
  pattern.setTransform(place);
  const { left, top, right, bottom } = areaOf(piece, face);
  context.fillStyle = pattern;
  context.fillRect(left, top, right - left, bottom - top);
}

/** Pixels a mm of what is drawn on. */
function scaleOf(context: Context2D): number {
  const { a, b } = context.getTransform();
  return Math.hypot(a, b);
}
