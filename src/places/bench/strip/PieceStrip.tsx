'use client';
import { shownPpi, toldPpi } from '@/core/fit/density';
import { coverLoss } from '@/core/fit/place';
import { isMotifKind, isShowing, type Piece } from '@/core/fit/schema';
import { fixed } from '@/core/length/show';
import { MenuLine, VerbMenu } from '@/ui/Menu';
import { centreOnZone, selectNext } from '../acts/acts';
import { AddMenu, ShapeMenu } from './AddMenu';
import { ArtworkRow } from './ArtworkRow';
import { ClipRow } from './ClipRow';
import { CutRow } from './CutRow';
import { FaceRow } from './FaceRow';
import { FillRow } from './FillRow';
import { RepeatRow } from './RepeatRow';
import { ShapeRow } from './ShapeRow';
import { TextRow } from './TextRow';
import { perform, VERBS, type VerbId } from '../acts/verbs';
import type { Live } from '../live/useLive';
import { Hint } from '@/ui/Hint';
import { ArrangeLines, VerbLine } from './VerbLines';

/** What is chosen said as a sentence, and what can be done to it as verbs; a second strip for its own measures, or the face's. */
export function PieceStrip({ live, onBringIn }: { live: Live; onBringIn: () => void }) {
  const { pieces, selected, selectedIds } = live;
  const cut = live.fit.faces.find(({ faceId }) => faceId === live.face.id)?.cut;
  return (
    <>
      <div
        role="toolbar"
        aria-label="Piece"
        className="flex min-h-[34px] shrink-0 items-center gap-x-3.5 gap-y-0.5 border-b max-[1100px]:flex-wrap border-rule bg-docket px-4 text-sm"
      >
        {pieces.length > 1 && (
          <span className="measure flex items-center gap-1.5">
            <button aria-label="Piece before" onClick={() => selectNext(live, -1)}>
              ‹
            </button>
            {selected ? pieces.indexOf(selected) + 1 : '–'} of {pieces.length}
            <button aria-label="Piece after" onClick={() => selectNext(live, 1)}>
              ›
            </button>
          </span>
        )}
        <Said live={live} />
        {selectedIds.length > 0 && !live.following && <Doing live={live} />}
        <span
          className={`flex shrink-0 items-center gap-3.5 border-l border-rule pl-3.5 ${selectedIds.length > 0 ? '' : 'ml-auto'}`}
        >
          <AddMenu live={live} onBringIn={onBringIn} />
          <ShapeMenu live={live} />
        </span>
      </div>
      {cut && !live.following && <CutRow live={live} cut={cut} />}
      {selected && !live.following ? <Own live={live} piece={selected} /> : <FaceRow live={live} />}
    </>
  );
}

/** The second strip, of the kinds of piece that have one. */
function Own({ live, piece }: { live: Live; piece: Piece }) {
  switch (piece.kind) {
    case 'text':
      return <TextRow key={piece.id} live={live} piece={piece} />;
    case 'repeat':
      return <RepeatRow live={live} piece={piece} />;
    case 'shape':
      return <ShapeRow key={piece.id} live={live} piece={piece} />;
    case 'fill':
      return <FillRow live={live} piece={piece} />;
    case 'artwork':
      return (
        <>
          <ArtworkRow live={live} piece={piece} />
          {/* What a sticker shows of its picture is its own part, not cut off by hand. */}
          {piece.clip && !live.face.cut && <ClipRow live={live} piece={{ ...piece, clip: piece.clip }} />}
        </>
      );
  }
}

function Said({ live }: { live: Live }) {
  const { pieces, selected, selectedIds, selection } = live;
  if (selectedIds.length > 1) {
    return (
      <span className="truncate font-semibold">
        {selection?.group ? `${selection.group.name}, ` : ''}
        {selectedIds.length} pieces
      </span>
    );
  }
  if (!selected) {
    return (
      <span className="truncate text-ink-2">
        {pieces.length === 0 ? 'Drop artwork here to begin.' : 'Click a piece, or press Tab.'}
      </span>
    );
  }
  const word = selected.knockout ? 'knockout' : selected.role;
  return (
    <span className="flex min-w-0 items-baseline gap-2">
      <Hint words={selected.name}>
        <span className="truncate font-semibold">{selected.name}</span>
      </Hint>
      {isMotifKind(selected) ? (
        <button
          className="verb"
          aria-label={`Role: ${word}. Change it`}
          onClick={() => {
            perform(live, 'role');
          }}
        >
          {word}
        </button>
      ) : (
        <span className="text-ink-2">{word}</span>
      )}
      {selected.locked && <span className="text-ink-2">locked</span>}
      {!selected.visible && <span className="text-look">hidden</span>}
      <PlacedFacts live={live} piece={selected} />
    </span>
  );
}

function PlacedFacts({ live, piece }: { live: Live; piece: Piece }) {
  if (!isShowing(piece)) return null;
  const placed = shownPpi(live.factsOf(piece.artworkId), piece, live.face);
  const ppi = placed ? `${toldPpi(placed, live.face)} PPI` : 'vector';
  const loss = piece.kind === 'artwork' && piece.role === 'ground' ? coverLoss(piece, live.face) : null;
  const cut = loss && Object.entries(loss).filter(([, share]) => share >= 0.0005);
  return (
    <span className="measure truncate text-ink-2">
      {ppi}
      {cut &&
        cut.length > 0 &&
        ` · cut away ${cut.map(([side, share]) => `${side} ${fixed(share * 100, 1)} %`).join(', ')}`}
    </span>
  );
}

function Doing({ live }: { live: Live }) {
  const { selection, face } = live;
  const motif = selection && selection.pieces.every(isMotifKind);
  return (
    <span className="ml-auto flex shrink-0 items-center gap-x-3.5 max-[1100px]:shrink max-[1100px]:flex-wrap">
      {motif && (
        <>
          <VerbButton live={live} id="inside" say="Fit inside" />
          <VerbButton live={live} id="cover" say="Fill to bleed" />
          <VerbMenu label="Centre on…">
            {face.zones.map(({ id, name }, index) => (
              <MenuLine
                key={id}
                keys={String(index + 1)}
                onSelect={() => {
                  centreOnZone(live, index);
                }}
              >
                {name}
              </MenuLine>
            ))}
            <VerbLine live={live} id="centreBoth" say="nearest" />
            <VerbLine live={live} id="centreAcross" say="nearest, across only" />
            <VerbLine live={live} id="centreDown" say="nearest, down only" />
          </VerbMenu>
          <VerbButton live={live} id="otherSide" say="Other side too" />
        </>
      )}
      <VerbMenu label="Arrange…">
        <ArrangeLines live={live} />
      </VerbMenu>
      <VerbButton live={live} id="takeOff" say="Take off" />
    </span>
  );
}

function VerbButton({ live, id, say }: { live: Live; id: VerbId; say: string }) {
  const { name, keys } = VERBS[id];
  return (
    <Hint words={`${name} (${keys})`}>
      <button
        className="verb whitespace-nowrap"
        onClick={() => {
          perform(live, id);
        }}
      >
        {say}
      </button>
    </Hint>
  );
}
