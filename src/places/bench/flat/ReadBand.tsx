import { middleOf } from '@/core/fit/arrange';
import { nearestZone } from '@/core/fit/zones';
import { showLength } from '@/core/length/show';
import { eyeAt, readableFrom } from '@/core/product/views';
import type { Live } from '../live/useLive';
import { toPx, type View } from './view';

/** What of a wrap reads from the side that is worked on: its two edges, and how wide it is. */
export function ReadBand({ live, view }: { live: Live; view: View }) {
  const { face, selection, blank, unit } = live;
  const { kind } = blank.blank.body;
  if (kind !== 'wrap' && kind !== 'taper') return null;
  const near = nearestZone(face.zones, selection?.box ?? { x: middleOf(face), y: face.height / 2 });
  if (!near) return null;
  const spans = readableFrom(blank.blank, face, eyeAt(blank.blank, face, near.zone.x));
  const wide = spans.reduce((sum, { from, to }) => sum + to - from, 0);
  const edges = spans.flatMap(({ from, to }) => [from, to]).filter((x) => x > 0 && x < face.width);
  const foot = toPx(view, 0, face.height).y;
  const top = toPx(view, 0, 0).y;
  return (
    <>
      <svg aria-hidden className="pointer-events-none absolute inset-0 h-full w-full" fill="none">
        {edges.map((x) => {
          const d = `M${toPx(view, x, 0).x} ${top}V${foot}`;
          return (
            <g key={x} strokeDasharray="7 4">
              <path d={d} stroke="#fff" strokeOpacity="0.75" strokeWidth="2" />
              <path d={d} stroke="#20252b" strokeWidth="0.9" />
            </g>
          );
        })}
      </svg>
      <span
        className="pointer-events-none absolute -translate-x-1/2 bg-viewing px-1 text-xs text-viewing-ink"
        style={{ left: toPx(view, near.zone.x, 0).x, top: top + 3 }}
      >
        {showLength(wide, unit)} reads from the {near.zone.name}
      </span>
    </>
  );
}
