'use client';
import { useHand } from '@/state/bench/hand';
import { MenuGroup, MenuHeading, MenuLine, MenuRule } from '@/ui/Menu';
import { addText } from '../acts/adding';
import { canDo, perform, VERBS, type VerbId } from '../acts/verbs';
import { zoomTo } from '../flat/zooming';
import type { Live } from '../live/useLive';

const ARRANGING: readonly VerbId[] = [
  'spread',
  'alignLeft',
  'alignCentre',
  'alignRight',
  'alignTop',
  'alignMiddle',
  'alignFoot',
  'sameHeight',
  'sameWidth',
  'group',
  'ungroup',
];
const ONE: readonly VerbId[] = [
  'otherSideMirrored',
  'quarterTurn',
  'flip',
  'knockout',
  'raise',
  'lower',
  'lock',
  'hide',
];
const CLIPBOARD: readonly VerbId[] = ['copy', 'cut', 'paste', 'duplicate'];
const PLACING: readonly VerbId[] = ['inside', 'cover', 'centreBoth', 'otherSide'];

/** A verb as a line of a menu, with its key. */
export function VerbLine({ live, id, say }: { live: Live; id: VerbId; say?: string }) {
  const { name, keys } = VERBS[id];
  return (
    <MenuLine
      keys={keys}
      disabled={!canDo(live, id)}
      onSelect={() => {
        perform(live, id);
      }}
    >
      {say ?? name}
    </MenuLine>
  );
}

function VerbLines({ live, ids }: { live: Live; ids: readonly VerbId[] }) {
  return ids.map((id) => <VerbLine key={id} live={live} id={id} />);
}

/** Setting pieces against each other, and what is done to each. */
export function ArrangeLines({ live }: { live: Live }) {
  const { selection } = live;
  return (
    <>
      <MenuHeading>
        {selection && selection.units.length > 1 ? 'what is chosen' : 'choose two or more'}
      </MenuHeading>
      <VerbLines live={live} ids={ARRANGING} />
      <MenuRule />
      <MenuLine
        keys="D"
        onSelect={() => {
          useHand.setState({ editing: 'again' });
        }}
      >
        Step and repeat…
      </MenuLine>
      <VerbLines live={live} ids={ONE} />
      <MenuRule />
      <VerbLines live={live} ids={CLIPBOARD} />
    </>
  );
}

/** What can be done where the flat, or a piece in the list, is pointed at. */
export function PointedLines({ live }: { live: Live }) {
  if (live.selectedIds.length === 0) return <BareLines live={live} />;
  return (
    <>
      <VerbLines live={live} ids={PLACING} />
      <MenuRule />
      <VerbLines live={live} ids={CLIPBOARD} />
      <MenuRule />
      <VerbLines live={live} ids={['raise', 'lower', 'role', 'lock', 'hide']} />
      <MenuGroup label="Arrange">
        <ArrangeLines live={live} />
      </MenuGroup>
      <MenuRule />
      <VerbLine live={live} id="takeOff" />
    </>
  );
}

function BareLines({ live }: { live: Live }) {
  return (
    <>
      <VerbLine live={live} id="paste" />
      <MenuLine keys="I" disabled={live.following} onSelect={() => void addText(live)}>
        Add words
      </MenuLine>
      <MenuRule />
      <MenuLine
        keys="0"
        onSelect={() => {
          zoomTo(live, 'face');
        }}
      >
        See the whole face
      </MenuLine>
      <MenuLine
        keys="="
        onSelect={() => {
          zoomTo(live, 'true');
        }}
      >
        See it at true size
      </MenuLine>
    </>
  );
}
