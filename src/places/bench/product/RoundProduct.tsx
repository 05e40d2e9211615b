'use client';
import { Canvas } from '@react-three/fiber';
import { useState } from 'react';
import type { WrapBody } from '@/core/blank/schema';
import { fixed } from '@/core/length/show';
import type { Live } from '../useLive';
import { useDrag } from '../flat/useDrag';
import { RoundScene, type Eye } from './RoundScene';

const SET_VIEWS: readonly (Eye & { name: string })[] = [
  { name: 'from the left', angle: -Math.PI / 2 },
  { name: 'from the front', angle: 0 },
  { name: 'from the right', angle: Math.PI / 2 },
];

/** A round product from its left, front and right as a viewer in front names them, and once in the hand to be turned. */
export function RoundProduct({ live, body, tall }: { live: Live; body: WrapBody; tall: boolean }) {
  const [hand, setHand] = useState(0.6);
  const drag = useDrag({
    start: () => hand,
    move: (from: number, { dx }) => {
      setHand(from - dx * 0.012);
    },
    end: () => undefined,
  });
  const eyes = [...SET_VIEWS.map(({ angle }) => ({ angle })), { angle: hand }];
  const degrees = Math.round((hand * 180) / Math.PI) % 360;
  const labels = [...SET_VIEWS.map(({ name }) => name), `in the hand, turned ${fixed(degrees, 0)}°`];
  return (
    <div className="relative min-h-0 grow">
      <Canvas
        frameloop="demand"
        flat
        dpr={[1, 2]}
        gl={{ antialias: true, alpha: true }}
        aria-hidden
        className="!absolute inset-0"
      >
        <RoundScene live={live} body={body} eyes={eyes} columns={tall ? 2 : 4} />
      </Canvas>
      <div className={`absolute inset-0 grid ${tall ? 'grid-cols-2 grid-rows-2' : 'grid-cols-4'}`}>
        {labels.map((label, index) => (
          <div key={index} className="relative border-l border-viewing-rule first:border-l-0">
            <span className="absolute left-3 top-1.5 text-sm font-semibold">{label}</span>
            {index === 3 && (
              <svg
                role="slider"
                tabIndex={0}
                aria-label="Turn the product"
                aria-valuenow={degrees}
                aria-valuemin={-360}
                aria-valuemax={360}
                aria-valuetext={`${degrees} degrees`}
                data-arrows
                className="absolute inset-0 h-full w-full cursor-grab touch-none"
                onKeyDown={(event) => {
                  const step = event.key === 'ArrowLeft' ? -1 : event.key === 'ArrowRight' ? 1 : 0;
                  if (step !== 0) setHand(hand + (step * Math.PI) / 24);
                }}
              >
                <rect width="100%" height="100%" fill="transparent" {...drag} />
              </svg>
            )}
          </div>
        ))}
      </div>
    </div>
  );
}
