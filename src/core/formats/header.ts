/** How a file holds its colours. */
export const COLOUR_MODES = ['rgb', 'cmyk', 'grey', 'lab', 'indexed'] as const;

/** What a file's header says, before a pixel is decoded. Pixels are as stored, orientation not applied. */
export interface Header {
  width: number;
  height: number;
  /** PPI; null where the file says none. */
  density: { x: number; y: number; source: 'file' } | null;
  colour: { mode: (typeof COLOUR_MODES)[number]; bits: number; profile: string | null };
  alpha: boolean;
  orientation: number;
  animated: boolean;
  /** Pages of a file that can have several. */
  pages: number;
  /** Where the page that was read lies in a TIFF's chain of directories; 0 elsewhere. */
  directory: number;
}
