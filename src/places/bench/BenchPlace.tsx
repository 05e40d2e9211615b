'use client';
import Link from 'next/link';
import { useDeferredValue, useEffect } from 'react';
import { toast } from 'sonner';
import { newPiece } from '@/core/fit/place';
import { changePieces, openFit, piecesOf, useBench, useHand } from '@/state/bench';
import { importFiles, sentence } from '@/state/imports';
import { useShop } from '@/state/shop';
import { DropTarget } from '@/ui/DropTarget';
import { BenchBar } from './BenchBar';
import { DocketStrip } from './DocketStrip';
import { FaceBar } from './FaceBar';
import { Flat } from './flat/Flat';
import { PieceStrip } from './PieceStrip';
import { ProductPanel } from './product/ProductPanel';
import { useBenchKeys } from './useBenchKeys';
import { useDocket } from './useDocket';
import { useLive, type Live } from './useLive';

/** One fit: the flat, the product and the docket, all in view, each following the others. */
export function BenchPlace({ fitId }: { fitId: string }) {
  const opened = useBench((bench) => bench.fit?.id === fitId);
  useEffect(() => {
    const fit = useShop.getState().fits.get(fitId) ?? null;
    openFit(fit);
    const carrying = fit?.faces.find(({ pieces }) => pieces.length > 0);
    const top = carrying?.pieces.findLast((piece) => piece.kind === 'artwork' && !piece.locked);
    useHand.setState({ faceId: carrying?.faceId ?? null, selectedId: top?.id ?? null });
  }, [fitId]);
  const live = useLive();
  if (!opened || !live) return <Missing known={useShop.getState().fits.has(fitId)} />;
  return <Bench live={live} />;
}

function Missing({ known }: { known: boolean }) {
  if (known) return <p className="p-6 text-ink-2">Laying the fit out…</p>;
  return (
    <p className="p-6">
      This fit is no longer here.{' '}
      <Link href="/" className="verb">
        Back to the range
      </Link>
    </p>
  );
}

function Bench({ live }: { live: Live }) {
  useBenchKeys(live);
  // The flat follows the hand at once; all else a moment later, in small tasks of its own.
  const following = useDeferredValue(live);
  const docket = useDocket(following);
  const { face } = live;
  const wide = face.width / face.height > 1.15;
  const bringIn = async (files: File[]) => {
    try {
      const artworks = await importFiles(files);
      const added = artworks.map((artwork) =>
        newPiece(
          crypto.randomUUID(),
          artwork.id,
          artwork.facts,
          artwork.facts.alpha.present ? 'motif' : 'ground',
          face,
        ),
      );
      if (added.length === 0) return;
      await changePieces(face.id, [...piecesOf(face.id), ...added]);
      useHand.setState({ selectedId: added.at(-1)!.id });
    } catch (error) {
      toast(sentence(error));
    }
  };
  return (
    <DropTarget
      onFiles={(files) => void bringIn(files)}
      label="Drop artwork onto this face"
      className="flex min-h-0 grow flex-col"
    >
      {(open) => (
        <>
          <BenchBar live={following} />
          <div className="flex min-h-0 grow">
            <div className="flex min-w-0 grow flex-col">
              <PieceStrip live={following} onBringIn={open} />
              <FaceBar live={following} />
              <div className={`flex min-h-0 grow bg-viewing text-viewing-ink ${wide ? 'flex-col' : ''}`}>
                <Flat live={live} docket={docket.docket} />
                <ProductPanel live={following} wide={wide} />
              </div>
            </div>
            <DocketStrip live={following} {...docket} />
          </div>
        </>
      )}
    </DropTarget>
  );
}
