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
  return {
    name,
    lines: [
      `${method.name}, by what ${spec.house} presses with`,
      ...pressCard(spec),
      ...standsOff(blank, face),
    ],
  };
}

/** mm from the print's edges to the product's own, where its body says. */
function standsOff({ blank: { body } }: ResolvedBlank, face: PrintFace): string[] {
  const mm = (value: number) => `${fixed(value, 1)} mm`;
  switch (body.kind) {
    case 'wrap':
    case 'taper':
      return [
        `upper edge ${mm(body.lip)} below the rim, lower edge ${mm(body.foot)} above the foot, along the wall`,
        ...(body.handle
          ? [`ends ${mm(body.handle.gap / 2)} from the middle of the handle on either side`]
          : []),
        ...(body.overlap > 0 ? [`ends lie ${mm(body.overlap)} over one another at the seam`] : []),
      ];
    case 'garment': {
      const print = body.prints.find(({ place }) => place === face.id);
      return print ? [`upper edge ${mm(print.below)} below the collar or upper edge, centred across`] : [];
    }
    default:
      return face.bleed > 0 ? [`goes ${mm(face.bleed)} past every edge of the product`] : [];
  }
}
