import type { StepOf } from '../../artwork/steps';
import { rgbOf } from '../../colour/hex';
import { labelFlat, settleIslands } from '../flat';
import { IN_SILENCE, type Progress, type Raster } from '../raster';

/** Pixels that an edge's mixture is wide, at most. */
const REACH = 3;

/** A picture in few flat inks, each pixel wholly of one of them or open: no edge is a mixture of two any more. */
export function fewInks(
  raster: Raster,
  { inks, open, least }: StepOf<'inks'>,
  progress: Progress = IN_SILENCE,
): Raster {
  const { width, height } = raster;
  const colours = [
    ...open.map((hex) => ({ hex, label: 0 })),
    ...inks.flatMap(({ from }, i) => from.map((hex) => ({ hex, label: i + 1 }))),
  ];
  const label = labelFlat(raster, colours, REACH);
  progress(0.6);
  settleIslands(label, width, height, (least * width) ** 2);
  progress(0.9);
  const printed = [0, ...inks.map(({ hex }) => opaqueWord(hex))];
  const pixels = new Uint32Array(width * height);
  for (let i = 0; i < pixels.length; i++) pixels[i] = printed[label[i]!]!;
  return { width, height, data: new Uint8Array(pixels.buffer), opaque: raster.opaque && !label.includes(0) };
}

/** A colour as a solid pixel. */
export function opaqueWord(hex: string): number {
  const [red, green, blue] = rgbOf(hex);
  return ((255 << 24) | (blue << 16) | (green << 8) | red) >>> 0;
}
