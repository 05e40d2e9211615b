import { deltaE00 } from '../../colour/difference';
import { rgbOf } from '../../colour/hex';
import { labOf } from '../../colour/lab';
import { printedOn } from '../../colour/printed';
import { levelsOf, sortColours } from '../../raster/colours';
import { fixed } from '../../length/show';
import type { CheckContext, ProductLook, Rule } from '../context';
import { judge, overLooks, type Finding } from '../finding';
import { CHECK_LIMITS } from '../../limits';
import { boundaryOf, whereIs } from '../measure/picture';

/** How much of the artwork's outline melts into the product, in each of its colours and states. */
export const contrast: Rule = {
  id: 'contrast',
  rests: [],
  name: 'Contrast',
  way: 'Choose another product colour, or lay a line of another colour round it.',
  onInk: 'whole',
  moves: true,
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
    const told = found.verdict === 'ready' ? finding : { ...finding, ...place(found.look.id) };
    return [whileHidden(context.looks, told, (id) => 1 - share(id))];
  },
};

/** What is to be hidden in a state of the product, and is not: for a person to decide, where all else is well. */
function whileHidden(
  looks: readonly ProductLook[],
  finding: Finding,
  shows: (lookId: string) => number,
): Finding {
  const hiding = looks.filter(({ hides }) => hides);
  if (hiding.length === 0) return finding;
  const { meltReady } = CHECK_LIMITS;
  const [most] = [...hiding].sort((a, b) => shows(b.id) - shows(a.id)) as [ProductLook, ...ProductLook[]];
  const shown = shows(most.id);
  const byLook = finding.byLook?.map((one) =>
    one.id !== most.id || shown <= meltReady ? one : { ...one, verdict: 'look' as const },
  );
  if (finding.verdict !== 'ready') return { ...finding, ...(byLook && { byLook }) };
  const reads = looks.filter(({ hides }) => !hides).map(({ name }) => name);
  if (shown <= meltReady) {
    const words = `hidden while ${most.name}, reads while ${reads.join(', ')}`;
    return {
      ...finding,
      ...(byLook && { byLook }),
      shown: { ...finding.shown, measured: words },
      message: `The artwork is ${words}.`,
    };
  }
  const percent = `${fixed(shown * 100, 0)} %`;
  return {
    ...finding,
    ...(byLook && { byLook }),
    verdict: 'look',
    measured: shown * 100,
    shown: {
      measured: `${percent} shows while ${most.name}`,
      required: `at most ${fixed(meltReady * 100, 0)} % where it is to be hidden`,
    },
    gauge: { from: 100, to: -10, limit: meltReady * 100, value: shown * 100 },
    word: `Shows while ${most.name}`,
    message: `${percent} of the artwork’s outline is seen while the product is ${most.name}, though it is to be hidden then.`,
  };
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
