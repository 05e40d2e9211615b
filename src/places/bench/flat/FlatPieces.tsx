'use client';
import { Group, Image as Picture, Layer, Path, Stage } from 'react-konva';
import type { PrintFace } from '@/core/blank/resolve';
import { shapePath, signedDistance } from '@/core/blank/shape';
import { corners } from '@/core/fit/geometry';
import type { Piece } from '@/core/fit/schema';
import { shownColour, type Live } from '../useLive';
import type { View } from './view';

/** The pieces on the product's colour, cut off at the bleed; what lies past it shows as a ghost. */
export function FlatPieces({ live, view }: { live: Live; view: View }) {
  const { face, pieces, blank, fit } = live;
  const colour = shownColour({ blank, fit });
  const place = { x: view.left, y: view.top, scaleX: view.scale, scaleY: view.scale };
  const bleedEdge = shapePath(face, face.bleed);
  const cut = (): [Path2D] => [new Path2D(bleedEdge)];
  return (
    <div aria-hidden className="pointer-events-none absolute inset-0">
      <Stage width={view.width} height={view.height} listening={false}>
        <Layer listening={false}>
          <Group {...place} opacity={0.14}>
            <Pieces live={live} pieces={pieces.filter((piece) => reachesPast(piece, face))} />
          </Group>
          <Group {...place} clipFunc={cut}>
            <Path data={bleedEdge} fill={colour} />
            <Pieces live={live} pieces={pieces} />
          </Group>
        </Layer>
      </Stage>
    </div>
  );
}

/** Whether any of a piece lies past the bleed edge, where it shows as a ghost. */
function reachesPast(piece: Piece, face: PrintFace): boolean {
  if (piece.kind === 'fill') return false;
  return corners(piece).some(({ x, y }) => signedDistance(face, face.bleed, x, y) > 0.01);
}

function Pieces({ live, pieces }: { live: Live; pieces: readonly Piece[] }) {
  return pieces
    .filter(({ visible }) => visible)
    .map((piece) => {
      if (piece.kind === 'fill')
        return <Path key={piece.id} data={shapePath(live.face, live.face.bleed)} fill={piece.colour} />;
      return (
        <Picture
          key={piece.id}
          image={live.previews.get(piece.artworkId)!.bitmap}
          x={piece.x}
          y={piece.y}
          offsetX={piece.width / 2}
          offsetY={piece.height / 2}
          width={piece.width}
          height={piece.height}
          rotation={(piece.rotation * 180) / Math.PI}
          scaleX={piece.flipped ? -1 : 1}
        />
      );
    });
}
