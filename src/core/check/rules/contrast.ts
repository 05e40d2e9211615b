import { deltaE00 } from '../../colour/difference';
import type { Method } from '../../blank/schema';
import { rgbOf, type Rgb } from '../../colour/hex';
import { labOf } from '../../colour/lab';
import { levelsOf, sortColours } from '../../raster/colours';
import { fixed } from '../../length/show';
import type { CheckContext, Rule } from '../context';
import { judge, overLooks, type Finding } from '../finding';
import { CHECK_LIMITS } from '../limits';
import { boundaryOf, whereIs } from '../measure/picture';

/** How much of the artwork's outline melts into the product, in each of its colours and states. */
export const contrast: Rule = {
  id: 'contrast',
  version: 1,
  rests: [],
  name: 'Contrast',
  check: (context) => {
    // What runs out past the cut line has no product beside it.
    if (context.face.cut?.spread) return [];
    const { total, share, place } = measureMelting(context);
    if (total === 0) return [];
    const { meltReady, meltLook } = CHECK_LIMITS;
    const found = overLooks(context.looks, share, (value) => judge(value, meltReady, meltLook));
    const percent = `${fixed(found.value * 100, 0)} %`;
    const finding: Finding = {
      rule: 'contrast',
      verdict: found.verdict,
      faceId: context.face.id,
      measured: found.value * 100,
      required: meltReady * 100,
      unit: '%',
      shown: {
        measured: found.value < 0.005 ? 'stands out' : `${percent} melts`,
        required: `worst on ${found.look.name}; at most ${fixed(meltReady * 100, 0)} % under dE ${CHECK_LIMITS.melts}`,
      },
      gauge: { from: 100, to: -10, limit: meltReady * 100, value: found.value * 100 },
      word: found.verdict === 'ready' ? 'Contrast' : `Melts on ${found.look.name}`,
      message:
        found.verdict === 'ready'
          ? 'The artwork’s outline stands out from the product.'
          : `${percent} of the artwork’s outline melts into ${found.look.name}: the colours there are nearer than dE ${CHECK_LIMITS.melts}.`,
      byLook: found.byLook,
      remedies: [],
    };
    const where = place(found.look.id);
    return [found.verdict !== 'ready' && where ? { ...finding, place: where } : finding];
  },
};

/** A colour as it looks on the product: ink that lets the product through can only darken it. */
function printedOn(levels: Rgb, product: Rgb, ink: Method['ink']): Rgb {
  if (ink === 'cover') return levels;
  const mix = (k: 0 | 1 | 2) => Math.round((levels[k] * product[k]) / 255);
  return [mix(0), mix(1), mix(2)];
}

function measureMelting(context: CheckContext) {
  const patches = boundaryOf(context);
  const total = patches.reduce((sum, one) => sum + one.total, 0);
  const melting = new Map(
    context.looks.map(({ id, hex }) => {
      const bare = rgbOf(hex);
      const product = labOf(...bare);
      const { ink } = context.blank.method;
      const near = (colour: number) => -deltaE00(labOf(...printedOn(levelsOf(colour), bare, ink)), product);
      return [id, patches.map((counts) => sortColours(counts, `${hex} ${ink}`, -CHECK_LIMITS.melts, near))];
    }),
  );
  return {
    total,
    share: (lookId: string) => melting.get(lookId)!.reduce((sum, { pixels }) => sum + pixels, 0) / total,
    place: (lookId: string) =>
      whereIs(
        context,
        melting.get(lookId)!.map(({ off }) => off),
        true,
      ),
  };
}
