import { takingOf, type Taking } from '@/core/blank/taking';
import type { ResolvedBlank } from '@/core/blank/resolve';
import type { Verdict } from '@/core/check/finding';
import type { Fit } from '@/core/fit/schema';
import { byVersion, fitTitle } from '@/core/fit/version';
import { lineVerdict, orderedOf, orderedVerdict } from '@/core/pack/lines';
import type { Sheet } from '@/core/sheet/schema';
import { currentSummary } from '@/state/bench/dockets';
import { blankOf } from '@/state/shop/library';
import type { Shop } from '@/state/shop/shop';

/** A fit that can go into a pack, with all that its row says. */
export interface PackableFit {
  id: string;
  fit: Fit;
  resolved: ResolvedBlank;
  design: string;
  blank: string;
  house: string;
  taking: Taking;
  copies: number;
  /** None until it is measured. */
  verdict: { verdict: Verdict; word: string } | undefined;
  /** What it is found by, in small letters. */
  says: string;
}

export interface PackableSheet {
  id: string;
  sheet: Sheet;
  prints: number;
  says: string;
}

export type Packable = PackableFit | PackableSheet;

/** The fits that carry something, as the range has them. */
export function packableFits(shop: Shop): PackableFit[] {
  return [...shop.fits.values()]
    .flatMap((fit) => {
      const design = shop.designs.get(fit.designId);
      const resolved = blankOf(fit, shop);
      const laid = fit.faces.some(({ pieces }) => pieces.some(({ visible }) => visible));
      if (!design || !resolved || !laid) return [];
      const { blank, spec } = resolved;
      return [
        {
          id: fit.id,
          fit,
          resolved,
          order: design.order,
          design: fitTitle(design, fit),
          blank: blank.name,
          house: spec.house,
          taking: takingOf(resolved),
          copies: orderedOf(resolved, fit).reduce((sum, { copies }) => sum + copies, 0),
          verdict: verdictOf(fit, resolved, shop),
          says: `${fitTitle(design, fit)} ${blank.name} ${spec.house}`.toLowerCase(),
        },
      ];
    })
    .sort((a, b) => a.order - b.order || a.blank.localeCompare(b.blank) || byVersion(a.fit, b.fit));
}

/** The sheets that something lies on. */
export function packableSheets(shop: Shop): PackableSheet[] {
  return [...shop.sheets.values()]
    .map((sheet) => ({
      id: sheet.id,
      sheet,
      prints: sheet.items.reduce((sum, { copies }) => sum + copies, 0),
      says: `${sheet.name} ${sheet.paper.name}`.toLowerCase(),
    }))
    .filter(({ prints }) => prints > 0);
}

/** How what is ordered of a fit does: in its own colours and sizes alone. */
function verdictOf(fit: Fit, resolved: ResolvedBlank, shop: Shop) {
  const summary = currentSummary(fit, shop);
  if (!summary) return undefined;
  const ordered = orderedOf(resolved, fit);
  const verdict = orderedVerdict(summary, ordered);
  const failing = ordered.filter((cell) => lineVerdict(summary, cell) === verdict).length;
  const lines = `${failing} of ${ordered.length} lines`;
  const word = verdict === summary.verdict ? (summary.findings[0]?.word ?? '') : lines;
  return { verdict, word };
}

/** After what is in it: the fit, or the designs. */
export function nameFor(picked: readonly PackableFit[]): string {
  const [only] = picked;
  if (!only) return '';
  if (picked.length === 1) return `${only.design} on ${only.blank}`;
  const [first, second, ...more] = [...new Set(picked.map(({ design }) => design))];
  if (second === undefined) return `${first} on ${picked.length} blanks`;
  return more.length === 0 ? `${first} and ${second}` : `${first}, ${second} and ${more.length} more`;
}
