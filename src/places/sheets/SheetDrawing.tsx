'use client';
import { useId } from 'react';
import { ARROWS } from '@/ui/arrows';
import { nudgeStep, showSize } from '@/core/length/show';
import type { Laid, SheetLayout } from '@/core/sheet/layout';
import { cutsOf } from '@/core/sheet/cuts';
import { bleedPath } from '@/core/render/layers';
import { marksOf, type SheetMark } from '@/core/sheet/marks';
import type { Sheet, Spot } from '@/core/sheet/schema';
import { blankOf } from '@/state/shop/library';
import { previewUrl } from '@/state/artwork/previews';
import { useShop } from '@/state/shop/shop';
import { PieceDrawings } from '@/ui/flat/PieceDrawings';
import { useRoomSize, type RoomSize } from '@/ui/useRoomSize';

/** px between sheets, and round them. */
const GAP = 24;
const NO_ROOM: RoomSize = { width: 0, height: 0 };

/** Sheets side by side at one scale, as they print; what was placed by hand is moved by the arrow keys. */
export function SheetDrawing({
  sheet,
  layout,
  selected,
  onSelect,
  onMove,
}: {
  sheet: Sheet;
  layout: SheetLayout | null;
  selected: number | null;
  onSelect: (index: number | null) => void;
  onMove: (index: number, spot: Partial<Spot>) => void;
}) {
  const { room, size } = useRoomSize();
  const unit = useShop((shop) => shop.settings.unit);
  const count = layout?.sheets ?? 0;
  const columns = Math.max(1, Math.min(count, bestColumns(layout, size ?? NO_ROOM)));
  const rows = Math.ceil(count / columns);
  const scale = layout ? scaleFor(layout, size ?? NO_ROOM, columns, rows) : 1;
  return (
    <div ref={room} className="relative min-w-0 grow bg-viewing text-viewing-ink">
      <div className="absolute inset-0 overflow-auto">
        {layout && count === 0 && <p className="p-6">Add a print, and say how many of it.</p>}
        {layout && count > 0 && (
          <div
            className="grid min-h-full content-start justify-center gap-6 p-6"
            style={{ gridTemplateColumns: `repeat(${columns}, ${layout.width * scale}px)` }}
          >
            {Array.from({ length: count }, (_, index) => (
              <figure key={index}>
                <OneSheet
                  sheet={sheet}
                  layout={layout}
                  index={index}
                  scale={scale}
                  selected={selected}
                  onSelect={sheet.placed ? onSelect : null}
                  onMove={onMove}
                  step={nudgeStep(unit)}
                />
                <figcaption className="measure truncate pt-1 text-sm">
                  {count > 1 ? `${index + 1} of ${count} · ` : ''}
                  {showSize(layout.width, layout.height, unit)}
                  {sheet.mirrored ? ' · printed mirrored' : ''}
                </figcaption>
              </figure>
            ))}
          </div>
        )}
      </div>
    </div>
  );
}

function bestColumns(layout: SheetLayout | null, size: RoomSize): number {
  if (!layout || layout.sheets === 0) return 1;
  let best = 1;
  for (let columns = 1; columns <= layout.sheets; columns++) {
    const rows = Math.ceil(layout.sheets / columns);
    if (scaleFor(layout, size, columns, rows) > scaleFor(layout, size, best, Math.ceil(layout.sheets / best)))
      best = columns;
  }
  return best;
}

/** px a mm; never so small that nothing is seen, then the room scrolls. */
function scaleFor({ width, height }: SheetLayout, size: RoomSize, columns: number, rows: number): number {
  const across = (size.width - 2 * GAP - (columns - 1) * GAP) / (columns * width);
  const down = (size.height - 2 * GAP - rows * (GAP + 4)) / (rows * height);
  return Math.max(0.28, Math.min(across, down));
}

