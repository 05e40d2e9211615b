'use client';
import { useId } from 'react';
import { pressCard } from '@/core/blank/press-card';
import type { HouseSpec } from '@/core/blank/schema';
import { showLength, type UnitSetting } from '@/core/length/show';

/** px across of the drawing, and how far in its trim's corner lies. */
const [WIDE, HIGH, CORNER] = [288, 150, 62];

/** A corner of a print as the house wants its edges, drawn while the numbers are typed; bleed and safe to one scale. */
export function EdgeDrawing({ spec, unit }: { spec: HouseSpec; unit: UnitSetting }) {
  const hatch = useId();
  const bleed = spec.bleed.value;
  const safe = Math.max(0, spec.safe.value - (spec.safeFrom.value === 'bleed' ? bleed : 0));
  const perMm = Math.min(
    12,
    (CORNER - 14) / Math.max(bleed, 0.1),
    (HIGH - CORNER - 40) / Math.max(safe, 0.1),
  );
  const [out, inside] = [CORNER - bleed * perMm, CORNER + safe * perMm];
  const card = pressCard(spec);
  return (
    <figure className="bg-viewing text-viewing-ink">
      <svg
        role="img"
        aria-label={`Bleed ${showLength(bleed, unit)}, safe ${showLength(safe, unit)} inside the trim`}
        viewBox={`0 0 ${WIDE} ${HIGH}`}
        className="measure block w-full text-sm"
      >
        <defs>
          <pattern
            id={hatch}
            width={5}
            height={5}
            patternUnits="userSpaceOnUse"
            patternTransform="rotate(45)"
          >
            <path d="M0 0V5" stroke="var(--color-viewing-ink)" strokeWidth={0.8} />
          </pattern>
        </defs>
        <path d={`M${CORNER} ${HIGH}V${CORNER}H${WIDE}V${HIGH}Z`} fill="#fff" />
        <path d={`M${out} ${HIGH}V${out}H${WIDE}V${CORNER}H${CORNER}V${HIGH}Z`} fill={`url(#${hatch})`} />
        <path
          d={`M${CORNER} ${HIGH}V${CORNER}H${WIDE}`}
          fill="none"
          stroke="var(--color-viewing-ink)"
          strokeWidth={1.6}
        />
        <path
          d={`M${inside} ${inside + 26}V${inside}H${inside + 26}M${inside - 4} ${inside + 26}h8M${inside + 26} ${inside - 4}v8`}
          fill="none"
          stroke="var(--color-viewing-ink)"
        />
        <g stroke="var(--color-viewing-ink)" fill="none" strokeWidth={0.8}>
          <path d={`M${WIDE - 40} ${out}V${CORNER}m-4 4l8 -8M${WIDE - 44} ${out + 4}l8 -8`} />
          <path d={`M${WIDE - 80} ${CORNER}V${inside}m-4 4l8 -8M${WIDE - 84} ${CORNER + 4}l8 -8`} />
        </g>
        <text x={WIDE - 46} y={Math.max(12, out - 4)} textAnchor="end" fill="var(--color-viewing-ink)">
          bleed {showLength(bleed, unit)}
        </text>
        <text x={inside + 34} y={Math.max(inside + 20, CORNER + 18)} fill="var(--color-viewing-ink)">
          safe {showLength(safe, unit)}
        </text>
      </svg>
      {card.length > 0 && <figcaption className="measure px-3 py-1.5 text-sm">{card.join(' · ')}</figcaption>}
    </figure>
  );
}
