'use client';
import { valibotResolver } from '@hookform/resolvers/valibot';
import { useForm, useWatch, type UseFormReturn } from 'react-hook-form';
import * as v from 'valibot';
import { Line } from '@/ui/Line';
import { StopButton } from '@/ui/StopButton';
import { nameFor, type PackableFit } from './packable';
import { usePackWork } from './usePackWork';
import { goesOut } from './words';

/** Letters of a pack's name, and of its notes, at most. */
const MOST_NAME = 200;
const MOST_NOTES = 2000;
const PackSchema = v.object({
  /** Nothing as long as the pack is called after what is in it. */
  name: v.nullable(v.pipe(v.string(), v.trim(), v.maxLength(MOST_NAME))),
  notes: v.pipe(v.string(), v.maxLength(MOST_NOTES)),
  /** Why a fit with a Fix goes out all the same, by fit. */
  reasons: v.record(v.string(), v.string()),
});
type PackTyped = v.InferOutput<typeof PackSchema>;

export function usePackForm() {
  return useForm<PackTyped>({
    resolver: valibotResolver(PackSchema),
    defaultValues: { name: null, notes: '', reasons: {} },
  });
}

/** What the pack is called and what is said with it; made once every Fix in it has its reason. */
export function PackForm({
  form,
  picked,
  sheetIds,
  onMade,
  onLeave,
}: {
  form: UseFormReturn<PackTyped>;
  picked: readonly PackableFit[];
  sheetIds: readonly string[];
  onMade: (id: string) => void;
  onLeave?: () => void;
}) {
  const work = usePackWork(onMade);
  const [typed, reasons] = useWatch({ control: form.control, name: ['name', 'reasons'] });
  const unsaid = picked.filter(
    ({ id, verdict }) => verdict?.verdict === 'fix' && (reasons[id] ?? '').trim() === '',
  ).length;
  const name = typed ?? nameFor(picked);
  const make = form.handleSubmit(({ notes }) =>
    work.make({
      name: name.trim(),
      notes,
      fitIds: picked.map(({ id }) => id),
      sheetIds,
      reasons: new Map(Object.entries(reasons)),
    }),
  );
  return (
    <form onSubmit={(event) => void make(event)} className="shrink-0 border-t border-ink bg-docket px-4 py-3">
      <div className="flex items-end gap-5">
        <Line
          label="name"
          className="w-72"
          value={name}
          maxLength={MOST_NAME}
          onChange={({ target }) => {
            form.setValue('name', target.value);
          }}
        />
        <Line
          label="notes for whoever prints"
          className="min-w-0 grow"
          maxLength={MOST_NOTES}
          {...form.register('notes')}
        />
        {onLeave && !work.progress && (
          <button type="button" className="verb" onClick={onLeave}>
            Leave
          </button>
        )}
        {work.progress ? (
          <StopButton share={work.progress.share} className="w-44" onStop={work.stop} />
        ) : (
          <button className="action w-44" disabled={picked.length === 0 || unsaid > 0 || name.trim() === ''}>
            Make the pack
          </button>
        )}
      </div>
      <p
        role="status"
        className={`mt-2 min-h-5 truncate text-sm ${work.trouble ? 'text-fix' : 'text-ink-2'}`}
      >
        {work.trouble ?? work.progress?.doing ?? inTheWay(picked, unsaid)}
      </p>
    </form>
  );
}

/** What is still to be done before the pack is made, or what will go out in it. */
function inTheWay(picked: readonly PackableFit[], unsaid: number): string {
  if (picked.length === 0) return 'Tick what goes out together.';
  if (unsaid === 0) return goesOut(picked.map(({ fit }) => fit));
  return unsaid === 1
    ? 'Say why the one with something to fix goes out as it is, or mend it first.'
    : `Say why the ${unsaid} with something to fix go out as they are, or mend them first.`;
}
