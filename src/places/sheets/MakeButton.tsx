'use client';
import { toast } from '@/ui/toast';
import { BACKING_INK } from '@/core/blank/schema';
import type { Sheet } from '@/core/sheet/schema';
import { saveCutLines, sheetCutPages, type CutFormat } from '@/state/handover/cut-files';
import { useShop } from '@/state/shop/shop';
import { layOutSheet, makeSheetFiles, printsIn } from '@/state/handover/sheets';
import { MenuLine, VerbMenu } from '@/ui/Menu';
import { StopButton } from '@/ui/StopButton';
import { useWork } from '../shell/useWork';

/** Makes a sheet's files: a PDF with its press card, or a picture of each sheet. */
export function MakeButton({ sheet }: { sheet: Sheet }) {
  const shop = useShop();
  const prints = printsIn(shop).filter((print) =>
    sheet.items.some(
      ({ fitId, faceId, copies }) => fitId === print.fitId && faceId === print.faceId && copies > 0,
    ),
  );
  const cuts = prints.filter((print) => print.cut);
  const cut = (format: CutFormat) =>
    run(0, async () => {
      const laid = await layOutSheet(sheet, prints);
      if (laid)
        await saveCutLines(sheet.name, sheetCutPages(sheet.name, laid.layout), format, {
          cut: sheet.spot,
          backing: BACKING_INK,
        });
    });
  const { progress, run, stop } = useWork<number>({ outlives: true, place: false });
  const bare = sheet.items.every(({ copies }) => copies === 0);
  const make = (format: 'pdf' | 'png' | 'tiff') =>
    run(0, async (options) => {
      const made = await makeSheetFiles(sheet, format, options);
      if (made) toast(`“${sheet.name}” is made${sheet.mirrored ? ', mirrored: print it as it is' : ''}.`);
    });
  if (progress !== null) return <StopButton share={progress} className="w-[132px]" onStop={stop} />;
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
