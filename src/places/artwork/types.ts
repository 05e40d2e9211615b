import type { Shop } from '@/state/shop/shop';
import type { useChange } from './useChange';

export type Artwork = Shop['artworks'] extends ReadonlyMap<string, infer A> ? A : never;

/** What a press on the picture does: nothing, set a crop's edges, or leave a part of a drawing out. */
export type Tool = 'look' | 'crop' | 'part';

/** What the parts of an artwork's docket work on. */
export interface DocketProps {
  artwork: Artwork;
  tool: Tool;
  onTool: (tool: Tool) => void;
  change: ReturnType<typeof useChange>;
  onChoose: (id: string) => void;
}
