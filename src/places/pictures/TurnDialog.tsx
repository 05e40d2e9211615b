import { useCallback, useState } from 'react';
import { fitTitle } from '@/core/fit/version';
import type { Fit } from '@/core/fit/schema';
import { showBytes } from '@/core/length/bytes';
import type { PictureStyle } from '@/core/mockup/schema';
import { turnTrouble, USUAL_TURNING } from '@/core/mockup/turning';
import { clipType } from '@/state/handover/clip';
import {
  keepTurning,
  makeTurn,
  saveTurn,
  turningScenes,
  type KeptTurning,
  type TurnMade,
} from '@/state/handover/turns';
import { contextOf, useShop } from '@/state/shop/shop';
import { Dialog, LeaveDialog } from '@/ui/Dialog';
import { Choice } from '@/ui/Field';
import { useWork } from '../shell/useWork';
import { WorkLine } from '../shell/WorkLine';

interface Props {
  fits: readonly Fit[];
  /** Scenes that are chosen: one of them is offered first. */
  sceneIds: ReadonlySet<string>;
  style: PictureStyle;
  onClose: () => void;
}

const SECONDS = [2, 3, 5, 8, 12] as const;
const FRAMES = [12, 24, 36, 48, 72] as const;
const SIDES = [400, 600, 800, 1000, 1200] as const;

