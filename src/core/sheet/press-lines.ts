import { kindOf } from '../blank/kinds';
import { pressCard } from '../blank/press-card';
import type { PrintFace, ResolvedBlank } from '../blank/resolve';
import { fixed } from '../length/show';

/** How one print is pressed on: where on the product it goes, and how. */
export interface PressLines {
  name: string;
  lines: string[];
}

/** A print's part of the press card: temperature, time and pressure, and its distances from the product's own edges. */
export function pressLines(name: string, blank: ResolvedBlank, face: PrintFace): PressLines {
  const { spec, method } = blank;
  const { body } = blank.blank;
  return {
    name,
    lines: [
      `${method.name}, by what ${spec.house} presses with`,
      ...pressCard(spec),
      ...kindOf(body).standsOff(body, face, (mm) => `${fixed(mm, 1)} mm`),
    ],
  };
}
