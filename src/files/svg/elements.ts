import { SaxesParser } from 'saxes';
import { UpFitError } from '@/core/errors';
import { combined, IDENTITY, type Matrix } from '@/core/geometry/matrix';
import { readTransform } from './transform';

/** Deeper nesting than any drawing needs kills renderers. */
const MOST_DEPTH = 128;
/** Names that a drawing program's own header gives to its namespaces: short, and plain text. */
const MOST_ENTITIES = 64;
const LONGEST_ENTITY = 256;

export interface Element {
  /** Its name without a prefix; null where it is not of SVG's own namespace. */
  tag: string | null;
  attributes: Readonly<Record<string, string>>;
  /** From its own user units to those of the root. */
  matrix: Matrix;
  /** 0 for the root. */
  depth: number;
}

export interface Visitor {
  open?: (element: Element) => void;
  close?: (tag: string | null, depth: number) => void;
  text?: (text: string) => void;
}

/**
 * Reads a drawing element by element. The root must be `svg`. Entities are never nested and never fetched. Throws
 * `unreadable` where it is no drawing.
 */
export function readElements(name: string, text: string, visitor: Visitor): void {
  const matrices: Matrix[] = [];
  const tags: (string | null)[] = [];
  const parser = new SaxesParser();
  parser.on('error', () => {
    throw unreadable(name);
  });
  parser.on('doctype', (doctype) => {
    for (const [key, value] of plainEntities(doctype)) parser.ENTITIES[key] = value;
  });
  parser.on('opentag', ({ name: full, attributes }) => {
    const own = attributes as Record<string, string>;
    const depth = tags.length;
    const tag = /^(svg:)?([a-zA-Z0-9]+)$/.exec(full)?.[2] ?? null;
    if ((depth === 0 && tag !== 'svg') || depth > MOST_DEPTH) throw unreadable(name);
    const matrix = combined(matrices.at(-1) ?? IDENTITY, readTransform(own['transform']));
    tags.push(tag);
    matrices.push(matrix);
    visitor.open?.({ tag, attributes: own, matrix, depth });
  });
  parser.on('closetag', () => {
    matrices.pop();
    visitor.close?.(tags.pop() ?? null, tags.length);
  });
  parser.on('text', (inner) => visitor.text?.(inner));
  parser.on('cdata', (inner) => visitor.text?.(inner));
  try {
    parser.write(text).close();
  } catch (error) {
    throw error instanceof UpFitError ? error : unreadable(name);
  }
}

/** Entities of a document's own header whose text is plain: no entity inside another, no markup, none from outside. */
function plainEntities(doctype: string): [key: string, value: string][] {
  return [...doctype.matchAll(/<!ENTITY\s+([\w.-]+)\s+(?:"([^"&<]*)"|'([^'&<]*)')\s*>/g)]
    .slice(0, MOST_ENTITIES)
    .map(([, key, double, single]): [string, string] => [key!, double ?? single ?? ''])
    .filter(([, value]) => value.length <= LONGEST_ENTITY);
}

export function unreadable(name: string): UpFitError {
  return new UpFitError(
    'unreadable',
    `“${name}” is not a drawing that can be read: export it as SVG again, text outlined.`,
  );
}
