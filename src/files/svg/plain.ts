import { UpFitError } from '@/core/errors';

/**
 * Makes a drawing plain: shapes and copies become paths, every style stands on its element, and units are worked out. What
 * is made plain is safe already.
 */
export type MakePlain = (svg: string, fonts?: PlainFonts) => Promise<string>;

/** What live text is outlined with: files of fonts as TrueType or OpenType. */
export interface PlainFonts {
  files: readonly Uint8Array[];
  /** The family of text that names none. */
  usual: string;
}

/** What the library for it offers, once its program is loaded. */
export interface PlainLibrary {
  Resvg: new (
    svg: string,
    options?: { font: { fontBuffers: Uint8Array[]; defaultFontFamily: string } },
  ) => Plain;
}

/** A drawing that was made plain; its memory is the library's own. */
interface Plain {
  toString: () => string;
  free: () => void;
}

export function plainMaker(load: () => Promise<PlainLibrary>): MakePlain {
  let library: Promise<PlainLibrary> | undefined;
  return async (svg, fonts) => {
    const { Resvg } = await (library ??= load());
    let made: Plain | undefined;
    try {
      made = new Resvg(
        svg,
        fonts && { font: { fontBuffers: [...fonts.files], defaultFontFamily: fonts.usual } },
      );
      return made.toString();
    } catch {
      throw new UpFitError(
        'unreadable',
        'This drawing cannot be taken apart: export it as SVG again, flattened.',
      );
    } finally {
      made?.free();
    }
  };
}
