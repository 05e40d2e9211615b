import { trimSize, type PrintFace, type ResolvedBlank } from '../blank/resolve';
import { fixed } from '../length/show';
import { FORMATS } from '../formats/registry';
import { mirrorOwner, type MirrorOwner, type PrintPlan } from '../print/plan';

/** Bytes of one part of a path that every disk takes. */
const MOST_NAME_BYTES = 120;

/**
 * A name as a part of a file's: small letters, marks and digits of any script, and hyphens, so that it is safe on every
 * disk and upload page; at most 120 bytes of it.
 */
export function safeName(text: string): string {
  const safe = text
    .normalize('NFKC')
    .replace(/[^\p{L}\p{M}\p{N}_\s.-]/gu, '')
    .trim()
    .replace(/[\s._]+/gu, '-')
    .replace(/-{2,}/g, '-')
    .replace(/^-|-$/g, '')
    .toLowerCase()
    .normalize('NFC');
  return usable(cutTo(safe, MOST_NAME_BYTES)) || 'untitled';
}

/** Some disks keep these names for devices, whatever the ending. */
function usable(name: string): string {
  return /^(con|prn|aux|nul|com\d|lpt\d)$/i.test(name) ? `${name}-1` : name;
}

/** A name cut to so many bytes, between two of what a reader sees as letters. */
function cutTo(name: string, bytes: number): string {
  const encoder = new TextEncoder();
  const size = (text: string) => encoder.encode(text).length;
  if (size(name) <= bytes) return name;
  let kept = '';
  let room = bytes;
  for (const { segment } of new Intl.Segmenter('en').segment(name)) {
    room -= size(segment);
    if (room < 0) break;
    kept += segment;
  }
  return kept.replace(/[.-]+$/g, '');
}

/** An id made from a name that none of `taken` has: `kiln-cup`, `kiln-cup-2`. */
export function freeIdAmong(name: string, taken: Iterable<string>): string {
  const used = new Set(taken);
  const base =
    safeName(name.normalize('NFKD').replace(/\p{M}/gu, ''))
      .replace(/[^a-z0-9-]/g, '')
      .replace(/^-+/, '')
      .slice(0, 60) || 'unnamed';
  let id = base;
  for (let n = 2; used.has(id); n++) id = `${base}-${n}`;
  return id;
}

/** How a name says who turns a print over. */
const MIRRORED: Record<MirrorOwner, string> = {
  file: 'mirrored',
  driver: 'mirror-in-driver',
  house: 'house-mirrors',
};

/**
 * A print file's name as its house wants it: {design} {blank} {face} {size} {mode} {mirror} {version} stand for what
 * they say, safe on every disk. That a file is mirrored, or holds inks, is said at the end where the pattern leaves it out.
 */
export function printFileName(
  design: string,
  blank: ResolvedBlank,
  face: PrintFace,
  plan: PrintPlan,
): string {
  const { width, height } = trimSize(face);
  const owner = plan.mirrored ? 'file' : mirrorOwner(blank);
  const pattern = blank.spec.files.naming.value;
  const parts: Record<string, string> = {
    blank: safeName(blank.blank.name),
    face: safeName(face.name),
    size: `${fixed(width, 0)}x${fixed(height, 0)}mm`,
    mode: plan.mode,
    mirror: owner ? MIRRORED[owner] : '',
    version: `v${blank.blank.version}`,
  };
  const said = (design: string) =>
    pattern.replace(/\{(\w+)\}/g, (whole, part: string) => ({ ...parts, design })[part] ?? whole);
  const unsaid = [
    ...(plan.mode === 'cmyk' && !pattern.includes('{mode}') ? ['cmyk'] : []),
    ...(plan.mirrored && !pattern.includes('{mirror}') ? [MIRRORED.file] : []),
  ];
  const whole = (design: string) => {
    const safe = [said(design), ...unsaid].join('_').replace(/[^\p{L}\p{M}\p{N}_.-]/gu, '-');
    return `${safe.replace(/_{2,}/g, '_').replace(/^_|_$/g, '')}.${FORMATS[plan.format].endings[0]}`;
  };
  const named = safeName(design);
  const bytes = (text: string) => new TextEncoder().encode(text).length;
  const over = bytes(whole(named)) - MOST_NAME_BYTES;
  // What tells the files of a design apart stays: its own name gives way.
  return over <= 0 ? whole(named) : whole(cutTo(named, Math.max(8, bytes(named) - over)));
}

/** A file's name with the graded sizes that it is for, before its ending. */
export function sizedName(name: string, sizes: readonly string[]): string {
  const dot = name.lastIndexOf('.');
  return `${name.slice(0, dot)}_${safeName(sizes.join(' '))}${name.slice(dot)}`;
}

/**
 * A file's name without its ending, in whatever script it is written: letters, marks and digits are kept, what no disk or
 * path takes is left out, and it is cut where it is too long for some. `fallback` where nothing of it is left.
 */
export function keptName(text: string, fallback: string): string {
  const kept = text
    .normalize('NFC')
    .replace(/[^\p{L}\p{M}\p{N}\s._-]/gu, '')
    .trim()
    .replace(/\s+/g, '-')
    .replace(/^[.-]+|[.-]+$/g, '');
  const name = usable(cutTo(kept, MOST_NAME_BYTES));
  return name === '' ? fallback : name;
}

/** The same names, each once: what comes again is numbered before its ending. */
export function uniqueNames(names: readonly string[]): string[] {
  const taken = new Set<string>();
  return names.map((name) => {
    const dot = name.lastIndexOf('.');
    const [stem, ending] = dot > 0 ? [name.slice(0, dot), name.slice(dot)] : [name, ''];
    let free = name;
    for (let n = 2; taken.has(free.toLowerCase()); n++) free = `${stem}-${n}${ending}`;
    taken.add(free.toLowerCase());
    return free;
  });
}
