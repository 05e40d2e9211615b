import { keepOutPath } from '@/core/blank/keep-out';
import { sectorBox, sectorPath, type Sector } from '@/core/blank/bodies/sector';
import { shapePath } from '@/core/blank/shape';
import { resolveBlank, trimSize, type ResolvedBlank } from '@/core/blank/resolve';
import { FaceLines } from './FaceLines';
import { PrintArea } from './FitDrawing';
import { GarmentShape } from './GarmentShape';
import { placeOf } from '@/core/blank/drawn';

/** What a blank takes in mm when it is drawn whole: its garment, its arc, or its face with the wrapped edge. */
export function drawingSize(resolved: ResolvedBlank): { width: number; height: number } {
  const face = resolved.faces[0]!;
  if (face.bend) return trimSize(face);
  const { width, height } = placeOf(resolved, face, null);
  return { width, height };
}

/** A blank as its own flat at a given scale in px a mm: a garment with its print areas, a taper as its arc. */
export function BlankDrawing({ resolved, perMm }: { resolved: ResolvedBlank; perMm: number }) {
  const { width, height } = drawingSize(resolved);
  const px = 1 / perMm;
  const pad = 2 * px;
  return (
    <svg
      aria-hidden
      width={(width + 2 * pad) * perMm}
      height={(height + 2 * pad) * perMm}
      viewBox={`${-width / 2 - pad} ${-pad} ${width + 2 * pad} ${height + 2 * pad}`}
      className="block"
    >
      <Drawn resolved={resolved} px={px} />
    </svg>
  );
}

function Drawn({ resolved, px }: { resolved: ResolvedBlank; px: number }) {
  const face = resolved.faces[0]!;
  const colour = resolved.blank.colours[0]!.hex;
  if (face.bend) return <Arc bend={face.bend} px={px} colour={colour} />;
  const { garment, origin } = placeOf(resolved, face, null);
  if (!garment) {
    return (
      <g transform={`translate(${origin.x} ${origin.y})`}>
        <path d={shapePath(face, face.edge)} fill={colour} />
        <FaceLines face={face} px={px} small />
      </g>
    );
  }
  return (
    <>
      <GarmentShape garment={garment} colour={colour} px={px} />
      <g transform={`translate(${origin.x} ${origin.y})`}>
        <PrintArea face={face} px={px} />
        {face.keepOuts.map((one) => (
          <path
            key={one.id}
            d={keepOutPath(one)}
            fill="none"
            stroke="var(--color-viewing-ink)"
            strokeWidth={0.7 * px}
          />
        ))}
      </g>
      <Grades resolved={resolved} px={px} />
    </>
  );
}

/** The first print area at every graded size, on the one drawing: each hangs as far below the collar. */
function Grades({ resolved, px }: { resolved: ResolvedBlank; px: number }) {
  const { blank, method, spec } = resolved;
  return blank.sizes
    .filter(({ print }) => print !== 1)
    .map(({ id }) => {
      const sized = resolveBlank(blank, method, spec, id).faces[0]!;
      const { origin } = placeOf(resolved, resolved.faces[0]!, null);
      return (
        <rect
          key={id}
          x={-sized.width / 2}
          y={origin.y}
          width={sized.width}
          height={sized.height}
          fill="none"
          stroke="var(--color-viewing-ink)"
          strokeWidth={0.4 * px}
          strokeOpacity="0.55"
        />
      );
    });
}

/** A taper's print as the arc it is cut to. */
function Arc({ bend, px, colour }: { bend: Sector; px: number; colour: string }) {
  const { apexX } = sectorBox(bend);
  return (
    <path
      d={sectorPath(bend)}
      transform={`translate(${-apexX} 0)`}
      fill={colour}
      stroke="var(--color-viewing-ink)"
      strokeWidth={px}
    />
  );
}
