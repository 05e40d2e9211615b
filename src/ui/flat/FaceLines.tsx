import { useId } from 'react';
import { shapePath } from '@/core/blank/shape';
import type { PrintFace } from '@/core/blank/resolve';

/**
 * A face's lines in the language of a pattern drawing, in mm with the trim's top left at (0, 0): a solid cut line,
 * hatched allowance for the bleed, corner angles for the safe area, notches at the centres of zones. `px` is the
 * size of a screen pixel in mm, so that lines keep their weight at any scale.
 */
export function FaceLines({ face, px, small = false }: { face: PrintFace; px: number; small?: boolean }) {
  const hatch = useId();
  const { width, height, bleed, safe } = face;
  return (
    <g fill="none" stroke="var(--color-viewing-ink)">
      <defs>
        <pattern
          id={hatch}
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
      </defs>
      {bleed > 0 && !small && (
        <path
          d={shapePath(face, bleed) + shapePath(face)}
          fillRule="evenodd"
          fill={`url(#${hatch})`}
          stroke="none"
        />
      )}
      <path d={shapePath(face)} strokeWidth={(small ? 1 : 1.6) * px} />
      {!small && safe > 0 && face.cornerRadius === 0 && <SafeCorners face={face} px={px} />}
      {!small && safe > 0 && face.cornerRadius > 0 && (
        <path d={shapePath(face, -safe)} strokeWidth={px} strokeDasharray={`${10 * px} ${7 * px}`} />
      )}
      {face.zones.map((zone) => (
        <Notches
          key={zone.id}
          x={zone.x}
          height={height}
          width={width}
          bleed={small ? 0 : bleed}
          px={small ? px * 0.55 : px}
        />
      ))}
    </g>
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

function Notches({
  x,
  width,
  height,
  bleed,
  px,
}: {
  x: number;
  width: number;
  height: number;
  bleed: number;
  px: number;
}) {
  if (x < 0 || x > width) return null;
  const size = 6 * px;
  const notch = (y: number, towards: number) =>
    `M${x - size} ${y}h${2 * size}l${-size} ${towards * size * 1.5}z`;
  return (
    <path
      d={notch(-bleed, 1) + notch(height + bleed, -1)}
      fill="var(--color-viewing-ink)"
      stroke="#fff"
      strokeWidth={0.6 * px}
      strokeOpacity="0.7"
    />
  );
}
