import type { Facts } from '../../artwork/facts';
import type { Verdict } from '../finding';
import { tellingOnes, rank, type Finding } from '../finding';
import { showingPieces, type CheckContext, type Rule } from '../context';
import type { ShowingPiece } from '../../fit/schema';
import { planPrint, type PrintMode } from '../../print/plan';

const MODE_NAMES: Record<Facts['colour']['mode'], string> = {
  rgb: 'RGB',
  cmyk: 'CMYK',
  grey: 'grey',
  lab: 'Lab',
  indexed: 'palette RGB',
};

/** Each artwork's colour mode against those the house accepts: as it is, converted, or not to be converted. */
export const colourMode: Rule = {
  id: 'colour-mode',
  rests: ['modes'],
  name: 'Colour mode',
  way: 'Bring the file in a colour mode that the house takes, or choose another house.',
  check: (context) =>
    tellingOnes(
      showingPieces(context)
        .map((piece) => measure(context, piece))
        .sort((a, b) => rank(a.verdict) - rank(b.verdict)),
    ),
};

function measure(context: CheckContext, piece: ShowingPiece): Finding {
  const { colour } = context.facts(piece.artworkId);
  const accepted = context.blank.spec.files.modes.value;
  const { verdict, message } = judge(piece, colour, accepted, planPrint(context.blank, context.face).mode);
  const wanted = accepted.map((mode) => MODE_NAMES[mode]).join(' or ');
  return {
    rule: 'colour-mode',
    verdict,
    faceId: context.face.id,
    measured: colour.mode,
    required: accepted.join(' or '),
    unit: 'mode',
    shown: {
      measured: `${MODE_NAMES[colour.mode]}${colour.mode === 'cmyk' && !colour.profile ? ', no profile' : ''}`,
      required: `house takes ${wanted}`,
    },
    gauge: null,
    pieceId: piece.id,
    word: verdict === 'ready' ? 'Colours' : MODE_NAMES[colour.mode],
    message,
    remedies: [],
  };
}

function judge(
  piece: ShowingPiece,
  colour: Facts['colour'],
  accepted: readonly string[],
  printed: PrintMode,
): { verdict: Verdict; message: string } {
  const mode = MODE_NAMES[colour.mode];
  if (!accepted.includes('rgb') && !accepted.includes('cmyk')) {
    return {
      verdict: 'fix',
      message: 'The house takes neither RGB nor CMYK, and print files are one or the other.',
    };
  }
  if (colour.mode === 'cmyk' && !colour.profile && printed === 'cmyk') {
    return {
      verdict: 'look',
      message: `“${piece.name}” is CMYK without a profile: its inks are taken for the house’s own, and may come out otherwise. Save it with its profile to be sure.`,
    };
  }
  if (colour.mode === 'cmyk' && !colour.profile) return withoutProfile(piece);
  // A palette of RGB colours is RGB in fewer bytes: nothing is converted.
  if (colour.mode === 'cmyk' && accepted.includes('cmyk')) {
    const made =
      printed === 'cmyk' ? 'its inks are made anew by the house’s profile' : 'the file is made in RGB';
    return {
      verdict: 'ready',
      message: `“${piece.name}” is CMYK, which the house takes. It is read by its own profile, and ${made}.`,
    };
  }
  if (accepted.includes(colour.mode) || colour.mode === 'indexed') {
    return { verdict: 'ready', message: `“${piece.name}” is ${mode}, which the house takes as it is.` };
  }
  const from = colour.profile ? `${mode} (${colour.profile})` : mode;
  return {
    verdict: 'look',
    message: `“${piece.name}” is ${from} and will be converted to ${accepted.includes('rgb') ? 'RGB' : 'the house’s inks'}: look at its colours.`,
  };
}

function withoutProfile(piece: ShowingPiece): { verdict: Verdict; message: string } {
  return {
    verdict: 'fix',
    message: `“${piece.name}” is CMYK without a profile, so nothing says what its inks look like: save it with its profile, or as RGB.`,
  };
}
