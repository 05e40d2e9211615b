/** mm round a print that marks stand in. */
export const MARK_MARGIN = 14;
/** mm that a mark stands off the print. */
const OFF = 3;
const [CROSS, RING] = [4, 2.5];
const [PATCH, PATCH_GAP] = [5, 1];
/** mm between figures of the ruler, and how long its ticks are. */
const STEP = 10;

/** Words in a plate's own ink: their baseline's start, and the height of their face, in mm. */
export interface MarkWords {
  text: string;
  x: number;
  y: number;
  size: number;
}

/** What stands round a print for the printer, in mm from the top left of the page. */
export interface PlateMarks {
  /** Strokes on every plate: a cross in a ring on each side, a ruler down the left. */
  strokes: string[];
  words: MarkWords[];
  /** A plate's own: its name and a patch of solid ink, each beside those of the others. */
  own: { words: MarkWords; patch: string }[];
}

/** Marks round a print of so many mm on a page that is `MARK_MARGIN` larger on all sides. */
export function marksRound(size: { width: number; height: number }, names: readonly string[]): PlateMarks {
  const m = MARK_MARGIN;
  const [midX, midY] = [m + size.width / 2, m + size.height / 2];
  const at = m / 2 - 1;
  const crosses = [
    [midX, at],
    [midX, 2 * m + size.height - at],
    [at, midY],
    [2 * m + size.width - at, midY],
  ] as const;
  const ticks: string[] = [];
  const words: MarkWords[] = [];
  for (let mm = 0; mm <= Math.floor(size.height); mm++) {
    const long = mm % STEP === 0 ? 3 : mm % 5 === 0 ? 2 : 1.2;
    ticks.push(`M${m - OFF} ${m + mm}h${-long}`);
    // The cross in the middle keeps its room.
    if (mm % STEP === 0 && Math.abs(m + mm - midY) > CROSS)
      words.push({ text: mm === 0 ? '0 mm' : String(mm), x: m - OFF - 9, y: m + mm + 0.9, size: 2.4 });
  }
  const across = PATCH + PATCH_GAP;
  const room = Math.max(18, size.width / Math.max(1, names.length));
  return {
    strokes: [...crosses.map(([x, y]) => cross(x, y)), ticks.join('')],
    words,
    own: names.map((name, i) => ({
      words: { text: `${i + 1} ${name}`, x: m + i * room, y: m - OFF, size: 3 },
      patch: `M${m + i * across} ${m + size.height + OFF}h${PATCH}v${PATCH}h${-PATCH}Z`,
    })),
  };
}

function cross(x: number, y: number): string {
  return [
    `M${x - CROSS} ${y}h${2 * CROSS}M${x} ${y - CROSS}v${2 * CROSS}`,
    `M${x - RING} ${y}a${RING} ${RING} 0 1 0 ${2 * RING} 0a${RING} ${RING} 0 1 0 ${-2 * RING} 0Z`,
  ].join('');
}
