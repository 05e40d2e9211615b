/** All that is known of a file format, but how the header of its pictures is read (headers.ts). */
interface KnownFormat {
  name: string;
  /** How its files end their names, the first of them ours. */
  endings: readonly string[];
  type: string;
  /** Whether a file is one, by how its bytes begin. */
  begins: (head: string) => boolean;
  /** As a print file: whether it may hold inks, and clear pixels. Null where none is written. */
  print: {
    inks: boolean;
    clear: 'kept' | 'in rgb' | 'never';
    /** Bytes of it for one that is left of its pixels (`residuePerPixel`), as our writer packs it, and for each pixel besides. */
    packs: Record<'rgb' | 'cmyk', readonly [least: number, most: number, each: number]>;
  } | null;
}

/** Formats in the order their beginnings are tried: what is looked for further in comes last. */
export const FORMATS = {
  png: {
    name: 'PNG',
    endings: ['png'],
    type: 'image/png',
    begins: (head) => head.startsWith('\x89PNG\r\n\x1a\n'),
    // Packed harder where it would be too large.
    print: { inks: false, clear: 'in rgb', packs: { rgb: [0.7, 1.1, 0.01], cmyk: [0.7, 1.1, 0.01] } },
  },
  jpeg: {
    name: 'JPEG',
    endings: ['jpg', 'jpeg'],
    type: 'image/jpeg',
    begins: (head) => head.startsWith('\xff\xd8\xff'),
    print: { inks: true, clear: 'never', packs: { rgb: [0.5, 1.15, 0.25], cmyk: [1.1, 2, 0.5] } },
  },
  webp: {
    name: 'WebP',
    endings: ['webp'],
    type: 'image/webp',
    begins: (head) => head.startsWith('RIFF') && head.slice(8, 12) === 'WEBP',
    print: null,
  },
  // A flattened picture of inks has no place for clear pixels; a page leaves bare what nothing lies on.
  tiff: {
    name: 'TIFF',
    endings: ['tif', 'tiff'],
    type: 'image/tiff',
    begins: (head) => head.startsWith('II*\0') || head.startsWith('MM\0*'),
    print: { inks: true, clear: 'in rgb', packs: { rgb: [0.85, 1.5, 0.02], cmyk: [0.95, 2.3, 0.02] } },
  },
  gif: {
    name: 'GIF',
    endings: ['gif'],
    type: 'image/gif',
    begins: (head) => head.startsWith('GIF8'),
    print: null,
  },
  avif: {
    name: 'AVIF',
    endings: ['avif'],
    type: 'image/avif',
    begins: (head) => /^....ftypavi[fs]/s.test(head),
    print: null,
  },
  pdf: {
    name: 'PDF',
    endings: ['pdf'],
    type: 'application/pdf',
    begins: (head) => head.includes('%PDF-'),
    print: { inks: true, clear: 'kept', packs: { rgb: [0.8, 1.25, 0.02], cmyk: [0.85, 1.9, 0.02] } },
  },
  svg: {
    name: 'SVG',
    endings: ['svg'],
    type: 'image/svg+xml',
    begins: (head) => /<svg[\s>]|<\w+:svg[\s>]|^(\xef\xbb\xbf)?\s*(<\?xml|<!--|<!DOCTYPE svg)/i.test(head),
    print: { inks: false, clear: 'in rgb', packs: { rgb: [1.05, 1.7, 0.02], cmyk: [1.05, 1.7, 0.02] } },
  },
} as const satisfies Record<string, KnownFormat>;

export type Format = keyof typeof FORMATS;
export const FORMAT_IDS = Object.keys(FORMATS) as Format[];

/** What is read, as it is said: "PNG, JPEG, ... or SVG". */
export function formatNames(last: 'and' | 'or'): string {
  const names = FORMAT_IDS.map((id) => FORMATS[id].name);
  return `${names.slice(0, -1).join(', ')} ${last} ${names.at(-1)!}`;
}

/** Formats that print files are written in. */
export type PrintFormat = { [F in Format]: (typeof FORMATS)[F]['print'] extends null ? never : F }[Format];
export const PRINT_FORMATS = FORMAT_IDS.filter((id) => FORMATS[id].print !== null) as PrintFormat[];

/** The format that a file's name promises, if it is one that print files are written in. */
export function printFormatOf(path: string): PrintFormat | undefined {
  const ending = /\.(\w+)$/.exec(path)?.[1]?.toLowerCase() ?? '';
  return PRINT_FORMATS.find((id) => (FORMATS[id].endings as readonly string[]).includes(ending));
}
