import * as v from 'valibot';
import { IdSchema, NameSchema } from './basics';
import { Finite, NotNegative, Positive } from '../bounds';
import type { Sector } from './bodies/sector';

/** A closed outline as its corner points in mm, from the top left of its box. */
export const OutlineSchema = v.pipe(v.array(v.tuple([Finite, Finite])), v.minLength(3), v.maxLength(720));

/** What a flat thing is cut to: a rectangle with rounded corners, or any outline within that rectangle. */
export const SheetSchema = v.object({
  width: Positive,
  height: Positive,
  cornerRadius: NotNegative,
  outline: v.nullable(OutlineSchema),
});
export type Sheet = v.InferOutput<typeof SheetSchema>;

/** A part of a face where nothing may sit: a hole, or a cover that will lie on top of the print. */
export const KeepOutSchema = v.object({
  id: IdSchema,
  name: NameSchema,
  effect: v.picklist(['hole', 'cover']),
  shape: v.variant('kind', [
    v.object({ kind: v.literal('circle'), x: Finite, y: Finite, diameter: Positive }),
    v.object({
      kind: v.literal('rectangle'),
      x: Finite,
      y: Finite,
      width: Positive,
      height: Positive,
      cornerRadius: NotNegative,
    }),
    v.object({ kind: v.literal('outline'), points: OutlineSchema }),
  ]),
});
export type KeepOut = v.InferOutput<typeof KeepOutSchema>;

/** A named panel of a face and its width in mm. */
export const PanelSchema = v.object({ name: NameSchema, width: Positive });
export type Panel = v.InferOutput<typeof PanelSchema>;

/** A named part of a face with its own centre. All lengths in mm from the trim's top left corner. */
export interface Zone {
  id: string;
  name: string;
  x: number;
  y: number;
  width: number;
  height: number;
}

/** A printable surface unrolled flat. What a kind of blank gives; the house's numbers come on top of it. */
export interface Face extends Sheet {
  id: string;
  name: string;
  zones: Zone[];
  keepOuts: KeepOut[];
  /** mm that the print goes on past the trim, round an edge (gallery wrap, case); 0 where it ends there. */
  edge: number;
  /** Further cut lines within the face: the stickers of a sheet, each by its top left corner. */
  cuts: { x: number; y: number; sheet: Sheet }[];
  /** Where the product is folded: mm from the left. */
  folds: number[];
  /** mm at the right that lie over the start where a full wrap closes; 0 where it does not. */
  overlap: number;
  /** The piece of a cone's wall that the rectangle is bent onto for the print; null where it prints as it is. */
  bend: Sector | null;
  /** The line that was made for what lies on it: nothing prints past its bleed. */
  cut?: {
    /** In mm, as SVG writes a path. */
    d: string;
    /** Whether the artwork's edge colours are drawn out past it. */
    spread: boolean;
    /** mm from it to the edge of a kiss cut's backing; 0 where there is none. */
    backing: number;
  };
}

/** A face with nothing special about it. */
export function plainFace(id: string, name: string, sheet: Sheet, keepOuts: KeepOut[] = []): Face {
  return {
    id,
    name,
    ...sheet,
    zones: [middleOf(sheet)],
    keepOuts,
    edge: 0,
    cuts: [],
    folds: [],
    overlap: 0,
    bend: null,
  };
}

export function rectangle(width: number, height: number, cornerRadius = 0): Sheet {
  return { width, height, cornerRadius, outline: null };
}

function middleOf({ width, height }: Sheet): Zone {
  return { id: 'middle', name: 'middle', x: width / 2, y: height / 2, width, height };
}

/** Zones side by side from the left, one for each panel, as high as the face. */
export function panelZones(panels: readonly Panel[], height: number): Zone[] {
  let left = 0;
  return panels.map(({ name, width }, index) => {
    const zone = { id: `panel-${index + 1}`, name, x: left + width / 2, y: height / 2, width, height };
    left += width;
    return zone;
  });
}
