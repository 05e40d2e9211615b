'use client';
import type { Method } from '@/core/blank/schema';
import { showLength, type UnitSetting } from '@/core/length/show';

/** px across and down of the drawing. */
const [WIDE, HIGH] = [288, 150];

/** The thinnest stroke and gap, and the smallest capitals, that a method holds: to one scale, drawn while it is typed. */
export function FinestDrawing({ method, unit }: { method: Method; unit: UnitSetting }) {
  const { stroke, capHeight } = method.limits;
  const perMm = Math.min(40, 84 / capHeight, 44 / stroke);
  const [thick, tall] = [stroke * perMm, capHeight * perMm];
  const ground = 112;
  return (
    <svg
      role="img"
      aria-label={`Thinnest stroke ${showLength(stroke, unit)}, smallest capitals ${showLength(capHeight, unit)}`}
      viewBox={`0 0 ${WIDE} ${HIGH}`}
      className="measure block w-full bg-viewing text-sm"
    >
      <g fill="var(--color-viewing-ink)">
        {[0, 2, 4].map((at) => (
          <rect key={at} x={24 + at * thick} y={ground - 84} width={thick} height={84} />
        ))}
        <g fontSize={tall / 0.72} className="font-semibold">
          <text x={WIDE - 24} y={ground} textAnchor="end">
            HE
          </text>
        </g>
        <text x={24} y={HIGH - 14}>
          stroke and gap {unit.unit === 'mm' ? `${stroke} mm` : showLength(stroke, unit)}
        </text>
        <text x={WIDE - 24} y={HIGH - 14} textAnchor="end">
          capitals {showLength(capHeight, unit)}
        </text>
      </g>
      <path d={`M12 ${ground}H${WIDE - 12}`} stroke="var(--color-viewing-ink)" strokeWidth={0.8} />
    </svg>
  );
}
