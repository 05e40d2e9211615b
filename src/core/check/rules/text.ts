import { rgbOf } from '../../colour/hex';
import { luminanceOf, nearestThatReads, contrastRatio } from '../../colour/ratio';
import { scalePiece } from '../../fit/place';
import type { TextPiece } from '../../fit/schema';
import { inLetterColours } from '../../fit/colours';
import { dressed, letterColours, smallestCap } from '../../fit/text';
import { fixed } from '../../length/show';
import { withPiece, type CheckContext, type ProductLook, type Rule } from '../context';
import { overLooks, rank, tellingOnes, type Finding, type Remedy, type Verdict } from '../finding';
import { CHECK_LIMITS } from '../../limits';
import { behindOf, thinnestStroke, type Behind } from '../measure/lettering';
import { dressOf } from './text-dress';
import { inAnotherInk, inPlannedInks } from './text-plates';

/** Lettering: its smallest capitals and thinnest strokes against the method, and how it reads against what is behind it. */
export const text: Rule = {
  id: 'text',
  rests: [],
  name: 'Lettering',
  way: 'Make the letters larger or heavier, or choose another colour for them.',
  moves: true,
  check: (context) =>
    tellingOnes(
      context.pieces
        .filter((piece): piece is TextPiece => piece.kind === 'text' && piece.visible)
        .flatMap((piece) => [
          sizeOf(context, piece),
          ...dressOf(context, piece),
          ...legibilityOf(context, piece),
        ])
        .sort((a, b) => rank(a.verdict) - rank(b.verdict)),
    ),
};

function sizeOf(context: CheckContext, piece: TextPiece): Finding {
  const { capHeight, stroke } = context.blank.limits;
  const cap = smallestCap(piece);
  const { thinnest } = thinnestStroke(piece, stroke);
  const low = cap < capHeight - 0.005;
  // What an outline and a length in another unit are rounded by is no shortfall.
  const faint = thinnest !== null && thinnest < stroke - 0.005;
  const verdict: Verdict = low || faint ? 'fix' : 'ready';
  const name = `“${piece.name}”`;
  const capSaid = `caps ${fixed(cap, 1)} mm`;
  const strokeSaid = thinnest === null ? '' : `stroke ${fixed(thinnest, 2)} mm`;
  return {
    rule: 'text',
    verdict,
    faceId: context.face.id,
    measured: cap,
    required: capHeight,
    unit: 'mm',
    shown: {
      measured: faint && !low ? strokeSaid : capSaid,
      required: `caps ${fixed(capHeight, 1)} mm and strokes ${fixed(stroke, 2)} mm wanted`,
    },
    gauge:
      faint && !low
        ? { from: 0, to: stroke * 1.5, limit: stroke, value: thinnest }
        : { from: 0, to: capHeight * 3, limit: capHeight, value: Math.min(cap, capHeight * 3) },
    pieceId: piece.id,
    word: low ? capSaid : faint ? strokeSaid : 'Lettering',
    message:
      verdict === 'ready'
        ? `${name} is large and strong enough to hold.`
        : `${name} has ${[...(low ? [capSaid] : []), ...(faint ? [strokeSaid] : [])].join(' and ')}: ${context.blank.method.name.toLowerCase()} holds caps from ${fixed(capHeight, 1)} mm and strokes from ${fixed(stroke, 2)} mm.`,
    remedies: [
      ...(low || faint ? [larger(context, piece, cap, thinnest)] : []),
      ...(faint && !low ? [stronger(context, piece, thinnest)] : []),
    ],
  };
}

/** As large as its capitals and its strokes both want to be. */
function larger(context: CheckContext, piece: TextPiece, cap: number, thinnest: number | null): Remedy {
  const { capHeight, stroke } = context.blank.limits;
  const factor = Math.max(capHeight / cap, thinnest === null ? 1 : (stroke / thinnest) * 1.01) * 1.0005;
  const scaled = scalePiece(piece, null, factor);
  return {
    id: 'larger-lettering',
    label: `Set it larger, caps ${fixed(cap * factor, 1)} mm, ${context.say(scaled.width)} wide`,
    pieces: withPiece(context, scaled),
  };
}

function stronger(context: CheckContext, piece: TextPiece, thinnest: number): Remedy {
  const { stroke } = context.blank.limits;
  // Half of what is missing on each side, and a hair more than what is measured.
  const width = (stroke - thinnest) / 2 + stroke / 10;
  return {
    id: 'stronger-lettering',
    label: `Thicken its strokes to ${fixed(stroke, 2)} mm`,
    pieces: withPiece(context, withOutline(piece, width, piece.lettering.colour)),
  };
}

