import type { TextPiece } from '../../fit/schema';
import { isSaid } from '../../blank/contents';
import type { Rule } from '../context';

/**
 * What the product must carry, found by its words in the lettering of any face, or ticked by hand with a note. Listed
 * where the blank names any, once for all its faces.
 */
export const contents: Rule = {
  id: 'contents',
  rests: [],
  name: 'Contents',
  way: 'Add what is missing, or tick it by hand where it stands.',
  check: (context) => {
    const { blank, fit, face } = context;
    const entries = blank.blank.contents ?? [];
    const first = fit.faces.find(({ pieces }) => pieces.length > 0)?.faceId;
    if (entries.length === 0 || face.id !== first) return [];
    const said = fit.faces
      .flatMap(({ pieces }) => pieces)
      .filter((piece): piece is TextPiece => piece.kind === 'text' && piece.visible)
      .map(({ lettering }) => lettering.lines.map(({ text }) => text).join(' '))
      .join('\n');
    const open = entries.filter((entry) => !isSaid(entry, said));
    const ticked = open.filter(({ id }) => fit.ticked?.some(({ entryId }) => entryId === id));
    const missing = open.filter((entry) => !ticked.includes(entry));
    const verdict = missing.length > 0 ? 'fix' : ticked.length > 0 ? 'look' : 'ready';
    const found = entries.length - missing.length;
    const lacking = `No ${lowerFirst(missing[0]?.name ?? '')}`;
    const names = (list: readonly { name: string }[]) => list.map(({ name }) => name).join(', ');
    return [
      {
        rule: 'contents',
        verdict,
        faceId: face.id,
        measured: found,
        required: entries.length,
        unit: 'entries',
        shown: {
          measured: missing.length > 0 ? lacking : `${found} of ${entries.length}`,
          required: names(entries),
        },
        gauge: null,
        word: missing.length > 0 ? lacking : 'Contents',
        message:
          verdict === 'fix'
            ? `Missing from the lettering: ${names(missing)}. Set them as text, or tick by hand what the artwork itself says.`
            : verdict === 'look'
              ? `Ticked by hand: ${ticked.map(({ id, name }) => `${name} (${fit.ticked!.find(({ entryId }) => entryId === id)!.note})`).join(', ')}.`
              : 'All that must be on it is on it.',
        missing: missing.map(({ id, name }) => ({ id, name })),
        remedies: [],
      },
    ];
  },
};

/** “Phone” within a sentence; “MHD” stays. */
function lowerFirst(name: string): string {
  return /^\p{Lu}\p{Ll}/u.test(name) ? name[0]!.toLowerCase() + name.slice(1) : name;
}
