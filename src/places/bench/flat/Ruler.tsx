import type { UnitSetting } from '@/core/length/show';
import { MM_PER_INCH } from '@/core/length/units';
import type { View } from './view';

/** A ruler in yellow paper along the flat's upper edge, zero at the trim. */
export function Ruler({ view, unit }: { view: View; unit: UnitSetting }) {
  const inch = unit.unit === 'in';
  const step = inch ? MM_PER_INCH : 10;
  const parts = inch ? 8 : 10;
  const every = [1, 2, 5, 10, 20, 50].find((n) => n * step * view.scale >= 34) ?? 100;
  const first = Math.floor(-view.left / view.scale / step);
  const last = Math.ceil((view.width - view.left) / view.scale / step);
  const fine = (step / parts) * view.scale >= 2.2;
  const lines: string[] = [];
  const numbers: { x: number; text: string }[] = [];
  for (let n = first; n <= last; n++) {
    const x = view.left + n * step * view.scale;
    lines.push(`M${x.toFixed(1)} 20v${n % every === 0 ? -9 : -6}`);
    if (n % every === 0) numbers.push({ x, text: String(inch ? n : n * 10) });
    for (let i = 1; fine && i < parts; i++) {
      lines.push(`M${(x + (i * step * view.scale) / parts).toFixed(1)} 20v${i * 2 === parts ? -5 : -3}`);
    }
  }
  return (
    <svg
      aria-hidden
      className="pointer-events-none absolute inset-x-0 top-0 h-5 w-full bg-tape-pale text-on-tape"
    >
      <path d={lines.join('')} stroke="currentColor" strokeWidth="0.6" />
      <path d={`M0 19.5H${view.width}`} stroke="currentColor" />
      {numbers.map(({ x, text }) => (
        <text key={text} x={x + 3} y="9" fontSize="9.5" fill="currentColor" className="measure">
          {text}
        </text>
      ))}
    </svg>
  );
}
