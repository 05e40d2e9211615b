import type { Scene } from './schema';
import { chance, noise } from './noise';

/** Boards to the width of what is shown. */
const BOARDS = 3.2;

/**
 * How light a surface is at a place, about 1: its grain, weave or grit. Lengths are shares of the width of what is
 * shown, so that a surface looks alike under a mug and under a shirt.
 */
export function lightnessAt(surface: Scene['backdrop']['surface'], x: number, y: number): number {
  switch (surface) {
    case 'smooth':
      return 1;
    case 'boards': {
      const board = Math.floor(y * BOARDS);
      const within = y * BOARDS - board;
      const own = 0.9 + 0.2 * chance(board, 7);
      const shift = chance(board, 3) * 9;
      const bend = noise(x * 1.1 + shift, within * 2.2 + board * 5);
      const grain = Math.sin((within * 11 + bend * 7 + 0.4 * noise(x * 5, within * 3)) * 3.1);
      const fibre = noise(x * 5 + shift, within * 42 + board * 11);
      const joint = Math.min(1, Math.min(within, 1 - within) / 0.014);
      return own * (0.97 + 0.045 * grain + 0.05 * (fibre - 0.5)) * (0.55 + 0.45 * joint);
    }
    case 'linen': {
      const across = Math.sin(x * 520 + 3 * noise(x * 6, y * 60));
      const down = Math.sin(y * 520 + 3 * noise(x * 60, y * 6));
      return (
        0.985 +
        0.02 * across * down +
        0.05 * (noise(x * 40, y * 140) - 0.5) +
        0.05 * (noise(x * 3, y * 3) - 0.5)
      );
    }
    case 'stone':
      return (
        0.99 +
        0.1 * (noise(x * 4, y * 4) - 0.5) +
        0.08 * (noise(x * 15, y * 15) - 0.5) +
        0.07 * (noise(x * 70, y * 70) - 0.5) -
        (noise(x * 120 + 9, y * 120) > 0.86 ? 0.07 : 0)
      );
    case 'plaster':
      return 0.995 + 0.035 * (noise(x * 5, y * 5) - 0.5) + 0.03 * (noise(x * 26, y * 34) - 0.5);
    case 'brushed':
      return 0.96 + 0.09 * (noise(x * 3, y * 260) - 0.5) + 0.06 * Math.sin(x * 3 + y);
  }
}
