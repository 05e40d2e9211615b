import { useEffect, type RefObject } from 'react';
import type { Live } from '../live/useLive';
import { pointAt, usePointing } from '../live/pointing';
import { toMm, toPx, type View } from './view';

/** Marks on the flat what is pointed at on the product, and tells the product what is pointed at here. */
export function PointMark({
  live,
  view,
  room,
}: {
  live: Live;
  view: View;
  room: RefObject<HTMLElement | null>;
}) {
  const { face } = live;
  const at = usePointing((pointing) =>
    pointing.on === 'product' && pointing.at?.faceId === face.id ? pointing.at : null,
  );
  useEffect(() => {
    const element = room.current;
    if (!element) return;
    const moved = (event: PointerEvent) => {
      const { left, top } = element.getBoundingClientRect();
      const { x, y } = toMm(view, event.clientX - left, event.clientY - top);
      const within = x >= 0 && y >= 0 && x <= face.width && y <= face.height;
      pointAt('flat', within ? { faceId: face.id, x, y } : null);
    };
    const left = () => {
      pointAt('flat', null);
    };
    element.addEventListener('pointermove', moved);
    element.addEventListener('pointerleave', left);
    return () => {
      element.removeEventListener('pointermove', moved);
      element.removeEventListener('pointerleave', left);
    };
  }, [room, view, face]);
  if (!at) return null;
  const { x, y } = toPx(view, at.x, at.y);
  return <Cross x={x} y={y} label="Pointed at on the product" />;
}

/** A small open cross over its place, seen on light and on dark. */
export function Cross({ x, y, label }: { x: number; y: number; label: string }) {
  const d = `M${x - 9} ${y}h6M${x + 3} ${y}h6M${x} ${y - 9}v6M${x} ${y + 3}v6`;
  return (
    <svg
      role="img"
      aria-label={label}
      className="pointer-events-none absolute inset-0 h-full w-full overflow-visible"
      fill="none"
    >
      <path d={d} stroke="#fff" strokeWidth="3.5" />
      <path d={d} stroke="#20252b" strokeWidth="1.5" />
    </svg>
  );
}
