import { CHECK_LIMITS } from '../../limits';
import { fixed } from '../../length/show';
import type { CheckContext } from '../context';
import { placed, type Finding } from '../finding';
import { plateStrokes, platesOf } from '../measure/plates';

/** Strokes of each plate that are thinner than the method holds: parting into inks can make lines that the artwork has not. */
export function thinOnPlates(context: CheckContext): Finding[] {
  const measured = platesOf(context);
  // Dots are as large as their own rule says.
  if (!measured || measured.asked.tones) return [];
  const limit = context.blank.limits.stroke;
  return measured.plates.flatMap((plate): Finding[] => {
    const { thinnest, each } = plateStrokes(measured, plate, limit);
    if (plate.base || thinnest === null) return [];
    const mm = thinnest * measured.mm;
    return [
      {
        rule: 'thin',
        verdict: mm >= limit * CHECK_LIMITS.thinLook ? 'look' : 'fix',
        faceId: context.face.id,
        ...{ measured: mm, required: limit, unit: 'mm' },
        shown: {
          measured: `${fixed(mm, 2)} mm on ${plate.name}`,
          required: `none under ${fixed(limit, 2)} mm`,
        },
        gauge: { from: 0, to: limit * 1.5, limit, value: mm },
        word: `${fixed(mm, 2)} mm stroke`,
        message: `The plate of ${plate.name} has strokes down to ${fixed(mm, 2)} mm; under ${fixed(limit, 2)} mm they break up. Merge the ink into its neighbour, or thicken the artwork.`,
        remedies: [],
        ...placed(each.flatMap(({ stretches }) => stretches.map(measured.placeOf))),
      },
    ];
  });
}
