'use client';
import { useState } from 'react';
import { gridOf, type Facts } from '@/core/artwork/facts';
import { SHARP_PPI } from '@/core/fit/describe';
import { honestSize, wholePpi } from '@/core/fit/density';
import { showLength } from '@/core/length/show';
import { useShop } from '@/state/shop/shop';
import { LengthField } from '@/ui/LengthField';

interface Box {
  x: number;
  y: number;
  width: number;
  height: number;
}

/** How far off the picture its dimension lines lie, in px, and how far their ends reach. */
const OFF = 22;
const END = 6;

/**
 * The picture's size as dimension lines: its largest honest size, or a drawing's own. A length typed there says what
 * it would come to at that size.
 */
export function SizeLines({ facts, box }: { facts: Facts; box: Box }) {
  const unit = useShop((shop) => shop.settings.unit);
  const [asked, setAsked] = useState<number | null>(null);
  const [typing, setTyping] = useState<'width' | 'height' | null>(null);
  const grid = gridOf(facts);
  const own = facts.pixels ? honestSize(facts, SHARP_PPI)!.width : facts.physical!.width;
  const width = asked ?? own;
  const height = (width * grid.height) / grid.width;
  const below = box.y + box.height + OFF;
  const left = box.x - OFF;
  const ends = `M${box.x} ${below - END}V${below + END}M${box.x + box.width} ${below - END}V${below + END}M${left - END} ${box.y}H${left + END}M${left - END} ${box.y + box.height}H${left + END}`;
  const field = (side: 'width' | 'height', mm: number) =>
    typing === side ? (
      <LengthField
        name={side === 'width' ? 'Width' : 'Height'}
        mm={mm}
        unit={unit}
        refuse={(typed) => (typed > 0 ? null : 'A size is above zero.')}
        onSet={(typed) => {
          setAsked(side === 'width' ? typed : (typed * grid.width) / grid.height);
        }}
        onLeave={() => {
          setTyping(null);
        }}
      />
    ) : (
      <button
        aria-label={`${side === 'width' ? 'Width' : 'Height'} ${showLength(mm, unit)}: try another`}
        onClick={() => {
          setTyping(side);
        }}
        className="measure bg-tape px-1.5 font-semibold text-on-tape"
      >
        {showLength(mm, unit)}
      </button>
    );
  return (
    <>
      <svg aria-hidden className="pointer-events-none absolute inset-0 size-full">
        <path
          d={`M${box.x} ${below}H${box.x + box.width}M${left} ${box.y}V${box.y + box.height}${ends}`}
          className="stroke-viewing-ink"
          strokeWidth="1"
          fill="none"
        />
      </svg>
      <span
        className="absolute -translate-x-1/2 -translate-y-1/2"
        style={{ left: box.x + box.width / 2, top: below }}
      >
        {field('width', width)}
      </span>
      <span
        className="absolute -translate-x-1/2 -translate-y-1/2"
        // Beside a small picture it keeps clear of the width under it.
        style={{ left: Math.max(38, left), top: Math.min(box.y + box.height / 2, below - 40) }}
      >
        {field('height', height)}
      </span>
      <p
        className="measure absolute -translate-x-1/2 whitespace-nowrap"
        style={{ left: box.x + box.width / 2, top: below + 16 }}
      >
        {sayAt(facts, width, asked === null)}
        {asked !== null && (
          <button
            className="ml-3 font-semibold underline underline-offset-2"
            onClick={() => {
              setAsked(null);
            }}
          >
            {facts.pixels ? 'Largest honest size' : 'Its own size'}
          </button>
        )}
      </p>
    </>
  );
}

/** What a width comes to, in the artwork's own proportion. */
function sayAt(facts: Facts, mm: number, own: boolean): string {
  const { pixels, detail, format } = facts;
  const honest = honestSize(facts, SHARP_PPI);
  const drawing = own ? `the ${format === 'pdf' ? 'page’s' : 'drawing’s'} own size` : '';
  if (!honest) return drawing || 'sharp at this size too';
  const least = (SHARP_PPI * honest.width) / mm;
  const ppi = `${wholePpi(least)} PPI`;
  if (!pixels) return `${drawing && `${drawing}, `}its pictures at ${ppi}`;
  const said = `${own ? 'largest honest size, ' : ''}${ppi}`;
  const real = least * (detail?.scale ?? 1);
  return detail && detail.scale < 0.8 ? `${said}, of which its detail fills ${Math.floor(real)}` : said;
}
