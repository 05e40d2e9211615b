/** How charts are drawn: hairlines, one colour, numbers in the measure's face. */
export const INK = { fill: 'var(--ink-2)', fontSize: 12 };
export const GRID = { stroke: 'var(--rule)', vertical: false };
export const LINE = {
  stroke: 'var(--thread)',
  strokeWidth: 1.8,
  dot: false,
  isAnimationActive: false,
} as const;
/** What stands under the hand. */
export const HAND = {
  cursor: { stroke: 'var(--ink)', strokeWidth: 1 },
  contentStyle: {
    background: 'var(--docket)',
    border: '1px solid var(--ink)',
    borderRadius: 0,
    color: 'var(--ink)',
    padding: '4px 8px',
  },
  itemStyle: { color: 'var(--ink)' },
  isAnimationActive: false,
} as const;
export const MARGIN = { top: 8, right: 16, bottom: 4, left: 4 };
