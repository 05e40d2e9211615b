'use client';
import { useDeferredValue, useEffect, useMemo } from 'react';
import { toast } from '@/ui/toast';
import type { Docket } from '@/core/check/docket';
import { isMotifKind } from '@/core/fit/schema';
import { followCuts } from '@/state/bench/cutting';
import { openFit, useBench } from '@/state/bench/open-fit';
import { restHand, useHand } from '@/state/bench/hand';
import { importFiles } from '@/state/artwork/imports';
import { sentence } from '@/state/sentence';
import { useShop } from '@/state/shop/shop';
import { DropTarget } from '@/ui/DropTarget';
import { useFitId } from '../shell/address';
import { usePaste } from '../shell/usePaste';
import { addArtworks, addText } from './acts/adding';
import { BenchBar } from './bar/BenchBar';
import { PieceList } from './strip/PieceList';
import { DocketStrip } from './docket/DocketStrip';
import { FaceBar } from './bar/FaceBar';
import { Flat } from './flat/Flat';
import { NotLaidOut } from './NotLaidOut';
import { PieceStrip } from './strip/PieceStrip';
import { ContactSheet } from './product/ContactSheet';
import { ProductPanel } from './product/ProductPanel';
import { StepAndRepeat } from './strip/StepAndRepeat';
import { ScreenCalibration } from './bar/ScreenCalibration';
import { usePieceClipboard } from './acts/pasting';
import { useBenchKeys } from './acts/useBenchKeys';
import { useDocket } from './docket/useDocket';
import { besides, useLive, type Live } from './live/useLive';
import { useOfferedVerbs } from './acts/useOfferedVerbs';
import { Guard } from '@/ui/Guard';

/** One fit: the flat, the product and the docket, all in view, each following the others. */
export function BenchPlace() {
  const fitId = useFitId();
  const opened = useBench((bench) => bench.fit?.id === fitId);
  useEffect(() => {
    void openFit(fitId).then(() => {
      const fit = useShop.getState().fits.get(fitId);
      const carrying = fit?.faces.find(({ pieces }) => pieces.length > 0);
      const top = carrying?.pieces.findLast((piece) => isMotifKind(piece) && !piece.locked);
      restHand({ faceId: carrying?.faceId ?? null, selectedIds: top ? [top.id] : [] });
    });
    return () => void openFit(null);
  }, [fitId]);
  const live = useLive();
  if (!opened || !live) return <NotLaidOut fitId={fitId} />;
  return (
    <Guard key={fitId} what="This fit">
      <Bench live={live} />
    </Guard>
  );
}

function Bench({ live }: { live: Live }) {
  const add = useMemo(() => ({ text: () => void addText(live) }), [live]);
  useBenchKeys(live, add);
  usePieceClipboard(live);
  useEffect(() => followCuts((error) => toast(sentence(error))), []);
  const following = useDeferredValue(live);
  const bringIn = async (files: File[], on: Element | null = null) => {
    // What is dropped on the flat lies where the pointer was.
    const at = on?.closest('[data-flat]') ? (useHand.getState().dropped ?? undefined) : undefined;
    try {
      await addArtworks(following, await importFiles(files), at);
    } catch (error) {
      toast(sentence(error));
    }
  };
  usePaste((files) => void bringIn(files));
  return (
    <DropTarget
      onFiles={(files, on) => void bringIn(files, on)}
      label="Drop artwork onto this face"
      className="flex min-h-0 grow flex-col"
    >
      {(open) => <Parts live={live} following={following} onBringIn={open} />}
    </DropTarget>
  );
}

/**
 * The flat follows the hand within a frame; all else follows a moment later, in small tasks of its own, and is not
 * rendered in that frame (tests count it).
 */
function Parts({ live, following, onBringIn }: { live: Live; following: Live; onBringIn: () => void }) {
  const docket = useDocket(following);
  useOfferedVerbs(following);
  const list = useHand((hand) => hand.list);
  const { face } = following;
  const wide = face.width / face.height > 1.15;
  return (
    <>
      <BenchBar live={following} />
      <div className="flex min-h-0 grow">
        <div className="flex min-w-0 grow flex-col">
          <PieceStrip live={following} onBringIn={onBringIn} />
          <FaceBar live={following} />
          <div className="flex min-h-0 grow">
            {list && <PieceList live={following} />}
            <div
              className={`flex min-h-0 min-w-0 grow bg-viewing text-viewing-ink ${wide ? 'flex-col' : ''}`}
            >
              <Flats live={live} docket={docket.docket} />
              <ProductPanel live={following} wide={wide} docket={docket.docket} />
            </div>
          </div>
        </div>
        <DocketStrip live={following} behind={live.dragging || following.fit !== live.fit} {...docket} />
      </div>
      <ContactSheet live={following} />
      <StepAndRepeat live={following} />
      <ScreenCalibration live={following} />
    </>
  );
}

/** The face that is worked on, and beside it where wanted the blank's others, in their order. */
function Flats({ live, docket }: { live: Live; docket: Docket | null }) {
  const allFaces = useHand((hand) => hand.allFaces);
  if (!allFaces || live.blank.faces.length < 2) return <Flat live={live} docket={docket} />;
  return (
    <div className="flex min-h-0 min-w-0 grow divide-x divide-viewing-rule">
      {live.blank.faces.map((face) =>
        face.id === live.face.id ? (
          <Flat key={face.id} live={live} docket={docket} />
        ) : (
          <Flat key={face.id} live={besides(live, face)} docket={docket} active={false} />
        ),
      )}
    </div>
  );
}
