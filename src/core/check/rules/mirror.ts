import { factsFor, opaqueBox } from '../../fit/geometry';
import { mirrorPiece } from '../../fit/move';
import type { TextPiece } from '../../fit/schema';
import type { CheckContext, Rule } from '../context';

const OWNERS = { file: 'the print file', driver: 'the printer driver', house: 'the house' } as const;

/**
 * Who turns the print over for a transfer: exactly one must. Lettering that is set backwards in the design is one more.
 * Listed for methods that are mirrored, and wherever lettering is set backwards.
 */
export const mirror: Rule = {
  id: 'mirror',
  rests: [],
  name: 'Mirror',
  way: 'Have it mirrored once: by the file or by the driver.',
  check: (context) => {
    const { method, spec } = context.blank;
    const backwards = context.pieces.filter(
      (piece): piece is TextPiece => piece.kind === 'text' && piece.visible && piece.flipped,
    );
    if (!method.mirrored && backwards.length === 0) return [];
    const owners = [
      ...(method.mirrored ? [OWNERS[spec.mirroring ?? 'house']] : []),
      ...(backwards.length > 0 ? ['the design'] : []),
    ];
    const needed = method.mirrored ? 1 : 0;
    const ready = owners.length === needed;
    const first = backwards[0];
    return [
      {
        rule: 'mirror',
        verdict: ready ? 'ready' : 'fix',
        faceId: context.face.id,
        measured: owners.length,
        required: needed,
        unit: 'owners',
        shown: {
          measured: owners.length === 1 ? `by ${owners[0]!}` : owners.length === 0 ? 'nobody' : 'twice',
          required: needed === 1 ? 'mirrored once for the transfer' : 'not mirrored',
        },
        gauge: null,
        word: ready ? 'Mirror' : 'Mirrored twice',
        message: ready
          ? `Mirrored once, by ${owners[0]!}.`
          : `“${first!.name}” is set backwards in the design${needed === 1 ? ` and ${OWNERS[spec.mirroring ?? 'house']} mirrors the print as well` : ''}: it would read backwards on the product.`,
        remedies: ready
          ? []
          : [
              {
                id: 'unmirror',
                label: 'Turn the lettering the right way round',
                pieces: context.pieces.map((piece) =>
                  backwards.includes(piece as TextPiece) ? righted(context, piece as TextPiece) : piece,
                ),
              },
            ],
        ...(first && !ready && { pieceId: first.id }),
      },
    ];
  },
};

function righted(context: CheckContext, piece: TextPiece): TextPiece {
  const facts = factsFor(piece, context.facts);
  return mirrorPiece(piece, facts, opaqueBox(piece, facts).x);
}
