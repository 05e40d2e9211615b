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
  places,
}: {
  live: Live;
  view: View;
  pieces: readonly Piece[];
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
  }, [view, face, pieces, places, factsOf, previews]);
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
