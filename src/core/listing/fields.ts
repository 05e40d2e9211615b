import type { ResolvedBlank } from '../blank/resolve';
import type { Design, Fit } from '../fit/schema';
import { coloursFor, fitTitle } from '../fit/version';
import { fixed } from '../length/show';
import { MM_PER_INCH } from '../length/units';
import type { ListingWords } from './schema';

/** A print's true size, each way in mm. */
export interface TrueSize {
  width: number;
  height: number;
}

/** What templates may name, each with what it says; what nobody has said is empty. */
export type Fields = Readonly<Record<string, string>>;

/** The printed areas of a fit: the trim of each face that carries something. */
export function trueSizes({ faces }: ResolvedBlank, fit: Fit): TrueSize[] {
  return faces
    .filter(({ id }) =>
      fit.faces.some((own) => own.faceId === id && own.pieces.some(({ visible }) => visible)),
    )
    .map(({ width, height }) => ({ width, height }));
}

/** A size in both units, as listings give it. */
export function saySize({ width, height }: TrueSize): string {
  const inches = (mm: number) => fixed(mm / MM_PER_INCH, 1);
  return `${fixed(width, 0)} × ${fixed(height, 0)} mm (${inches(width)} × ${inches(height)} in)`;
}

/** What is known of a fit: nothing of it is ever typed twice. */
export function fieldsOf(
  fit: Fit,
  { blank, design }: { blank: ResolvedBlank; design: Design },
  words: Pick<ListingWords, 'blanks'>,
): Fields {
  const kept = words.blanks[blank.blank.id];
  return {
    design: fitTitle(design, fit),
    blank: blank.blank.name,
    size: [...new Set(trueSizes(blank, fit).map(saySize))].join(', '),
    sizes: blank.blank.sizes.map(({ name }) => name).join(', '),
    colours: coloursFor(blank.blank, fit)
      .map(({ name }) => name)
      .join(', '),
    method: blank.method.name,
    house: blank.spec.house,
    material: kept?.material ?? '',
    care: kept?.care ?? '',
  };
}

/** A template with what its fields say; and the fields that it names of which nothing is known. */
export function filled(template: string, fields: Fields): { text: string; missing: string[] } {
  const missing = new Set<string>();
  const text = template.replace(/\{(\w+)\}/g, (whole, name: string) => {
    const said = fields[name.toLowerCase()];
    if (said === undefined || said === '') missing.add(name);
    return said ?? whole;
  });
  // A line that says nothing for want of a field is left out.
  const lines = text.split('\n').filter((line) => !/^[^:]{1,40}:\s*\.?$/.test(line));
  return { text: lines.join('\n').trim(), missing: [...missing] };
}
