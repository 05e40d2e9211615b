import type { UnitSetting } from '@/core/length/show';
import { MM_PER_INCH } from '@/core/length/units';
import type { View } from './view';

/** Breadth of a ruler, in px. */
const BREADTH = 20;

interface Props {
  view: View;
  unit: UnitSetting;
  /** Where zero is, in mm from the trim's top left. */
  origin: { x: number; y: number };
}

/** Rulers in yellow paper along the flat's upper and left edge. */
export function Rulers({ view, unit, origin }: Props) {
  const across = marksOf(view.left + origin.x * view.scale, view.width, view.scale, unit);
  const down = marksOf(view.top + origin.y * view.scale, view.height, view.scale, unit);
  const line = (marks: Mark[], upright: boolean) =>
    marks
      .map(({ at, length }) =>
        upright ? `M${BREADTH} ${at.toFixed(1)}h${-length}` : `M${at.toFixed(1)} ${BREADTH}v${-length}`,
      )
      .join('');
  return (
    <div aria-hidden className="pointer-events-none absolute inset-0 text-on-tape">
      <svg className="absolute inset-x-0 top-0 h-5 w-full bg-tape-pale">
        <path d={line(across, false)} stroke="currentColor" strokeWidth="0.6" />
        <path d={`M0 19.5H${view.width}`} stroke="currentColor" />
        {across.map(({ at, text }) =>
          text && at > BREADTH ? (
            <text key={at} x={at + 3} y="9" fontSize="9.5" fill="currentColor" className="measure">
              {text}
            </text>
          ) : null,
        )}
      </svg>
      <svg className="absolute left-0 top-5 w-5 bg-tape-pale" height={view.height - BREADTH}>
        <g transform={`translate(0 ${-BREADTH})`}>
          <path d={line(down, true)} stroke="currentColor" strokeWidth="0.6" />
          <path d={`M19.5 0V${view.height}`} stroke="currentColor" />
          {down.map(({ at, text }) =>
            text && at > BREADTH + 12 ? (
              <text
                key={at}
                transform={`translate(9 ${at - 3}) rotate(-90)`}
                fontSize="9.5"
                fill="currentColor"
                className="measure"
              >
                {text}
              </text>
            ) : null,
          )}
        </g>
      </svg>
    </div>
  );
}

interface Mark {
  /** px along the ruler. */
  at: number;
  length: number;
  text: string | null;
}

/** The marks of a ruler whose zero lies at `zero` px. */
function marksOf(zero: number, length: number, scale: number, unit: UnitSetting): Mark[] {
  const inch = unit.unit === 'in';
  const step = inch ? MM_PER_INCH : 10;
  const parts = inch ? 8 : 10;
  const every = [1, 2, 5, 10, 20, 50].find((n) => n * step * scale >= 34) ?? 100;
  const fine = (step / parts) * scale >= 2.2;
  const marks: Mark[] = [];
  for (let n = Math.floor(-zero / scale / step); n <= Math.ceil((length - zero) / scale / step); n++) {
    const at = zero + n * step * scale;
    const named = n % every === 0;
    marks.push({ at, length: named ? 9 : 6, text: named ? String(inch ? n : n * 10) : null });
    for (let i = 1; fine && i < parts; i++) {
      marks.push({ at: at + (i * step * scale) / parts, length: i * 2 === parts ? 5 : 3, text: null });
    }
  }
  return marks;
}
