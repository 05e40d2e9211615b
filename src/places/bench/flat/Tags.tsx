import { useHand } from '@/state/bench/hand';
import type { Live } from '../live/useLive';
import { listed } from './listed';
import { gripBox } from './picking';
import { toPx, type View } from './view';

/** While the list of pieces is laid out, every piece carries its number of it, as on a drawing. */
export function Tags({ live, view }: { live: Live; view: View }) {
  const list = useHand((hand) => hand.list);
  if (!list) return null;
  return (
    <svg aria-hidden className="pointer-events-none absolute inset-0 h-full w-full">
      {listed(live).map(({ piece, number }) => {
        if (!piece.visible) return null;
        const box = gripBox(live, piece);
        const all = piece.kind === 'fill' || piece.kind === 'repeat' || piece.role === 'ground';
        const at = all ? toPx(view, box.x - box.width / 2, box.y - box.height / 2) : toPx(view, box.x, box.y);
        const [x, y] = all ? [at.x + 14, at.y + 14 + number * 3] : [at.x, at.y];
        const chosen = live.selectedIds.includes(piece.id);
        return (
          <g key={piece.id}>
            <circle
              cx={x}
              cy={y}
              r="9"
              fill={chosen ? 'var(--color-viewing-thread)' : '#fff'}
              stroke="var(--color-viewing-ink)"
            />
            <text
              x={x}
              y={y + 4}
              textAnchor="middle"
              fontSize="11"
              className="measure"
              fill={chosen ? '#fff' : 'var(--color-viewing-ink)'}
            >
              {number}
            </text>
          </g>
        );
      })}
    </svg>
  );
}
