'use client';
import Link from 'next/link';
import { useState } from 'react';
import { placeOf } from '@/core/blank/drawn';
import { showSize } from '@/core/length/show';
import { isStopped } from '@/state/engine/engine';
import { besideOf, besideTitle, besideWords, saveBeside, type BesideShown } from '@/state/handover/beside';
import { useShop } from '@/state/shop/shop';
import { drawnFace } from '@/core/product/drawn';
import { Slider } from '@/ui/Slider';
import { useRoomSize } from '@/ui/useRoomSize';
import { VERDICT_INK, VERDICT_WORDS, VerdictShape } from '@/ui/Verdict';
import { useFitIds } from '../../shell/address';
import { useWork } from '../../shell/useWork';
import { WorkLine } from '../../shell/WorkLine';
import { SmallFit } from '../../shell/SmallFit';

/** px round a drawing, and that words take under it. */
const AROUND = 12;
const LEAST_WIDTH = 168;

/** Fits side by side at one scale: one design on all its products, one product in all its designs, or whatever is chosen. */
export function BesidePlace() {
  const ids = useFitIds();
  const shop = useShop();
  const fits = ids.flatMap((id) => shop.fits.get(id) ?? []);
  const shown = besideOf(fits, shop);
  const { room, size } = useRoomSize();
  const [times, setTimes] = useState(1);
  const { progress, trouble, run, stop } = useWork<number>();
  const save = (format: 'pdf' | 'png') =>
    run(0, async ({ signal, onProgress }) => {
      try {
        await saveBeside(shown, format, { signal, onProgress });
      } catch (error) {
        if (!isStopped(error)) throw error;
      }
    });
  const words = besideWords(shown);
  const boxes = shown.map(({ blank, face, fit }) => placeOf(blank, face, fit.sizeId));
  const widest = Math.max(1, ...boxes.map((box) => box.width));
  const tallest = Math.max(1, ...boxes.map((box) => box.height));
  // As large as lets the largest stand beside two others, whole.
  const pxPerMm = size
    ? times * Math.max(0.01, Math.min((size.width - 32) / 3 / widest, (size.height - 110) / tallest, 4))
    : null;
  return (
    <>
      <div className="flex h-[46px] shrink-0 items-center gap-5 border-b border-rule bg-frame px-4">
        <h1 className="min-w-0 truncate text-lg font-bold">
          {shown.length === 0 ? 'Side by side' : besideTitle(shown, shop)}
        </h1>
        {shown.length > 0 && (
          <label className="flex items-center gap-3 whitespace-nowrap text-sm text-ink-2">
            all at one scale
            <Slider
              label="Scale"
              className="w-32"
              value={times}
              min={0.5}
              max={3}
              step={0.1}
              onChange={setTimes}
            />
          </label>
        )}
        <WorkLine
          words={progress === null ? null : 'drawing'}
          label="Drawing the page"
          share={progress ?? 0}
          trouble={trouble}
          className="w-64"
          onStop={stop}
        />
        <span className="ml-auto flex items-center gap-4">
          <Link href="/" className="verb whitespace-nowrap">
            Back to the range
          </Link>
          <button
            className="verb whitespace-nowrap"
            disabled={progress !== null || shown.length === 0}
            onClick={() => void save('png')}
          >
            Save as PNG
          </button>
          <button
            className="action whitespace-nowrap"
            disabled={progress !== null || shown.length === 0}
            onClick={() => void save('pdf')}
          >
            Save as PDF
          </button>
        </span>
      </div>
      <div ref={room} className="min-h-0 grow overflow-auto bg-viewing p-4 text-viewing-ink">
        {shown.length === 0 && (
          <p className="pt-40 text-center">
            Nothing is laid side by side.{' '}
            <Link href="/" className="verb">
              Choose fits on the range
            </Link>
            , a row, a column or any others.
          </p>
        )}
        <ul aria-label="Side by side" className="flex flex-wrap items-end gap-x-6 gap-y-5">
          {pxPerMm !== null &&
            shown.map((one, i) => (
              <One
                key={`${one.fit.id}/${one.face.id}`}
                shown={one}
                words={words[i]!}
                box={boxes[i]!}
                pxPerMm={pxPerMm}
              />
            ))}
        </ul>
      </div>
    </>
  );
}

/** A fit drawn at the scale of all, with what it is and how it stands. */
function One({
  shown: { fit, blank, face, name, verdict },
  words,
  box,
  pxPerMm,
}: {
  shown: BesideShown;
  words: { name: string; under: string | null };
  box: { width: number; height: number };
  pxPerMm: number;
}) {
  const unit = useShop((shop) => shop.settings.unit);
  const width = box.width * pxPerMm + AROUND;
  return (
    <li style={{ width: Math.max(width, LEAST_WIDTH) }}>
      <Link href={`/bench/${fit.id}`} aria-label={`Open ${name} on ${blank.blank.name} on the bench`}>
        <div style={{ width }}>
          <SmallFit
            blank={blank}
            drawn={drawnFace(blank, face, fit.sizeId)}
            fit={fit}
            width={width}
            height={box.height * pxPerMm + AROUND}
          />
        </div>
      </Link>
      <p className="truncate text-sm font-semibold">{words.name}</p>
      {words.under !== null && <p className="truncate text-sm">{words.under}</p>}
      <p className="measure text-sm">{showSize(face.width, face.height, unit)}</p>
      {verdict && (
        <p className="flex items-center gap-1.5 text-sm font-semibold">
          <span className={`flex items-center gap-1.5 bg-docket px-1 ${VERDICT_INK[verdict]}`}>
            <VerdictShape verdict={verdict} />
            {VERDICT_WORDS[verdict]}
          </span>
        </p>
      )}
    </li>
  );
}
