import { useId } from 'react';
import { shapePath } from '@/core/blank/shape';
import type { Facts } from '@/core/artwork/facts';
import type { PrintFace, ResolvedBlank } from '@/core/blank/resolve';
import type { Piece } from '@/core/fit/schema';
import { FaceLines } from './FaceLines';
import { GarmentShape } from './GarmentShape';
import { placeOf } from '@/core/blank/drawn';
import { PieceDrawings } from './PieceDrawings';

interface Props {
  blank: ResolvedBlank;
  face: PrintFace;
  sizeId: string | null;
  colour: string;
  pieces: readonly Piece[];
  pictureOf: (artworkId: string) => string | undefined;
  factsOf: (artworkId: string) => Facts | undefined;
  /** Room in px; the face is drawn as large as fits, and stays in the middle of a wider one. */
  width: number;
  height: number;
}

/** A fit drawn small: the face's flat at one look, a garment with its print in place. */
export function FitDrawing({
  blank,
  face,
  sizeId,
  colour,
  pieces,
  pictureOf,
  factsOf,
  width,
  height,
}: Props) {
  const clip = useId();
  const { garment, origin, ...extent } = placeOf(blank, face, sizeId);
  const scale = Math.min((width - 12) / extent.width, (height - 12) / extent.height);
  const px = 1 / scale;
  const box = [-width / 2 / scale, extent.height / 2 - height / 2 / scale, width / scale, height / scale];
  return (
    <svg width="100%" height={height} viewBox={box.join(' ')} aria-hidden className="block">
      {garment && <GarmentShape garment={garment} colour={colour} px={px} />}
      <g transform={`translate(${origin.x} ${origin.y})`}>
        <clipPath id={clip}>
          <path d={shapePath(face, face.edge)} />
        </clipPath>
        {!garment && <path d={shapePath(face, face.edge)} fill={colour} />}
        <g clipPath={`url(#${clip})`}>
          <PieceDrawings pieces={pieces} face={face} pictureOf={pictureOf} factsOf={factsOf} />
        </g>
        {garment ? <PrintArea face={face} px={px} /> : <FaceLines face={face} px={px} small />}
      </g>
    </svg>
  );
}

/** A print area on a garment: a dashed line, since nothing is cut there. */
export function PrintArea({ face, px }: { face: PrintFace; px: number }) {
  return (
    <path
      d={shapePath(face)}
      fill="none"
      stroke="var(--color-viewing-ink)"
      strokeWidth={px * 0.7}
      strokeDasharray={`${3 * px} ${3 * px}`}
    />
  );
}
