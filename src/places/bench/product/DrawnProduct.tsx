'use client';
import { keepOutPath } from '@/core/blank/keep-out';
import { shapePath } from '@/core/blank/shape';
import type { GarmentBody } from '@/core/blank/body';
import { GarmentShape } from '@/ui/flat/GarmentShape';
import { garmentTop, placeOf, type DrawingPlace } from '@/ui/flat/place';
import { useRoomSize } from '@/ui/useRoomSize';
import { PieceDrawings } from '@/ui/flat/PieceDrawings';
import { shownColour, type Live } from '../useLive';
import { usePrintPicture } from './usePrintPicture';

/** A garment or a flat thing as a drawing in its colour, from its own numbers, with the print in place. */
export function DrawnProduct({ live }: { live: Live }) {
  const { room, size } = useRoomSize();
  const place = placeOf(live.blank, live.face, live.fit.sizeId);
  return (
    <div ref={room} className="min-h-0 grow">
      {size &&
        (place.garment ? (
          <Garment live={live} garment={place.garment} place={place} {...size} />
        ) : (
          <Flat live={live} {...size} />
        ))}
    </div>
  );
}

interface Room {
  live: Live;
  width: number;
  height: number;
}

function Garment({
  live,
  garment,
  place,
  width,
  height,
}: Room & { garment: GarmentBody; place: DrawingPlace }) {
  const scale = Math.min((width - 24) / place.width, (height - 76) / place.height);
  const seam = 1 / scale;
  const { origin } = place;
  return (
    <svg
      role="img"
      aria-label={`${live.design.name} on the ${live.blank.blank.name}`}
      width={width}
      height={height}
    >
      <g transform={`translate(${width / 2} ${(height - 30 - place.height * scale) / 2}) scale(${scale})`}>
        <GarmentShape garment={garment} colour={shownColour(live)} px={seam} />
        <g transform={`translate(0 ${garmentTop(garment)})`}>
          {garment.sleeve > 0 && garment.cut !== 'tote' && <Seams garment={garment} seam={seam} />}
        </g>
        <g transform={`translate(${origin.x} ${origin.y})`}>
          <clipPath id="garment-print">
            <path d={shapePath(live.face)} />
          </clipPath>
          <g clipPath="url(#garment-print)">
            <Pieces live={live} />
          </g>
          <Covers live={live} px={seam} />
        </g>
      </g>
    </svg>
  );
}

/** Collar, hem and armholes of a shirt or a top. */
function Seams({ garment, seam }: { garment: GarmentBody; seam: number }) {
  const { chest, length, collarWidth, collarDrop } = garment;
  const neck = collarWidth / 2;
  return (
    <g fill="none" stroke="var(--color-viewing-ink)" strokeWidth={seam * 0.7} strokeOpacity="0.7">
      <path d={`M${-neck - 9} 2Q0 ${collarDrop * 2 + 34} ${neck + 9} 2`} />
      <path d={`M${-chest / 2} ${length - 22}H${chest / 2}`} strokeDasharray={`${4 * seam} ${3 * seam}`} />
      {[-1, 1].map((side) => (
        <path
          key={side}
          d={`M${(side * chest) / 2} ${length * 0.055}Q${side * chest * 0.44} ${length * 0.18} ${(side * chest) / 2} ${length * 0.31}`}
        />
      ))}
    </g>
  );
}

/** A flat thing cut out, lying on the neutral ground, one edge lifted; its wrapped edge is bent away at the trim. */
function Flat({ live, width, height }: Room) {
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
        <clipPath id="flat-cut">
          <path d={cut} />
        </clipPath>
        <g clipPath="url(#flat-cut)">
          <path d={cut} fill={shownColour(live)} />
          <Pieces live={live} />
          <Folded live={live} />
          <Covers live={live} px={1 / scale} />
        </g>
        <path d={cut} fill="none" stroke="#fff" strokeOpacity="0.8" strokeWidth={1 / scale} />
      </g>
    </svg>
  );
}

/** Every second panel in shade, as a folded sheet stands. */
function Folded({ live }: { live: Live }) {
  const { folds, width, height } = live.face;
  const ends = [0, ...folds, width];
  return folds.map((left, index) =>
    index % 2 === 0 ? (
      <rect
        key={left}
        x={left}
        width={ends[index + 2]! - left}
        height={height}
        fill="#000"
        fillOpacity="0.13"
      />
    ) : null,
  );
}

/** Parts that lie on top of the print, and holes through it. */
function Covers({ live, px }: { live: Live; px: number }) {
  return live.face.keepOuts.map((one) => (
    <path
      key={one.id}
      d={keepOutPath(one)}
      fill={one.effect === 'hole' ? 'var(--color-viewing)' : '#d9d9d6'}
      fillOpacity={one.effect === 'hole' ? 1 : 0.92}
      stroke="var(--color-viewing-ink)"
      strokeWidth={0.8 * px}
    />
  ));
}

/** The print: as drawings, or as one picture where its pixels are changed on the way, by a finish or a soft proof. */
function Pieces({ live }: { live: Live }) {
  const url = usePrintPicture(live);
  const { width, height } = live.face;
  if (url) return <image href={url} width={width} height={height} preserveAspectRatio="none" />;
  return (
    <PieceDrawings
      pieces={live.pieces}
      face={live.face}
      pictureOf={(id) => live.previews.get(id)?.url}
      factsOf={live.factsOf}
    />
  );
}
