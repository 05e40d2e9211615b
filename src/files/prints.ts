import type { ResolvedBlank } from '@/core/blank/resolve';
import type { Fit } from '@/core/fit/schema';
import { partsOf } from '@/core/pack/cut-out';
import { printFileName, uniqueNames } from '@/core/pack/names';
import { planPrint, type PrintChoice } from '@/core/print/plan';
import type { Progress } from '@/core/raster/raster';
import type { Shown } from '@/core/render/face';
import type { Engine } from '@/imaging/engine';
import { part } from '@/imaging/measure';
import type { ForPress } from './inks';
import { writePrint, type WrittenPrint } from './print';

export interface PrintsAsked {
  design: string;
  blank: ResolvedBlank;
  fit: Fit;
  faceIds: readonly string[];
  parts: 'face' | 'zones' | 'pieces';
  choice: PrintChoice;
  /** Whether all go into one PDF, a page each, where that is what is made. */
  together: boolean;
  /** Brought in only where something is made in CMYK. */
  press: () => Promise<ForPress>;
}

export interface NamedPrint extends WrittenPrint {
  name: string;
  faceId: string;
}

/** Print files of several faces of a fit, or of the parts of each; faces with nothing on them have none. */
export async function writePrints(
  engine: Engine,
  { design, blank, fit, faceIds, parts, choice, together, press }: PrintsAsked,
  shown: Shown,
  progress: Progress,
): Promise<NamedPrint[]> {
  const wanted = faceIds.flatMap((faceId) => {
    const face = blank.faces.find(({ id }) => id === faceId);
    const pieces = fit.faces.find((one) => one.faceId === faceId)?.pieces ?? [];
    return face ? partsOf({ face, pieces }, parts, shown.facts) : [];
  });
  const plans = wanted.map(({ face }) => planPrint(blank, face, choice));
  const [first] = plans;
  if (together && first?.format === 'pdf' && wanted.length > 1) {
    const named = { ...wanted[0]!.face, name: 'every face' };
    const name = printFileName(design, blank, named, first);
    const asked = { title: `${design}, ${blank.blank.name}`, blank, sides: wanted, plan: first };
    const forPress = first.mode === 'cmyk' ? await press() : null;
    const written = await writePrint(engine, { ...asked, press: forPress }, shown, progress);
    return [{ ...written, name, faceId: wanted[0]!.face.id }];
  }
  const names = uniqueNames(wanted.map(({ face }, i) => printFileName(design, blank, face, plans[i]!)));
  const forPress = plans.some(({ mode }) => mode === 'cmyk') ? await press() : null;
  const made: NamedPrint[] = [];
  for (const [i, side] of wanted.entries()) {
    const { face } = side;
    const asked = { title: `${design}, ${blank.blank.name}, ${face.name}`, blank, sides: [side] };
    const step = part(progress, i / wanted.length, (i + 1) / wanted.length);
    const written = await writePrint(engine, { ...asked, plan: plans[i]!, press: forPress }, shown, step);
    made.push({ ...written, name: names[i]!, faceId: face.id });
  }
  return made;
}