function OneSheet({
  sheet,
  layout,
  index,
  scale,
  selected,
  onSelect,
  onMove,
  step,
}: {
  sheet: Sheet;
  layout: SheetLayout;
  index: number;
  scale: number;
  selected: number | null;
  onSelect: ((index: number) => void) | null;
  onMove: (index: number, spot: Partial<Spot>) => void;
  step: number;
}) {
  const { width, height, laid } = layout;
  const { margin } = sheet;
  return (
    <svg
      width={width * scale}
      height={height * scale}
      viewBox={`0 0 ${width} ${height}`}
      role="group"
      aria-label={`Sheet ${index + 1}`}
      className="block outline outline-1 outline-viewing-ink"
    >
      <rect width={width} height={height} fill="#ffffff" />
      <rect
        x={margin}
        y={margin}
        width={Math.max(0, width - 2 * margin)}
        height={Math.max(0, height - 2 * margin)}
        fill="none"
        stroke="#5e646c"
        strokeWidth={0.7 / scale}
        strokeDasharray={`${4 / scale} ${3 / scale}`}
      />
      {laid.map((one, i) =>
        one.sheet !== index ? null : (
          <g
            key={i}
            data-print={i}
            {...(onSelect && {
              role: 'button',
              tabIndex: 0,
              'aria-pressed': selected === i,
              'aria-label': `${one.print.name}, ${i + 1}: choose`,
              onClick: () => {
                onSelect(i);
              },
              onKeyDown: (event: React.KeyboardEvent) => {
                const by = ARROWS[event.key];
                if (event.key === 'Enter' || event.key === ' ') onSelect(i);
                if (!by) return;
                event.preventDefault();
                onSelect(i);
                onMove(i, { x: one.x + by[0] * step, y: one.y + by[1] * step });
              },
            })}
          >
            <PrintDrawing laid={one} />
            <rect
              x={one.x}
              y={one.y}
              width={one.width}
              height={one.height}
              fill="transparent"
              stroke={selected === i ? '#0b5563' : one.print.cut ? 'none' : '#20252b'}
              strokeWidth={(selected === i ? 2.5 : 0.6) / scale}
            />
          </g>
        ),
      )}
      {sheet.cutLines &&
        cutsOf(layout, index).map(({ d, kind }) => (
          <path
            key={d}
            d={d}
            data-cut={kind}
            fill="none"
            stroke="#20252b"
            strokeWidth={(kind === 'cut' ? 1.2 : 0.8) / scale}
            pointerEvents="none"
          />
        ))}
      {marksOf(sheet, layout, index).map((mark, i) => (
        <MarkDrawing key={i} mark={mark} least={0.7 / scale} />
      ))}
    </svg>
  );
}

/** A print in its box, turned and cut as it lies. */
function PrintDrawing({ laid }: { laid: Laid }) {
  const shop = useShop();
  const clip = useId();
  const fit = shop.fits.get(laid.fitId);
  const blank = fit && blankOf(fit, shop);
  const face = blank?.faces.find(({ id }) => id === laid.faceId);
  if (!fit || !face) return null;
  const pieces = fit.faces.find(({ faceId }) => faceId === face.id)?.pieces ?? [];
  const { x, y, width, height, turned, print, part } = laid;
  // A print on an arc is shown on the rectangle it is bent from, as large as its box.
  const fitted = `scale(${print.width / (face.width + 2 * face.bleed)} ${print.height / (face.height + 2 * face.bleed)}) translate(${face.bleed} ${face.bleed})`;
  return (
    <svg x={x} y={y} width={width} height={height} viewBox={`0 0 ${width} ${height}`} overflow="hidden">
      <g
        transform={
          turned ? `translate(${width} 0) rotate(90)` : part ? `translate(${-part.x} ${-part.y})` : undefined
        }
      >
        <g transform={fitted} clipPath={face.cut && `url(#${clip})`}>
          {face.cut && (
            <clipPath id={clip}>
              <path d={bleedPath(face)} />
            </clipPath>
          )}
          <PieceDrawings
            pieces={pieces}
            face={face}
            pictureOf={(id) => {
              const artwork = shop.artworks.get(id);
              return artwork && previewUrl(artwork);
            }}
            factsOf={(id) => shop.artworks.get(id)?.facts}
          />
        </g>
      </g>
    </svg>
  );
}

function MarkDrawing({ mark, least }: { mark: SheetMark; least: number }) {
  switch (mark.kind) {
    case 'line': {
      const { x1, y1, x2, y2, thickness } = mark;
      return <line {...{ x1, y1, x2, y2 }} stroke="#20252b" strokeWidth={Math.max(least, thickness)} />;
    }
    case 'shape':
      return <path d={`M${mark.points.map((point) => point.join(' ')).join('L')}Z`} fill="#20252b" />;
    case 'words': {
      const { text, x, y, size, within } = mark;
      const long = text.length * size * 0.45 > within;
      return (
        <text
          x={x}
          y={y}
          fontSize={size}
          fill="#20252b"
          className="measure"
          {...(long && { textLength: within, lengthAdjust: 'spacingAndGlyphs' })}
        >
          {text}
        </text>
      );
    }
  }
}
