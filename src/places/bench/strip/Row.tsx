/** A second strip for what only one kind of piece has; without a label it is read only. */
export function Row({ label, children }: { label?: string; children: React.ReactNode }) {
  return (
    <div
      role={label && 'toolbar'}
      aria-label={label}
      className="flex min-h-[34px] shrink-0 flex-wrap items-center gap-x-4 gap-y-0.5 border-b border-rule bg-docket px-4 py-0.5 text-sm [&_button:not([role])]:min-h-6"
    >
      {children}
    </div>
  );
}
