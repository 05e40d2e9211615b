import { valibotResolver } from '@hookform/resolvers/valibot';
import { useState } from 'react';
import { useForm, useWatch } from 'react-hook-form';
import * as v from 'valibot';
import type { Entry } from '@/core/blank/entries/entry';
import type { UnitSetting } from '@/core/length/show';

export type Typed = Record<string, string>;

/** What a record's form holds: each entry as it stands there. */
export function typedOf<R>(entries: readonly Entry<R>[], record: R, unit: UnitSetting): Typed {
  return Object.fromEntries(entries.map((entry) => [keyOf(entry), entry.typed(record, unit)]));
}

/** A dot in a field's name would be a path to the form. */
export function keyOf({ id }: { id: string }): string {
  return id.replace('.', '_');
}

/**
 * A record's entries as a form. What was not touched is not judged: a number that is shown rounded stays as it is.
 * `draft` is the record as it would be with what is typed.
 */
export function useRecordForm<R>(entries: readonly Entry<R>[], record: R, asked: UnitSetting) {
  // In the unit it was opened in, each length with its own: what is typed by then stays as it is.
  const [unit] = useState(asked);
  const first = typedOf(entries, record, unit);
  const fields = entries.map((entry) => {
    const key = keyOf(entry);
    const check = v.rawCheck<string>(({ dataset, addIssue }) => {
      if (!dataset.typed || dataset.value === first[key]) return;
      const message = entry.trouble(dataset.value, unit);
      if (message !== null) addIssue({ message });
    });
    return [key, v.pipe(v.string(), check)] as const;
  });
  const form = useForm<Typed>({
    resolver: valibotResolver(v.object(Object.fromEntries(fields))),
    defaultValues: first,
    mode: 'onChange',
  });
  const typed = useWatch({ control: form.control }) as Typed;
  const changed = entries.filter((entry) => (typed[keyOf(entry)] ?? '') !== first[keyOf(entry)]);
  const said = (entry: Entry<R>) => typed[keyOf(entry)] ?? '';
  const draft = changed.reduce(
    (so, entry) => entry.state(so, said(entry), { kind: 'assumed' }, unit),
    record,
  );
  return { form, changed, draft, unit };
}
