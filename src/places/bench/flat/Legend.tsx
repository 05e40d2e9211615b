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
    [
      'fold',
      'the product is folded or wrapped here',
      <path key="f" d="M2 8H34" strokeDasharray="9 2.5 1.5 2.5" />,
    ],
    ['seam', 'the end lies over the start from here', <path key="w" d="M18 1V15" strokeDasharray="4 3" />],
    [
      'keep-out',
      'a hole, or a part that will cover the print',
      <path key="k" d="M8 2h20v12h-20zM8 14L20 2M16 14L28 2M8 2L20 14M16 2L28 14" strokeWidth="0.9" />,
    ],
  ];
  return (
    <dl className="absolute right-3 top-8 z-20 border border-viewing-ink bg-docket px-3 py-2 text-sm text-ink">
      {lines
        .filter(([name]) => isDrawn(name, face))
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

function isDrawn(name: string, face: PrintFace): boolean {
  switch (name) {
    case 'bleed':
      return face.bleed > face.edge;
    case 'fold':
      return face.edge > 0 || face.folds.length > 0;
    case 'seam':
      return face.overlap > 0;
    case 'keep-out':
      return face.keepOuts.length > 0;
    default:
      return true;
  }
}
