'use client';
import { useEffect, useRef } from 'react';
import type { Finding } from '@/core/check/finding';
import type { Piece } from '@/core/fit/schema';
import { drawPieces } from '@/state/bench/product';
import type { Live } from '../live/useLive';
import type { View } from './view';

/** px of the line round what is found, and from one line of its hatching to the next. */
const EDGE = 1.5;
const HATCH = 5;
/** mm that a place is larger than what was found in it, so that the edge of a stroke is seen whole. */
const ROUND = 0.15;

type Place = NonNullable<Finding['place']>;

/** Places of a finding that are parts of pieces: what they show there, by its own outline and hatched. */
export function FoundOnPieces({
  live,
  view,
  pieces,
  soft,
  places,
}: {
  live: Live;
  view: View;
  pieces: readonly Piece[];
  /** Whether only what is half clear is meant. */
  soft: boolean;
  places: readonly Place[];
}) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const { face, factsOf, previews } = live;
  useEffect(() => {
    const element = canvas.current;
    if (!element) return;
    const dpr = window.devicePixelRatio;
    element.width = Math.round(view.width * dpr);
    element.height = Math.round(view.height * dpr);
    const context = element.getContext('2d')!;
    const colour = getComputedStyle(element).color;
    const shown = { facts: factsOf, pictureOf: (id: string) => previews.get(id)?.bitmap };
    const found = layerOf(element);
    found.setTransform(view.scale * dpr, 0, 0, view.scale * dpr, view.left * dpr, view.top * dpr);
    found.beginPath();
    for (const { left, top, right, bottom } of places)
      found.rect(left - ROUND, top - ROUND, right - left + 2 * ROUND, bottom - top + 2 * ROUND);
    found.clip();
    const whole = pieces.map((piece) => ({ ...piece, knockout: false, opacity: 1, blend: undefined }));
    drawPieces(found, face, whole, shown);
    if (soft) keepSoft(found);
    const tinted = layerOf(element);
    tinted.drawImage(found.canvas, 0, 0);
    tinted.globalCompositeOperation = 'source-in';
    tinted.fillStyle = colour;
    tinted.fillRect(0, 0, element.width, element.height);
    // The line is what lies round it in every direction, less itself.
    for (let i = 0; i < 8; i++) {
      const [x, y] = [Math.cos((i * Math.PI) / 4), Math.sin((i * Math.PI) / 4)];
      context.drawImage(tinted.canvas, x * EDGE * dpr, y * EDGE * dpr);
    }
    context.globalCompositeOperation = 'destination-out';
    context.drawImage(found.canvas, 0, 0);
    context.globalCompositeOperation = 'source-over';
    tinted.globalCompositeOperation = 'destination-in';
    hatch(tinted, HATCH * dpr);
    context.drawImage(tinted.canvas, 0, 0);
  }, [view, face, pieces, soft, places, factsOf, previews]);
  return (
    <canvas
      ref={canvas}
      aria-hidden
      data-found
      className="pointer-events-none absolute inset-0 h-full w-full text-viewing-fix"
    />
  );
}

function layerOf({ width, height }: HTMLCanvasElement): OffscreenCanvasRenderingContext2D {
  return new OffscreenCanvas(width, height).getContext('2d')!;
}

/** Alpha from which a pixel counts as there, and up to which it is half clear. */
const [THERE, WHOLE] = [12, 243];
/** px that half clear parts reach at least to every side: less is the smooth edge of what is opaque. */
const BROAD = 2;

/** Leaves of a layer what is half clear over some breadth, and makes that opaque. */
function keepSoft(layer: OffscreenCanvasRenderingContext2D): void {
  const { width, height } = layer.canvas;
  const image = layer.getImageData(0, 0, width, height);
  const { data } = image;
  const isSoft = (at: number) => data[at * 4 + 3]! > THERE && data[at * 4 + 3]! < WHOLE;
  const kept = new Uint8Array(width * height);
  for (let y = BROAD; y < height - BROAD; y++)
    for (let x = BROAD; x < width - BROAD; x++) {
      const at = y * width + x;
      const broad = [at, at - BROAD, at + BROAD, at - BROAD * width, at + BROAD * width].every(isSoft);
      kept[at] = broad ? 255 : 0;
    }
  for (let at = 0; at < kept.length; at++) data[at * 4 + 3] = kept[at]!;
  layer.putImageData(image, 0, 0);
}

/** Slanting lines over all of a layer. */
function hatch(layer: OffscreenCanvasRenderingContext2D, step: number): void {
  const { width, height } = layer.canvas;
  layer.lineWidth = step / 3.5;
  layer.beginPath();
  for (let x = -height; x < width; x += step * Math.SQRT2) {
    layer.moveTo(x, height);
    layer.lineTo(x + height, 0);
  }
  layer.stroke();
}
