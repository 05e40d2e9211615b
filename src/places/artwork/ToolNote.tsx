'use client';
import type { PixelSize } from '@/core/artwork/facts';
import { WHOLE, type Share } from './CropFrame';

interface Props {
  tool: 'crop' | 'part';
  grid: PixelSize;
  crop: Share;
  onCrop: () => void;
  onLeave: () => void;
}

/** What is being done to the picture by hand, and the way to finish it or leave it. */
export function ToolNote({ tool, grid, crop, onCrop, onLeave }: Props) {
  const px = (share: number, side: number) => Math.round(share * side);
  const whole = crop.width === WHOLE.width && crop.height === WHOLE.height;
  return (
    <div className="absolute inset-x-0 top-0 flex items-center gap-5 border-b border-viewing-ink bg-docket px-4 py-2 text-ink">
      {tool === 'crop' ? (
        <>
          <span>Set the edges: drag them, or Tab to one and use the arrow keys.</span>
          <span className="measure font-semibold">
            {px(crop.width, grid.width)} × {px(crop.height, grid.height)} px
          </span>
          <button className="action ml-auto" disabled={whole} onClick={onCrop}>
            Crop
          </button>
        </>
      ) : (
        <span className="mr-auto">Click a part of the drawing to leave it out. Each can be taken back.</span>
      )}
      <button className="verb" onClick={onLeave}>
        {tool === 'crop' ? 'Leave it whole' : 'Done'}
      </button>
    </div>
  );
}
