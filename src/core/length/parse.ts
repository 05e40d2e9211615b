import { mmPer, UNIT_SPELLINGS, type Unit } from './units';

/** What a length field understood: millimetres, or a sentence and the position of the character it is about. */
export type LengthReading = { ok: true; mm: number } | { ok: false; message: string; at: number };

export interface LengthOptions {
  /** Unit of a number that carries none; without it such a number is asked about. */
  unit?: Unit;
  /** Density that gives `px` a size. */
  ppi?: number;
}

interface Term {
  value: number;
  unit: Unit | undefined;
  at: number;
}

class Slip extends Error {
  constructor(
    message: string,
    readonly at: number,
  ) {
    super(message);
  }
}

const VULGAR: Record<string, string> = {
  '½': '1/2',
  '¼': '1/4',
  '¾': '3/4',
  '⅛': '1/8',
  '⅜': '3/8',
  '⅝': '5/8',
  '⅞': '7/8',
};

/** Groups of thousands with one mark and decimals with the other, or more than one group: `1,234.5`, `1.234,5`, `1,234,567`. */
const GROUPED =
  /(\d{1,3}(?:,\d{3})+)\.(\d+)|(\d{1,3}(?:\.\d{3})+),(\d+)|(\d{1,3}(?:,\d{3}){2,}|\d{1,3}(?:\.\d{3}){2,})/y;
const NUMBER = /\d+(?:[.,]\d+)?|[.,]\d+/y;
const FRACTION = /(\d+)\s*\/\s*(\d+)/y;

/** Reads one length as people write it: `5 3/8 in + 4 mm`, `11in 4mm`, `6,7 cm`, `-2 mm`. */
export function parseLength(text: string, options: LengthOptions = {}): LengthReading {
  try {
    const terms = readTerms(spellOut(text), 0);
    return { ok: true, mm: addUp(terms, options) };
  } catch (slip) {
    return explain(slip);
  }
}

/** Reads a width and a height: `120mmx56mm`, `3 1/8 in x 2 in`, `8 x 2 5/8 in` (a last unit carries back). */
export function parseSize(
  text: string,
  options: LengthOptions = {},
): { ok: true; width: number; height: number } | { ok: false; message: string; at: number } {
  const spelled = spellOut(text);
  const cross = /[x×](?=\s*[\d.,])/i.exec(spelled);
  if (!cross)
    return {
      ok: false,
      message: 'Write a width and a height with an x between them: 120 mm x 56 mm.',
      at: 0,
    };
  try {
    const width = readTerms(spelled.slice(0, cross.index), 0);
    const start = cross.index + 1;
    const height = readTerms(spelled.slice(start), start);
    const carried = height.at(-1)?.unit ?? options.unit;
    return { ok: true, width: addUp(width, { ...options, unit: carried }), height: addUp(height, options) };
  } catch (slip) {
    return explain(slip);
  }
}

function explain(slip: unknown): { ok: false; message: string; at: number } {
  if (slip instanceof Slip) return { ok: false, message: slip.message, at: slip.at };
  throw slip;
}

function spellOut(text: string): string {
  return text.replace(/[½¼¾⅛⅜⅝⅞]/g, (sign) => ` ${VULGAR[sign] ?? ''}`);
}

function readTerms(text: string, offset: number): Term[] {
  const terms: Term[] = [];
  let at = skipBlanks(text, 0);
  if (at === text.length) throw new Slip('Write a length, for example 5 3/8 in or 120 mm.', offset);
  let sign = 1;
  let signed = false;
  while (at < text.length) {
    const char = text[at]!;
    if (char === '+' || char === '-' || char === '−') {
      if (signed) throw new Slip(`Two signs in a row at character ${offset + at + 1}.`, offset + at);
      sign = char === '+' ? 1 : -1;
      signed = true;
      at = skipBlanks(text, at + 1);
      continue;
    }
    const number = readNumber(text, at, offset);
    const afterNumber = skipBlanks(text, number.end);
    const unit = readUnit(text, afterNumber);
    // What follows feet without a sign or a unit is inches: 5'11.
    const inFeet = !unit && !signed && terms.at(-1)?.unit === 'ft';
    terms.push({ value: sign * number.value, unit: inFeet ? 'in' : unit?.unit, at: offset + at });
    at = skipBlanks(text, unit ? unit.end : afterNumber);
    sign = 1;
    signed = false;
  }
  if (signed)
    throw new Slip('The length ends with a sign: write the number after it.', offset + text.length - 1);
  return terms;
}

