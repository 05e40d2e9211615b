import { printPixels, type PrintFace, type ResolvedBlank } from '@/core/blank/resolve';
import type { Piece } from '@/core/fit/schema';
import { IN_SILENCE, isOpaque, type Progress, type Raster } from '@/core/raster/raster';
import { renderFace, type Shown } from '@/core/render/face';
import { layersOf } from '@/core/render/layers';
import type { Engine } from '@/imaging/engine';
import { part } from '@/imaging/measure';
import { printPdf, type PdfLayer } from './pdf/print';
import { printSvg, type MadeLayer } from './svg/print';

export const PRINT_KINDS = ['png', 'pdf', 'svg'] as const;
export type PrintKind = (typeof PRINT_KINDS)[number];

const TYPES: Record<PrintKind, string> = {
  png: 'image/png',
  pdf: 'application/pdf',
  svg: 'image/svg+xml',
};

export interface PrintAsked {
  title: string;
  blank: ResolvedBlank;
  face: PrintFace;
  pieces: readonly Piece[];
  kind: PrintKind;
  ppi?: number;
  /** Flips the print left to right, for a transfer. */
  mirror?: boolean;
}

export interface WrittenPrint {
  bytes: Uint8Array;
  type: string;
  pixels: { width: number; height: number };
  ppi: number;
}

/** Writes a face's print file: exact pixels as PNG; as PDF or SVG with its paths as paths and pictures at the same pixels. */
export async function writePrint(
  engine: Engine,
  asked: PrintAsked,
  shown: Shown,
  progress: Progress = IN_SILENCE,
): Promise<WrittenPrint> {
  const { title, blank, face, pieces, kind, mirror = false } = asked;
  const ppi = asked.ppi ?? face.target;
  const pixels = printPixels(face, blank.spec, ppi);
  const draw = (some: readonly Piece[], own: Progress): Raster =>
    renderFace(face, some, shown, { pixels, mirror, progress: own });
  const png = (raster: Raster, own?: Progress) => engine.encodePng(raster, { ppi, use: 'print' }, own);
  const done = (bytes: Uint8Array): WrittenPrint => ({ bytes, type: TYPES[kind], pixels, ppi });
  if (kind === 'png') return done(png(draw(pieces, part(progress, 0, 0.5)), part(progress, 0.5, 1)));

  const layers = layersOf(face, pieces, mirror);
  const steps = layers.map((_, index) =>
    part(progress, (index / layers.length) * 0.9, ((index + 1) / layers.length) * 0.9),
  );
  if (kind === 'svg') {
    const made = layers.map((layer, index): MadeLayer =>
      layer.kind === 'path' ? layer : { kind: 'picture', png: png(draw(layer.pieces, steps[index]!)) },
    );
    return done(new TextEncoder().encode(printSvg(face, made)));
  }
  const made = layers.map((layer, index): PdfLayer => {
    if (layer.kind === 'path') return layer;
    const raster = draw(layer.pieces, steps[index]!);
    return { kind: 'picture', ...engine.encodePlanes({ ...raster, opaque: isOpaque(raster.data) }) };
  });
  return done(await printPdf(title, face, made));
}
