import type { Outline } from '../geometry/outline';

/** A print that goes on sheets: its box, trim and bleed, in mm. */
export interface Print {
  fitId: string;
  faceId: string;
  name: string;
  width: number;
  height: number;
  bleed: number;
  /** How it is cut; none where that is its trim. */
  cut?: PrintCut | undefined;
}

/** A print that is cut to shape, in mm of its box. */
export interface PrintCut {
  /** The line, as SVG writes a path. */
  d: string;
  /** The edge of a kiss cut's backing; null where there is none. */
  backing: string | null;
  /** All that it prints on, bleed and all. */
  reach: readonly Outline[];
}

/** Where a print lies in a room: the top left of its box, in mm. */
export interface Placed {
  x: number;
  y: number;
  turned: boolean;
  print: Print;
}

/** What is free of a sheet, in mm. */
export interface Room {
  width: number;
  height: number;
}
