import type { GarmentBody } from '@/core/blank/bodies/garment';
import { garmentOutline } from '@/core/blank/bodies/garment';
import { garmentTop } from '@/core/blank/drawn';

/** A sewn thing cut out in its colour, its highest point at the drawing's top. */
export function GarmentShape({ garment, colour, px }: { garment: GarmentBody; colour: string; px: number }) {
  return (
    <path
      d={garmentOutline(garment)}
      transform={`translate(0 ${garmentTop(garment)})`}
      fill={colour}
      stroke="var(--color-viewing-ink)"
      strokeWidth={px}
      strokeLinejoin="round"
    />
  );
}
