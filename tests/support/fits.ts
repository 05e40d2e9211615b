import type { Facts } from '@/core/artwork/facts';
import { shippedBlanks } from '@/core/blank/library';
import type { PrintFace, ResolvedBlank } from '@/core/blank/resolve';
import { makeDocket, type Docket } from '@/core/check/docket';
import { findingsOf, type DocketOptions } from '@/core/check/face-findings';
import type { Finding, RuleId } from '@/core/check/finding';
import { RULES } from '@/core/check/registry';
import type { Shown } from '@/core/render/face';
import { asCut } from '@/core/cut/face';
import type { ArtworkPiece, Fit, FitFace, Piece } from '@/core/fit/schema';
import { opaqueBounds } from '@/core/raster/bounds';
import type { Raster } from '@/core/raster/raster';
import { softShare } from '@/core/raster/soft';

export function blankById(id: string): ResolvedBlank {
  const found = shippedBlanks().find(({ blank }) => blank.id === id);
  if (!found) throw new Error(`no blank ${id}`);
  return found;
}

export function faceOf(blank: ResolvedBlank): PrintFace {
  return blank.faces[0]!;
}

/** A small sheet printed by a shipped blank's method, so that every pixel of it is quickly measured. */
export function sheetOf(
  methodOf: string,
  change: {
    width?: number;
    height?: number;
    bleed?: number;
    safe?: number;
    target?: number;
    floor?: number;
  } = {},
  blankChange: Partial<ResolvedBlank['blank']> = {},
): ResolvedBlank {
  const like = blankById(methodOf);
  const coaster = blankById('coaster');
  const face = {
    ...faceOf(coaster),
    width: 40,
    height: 30,
    cornerRadius: 0,
    outline: null,
    bleed: 0,
    safe: 1,
    zones: [],
    ...change,
  };
  return {
    ...coaster,
    ...like,
    blank: { ...like.blank, sizes: [], states: [], ...blankChange },
    faces: [face],
  } as ResolvedBlank;
}

/** The facts that the core needs of a raster, as its file would have them. */
export function factsOf(raster: Raster, change: Partial<Facts> = {}): Facts {
  const { width, height } = raster;
  const { bounds, share } = opaqueBounds(raster);
  return {
    name: 'test.png',
    bytes: 1,
    sha256: 'test',
    format: 'png',
    pixels: { width, height },
    physical: null,
    density: null,
    colour: { mode: 'rgb', bits: 8, profile: null },
    alpha: { present: !raster.opaque, opaqueBounds: bounds, softShare: softShare(raster), share },
    orientation: 1,
    detail: null,
    inks: 1,
    palette: [],
    background: null,
    flaws: [],
    page: 0,
    pageCount: 1,
    grid: null,
    notes: [],
    ...change,
  };
}

/** Faces as a fit of stickers to shape, and the blank as that fit has it cut. */
export function stickersOf(faces: FitFace[]): { fit: Fit; resolved: ResolvedBlank } {
  const blank = blankById('sticker-die-cut');
  const fit: Fit = {
    upfit: 'fit/1',
    id: 'fit',
    designId: 'design',
    blankId: blank.blank.id,
    blankVersion: 1,
    colourId: 'white',
    stateId: null,
    sizeId: null,
    faces,
  };
  return { fit, resolved: asCut(blank, fit) };
}

/** A piece of the whole picture, its centre and size in mm. */
export function pieceAt(
  x: number,
  y: number,
  width: number,
  height: number,
  change: Partial<ArtworkPiece> = {},
): ArtworkPiece {
  return {
    id: 'piece',
    kind: 'artwork',
    artworkId: 'test',
    name: 'test',
    role: 'motif',
    locked: false,
    visible: true,
    knockout: false,
    groupId: null,
    clip: null,
    rotation: 0,
    flipped: false,
    ...change,
    x,
    y,
    width,
    height,
  };
}

/** One picture for every artwork that is asked for. */
export function shown(raster: Raster, facts = factsOf(raster)): Shown {
  return { facts: () => facts, pixels: () => raster };
}

export function fitOf(blank: ResolvedBlank, pieces: readonly Piece[]): Fit {
  return {
    upfit: 'fit/1',
    id: 'fit',
    designId: 'design',
    blankId: blank.blank.id,
    blankVersion: 1,
    colourId: blank.blank.colours[0]!.id,
    stateId: null,
    sizeId: null,
    faces: [{ faceId: faceOf(blank).id, pieces: [...pieces] }],
  };
}

/** The exact docket of pieces that all show one picture. */
export function docketOf(
  blank: ResolvedBlank,
  pieces: readonly Piece[],
  raster: Raster,
  facts = factsOf(raster),
  coarse?: number,
): Docket {
  return makeDocket(blank, fitOf(blank, pieces), { ...shown(raster, facts), coarse });
}

export function findingOf(docket: Pick<Docket, 'findings'>, rule: RuleId): Finding {
  const found = docket.findings.find((finding) => finding.rule === rule);
  if (!found) throw new Error(`no finding of ${rule}`);
  return found;
}

/** What one rule alone finds of a fit. */
export const foundBy = (rule: RuleId, blank: ResolvedBlank, fit: Fit, options: DocketOptions): Finding[] =>
  findingsOf(
    blank,
    fit,
    options,
    RULES.filter(({ id }) => id === rule),
  );
