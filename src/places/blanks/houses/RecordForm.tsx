'use client';
import { useState } from 'react';
import { Controller } from 'react-hook-form';
import { houseTroubles } from '@/core/blank/entries/house';
import { sayConcerning } from '@/core/blank/questions';
import type { HouseSpec, Method, Source } from '@/core/blank/schema';
import { sentence } from '@/state/sentence';
import { entriesOf, stateEntries, titleOf, usesOf, type Uses, type Written } from '@/state/shop/houses';
import { useShop } from '@/state/shop/shop';
import { today } from '@/state/today';
import { Select } from '@/ui/Select';
import { Heading } from '@/ui/StripParts';
import { tellDone } from '@/ui/tell';
import { EdgeDrawing } from './EdgeDrawing';
import { FinestDrawing } from './FinestDrawing';
import { EntryField } from './EntryField';
import { RecordStrip } from './RecordStrip';
import { keyOf, useRecordForm } from './useRecordForm';

/** Everything that is known of a house or a method, to be typed over; kept as its next version. */
export function RecordForm({
  table,
  record,
  onChoose,
}: {
  table: Written;
  record: HouseSpec | Method;
  onChoose: (id: string | null) => void;
}) {
  const shop = useShop();
  const entries = entriesOf(table, shop.methods.values());
  const { form, changed, draft, unit } = useRecordForm(entries, record as never, shop.settings.unit);
  const [kind, setKind] = useState<Source['kind']>('house');
  const { errors } = form.formState;
  const drafted: HouseSpec | Method = draft;
  const [clash] = drafted.upfit === 'spec/1' ? houseTroubles(drafted) : [];
  const use = usesOf(table, shop)(record.id);
  const groups = [...new Set(entries.map(({ group }) => group))];
  const house = drafted.upfit === 'spec/1' ? drafted.house : '';

  const save = form.handleSubmit(async (typed) => {
    const source: Source = kind === 'assumed' ? { kind } : { kind, date: today() };
    const words = Object.fromEntries(changed.map((entry) => [entry.id, typed[keyOf(entry)] ?? '']));
    try {
      const { version, undo } = await stateEntries(table, record as never, words, source, unit);
      tellDone(`“${titleOf(drafted)}” is version ${version} now${again(use.fits)}.`, undo);
    } catch (error) {
      form.setError('root', { message: sentence(error) });
    }
  });

  return (
    <>
      <form
        aria-label={titleOf(record)}
        className="flex min-w-0 grow flex-col"
        onSubmit={(event) => void save(event)}
      >
        <div className="relative min-h-0 grow overflow-auto px-5 pb-6">
          <div className={table === 'specs' ? 'gap-8 [column-width:290px]' : 'max-w-xl'}>
            {groups.map((group) => (
              <section key={group} className="mb-3">
                <div className="break-inside-avoid">
                  <Heading>{group}</Heading>
                </div>
                {entries
                  .filter((entry) => entry.group === group)
                  .map((entry) => (
                    <Controller
                      key={entry.id}
                      control={form.control}
                      name={keyOf(entry)}
                      render={({ field }) => (
                        <div className="break-inside-avoid">
                          <EntryField
                            entry={entry}
                            value={field.value}
                            source={sourceWords(entry.source(record), house)}
                            trouble={
                              errors[keyOf(entry)]?.message ?? (clash?.id === entry.id ? clash.message : null)
                            }
                            changed={changed.includes(entry)}
                            onChange={field.onChange}
                          />
                        </div>
                      )}
                    />
                  ))}
              </section>
            ))}
          </div>
        </div>
        <div className="flex shrink-0 items-center gap-4 border-t border-ink bg-docket px-5 py-2.5">
          <button
            className="action shrink-0 whitespace-nowrap"
            disabled={changed.length === 0 || !form.formState.isValid || clash !== undefined}
          >
            Save as version {record.version + 1}
          </button>
          {table === 'specs' && (
            <span className="flex shrink-0 items-center gap-2 text-sm text-ink-2">
              changes are
              <Select
                label="Where the changed numbers come from"
                value={kind}
                choices={[
                  ['house', 'stated by the house'],
                  ['template', 'from its template'],
                  ['assumed', 'assumed'],
                ]}
                onChange={setKind}
                className="text-ink"
              />
            </span>
          )}
          <p role="status" className={`text-sm ${errors.root ? 'text-fix' : 'text-ink-2'}`}>
            {errors.root?.message ??
              (changed.length === 0
                ? `Version ${record.version}. ${usedBy(use)}`
                : `${changed.length} ${changed.length === 1 ? 'entry' : 'entries'} changed${again(use.fits)}.`)}
          </p>
          {changed.length > 0 && (
            <button
              type="button"
              className="verb ml-auto"
              onClick={() => {
                form.reset();
              }}
            >
              Put back
            </button>
          )}
        </div>
      </form>
      <RecordStrip table={table} record={record} onChoose={onChoose}>
        {drafted.upfit === 'spec/1' ? (
          <EdgeDrawing spec={drafted} unit={unit} />
        ) : (
          <FinestDrawing method={drafted} unit={unit} />
        )}
      </RecordStrip>
    </>
  );
}

function sourceWords(source: Source | null, house: string): string | null {
  return source && sayConcerning(source, house);
}

function again(fits: number): string {
  return fits === 0 ? '' : `: ${fits} ${fits === 1 ? 'fit is' : 'fits are'} checked again`;
}

function usedBy({ blanks, fits }: Uses): string {
  if (blanks === 0) return 'No blank goes by it yet.';
  const on = fits === 0 ? 'no fits on them' : `${fits} ${fits === 1 ? 'fit' : 'fits'} on them`;
  return `${blanks} ${blanks === 1 ? 'blank goes' : 'blanks go'} by it, ${on}.`;
}
