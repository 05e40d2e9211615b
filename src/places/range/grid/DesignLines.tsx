'use client';
import type { Design } from '@/core/fit/schema';
import { keyOfPlace } from '@/core/many/choice';
import { toggleAll } from '@/state/many/chosen';
import { duplicateDesign } from '@/state/shop/designs';
import { removeDesign } from '@/state/shop/records';
import { MenuLine, MenuRule } from '@/ui/Menu';
import { tellDone } from '@/ui/tell';
import type { Asked } from '../asked';

/** A row of the range: its design, the designs above and under it where it can be moved, and what may be asked of it. */
export interface RowOf {
  design: Design;
  above: Design | undefined;
  under: Design | undefined;
  /** The columns that are shown, by their blanks' ids. */
  blanks: readonly string[];
  onMove: (designId: string, toRowOf: Design) => void;
  onAsk: (asked: Asked) => void;
}

/** What can be done with a row. */
export function DesignLines({ design, above, under, blanks, onMove, onAsk }: RowOf) {
  const moveTo = (row: Design | undefined) => () => {
    if (row) onMove(design.id, row);
  };
  return (
    <>
      <MenuLine
        onSelect={() => {
          onAsk({ kind: 'design', designId: design.id });
        }}
      >
        Name, artworks, idea…
      </MenuLine>
      <MenuLine
        onSelect={() => {
          toggleAll(blanks.map((blankId) => keyOfPlace({ designId: design.id, blankId })));
        }}
      >
        Choose its row
      </MenuLine>
      <MenuLine
        onSelect={() =>
          void duplicateDesign(design.id).then(({ result, undo }) => {
            tellDone(`“${result.name}” is under it, with its fits.`, undo);
          })
        }
      >
        Duplicate with its fits
      </MenuLine>
      <MenuRule />
      <MenuLine disabled={!above} onSelect={moveTo(above)}>
        Move up a row
      </MenuLine>
      <MenuLine disabled={!under} onSelect={moveTo(under)}>
        Move down a row
      </MenuLine>
      <MenuRule />
      <MenuLine
        onSelect={() =>
          void removeDesign(design.id).then((undo) => {
            tellDone(`“${design.name}” is off the range.`, undo);
          })
        }
      >
        Take off the range
      </MenuLine>
    </>
  );
}
