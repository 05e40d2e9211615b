import { create } from 'zustand';
import type { FacePieces } from '@/core/fit/selection';

/** How much of the flat is seen: px a mm, and the mm that lie in the room's middle. Null: the whole face, as large as fits. */
export type Zoom = { scale: number; x: number; y: number } | null;

/** Which line the distances of a piece go to; `role` is a motif's safe edge and a ground's bleed edge. */
export const EDGE_LINES = ['role', 'safe', 'trim', 'bleed'] as const;
export type EdgeLine = (typeof EDGE_LINES)[number];

/** What the hand is doing: not undone, not saved. */
export interface Hand {
  /** The face's pieces while something is dragged; `null` where nothing is. */
  draft: FacePieces | null;
  /** Chosen pieces, in the order they were chosen. */
  selectedIds: readonly string[];
  /** The face that is on the bench; the first where none was chosen. */
  faceId: string | null;
  /** What a drag has snapped to, in words, and the lines that show it (mm). */
  snapped: { words: string[]; x: number | null; y: number | null } | null;
  /** The dimension whose number is being typed. */
  editing: string | null;
  /** The dimension under the pointer. */
  over: string | null;
  legend: boolean;
  /** Whether the list of pieces is laid out. */
  list: boolean;
  /** Whether all faces are seen side by side. */
  allFaces: boolean;
  /** Whether all sides and colours of the product are laid out. */
  contactSheet: boolean;
  zoom: Zoom;
  edgeLine: EdgeLine;
  /** Whether rulers begin at the zone's centre, and not at the trim. */
  fromCentre: boolean;
  /** Whether width and height may be changed apart, which stretches. */
  stretching: boolean;
  /** Whether a drag moves the artwork within its clip, and not both. */
  moveWithin: boolean;
  /** Where on the face files were dropped last, in mm. */
  dropped: { x: number; y: number } | null;
  /** The finding that is pointed at on the docket. */
  pointedAt: number | null;
}

const AT_REST: Hand = {
  draft: null,
  selectedIds: [],
  faceId: null,
  snapped: null,
  editing: null,
  over: null,
  legend: false,
  list: false,
  allFaces: false,
  contactSheet: false,
  zoom: null,
  edgeLine: 'role',
  fromCentre: false,
  stretching: false,
  moveWithin: false,
  dropped: null,
  pointedAt: null,
};

export const useHand = create<Hand>(() => AT_REST);

/** The hand put down what it had of one fit, and takes up another; what it looks at stays. */
export function restHand(keep: Partial<Hand> = {}): void {
  const { list, edgeLine, fromCentre, legend } = useHand.getState();
  useHand.setState({ ...AT_REST, list, edgeLine, fromCentre, legend, ...keep }, true);
}

export function select(ids: readonly string[]): void {
  useHand.setState({ selectedIds: [...ids], editing: null, moveWithin: false });
}