/** A turn of a fit on its product, as a file that moves: how it turns, the making of it, and how it looks. */
export function TurnDialog({ fits, sceneIds, style, onClose }: Props) {
  const shop = useShop();
  const turnable = fits.filter((fit) => turningScenes(fit, shop).length > 0);
  const [fitId, setFitId] = useState(turnable[0]?.id ?? '');
  const fit = turnable.find(({ id }) => id === fitId) ?? turnable[0];
  const scenes = fit ? turningScenes(fit, shop) : [];
  const [sceneId, setSceneId] = useState<string | null>(null);
  const scene =
    scenes.find(({ id }) => id === sceneId) ?? scenes.find(({ id }) => sceneIds.has(id)) ?? scenes[0];
  const clip = clipType();
  const [asked, setTurning] = useState(shop.settings.turning ?? USUAL_TURNING);
  // A clip was asked for in another browser.
  const turning: KeptTurning = asked.file === 'clip' && !clip ? { ...asked, file: 'webp' } : asked;
  const [made, setMade] = useState<TurnMade | null>(null);
  const { progress, trouble, run, stop } = useWork<number>();
  const change = (part: Partial<KeptTurning>) => {
    setTurning({ ...turning, ...part });
    setMade(null);
  };
  const tooLarge = turnTrouble(turning, { width: turning.side, height: turning.side });
  const make = () =>
    run(0, async (options) => {
      if (!fit || !scene) return;
      setMade(null);
      setMade(await makeTurn(fit, scene, turning, style, options));
      await keepTurning(turning);
    });
  return (
    <Dialog
      title="A picture that turns"
      description="The product going round before the viewer, as a file that plays by itself."
      className="top-16 flex max-h-[calc(100vh-6rem)] w-[760px] flex-col"
      shade
      onClose={() => {
        stop();
        onClose();
      }}
    >
      {!fit || !scene ? (
        <p>
          What is chosen lies flat or hangs, and has no back to turn to: choose a fit on a thing that stands,
          as a mug, a pouch or a shirt.
        </p>
      ) : (
        <div className="flex min-h-0 gap-5">
          <div className="w-[300px] shrink-0">
            {turnable.length > 1 && (
              <Choice
                label="Fit"
                value={fit.id}
                choices={turnable.map((one) => [one.id, nameOf(one, shop)] as const)}
                onChange={(id) => {
                  setFitId(id);
                  setMade(null);
                }}
              />
            )}
            <Choice
              label="Scene"
              value={scene.id}
              choices={scenes.map(({ id, name }) => [id, name] as const)}
              onChange={(id) => {
                setSceneId(id);
                setMade(null);
              }}
            />
            <Choice
              label="Turns"
              value={turning.way}
              choices={[
                ['round', 'all the way round'],
                ['swing', 'to and fro'],
              ]}
              onChange={(way) => {
                change({ way });
              }}
            />
            <Choice
              label="One turn takes"
              value={String(turning.seconds)}
              choices={offered(SECONDS, turning.seconds, 's')}
              onChange={(seconds) => {
                change({ seconds: Number(seconds) });
              }}
            />
            <Choice
              label="Pictures in a turn"
              value={String(turning.frames)}
              choices={offered(FRAMES, turning.frames)}
              onChange={(frames) => {
                change({ frames: Number(frames) });
              }}
            />
            <Choice
              label="Picture size"
              value={String(turning.side)}
              choices={offered(SIDES, turning.side, 'px square')}
              onChange={(side) => {
                change({ side: Number(side) });
              }}
            />
            <Choice
              label="Kind of file"
              value={turning.file}
              choices={[
                ['gif', 'GIF, plays anywhere'],
                ['webp', 'WebP, all colours'],
                ...(clip ? [['clip', `clip, ${clip.ending.toUpperCase()}`] as const] : []),
              ]}
              onChange={(file) => {
                change({ file });
              }}
            />
            {tooLarge && (
              <p role="alert" className="pt-2 text-sm text-fix">
                {tooLarge}
              </p>
            )}
          </div>
          <div className="grid h-[400px] min-w-0 grow place-items-center bg-viewing text-viewing-ink">
            {made ? (
              <Played key={made.name} made={made} what={`${nameOf(fit, shop)}, turning`} />
            ) : (
              <p className="px-6 text-center text-sm">
                {progress === null ? 'What is made is played here before it is saved.' : 'drawing…'}
              </p>
            )}
          </div>
        </div>
      )}
      <div className="min-h-7 pt-3">
        <WorkLine
          words={progress === null ? null : `${Math.round(progress * 100)} % of ${turning.frames} pictures`}
          label="The turn"
          share={progress ?? 0}
          trouble={trouble}
          onStop={stop}
        />
        {made && (
          <p role="status" className="measure truncate text-sm">
            {made.name}, {showBytes(made.file.size)}
          </p>
        )}
      </div>
      <div className="mt-3 flex items-center gap-4">
        {made ? (
          <button
            className="action"
            onClick={() => {
              saveTurn(made);
            }}
          >
            Save the file
          </button>
        ) : (
          <button
            className="action"
            disabled={!fit || progress !== null || tooLarge !== null}
            onClick={() => void make()}
          >
            Make it
          </button>
        )}
        <LeaveDialog>Leave</LeaveDialog>
      </div>
    </Dialog>
  );
}

/** Numbers that are offered, and the one that is kept where it is another. */
function offered(numbers: readonly number[], kept: number, unit = ''): (readonly [string, string])[] {
  const all = [...new Set([...numbers, kept])].sort((a, b) => a - b);
  return all.map((one) => [String(one), `${one} ${unit}`.trim()]);
}

function nameOf(fit: Fit, shop: Parameters<typeof contextOf>[1]): string {
  const context = contextOf(fit, shop);
  return context ? `${fitTitle(context.design, fit)} on ${context.blank.blank.name}` : 'fit';
}

/** A file that moves, playing. */
function Played({ made, what }: { made: TurnMade; what: string }) {
  const show = useCallback(
    (player: HTMLImageElement | HTMLVideoElement | null) => {
      if (!player) return;
      const url = URL.createObjectURL(made.file);
      player.src = url;
      return () => {
        URL.revokeObjectURL(url);
      };
    },
    [made],
  );
  const className = 'max-h-[400px] max-w-full';
  return made.file.type.startsWith('video/') ? (
    <video ref={show} aria-label={what} autoPlay loop muted playsInline className={className} />
  ) : (
    <img ref={show} alt={what} className={className} />
  );
}
