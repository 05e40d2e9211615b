// What may come in at all: looked at before anything of it is read.

export function told(status: number, message: string): Response {
  return Response.json({ message }, { status });
}

/** Why a request that changes something is turned away: it must come from Up Fit's own pages. Null where it may come in. */
export function strangerRefused(request: Request): Response | null {
  const site = request.headers.get('sec-fetch-site');
  const origin = request.headers.get('origin');
  const host = request.headers.get('host');
  const own = origin === null || (URL.canParse(origin) && new URL(origin).host === host);
  if (own && (site === null || site === 'same-origin' || site === 'none')) return null;
  return told(403, 'The desk takes packs from Up Fit’s own pages only.');
}

type Read<T> = { ok: true; value: T } | { ok: false; response: Response };

/** A body of at most so many bytes; it is not read further than that. */
export async function readBytes(request: Request, most: number): Promise<Read<Uint8Array>> {
  const tooLarge: Read<Uint8Array> = {
    ok: false,
    response: told(413, `At most ${most.toLocaleString('en')} bytes are taken at once.`),
  };
  const declared = request.headers.get('content-length');
  if (declared !== null && !(Number(declared) <= most)) return tooLarge;
  const pieces: Uint8Array[] = [];
  let size = 0;
  const reader = (request.body as ReadableStream<Uint8Array> | null)?.getReader();
  for (let next = await reader?.read(); next && !next.done; next = await reader?.read()) {
    size += next.value.length;
    if (size > most) {
      await reader?.cancel();
      return tooLarge;
    }
    pieces.push(next.value);
  }
  const value = new Uint8Array(size);
  let at = 0;
  for (const piece of pieces) {
    value.set(piece, at);
    at += piece.length;
  }
  return { ok: true, value };
}

/** Bytes of JSON at most, and how deep it may lie in itself: a parser goes down as deep as it is asked to. */
export const JSON_BYTES = 512 * 1024;
const JSON_DEPTH = 16;

/** A body of JSON that says it is that. */
export async function readJson(request: Request): Promise<Read<unknown>> {
  if (!/^application\/json\b/i.test(request.headers.get('content-type') ?? ''))
    return { ok: false, response: told(415, 'The desk reads JSON: say so in Content-Type.') };
  const read = await readBytes(request, JSON_BYTES);
  if (!read.ok) return read;
  try {
    return { ok: true, value: parseJson(new TextDecoder().decode(read.value)) };
  } catch {
    return {
      ok: false,
      response: told(400, 'This cannot be read: it is no JSON, or lies too deep in itself.'),
    };
  }
}

/** Parses JSON that is not nested deeper than a pack's list or an order ever is. Throws where it is. */
export function parseJson(text: string): unknown {
  let depth = 0;
  let quoted = false;
  for (let at = 0; at < text.length; at++) {
    const char = text[at]!;
    if (quoted) {
      if (char === '\\') at++;
      else if (char === '"') quoted = false;
    } else if (char === '"') quoted = true;
    else if (char === '[' || char === '{') {
      if (++depth > JSON_DEPTH) throw new Error('too deep');
    } else if (char === ']' || char === '}') depth--;
  }
  return JSON.parse(text);
}
