import { useEffect, useMemo, useState } from 'react';
import type { Fit } from '@/core/fit/schema';
import { slotNames } from '@/core/rows/slots';
import { sentence } from '@/state/sentence';
import { fillRows, rowNames, type FilledRow } from '@/state/rows/filled';
import type { List } from '@/state/rows/list';
import type { RowFit, RowStanding } from '@/state/rows/made';
import { measureMissing, standingOf } from '@/state/rows/standings';

/** A row as it is shown: what its words make of the fit, what its files are called, and how it stands. */
export interface Row extends FilledRow {
  /** From 1. */
  number: number;
  cells: readonly string[];
  name: string;
  /** Undefined while it is not measured. */
  standing: RowStanding | undefined;
}

/** Rows that can be made, as they are measured and made. */
export function fitsOf(rows: readonly Row[]): RowFit[] {
  return rows.flatMap(({ number, fit, name }) => (fit ? [{ row: number, fit, name }] : []));
}

/**
 * Every row of a list filled into a fit, and measured after that, the longest words first; both begin anew where the list or
 * the fit changes, and end with the page. `left` is how many are still to be measured, null while none is being.
 */
export function useRows(fit: Fit, list: List, design: string) {
  const [filled, setFilled] = useState<readonly FilledRow[]>([]);
  const [standings, setStandings] = useState<ReadonlyMap<number, RowStanding>>(new Map());
  const [trouble, setTrouble] = useState<string | null>(null);
  const [measuring, setMeasuring] = useState<AbortController | null>(null);
  const stand = (row: number, standing: RowStanding) => {
    setStandings((before) => new Map(before).set(row, standing));
  };
  const names = useMemo(() => rowNames(list, fit, design), [list, fit, design]);
  useEffect(() => {
    const asked = new AbortController();
    const { signal } = asked;
    void (async () => {
      let all: readonly FilledRow[] = [];
      await fillRows(fit, list, {
        signal,
        onFilled: (rows) => {
          all = rows;
          if (!signal.aborted) setFilled(rows);
        },
      });
      if (signal.aborted) return;
      const fits = [...all.entries()].flatMap(([i, one]) =>
        one.fit ? [{ row: i + 1, fit: one.fit, name: '' }] : [],
      );
      setTrouble(null);
      setStandings(known(fits));
      setMeasuring(asked);
      fits.sort((a, b) => longest(list, b.row) - longest(list, a.row));
      await measureMissing(fits, {
        signal,
        onStanding: (row, standing) => {
          setStandings((before) => new Map(before).set(row, standing));
        },
      });
    })()
      .catch((error: unknown) => {
        setTrouble(sentence(error));
      })
      .finally(() => {
        setMeasuring((now) => (now === asked ? null : now));
      });
    return () => {
      asked.abort();
    };
  }, [fit, list]);
  const rows = filled.flatMap((row, i): Row[] => {
    const cells = list.rows[i];
    // What is shown of a list that has just changed is of the rows that it had.
    if (!cells) return [];
    return [{ ...row, number: i + 1, cells, name: names[i]!, standing: standings.get(i + 1) }];
  });
  return {
    rows,
    trouble,
    left: measuring && rows.filter((row) => row.fit && !row.standing).length,
    stand,
    stopMeasuring: () => {
      measuring?.abort();
      setMeasuring(null);
    },
  };
}

function known(fits: readonly RowFit[]): Map<number, RowStanding> {
  return new Map(
    fits.flatMap((one) => {
      const standing = standingOf(one);
      return standing ? [[one.row, standing] as const] : [];
    }),
  );
}

function longest(list: List, row: number): number {
  return Math.max(0, ...(list.rows[row - 1] ?? []).map(({ length }) => length));
}

/** Slots of a fit that no column fills. */
export function unfilled(fit: Fit, list: List, columnFor: (slot: string) => number): string[] {
  return list.columns.length === 0 ? [] : slotNames(fit).filter((slot) => columnFor(slot) < 0);
}
