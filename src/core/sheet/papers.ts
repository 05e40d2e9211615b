/** A paper, film or vinyl that prints share. A roll goes on for as long as it is needed. Lengths mm. */
export interface Paper {
  id: string;
  name: string;
  width: number;
  /** Null for a roll. */
  height: number | null;
}

/** ISO 216, ANSI/ASME Y14.1, the usual oversize, and usual widths of rolls. */
export const PAPERS: readonly Paper[] = [
  { id: 'a4', name: 'A4', width: 210, height: 297 },
  { id: 'a3', name: 'A3', width: 297, height: 420 },
  { id: 'letter', name: 'Letter', width: 215.9, height: 279.4 },
  { id: 'tabloid', name: 'Tabloid', width: 279.4, height: 431.8 },
  { id: 'oversize', name: '330 × 480', width: 330, height: 480 },
  { id: 'roll-300', name: 'Roll 300', width: 300, height: null },
  { id: 'roll-600', name: 'Roll 600', width: 600, height: null },
  { id: 'roll-1370', name: 'Roll 1370', width: 1370, height: null },
];
