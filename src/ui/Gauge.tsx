import type { Finding } from '@/core/check/finding';
import { VERDICT_INK } from './Verdict';

const WIDTH = 88;

/** A small gauge: the limit is a mark on the scale, the measurement a thin needle over it. Better lies to the right. */
export function Gauge({ gauge, verdict }: Pick<Finding, 'gauge' | 'verdict'>) {
  if (!gauge) return <span style={{ width: WIDTH }} className="shrink-0" />;
  const along = (value: number) => {
    const share = (value - gauge.from) / (gauge.to - gauge.from);
    return 4 + Math.max(0, Math.min(1, share)) * (WIDTH - 8);
  };
  const needle = along(gauge.value);
  return (
    <svg aria-hidden width={WIDTH} height="20" className={`shrink-0 ${VERDICT_INK[verdict]}`}>
      <path d={`M0 14.5H${WIDTH}`} stroke="var(--ink)" strokeWidth="1" />
      {Array.from({ length: 9 }, (_, i) => (
        <path
          key={i}
          d={`M${(i * (WIDTH - 1)) / 8 + 0.5} 14v${i % 4 === 0 ? -5 : -3}`}
          stroke="var(--ink)"
          strokeWidth="0.5"
        />
      ))}
      <path d={`M${along(gauge.limit)} 6V20`} stroke="var(--ink)" strokeWidth="1.8" />
      <path d={`M${needle} 2V13`} stroke="currentColor" strokeWidth="2.6" />
    </svg>
  );
}
