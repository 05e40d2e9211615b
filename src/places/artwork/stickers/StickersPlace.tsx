'use client';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useEffect, useState } from 'react';
import { toast } from '@/ui/toast';
import type { ResolvedBlank } from '@/core/blank/resolve';
import { isToShape } from '@/core/cut/face';
import { joined, leftOut, parted, takenBack } from '@/core/cut/sorting';
import { setSteps } from '@/state/artwork/artworks';
import { sentence } from '@/state/sentence';
import { useShop } from '@/state/shop/shop';
import { keepSet } from '@/state/artwork/stickers';
import { ClearBackground } from '../ClearBackground';
import { useChange } from '../useChange';
import type { Artwork } from '../types';
import { SetList } from './SetList';
import { SetSettings } from './SetSettings';
import { StickersDrawing } from './StickersDrawing';
import { useSet, type SetWork } from './useSet';

/** A picture parted into stickers, each with its cut line, at one scale. */
export function StickersPlace({ artworkId }: { artworkId: string }) {
  const artwork = useShop((shop) => shop.artworks.get(artworkId));
  const blanks = useShop((shop) => shop.blanks);
  const kinds = [...blanks.values()].filter(isToShape);
  const [kindId, setKindId] = useState('');
  const blank = kinds.find((one) => one.blank.id === kindId) ?? kinds[0];
  if (!artwork || !blank) {
    return (
      <p className="p-6">
        {artwork
          ? 'No blank that is cut to shape is in the library: bring one back under Blanks.'
          : 'This artwork is no longer here.'}{' '}
        <Link href={artwork ? '/blanks' : '/artwork'} className="verb">
          {artwork ? 'Go to the blanks' : 'Back to the artwork'}
        </Link>
      </p>
    );
  }
  return <Making artwork={artwork} blank={blank} kinds={kinds} onKind={setKindId} />;
}

function Making({
  artwork,
  blank,
  kinds,
  onKind,
}: {
  artwork: Artwork;
  blank: ResolvedBlank;
  kinds: readonly ResolvedBlank[];
  onKind: (id: string) => void;
}) {
  const router = useRouter();
  const unit = useShop((shop) => shop.settings.unit);
  const work = useSet(artwork, blank);
  const [chosen, setChosen] = useState<readonly number[]>([]);
  const [keeping, setKeeping] = useState(false);
  const { parting, set, cut, trouble, change, undo, redo } = work;
  const name = artwork.facts.name.replace(/\.[a-z0-9]+$/i, '');
  useUndoKeys(work);
  const stickers = set?.stickers.length;
  const [before, setBefore] = useState(stickers);
  if (stickers !== before) {
    setBefore(stickers);
    setChosen([]);
  }
  const choose = (index: number, more: boolean) => {
    setChosen((so) =>
      more
        ? so.includes(index)
          ? so.filter((one) => one !== index)
          : [...so, index]
        : so.length === 1 && so[0] === index
          ? []
          : [index],
    );
  };
  const ready = cut !== null && cut.set === set;
  const keep = async () => {
    if (!ready) return;
    setKeeping(true);
    try {
      const fit = await keepSet(cut.fit, name, artwork);
      router.push(`/bench/${fit.id}`);
    } catch (error) {
      toast(sentence(error));
      setKeeping(false);
    }
  };
  const count = set?.stickers.length ?? 0;
  return (
    <div className="flex min-h-0 grow flex-col">
      <div className="flex h-[46px] shrink-0 items-center gap-5 border-b border-rule px-4">
        <h1 className="truncate text-lg font-bold">Stickers from {name}</h1>
        <span className="ml-auto flex shrink-0 items-center gap-4">
          <button className="verb" disabled={!undo} onClick={() => undo?.()}>
            Undo
          </button>
          <button className="verb" disabled={!redo} onClick={() => redo?.()}>
            Redo
          </button>
          <Link href="/artwork" className="verb">
            Leave
          </Link>
          <button className="action" disabled={!ready || count === 0 || keeping} onClick={() => void keep()}>
            {count === 1 ? 'Put it on the bench' : `Put ${count} on the bench`}
          </button>
        </span>
      </div>
      <div className="flex min-h-0 grow">
        <StickersDrawing
          artwork={artwork}
          parting={parting}
          set={set}
          cut={cut}
          chosen={chosen}
          onChoose={choose}
        />
        <aside
          aria-label="The set"
          className="flex w-[340px] shrink-0 flex-col overflow-auto border-l border-ink bg-docket px-5 pb-6 pt-3 [&_button:not([role])]:min-h-6"
        >
          <Said artwork={artwork} work={work} />
          {set && parting && count + set.left.length > 0 && (
            <>
              <SetSettings
                set={set}
                parting={parting}
                blank={blank}
                kinds={kinds}
                unit={unit}
                name={name}
                onKind={onKind}
                onChange={change}
              />
              <p className="flex gap-4 pb-1 pt-3 text-sm">
                <button
                  className="verb"
                  disabled={chosen.length < 2}
                  onClick={() => {
                    change(joined(set, chosen));
                  }}
                >
                  Join them
                </button>
                <button
                  className="verb"
                  disabled={chosen.length !== 1 || (set.stickers[chosen[0]!]?.motifs.length ?? 0) < 2}
                  onClick={() => {
                    change(parted(set, chosen[0]!));
                  }}
                >
                  Part it
                </button>
                <button
                  className="verb"
                  disabled={chosen.length === 0}
                  onClick={() => {
                    change(leftOut(set, chosen));
                  }}
                >
                  Leave out
                </button>
                {set.left.length > 0 && (
                  <button
                    className="verb"
                    onClick={() => {
                      change(takenBack(set, name));
                    }}
                  >
                    Take {set.left.length} back
                  </button>
                )}
              </p>
              <SetList
                set={set}
                parting={parting}
                fit={cut?.set === set ? cut.fit : null}
                unit={unit}
                chosen={chosen}
                onChoose={choose}
                onChange={change}
              />
            </>
          )}
          {trouble && <p className="pt-2 text-fix">{trouble}</p>}
        </aside>
      </div>
    </div>
  );
}

