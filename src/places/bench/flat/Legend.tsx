import type { PrintFace } from '@/core/blank/resolve';

/** What the lines of the drawing mean. */
export function Legend({ face }: { face: PrintFace }) {
  const lines: [string, string, React.ReactNode][] = [
    ['cut line', 'where the product ends or is trimmed', <path key="c" d="M2 8H34" strokeWidth="1.8" />],
    [
      'bleed',
      'a ground runs out over the hatching',
      <path key="b" d="M4 14L14 2M12 14L22 2M20 14L30 2" strokeWidth="1" />,
    ],
    [
      'safe area',
      'motifs stay inside these corners',
      <path key="s" d="M6 14V4H18M12 2V6" strokeWidth="1.2" />,
    ],
    ['centre', 'the middle of a zone', <path key="n" d="M10 3H26L18 13Z" fill="currentColor" />],
  ];
  return (
    <dl className="absolute right-3 top-8 z-20 border border-viewing-ink bg-docket px-3 py-2 text-sm text-ink">
      {lines
        .filter(([name]) => name !== 'bleed' || face.bleed > 0)
        .map(([name, what, shape]) => (
          <div key={name} className="flex items-center gap-3 py-0.5">
            <svg aria-hidden width="36" height="16" fill="none" stroke="currentColor">
              {shape}
            </svg>
            <dt className="w-20 font-semibold">{name}</dt>
            <dd className="text-ink-2">{what}</dd>
          </div>
        ))}
    </dl>
  );
}