function legibilityOf(context: CheckContext, piece: TextPiece): Finding[] {
  if (piece.knockout) return [];
  const inked = inPlannedInks(context);
  const printed = inked?.context ?? context;
  const letters = printed.pieces.find((one): one is TextPiece => one.id === piece.id && one.kind === 'text')!;
  const behind = behindOf(printed, letters);
  const { ratioReady, ratioLook } = CHECK_LIMITS;
  const verdictOn = (lack: number): Verdict =>
    -lack >= ratioReady ? 'ready' : -lack >= ratioLook ? 'look' : 'fix';
  // The worst is the smallest ratio: looks are ranked by what is lacking.
  const ratioOf = (id: string) => behind.ratio(context.looks.find((look) => look.id === id)!);
  const found = overLooks(context.looks, (id) => -ratioOf(id), verdictOn);
  const ratio = -found.value;
  const said = `${fixed(ratio, 1)} : 1`;
  const ready = found.verdict === 'ready';
  const mends = () =>
    inked
      ? inAnotherInk(context, piece, inked.plan, behind.luminances(found.look))
      : reading(context, piece, behind, found.look);
  return [
    {
      rule: 'text',
      verdict: found.verdict,
      faceId: context.face.id,
      measured: ratio,
      required: ratioReady,
      unit: 'ratio',
      shown: {
        measured: said,
        required: `against what is behind, worst on ${found.look.name}; ${ratioReady} : 1 wanted`,
      },
      gauge: { from: 1, to: 12, limit: ratioReady, value: Math.min(12, ratio) },
      pieceId: piece.id,
      word: ready ? 'Legible' : `Reads ${said}`,
      message: ready
        ? `“${piece.name}” stands out from what is behind it.`
        : `“${piece.name}” is hard to read against what is behind it on ${found.look.name}${inked ? ', in its inks' : ''}: ${said}, and ${ratioReady} : 1 is wanted.`,
      byLook: found.byLook,
      remedies: ready ? [] : mends(),
    },
  ];
}

function reading(context: CheckContext, piece: TextPiece, behind: Behind, look: ProductLook): Remedy[] {
  const { ratioReady } = CHECK_LIMITS;
  const luminances = behind.luminances(look);
  const own = (hex: string) => luminanceOf(rgbOf(hex));
  // Each of its colours by itself; those that read stay.
  const read = new Map(
    letterColours(piece.lettering).map((hex) => [
      hex,
      luminances.every((one) => contrastRatio(own(hex), one) >= ratioReady)
        ? hex
        : nearestThatReads(rgbOf(hex), luminances, ratioReady * 1.02),
    ]),
  );
  const found = [...read.values()];
  const changed = [...read].filter(([from, to]) => from !== to).length;
  const first = own(piece.lettering.colour);
  const edge = contrastRatio(first, 0) >= contrastRatio(first, 1) ? '#000000' : '#ffffff';
  const width = Math.max(context.blank.limits.stroke, smallestCap(piece) * 0.06);
  const margin = smallestCap(piece) * 0.4;
  return [
    ...(found.every((hex) => hex !== null) && changed > 0
      ? [
          {
            id: 'reading-colour',
            label:
              found.length === 1
                ? `Set it in ${found[0]}, the nearest colour that reads`
                : `Set ${changed} of its ${found.length} colours in the nearest that read`,
            pieces: withPiece(
              context,
              inLetterColours(piece, (hex) => read.get(hex) ?? hex),
            ),
          },
        ]
      : []),
    {
      id: 'reading-outline',
      label: `Lay a ${edge === '#000000' ? 'black' : 'white'} outline of ${fixed(width, 1)} mm round it`,
      pieces: withPiece(context, withOutline(piece, width, edge)),
    },
    {
      id: 'reading-plate',
      label: `Lay a ${edge === '#000000' ? 'black' : 'white'} plate behind it, ${fixed(margin, 1)} mm wider all round`,
      pieces: withPiece(context, dressed(piece, { plate: { margin, colour: edge } })),
    },
  ];
}

/** The text with an outline of so many mm at its placed size. */
function withOutline(piece: TextPiece, width: number, colour: string): TextPiece {
  return dressed(piece, { outline: { width, colour } });
}
