import { useEffect, useRef, useState, type RefObject } from 'react';

export interface RoomSize {
  width: number;
  height: number;
}

/** Follows the size in px of the element that holds `room`; null until it is known. */
export function useRoomSize(): { room: RefObject<HTMLDivElement | null>; size: RoomSize | null } {
  const room = useRef<HTMLDivElement>(null);
  const [size, setSize] = useState<RoomSize | null>(null);
  useEffect(() => {
    const watch = new ResizeObserver(([entry]) => {
      if (entry) setSize({ width: entry.contentRect.width, height: entry.contentRect.height });
    });
    watch.observe(room.current!);
    return () => {
      watch.disconnect();
    };
  }, []);
  return { room, size };
}
