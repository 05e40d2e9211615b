'use client';
import { useShallow } from 'zustand/react/shallow';
import { wayRound } from '@/core/blank/kinds';
import { fixed } from '@/core/length/show';
import { EDGE_LINES, useHand, type EdgeLine } from '@/state/bench/hand';
import { useShop } from '@/state/shop/shop';
import { MenuLine, MenuRule, VerbMenu } from '@/ui/Menu';
import { zoomTo, type Aim } from '../flat/zooming';
import { ProofMenu } from './ProofMenu';
import type { Live } from '../live/useLive';
import { Toggle } from '@/ui/Toggle';

const LINE_WORDS: Record<EdgeLine, string> = {
  role: 'safe or bleed edge, by what it is',
  safe: 'safe edge',
  trim: 'trim',
  bleed: 'bleed edge',
};

/** How the flat is looked at: how large, what distances are taken to, where rulers begin, and the list of pieces. */
export function ViewToolbar({ live }: { live: Live }) {
  const { edgeLine, fromCentre, zoom, list, stretching } = useHand(
    useShallow(({ edgeLine, fromCentre, zoom, list, stretching }) => ({
      edgeLine,
      fromCentre,
      zoom,
      list,
      stretching,
    })),
  );
  const pxPerMm = useShop((shop) => shop.settings.pxPerMm);
  const isTrue = zoom !== null && pxPerMm !== null && Math.abs(zoom.scale / pxPerMm - 1) < 1e-3;
  const said = zoom === null ? 'whole face' : isTrue ? 'true size' : `${fixed(zoom.scale, 1)} px a mm`;
  const aims: [aim: Aim, name: string, keys: string][] = [
    ['face', 'the whole face', '0'],
    ['zone', 'the zone', 'Shift J'],
    ['piece', 'what is chosen', 'J'],
    ['true', pxPerMm === null ? 'true size… (hold a card to the glass)' : 'true size', '='],
  ];
  return (
    <span className="ml-auto flex items-center gap-x-4 max-[1100px]:flex-wrap min-[1100px]:shrink-0">
      {stretching && <span className="text-look">sizes change one way (P)</span>}
      <ProofMenu live={live} />
      <VerbMenu label={`Distances to the ${edgeLine === 'role' ? 'edge' : LINE_WORDS[edgeLine]}…`}>
        {EDGE_LINES.map((line) => (
          <MenuLine
            key={line}
            onSelect={() => {
              useHand.setState({ edgeLine: line });
            }}
          >
            {LINE_WORDS[line]}
          </MenuLine>
        ))}
        <MenuRule />
        <MenuLine
          onSelect={() => {
            useHand.setState({ fromCentre: !fromCentre });
          }}
        >
          rulers begin at the {fromCentre ? 'trim' : 'zone’s centre'}
        </MenuLine>
      </VerbMenu>
      <VerbMenu label={`View: ${said}…`}>
        {aims.map(([aim, name, keys]) => (
          <MenuLine
            key={aim}
            keys={keys}
            disabled={aim === 'piece' && !live.selection}
            onSelect={() => {
              zoomTo(live, aim);
            }}
          >
            {name}
          </MenuLine>
        ))}
        {wayRound(live.blank.blank.body, live.face) !== null && (
          <MenuLine
            onSelect={() => {
              zoomTo(live, 'seam');
            }}
          >
            the seam, both ends meeting
          </MenuLine>
        )}
        {pxPerMm !== null && (
          <MenuLine
            onSelect={() => {
              useHand.setState({ editing: 'card' });
            }}
          >
            measure this screen again…
          </MenuLine>
        )}
      </VerbMenu>
      <Toggle
        className="verb"
        pressed={list}
        onPress={(on) => {
          useHand.setState({ list: on });
        }}
      >
        Pieces
      </Toggle>
    </span>
  );
}
