import { trimSize, type PrintFace, type ResolvedBlank } from '../blank/resolve';
import { fixed } from '../length/show';

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

/** A print file's name as its house wants it: {design} {blank} {face} {size} stand for what they say, safe on every disk. */
export function printFileName(design: string, blank: ResolvedBlank, face: PrintFace, ending = 'png'): string {
  const { width, height } = trimSize(face);
  const parts: Record<string, string> = {
    design: safeName(design),
    blank: safeName(blank.blank.name),
    face: safeName(face.name),
    size: `${fixed(width, 0)}x${fixed(height, 0)}mm`,
  };
  const name = blank.spec.files.naming.value.replace(
    /\{(\w+)\}/g,
    (whole, part: string) => parts[part] ?? whole,
  );
  return `${name.replace(/[^\w.-]/g, '-')}.${ending}`;
}
