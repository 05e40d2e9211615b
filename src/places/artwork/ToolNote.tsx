'use client';
import { gridOf, type Facts } from '@/core/artwork/facts';
import { showSize } from '@/core/length/show';
import { useShop } from '@/state/shop/shop';
import { WHOLE, type Share } from './CropFrame';

interface Props {
  tool: 'crop' | 'part';
  facts: Facts;
  crop: Share;
  onCrop: () => void;
  onLeave: () => void;
}

/** What is being done to the picture by hand, and the way to finish it or leave it. */
export function ToolNote({ tool, facts, crop, onCrop, onLeave }: Props) {
  const unit = useShop((shop) => shop.settings.unit);
  const { physical, pixels } = facts;
  const grid = gridOf(facts);
  const size =
    pixels || !physical
      ? `${Math.round(crop.width * grid.width)} × ${Math.round(crop.height * grid.height)} px`
      : showSize(crop.width * physical.width, crop.height * physical.height, unit);
  const whole = crop.width === WHOLE.width && crop.height === WHOLE.height;
  return (
    <div className="absolute inset-x-0 top-0 flex items-center gap-5 border-b border-viewing-ink bg-docket px-4 py-2 text-ink">
      {tool === 'crop' ? (
        <>
          <span>Drag an edge, or Tab to it and use the arrow keys.</span>
          <span className="measure shrink-0 font-semibold">{size}</span>
          <button className="action ml-auto" disabled={whole} onClick={onCrop}>
            Crop
          </button>
        </>
      ) : (
        <span className="mr-auto">Click a part of the drawing to leave it out. Each can be taken back.</span>
      )}
      <button className="verb shrink-0" onClick={onLeave}>
        {tool === 'crop' ? 'Leave it whole' : 'Done'}
      </button>
    </div>
  );
}
