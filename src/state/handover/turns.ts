import type { Fit } from '@/core/fit/schema';
import { FORMATS } from '@/core/formats/registry';
import { isTurnable, scenesFor } from '@/core/mockup/scenes';
import type { PictureStyle, Scene } from '@/core/mockup/schema';
import { delayOf, type KeptTurning } from '@/core/mockup/turning';
import { engine, type JobOptions } from '@/workers/client';
import { changeSettings } from '../shop/records';
import { contextOf, useShop, type Shop } from '../shop/shop';
import { clipType, recordClip } from './clip';
import { saveAs } from './download';
import { ownColour, pictureJobs, pictureName } from './pictures';

export type { KeptTurning };

/** The scenes in which a fit's product can be turned; none where it lies or hangs in all of them. */
export function turningScenes(fit: Fit, shop: Shop): Scene[] {
  const blank = contextOf(fit, shop)?.blank;
  return blank ? scenesFor(blank).filter(isTurnable) : [];
}

/** One turn as it was made: its file, and what that is called. */
export interface TurnMade {
  file: Blob;
  name: string;
}

/** Share of the work that drawing is, where a clip is recorded of what is drawn. */
const DRAWING = 0.6;

/** Draws one turn of a fit in a scene and writes it as a file that moves. */
export async function makeTurn(
  fit: Fit,
  scene: Scene,
  asked: KeptTurning,
  { dress, proof, naming }: PictureStyle,
  { signal, onProgress }: Required<JobOptions>,
): Promise<TurnMade> {
  const context = contextOf(fit, useShop.getState());
  if (!context) throw new Error('Something this fit needs is missing: open it on the bench.');
  const colour = ownColour(fit, context.blank);
  const { jobs, colours } = await pictureJobs([fit], colour);
  const size = { width: asked.side, height: asked.side };
  const { file: as, ...turning } = asked;
  const part = as === 'clip' ? DRAWING : 1;
  const moving = await engine.turn(
    jobs,
    { ...size, scene, colours, dress, proof, turning, format: as === 'gif' ? 'gif' : 'webp' },
    {
      signal,
      onProgress: (share) => {
        onProgress(part * share);
      },
    },
  );
  const wanted = { setting: { kind: 'scene' as const, scene }, fits: [fit], colour };
  const named = (ending: string) => pictureName(wanted, { naming: `${naming}_turning`, ...size }, ending);
  if (as !== 'clip') return { file: moving, name: named(FORMATS[as].endings[0]) };
  const clip = await recordClip(moving, delayOf(turning), {
    signal,
    onProgress: (share) => {
      onProgress(DRAWING + (1 - DRAWING) * share);
    },
  });
  return { file: clip, name: named(clipType()!.ending) };
}

/** How the next turn is asked for first. */
export async function keepTurning(turning: KeptTurning): Promise<void> {
  await changeSettings(() => ({ turning }));
}

export function saveTurn({ file, name }: TurnMade): void {
  saveAs(file, name);
}
