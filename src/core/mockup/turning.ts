import * as v from 'valibot';

export const TURN_WAYS = ['round', 'swing'] as const;
export const TURN_FORMATS = ['gif', 'webp'] as const;
export type TurnFormat = (typeof TURN_FORMATS)[number];

/** How a thing turns in a picture that moves: how often it is drawn in one turn, and how long that takes. */
export const TurningSchema = v.object({
  /** All the way round, or to and fro before the viewer. */
  way: v.picklist(TURN_WAYS),
  frames: v.pipe(v.number(), v.integer(), v.minValue(2), v.maxValue(72)),
  seconds: v.pipe(v.number(), v.minValue(0.5), v.maxValue(20)),
});
export type Turning = v.InferOutput<typeof TurningSchema>;

/** A turn as it is asked for: px a side, and as what kind of file. */
export const KeptTurningSchema = v.object({
  ...TurningSchema.entries,
  side: v.pipe(v.number(), v.integer(), v.minValue(64), v.maxValue(2000)),
  file: v.picklist([...TURN_FORMATS, 'clip']),
});
export type KeptTurning = v.InferOutput<typeof KeptTurningSchema>;

export const USUAL_TURNING: KeptTurning = { way: 'round', frames: 36, seconds: 5, side: 800, file: 'gif' };

/** Degrees that a thing turns to either side where it turns to and fro: its front still reads. */
const SWING = 55;
/** px of all frames together: they are held at once when the file is written. */
const MOST_PIXELS = 48_000_000;

/** What keeps a turn from being drawn at a size, in a sentence; null where nothing does. */
export function turnTrouble(
  { frames }: Turning,
  { width, height }: { width: number; height: number },
): string | null {
  if (width * height * frames <= MOST_PIXELS) return null;
  const side = Math.floor(Math.sqrt(MOST_PIXELS / frames) / 10) * 10;
  return `${frames} pictures of ${width} × ${height} px are more than a file that moves can hold: about ${side} × ${side} px go, or fewer pictures.`;
}

/** Degrees that a thing has turned by in one of the pictures of its turn. */
export function turnedBy({ way, frames }: Turning, picture: number): number {
  const share = picture / frames;
  return way === 'round' ? 360 * share : SWING * Math.sin(2 * Math.PI * share);
}

/** ms that each picture of a turn is shown for, in whole hundredths of a second, which is what GIF can say. */
export function delayOf({ frames, seconds }: Turning): number {
  return Math.max(2, Math.round((seconds * 100) / frames)) * 10;
}
