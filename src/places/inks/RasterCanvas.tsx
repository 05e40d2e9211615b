'use client';
import { useEffect, useRef, type ComponentProps } from 'react';
import type { Raster } from '@/core/raster/raster';

/** Pixels as they are, at whatever size there is room for. */
export function RasterCanvas({
  raster,
  ...canvas
}: { raster: Raster } & Omit<ComponentProps<'canvas'>, 'width' | 'height' | 'ref'>) {
  const ref = useRef<HTMLCanvasElement>(null);
  const { width, height, data } = raster;
  useEffect(() => {
    const pixels = new Uint8ClampedArray(data as Uint8Array<ArrayBuffer>);
    ref.current?.getContext('2d')?.putImageData(new ImageData(pixels, width, height), 0, 0);
  }, [data, width, height]);
  return <canvas ref={ref} width={width} height={height} {...canvas} />;
}
