'use client';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { toast } from '@/ui/toast';
import { formatNames } from '@/core/formats/registry';
import type { Verdict } from '@/core/check/finding';
import { WHOLE, type View } from '@/core/many/view';
import { useChosen } from '@/state/many/chosen';
import { look } from '@/state/many/view';
import { sentence } from '@/state/sentence';
import { addColumn, removeColumn } from '@/state/shop/columns';
import { useShop } from '@/state/shop/shop';
import { SearchField } from '@/ui/SearchField';
import { Checkbox } from '@/ui/Checkbox';
import { DropTarget } from '@/ui/DropTarget';
import { MenuLine, VerbMenu } from '@/ui/Menu';
import { tellDone } from '@/ui/tell';
import { Segments } from '@/ui/Toggle';
import { VERDICT_INK, VERDICT_WORDS } from '@/ui/Verdict';
import { late } from '@/ui/late';
import { usePaste } from '../shell/usePaste';
import type { Asked } from './asked';
import { RangeGrid } from './grid/RangeGrid';
import { SEARCH_ID } from './grid/useGridKeys';
import { dropSpotOf, spotOf } from './spots';
import { useShown } from './useShown';
import { ViewPopup } from './ViewPopup';

// Fetched when they are first asked for: the range opens without them.
const ChooseLines = late(() => import('./many/ChooseLines').then((module) => module.ChooseLines));
const ChosenBar = late(() => import('./many/ChosenBar').then((module) => module.ChosenBar));
const DesignDialog = late(() => import('./design/DesignDialog').then((module) => module.DesignDialog));
const SizeDialog = late(() => import('./design/SizeDialog').then((module) => module.SizeDialog));
const VersionsDialog = late(() => import('./design/VersionsDialog').then((module) => module.VersionsDialog));
const StartDesign = late(() => import('../shell/StartDesign').then((module) => module.StartDesign));

const STANDINGS: readonly View['standing'][] = ['all', 'needs work', 'ready'];

/** Designs down, blanks across: what is ready and what is not, at one look. The home screen. */
export function Range() {
  const shop = useShop();
  const [search, setSearch] = useState('');
  const [asked, setAsked] = useState<Asked>(null);
  const router = useRouter();
  const { view, columns, all, found, heads } = useShown(search);
  const { designs } = shop;
  const isAnyChosen = useChosen(({ keys }) => keys.size > 0);
  const count = (verdict: Verdict) => all.filter((one) => one === verdict).length;
  const measuring = all.filter((one) => one === undefined).length;

  const bringIn = async (files: File[], on: Element | null) => {
    try {
      // Fetched with the first file.
      const { dropFiles } = await import('@/state/shop/dropped');
      const done = await dropFiles(files, spotOf(on));
      if (done) tellDone(done.said, done.undo);
    } catch (error) {
      toast(sentence(error));
    }
  };
  usePaste((files, on) => void bringIn(files, on));
  const open = (fitId: string) => {
    router.push(`/bench/${fitId}`);
  };
  const leave = () => {
    setAsked(null);
  };

  return (
    <DropTarget
      onFiles={(files, on) => void bringIn(files, on)}
      label="Drop artwork: each becomes a design"
      spotAt={dropSpotOf}
      className="flex min-h-0 grow flex-col"
    >
      {(pick) => (
        <>
          <div className="flex h-[46px] shrink-0 items-center gap-5 border-b border-rule bg-frame px-4">
            <h1 className="text-lg font-bold">
              {designs.size} {designs.size === 1 ? 'design' : 'designs'} on {columns.length}{' '}
              {columns.length === 1 ? 'blank' : 'blanks'}
            </h1>
            {(['ready', 'look', 'fix'] as const).map((verdict) => (
              <span key={verdict} className={`font-semibold ${VERDICT_INK[verdict]}`}>
                {count(verdict)} {VERDICT_WORDS[verdict]}
              </span>
            ))}
            {measuring > 0 && (
              <span role="status" data-measuring className="text-ink-2">
                measuring {measuring}
              </span>
            )}
            <SearchField
              id={SEARCH_ID}
              label="Search designs by name, and by what stands on them"
              placeholder="search designs, words"
              value={search}
              onSearch={setSearch}
              className="ml-auto w-40 min-w-0 shrink border-b border-ink bg-frame px-1 py-0.5 text-sm"
            />
            <span onPointerEnter={ChooseLines.fetch} onFocus={ChooseLines.fetch}>
              <VerbMenu label="Choose…" spoken="Choose cells of the range" align="end">
                <ChooseLines shown={found} columns={columns.map(({ blank }) => blank.id)} />
              </VerbMenu>
            </span>
            <Segments
              label="Designs that are shown"
              value={view.standing}
              choices={STANDINGS.map((one) => ({ value: one, name: one }))}
              className="flex gap-3 text-sm text-ink-2"
              onChange={(standing) => {
                look({ standing });
              }}
            />
            <ViewPopup view={view} />
            <button className="action" onClick={pick}>
              Add artwork
            </button>
          </div>
          {isAnyChosen && <ChosenBar />}
          {designs.size === 0 ? (
            <Empty
              onBringIn={pick}
              onStart={(blankId) => {
                setAsked({ kind: 'start', blankId });
              }}
            />
          ) : (
            <>
              <RangeGrid
                columns={columns}
                designs={found}
                heads={heads}
                movable={view.sort === 'own' && view.rows === 'none'}
                onOpen={open}
                onAsk={setAsked}
              />
              {found.length === 0 && (
                <NothingFound
                  search={search}
                  onShowAll={() => {
                    setSearch('');
                    look(WHOLE);
                  }}
                />
              )}
            </>
          )}
          {asked?.kind === 'design' && <DesignDialog designId={asked.designId} onClose={leave} />}
          {asked?.kind === 'versions' && <VersionsDialog {...asked} onOpen={open} onClose={leave} />}
          {asked?.kind === 'size' && <SizeDialog fitId={asked.fitId} onClose={leave} />}
          {asked?.kind === 'start' && <StartDesign blankId={asked.blankId} onClose={leave} />}
        </>
      )}
    </DropTarget>
  );
}

