/** A section of the strip. */
export function Heading({ children }: { children: React.ReactNode }) {
  return <h3 className="mt-4 border-b border-ink pb-0.5 text-sm font-semibold">{children}</h3>;
}

/** One thing that is known of a blank, not to be changed here. */
export function Fact({ name, value }: { name: string; value: string }) {
  return (
    <div className="flex min-h-[31px] items-baseline justify-between gap-4 border-b border-rule py-[3px]">
      <dt className="shrink-0 text-ink-2">{name}</dt>
      <dd className="text-right font-semibold">{value}</dd>
    </div>
  );
}
