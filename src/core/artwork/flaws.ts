import { MM_PER_INCH } from '../length/units';
import { gridOf, type Facts, type Flaw } from './facts';
import type { StepOf } from './steps';

/** Where a flaw lies and how large it is, in mm, at the size the artwork has of itself or at its honest size. */
export interface FlawPlace {
  x: number;
  y: number;
  width: number;
  height: number;
  /** mm². */
  area: number;
}

/** The step that mends each kind. */
export const MENDS: Record<Flaw['kind'], StepOf<'tidy'>['what']> = {
  line: 'lines',
  speck: 'specks',
  pinhole: 'pinholes',
  gap: 'gaps',
};

/** A flaw's place from the artwork's top left; `ppi` is what pixels come to where the file says no size. */
export function placeOf(flaw: Flaw, facts: Facts, ppi: number): FlawPlace {
  const grid = gridOf(facts);
  const mm = facts.physical ? facts.physical.width / grid.width : MM_PER_INCH / ppi;
  const { x, y, width, height } = flaw.box;
  return {
    x: x * mm,
    y: y * mm,
    width: width * mm,
    height: height * mm,
    area: flaw.pixels * mm * mm,
  };
}
