'use client';
import { toast } from '@/ui/toast';
import { wayRound } from '@/core/blank/kinds';
import { closeSeam, gapsOf, withGaps } from '@/core/fit/repeat';
import { PATTERNS, type Pattern, type RepeatPiece } from '@/core/fit/schema';
import { fixed } from '@/core/length/show';
import { changePiece } from '@/state/bench/open-fit';
import { LengthValue } from '@/ui/LengthValue';
import { MenuLine, VerbMenu } from '@/ui/Menu';
import { asOne } from '../acts/adding';
import type { Live } from '../live/useLive';
import { MixMenu } from './MixMenu';
import { Row } from './Row';
import { ZoneMenu } from './ZoneMenu';

const PATTERN_WORDS: Record<Pattern, string> = {
  straight: 'straight',
  'half-drop': 'half-drop, columns set off by half',
  brick: 'brick, rows set off by half',
  mirrored: 'mirrored, every second turned over',
};

/** How a repeat is laid: its pattern, the gaps between tiles, where it lies, and whether it closes at the seam. */
export function RepeatRow({ live, piece }: { live: Live; piece: RepeatPiece }) {
  const facts = live.factsOf(piece.artworkId);
  const gaps = gapsOf(piece, facts);
  const set = (next: RepeatPiece) => void changePiece(live.face.id, next);
  const refuse = (mm: number) => (mm < 0 ? 'Under nothing, tiles would lie over one another.' : null);
  return (
    <Row label="Repeat">
      <VerbMenu label={`${piece.pattern}…`}>
        {PATTERNS.map((pattern) => (
          <MenuLine
            key={pattern}
            onSelect={() => {
              set({ ...piece, pattern });
            }}
          >
            {PATTERN_WORDS[pattern]}
          </MenuLine>
        ))}
      </VerbMenu>
      <LengthValue
        name="Gap between tiles, across"
        mm={gaps.across}
        unit={live.unit}
        refuse={refuse}
        onSet={(across) => {
          set(withGaps(piece, facts, { across }));
        }}
      >
        gaps across
      </LengthValue>
      <LengthValue
        name="Gap between tiles, down"
        mm={gaps.down}
        unit={live.unit}
        refuse={refuse}
        onSet={(down) => {
          set(withGaps(piece, facts, { down }));
        }}
      >
        down
      </LengthValue>
      <MixMenu live={live} piece={piece} />
      <ZoneMenu
        live={live}
        zoneId={piece.zoneId}
        onZone={(zoneId) => {
          set({ ...piece, zoneId });
        }}
      />
      <Seam live={live} piece={piece} onClose={set} />
      <button
        className="verb"
        onClick={() => {
          asOne(live, piece);
        }}
      >
        One tile only
      </button>
    </Row>
  );
}

/** Whether tiles come out even round a wrap, and by how much they must change to. */
function Seam({
  live,
  piece,
  onClose,
}: {
  live: Live;
  piece: RepeatPiece;
  onClose: (next: RepeatPiece) => void;
}) {
  const around = wayRound(live.blank.blank.body, live.face);
  if (around === null) return null;
  const closed = closeSeam(piece, live.factsOf(piece.artworkId), around);
  if (!closed) return <span className="text-look">turned askew, it cannot close at the seam</span>;
  const change = (closed.factor - 1) * 100;
  if (Math.abs(change) < 1e-4)
    return <span className="text-thread">seam closes, {closed.tiles} round the wrap</span>;
  const said = `${change > 0 ? '+' : ''}${fixed(change, 2)} %`;
  return (
    <button
      className="verb"
      onClick={() => {
        onClose(closed.piece);
        toast(`Tiles changed by ${said}: ${closed.tiles} now go round the wrap and the seam closes.`);
      }}
    >
      Close the seam, tiles {said}
    </button>
  );
}
