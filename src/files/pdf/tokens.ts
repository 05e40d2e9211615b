/** An operand of a page's content: names with their slash, numbers, lists; strings and dictionaries only by kind. */
export type Operand = number | string | Operand[] | { kind: 'string' | 'dictionary' | 'other' };

const SPACE = new Set([0, 9, 10, 12, 13, 32]);
const DELIMITER = new Set(Array.from('()<>[]{}/%', (one) => one.charCodeAt(0)));
/** Lists inside lists, further than any page has them. */
const MOST_NESTED = 32;
const code = (character: string) => character.charCodeAt(0);

/**
 * Takes a content stream apart (ISO 32000-1, 7.8.2): each operator with its operands. Inline pictures come as `BI`
 * with their keys and values as operands; their bytes are passed over. What is damaged is passed over too.
 */
export function* operatorsOf(bytes: Uint8Array): Generator<{ operator: string; operands: Operand[] }> {
  let at = 0;
  let operands: Operand[] = [];

  const passSpace = () => {
    for (;;) {
      while (at < bytes.length && SPACE.has(bytes[at]!)) at++;
      if (bytes[at] !== code('%')) return;
      while (at < bytes.length && bytes[at] !== 10 && bytes[at] !== 13) at++;
    }
  };
  const word = () => {
    const start = at;
    while (at < bytes.length && !SPACE.has(bytes[at]!) && !DELIMITER.has(bytes[at]!)) at++;
    return String.fromCharCode(...bytes.subarray(start, Math.min(at, start + 256)));
  };
  const passString = () => {
    let depth = 0;
    for (; at < bytes.length; at++) {
      if (bytes[at] === code('\\')) at++;
      else if (bytes[at] === code('(')) depth++;
      else if (bytes[at] === code(')') && --depth === 0) {
        at++;
        return;
      }
    }
  };
  const passDictionary = () => {
    let depth = 0;
    while (at < bytes.length) {
      if (bytes[at] === code('(')) passString();
      else if (bytes[at] === code('<') && bytes[at + 1] === code('<')) {
        depth++;
        at += 2;
      } else if (bytes[at] === code('>') && bytes[at + 1] === code('>')) {
        at += 2;
        if (--depth === 0) return;
      } else at++;
    }
  };
  const passInlineBytes = () => {
    // Up to an EI that stands alone: space before and behind it.
    for (; at + 2 < bytes.length; at++) {
      const alone = SPACE.has(bytes[at]!) && bytes[at + 1] === code('E') && bytes[at + 2] === code('I');
      if (alone && (at + 3 >= bytes.length || SPACE.has(bytes[at + 3]!))) {
        at += 3;
        return;
      }
    }
    at = bytes.length;
  };
  /** The next operand; undefined where an operator or the end comes, or a list ends. */
  const operand = (depth: number): Operand | undefined => {
    passSpace();
    const next = bytes[at];
    if (next === undefined || next === code(']')) return undefined;
    if (next === code('/')) {
      at++;
      return `/${word()}`;
    }
    if (next === code('(')) {
      passString();
      return { kind: 'string' };
    }
    if (next === code('<')) {
      if (bytes[at + 1] === code('<')) {
        passDictionary();
        return { kind: 'dictionary' };
      }
      while (at < bytes.length && bytes[at] !== code('>')) at++;
      at++;
      return { kind: 'string' };
    }
    if (next === code('[') && depth < MOST_NESTED) {
      at++;
      const list: Operand[] = [];
      for (let inner = operand(depth + 1); inner !== undefined; inner = operand(depth + 1)) list.push(inner);
      if (bytes[at] === code(']')) at++;
      return list;
    }
    if (DELIMITER.has(next)) {
      at++;
      return { kind: 'other' };
    }
    const start = at;
    const text = word();
    const number = Number(text);
    if (text !== '' && !Number.isNaN(number)) return number;
    // In a list a word is a value; else it is the operator.
    if (depth > 0) return { kind: 'other' };
    at = start;
    return undefined;
  };

  while (at < bytes.length) {
    const value = operand(0);
    if (value !== undefined) {
      if (operands.length < 512) operands.push(value);
      continue;
    }
    if (bytes[at] === code(']')) at++;
    const operator = word();
    if (operator === 'BI') {
      operands = [];
      continue;
    }
    if (operator === 'ID') passInlineBytes();
    if (operator !== '') yield { operator: operator === 'ID' ? 'BI' : operator, operands };
    operands = [];
  }
}
