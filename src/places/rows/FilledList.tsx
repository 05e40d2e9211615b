'use client';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { toast } from '@/ui/toast';
import type { Design, Fit } from '@/core/fit/schema';
import { safeName } from '@/core/pack/names';
import { columnFor } from '@/core/rows/schema';
import type { List } from '@/state/rows/list';
import { keepRowsAsVersions, makeRows, saveRows } from '@/state/rows/made';
import { measureMissing, standingOf } from '@/state/rows/standings';
import { addSheet } from '@/state/handover/sheets';
import { Checkbox } from '@/ui/Checkbox';
import { MenuLine, VerbMenu } from '@/ui/Menu';
import { tellDone } from '@/ui/tell';
import { useTitle } from '@/ui/useTitle';
import { VERDICT_INK, VERDICT_WORDS } from '@/ui/Verdict';
import { withHanded } from '../shell/address';
import { useWork } from '../shell/useWork';
import { WorkLine } from '../shell/WorkLine';
import { ListPanel } from './ListPanel';
import { RowList } from './RowList';
import { fitsOf, unfilled, useRows, type Row } from './useRows';

interface Props {
  title: string;
  bench: string;
  fit: Fit;
  list: List;
  design: Design;
}

interface Progress {
  words: string;
  done: number;
  of: number;
}

