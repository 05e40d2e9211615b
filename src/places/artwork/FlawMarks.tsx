'use client';
import { gridOf, type Facts, type Flaw } from '@/core/artwork/facts';

/** The least side of a mark in px, so that a speck of a pixel can be seen. */
const LEAST = 9;

interface Box {
  x: number;
  y: number;
  width: number;
  height: number;
}

/** What was left in a picture, each ringed where it lies; and the corners of what counts as there. */
export function FlawMarks({ facts, box }: { facts: Facts; box: Box }) {
  const grid = gridOf(facts);
  const scale = box.width / grid.width;
  const place = ({ x, y, width, height }: Box) => ({
    x: box.x + x * scale,
    y: box.y + y * scale,
    width: width * scale,
    height: height * scale,
  });
  const there = place(facts.alpha.opaqueBounds);
  return (
    <svg aria-hidden className="pointer-events-none absolute inset-0 size-full">
      {facts.alpha.present && there.width > 0 && (
        <path d={corners(there)} className="stroke-viewing-ink" strokeWidth="1.2" fill="none" />
      )}
      {facts.flaws.map((flaw, index) => {
        const along = alongOf(flaw);
        if (along)
          return (
            <path
              key={index}
              d={along
                .map(([x, y], i) => `${i ? 'L' : 'M'}${box.x + x * scale} ${box.y + y * scale}`)
                .join('')}
              className="stroke-viewing-fix"
              strokeWidth="5"
              strokeDasharray={flaw.certain ? '1 5' : '1 9'}
              fill="none"
            />
          );
        const { x, y, width, height } = place(flaw.box);
        const [w, h] = [Math.max(LEAST, width + 4), Math.max(LEAST, height + 4)];
        return (
          <rect
            key={index}
            x={x + width / 2 - w / 2}
            y={y + height / 2 - h / 2}
            width={w}
            height={h}
            className="stroke-viewing-fix"
            strokeWidth="1.4"
            strokeDasharray={flaw.certain ? undefined : '3 2'}
            fill="none"
          />
        );
      })}
    </svg>
  );
}

/** The ends of a line at a slant, which has no box that tells where it is; null of any other flaw. */
function alongOf({ line }: Flaw): [x: number, y: number][] | null {
  if (!line?.ends) return null;
  const [x0, y0, x1, y1] = line.ends;
  return x0 === x1 || y0 === y1
    ? null
    : [
        [x0, y0],
        [x1, y1],
      ];
}

/** Angles at the four corners of a rectangle, drawn just outside it. */
function corners({ x, y, width, height }: Box): string {
  const arm = Math.min(14, width / 3, height / 3);
  const [l, t, r, b] = [x - 2, y - 2, x + width + 2, y + height + 2];
  return `M${l} ${t + arm}V${t}H${l + arm}M${r - arm} ${t}H${r}V${t + arm}M${r} ${b - arm}V${b}H${r - arm}M${l + arm} ${b}H${l}V${b - arm}`;
}
