import { useId } from 'react';
import { rectangle } from '@/core/blank/face';
import { keepOutPath } from '@/core/blank/keep-out';
import { isRectangle, shapePath } from '@/core/blank/shape';
import type { PrintFace } from '@/core/blank/resolve';

interface Props {
  face: PrintFace;
  /** Size of a screen pixel in mm, so that lines keep their weight at any scale. */
  px: number;
  small?: boolean;
}

/**
 * A face's lines in the language of a pattern drawing, in mm with the trim's top left at (0, 0): a solid cut line,
 * hatched allowance for the bleed, corner angles for the safe area, pairs of ticks at the centres of zones, chain lines
 * for folds, stitches for a seam, cross-hatch for keep-outs.
 */
export function FaceLines({ face, px, small = false }: Props) {
  const hatch = useId();
  const { height, bleed, safe, edge } = face;
  // A cut line is drawn by its own curves.
  const cut = face.cut?.d ?? shapePath(face, edge);
  return (
    <g fill="none" stroke="var(--color-viewing-ink)">
      {bleed > edge && !small && (
        <>
          <Hatch id={hatch} px={px} />
          <path d={shapePath(face, bleed) + cut} fillRule="evenodd" fill={`url(#${hatch})`} stroke="none" />
        </>
      )}
      <path d={cut} strokeWidth={(small ? 1 : 1.6) * px} />
      {(face.cut?.backing ?? 0) > 0 && <Backing face={face} px={px} />}
      {edge > 0 && <Fold d={shapePath(face)} px={px} />}
      {face.cuts.map(({ x, y, sheet }) => (
        <path key={`${x} ${y}`} d={shapePath(sheet, 0, x, y)} strokeWidth={(small ? 0.7 : 1.3) * px} />
      ))}
      {face.folds.map((x) => (
        <Fold key={x} d={`M${x} ${-bleed}V${height + bleed}`} px={px} />
      ))}
      {face.overlap > 0 && (
        <path
          d={`M${face.width - face.overlap} 0V${height}`}
          strokeWidth={(small ? 0.8 : 1.4) * px}
          strokeDasharray={`${4 * px} ${3 * px}`}
        />
      )}
      <KeepOuts face={face} px={px} />
      {!small && safe > 0 && isRectangle(face) && <SafeCorners face={face} px={px} />}
      {!small && safe > 0 && !isRectangle(face) && (
        <path d={shapePath(face, -safe)} strokeWidth={px} strokeDasharray={`${10 * px} ${7 * px}`} />
      )}
      <Centres face={face} px={small ? px * 0.55 : px} off={small ? 0 : bleed} />
    </g>
  );
}

function Hatch({ id, px }: { id: string; px: number }) {
  return (
    <pattern
      id={id}
      width={5 * px}
      height={5 * px}
      patternUnits="userSpaceOnUse"
      patternTransform="rotate(45)"
    >
      <path d={`M0 0V${5 * px}`} stroke="#fff" strokeWidth={3.2 * px} strokeOpacity="0.55" />
      <path
        d={`M${2.5 * px} 0V${5 * px}`}
        stroke="var(--color-viewing-ink)"
        strokeWidth={0.7 * px}
        strokeOpacity="0.6"
      />
    </pattern>
  );
}

/** The edge of a kiss cut's backing: cut through, the sticker's own line is not. */
function Backing({ face: { width, height, cut }, px }: { face: PrintFace; px: number }) {
  const edge = cut?.backing ?? 0;
  const d = shapePath(rectangle(width + 2 * edge, height + 2 * edge, Math.min(3, edge)), 0, -edge, -edge);
  return <path d={d} strokeWidth={px} />;
}

/** A chain line, as a fold is drawn. */
function Fold({ d, px }: { d: string; px: number }) {
  return <path d={d} strokeWidth={px} strokeDasharray={`${9 * px} ${2.5 * px} ${1.5 * px} ${2.5 * px}`} />;
}

/** Cross-hatched shapes where nothing may sit; a cover that lies on top has a dashed edge. */
function KeepOuts({ face, px }: { face: PrintFace; px: number }) {
  const cross = useId();
  if (face.keepOuts.length === 0) return null;
  return (
    <>
      <pattern
        id={cross}
        width={6 * px}
        height={6 * px}
        patternUnits="userSpaceOnUse"
        patternTransform="rotate(45)"
      >
        <path
          d={`M0 0H${6 * px}M0 0V${6 * px}`}
          stroke="var(--color-viewing-ink)"
          strokeWidth={0.9 * px}
          strokeOpacity="0.7"
        />
      </pattern>
      {face.keepOuts.map((one) => (
        <path
          key={one.id}
          d={keepOutPath(one)}
          fill={`url(#${cross})`}
          strokeWidth={px}
          strokeDasharray={one.effect === 'cover' ? `${4 * px} ${2 * px}` : undefined}
        />
      ))}
    </>
  );
}

/** Two strokes round each corner of the safe area: seen on dark artwork by the pale one, on light by the dark. */
function SafeCorners({ face, px }: { face: PrintFace; px: number }) {
  const { width, height, safe } = face;
  const arm = 22 * px;
  const corner = (x: number, y: number, sx: number, sy: number) =>
    `M${x + sx * arm} ${y}H${x}V${y + sy * arm}M${x + sx * arm} ${y + sy * 2 * px}v${sy * 4 * px}M${x + sx * 2 * px} ${y + sy * arm}h${sx * 4 * px}`;
  const d =
    corner(safe, safe, 1, 1) +
    corner(width - safe, safe, -1, 1) +
    corner(width - safe, height - safe, -1, -1) +
    corner(safe, height - safe, 1, -1);
  return (
    <>
      <path d={d} stroke="#fff" strokeWidth={3 * px} strokeOpacity="0.75" />
      <path d={d} strokeWidth={1.1 * px} />
    </>
  );
}

/** A pair of ticks at the upper and lower edge where zones have their centres, `off` mm outside it. */
function Centres({ face, px, off }: { face: PrintFace; px: number; off: number }) {
  const length = Math.min(10 * px, face.width * 0.12);
  const pair = (x: number, y: number, outward: number) =>
    `M${x - 2 * px} ${y}v${outward * length}M${x + 2 * px} ${y}v${outward * length}`;
  const centres = [...new Set(face.zones.map(({ x }) => x))];
  const d = centres.map((x) => pair(x, -off, -1) + pair(x, face.height + off, 1)).join('');
  return <path data-centres d={d} strokeWidth={1.6 * px} />;
}