/** The rows of a list as they fill a fit, and what is made of them. */
export function FilledList({ title, bench, fit, list, design }: Props) {
  useTitle(title);
  const router = useRouter();
  const { rows, trouble, left, stand, stopMeasuring } = useRows(fit, list, design.name);
  const [withFix, setWithFix] = useState(false);
  const work = useWork<Progress>();
  const missing = unfilled(fit, list, (slot) => columnFor(list, slot));
  const verdicts = rows.map(verdictIn);
  const count = (verdict: string) => verdicts.filter((one) => one === verdict).length;
  const taken = rows.filter((row) => row.fit && (withFix || verdictIn(row) !== 'fix'));
  const busy = work.progress !== null;

  /** Measures what is left, and gives back what is to be made then. */
  const checked = async (some: readonly Row[], asked: Parameters<Parameters<typeof work.run>[1]>[0]) => {
    const fits = fitsOf(some);
    let done = fits.filter(standingOf).length;
    await measureMissing(fits, {
      signal: asked.signal,
      onStanding: (row, standing) => {
        stand(row, standing);
        asked.onProgress({ words: 'measured', done: ++done, of: fits.length });
      },
    });
    return fits.filter((one) => {
      const standing = standingOf(one);
      return (
        standing &&
        'docket' in standing &&
        (withFix || some.length === 1 || standing.docket.verdict !== 'fix')
      );
    });
  };
  const make = (some: readonly Row[]) =>
    work.run({ words: 'measured', done: 0, of: some.length }, async (asked) => {
      stopMeasuring();
      const fits = await checked(some, asked);
      if (asked.signal.aborted) return;
      const made = await makeRows(fits, {
        signal: asked.signal,
        onProgress: (done) => {
          asked.onProgress({ words: 'made', done, of: fits.length });
        },
      });
      if (made.files.length > 0)
        await saveRows(`${safeName(design.name)}-rows`, made, list, (number) => saidOf(rows[number - 1]));
      toast(saidAfter(made, rows));
    });
  /** Rows kept as fits of their own, and taken on from there. */
  const keep = (onKept: (fitIds: readonly string[]) => void = () => undefined) =>
    work.run({ words: 'measured', done: 0, of: taken.length }, async (asked) => {
      stopMeasuring();
      const fits = await checked(taken, asked);
      if (asked.signal.aborted) return;
      const kept = fits.flatMap((one) => {
        const standing = standingOf(one);
        return standing && 'docket' in standing ? [{ ...one, docket: standing.docket }] : [];
      });
      const { result, undo } = await keepRowsAsVersions(kept);
      const { length } = result;
      tellDone(`${length} ${length === 1 ? 'row is a version' : 'rows are versions'} on the range.`, undo);
      if (length > 0) onKept(result);
    });
  const progress = work.progress;
  return (
    <>
      <div className="flex h-[46px] shrink-0 items-center gap-5 border-b border-rule bg-frame px-4">
        <h1 className="min-w-0 truncate text-lg font-bold">{title}</h1>
        <p
          className="measure flex shrink-0 gap-4 font-semibold"
          role="status"
          aria-label="How the rows stand"
        >
          <span>
            {list.rows.length} {list.rows.length === 1 ? 'row' : 'rows'}
          </span>
          {(['ready', 'look', 'fix'] as const).map(
            (verdict) =>
              count(verdict) > 0 && (
                <span key={verdict} className={VERDICT_INK[verdict]}>
                  {count(verdict)} {VERDICT_WORDS[verdict]}
                </span>
              ),
          )}
          {count('none') > 0 && <span className="text-fix">{count('none')} cannot be made</span>}
        </p>
        <span className="ml-auto flex shrink-0 items-center gap-4">
          <Link href={bench} className="verb whitespace-nowrap">
            Back to the bench
          </Link>
          <VerbMenu label="Keep as versions…" align="end" disabled={busy || taken.length === 0}>
            <MenuLine onSelect={() => void keep()}>on the range</MenuLine>
            <MenuLine
              onSelect={() =>
                void keep((fitIds) => {
                  void addSheet(fitIds).then(({ id }) => {
                    router.push(`/sheets?sheet=${id}`);
                  });
                })
              }
            >
              and lay them on a new sheet
            </MenuLine>
            <MenuLine
              onSelect={() =>
                void keep((fitIds) => {
                  router.push(withHanded('/packs', fitIds));
                })
              }
            >
              and put them in a pack…
            </MenuLine>
          </VerbMenu>
          <button
            className="action whitespace-nowrap"
            disabled={busy || taken.length === 0}
            onClick={() => void make(taken)}
          >
            Make {taken.length} {taken.length === 1 ? 'print' : 'prints'}
          </button>
        </span>
      </div>
      <div className="flex min-h-0 grow">
        <ListPanel fit={fit} list={list} missing={missing}>
          {count('fix') > 0 && (
            <Checkbox checked={withFix} onChange={setWithFix}>
              make what is Fix, too
            </Checkbox>
          )}
        </ListPanel>
        <div className="flex min-w-0 grow flex-col">
          <div className="min-h-0 px-4 empty:hidden">
            <WorkLine
              words={
                progress
                  ? `${progress.words} ${progress.done} of ${progress.of}`
                  : left !== null
                    ? `${left} still to be measured`
                    : null
              }
              label={progress ? 'Making the prints' : 'Measuring the rows'}
              share={
                progress
                  ? progress.done / Math.max(1, progress.of)
                  : 1 - (left ?? 0) / Math.max(1, list.rows.length)
              }
              trouble={work.trouble ?? trouble}
              className="py-1.5"
              onStop={progress ? work.stop : stopMeasuring}
            />
          </div>
          <RowList fit={fit} list={list} rows={rows} busy={busy} onMake={(row) => void make([row])} />
        </div>
      </div>
    </>
  );
}

/** A row's verdict: `none` where it cannot be made, undefined while it is not measured. */
function verdictIn({ fit, standing }: Row) {
  if (!fit) return 'none';
  if (!standing) return undefined;
  return 'docket' in standing ? standing.docket.verdict : 'none';
}

function saidOf(row: Row | undefined) {
  const verdict = row && verdictIn(row);
  return {
    verdict: verdict === undefined || verdict === 'none' ? null : verdict,
    problems: (row?.problems ?? []).map(({ column, message }) => `${column}: ${message}`).join(' '),
  };
}

function saidAfter({ made, failed }: Awaited<ReturnType<typeof makeRows>>, rows: readonly Row[]): string {
  const without = rows.filter(({ fit }) => !fit).map(({ number }) => number);
  return [
    `${made.length} ${made.length === 1 ? 'print is' : 'prints are'} made.`,
    without.length > 0 &&
      `Left out: ${without.length === 1 ? 'row' : 'rows'} ${without.slice(0, 8).join(', ')}.`,
    ...failed.slice(0, 3).map(({ row, why }) => `Row ${row}: ${why}`),
  ]
    .filter(Boolean)
    .join(' ');
}
