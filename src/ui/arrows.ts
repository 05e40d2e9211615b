import { nudgeStep, type UnitSetting } from '@/core/length/show';

/** Which way each arrow key points on a drawing, y down. */
export const ARROWS: Partial<Record<string, readonly [dx: number, dy: number]>> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
};

/** mm that an arrow key nudges by: a step in the seller's unit, ten of them with Shift, a tenth with Alt. */
export function nudgeMm(
  { shiftKey, altKey }: Pick<KeyboardEvent, 'shiftKey' | 'altKey'>,
  unit: UnitSetting,
): number {
  return nudgeStep(unit) * (shiftKey ? 10 : altKey ? 0.1 : 1);
}
