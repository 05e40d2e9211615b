import type { FoldedBody } from './folded';
import type { GarmentBody, GarmentPrint } from './garment';
import { circumference, diametersOf, printableHeight, wrapWidth, type RoundBody } from './round';

/** Says a length in mm as the seller reads lengths. */
export type Say = (mm: number) => string;

/** What is wrong with a body's numbers, and which number it is about (see `numbersOf`). */
export interface Trouble {
  field: string;
  message: string;
}

export function foldedTroubles({ inward, width }: FoldedBody, say: Say): Trouble[] {
  if (inward < width / 2) return [];
  return [{ field: 'inward', message: `A panel ${say(width)} wide cannot be ${say(inward)} narrower.` }];
}

export function garmentTroubles(body: GarmentBody, say: Say): Trouble[] {
  return body.prints.flatMap((print, index) => printTroubles(print, index, body.chest, body.length, say));
}

export function roundTroubles(body: RoundBody, say: Say): Trouble[] {
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
  say: Say,
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
