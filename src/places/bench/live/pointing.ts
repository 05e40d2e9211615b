import { create } from 'zustand';

/** The place of a face that is under the pointer, in mm, and where it is pointed at. */
export interface Pointing {
  at: { faceId: string; x: number; y: number } | null;
  on: 'flat' | 'product';
}

/** What is pointed at on the flat is marked on the product, and the other way round. */
export const usePointing = create<Pointing>(() => ({ at: null, on: 'flat' }));

export function pointAt(on: Pointing['on'], at: Pointing['at']): void {
  if (at === null && usePointing.getState().at === null) return;
  usePointing.setState({ at, on });
}
