'use client';
import { useState } from 'react';
import { fixed } from '@/core/length/show';
import { useHand } from '@/state/bench/hand';
import { changeSettings } from '@/state/shop/records';
import { useShop } from '@/state/shop/shop';
import { Dialog, LeaveDialog } from '@/ui/Dialog';
import { zoomTo } from '../flat/zooming';
import type { Live } from '../live/useLive';
import { Slider } from '@/ui/Slider';

/** A bank card, in mm (ISO/IEC 7810, ID-1). */
const CARD = { width: 85.6, height: 53.98, corner: 3.18 };
/** px a mm that a screen without scaling has, and how far others may be from it. */
const USUAL = 96 / 25.4;
const RANGE = { least: 2, most: 8 };

/** A card held against the glass once tells how large things are on this screen. */
export function ScreenCalibration({ live }: { live: Live }) {
  const open = useHand((hand) => hand.editing === 'card');
  return open ? <Asking live={live} /> : null;
}

function Asking({ live }: { live: Live }) {
  const kept = useShop((shop) => shop.settings.pxPerMm);
  const [scale, setScale] = useState(kept ?? USUAL);
  const close = () => {
    useHand.setState({ editing: null });
  };
  const keep = async () => {
    await changeSettings({ pxPerMm: scale });
    close();
    zoomTo(live, 'true');
  };
  return (
    <Dialog
      title="True size on this screen"
      description="Hold a bank card against the glass and move the slide, or press the arrow keys, until the drawing is as wide as the card. Once is enough for this screen and this zoom of the browser."
      className="top-12 w-[760px]"
      shade
      onClose={close}
    >
      <div className="grid h-[460px] place-items-center overflow-hidden bg-viewing">
        <svg width={CARD.width * scale} height={CARD.height * scale} className="text-viewing-ink">
          <rect
            x="0.5"
            y="0.5"
            width={CARD.width * scale - 1}
            height={CARD.height * scale - 1}
            rx={CARD.corner * scale}
            fill="#fff"
            fillOpacity="0.5"
            stroke="currentColor"
          />
          <text x="50%" y="52%" textAnchor="middle" fontSize="14" fill="currentColor" className="measure">
            85.6 × 54.0 mm
          </text>
        </svg>
      </div>
      <div className="mt-3 flex items-center gap-4">
        <Slider
          label="Width of the card on the screen"
          words={`${fixed(scale * 25.4, 1)} px an inch`}
          min={RANGE.least}
          max={RANGE.most}
          step={0.005}
          value={scale}
          onChange={setScale}
          className="grow"
        />
        <span className="measure w-32 text-right">{fixed(scale * 25.4, 1)} px an inch</span>
        <button className="action" onClick={() => void keep()}>
          It is as wide
        </button>
        <LeaveDialog>Leave it</LeaveDialog>
      </div>
    </Dialog>
  );
}
