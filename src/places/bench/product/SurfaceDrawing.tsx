import { useId } from 'react';
import type { Surface } from './useSurface';

/** What a sticker may be stuck on, drawn over the whole room; lengths are px of the screen. */
export function SurfaceDrawing({
  surface,
  width,
  height,
}: {
  surface: Surface;
  width: number;
  height: number;
}) {
  const id = useId();
  const fill = (url: string) => <rect width={width} height={height} fill={`url(#${id}${url})`} />;
  switch (surface) {
    case 'plain':
      return null;
    case 'metal':
      return (
        <>
          <linearGradient id={`${id}shine`} x1="0" y1="0" x2="1" y2="1">
            <stop offset="0" stopColor="#aeb2b5" />
            <stop offset="0.45" stopColor="#d3d6d8" />
            <stop offset="1" stopColor="#9ea2a6" />
          </linearGradient>
          <pattern id={`${id}brushed`} width="90" height="5" patternUnits="userSpaceOnUse">
            <path d="M0 1H60M22 3H90" stroke="#fff" strokeOpacity="0.25" strokeWidth="0.7" />
            <path d="M40 2H90M0 4H30" stroke="#000" strokeOpacity="0.1" strokeWidth="0.7" />
          </pattern>
          {fill('shine')}
          {fill('brushed')}
        </>
      );
    case 'kraft':
      return (
        <>
          <rect width={width} height={height} fill="#b98f63" />
          <pattern id={`${id}fibre`} width="61" height="47" patternUnits="userSpaceOnUse">
            <path
              d="M3 8l9 3M22 30l7-4M40 12l6 5M52 38l8-2M14 42l5-6M33 22l4 1"
              stroke="#7d5a36"
              strokeOpacity="0.35"
              strokeWidth="0.8"
            />
            <path
              d="M10 22l6-2M44 29l5 4M28 5l5 1M56 18l4-3"
              stroke="#ecd3ad"
              strokeOpacity="0.5"
              strokeWidth="0.8"
            />
          </pattern>
          {fill('fibre')}
        </>
      );
    case 'window':
      return (
        <>
          <linearGradient id={`${id}glass`} x1="0" y1="0" x2="0" y2="1">
            <stop offset="0" stopColor="#c9dbe2" />
            <stop offset="0.62" stopColor="#dfe8e6" />
            <stop offset="0.63" stopColor="#a9b7a8" />
            <stop offset="1" stopColor="#93a494" />
          </linearGradient>
          {fill('glass')}
          <path
            d={`M${width * 0.12} 0L${width * 0.34} 0L${width * 0.08} ${height}H${-width * 0.14}ZM${width * 0.4} 0H${width * 0.45}L${width * 0.19} ${height}H${width * 0.14}Z`}
            fill="#fff"
            fillOpacity="0.28"
          />
          <path d={`M0 0H${width}V${height}H0Z`} fill="none" stroke="#f2f0ea" strokeWidth="26" />
          <path d={`M13 13H${width - 13}V${height - 13}H13Z`} fill="none" stroke="#8d8a82" strokeWidth="1" />
        </>
      );
    case 'slab':
      return (
        <>
          <linearGradient id={`${id}lid`} x1="0" y1="0" x2="1" y2="1">
            <stop offset="0" stopColor="#55595e" />
            <stop offset="1" stopColor="#3c4045" />
          </linearGradient>
          <rect
            x={width * 0.05}
            y={height * 0.06}
            width={width * 0.9}
            height={height * 0.88}
            rx="22"
            fill={`url(#${id}lid)`}
            stroke="#2a2d31"
          />
          <rect x={width * 0.36} y={height * 0.925} width={width * 0.28} height="7" rx="3" fill="#2a2d31" />
        </>
      );
  }
}
