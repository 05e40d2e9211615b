import { useId } from 'react';
import type { Facts } from '@/core/artwork/facts';
import type { PrintFace } from '@/core/blank/resolve';
import { shapePath } from '@/core/blank/shape';
import type { Fit } from '@/core/fit/schema';
import { inRows } from '@/core/product/strew';
import { PieceDrawings } from './PieceDrawings';

interface Props {
  faces: readonly PrintFace[];
  fit: Fit;
  colour: string;
  pictureOf: (artworkId: string) => string | undefined;
  factsOf: (artworkId: string) => Facts | undefined;
  width: number;
  height: number;
}

/** A set of stickers drawn small, in rows at one scale. */
export function SetDrawing({ faces, fit, colour, pictureOf, factsOf, width, height }: Props) {
  const own = useId();
  const lying = inRows(faces, width / height);
  const right = Math.max(...lying.map(({ face, x }) => x + face.width));
  const foot = Math.max(...lying.map(({ face, y }) => y + face.height));
  const scale = Math.min((width - 12) / right, (height - 12) / foot);
  const box = [right / 2 - width / 2 / scale, foot / 2 - height / 2 / scale, width / scale, height / scale];
  return (
    <svg width="100%" height={height} viewBox={box.join(' ')} aria-hidden className="block">
      {lying.map(({ face, x, y }) => (
        <g key={face.id} transform={`translate(${x} ${y})`}>
          <clipPath id={`${own}${face.id}`}>
            <path d={shapePath(face)} />
          </clipPath>
          <g clipPath={`url(#${own}${face.id})`}>
            <path d={shapePath(face)} fill={colour} />
            <PieceDrawings
              pieces={fit.faces.find(({ faceId }) => faceId === face.id)?.pieces ?? []}
              face={face}
              pictureOf={pictureOf}
              factsOf={factsOf}
            />
          </g>
          <path
            d={face.cut?.d ?? shapePath(face)}
            fill="none"
            stroke="var(--color-viewing-ink)"
            strokeWidth={0.8 / scale}
          />
        </g>
      ))}
    </svg>
  );
}
