'use client';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useMemo, useState } from 'react';
import { toast } from '@/ui/toast';
import { makeBlank } from '@/core/blank/make';
import { resolveAmong } from '@/core/blank/library';
import type { ResolvedBlank } from '@/core/blank/resolve';
import { nearestBlank } from '@/core/measuring/nearest';
import { readAnswers, type Measured } from '@/core/measuring/readings';
import { THINGS, type Thing } from '@/core/measuring/things';
import { newBlank } from '@/state/shop/blanks';
import { sentence } from '@/state/sentence';
import { changeDraft, clearDraft, measureThing, useDraft } from '@/state/shop/measuring';
import { titleOf } from '@/state/shop/houses';
import { useShop } from '@/state/shop/shop';
import { today } from '@/state/today';
import { Readings } from './Readings';
import { SoFar } from './SoFar';
import { ThingDrawing } from './ThingDrawing';
import { Select } from '@/ui/Select';
import { Segments } from '@/ui/Toggle';

/** A new blank with a tape: the thing with the tape on it asks one measurement at a time, the flat is drawn meanwhile. */
export function MeasurePlace() {
  const { unit } = useShop((shop) => shop.settings);
  const { draft } = useDraft();
  const blanks = useShop((shop) => shop.blanks);
  const thing = THINGS.find(({ id }) => id === draft?.thingId) ?? THINGS[0]!;
  const [activeId, setActiveId] = useState(thing.steps[0]!.id);
  const [methodId, setMethodId] = useState(thing.methodId);
  const [specId, setSpecId] = useState(thing.specId);
  const answers = useMemo(() => draft?.answers ?? {}, [draft]);
  const measured = useMemo(() => readAnswers(thing, answers, unit), [thing, answers, unit]);
  const nearest = useMemo(
    () => (measured.body ? nearestBlank(measured.body, blanks.values(), unit) : null),
    [measured, blanks, unit],
  );
  const resolved = useResolved(measured, methodId, specId, draft?.name ?? '');
  const keep = useKeep(measured, { methodId, specId });
  const change = (next: Thing) => {
    measureThing(next.id);
    setActiveId(next.steps[0]!.id);
    setMethodId(next.methodId);
    setSpecId(next.specId);
  };
  return (
    <>
      <div className="flex h-[46px] shrink-0 items-center gap-5 border-b border-rule bg-frame px-4">
        <h1 className="whitespace-nowrap text-lg font-bold">Measure a new blank</h1>
        <Segments
          label="What is measured"
          value={thing.id}
          choices={THINGS.map(({ id, name, what }) => ({ value: id, name, hint: what }))}
          className="flex gap-4 text-sm"
          onChange={(id) => {
            change(THINGS.find((one) => one.id === id)!);
          }}
        />
        <span className="ml-auto flex items-center gap-4">
          <button className="verb" disabled={draft === null} onClick={() => void clearDraft()}>
            Start over
          </button>
          <Link href="/blanks" className="verb whitespace-nowrap">
            Leave, keep as draft
          </Link>
          <button
            className="action whitespace-nowrap"
            disabled={measured.body === null}
            onClick={() => void keep()}
          >
            Keep blank
          </button>
        </span>
      </div>
      <div className="flex min-h-0 grow bg-viewing text-viewing-ink">
        <div className="flex w-[560px] shrink-0 flex-col">
          <div className="min-h-0 grow">
            <ThingDrawing thing={thing} measured={measured} activeId={activeId} />
          </div>
          <div className="max-h-[64%] shrink-0 overflow-auto border-r border-t border-ink bg-docket px-4 pb-3 text-ink">
            <Readings
              thing={thing}
              measured={measured}
              answers={answers}
              activeId={activeId}
              onActive={setActiveId}
            />
            <Records
              methodId={methodId}
              specId={specId}
              onMethod={(id) => {
                setMethodId(id);
                const spec = [...useShop.getState().specs.values()].find(({ methods }) =>
                  methods.includes(id),
                );
                if (spec) setSpecId(spec.id);
              }}
              onSpec={setSpecId}
            />
          </div>
        </div>
        <SoFar resolved={resolved} nearest={nearest} missing={measured.missing} />
      </div>
    </>
  );
}

/** The blank as it will be, as soon as every number it needs is there. */
function useResolved(
  { body }: Measured,
  methodId: string,
  specId: string,
  name: string,
): ResolvedBlank | null {
  const specs = useShop((shop) => shop.specs);
  const methods = useShop((shop) => shop.methods);
  return useMemo(() => {
    if (!body || !specs.has(specId)) return null;
    const measured = { kind: 'tape' as const };
    const title = name.trim() || 'Measured blank';
    return resolveAmong(
      { specs: specs.values(), methods: methods.values() },
      makeBlank({ id: 'draft', name: title, body, measured, methodId, specId }),
    );
  }, [body, methodId, specId, specs, methods, name]);
}

function useKeep({ body }: Measured, records: { methodId: string; specId: string }) {
  const router = useRouter();
  const { draft } = useDraft();
  return async () => {
    if (!body) return;
    const name = draft?.name.trim() ?? '';
    try {
      const blank = await newBlank(name === '' ? 'Measured blank' : name, body, records, {
        kind: 'tape',
        date: today(),
      });
      await clearDraft();
      toast(`“${blank.name}” is in the library.`);
      router.push(`/blanks?blank=${blank.id}`);
    } catch (error) {
      toast(sentence(error));
    }
  };
}

/** Its name, and the records that a blank needs besides its measurements. */
function Records({
  methodId,
  specId,
  onMethod,
  onSpec,
}: {
  methodId: string;
  specId: string;
  onMethod: (id: string) => void;
  onSpec: (id: string) => void;
}) {
  const specs = useShop((shop) => shop.specs);
  const methods = useShop((shop) => shop.methods);
  const name = useDraft(({ draft }) => draft?.name ?? '');
  return (
    <div className="flex gap-2 pt-3">
      <input
        aria-label="Name of the blank"
        placeholder="Name it"
        value={name}
        maxLength={120}
        onChange={(event) => {
          changeDraft({ name: event.target.value });
        }}
        className="min-w-0 grow border border-rule bg-docket px-2 py-1 text-sm"
      />
      <Select
        label="Printing method"
        value={methodId}
        choices={[...methods.values()].map(({ id, name: method }) => [id, method])}
        onChange={onMethod}
        className="text-sm"
      />
      <Select
        label="House"
        value={specId}
        choices={[...specs.values()]
          .filter(({ methods, id }) => methods.includes(methodId) || id === specId)
          .map((one) => [one.id, titleOf(one)])}
        onChange={onSpec}
        className="w-36 text-sm"
      />
    </div>
  );
}
