import type { Body, GarmentPrint, RoundBody } from './body';
import { signedDistance } from './shape';
import { circumference, diametersOf, printableHeight, wrapWidth } from './kinds/round';
import { facesOf } from './resolve';
import { showLength, type UnitSetting } from '../length/show';

/** What is wrong with a body's numbers, and which number it is about (see `numbersOf`). */
export interface Trouble {
  field: string;
  message: string;
}

/** Everything that keeps a body from being made or printed; none where its numbers go together. */
export function bodyTroubles(body: Body, unit?: UnitSetting): Trouble[] {
  const own = ownTroubles(body, (mm) => showLength(mm, unit));
  return own.length > 0 ? own : keepOutTroubles(body);
}

function ownTroubles(body: Body, say: (mm: number) => string): Trouble[] {
  switch (body.kind) {
    case 'wrap':
    case 'taper':
      return roundTroubles(body, say);
    case 'folded':
      return body.inward < body.width / 2
        ? []
        : [
            {
              field: 'inward',
              message: `A panel ${say(body.width)} wide cannot be ${say(body.inward)} narrower.`,
            },
          ];
    case 'garment':
      return body.prints.flatMap((print, index) => printTroubles(print, index, body.chest, body.length, say));
    default:
      return [];
  }
}

function roundTroubles(body: RoundBody, say: (mm: number) => string): Trouble[] {
  const troubles: Trouble[] = [];
  const { top, bottom } = diametersOf(body);
  const least = Math.PI * Math.min(top, bottom);
  if (body.kind === 'wrap' && printableHeight(body) <= 0) {
    const left = say(body.lip + body.foot);
    troubles.push({
      field: 'height',
      message: `Lip and foot take ${left} of ${say(body.height)}: nothing is left to print on.`,
    });
  }
  if (body.kind === 'taper' && body.slant <= Math.abs(top - bottom) / 2) {
    troubles.push({
      field: bottom > top ? 'bottomDiameter' : 'slant',
      message: `A wall of ${say(body.slant)} cannot reach from ${say(top)} across to ${say(bottom)} across.`,
    });
  }
  if (body.handle && body.handle.gap >= least) {
    troubles.push({
      field: 'handle.gap',
      message: `A handle gap of ${say(body.handle.gap)} is wider than the way round, ${say(least)}.`,
    });
  }
  if (body.overlap >= least / 2) {
    troubles.push({
      field: 'overlap',
      message: `An overlap of ${say(body.overlap)} is more than half the way round, ${say(least)}.`,
    });
  }
  if (troubles.length === 0 && body.kind === 'wrap' && body.partial !== null) {
    const free = circumference(body) - (body.handle?.gap ?? 0);
    if (wrapWidth(body) > free) {
      troubles.push({
        field: 'partial',
        message: `A print of ${say(body.partial)} does not fit on ${say(free)} of free wall.`,
      });
    }
  }
  return troubles;
}

function printTroubles(
  { width, height, below }: GarmentPrint,
  index: number,
  chest: number,
  length: number,
  say: (mm: number) => string,
): Trouble[] {
  if (width > chest)
    return [
      {
        field: `prints.${index}.width`,
        message: `A print of ${say(width)} is wider than the garment, ${say(chest)}.`,
      },
    ];
  if (below + height > length)
    return [
      {
        field: `prints.${index}.height`,
        message: `The print would end ${say(below + height - length)} below the hem.`,
      },
    ];
  return [];
}

/** Keep-outs must lie on the face they keep clear, the wrapped edge included. */
function keepOutTroubles(body: Body): Trouble[] {
  return facesOf(body).flatMap((face) =>
    face.keepOuts
      .filter(({ shape }) => {
        if (shape.kind === 'outline')
          return shape.points.every(([x, y]) => signedDistance(face, face.edge, x, y) > 0);
        const x = shape.kind === 'circle' ? shape.x : shape.x + shape.width / 2;
        const y = shape.kind === 'circle' ? shape.y : shape.y + shape.height / 2;
        return signedDistance(face, face.edge, x, y) > 0;
      })
      .map(({ name }) => ({
        field: 'keepOuts',
        message: `“${name}” lies off the face it should keep clear.`,
      })),
  );
}
