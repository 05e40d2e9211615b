import { expose } from 'comlink';
import { layOut, type SheetLayout } from '@/core/sheet/layout';
import type { Print } from '@/core/sheet/print';
import { reportOn, type SheetReport } from '@/core/sheet/report';
import type { Sheet } from '@/core/sheet/schema';

export interface SheetService {
  layOut(sheet: Sheet, prints: readonly Print[]): { layout: SheetLayout; report: SheetReport };
}

const service: SheetService = {
  layOut: (sheet, prints) => {
    const layout = layOut(sheet, prints);
    return { layout, report: reportOn(sheet, prints, layout) };
  },
};

expose(service);
