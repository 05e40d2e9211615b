import type { ShapePiece } from '@/core/fit/schema';
import { MenuLine } from '@/ui/Menu';
import type { Live } from '../live/useLive';

/** A line of a menu for each shape of the face, whose outline something else takes. */
export function ShapeLines({
  live,
  say,
  onShape,
}: {
  live: Live;
  say: (name: string) => string;
  onShape: (shape: ShapePiece) => void;
}) {
  return live.pieces
    .filter((piece) => piece.kind === 'shape')
    .map((shape) => (
      <MenuLine
        key={shape.id}
        onSelect={() => {
          onShape(shape);
        }}
      >
        <span className="max-w-72 truncate">{say(shape.name)}</span>
      </MenuLine>
    ));
}
