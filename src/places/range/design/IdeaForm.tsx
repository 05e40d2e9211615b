'use client';
import { valibotResolver } from '@hookform/resolvers/valibot';
import { useId, useState } from 'react';
import { Controller, useForm, type FieldPath } from 'react-hook-form';
import { dayTrouble, IdeaSchema, MOST_NOTED, MOST_OCCASION, NO_IDEA, type Idea } from '@/core/fit/idea';
import type { Design } from '@/core/fit/schema';
import { noteIdea } from '@/state/shop/designs';
import { changeSettings } from '@/state/shop/records';
import { useShop } from '@/state/shop/shop';
import { today } from '@/state/today';
import { Checkbox } from '@/ui/Checkbox';
import { Heading } from '@/ui/StripParts';

type Words = Extract<FieldPath<Idea>, 'note' | 'words' | 'wordsFrom' | 'buyers' | 'occasion.name'>;

/** What a design is for: kept as each field is left. */
export function IdeaForm({ design }: { design: Design }) {
  const weeks = useShop((shop) => shop.settings.leadWeeks);
  const form = useForm<Idea>({
    resolver: valibotResolver(IdeaSchema),
    defaultValues: design.idea ?? NO_IDEA,
    mode: 'onBlur',
  });
  const { dirtyFields, isDirty } = form.formState;
  const keep = form.handleSubmit(async (idea) => {
    // Only what was changed here: another window may have changed the rest.
    const changed = Object.keys(idea).filter((key) => key in dirtyFields) as (keyof Idea)[];
    await noteIdea(design.id, Object.fromEntries(changed.map((key) => [key, idea[key]])));
    form.reset(idea);
  });
  const keepChanged = () => {
    if (isDirty) void keep();
  };
  const words = (name: Words, label: string, rows = 1) => (
    <label className="flex flex-col border-b border-rule py-1.5 text-sm text-ink-2">
      {label}
      <textarea
        rows={rows}
        maxLength={name === 'occasion.name' ? MOST_OCCASION : MOST_NOTED}
        {...form.register(name, { onBlur: keepChanged })}
        className="resize-y border-b border-transparent bg-docket text-base text-ink hover:border-rule focus:border-ink"
      />
    </label>
  );
  return (
    <section aria-label="Idea of the design" className="min-w-0">
      <Heading>What it is for</Heading>
      {words('note', 'note', 2)}
      {words('words', 'the words it carries')}
      {words('wordsFrom', 'where the words come from')}
      <Controller
        control={form.control}
        name="ownWords"
        render={({ field }) => (
          <Checkbox
            className="border-b border-rule py-1 text-sm"
            checked={field.value}
            onChange={(on) => {
              field.onChange(on);
              void keep();
            }}
          >
            the words are this shop’s own
          </Checkbox>
        )}
      />
      {words('buyers', 'who would want it')}
      <div className="grid grid-cols-2 gap-x-4">
        {words('occasion.name', 'occasion')}
        <Controller
          control={form.control}
          name="occasion.day"
          render={({ field }) => (
            <DayField
              day={field.value}
              onDay={(day) => {
                field.onChange(day);
                void keep();
              }}
            />
          )}
        />
      </div>
      <label className="flex items-center gap-2 py-1.5 text-sm text-ink-2">
        this shop needs
        <input
          type="number"
          min={0}
          max={52}
          value={weeks}
          aria-label="Weeks this shop needs before an occasion"
          onChange={({ target }) => {
            const typed = Math.round(Number(target.value));
            if (typed >= 0 && typed <= 52) void changeSettings({ leadWeeks: typed });
          }}
          className="measure w-14 border-b-2 border-ink bg-tape-pale px-2 py-0.5 text-right font-semibold text-on-tape"
        />
        {weeks === 1 ? 'week' : 'weeks'} before any occasion: nearer is a Look on the range
      </label>
    </section>
  );
}

/** The day of an occasion; one that has passed is not taken. */
function DayField({ day, onDay }: { day: string | null; onDay: (day: string | null) => void }) {
  const id = useId();
  const [trouble, setTrouble] = useState<string | null>(null);
  return (
    <div className="border-b border-rule py-1.5 text-sm text-ink-2">
      <label htmlFor={id}>its day</label>
      <input
        id={id}
        type="date"
        defaultValue={day ?? ''}
        aria-invalid={trouble !== null}
        aria-describedby={`${id}-trouble`}
        onChange={({ target }) => {
          const typed = target.value;
          const found = typed === '' ? null : dayTrouble(typed, today());
          setTrouble(found);
          if (found === null) onDay(typed === '' ? null : typed);
        }}
        className="block w-full bg-docket text-base text-ink"
      />
      <p id={`${id}-trouble`} role={trouble ? 'alert' : undefined} className="text-fix">
        {trouble}
      </p>
    </div>
  );
}
