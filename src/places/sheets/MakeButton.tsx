'use client';
import { useState } from 'react';
import { toast } from '@/ui/toast';
import { BACKING_INK } from '@/core/blank/schema';
import type { Sheet } from '@/core/sheet/schema';
import { sentence } from '@/state/sentence';
import { saveCutLines, sheetCutPages, type CutFormat } from '@/state/handover/cut-files';
import { useShop } from '@/state/shop/shop';
import { layOutSheet, makeSheetFiles, printsIn } from '@/state/handover/sheets';
import { MenuLine, VerbMenu } from '@/ui/Menu';

/** Makes a sheet's files: a PDF with its press card, or a picture of each sheet. */
export function MakeButton({ sheet }: { sheet: Sheet }) {
  const shop = useShop();
  const prints = printsIn(shop).filter((print) =>
    sheet.items.some(
      ({ fitId, faceId, copies }) => fitId === print.fitId && faceId === print.faceId && copies > 0,
    ),
  );
  const cuts = prints.filter((print) => print.cut);
  const cut = async (format: CutFormat) => {
    try {
      const laid = await layOutSheet(sheet, prints);
      if (laid)
        await saveCutLines(sheet.name, sheetCutPages(sheet.name, laid.layout), format, {
          cut: sheet.spot,
          backing: BACKING_INK,
        });
    } catch (error) {
      toast(sentence(error));
    }
  };
  const [work, setWork] = useState<{ share: number; stop: AbortController } | null>(null);
  const bare = sheet.items.every(({ copies }) => copies === 0);
  const make = async (format: 'pdf' | 'png' | 'tiff') => {
    const stop = new AbortController();
    setWork({ share: 0, stop });
    try {
      const made = await makeSheetFiles(sheet, format, {
        signal: stop.signal,
        onProgress: (share) => {
          setWork({ share, stop });
        },
      });
      if (made) toast(`“${sheet.name}” is made${sheet.mirrored ? ', mirrored: print it as it is' : ''}.`);
    } catch (error) {
      toast(sentence(error));
    } finally {
      setWork(null);
    }
  };
  if (work) {
    return (
      <button
        className="action-2 measure w-[132px]"
        onClick={() => {
          work.stop.abort();
        }}
      >
        {Math.round(work.share * 100)} % · Stop
      </button>
    );
  }
  return (
    <span className="flex items-center gap-3">
      <button className="action" disabled={bare} onClick={() => void make('pdf')}>
        Make the PDF
      </button>
      <VerbMenu label="as…" disabled={bare}>
        <MenuLine onSelect={() => void make('pdf')}>PDF at 100 %, with the press card</MenuLine>
        <MenuLine onSelect={() => void make('png')}>PNG, a picture of each sheet</MenuLine>
        {cuts.length > 0 && (
          <>
            <MenuLine onSelect={() => void cut('svg')}>Cut lines alone, SVG</MenuLine>
            <MenuLine onSelect={() => void cut('pdf')}>Cut lines alone, PDF in “{sheet.spot}”</MenuLine>
          </>
        )}
        <MenuLine onSelect={() => void make('tiff')}>TIFF, a picture of each sheet</MenuLine>
      </VerbMenu>
    </span>
  );
}
