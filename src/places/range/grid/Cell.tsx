'use client';
import { useState, type MouseEvent } from 'react';
import type { ResolvedBlank } from '@/core/blank/resolve';
import { rank } from '@/core/check/finding';
import type { Design, Fit } from '@/core/fit/schema';
import { keyOfPlace, type Place } from '@/core/many/choice';
import { currentSummary, verdictOf } from '@/state/bench/dockets';
import { toggle, useChosen } from '@/state/many/chosen';
import { layoutsOf } from '@/core/layout/of-blank';
import { blankOf } from '@/state/shop/library';
import { contextOf, useShop, type Shop } from '@/state/shop/shop';
import { Tick } from '@/ui/Checkbox';
import { drawnOf } from '@/core/product/drawn';
import { VERDICT_INK, VERDICT_WORDS, VerdictShape } from '@/ui/Verdict';
import { Hint } from '@/ui/Hint';
import { LateMenu } from '@/ui/Menu';
import type { Asked } from '../asked';
import { spotMark } from '../spots';
import { CellLines, fitCell, FitLines, openCell, type CellOf } from './CellLines';
import { placeMark } from './place';
import { useDrawing } from './useDrawing';
import { SmallFit } from '../../shell/SmallFit';

const DRAWING_HEIGHT = 104;

interface Props {
  column: ResolvedBlank;
  /** Which column it is, from 0. */
  index: number;
  /** px */
  place: { left: number; width: number };
  /** Whether Tab comes to it. */
  focused: boolean;
  design: Design;
  /** Its fits on this blank, in order. */
  versions: readonly Fit[];
  onOpen: (fitId: string) => void;
  onAsk: (asked: Asked) => void;
  /** Chooses the block from the last one chosen to this. */
  onBlock: () => void;
}

/** A cell of the range: the fit itself drawn small with its verdict, or one click from being fitted. */
export function Cell({ column, index, place, focused, design, versions, onOpen, onAsk, onBlock }: Props) {
  // The worst of its versions speaks for the cell.
  const fit = useShop((shop) => worstOf(versions, shop));
  const summary = useShop((shop) => (fit ? currentSummary(fit, shop) : undefined));
  const own = useShop((shop) => (fit && blankOf(fit, shop)) ?? column);
  const whole = useShop((shop) => !fit || contextOf(fit, shop) !== null);
  const { blank } = own;
  const acted = { design, blank: column.blank, versions, onOpen, onAsk };
  const at = { designId: design.id, blankId: column.blank.id };
  const picture = useDrawing(fit, own);
  const chosen = useChosen(({ keys }) => keys.has(keyOfPlace(at)));
  // What is seen of a cell at hand alone is made then: hundreds of cells scroll by.
  const [pointed, setPointed] = useState(false);
  const tick = (pointed || focused || chosen) && (
    <ChooseTick chosen={chosen} what={`${design.name} on ${blank.name}`} focused={focused} at={at} />
  );
  const cell = {
    role: 'gridcell',
    onPointerEnter: () => {
      setPointed(true);
    },
    onPointerLeave: () => {
      setPointed(false);
    },
    'aria-selected': chosen,
    'aria-colindex': index + 2,
    style: place,
    ...spotMark(at),
  };
  const stop = { ...placeMark(at), tabIndex: focused ? 0 : -1 };
  // With a key held, a press chooses and opens nothing.
  const press = (event: MouseEvent, act: () => void) => {
    if (event.shiftKey) onBlock();
    else if (event.ctrlKey || event.metaKey) toggle(at);
    else act();
  };
  if (!fit) {
    return (
      <div {...cell} className="group/cell absolute top-0 h-full border-b border-r border-rule">
        <button
          {...stop}
          aria-label={`Fit ${design.name} on ${blank.name}`}
          onClick={(event) => {
            press(event, () => {
              fitCell(acted);
            });
          }}
          className="grid h-full w-full place-items-center text-ink-2 hover:bg-docket hover:text-thread"
        >
          fit it
        </button>
        {tick}
        <BeginWith cell={acted} spoken={`Fit ${design.name} on ${blank.name} by…`} focused={focused} />
      </div>
    );
  }
  const telling = summary?.findings[0];
  const verdict = whole ? summary?.verdict : 'fix';
  const word = !whole
    ? 'Something is missing'
    : verdict
      ? (telling?.word ?? VERDICT_WORDS[verdict])
      : 'measuring…';
  return (
    <div {...cell} className="group/cell absolute top-0 h-full border-b border-r border-rule p-[6px]">
      <Hint words={telling?.message}>
        <button
          {...stop}
          aria-label={`${design.name} on ${blank.name}: ${verdict ? VERDICT_WORDS[verdict] : 'measuring'}${verdict && verdict !== 'ready' ? `, ${word}` : ''}`}
          onClick={(event) => {
            press(event, () => {
              openCell(acted);
            });
          }}
          className="block w-full text-left outline-offset-4"
        >
          <span className="block bg-viewing">
            <SmallFit
              blank={own}
              drawn={drawnOf(own, fit)}
              fit={fit}
              picture={picture}
              width={place.width - 14}
              height={DRAWING_HEIGHT}
            />
          </span>
          <span
            className={`measure mt-1 flex items-center gap-1.5 px-0.5 text-sm font-semibold ${verdict ? VERDICT_INK[verdict] : 'text-ink-2'}`}
          >
            {verdict && <VerdictShape verdict={verdict} />}
            <span className="truncate">{word}</span>
            {versions.length > 1 && (
              <span className="ml-auto shrink-0 font-normal text-ink-2">{versions.length} versions</span>
            )}
          </span>
        </button>
      </Hint>
      {tick}
      <LateMenu
        label="Fit…"
        spoken={`${design.name} on ${blank.name}: what can be done`}
        align="end"
        tabIndex={focused ? 0 : -1}
        className={AT_HAND}
      >
        <CellLines {...acted} />
      </LateMenu>
    </div>
  );
}

