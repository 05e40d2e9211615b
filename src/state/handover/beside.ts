import { safeName } from '@/core/pack/names';
import type { ResolvedBlank, PrintFace } from '@/core/blank/resolve';
import type { Verdict } from '@/core/check/finding';
import type { Fit } from '@/core/fit/schema';
import { byVersion, fitTitle } from '@/core/fit/version';
import { engine, type JobOptions } from '@/workers/client';
import { makeZip } from '@/workers/zip-client';
import { fitJob, verdictOf } from '../bench/dockets';
import { contextOf, useShop, type Shop } from '../shop/shop';
import { today } from '../today';
import { saveAs } from './download';

/** One face of a fit that is shown beside others. */
export interface BesideShown {
  fit: Fit;
  blank: ResolvedBlank;
  face: PrintFace;
  /** The design and its version; the face too, where it is one of several that carry something. */
  name: string;
  verdict: Verdict | undefined;
}

/** Every face that carries something of some fits, by design and then by blank. */
export function besideOf(fits: readonly Fit[], shop: Shop): BesideShown[] {
  const columns = new Map(shop.settings.columns.map((id, i) => [id, i]));
  const place = (fit: Fit) => [
    shop.designs.get(fit.designId)?.order ?? 0,
    columns.get(fit.blankId) ?? Infinity,
  ];
  const sorted = [...fits].sort((a, b) => {
    const [[row, column], [otherRow, otherColumn]] = [place(a), place(b)] as [number[], number[]];
    return row! - otherRow! || column! - otherColumn! || byVersion(a, b);
  });
  return sorted.flatMap((fit) => {
    const context = contextOf(fit, shop);
    if (!context) return [];
    const { blank, design } = context;
    const carrying = blank.faces.filter((face) =>
      fit.faces.some(({ faceId, pieces }) => faceId === face.id && pieces.some(({ visible }) => visible)),
    );
    return carrying.map((face) => ({
      fit,
      blank,
      face,
      name: carrying.length > 1 ? `${fitTitle(design, fit)}, ${face.name}` : fitTitle(design, fit),
      verdict: verdictOf(fit, shop),
    }));
  });
}

/** What is said under each: the design unless all are of one, and the product unless all are on one. */
export function besideWords(shown: readonly BesideShown[]): { name: string; under: string | null }[] {
  const oneDesign = new Set(shown.map(({ name }) => name)).size === 1;
  const oneBlank = new Set(shown.map(({ blank }) => blank.blank.id)).size === 1;
  return shown.map(({ name, blank: { blank } }) =>
    oneDesign && !oneBlank
      ? { name: blank.name, under: null }
      : { name, under: oneBlank ? null : blank.name },
  );
}

/** What they are together: one design on several products, one product in several designs, or neither. */
export function besideTitle(shown: readonly BesideShown[], shop: Shop): string {
  const designs = [...new Set(shown.map(({ fit }) => fit.designId))];
  const blanks = [...new Set(shown.map(({ blank }) => blank.blank.name))];
  const count = (n: number, what: string) => `${n} ${what}${n === 1 ? '' : 's'}`;
  if (designs.length === 1) {
    const name = shop.designs.get(designs[0]!)?.name ?? '';
    return blanks.length === 1 ? `${name} on ${blanks[0]}` : `${name} on ${count(blanks.length, 'product')}`;
  }
  if (blanks.length === 1) return `${blanks[0]} in ${count(designs.length, 'design')}`;
  return `${count(designs.length, 'design')} on ${count(blanks.length, 'product')}`;
}

/** Makes pages of fits side by side and hands them to the browser's downloads. */
export async function saveBeside(
  shown: readonly BesideShown[],
  format: 'pdf' | 'png',
  options: JobOptions,
): Promise<void> {
  const shop = useShop.getState();
  const title = besideTitle(shown, shop);
  const jobs = await Promise.all(
    shown.map(({ fit, blank }) => fitJob(fit, blank, contextOf(fit, shop)?.artworks ?? [])),
  );
  const pages = await engine.besidePages(
    jobs,
    {
      title,
      under: `${shop.settings.shopName} · ${today()}`,
      unit: shop.settings.unit,
      items: besideWords(shown).map((words, i) => ({
        ...words,
        faceId: shown[i]!.face.id,
        verdict: shown[i]!.verdict ?? null,
      })),
      format,
    },
    options,
  );
  const name = safeName(title);
  if (pages.length === 1) {
    saveAs(pages[0]!, `${name}.${format}`);
    return;
  }
  const files = pages.map((data, i) => ({ path: `${name}-${i + 1}.${format}`, data }));
  const { zip } = await makeZip(files, { path: 'list.json', head: { upfit: 'side-by-side/1' } }, options);
  saveAs(zip, `${name}.zip`);
}
