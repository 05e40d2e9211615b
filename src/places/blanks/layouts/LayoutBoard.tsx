'use client';
import { useId } from 'react';
import type { PrintFace, ResolvedBlank } from '@/core/blank/resolve';
import { shapePath } from '@/core/blank/shape';
import { boxOf, partsOf, withBox } from '@/core/layout/places';
import type { Layout } from '@/core/layout/schema';
import { showLength, showSize } from '@/core/length/show';
import { previewUrl } from '@/state/artwork/previews';
import { useShop } from '@/state/shop/shop';
import { FaceBoard } from '@/ui/flat/FaceBoard';
import { PieceDrawings } from '@/ui/flat/PieceDrawings';
import { faceOfLayout, setFace, useFactsOf } from './parts';

interface Props {
  layout: Layout;
  resolved: ResolvedBlank;
  face: PrintFace;
  partId: string | null;
  onChoose: (partId: string | null) => void;
}

/** A layout drawn at one scale: what is kept as it prints, empty places as boxes with their size. */
export function LayoutBoard({ layout, resolved, face, partId, onChoose }: Props) {
  const { artworks, settings } = useShop();
  const factsOf = useFactsOf();
  const clip = useId();
  const own = faceOfLayout(layout, face.id);
  const pieces = own.pieces.filter((piece) => !('artworkId' in piece) || artworks.has(piece.artworkId));
  const parts = partsOf({ ...own, pieces });
  const { unit } = settings;
  return (
    <FaceBoard
      label={`${layout.name} on ${face.name}`}
      face={face}
      unit={unit}
      chosenId={partId}
      onChoose={onChoose}
      boxes={parts.map((part) => {
        const box = boxOf(part, factsOf);
        return {
          ...box,
          id: part.id,
          name: part.name,
          ...(!('kind' in part) && {
            empty:
              part.height === null
                ? `${showLength(part.width, unit)} wide`
                : showSize(part.width, part.height, unit),
          }),
        };
      })}
      onMove={(id, { x, y }) => {
        void setFace(layout, face.id, (so) => withBox(so, id, { x, y }, factsOf));
      }}
    >
      {() => (
        <>
          <clipPath id={clip}>
            <path d={shapePath(face, Math.max(face.bleed, face.edge))} />
          </clipPath>
          <path d={shapePath(face, face.edge)} fill={resolved.blank.colours[0]?.hex ?? '#ffffff'} />
          <g clipPath={`url(#${clip})`}>
            <PieceDrawings
              pieces={pieces}
              face={face}
              pictureOf={(id) => {
                const artwork = artworks.get(id);
                return artwork && previewUrl(artwork);
              }}
              factsOf={(id) => artworks.get(id)?.facts}
            />
          </g>
        </>
      )}
    </FaceBoard>
  );
}
