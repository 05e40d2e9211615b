import { lerp } from '../geometry/lerp';

/** Panes across and down, how wide a bar between them is and how soft an edge of light, as shares of the window. */
const [ACROSS, DOWN, BAR, SOFT] = [2, 3, 0.035, 0.03];
/** How light it is beside the window's light and within it, where 1 is as light as without. */
const [SHADE, LIT] = [0.86, 1.1];
/** How far its light leans to the right as it goes down: the sun stands high and to the left. */
const LEAN = 0.34;

/**
 * Daylight that falls through a window on a wall: how light the wall is at a place of the picture, which is given as a share
 * of its width from its middle.
 */
export function daylightAt(x: number, y: number): number {
  const light = panes((x - LEAN * y + 0.44) / 0.78, ACROSS) * panes((y + 0.5) / 0.86, DOWN);
  return lerp(SHADE, LIT, light);
}

/** From 0 beside a window to 1 in one of its panes, along one of its sides, which is from 0 to 1. */
function panes(at: number, count: number): number {
  let light = rise(at) * rise(1 - at);
  for (let i = 1; i < count; i++) light *= rise(Math.abs(at - i / count) - BAR / 2);
  return light;
}

/** Across an edge of light, which is sharp nowhere: the sun is no point. */
function rise(past: number): number {
  const share = Math.min(1, Math.max(0, past / SOFT + 0.5));
  return share * share * (3 - 2 * share);
}
