import type { Face, StickerBody } from '../schema';

/** The one face of a sticker: its cut shape. */
export function stickerFaces(body: StickerBody): Face[] {
  const { width, height, cornerRadius } = body;
  return [
    {
      id: 'sticker',
      name: 'Sticker',
      width,
      height,
      cornerRadius,
      zones: [{ id: 'middle', name: 'middle', x: width / 2, y: height / 2, width, height }],
      keepOuts: [],
    },
  ];
}
