import { showBytes } from '@/core/length/bytes';
import { shippedBlanks } from '@/core/blank/library';
import { bodyTroubles } from '@/core/blank/troubles';
import {
  printPixels,
  printSize,
  resolveBlank,
  type PrintFace,
  type ResolvedBlank,
} from '@/core/blank/resolve';
import { declared } from './declared';
import { decode, type Decoded } from './decode';
import type { FileFinding, PackedFit } from './forms';
import { methodFor, specFor, type House } from './houses';
import { pageSize } from './page-size';
import { aspectsOf } from '@/core/blank/kinds';

type Print = PackedFit['prints'][number];

/** mm of the smallest and the largest sticker we cut to shape. */
const SMALLEST = 10;
const LARGEST = 300;
/** mm that a page may be off by. */
const PAGE = 0.1;
/** Share of a trim edge in pure cyan from which it is a template's line. */
const GUIDE = 0.5;

/** A print file against the house's own rules for a graded size, from its bytes. */
export async function lookAt(
  house: House,
  fit: PackedFit,
  print: Print,
  size: string | null,
  bytes: Uint8Array,
): Promise<FileFinding> {
  const { path } = print;
  const blank = blankOf(house, fit, size);
  const face = blank && faceOf(blank, print);
  if (!blank || !face) return { path, verdict: 'fix', reasons: [notOurs(house, fit)] };
  let decoded;
  try {
    const { pixels } = declared(bytes);
    const wanted = printPixels(face, blank.spec);
    // A size that is not ours is said without decoding it: a small file can declare gigabytes.
    if (pixels && pixels.width * pixels.height > Math.max(ANY_PIXELS, wanted.width * wanted.height))
      return { path, verdict: 'fix', reasons: [sizeReason(pixels, wanted)] };
    decoded = decode(bytes);
  } catch {
    return { path, verdict: 'fix', reasons: ['We cannot open this file: it is damaged or no print file.'] };
  }
  const reasons = [
    ...fileReasons(blank, decoded.format, bytes.length),
    ...('pixels' in decoded
      ? pixelReasons(blank, face, decoded)
      : await pageReasons(face, decoded.format, bytes)),
    ...mirrorReasons(blank, print),
  ];
  return { path, verdict: reasons.length > 0 ? 'fix' : 'ready', reasons };
}

/** The face that a file is for; of what is cut to shape a face of its own, as large as it is said to be cut. */
function faceOf({ blank, faces }: ResolvedBlank, { faceId, cut }: Print): PrintFace | undefined {
  const [own] = faces;
  const toShape = aspectsOf(blank.body).sticker?.toShape !== undefined;
  if (!toShape || !own || !cut) return faces.find(({ id }) => id === faceId);
  const fits = Math.min(cut.width, cut.height) >= SMALLEST && Math.max(cut.width, cut.height) <= LARGEST;
  return fits ? { ...own, id: faceId, ...cut, cornerRadius: 0 } : undefined;
}

/** The product: one of ours, or as the customer measured it where we print on such. */
function blankOf(house: House, fit: PackedFit, size: string | null): ResolvedBlank | undefined {
  const { blankId, specId, measured } = fit;
  const spec = specFor(house, fit);
  if (!spec) return undefined;
  const blank = measured ?? shippedBlanks().find((one) => one.blank.id === blankId)?.blank;
  const method = blank && methodFor(house, blank.methodId, fit);
  if (!method) return undefined;
  const sizeId = blank.sizes.find(({ name }) => name === size)?.id ?? null;
  if (!measured) return resolveBlank({ ...blank, specId }, method, spec, sizeId);
  const isFit = measured.id === blankId && spec.methods.includes(method.id);
  if (!spec.takesMeasured || !isFit || bodyTroubles(measured.body, MM).length > 0) return undefined;
  return resolveBlank({ ...measured, specId }, method, spec, sizeId);
}

const MM = { unit: 'mm', inches: 'decimal' } as const;

function notOurs(house: House, fit: PackedFit): string {
  return !fit.measured || specFor(house, fit)?.takesMeasured
    ? 'We do not print on this product: choose one of ours.'
    : 'We print on our own products only, not on those a customer measured: choose one of ours.';
}

