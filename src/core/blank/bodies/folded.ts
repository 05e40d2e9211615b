import * as v from 'valibot';
import { NotNegative, Positive } from '../../bounds';
import { panelZones, plainFace, rectangle, type Face, type Panel } from '../face';

export const FOLDS = ['half', 'letter', 'accordion', 'gate'] as const;

/** A sheet that is folded: the size it closes to, and how much narrower a panel is that lies inside. */
export const FoldedBodySchema = v.object({
  kind: v.literal('folded'),
  fold: v.picklist(FOLDS),
  width: Positive,
  height: Positive,
  inward: NotNegative,
});
export type FoldedBody = v.InferOutput<typeof FoldedBodySchema>;

/**
 * Panels of the outside from the left, and of the inside as it is read when the sheet is opened. The sheet is turned
 * over sideways, so that a panel that folds inward, and is narrower for it, swaps ends.
 */
function panelsOf({ fold, width, inward }: FoldedBody): { outside: Panel[]; inside: Panel[] } {
  const panels = (names: readonly string[], widths: readonly number[]) =>
    names.map((name, index) => ({ name, width: widths[index]! }));
  const mirrored = (widths: readonly number[]) => [...widths].reverse();
  const narrow = width - inward;
  switch (fold) {
    case 'half':
      return {
        outside: panels(['back', 'cover'], [width, width]),
        inside: panels(['inside left', 'inside right'], [width, width]),
      };
    case 'letter': {
      const widths = [narrow, width, width];
      return {
        outside: panels(['flap', 'back', 'cover'], widths),
        inside: panels(['inside left', 'inside middle', 'inside right'], mirrored(widths)),
      };
    }
    case 'accordion': {
      const widths = [width, width, width];
      return {
        outside: panels(['back flap', 'back', 'cover'], widths),
        inside: panels(['inside left', 'inside middle', 'inside right'], widths),
      };
    }
    case 'gate': {
      const wing = (width - inward) / 2;
      const widths = [wing, width, wing];
      return {
        outside: panels(['right wing', 'back', 'left wing'], widths),
        inside: panels(['inside left wing', 'inside middle', 'inside right wing'], mirrored(widths)),
      };
    }
  }
}

/** Outside and inside of the open sheet, with a zone for each panel and a fold between any two. */
export function foldedFaces(body: FoldedBody): Face[] {
  const { outside, inside } = panelsOf(body);
  return [face('outside', 'Outside', outside, body.height), face('inside', 'Inside', inside, body.height)];
}

function face(id: string, name: string, panels: Panel[], height: number): Face {
  const width = panels.reduce((sum, panel) => sum + panel.width, 0);
  const zones = panelZones(panels, height);
  return {
    ...plainFace(id, name, rectangle(width, height)),
    zones,
    folds: zones.slice(1).map((zone) => zone.x - zone.width / 2),
  };
}
