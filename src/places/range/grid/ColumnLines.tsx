'use client';
import { keyOfPlace } from '@/core/many/choice';
import { toggleAll } from '@/state/many/chosen';
import { removeColumn } from '@/state/shop/columns';
import { useShop } from '@/state/shop/shop';
import { MenuLine } from '@/ui/Menu';
import { tellDone } from '@/ui/tell';
import type { Asked } from '../asked';
import { fitsOn, holds } from './words';

/** What can be done with a column of the range. */
export function ColumnLines({
  blank,
  designs,
  onAsk,
}: {
  blank: { id: string; name: string };
  /** The designs that are shown, by id. */
  designs: readonly string[];
  onAsk: (asked: Asked) => void;
}) {
  const blankId = blank.id;
  const held = useShop((shop) => fitsOn(shop.fits.values(), blankId));
  return (
    <>
      <MenuLine
        onSelect={() => {
          onAsk({ kind: 'start', blankId });
        }}
      >
        Start a design on it…
      </MenuLine>
      <MenuLine
        onSelect={() => {
          toggleAll(designs.map((designId) => keyOfPlace({ designId, blankId })));
        }}
      >
        Choose this column
      </MenuLine>
      <MenuLine
        onSelect={() =>
          void removeColumn(blankId).then((undo) => {
            tellDone(
              `${blank.name} is off the range.${held > 0 ? ` ${holds(held)}, which stay.` : ''}`,
              undo,
            );
          })
        }
      >
        Take this column off; its fits stay
      </MenuLine>
    </>
  );
}
