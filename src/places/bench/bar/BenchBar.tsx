'use client';
import Link from 'next/link';
import { takingOf } from '@/core/blank/taking';
import { showSize } from '@/core/length/show';
import { useShop } from '@/state/shop/shop';
import { FitStand } from './FitStand';
import { FitMenu, SwapMenu } from './FitMenu';
import { OrderButton } from './OrderButton';
import { UndoRedo } from './UndoRedo';
import { PrintButton } from '../print/PrintButton';
import type { Live } from '../live/useLive';
import { byVersion, fitTitle } from '@/core/fit/version';
import { Hint } from '@/ui/Hint';
import { useTitle } from '@/ui/useTitle';

/** What is on the bench, the way to its neighbours, undo and redo, and the print file. */
export function BenchBar({ live }: { live: Live }) {
  const { fit, blank, design, face, unit } = live;
  const neighbours = useNeighbours(fit.id);
  useTitle(`${fitTitle(design, fit)} on ${blank.blank.name}`);
  return (
    <div className="flex h-[38px] shrink-0 items-center gap-4 border-b border-rule bg-frame px-4">
      <h1 className="flex min-w-0 items-baseline gap-2 text-lg font-bold">
        <span className="truncate">{fitTitle(design, fit)}</span>
        <span className="text-base font-normal text-ink-2">on</span>
        <span className="whitespace-nowrap">{blank.blank.name}</span>
      </h1>
      <span className="measure shrink-[999999] truncate text-sm text-ink-2 max-[1100px]:hidden">
        {face.name.toLowerCase()} {showSize(face.width, face.height, unit)}
      </span>
      <Printer blank={blank} />
      <span className="ml-auto flex shrink-0 items-center gap-4">
        <FitStand following={live.following} dragging={live.dragging} />
        <SwapMenu live={live} />
        <FitMenu live={live} />
        <UndoRedo following={live.following} />
        <span className="measure flex items-center gap-2 border border-ink px-2 py-0.5 text-sm">
          <Link href={`/bench/${neighbours.before}`} aria-label="Fit before">
            ‹
          </Link>
          {neighbours.at} of {neighbours.count}
          <Link href={`/bench/${neighbours.after}`} aria-label="Fit after">
            ›
          </Link>
        </span>
        <OrderButton live={live} />
        <Link
          href={`/packs?fit=${encodeURIComponent(fit.id)}`}
          className="action-2 whitespace-nowrap max-[1100px]:hidden"
        >
          Pack…
        </Link>
        <PrintButton live={live} />
      </span>
    </div>
  );
}

/** Who prints this, known before anything is made; why not, where its house does not. */
function Printer({ blank }: { blank: Live['blank'] }) {
  const { takes, words } = takingOf(blank);
  return (
    <Hint words={words}>
      <span
        data-taken={String(takes)}
        className={`measure min-w-0 shrink-[99] truncate pr-1 text-sm max-[1100px]:hidden ${takes === false ? 'font-semibold text-look' : 'text-ink-2'}`}
      >
        {words}
      </span>
    </Hint>
  );
}

/** The fits before and after this one, in the order of the range: design by design, column by column. */
function useNeighbours(fitId: string): { at: number; count: number; before: string; after: string } {
  const { fits, designs, settings } = useShop();
  const order = [...designs.values()].sort((a, b) => a.order - b.order).map(({ id }) => id);
  const ids = [...fits.values()]
    .filter(({ designId }) => designs.has(designId))
    .sort(
      (a, b) =>
        order.indexOf(a.designId) - order.indexOf(b.designId) ||
        settings.columns.indexOf(a.blankId) - settings.columns.indexOf(b.blankId) ||
        byVersion(a, b),
    )
    .map(({ id }) => id);
  const at = ids.indexOf(fitId);
  const near = (step: number) => ids[(at + step + ids.length) % ids.length] ?? fitId;
  return { at: at + 1, count: ids.length, before: near(-1), after: near(1) };
}
