'use client';
import Link from 'next/link';

export interface Mark {
  name: string;
  href: string;
}

/** Width of an inch on the drawn tape, and of a place's mark, in px. */
const INCH = 80;
const MARK = 118;
const FIRST = 166;
/** What stands at the right end takes at most, in px. */
const END = 350;

/** The measuring tape along the top of every screen: its marks are the places, the one you are at is under the hook. */
export function Tape({
  marks,
  at,
  children,
}: {
  marks: readonly Mark[];
  at: string;
  children: React.ReactNode;
}) {
  return (
    <header className="relative h-11 shrink-0 border-b border-ink bg-docket">
      <Ticks />
      <Link href="/" className="absolute left-4 top-1.5 text-lg font-bold [font-stretch:110%]">
        Up Fit
      </Link>
      <nav aria-label="Places" className="absolute top-0 flex" style={{ left: `min(${FIRST}px, 12vw)` }}>
        {marks.map(({ name, href }) => (
          <Link
            key={href}
            href={href}
            aria-current={at === href ? 'page' : undefined}
            style={{ width: `min(${MARK}px, (88vw - ${END}px) / ${marks.length})` }}
            className="relative flex h-[37px] justify-center pt-[7px] leading-5"
          >
            <span
              className={
                at === href
                  ? 'hook absolute top-0 flex h-[37px] w-full max-w-[104px] justify-center bg-tape pt-[7px] font-semibold text-on-tape'
                  : ''
              }
            >
              {name}
            </span>
          </Link>
        ))}
      </nav>
      <div className="absolute right-4 top-1.5 flex items-center gap-5 text-sm text-ink-2">{children}</div>
    </header>
  );
}

function Ticks() {
  return (
    <svg aria-hidden className="absolute inset-x-0 bottom-0 h-4 w-full text-ink">
      <defs>
        <pattern id="tape-inch" width={INCH} height="16" patternUnits="userSpaceOnUse">
          {Array.from({ length: 16 }, (_, i) => {
            const height = i === 0 ? 14 : i % 8 === 0 ? 8 : i % 4 === 0 ? 6 : i % 2 === 0 ? 5 : 3;
            return (
              <path
                key={i}
                d={`M${(i * INCH) / 16 + 0.5} 16v${-height}`}
                stroke="currentColor"
                strokeWidth={i === 0 ? 1 : 0.5}
                opacity={i === 0 ? 0.9 : 0.5}
              />
            );
          })}
        </pattern>
      </defs>
      <rect width="100%" height="16" fill="url(#tape-inch)" />
      {Array.from({ length: 40 }, (_, i) => (
        <text key={i} x={(i + 1) * INCH + 4} y="9" fontSize="8.5" fill="currentColor" opacity="0.75">
          {i + 1}
        </text>
      ))}
    </svg>
  );
}
