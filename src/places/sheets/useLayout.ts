'use client';
import { useEffect, useState } from 'react';
import type { Print } from '@/core/sheet/print';
import type { Sheet } from '@/core/sheet/schema';
import { layOutSheet } from '@/state/handover/sheets';

export type LaidOut = NonNullable<Awaited<ReturnType<typeof layOutSheet>>>;

/** A sheet laid out, as last known while a newer one is on its way; null until the first is. */
export function useLayout(sheet: Sheet, prints: readonly Print[]): LaidOut | null {
  const [laid, setLaid] = useState<LaidOut | null>(null);
  // Only what lies on it counts: other fits may change as they like.
  const asked = JSON.stringify([
    { ...sheet, name: '' },
    prints.filter((print) =>
      sheet.items.some(({ fitId, faceId }) => fitId === print.fitId && faceId === print.faceId),
    ),
  ]);
  useEffect(() => {
    let current = true;
    const [wanted, own] = JSON.parse(asked) as [Sheet, Print[]];
    void layOutSheet(wanted, own).then((answer) => {
      if (current && answer) setLaid(answer);
    });
    return () => {
      current = false;
    };
  }, [asked]);
  return laid;
}
