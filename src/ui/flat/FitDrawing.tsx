import { useId } from 'react';
import { shapePath } from '@/core/blank/shape';
import type { PrintFace, ResolvedBlank } from '@/core/blank/resolve';
import { garmentExtent, garmentOutline, printOrigin } from '@/core/blank/kinds/garment';
import type { Piece } from '@/core/fit/schema';
import { pieceTransform } from './transform';
import { FaceLines } from './FaceLines';

interface Props {
  blank: ResolvedBlank;
  face: PrintFace;
  colour: string;
  pieces: readonly Piece[];
  pictureOf: (artworkId: string) => string | undefined;
  /** Room in px; the face is drawn as large as fits, and stays in the middle of a wider one. */
  width: number;
  height: number;
  /** Fixed scale in px a mm, for drawings that share one. */
  perMm?: number;
}

/** A fit drawn small: the face's flat at one look, a garment with its print in place. */
export function FitDrawing({ blank, face, colour, pieces, pictureOf, width, height, perMm }: Props) {
  const clip = useId();
  const { body } = blank.blank;
  const garment = body.kind === 'garment' ? body : null;
  const extent = garment ? garmentExtent(garment) : { width: face.width, height: face.height };
  const origin = garment ? printOrigin(garment) : { x: -face.width / 2, y: 0 };
  const scale = perMm ?? Math.min((width - 12) / extent.width, (height - 12) / extent.height);
  const px = 1 / scale;
  const box = [-width / 2 / scale, extent.height / 2 - height / 2 / scale, width / scale, height / scale];
  return (
    <svg width={perMm ? width : '100%'} height={height} viewBox={box.join(' ')} aria-hidden className="block">
      {garment && (
        <path
          d={garmentOutline(garment)}
          fill={colour}
          stroke="var(--color-viewing-ink)"
          strokeWidth={px}
          strokeLinejoin="round"
        />
      )}
      <g transform={`translate(${origin.x} ${origin.y})`}>
        <clipPath id={clip}>
          <path d={shapePath(face)} />
        </clipPath>
        {!garment && <path d={shapePath(face)} fill={colour} />}
        <g clipPath={`url(#${clip})`}>
          {pieces.map((piece) => (
            <PieceDrawing key={piece.id} piece={piece} face={face} pictureOf={pictureOf} />
          ))}
        </g>
        {garment ? (
          <path
            d={shapePath(face)}
            fill="none"
            stroke="var(--color-viewing-ink)"
            strokeWidth={px * 0.7}
            strokeDasharray={`${3 * px} ${3 * px}`}
          />
        ) : (
          <FaceLines face={face} px={px} small />
        )}
      </g>
    </svg>
  );
}

export function PieceDrawing({
  piece,
  face,
  pictureOf,
}: {
  piece: Piece;
  face: PrintFace;
  pictureOf: Props['pictureOf'];
}) {
  if (!piece.visible) return null;
  if (piece.kind === 'fill') return <path d={shapePath(face, face.bleed)} fill={piece.colour} />;
  const href = pictureOf(piece.artworkId);
  if (!href) return null;
  return (
    <image
      href={href}
      width={piece.width}
      height={piece.height}
      preserveAspectRatio="none"
      transform={pieceTransform(piece)}
    />
  );
}
