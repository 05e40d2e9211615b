'use client';
import { gridOf } from '@/core/artwork/facts';
import type { Parting } from '@/core/cut/parting';
import { boxOfSticker, type StickerSet } from '@/core/cut/sorting';
import type { Fit, FitFace } from '@/core/fit/schema';
import { previewUrl } from '@/state/artwork/previews';
import { useRoomSize } from '@/ui/useRoomSize';
import type { Artwork } from '../types';

/** px round the picture. */
const ROUND = 40;

/** The picture with every sticker's cut line on it, numbered; a press chooses, with Shift another as well. */
export function StickersDrawing({
  artwork,
  parting,
  set,
  cut,
  chosen,
  onChoose,
}: {
  artwork: Artwork;
  parting: Parting | null;
  set: StickerSet | null;
  cut: { set: StickerSet; fit: Fit } | null;
  chosen: readonly number[];
  onChoose: (index: number, more: boolean) => void;
}) {
  const { room, size } = useRoomSize();
  const grid = gridOf(artwork.facts);
  const scale = size
    ? Math.min((size.width - 2 * ROUND) / grid.width, (size.height - 2 * ROUND) / grid.height)
    : 0;
  const [width, height] = [grid.width * scale, grid.height * scale];
  return (
    <section
      ref={room}
      aria-label="Stickers on the picture"
      className="relative min-w-0 grow overflow-hidden bg-viewing text-viewing-ink"
    >
      {size && scale > 0 && (
        <div
          className="absolute"
          style={{ left: (size.width - width) / 2, top: (size.height - height) / 2, width, height }}
        >
          <svg width={width} height={height} className="absolute inset-0 overflow-visible" aria-hidden>
            {cut?.fit.faces.map((face) =>
              face.cut?.edge === 'white' ? (
                <g key={face.faceId} transform={onPicture(face, width)?.transform}>
                  <path d={face.cut.d} fill="#fff" />
                </g>
              ) : null,
            )}
          </svg>
          <img src={previewUrl(artwork)} alt={artwork.facts.name} className="absolute inset-0 size-full" />
          <svg width={width} height={height} className="absolute inset-0 overflow-visible" aria-hidden={!set}>
            {parting && set && <LeftOut parting={parting} left={set.left} width={width} height={height} />}
            {cut?.fit.faces.map((face, i) => (
              <CutOf
                key={face.faceId}
                face={face}
                width={width}
                chosen={cut.set === set && chosen.includes(i)}
              />
            ))}
            {parting &&
              set?.stickers.map((sticker, i) => {
                const box = boxOfSticker(sticker, parting);
                return (
                  <Tag
                    key={`${sticker.name} ${i}`}
                    label={`Sticker ${i + 1}, ${sticker.name}`}
                    number={i + 1}
                    box={{
                      x: box.x * width,
                      y: box.y * height,
                      width: box.width * width,
                      height: box.height * height,
                    }}
                    chosen={chosen.includes(i)}
                    onChoose={(more) => {
                      onChoose(i, more);
                    }}
                  />
                );
              })}
          </svg>
        </div>
      )}
    </section>
  );
}

/** How mm of a sticker's face come to lie on the picture, which is so many px wide. */
function onPicture(face: FitFace, width: number): { perMm: number; transform: string } | null {
  const piece = face.pieces.find(({ kind }) => kind === 'artwork');
  if (piece?.kind !== 'artwork') return null;
  const perMm = width / piece.width;
  const [left, top] = [piece.x - piece.width / 2, piece.y - piece.height / 2];
  return { perMm, transform: `scale(${perMm}) translate(${-left} ${-top})` };
}

/** A sticker's cut line where it lies on the picture. */
function CutOf({ face, width, chosen }: { face: FitFace; width: number; chosen: boolean }) {
  const on = onPicture(face, width);
  if (!on || !face.cut || face.cut.d === '') return null;
  const { perMm, transform } = on;
  return (
    <g transform={transform} fill="none">
      <path d={face.cut.d} stroke="#fff" strokeWidth={4 / perMm} strokeOpacity="0.7" />
      <path
        d={face.cut.d}
        stroke={chosen ? 'var(--color-thread)' : 'var(--color-viewing-ink)'}
        strokeWidth={(chosen ? 2.6 : 1.5) / perMm}
      />
    </g>
  );
}

/** px of the square that a number stands in, above its sticker's box. */
const TAG = 17;

interface Box {
  x: number;
  y: number;
  width: number;
  height: number;
}

function Tag(props: {
  label: string;
  number: number;
  box: Box;
  chosen: boolean;
  onChoose: (more: boolean) => void;
}) {
  const { label, number, box, chosen, onChoose } = props;
  return (
    <g
      role="button"
      tabIndex={0}
      aria-label={label}
      aria-pressed={chosen}
      className="cursor-pointer"
      onClick={(event) => {
        onChoose(event.shiftKey);
      }}
      onKeyDown={(event) => {
        if (event.key !== 'Enter' && event.key !== ' ') return;
        event.preventDefault();
        onChoose(event.shiftKey);
      }}
    >
      <rect {...box} fill="transparent" />
      <rect
        x={box.x}
        y={box.y - TAG}
        width={number > 9 ? 24 : TAG}
        height={TAG}
        fill={chosen ? 'var(--color-thread)' : 'var(--color-docket)'}
        stroke="var(--color-viewing-ink)"
      />
      <text
        x={box.x + (number > 9 ? 12 : TAG / 2)}
        y={box.y - TAG + 13}
        textAnchor="middle"
        className="measure"
        fontSize={12}
        fill={chosen ? 'var(--color-on-thread)' : 'var(--color-ink)'}
      >
        {number}
      </text>
    </g>
  );
}

/** Shapes that become no sticker, crossed through. */
function LeftOut({
  parting,
  left,
  width,
  height,
}: {
  parting: Parting;
  left: readonly number[];
  width: number;
  height: number;
}) {
  const d = left
    .map((i) => {
      const { x, y, width: w, height: h } = parting.motifs[i]!.box;
      const at = (px: number, py: number) => `${px * width} ${py * height}`;
      return `M${at(x, y)}L${at(x + w, y + h)}M${at(x + w, y)}L${at(x, y + h)}`;
    })
    .join('');
  return <path d={d} stroke="var(--color-viewing-ink)" strokeWidth={1.2} strokeDasharray="6 4" fill="none" />;
}
