'use client';
import { garmentExtent, garmentOutline, printOrigin } from '@/core/blank/kinds/garment';
import { shapePath } from '@/core/blank/shape';
import type { GarmentBody } from '@/core/blank/schema';
import { useRoomSize } from '@/ui/useRoomSize';
import { PieceDrawing } from '@/ui/flat/FitDrawing';
import type { Live } from '../useLive';

/** A garment or a sticker as a drawing in its colour, from its own numbers, with the print in place. */
export function DrawnProduct({ live }: { live: Live }) {
  const { room, size } = useRoomSize();
  const { body, colours } = live.blank.blank;
  const colour = colours.find(({ id }) => id === live.fit.colourId)?.hex ?? '#ffffff';
  return (
    <div ref={room} className="min-h-0 grow">
      {size &&
        (body.kind === 'garment' ? (
          <Garment live={live} body={body} colour={colour} {...size} />
        ) : (
          <Sticker live={live} colour={colour} {...size} />
        ))}
    </div>
  );
}

interface Drawn {
  live: Live;
  colour: string;
  width: number;
  height: number;
}

function Garment({ live, body, colour, width, height }: Drawn & { body: GarmentBody }) {
  const extent = garmentExtent(body);
  const origin = printOrigin(body);
  const scale = Math.min((width - 24) / extent.width, (height - 76) / extent.height);
  const outline = garmentOutline(body);
  const seam = 1 / scale;
  const neck = body.collarWidth / 2;
  return (
    <svg
      role="img"
      aria-label={`${live.design.name} on the ${live.blank.blank.name}`}
      width={width}
      height={height}
    >
      <g transform={`translate(${width / 2} ${(height - 30 - extent.height * scale) / 2}) scale(${scale})`}>
        <path
          d={outline}
          fill={colour}
          stroke="var(--color-viewing-ink)"
          strokeWidth={seam}
          strokeLinejoin="round"
        />
        <g fill="none" stroke="var(--color-viewing-ink)" strokeWidth={seam * 0.7} strokeOpacity="0.7">
          <path d={`M${-neck - 9} 2Q0 ${body.collarDrop * 2 + 34} ${neck + 9} 2`} />
          <path
            d={`M${-body.chest / 2} ${body.length - 22}H${body.chest / 2}`}
            strokeDasharray={`${4 * seam} ${3 * seam}`}
          />
          {[-1, 1].map((side) => (
            <path
              key={side}
              d={`M${(side * body.chest) / 2} ${body.length * 0.055}Q${side * body.chest * 0.44} ${body.length * 0.18} ${(side * body.chest) / 2} ${body.length * 0.31}`}
            />
          ))}
        </g>
        <g transform={`translate(${origin.x} ${origin.y})`}>
          <clipPath id="garment-print">
            <path d={shapePath(live.face)} />
          </clipPath>
          <g clipPath="url(#garment-print)">
            <Pieces live={live} />
          </g>
        </g>
      </g>
    </svg>
  );
}

/** The sticker cut out, lying on the neutral ground, one edge lifted. */
function Sticker({ live, colour, width, height }: Drawn) {
  const { face } = live;
  const scale = Math.min((width - 60) / face.width, (height - 90) / face.height);
  const cut = shapePath(face);
  return (
    <svg
      role="img"
      aria-label={`${live.design.name} as ${live.blank.blank.name}`}
      width={width}
      height={height}
    >
      <g
        transform={`translate(${(width - face.width * scale) / 2} ${(height - face.height * scale) / 2}) scale(${scale})`}
      >
        <path d={cut} fill="#000" fillOpacity="0.22" transform={`translate(${2 / scale} ${4 / scale})`} />
        <clipPath id="sticker-cut">
          <path d={cut} />
        </clipPath>
        <g clipPath="url(#sticker-cut)">
          <path d={cut} fill={colour} />
          <Pieces live={live} />
        </g>
        <path d={cut} fill="none" stroke="#fff" strokeOpacity="0.8" strokeWidth={1 / scale} />
      </g>
    </svg>
  );
}

function Pieces({ live }: { live: Live }) {
  return live.pieces.map((piece) => (
    <PieceDrawing
      key={piece.id}
      piece={piece}
      face={live.face}
      pictureOf={(id) => live.previews.get(id)?.url}
    />
  ));
}