/** What was found in the picture, in sentences, and what to do first. */
function Said({ artwork, work: { parting, set } }: { artwork: Artwork; work: SetWork }) {
  const change = useChange();
  const { facts, steps } = artwork;
  if (change.busy || !parting || !set) return <p role="status">Looking for shapes…</p>;
  const { motifs, specks } = parting;
  const whole = motifs.length === 1 && !facts.alpha.present;
  return (
    <div role="status" className="pb-2">
      {motifs.length === 0 ? (
        <p className="text-look">
          Nothing in this picture is more than half opaque and wide enough to cut round. Use artwork with
          solid shapes, or make its lines thicker.
        </p>
      ) : whole && facts.background ? (
        <p className="text-look">
          It lies on a flat background: clear that first, or the cut goes round all of it.
        </p>
      ) : whole ? (
        <p className="text-look">
          It is opaque out to its edges, so the cut goes round the whole picture. Crop it, or cut it to a
          plain shape on the bench.
        </p>
      ) : (
        <p>
          {motifs.length === 1 ? 'One shape' : `${motifs.length} shapes`}, {set.stickers.length}{' '}
          {set.stickers.length === 1 ? 'sticker' : 'stickers'}.
        </p>
      )}
      {specks > 0 && (
        <p className="text-sm text-ink-2">
          {specks === 1 ? 'One speck is' : `${specks.toLocaleString('en')} specks are`} too small to cut and{' '}
          {specks === 1 ? 'is' : 'are'} left out.
        </p>
      )}
      {facts.background && (
        <ClearBackground
          colour={facts.background.hex}
          disabled={false}
          onClear={(step) => {
            change.run('Background cleared', (options) => setSteps(artwork, [...steps, step], options));
          }}
        />
      )}
    </div>
  );
}

function useUndoKeys({ undo, redo }: Pick<SetWork, 'undo' | 'redo'>): void {
  useEffect(() => {
    const press = (event: KeyboardEvent) => {
      if (event.target instanceof HTMLInputElement || !(event.ctrlKey || event.metaKey)) return;
      if (event.key.toLowerCase() !== 'z') return;
      event.preventDefault();
      if (event.shiftKey) redo?.();
      else undo?.();
    };
    addEventListener('keydown', press);
    return () => {
      removeEventListener('keydown', press);
    };
  }, [undo, redo]);
}
