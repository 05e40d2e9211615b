import { expose, transfer } from 'comlink';
import { printSize } from '@/core/blank/resolve';
import { MM_PER_INCH } from '@/core/length/units';
import { cropped } from '@/core/plates/crop';
import { ALL_AS_THEY_ARE, onPrint, seenOn } from '@/core/plates/laid';
import { enlarged } from '@/core/plates/enlarge';
import { partPrint, type Parted } from '@/core/plates/part';
import { proposals, type Proposal } from '@/core/plates/propose';
import type { Raster } from '@/core/raster/raster';
import type { LookAsked, PlatesSeen, PlatesService, ProposeAsked, StripAsked } from './plates-messages';

/** What was parted last, all of it and a window: looking at it in another way parts nothing anew. */
const last: Partial<Record<'all' | 'close', { key: string; parted: Parted | null }>> = {};

function partedFor({ print, plan, blank, face, product, close }: LookAsked): Parted | null {
  const key = JSON.stringify([print.key, plan, product, blank.limits, blank.spec.screens, close]);
  const which = close ? 'close' : 'all';
  const known = last[which];
  if (known?.key === key) return known.parted;
  const asked = { plan, blank, face, product };
  const parted = close
    ? partPrint(enlarged(print.raster, printSize(face).width, close, plan.ppi), { ...asked, window: close })
    : partPrint(print.raster, { ...asked, reduced: true });
  last[which] = { key, parted };
  return parted;
}

function propose({ print, blank, face, product, so }: ProposeAsked): Proposal[] {
  const seen = cropped(print.raster, 4);
  if (!seen) return [];
  const ppi = (print.raster.width / printSize(face).width) * MM_PER_INCH;
  const made = proposals(seen.raster, ppi, { blank, product, so });
  return transfer(
    made,
    made.map(({ picture }) => picture.data.buffer),
  );
}

function strip({ products, print, ...asked }: StripAsked): Raster[] {
  const pictures = products.flatMap((product) => {
    const parted = partPrint(print.raster, { ...asked, product, reduced: true });
    if (!parted) return [];
    const { crop, plates, asked: by } = parted;
    const { picture } = seenOn(plates, by, crop.raster, ALL_AS_THEY_ARE);
    return [onPrint(picture, crop, crop.whole, product)];
  });
  return transfer(
    pictures,
    pictures.map(({ data }) => data.buffer),
  );
}

function look(asked: LookAsked): PlatesSeen | null {
  const parted = partedFor(asked);
  const { plan, view, close, product } = asked;
  const inBlack = view.alone !== null && view.as === 'black';
  const ground = inBlack ? '#ffffff' : product;
  if (!parted) return close && emptyWindow(close, ground);
  const { plates, asked: by, crop, difference, findings } = parted;
  const perMm = by.ppi / MM_PER_INCH;
  const seen = seenOn(plates, by, crop.raster, { ...view, slid: view.slid * perMm });
  const picture = close ? onPrint(seen.picture, crop, crop.whole, ground) : seen.picture;
  const { width, height } = printSize(asked.face);
  return transfer(
    {
      picture,
      box: close
        ? { x: close.x, y: close.y, width: close.across, height: close.across }
        : {
            ...{ x: crop.x / perMm, y: crop.y / perMm },
            ...{ width: picture.width / perMm, height: picture.height / perMm },
          },
      plates: plates.map(({ name, hex, base, area }) => ({
        ...{ name, hex, base, area },
        share: area / (width * height),
      })),
      difference,
      findings: findings.map(({ mend, ...finding }) => ({
        ...finding,
        mend: mend ? { id: mend.id, label: mend.label, plan: mend.change(plan) } : null,
      })),
      gaps: seen.gaps / (perMm * perMm),
    },
    [picture.data.buffer],
  );
}

/** A window in which nothing is printed. */
function emptyWindow({ x, y, across }: NonNullable<LookAsked['close']>, ground: string): PlatesSeen {
  const none = { width: 0, height: 0, data: new Uint8Array(), opaque: true };
  return {
    picture: onPrint(none, { x: 0, y: 0 }, { width: 1, height: 1 }, ground),
    box: { x, y, width: across, height: across },
    ...{ plates: [], difference: { mean: 0, worst: 0 }, findings: [], gaps: 0 },
  };
}

const service: PlatesService = {
  propose: (asked) => Promise.resolve(propose(asked)),
  strip: (asked) => Promise.resolve(strip(asked)),
  look: (asked) => Promise.resolve(look(asked)),
};

expose(service);
