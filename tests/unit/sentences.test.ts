import { mkdirSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import ts from 'typescript';

/** What a person may read: where these are said, and no program code that only looks like it. */
const ROOMS = [
  'core',
  'files',
  'imaging',
  'state',
  'workers',
  'store',
  'ui',
  'places',
  'app',
  'cli',
  'desk',
  'demo',
];
/** Attributes of JSX that a person reads or hears. */
const READ =
  /^(label|title|alt|placeholder|aria-label|name|words|spoken|what|say|verb|heading|description|note|question|of)$/;

interface Sentence {
  at: string;
  words: string;
}

function* files(folder: string): Generator<string> {
  for (const entry of readdirSync(folder, { withFileTypes: true })) {
    const path = join(folder, entry.name);
    if (entry.isDirectory()) yield* files(path);
    else if (/\.tsx?$/.test(entry.name)) yield path;
  }
}

function sentencesOf(path: string): Sentence[] {
  const source = ts.createSourceFile(path, readFileSync(path, 'utf8'), ts.ScriptTarget.Latest, true);
  const found: Sentence[] = [];
  const take = (node: ts.Node, words: string) => {
    const said = words.replace(/\s+/g, ' ').trim();
    if (!/\p{L}{2}/u.test(said)) return;
    const { line } = source.getLineAndCharacterOfPosition(node.getStart(source));
    found.push({ at: `${path}:${line + 1}`, words: said });
  };
  const visit = (node: ts.Node): void => {
    if (ts.isImportDeclaration(node) || ts.isExportDeclaration(node)) return;
    if (ts.isJsxAttribute(node)) {
      const name = node.name.getText(source);
      const { initializer } = node;
      if (initializer && ts.isStringLiteral(initializer)) {
        if (READ.test(name)) take(node, initializer.text);
        return;
      }
      if (/^(className|style|d|id|key|href|data-)/.test(name)) return;
    }
    if (ts.isJsxText(node)) take(node, node.text);
    else if (ts.isStringLiteral(node) || ts.isNoSubstitutionTemplateLiteral(node)) {
      // Several words that begin like a sentence or a label, or one that stands as a child of JSX.
      const inJsx = ts.isJsxExpression(node.parent) || ts.isConditionalExpression(node.parent);
      if (
        /^[“\p{Lu}\p{Ll}\d][^{}<>_=;]*$/u.test(node.text) &&
        (/ /.test(node.text) || inJsx) &&
        !isMarkup(node.text)
      )
        take(node, node.text);
    } else if (ts.isTemplateExpression(node)) {
      const text = [node.head.text, ...node.templateSpans.map(({ literal }) => literal.text)].join('…');
      if (/\p{L}{2,} /u.test(text) && !/[{}<>;=]/.test(text) && !isMarkup(text)) take(node, text);
    }
    ts.forEachChild(node, visit);
  };
  visit(source);
  return found;
}

/** Classes of style, paths, keys and patterns, which are written like words. */
function isMarkup(text: string): boolean {
  return (
    /(^|[ :])(flex|grid|absolute|relative|border|text|bg|px|py|min|max|w|h|ml|mt|mr|gap|shrink|grow|measure|verb|action)(-|$| )|^[a-z-]+\/|-->|\bvar\(|https?:/.test(
      text,
    ) && !/[.?!…]$/.test(text)
  );
}

/** Anywhere in a sentence, as it is written where that is in capitals; in quotes, a label of that alone. */
function patternOf(word: string): RegExp {
  const [, label] = /^“(.+)”$/.exec(word) ?? [];
  if (label !== undefined) return new RegExp(`^${label}…?$`, 'u');
  return new RegExp(`(?<![\\p{L}-])${word}(?![\\p{L}-])`, /^[A-Z]|iB$/.test(word) ? 'u' : 'iu');
}

const all = ROOMS.flatMap((room) => [...files(join('src', room))].flatMap(sentencesOf));

/** The table of `docs/words.md`: each word with those that are never said for it. */
const never = readFileSync('docs/words.md', 'utf8')
  .split('\n')
  .flatMap((line) => /^\| ([^|]+) \|[^|]*\| ([^|]+) \|$/.exec(line)?.slice(1, 3).join('|') ?? [])
  .filter((row) => !/^(word|---)/.test(row))
  .flatMap((row) => {
    const [word = '', others = ''] = row.split('|');
    return others
      .split(', ')
      .flatMap((other) => (other.trim() === '' ? [] : [[other.trim(), word.trim()] as const]));
  });

test('every sentence is listed for reading through', () => {
  mkdirSync('coverage', { recursive: true });
  writeFileSync('coverage/sentences.txt', all.map(({ at, words }) => `${at}\t${words}`).join('\n'));
  expect(all.length).toBeGreaterThan(2500);
  const said = all.map(({ words }) => words);
  // Of every sort: a child of JSX, a single word, an attribute, a sentence of the core, one with numbers in it.
  expect(said).toEqual(
    expect.arrayContaining([
      'Make the pack',
      'Undo',
      'Search artwork',
      'The order cannot be read: make it again.',
    ]),
  );
});

test('one thing has one word', () => {
  expect(never.length).toBeGreaterThan(30);
  const wrong = all.flatMap(({ at, words }) =>
    never.flatMap(([other, word]) =>
      patternOf(other).test(words) ? [`${at}: “${words}” says ${other} for ${word}`] : [],
    ),
  );
  expect(wrong).toEqual([]);
});
