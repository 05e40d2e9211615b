import type { Facts, Format } from './facts';

/** What a file's header says, before a pixel is decoded. Pixels are as stored, orientation not applied. */
export interface Header {
  format: Format;
  width: number;
  height: number;
  density: Facts['density'];
  colour: { mode: Facts['colour']['mode']; bits: number; profile: string | null };
  alpha: boolean;
  orientation: number;
  animated: boolean;
  /** Pages of a file that can have several. */
  pages: number;
  /** Where the page that was read lies in a TIFF's chain of directories; 0 elsewhere. */
  directory: number;
}
