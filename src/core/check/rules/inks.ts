import { screensOf, type PlateFinding } from '../../plates/findings';
import { fixed } from '../../length/show';
import type { CheckContext, Rule } from '../context';
import type { Finding } from '../finding';
import { platesOf, type MeasuredPlates } from '../measure/plates';

/** The plates of a face that is printed in few inks: how many screens, and whether they hold on the press. */
export const inks: Rule = {
  id: 'inks',
  rests: [],
  name: 'Plates',
  way: 'Open its inks, and change the plates there.',
  further: { verb: 'Open its inks…', place: 'inks' },
  check: (context) => {
    const measured = platesOf(context);
    if (!measured) return [];
    const { findings } = measured;
    return findings.length > 0
      ? findings.map((one) => told(context, measured, one))
      : [ready(context, measured)];
  },
};

function ready({ face, blank }: CheckContext, { plates, difference }: MeasuredPlates): Finding {
  const screens = screensOf(blank);
  const count = `${plates.length} ${plates.length === 1 ? 'plate' : 'plates'}`;
  return {
    rule: 'inks',
    verdict: 'ready',
    faceId: face.id,
    measured: plates.length,
    required: screens ?? plates.length,
    unit: 'screens',
    shown: {
      measured: count,
      required:
        screens === null ? `${fixed(difference.mean, 1)} dE from the print` : `at most ${screens} screens`,
    },
    gauge: null,
    word: count,
    message: `${count}, ${fixed(difference.mean, 1)} dE from the print on average.`,
    remedies: [],
  };
}

function told(
  { face, pieces }: CheckContext,
  { plan }: MeasuredPlates,
  { verdict, measured, required, unit, message, mend }: PlateFinding,
): Finding {
  const withUnit = (value: number) => `${value}${unit === '°' ? '' : ' '}${unit}`;
  return {
    rule: 'inks',
    verdict,
    faceId: face.id,
    ...{ measured, required, unit, message },
    shown: { measured: withUnit(measured), required: withUnit(required) },
    gauge: null,
    word: withUnit(measured),
    remedies: mend
      ? [{ id: mend.id, label: mend.label, pieces: [...pieces], plates: mend.change(plan) }]
      : [],
  };
}