function fileReasons({ spec }: ResolvedBlank, format: string, bytes: number): string[] {
  const { formats, maxBytes } = spec.files;
  return [
    ...(formats.value.some((one) => one === format)
      ? []
      : [`We take ${formats.value.join(', ').toUpperCase()} for this product, not ${format.toUpperCase()}.`]),
    ...(bytes > maxBytes.value ? [`Too large: we take ${showBytes(maxBytes.value)} a file at most.`] : []),
  ];
}

/** A picture of so many pixels is decoded whatever size is wanted. */
const ANY_PIXELS = 16_000_000;

interface Size {
  width: number;
  height: number;
}

function sizeReason({ width, height }: Size, wanted: Size): string {
  return `${width} × ${height} px; we need exactly ${wanted.width} × ${wanted.height} px.`;
}

function pixelReasons(blank: ResolvedBlank, face: PrintFace, decoded: Decoded): string[] {
  const { files } = blank.spec;
  const { width, height, mode, alpha, pixels } = decoded;
  const wanted = printPixels(face, blank.spec);
  const exact = width === wanted.width && height === wanted.height;
  const clear = blank.method.knockout && files.alpha.value === 'kept';
  return [
    ...(exact ? [] : [sizeReason({ width, height }, wanted)]),
    ...(files.modes.value.some((one) => one === mode)
      ? []
      : [`${mode.toUpperCase()}; we print from ${files.modes.value.join(', ').toUpperCase()}.`]),
    ...(clear && !alpha && mode !== 'cmyk'
      ? ['No transparency: what is not printed must be clear, or it prints as a white box.']
      : []),
    ...(files.alpha.value === 'none' && alpha ? ['It has an alpha channel: send it on white.'] : []),
    ...(exact && pixels && hasGuide(face, decoded, pixels)
      ? ['The cyan line of our template is still in it, along the trim: take it out.']
      : []),
  ];
}

async function pageReasons(face: PrintFace, format: string, bytes: Uint8Array): Promise<string[]> {
  if (format !== 'pdf') return [];
  const wanted = printSize(face);
  try {
    const { pages, width, height } = await pageSize(bytes);
    const near = Math.abs(width - wanted.width) < PAGE && Math.abs(height - wanted.height) < PAGE;
    return [
      ...(pages === 1 ? [] : [`${pages} pages; we need one for each side.`]),
      ...(near
        ? []
        : [
            `The page is ${width.toFixed(1)} × ${height.toFixed(1)} mm; we need ${wanted.width.toFixed(1)} × ${wanted.height.toFixed(1)} mm.`,
          ]),
    ];
  } catch {
    return ['We cannot open this PDF: it is damaged or locked.'];
  }
}

/** We mirror transfers ourselves unless our spec says that the file or the driver does. */
function mirrorReasons({ method, spec }: ResolvedBlank, { mirrored }: Print): string[] {
  if (!method.mirrored)
    return mirrored ? ['It is mirrored, and this product is not printed by transfer.'] : [];
  const byFile = spec.mirroring === 'file';
  if (byFile === mirrored) return [];
  return [
    byFile
      ? 'Not mirrored: for this product we need it mirrored.'
      : 'Mirrored already: we mirror it ourselves.',
  ];
}

/** Our templates draw the trim as a line of pure cyan, one pixel wide. */
function hasGuide(face: PrintFace, { width, height }: Decoded, pixels: Uint8Array): boolean {
  const bleed = Math.round((face.bleed * face.target) / 25.4);
  const isGuide = (x: number, y: number) => {
    const at = (y * width + x) * 4;
    return pixels[at] === 0 && pixels[at + 1] === 255 && pixels[at + 2] === 255 && pixels[at + 3]! > 0;
  };
  const along = (length: number, at: (i: number) => boolean) => {
    let found = 0;
    for (let i = 0; i < length; i++) if (at(i)) found++;
    return found > length * GUIDE;
  };
  const near = (edge: number, most: number) =>
    [-2, -1, 0, 1, 2].map((by) => edge + by).filter((value) => value >= 0 && value < most);
  return (
    near(bleed, height).some((y) => along(width, (x) => isGuide(x, y))) ||
    near(height - 1 - bleed, height).some((y) => along(width, (x) => isGuide(x, y))) ||
    near(bleed, width).some((x) => along(height, (y) => isGuide(x, y))) ||
    near(width - 1 - bleed, width).some((x) => along(height, (y) => isGuide(x, y)))
  );
}
