import type { InkPiece } from '@/core/fit/schema';
import { Hint } from '@/ui/Hint';
import { asTile } from '../acts/adding';
import type { Live } from '../live/useLive';

/** A shape or a text as the tile of a repeat: it becomes an artwork, as it looks now. */
export function TileButton({ live, piece }: { live: Live; piece: InkPiece }) {
  return (
    <Hint words="It becomes an artwork, as it looks now, and covers the face">
      <button className="verb" onClick={() => void asTile(live, piece)}>
        Repeat
      </button>
    </Hint>
  );
}
