/** Helpers for drawing the demo's artwork as SVG text. */

/** A repeatable stream of numbers in [0, 1) (Park and Miller 1988), so that every drawing comes out the same. */
export function dice(seed: number): () => number {
  let state = seed;
  return () => {
    state = (state * 48271) % 2147483647;
    return state / 2147483647;
  };
}

export function svg(width: number, height: number, body: string, defs = ''): string {
  return (
    `<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="${height}" viewBox="0 0 ${width} ${height}">` +
    `<defs>${defs}</defs>${body}</svg>`
  );
}

export function rect(x: number, y: number, width: number, height: number, fill: string): string {
  return `<rect x="${n(x)}" y="${n(y)}" width="${n(width)}" height="${n(height)}" fill="${fill}"/>`;
}

export function circle(x: number, y: number, r: number, fill: string): string {
  return `<circle cx="${n(x)}" cy="${n(y)}" r="${n(r)}" fill="${fill}"/>`;
}

export function path(d: string, fill: string, more = ''): string {
  return `<path d="${d}" fill="${fill}" ${more}/>`;
}

export function line(d: string, stroke: string, width: number): string {
  return path(
    d,
    'none',
    `stroke="${stroke}" stroke-width="${n(width)}" stroke-linecap="round" stroke-linejoin="round"`,
  );
}

/** A smooth sine line from x0 to x1 as cubic pieces, `period` long. */
export function wave(x0: number, x1: number, y: number, period: number, height: number): string {
  const half = period / 2;
  let d = `M${n(x0)} ${n(y)}`;
  for (let x = x0, up = 1; x < x1; x += half, up = -up) {
    d += `c${n(half * 0.36)} ${n(-up * height)} ${n(half * 0.64)} ${n(-up * height)} ${n(half)} 0`;
  }
  return d;
}

export function n(value: number): string {
  return String(Math.round(value * 100) / 100);
}
