import type { PicturePoint } from '@/core/product/lines';
import type { LookTold } from '@/state/bench/product';
import type { Live } from '../live/useLive';
import { Hint } from '@/ui/Hint';

/** A motif of which less reads from a side is not meant for it. */
const MEANT = 0.15;
/** From this share on a motif is read whole. */
const WHOLE = 0.985;

/** Edges of what reads from a side, drawn on the product. */
export function ReadBand({ bands }: { bands: readonly PicturePoint[][] }) {
  return (
    <svg
      aria-hidden
      className="pointer-events-none absolute inset-0 h-full w-full overflow-visible"
      fill="none"
    >
      {bands.map((line, i) => {
        const d = `M${line.map(({ x, y }) => `${x.toFixed(1)} ${y.toFixed(1)}`).join('L')}`;
        return line.length < 2 ? null : (
          <g key={i}>
            <path d={d} stroke="#fff" strokeOpacity="0.8" strokeWidth="2.2" strokeDasharray="7 4" />
            <path d={d} stroke="#20252b" strokeWidth="1" strokeDasharray="7 4" />
          </g>
        );
      })}
    </svg>
  );
}

/** What reads from a side, in words: each motif that is meant for it, and how much of it. */
export function Reads({ reads, live, round }: { reads: LookTold['reads']; live: Live; round: boolean }) {
  if (!round) return null;
  const meant = reads
    .filter(({ share, faceId }) => share >= MEANT && faceId === live.face.id)
    .sort((a, b) => a.share - b.share);
  const [least] = meant;
  if (!least) return null;
  const whole = least.share >= WHOLE;
  const percent = `${Math.floor(least.share * 100)} %`;
  const names = meant.map(({ name }) => `“${name}”`).join(', ');
  const words = whole
    ? `${names} ${meant.length > 1 ? 'read' : 'reads'} whole`
    : `${percent} of “${least.name}” reads`;
  return (
    <Hint words={words}>
      <p
        className={`absolute inset-x-0 bottom-0 truncate px-3 text-center text-xs leading-5 ${whole ? '' : 'font-semibold'}`}
      >
        {words}
      </p>
    </Hint>
  );
}
