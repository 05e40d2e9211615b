import { UpFitError } from '../errors';
import { printPixels, type PrintFace, type ResolvedBlank } from '../blank/resolve';
import type { HouseSpec } from '../blank/schema';
import { FORMATS, type PrintFormat } from '../formats/registry';

export const PRINT_MODES = ['rgb', 'cmyk'] as const;
export type PrintMode = (typeof PRINT_MODES)[number];
export type MirrorOwner = 'file' | 'driver' | 'house';

/** What can be chosen of a print file; what is left out goes by the house's rules. */
export interface PrintChoice {
  format?: PrintFormat;
  mode?: PrintMode;
  ppi?: number;
  /** Whether this file is flipped left to right, whoever is to do it. */
  mirrored?: boolean;
}

/** A print file as it will be written. */
export interface PrintPlan {
  format: PrintFormat;
  mode: PrintMode;
  /** Whether clear stays clear; otherwise white lies under all of it. */
  alpha: boolean;
  ppi: number;
  pixels: { width: number; height: number };
  /** Whether this file is flipped left to right. */
  mirrored: boolean;
}

/** Who turns a print over; null for a method that prints the right way round. Exactly one does. */
export function mirrorOwner({ method, spec }: Pick<ResolvedBlank, 'method' | 'spec'>): MirrorOwner | null {
  return method.mirrored ? (spec.mirroring ?? 'house') : null;
}

/** The print file of a face by its house's rules, or as chosen. Throws `bad-argument` for what no such file can hold. */
export function planPrint(blank: ResolvedBlank, face: PrintFace, choice: PrintChoice = {}): PrintPlan {
  const { files } = blank.spec;
  const mode = choice.mode ?? (choice.format && !FORMATS[choice.format].print.inks ? 'rgb' : modeFor(files));
  const format = choice.format ?? formatFor(files, mode);
  if (mode === 'cmyk' && !FORMATS[format].print.inks) {
    const name = FORMATS[format].name;
    throw new UpFitError('bad-argument', `${name} holds no inks: choose TIFF, JPEG or PDF for CMYK.`);
  }
  const ppi = choice.ppi ?? face.target;
  return {
    format,
    mode,
    alpha: files.alpha.value === 'kept' && holdsClear(format, mode),
    ppi,
    pixels: printPixels(face, blank.spec, ppi),
    mirrored: choice.mirrored ?? mirrorOwner(blank) === 'file',
  };
}

function holdsClear(format: PrintFormat, mode: PrintMode): boolean {
  const { clear } = FORMATS[format].print;
  return clear === 'kept' || (clear === 'in rgb' && mode === 'rgb');
}

function modeFor({ modes }: HouseSpec['files']): PrintMode {
  return modes.value.includes('rgb') || !modes.value.includes('cmyk') ? 'rgb' : 'cmyk';
}

function formatFor({ formats }: HouseSpec['files'], mode: PrintMode): PrintFormat {
  const taken = formats.value.filter((format) => mode === 'rgb' || FORMATS[format].print.inks);
  return taken.includes('png') ? 'png' : (taken[0] ?? (mode === 'rgb' ? 'png' : 'tiff'));
}

/** Why a house would refuse such a file, each in a sentence. */
export function planTroubles({ format, mode }: PrintPlan, { house, files }: HouseSpec): string[] {
  const formats: readonly string[] = files.formats.value;
  const modes: readonly string[] = files.modes.value;
  const listed = (values: readonly string[]) => values.map((value) => value.toUpperCase()).join(', ');
  return [
    ...(formats.includes(format)
      ? []
      : [`${house} takes no ${FORMATS[format].name}: choose ${listed(formats)}.`]),
    ...(modes.includes(mode) ? [] : [`${house} takes no ${mode.toUpperCase()}: choose ${listed(modes)}.`]),
  ];
}
