import * as v from 'valibot';
import { list } from '../bounds';
import { IdSchema, NameSchema } from '../blank/basics';
import type { Blank } from '../blank/schema';

/** One of several fits of a design on one blank, and the product colours that it is for: all of them where none is named. */
export const VersionSchema = v.object({ name: NameSchema, colours: list(IdSchema, 200) });
export type Version = v.InferOutput<typeof VersionSchema>;

/** A fit, as far as it is a version. */
interface Versioned {
  version?: Version | undefined;
}

/** What a fit is called: its design, and which version it is where it is one of several. */
export function fitTitle(design: { name: string }, { version }: Versioned): string {
  return version ? `${design.name}, ${version.name}` : design.name;
}

/** The product colours that a fit is for. One whose colours are all gone from the blank is for every colour. */
export function coloursFor({ colours }: Pick<Blank, 'colours'>, { version }: Versioned): Blank['colours'] {
  const own = colours.filter(({ id }) => version?.colours.includes(id));
  return own.length > 0 ? own : colours;
}

/** Those colours by name, where they are not all. */
export function namedColours(blank: Pick<Blank, 'colours'>, fit: Versioned): string[] | null {
  const own = coloursFor(blank, fit);
  return own.length < blank.colours.length ? own.map(({ name }) => name) : null;
}

/** So many colours are named in a file's name; more are counted. */
const MOST_NAMED = 4;

/** What a fit's files are called after: its title, and the colours they are for where they are not for all. */
export function fileTitle(design: { name: string }, fit: Versioned, blank: Pick<Blank, 'colours'>): string {
  const named = namedColours(blank, fit);
  const colours = named && (named.length > MOST_NAMED ? `${named.length} colours` : named.join(' '));
  return [fitTitle(design, fit), colours].filter(Boolean).join(' ');
}

/** Versions in their order: the one without a name first, the others by name. */
export function byVersion(a: Versioned, b: Versioned): number {
  const [name, other] = [a.version?.name ?? '', b.version?.name ?? ''];
  return name === other ? 0 : name.localeCompare(other);
}

/** A name for one more version beside those there are: `version 2`, `version 3`. */
export function nextVersionName(fits: readonly Versioned[]): string {
  const taken = new Set(fits.map(({ version }) => version?.name.toLowerCase()));
  let n = fits.length + 1;
  while (taken.has(`version ${n}`)) n++;
  return `version ${n}`;
}
