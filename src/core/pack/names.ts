import { trimSize, type PrintFace, type ResolvedBlank } from '../blank/resolve';
import { fixed } from '../length/show';
import { FORMATS } from '../formats/registry';
import { mirrorOwner, type MirrorOwner, type PrintPlan } from '../print/plan';

/** Letters, digits and hyphens only, so that a name is safe on every disk and upload page. */
export function safeName(text: string): string {
  return (
    text
      .normalize('NFKD')
      .replace(/[^\w\s.-]/g, '')
      .trim()
      .replace(/[\s._]+/g, '-')
      .toLowerCase() || 'untitled'
  );
}

/** An id made from a name that none of `taken` has: `kiln-cup`, `kiln-cup-2`. */
export function freeIdAmong(name: string, taken: Iterable<string>): string {
  const used = new Set(taken);
  const base =
    safeName(name)
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
    design: safeName(design),
    blank: safeName(blank.blank.name),
    face: safeName(face.name),
    size: `${fixed(width, 0)}x${fixed(height, 0)}mm`,
    mode: plan.mode,
    mirror: owner ? MIRRORED[owner] : '',
    version: `v${blank.blank.version}`,
  };
  const name = pattern.replace(/\{(\w+)\}/g, (whole, part: string) => parts[part] ?? whole);
  const unsaid = [
    ...(plan.mode === 'cmyk' && !pattern.includes('{mode}') ? ['cmyk'] : []),
    ...(plan.mirrored && !pattern.includes('{mirror}') ? [MIRRORED.file] : []),
  ];
  const safe = [name, ...unsaid].join('_').replace(/[^\w.-]/g, '-');
  return `${safe.replace(/_{2,}/g, '_').replace(/^_|_$/g, '')}.${FORMATS[plan.format].endings[0]}`;
}

/** A file's name with the graded sizes that it is for, before its ending. */
export function sizedName(name: string, sizes: readonly string[]): string {
  const dot = name.lastIndexOf('.');
  return `${name.slice(0, dot)}_${safeName(sizes.join(' '))}${name.slice(dot)}`;
}

/** Bytes of one part of a path that every disk takes. */
const MOST_NAME_BYTES = 120;

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
  let name = kept;
  const encoder = new TextEncoder();
  while (encoder.encode(name).length > MOST_NAME_BYTES)
    name = Array.from(name)
      .slice(0, -1)
      .join('')
      .replace(/[.-]+$/g, '');
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
