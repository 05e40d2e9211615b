import { givenColours } from '../../fit/colours';
import { rgbOf } from '../../colour/hex';
import { isMotifKind, isShowing, type Piece } from '../../fit/schema';
import { fixed } from '../../length/show';
import { sortColours, type ColourCounts, type Sorted } from '../../raster/colours';
import { nearColours } from '../../raster/near';
import { isFinished, type CheckContext, type ProductLook, type Rule } from '../context';
import { judge, overLooks, type Finding, type Remedy } from '../finding';
import { CHECK_LIMITS } from '../../limits';
import { coloursOf, flatPatches, whereIs } from '../measure/picture';

/**
 * Print that has the product's own colour, and had better be knocked out so that the product shows: inks laid over
 * others to look like it come out muddy. Listed for methods that can leave it bare, and for process inks where one piece
 * lies over another. A photograph's highlights are none.
 */
export const sameAsProduct: Rule = {
  id: 'same-as-product',
  rests: [],
  name: 'Same as product',
  way: 'Knock it out, or choose another product colour.',
  check: (context) => {
    const { method, limits } = context.blank;
    const overprints = limits.totalInk !== null && context.pieces.filter(({ visible }) => visible).length > 1;
    if (!method.knockout && !overprints) return [];
    const { patches, areas } = coloursOf(context);
    const flat = flatPatches(context);
    const same = new Map(
      context.looks.map(({ id, hex }) => {
        const near = patches.map((counts, i) =>
          flat[i] ? likeProduct(counts, hex, method.ink === 'multiply') : NONE,
        );
        return [id, { near, area: near.reduce((sum, { pixels }, i) => sum + pixels * areas[i]!, 0) }];
      }),
    );
    const { sameReady, sameLook } = CHECK_LIMITS;
    const found = overLooks(
      context.looks,
      (id) => same.get(id)!.area,
      (area) => judge(area, sameReady, sameLook),
    );
    const area = `${fixed(found.value, found.value < 10 ? 1 : 0)} mm²`;
    const ready = found.verdict === 'ready';
    const finding: Finding = {
      rule: 'same-as-product',
      verdict: found.verdict,
      faceId: context.face.id,
      measured: found.value,
      required: 0,
      unit: 'mm2',
      shown: {
        measured: ready ? 'none' : area,
        required: `worst on ${found.look.name}; within dE ${CHECK_LIMITS.sameColour}`,
      },
      gauge: null,
      word: ready ? 'No overprint' : `${area} as ${found.look.name}`,
      message: ready
        ? 'Nothing is printed in the product’s own colour.'
        : `${area} is printed in the colour of ${found.look.name} itself: knock it out, so that the product shows and no ink lies there.`,
      byLook: found.byLook,
      remedies: ready ? [] : knockOut(context, found.look),
    };
    const where = ready
      ? {}
      : whereIs(
          context,
          same.get(found.look.id)!.near.map(({ off }) => off),
        );
    return [{ ...finding, ...where }];
  },
};

const NONE: Sorted = { off: new Set(), pixels: 0, largest: 0 };

/** dE00 from white within which hardly any ink is laid. */
const NO_INK = 3;

/** The colours within the limit of a product's; where inks only darken, white takes none and leaves it bare. */
function likeProduct(counts: ColourCounts, hex: string, whiteIsBare: boolean): Sorted {
  const isNear = nearColours(rgbOf(hex), CHECK_LIMITS.sameColour);
  const isBare = whiteIsBare ? nearColours([255, 255, 255], NO_INK) : () => false;
  return sortColours(counts, `${hex} ${String(whiteIsBare)}`, 0.5, (colour) =>
    isNear(colour) && !isBare(colour) ? 1 : 0,
  );
}

/** Lettering and plain pieces become knockouts; artworks lose the colour. What would uncover a colour beneath is both. */
function knockOut(context: CheckContext, { hex, name }: ProductLook): Remedy[] {
  const isNear = nearColours(rgbOf(hex), CHECK_LIMITS.sameColour);
  const word = (colour: string) => {
    const [red, green, blue] = rgbOf(colour);
    return red | (green << 8) | (blue << 16);
  };
  const step = { kind: 'knock', colour: hex, within: CHECK_LIMITS.sameColour } as const;
  const mended = (piece: Piece): Piece => {
    if (piece.kind === 'text')
      return isNear(word(piece.lettering.colour)) ? { ...piece, knockout: true } : piece;
    if (piece.kind === 'fill') return isNear(word(piece.colour)) ? { ...piece, knockout: true } : piece;
    if (piece.kind === 'shape')
      return givenColours(piece).every((colour) => isNear(word(colour)))
        ? { ...piece, knockout: true }
        : piece;
    return isShowing(piece) && !isFinished(piece, step)
      ? { ...piece, finish: [...(piece.finish ?? []), step] }
      : piece;
  };
  // What lies under an artwork's own such colour would show where it goes: a copy of it there cuts that too.
  const through = (piece: Piece, index: number): Piece[] => {
    if (!piece.visible || piece.knockout) return [piece];
    const own = mended(piece);
    const covers = index > 0 && own !== piece && isShowing(piece);
    if (!covers) return [own];
    const cut = { ...step, others: true };
    const copy = {
      ...piece,
      id: `${piece.id}-through`,
      name: `${piece.name}, cut through`,
      knockout: true,
      finish: [...(piece.finish ?? []), cut],
    };
    return [copy, own];
  };
  const pieces = context.pieces.flatMap(through);
  const lettering = context.pieces.filter(isMotifKind).some(({ kind }) => kind === 'text');
  return [
    {
      id: 'knock-out',
      label: `Knock it out${lettering ? ', lettering and all' : ''}, so that ${name} shows`,
      pieces,
    },
  ];
}
