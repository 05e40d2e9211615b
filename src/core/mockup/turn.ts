import type { Standing } from '../product/scene';
import { IN_SILENCE, type Progress, type Raster } from '../raster/raster';
import { besideOf } from './beside/beside';
import { arranged, cameraOf, drawShot, type Pictured } from './draw';
import type { Dress, Scene } from './schema';
import { roomForSteam } from './steam';
import { turnedBy, type Turning } from './turning';

/** Times of a turn that it is framed for, so that it stays whole and where it is. */
const FRAMED = 12;

/**
 * The pictures of one turn below one another, the first uppermost, each of so many px. The thing turns about its own
 * axis before a camera that stands still; the first picture shows it as the scene does.
 */
export function drawTurn(
  scene: Scene,
  fits: readonly Pictured[],
  dress: Dress,
  {
    width,
    height,
    turning,
    progress = IN_SILENCE,
  }: { width: number; height: number; turning: Turning; progress?: Progress },
): Raster {
  const still = arranged(scene, fits);
  const at = (degrees: number): Standing[] =>
    still.map((thing) => ({
      ...thing,
      pose: { ...thing.pose, yaw: thing.pose.yaw + (degrees * Math.PI) / 180 },
    }));
  const all = Array.from({ length: FRAMED }, (_, i) =>
    at(turnedBy({ ...turning, frames: FRAMED }, i)),
  ).flat();
  const shown = dress.steam ? [...all, ...roomForSteam(still)] : all;
  const camera = cameraOf(scene, shown, { width, height });
  const beside = besideOf(scene.beside, still);
  const { frames } = turning;
  const strip = new Uint8Array(width * height * frames * 4);
  for (let i = 0; i < frames; i++) {
    const { data } = drawShot(scene, { standing: at(turnedBy(turning, i)), beside, camera }, dress, {
      width,
      height,
      progress: (share) => {
        progress((i + share) / frames);
      },
    });
    strip.set(data, i * width * height * 4);
  }
  return { width, height: height * frames, data: strip, opaque: true };
}
