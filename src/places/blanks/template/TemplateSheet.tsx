'use client';
import { useEffect, useMemo, useState } from 'react';
import { toast } from '@/ui/toast';
import { lineAt } from '@/core/raster/lines';
import type { Raster } from '@/core/raster/raster';
import type { Rect } from '@/core/template/drawing';
import { pickLine, type EdgeSet, type Picked } from '@/core/template/picked';
import type { TemplateRead } from '@/state/handover/templates';
import { useRoomSize } from '@/ui/useRoomSize';

/** The template itself; a click on one of its lines moves the nearer side of what is being picked there. */
export function TemplateSheet({
  read,
  picked,
  set,
  onPick,
}: {
  read: TemplateRead;
  picked: Picked | null;
  set: EdgeSet;
  onPick: (picked: Picked) => void;
}) {
  const { room, size } = useRoomSize();
  const url = usePicture(read.picture);
  const raster = useRaster(read.picture);
  const { page } = read.reading;
  const natural = page ?? read.reading.pixels ?? { width: 1, height: 1 };
  const scale = size ? Math.min((size.width - 48) / natural.width, (size.height - 48) / natural.height) : 1;
  const shown = { width: natural.width * scale, height: natural.height * scale };
  const pick = (event: React.MouseEvent<SVGSVGElement>) => {
    if (!raster || !picked || !page) return;
    const box = event.currentTarget.getBoundingClientRect();
    const perPixel = page.width / raster.width;
    const x = ((event.clientX - box.x) / box.width) * raster.width;
    const y = ((event.clientY - box.y) / box.height) * raster.height;
    const line = lineAt(raster, x, y);
    if (!line) {
      toast('There is no straight line here: click on one, away from its corners.');
      return;
    }
    onPick(pickLine(picked, set, { ...line, at: line.at * perPixel }));
  };
  return (
    <div ref={room} className="grid min-w-0 grow place-items-center bg-viewing">
      {size && url && (
        <div className="relative" style={shown}>
          <img src={url} alt={`Template ${read.reading.name}`} className="absolute inset-0 h-full w-full" />
          <svg
            role="img"
            aria-label={`Lines of the template: click to pick the ${set}`}
            className="absolute inset-0 h-full w-full cursor-crosshair"
            onClick={pick}
          >
            {picked && (
              <g transform={`scale(${scale})`} fill="none">
                <Edge rect={picked.bleed} px={1 / scale} dash={[2, 2]} lit={set === 'bleed'} />
                <Edge rect={picked.safe} px={1 / scale} dash={[8, 5]} lit={set === 'safe'} />
                <Edge rect={picked.trim} px={1 / scale} dash={[]} lit={set === 'trim'} />
              </g>
            )}
          </svg>
        </div>
      )}
    </div>
  );
}

function Edge({ rect, px, dash, lit }: { rect: Rect | null; px: number; dash: number[]; lit: boolean }) {
  if (!rect) return null;
  return (
    <>
      <rect {...rect} stroke={lit ? 'var(--tape)' : '#fff'} strokeWidth={4 * px} strokeOpacity="0.85" />
      <rect
        {...rect}
        stroke="var(--color-viewing-ink)"
        strokeWidth={1.2 * px}
        strokeDasharray={dash.map((part) => part * px).join(' ')}
      />
    </>
  );
}

function usePicture(picture: Blob): string | null {
  const url = useMemo(() => URL.createObjectURL(picture), [picture]);
  useEffect(
    () => () => {
      URL.revokeObjectURL(url);
    },
    [url],
  );
  return url;
}

/** The picture's pixels, for finding lines in. */
function useRaster(picture: Blob): Raster | null {
  const [raster, setRaster] = useState<Raster | null>(null);
  useEffect(() => {
    let current = true;
    void createImageBitmap(picture).then((bitmap) => {
      const { width, height } = bitmap;
      const context = new OffscreenCanvas(width, height).getContext('2d', { willReadFrequently: true })!;
      context.drawImage(bitmap, 0, 0);
      bitmap.close();
      const { data } = context.getImageData(0, 0, width, height);
      if (current) setRaster({ width, height, data: new Uint8Array(data.buffer), opaque: true });
    });
    return () => {
      current = false;
    };
  }, [picture]);
  return raster;
}
