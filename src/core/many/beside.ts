/** Sizes in mm of things that are laid side by side at one scale, and how they lie on pages. */
export interface Beside {
  /** mm on the page for a mm of the things. */
  scale: number;
  /** For each page the things that lie on it, with where each one's top left is. */
  pages: { index: number; x: number; y: number }[][];
}

export interface BesidePage {
  width: number;
  height: number;
  /** mm between things, across and down. */
  gap: number;
  /** Room that words take under each, and how wide they are at least. */
  caption: { width: number; height: number };
}

/** More on a page could not be told apart. */
const MOST = 24;
/** Nothing is drawn larger than it is. */
const TRUE_SIZE = 1;

interface Size {
  width: number;
  height: number;
}

/** Things in rows from the top left, as large as lets the fullest page hold its own, all of them at one scale. */
export function layBeside(sizes: readonly Size[], page: BesidePage): Beside {
  const count = Math.max(1, Math.ceil(sizes.length / MOST));
  const each = Math.ceil(sizes.length / count);
  const parts = Array.from({ length: count }, (_, i) => sizes.slice(i * each, (i + 1) * each));
  const scale = Math.min(...parts.map((part) => largestScale(part, page)));
  return {
    scale,
    pages: parts.map((part, i) =>
      inRows(part, page, scale).spots.map((spot, own) => ({ index: i * each + own, ...spot })),
    ),
  };
}

function largestScale(sizes: readonly Size[], page: BesidePage): number {
  const holds = (scale: number) => inRows(sizes, page, scale).holds;
  if (holds(TRUE_SIZE)) return TRUE_SIZE;
  let low = 0;
  let high = TRUE_SIZE;
  for (let i = 0; i < 40; i++) {
    const middle = (low + high) / 2;
    if (holds(middle)) low = middle;
    else high = middle;
  }
  return low;
}

/** Things in rows at a scale, the feet of a row in one line, and whether the page holds them. */
function inRows(
  sizes: readonly Size[],
  { width, height, gap, caption }: BesidePage,
  scale: number,
): { spots: { x: number; y: number }[]; holds: boolean } {
  const rows: { sizes: Size[]; wide: number; high: number }[] = [];
  for (const size of sizes) {
    const own = Math.max(size.width * scale, caption.width);
    const last = rows.at(-1);
    if (last && last.wide + gap + own <= width) {
      last.sizes.push(size);
      last.wide += gap + own;
      last.high = Math.max(last.high, size.height * scale);
    } else rows.push({ sizes: [size], wide: own, high: size.height * scale });
  }
  const spots: { x: number; y: number }[] = [];
  let y = 0;
  for (const row of rows) {
    let x = 0;
    for (const size of row.sizes) {
      spots.push({ x, y: y + row.high - size.height * scale });
      x += Math.max(size.width * scale, caption.width) + gap;
    }
    y += row.high + caption.height + gap;
  }
  const widest = Math.max(0, ...rows.map(({ wide }) => wide));
  return { spots, holds: widest <= width + 1e-9 && y - gap <= height + 1e-9 };
}
