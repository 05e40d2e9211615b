// Style sheets and values of a drawing, read in one pass each: patterns that look back over what they read can be fed so
// that they take hours.

export interface Rule {
  selector: string;
  body: string;
}

/** The addresses that a value refers to by `url()`; null where one of them is not closed. */
export function addressesIn(value: string): string[] | null {
  const found: string[] = [];
  const lower = value.toLowerCase();
  for (let at = lower.indexOf('url('); at >= 0; at = lower.indexOf('url(', at)) {
    const end = value.indexOf(')', at);
    if (end < 0) return null;
    const inner = value.slice(at + 4, end).trim();
    const quote = inner[0];
    const quoted = (quote === '"' || quote === "'") && inner.length > 1 && inner.endsWith(quote);
    found.push(quoted ? inner.slice(1, -1).trim() : inner);
    at = end;
  }
  return found;
}

/** The plain rules of a style sheet; at-rules are left out with all that is in them. */
export function rulesIn(sheet: string): Rule[] {
  const text = withoutComments(sheet);
  const rules: Rule[] = [];
  for (let at = 0; at < text.length;) {
    const open = nextOf(text, '{', at);
    const end = nextOf(text, ';', at);
    const first = text.slice(at).search(/\S/);
    if (first < 0) break;
    if (text[at + first] === '@') {
      at = end < open ? end + 1 : blockEnd(text, open);
      continue;
    }
    const close = nextOf(text, '}', open);
    if (close >= text.length) break;
    rules.push({ selector: text.slice(at, open).trim(), body: text.slice(open + 1, close).trim() });
    at = close + 1;
  }
  return rules;
}

function nextOf(text: string, char: string, from: number): number {
  const at = text.indexOf(char, from);
  return at < 0 ? text.length : at;
}

/** Where a block that opens at a brace has closed, those inside of it too. */
function blockEnd(text: string, open: number): number {
  let depth = 0;
  for (let at = open; at < text.length; at++) {
    if (text[at] === '{') depth++;
    else if (text[at] === '}' && --depth === 0) return at + 1;
  }
  return text.length;
}

function withoutComments(sheet: string): string {
  const kept: string[] = [];
  for (let at = 0; at < sheet.length;) {
    const open = sheet.indexOf('/*', at);
    if (open < 0) {
      kept.push(sheet.slice(at));
      break;
    }
    kept.push(sheet.slice(at, open));
    const close = sheet.indexOf('*/', open + 2);
    if (close < 0) break;
    at = close + 2;
  }
  return kept.join(' ');
}