/** Where nothing is left of a view or a search: what to do. */
function NothingFound({ search, onShowAll }: { search: string; onShowAll: () => void }) {
  return (
    <p className="absolute inset-x-0 top-60 text-center text-ink-2">
      {search.trim() === ''
        ? 'No design is what this view asks for.'
        : `No design found by “${search.trim()}”.`}{' '}
      <button className="verb" onClick={onShowAll}>
        Show all
      </button>
    </p>
  );
}

/** What an empty shop begins with: what it prints on, then a picture or a bare face. */
function Empty({ onBringIn, onStart }: { onBringIn: () => void; onStart: (blankId: string) => void }) {
  const { blanks, settings } = useShop();
  const all = [...blanks.values()].map(({ blank }) => blank);
  const ticked = settings.columns;
  return (
    <div className="grid min-h-0 grow grid-cols-[minmax(0,1fr)_minmax(0,1fr)] gap-10 overflow-auto px-10 py-8">
      <section aria-label="What you print on" className="border-t-2 border-ink pt-4">
        <p className="text-lg font-bold">1. What will it be printed on?</p>
        <p className="mt-1 text-ink-2">
          Tick what you sell: each is a column of the range. One that is not here is{' '}
          <Link className="verb" href="/blanks/measure">
            measured with a tape
          </Link>{' '}
          or taken from its house’s{' '}
          <Link className="verb" href="/blanks/spec">
            spec
          </Link>
          .
        </p>
        <div className="mt-3 columns-2 gap-6 text-sm">
          {all.map(({ id, name }) => (
            <Checkbox
              key={id}
              className="break-inside-avoid"
              checked={ticked.includes(id)}
              onChange={(on) => void (on ? addColumn(id) : removeColumn(id))}
            >
              {name}
            </Checkbox>
          ))}
        </div>
      </section>
      <section aria-label="The first design" className="border-t-2 border-ink pt-4">
        <p className="text-lg font-bold">2. Bring in the first artwork</p>
        <p className="mt-1 text-ink-2">
          Drop a {formatNames('or')} anywhere on this page, or paste a picture. It becomes a design, a row.
          Nothing leaves this browser.
        </p>
        <button className="action mt-3" onClick={onBringIn}>
          Choose files
        </button>
        <p className="mt-6 border-t border-rule pt-3 font-semibold">Or begin without a file</p>
        <p className="mt-1 text-ink-2">Words and fills are drawn on the bench.</p>
        <p className="mt-2">
          <VerbMenu label="Start a design on…" disabled={ticked.length === 0}>
            {ticked.flatMap((id) => {
              const blank = blanks.get(id)?.blank;
              return blank
                ? [
                    <MenuLine
                      key={id}
                      onSelect={() => {
                        onStart(id);
                      }}
                    >
                      {blank.name}
                    </MenuLine>,
                  ]
                : [];
            })}
          </VerbMenu>
        </p>
      </section>
    </div>
  );
}
