import type { PrintChoice } from '../print/plan';

/** One of the files that a print goes out as when it is not known yet who will print it. */
export interface Rendition {
  id: string;
  name: string;
  /** What it is for, in a sentence for whoever opens the zip. */
  use: string;
  choice: PrintChoice;
  /** Whether artworks with a rendition of few inks are shown by that one; left out where there is none. */
  fewInks: boolean;
}

/** Those that go out together, the commonest first. */
export const RENDITIONS: readonly Rendition[] = [
  {
    id: 'clear',
    name: 'full colour, clear',
    use: 'For garments, film and hard goods: every colour, and what is not printed stays clear.',
    choice: { format: 'png', mode: 'rgb' },
    fewInks: false,
  },
  {
    id: 'few-inks',
    name: 'few inks',
    use: 'For screens and vinyl: flat colours, one screen or film each.',
    choice: { format: 'png', mode: 'rgb' },
    fewInks: true,
  },
  {
    id: 'inks',
    name: 'in inks',
    use: 'For paper and labels: in the house’s inks, with the profile they are meant for.',
    choice: { format: 'pdf', mode: 'cmyk' },
    fewInks: false,
  },
  {
    id: 'vector',
    name: 'vector',
    use: 'For cutters and large sizes: lettering and fills as paths, sharp at any size.',
    choice: { format: 'svg', mode: 'rgb' },
    fewInks: false,
  },
];

/** A file's name with its rendition's before the ending. */
export function renditionName(name: string, { id }: Rendition): string {
  const dot = name.lastIndexOf('.');
  return `${name.slice(0, dot)}_${id}${name.slice(dot)}`;
}

/** The note that lies beside them: a line for each file. */
export function renditionNote(files: readonly { name: string; rendition: Rendition }[]): string {
  return files.map(({ name, rendition }) => `${name}\n  ${rendition.use}\n`).join('\n');
}
