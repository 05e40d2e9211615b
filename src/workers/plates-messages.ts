import type { PrintFace, ResolvedBlank } from '@/core/blank/resolve';
import type { PlatePlan } from '@/core/fit/plates';
import type { PlateFinding } from '@/core/plates/findings';
import type { PlatesView } from '@/core/plates/laid';
import type { Proposal } from '@/core/plates/propose';
import type { Raster } from '@/core/raster/raster';

/** A print that plates are looked at on. `key` tells one from another. */
export interface HeldPrint {
  key: string;
  raster: Raster;
}

export interface ProposeAsked {
  print: HeldPrint;
  blank: ResolvedBlank;
  face: PrintFace;
  product: string;
  so: PlatePlan | null;
}

export interface LookAsked {
  print: HeldPrint;
  blank: ResolvedBlank;
  face: PrintFace;
  product: string;
  plan: PlatePlan;
  view: Omit<PlatesView, 'slid'> & {
    /** mm that plates are off their places. */
    slid: number;
  };
  /** A window of the print seen at the plates' own density, its top left and its width in mm; all of it where null. */
  close: { x: number; y: number; across: number } | null;
}

/** A plate as it is told of: how much of it prints. */
export interface PlateSeen {
  name: string;
  hex: string;
  base: boolean;
  /** mm². */
  area: number;
  /** Of the print's area, 0 to 1. */
  share: number;
}

/** What is found, with the plan that would mend it. */
export type PlateFound = Omit<PlateFinding, 'mend'> & {
  mend: { id: string; label: string; plan: PlatePlan } | null;
};

export interface PlatesSeen {
  picture: Raster;
  /** What of the print the picture is of, in mm from its top left: what is seen of it, or the window. */
  box: { x: number; y: number; width: number; height: number };
  plates: PlateSeen[];
  difference: { mean: number; worst: number };
  findings: PlateFound[];
  /** mm² of the product or the base that show where inks should meet. */
  gaps: number;
}

/** A plan on products of several colours. */
export interface StripAsked extends Omit<LookAsked, 'product' | 'view' | 'close'> {
  products: readonly string[];
}

/** What the worker that plates are looked at in does. */
export interface PlatesService {
  propose(asked: ProposeAsked): Promise<Proposal[]>;
  /** A picture for each product; none where nothing lies on the face. */
  strip(asked: StripAsked): Promise<Raster[]>;
  /** Null where nothing lies on the face. */
  look(asked: LookAsked): Promise<PlatesSeen | null>;
}
