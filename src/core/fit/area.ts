import type { PrintFace } from '../blank/resolve';
import type { Extent } from './geometry';
import type { FillPiece, RepeatPiece } from './schema';

/** Nearer to the trim than this, in mm, a zone ends with it and goes on to the bleed. */
const AT_TRIM = 0.05;

/**
 * What a fill or a repeat lies over, in mm: its zone, out to the bleed on each side where the zone ends with the trim;
 * the whole face to the bleed edge where it names no zone.
 */
export function areaOf({ zoneId }: Pick<FillPiece | RepeatPiece, 'zoneId'>, face: PrintFace): Extent {
  const { width, height, bleed } = face;
  const whole = { left: -bleed, top: -bleed, right: width + bleed, bottom: height + bleed };
  const zone = face.zones.find(({ id }) => id === zoneId);
  if (!zone) return whole;
  const [left, right] = [zone.x - zone.width / 2, zone.x + zone.width / 2];
  const [top, bottom] = [zone.y - zone.height / 2, zone.y + zone.height / 2];
  return {
    left: left < AT_TRIM ? whole.left : left,
    top: top < AT_TRIM ? whole.top : top,
    right: right > width - AT_TRIM ? whole.right : right,
    bottom: bottom > height - AT_TRIM ? whole.bottom : bottom,
  };
}
