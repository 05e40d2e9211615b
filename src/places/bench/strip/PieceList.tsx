'use client';
import { useEffect, useRef } from 'react';
import { extentOf, factsFor, opaqueBox } from '@/core/fit/geometry';
import { isMotifKind, type Piece } from '@/core/fit/schema';
import { showNumber, showSize } from '@/core/length/show';
import { changePiece } from '@/state/bench/open-fit';
import { select, useHand } from '@/state/bench/hand';
import { NameField } from '@/ui/NameField';
import { groupIds, pickPointed, toggle } from '../flat/picking';
import type { Live } from '../live/useLive';
import { MenuLine, useMenuAt, VerbMenu } from '@/ui/Menu';
import { Toggle } from '@/ui/Toggle';
import { listed, type Listed } from '../flat/listed';
import { PointedLines } from './VerbLines';

const KINDS: Record<Piece['kind'], string> = {
  artwork: 'artwork',
  fill: 'fill',
  repeat: 'repeat',
  text: 'text',
  shape: 'shape',
};

/** Every piece of the face in order of its place: number, name, what it is, what it lies over, its size and where it is. */
export function PieceList({ live }: { live: Live }) {
  const { pieces, unit } = live;
  const pointed = useMenuAt(
    'What can be done with the piece',
    (on) => pickPointed(live, on),
    () => <PointedLines live={live} />,
  );
  return (
    <section
      aria-label="Pieces"
      onContextMenu={pointed.onContextMenu}
      className="flex w-[330px] shrink-0 flex-col border-r border-ink bg-docket text-sm"
    >
      <div className="flex items-baseline gap-3 border-b-2 border-ink px-3 py-2">
        <h2 className="font-bold">Pieces</h2>
        <span className="measure text-ink-2">{pieces.length}, by their place on the face</span>
        <button
          className="verb ml-auto"
          onClick={() => {
            useHand.setState({ list: false });
          }}
        >
          Put away
        </button>
      </div>
      {pieces.length === 0 && <p className="p-3 text-ink-2">Nothing lies on this face yet.</p>}
      <div className="min-h-0 grow overflow-auto">
        <table className="w-full border-collapse">
          <thead className="sticky top-0 bg-docket text-left text-xs text-ink-2">
            <tr>
              <th className="py-1 pl-3 font-normal">No.</th>
              <th className="font-normal">piece</th>
              <th className="measure pr-3 text-right font-normal">wide × high; left, top ({unit.unit})</th>
            </tr>
          </thead>
          <tbody>
            {listed(live).map((one) => (
              <Row key={one.piece.id} live={live} {...one} />
            ))}
          </tbody>
        </table>
      </div>
      {pointed.menu}
    </section>
  );
}

function Row({ live, piece, number, over }: Listed & { live: Live }) {
  const { face, selectedIds, groups, unit } = live;
  const chosen = selectedIds.includes(piece.id);
  const group = groups.find(({ id }) => id === piece.groupId);
  const row = useRef<HTMLTableRowElement>(null);
  useEffect(() => {
    if (chosen) row.current?.scrollIntoView({ block: 'nearest' });
  }, [chosen]);
  return (
    <tr
      ref={row}
      data-row={piece.id}
      aria-selected={chosen}
      onClick={(event) => {
        if ((event.target as HTMLElement).closest('button, input')) return;
        if (event.shiftKey) toggle(live, piece.id);
        else select(event.altKey ? [piece.id] : groupIds(live, piece.id));
      }}
      className={`cursor-default border-b border-rule align-top ${chosen ? 'bg-frame' : ''}`}
    >
      <td className="py-1.5 pl-3">
        <Toggle
          aria-label={`Choose number ${number}, ${piece.name}`}
          pressed={chosen}
          className="measure grid h-6 w-6 place-items-center border border-ink aria-pressed:bg-thread aria-pressed:text-on-thread"
          onPress={(_, event) => {
            if (event.shiftKey) toggle(live, piece.id);
            else select(groupIds(live, piece.id));
          }}
        >
          {number}
        </Toggle>
      </td>
      <td className="w-full max-w-0 py-1.5 pl-2">
        <NameField
          small
          value={piece.name}
          label={`Name of number ${number}`}
          onName={(name) => void changePiece(face.id, { ...piece, name })}
        />
        <span className="block truncate text-xs text-ink-2">
          {[
            piece.knockout ? 'knockout' : piece.role,
            KINDS[piece.kind],
            ...(over === null ? [] : [`over no. ${over}`]),
            ...(group ? [group.name] : []),
          ].join(', ')}
        </span>
      </td>
      <td className="measure whitespace-nowrap py-1.5 pr-3 text-right">
        <span className="block">{sizeOf(live, piece)}</span>
        <span className="flex items-center justify-end gap-2 text-xs">
          <span className="text-ink-2">{placeOf(live, piece)}</span>
          <VerbMenu
            label={standing(piece)}
            spoken={`Number ${number}: ${standing(piece)}`}
            className="min-h-6 min-w-6 underline underline-offset-2"
            align="end"
          >
            <MenuLine onSelect={() => void changePiece(face.id, { ...piece, locked: !piece.locked })}>
              {piece.locked ? 'Unlock' : 'Lock'}
            </MenuLine>
            <MenuLine onSelect={() => void changePiece(face.id, { ...piece, visible: !piece.visible })}>
              {piece.visible ? 'Hide' : 'Show'}
            </MenuLine>
          </VerbMenu>
        </span>
      </td>
    </tr>
  );

  function placeOf({ factsOf }: Live, one: Piece): string {
    if (!isMotifKind(one)) return '';
    const { left, top } = extentOf(opaqueBox(one, factsFor(one, factsOf)));
    return `${showNumber(left, unit)}, ${showNumber(top, unit)}`;
  }
}

function sizeOf({ factsOf, unit }: Live, piece: Piece): string {
  if (piece.kind === 'fill') return piece.colour;
  const { width, height } = opaqueBox(piece, factsFor(piece, factsOf));
  return showSize(width, height, unit).replace(` ${unit.unit}`, '');
}

/** How a piece stands, in a word or two. */
function standing({ locked, visible }: Piece): string {
  const words = [...(locked ? ['locked'] : []), ...(visible ? [] : ['hidden'])];
  return words.length === 0 ? 'lock, hide…' : `${words.join(', ')}…`;
}
