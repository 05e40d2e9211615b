import { showBytes } from '../../length/bytes';
import { assumedAmong, type SpecNumber } from '../../blank/questions';
import { takingOf } from '../../blank/taking';
import { newFill } from '../../fit/place';
import { FORMATS } from '../../formats/registry';
import { planPrint, planTroubles, type PrintPlan } from '../../print/plan';
import { fileBytes } from '../measure/file-bytes';
import { alphaOf } from '../measure/grid';
import { showingPieces, type CheckContext, type Rule } from '../context';
import { CHECK_LIMITS } from '../../limits';
import type { Remedy } from '../finding';

const RESTS: readonly SpecNumber[] = ['bleed', 'target', 'formats', 'pixels', 'density', 'modes', 'alpha'];

/** What the print file will be against what the house takes; a number that is only assumed is said. */
export const fileSpec: Rule = {
  id: 'file-spec',
  rests: RESTS,
  name: 'File',
  way: 'Choose another kind of file or another house, or ask the house.',
  check: (context) => {
    const { spec } = context.blank;
    const plan = planPrint(context.blank, context.face);
    const size = `${plan.pixels.width} × ${plan.pixels.height} px`;
    const large = sizeTrouble(context, plan);
    const unmet = [...unmetRules(context, plan), ...(large?.sure ? [large] : [])];
    const assumed = assumedAmong(context.blank, RESTS);
    const notes = [
      ...takingNotes(context),
      ...artworkNotes(context),
      ...(large && !large.sure ? [large] : []),
    ];
    const verdict = unmet.length > 0 ? 'fix' : assumed.length + notes.length > 0 ? 'look' : 'ready';
    return [
      {
        rule: 'file-spec',
        verdict,
        faceId: context.face.id,
        measured: unmet.length,
        required: 0,
        unit: 'rules unmet',
        shown: {
          measured: verdict === 'fix' ? unmet.map(({ word }) => word).join(', ') : size,
          required: `${verdict === 'fix' ? `${size}, ` : ''}${sayPlan(plan)}, at most ${showBytes(spec.files.maxBytes.value)}`,
        },
        gauge: null,
        word:
          verdict === 'fix'
            ? unmet[0]!.word
            : verdict === 'ready'
              ? 'File'
              : (notes[0]?.word ?? `Assumed ${assumed[0]!}`),
        message:
          verdict === 'fix'
            ? unmet.map(({ message }) => message).join(' ')
            : verdict === 'look'
              ? [
                  ...notes.map(({ message }) => message),
                  ...(assumed.length > 0
                    ? [`Rests on an assumed ${assumed.join(', ')}: ask ${spec.house} before you order.`]
                    : []),
                ].join(' ')
              : `Meets every file rule of ${spec.house}.`,
        remedies: unmet.flatMap(({ remedies }) => remedies),
      },
    ];
  },
};

interface Unmet {
  word: string;
  message: string;
  remedies: Remedy[];
}

function unmetRules(context: CheckContext, plan: PrintPlan): Unmet[] {
  const { files, house } = context.blank.spec;
  const unmet: Unmet[] = planTroubles(plan, context.blank.spec).map((message) => ({
    word: 'Format',
    message,
    remedies: [],
  }));
  if (files.alpha.value === 'none' && hasClearPixels(context)) {
    const message = `${house} takes no transparency, and parts of this file are clear.`;
    unmet.push({ word: 'Clear parts', message, remedies: [whiteUnder(context)] });
  }
  return unmet;
}

/** That the file will, or may, be larger than the house takes; null where it cannot. */
function sizeTrouble(context: CheckContext, plan: PrintPlan): (Unmet & { sure: boolean }) | null {
  const { files, house } = context.blank.spec;
  const allowed = files.maxBytes.value;
  const { least, most } = fileBytes(context, plan, allowed);
  if (most <= allowed) return null;
  const sure = least > allowed;
  const about = sure ? `will have at least ${showBytes(least)}` : `may have up to ${showBytes(most)}`;
  const name = FORMATS[plan.format].name;
  return {
    sure,
    word: 'Too large',
    message: `The ${name} ${about}, and ${house} takes ${showBytes(allowed)} at most: ${wayOut(plan, files.formats.value)}.`,
    remedies: [],
  };
}

function wayOut({ format }: PrintPlan, formats: readonly string[]): string {
  return format !== 'jpeg' && formats.includes('jpeg')
    ? 'make it as a JPEG'
    : 'make it at fewer PPI, or ask the house';
}

/** That the house does not print this blank. */
function takingNotes({ blank }: CheckContext): { word: string; message: string }[] {
  const { takes, words } = takingOf(blank);
  return takes === false ? [{ word: 'Not theirs', message: `${words}: choose that, or another house.` }] : [];
}

/** Things in an artwork's own file that a house may print otherwise, by the codes of its notes. */
const NOTED: Record<string, string> = {
  'live-text': 'Live text',
  spots: 'Spot colours',
  overprint: 'Overprint',
  mixed: 'RGB and CMYK',
};

function artworkNotes(context: CheckContext): { word: string; message: string }[] {
  const ids = new Set(showingPieces(context).map(({ artworkId }) => artworkId));
  return [...ids].flatMap((id) => {
    const { name, notes } = context.facts(id);
    return notes.flatMap(({ code, message }) => {
      const word = NOTED[code];
      return word ? [{ word, message: `${name}: ${message}` }] : [];
    });
  });
}

function sayPlan({ format, mode, ppi }: PrintPlan): string {
  return `${FORMATS[format].name}, ${ppi} PPI, ${mode === 'rgb' ? 'sRGB' : 'CMYK'}`;
}

function hasClearPixels(context: CheckContext): boolean {
  const alphaAt = alphaOf(
    context,
    context.pieces.filter(({ visible }) => visible),
    true,
  );
  for (let row = 0; row < context.grid.height; row++) {
    if (row % 64 === 0) context.progress(row / context.grid.height);
    for (let column = 0; column < context.grid.width; column++) {
      if (alphaAt(column, row) < CHECK_LIMITS.covers) return true;
    }
  }
  return false;
}

function whiteUnder(context: CheckContext): Remedy {
  const white = newFill('white-ground', '#ffffff', 'White ground');
  return {
    id: 'white-under',
    label: 'Lay a white ground under it, out to the bleed',
    pieces: [white, ...context.pieces],
  };
}