function readNumber(text: string, at: number, offset: number): { value: number; end: number } {
  const fraction = match(FRACTION, text, at);
  if (fraction) return { value: divide(fraction, offset + at), end: at + fraction[0].length };
  const grouped = match(GROUPED, text, at);
  if (grouped && !/[\d.,]/.test(text[at + grouped[0].length] ?? '')) {
    const whole = (grouped[1] ?? grouped[3] ?? grouped[5] ?? '').replace(/[.,]/g, '');
    return { value: Number(`${whole}.${grouped[2] ?? grouped[4] ?? '0'}`), end: at + grouped[0].length };
  }
  const number = match(NUMBER, text, at);
  if (!number) {
    throw new Slip(`“${text[at]}” at character ${offset + at + 1} is not part of a length.`, offset + at);
  }
  const written = number[0];
  let end = at + written.length;
  if (/^\d+,\d{3}$/.test(written)) {
    const whole = written.replace(',', '');
    const decimal = written.replace(',', '.');
    throw new Slip(
      `The comma at character ${offset + at + written.indexOf(',') + 1} can be read two ways: write ${whole} or ${decimal}.`,
      offset + at + written.indexOf(','),
    );
  }
  if (text[end] === ',' || text[end] === '.') {
    throw new Slip(
      `“${text[end]}” at character ${offset + end + 1} is one mark too many in a number.`,
      offset + end,
    );
  }
  const value = Number(written.replace(',', '.'));
  if (!/^\d+$/.test(written)) return { value, end };
  if (text[end] === '-' && match(FRACTION, text, end + 1)) {
    throw new Slip(
      `The hyphen at character ${offset + end + 1} can be read two ways: write ${written} and a space before the fraction, or spaces round a minus.`,
      offset + end,
    );
  }
  const next = skipBlanks(text, end);
  const mixed = next > end ? match(FRACTION, text, next) : null;
  if (!mixed) return { value, end };
  end = next + mixed[0].length;
  return { value: value + divide(mixed, offset + next), end };
}

function divide(fraction: RegExpExecArray, at: number): number {
  const below = Number(fraction[2]);
  if (below === 0) throw new Slip(`A fraction over zero at character ${at + 1} has no value.`, at);
  return Number(fraction[1]) / below;
}

function readUnit(text: string, at: number): { unit: Unit; end: number } | undefined {
  const lower = text.slice(at, at + 6).toLowerCase();
  const found = UNIT_SPELLINGS.find(([spelling]) => lower.startsWith(spelling));
  return found && { unit: found[1], end: at + found[0].length };
}

function addUp(terms: Term[], options: LengthOptions): number {
  let carried = terms.at(-1)?.unit ?? options.unit;
  let mm = 0;
  for (const term of [...terms].reverse()) {
    carried = term.unit ?? carried;
    if (!carried) throw new Slip(`Which unit is ${Math.abs(term.value)}? Add mm or in.`, term.at);
    if (carried === 'px' && !options.ppi) {
      throw new Slip('A pixel has no size here: give the length in mm or in.', term.at);
    }
    mm += term.value * mmPer(carried, options.ppi);
  }
  return mm;
}

function skipBlanks(text: string, at: number): number {
  while (at < text.length && /\s/.test(text[at]!)) at++;
  return at;
}

function match(pattern: RegExp, text: string, at: number): RegExpExecArray | null {
  pattern.lastIndex = at;
  return pattern.exec(text);
}