/** Chooses the cell besides others; seen while it is pointed at, has the focus, or is chosen. */
function ChooseTick({
  chosen,
  what,
  focused,
  at,
}: {
  chosen: boolean;
  what: string;
  focused: boolean;
  at: Place;
}) {
  return (
    <>
      {chosen && (
        <span
          aria-hidden
          className="pointer-events-none absolute inset-[3px] border-2 border-dashed border-thread"
        />
      )}
      <span
        className={`absolute left-1.5 top-1.5 bg-frame leading-none ${chosen ? '' : 'opacity-0 focus-within:opacity-100 group-hover/cell:opacity-100'}`}
      >
        <Tick
          label={`Choose ${what}`}
          checked={chosen}
          className="!h-6 !w-6"
          tabIndex={focused ? 0 : -1}
          onChange={() => {
            toggle(at);
          }}
        />
      </span>
    </>
  );
}

/** The starting layouts of a blank, to fit a design by one of them; nothing where it has none. */
function BeginWith({
  cell,
  spoken,
  focused,
}: {
  cell: Pick<CellOf, 'design' | 'blank'>;
  spoken: string;
  focused: boolean;
}) {
  const kept = useShop((shop) => shop.layouts);
  if (layoutsOf(cell.blank.id, { layouts: kept }).length === 0) return null;
  return (
    <LateMenu label="by…" spoken={spoken} align="end" tabIndex={focused ? 0 : -1} className={AT_HAND}>
      <FitLines {...cell} />
    </LateMenu>
  );
}

/** A menu in a cell's corner, seen while the cell is pointed at or has the focus. */
const AT_HAND =
  'verb absolute bottom-1.5 right-2 bg-frame pl-1 text-sm opacity-0 focus-visible:opacity-100 group-hover/cell:opacity-100 data-[state=open]:opacity-100';

/** The version with the worst verdict; the first of such. */
function worstOf(versions: readonly Fit[], shop: Shop): Fit | undefined {
  const grade = (fit: Fit) => {
    const verdict = verdictOf(fit, shop);
    return verdict ? rank(verdict) : -1;
  };
  return [...versions].sort((a, b) => grade(b) - grade(a))[0];
}
