import { Progress as Radix } from 'radix-ui';

/** How far long work is, 0 to 1; null while that cannot be told. */
export function Progress({
  label,
  share,
  className = '',
}: {
  label: string;
  share: number | null;
  className?: string;
}) {
  return (
    <Radix.Root asChild aria-label={label} value={share} max={1}>
      {/* A span, so that it may stand in a sentence. */}
      <span className={`block h-2 overflow-hidden bg-rule ${className}`}>
        <Radix.Indicator asChild>
          <span
            className="block h-full bg-thread data-[state=indeterminate]:animate-pulse"
            style={{ width: share === null ? '100%' : `${share * 100}%` }}
          />
        </Radix.Indicator>
      </span>
    </Radix.Root>
  );
}
