import { useId } from 'react';
import { shapePath } from '@/core/blank/shape';
import type { Facts } from '@/core/artwork/facts';
import type { PrintFace } from '@/core/blank/resolve';
import type { Fit } from '@/core/fit/schema';
import type { Drawn } from '@/core/product/drawn';
import { late } from '../late';
import { FaceLines } from './FaceLines';
import { GarmentShape } from './GarmentShape';

// Fetched where no picture of the pieces is at hand.
const PieceDrawings = late(() => import('./PieceDrawings').then((module) => module.PieceDrawings));

interface Props {
  drawn: Drawn;
  fit: Fit;
  colour: string;
  pictureOf: (artworkId: string) => string | undefined;
  factsOf: (artworkId: string) => Facts | undefined;
  /**
   * An address of the picture of `drawn`, its lines left out: it takes the place of drawing the pieces. Null while it is
   * being made.
   */
  picture?: string | null | undefined;
  /** Room in px; the drawing is as large as fits, and stays in the middle of a wider one. */
  width: number;
  height: number;
}

/** A fit drawn small: faces as flats at one look, a garment with its print in place. */
export function FitDrawing({ drawn, fit, colour, pictureOf, factsOf, picture, width, height }: Props) {
  const own = useId();
  const { garment, faces } = drawn;
  const scale = Math.min((width - 12) / drawn.width, (height - 12) / drawn.height);
  const px = 1 / scale;
  const middle = drawn.left + drawn.width / 2;
  const box = [middle - (width * px) / 2, (drawn.height - height * px) / 2, width * px, height * px];
  return (
    <svg width="100%" height={height} viewBox={box.join(' ')} aria-hidden className="block">
      {garment && <GarmentShape garment={garment} colour={colour} px={px} />}
      {typeof picture === 'string' && (
        <image
          href={picture}
          x={drawn.left}
          width={drawn.width}
          height={drawn.height}
          preserveAspectRatio="none"
        />
      )}
      {faces.map(({ face, x, y }) => (
        <g key={face.id} transform={`translate(${x} ${y})`}>
          {picture === undefined && (
            <>
              <clipPath id={`${own}${face.id}`}>
                <path d={shapePath(face, face.edge)} />
              </clipPath>
              {!garment && <path d={shapePath(face, face.edge)} fill={colour} />}
              <g clipPath={`url(#${own}${face.id})`}>
                <PieceDrawings
                  pieces={fit.faces.find(({ faceId }) => faceId === face.id)?.pieces ?? []}
                  face={face}
                  pictureOf={pictureOf}
                  factsOf={factsOf}
                />
              </g>
            </>
          )}
          {garment ? (
            <PrintArea face={face} px={px} />
          ) : faces.length > 1 ? (
            <CutLine face={face} px={px} />
          ) : (
            <FaceLines face={face} px={px} small />
          )}
        </g>
      ))}
    </svg>
  );
}

/** A sticker of a set: its cut line alone, since more would lie close. */
function CutLine({ face, px }: { face: PrintFace; px: number }) {
  return (
    <path
      d={face.cut?.d ?? shapePath(face)}
      fill="none"
      stroke="var(--color-viewing-ink)"
      strokeWidth={px * 0.8}
    />
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
