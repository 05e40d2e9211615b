interface Size {
  width: number;
  height: number;
}

interface Box extends Size {
  x: number;
  y: number;
}

/** A turn by quarters, clockwise, after a flip from left to right or not: the eight ways a picture can lie. */
export interface Lie {
  quarters: 0 | 1 | 2 | 3;
  flipped: boolean;
}

/** How a stored picture is brought upright, by its EXIF orientation (1 to 8). */
const UPRIGHT: readonly Lie[] = [
  { quarters: 0, flipped: false },
  { quarters: 0, flipped: true },
  { quarters: 2, flipped: false },
  { quarters: 2, flipped: true },
  { quarters: 3, flipped: true },
  { quarters: 1, flipped: false },
  { quarters: 1, flipped: true },
  { quarters: 3, flipped: false },
];

export function uprightFrom(orientation: number): Lie {
  return UPRIGHT[orientation - 1] ?? UPRIGHT[0]!;
}

/** Width and height change places when laid on a side. */
export function layingSize({ width, height }: Size, { quarters }: Lie): Size {
  return quarters % 2 === 0 ? { width, height } : { width: height, height: width };
}

/** Where a part of a picture of some size lies once the picture is flipped and turned. */
export function layBox(box: Box, size: Size, { quarters, flipped }: Lie): Box {
  const { y, width, height } = box;
  const x = flipped ? size.width - box.x - width : box.x;
  switch (quarters) {
    case 0:
      return { x, y, width, height };
    case 1:
      return { x: size.height - y - height, y: x, width: height, height: width };
    case 2:
      return { x: size.width - x - width, y: size.height - y - height, width, height };
    case 3:
      return { x: y, y: size.width - x - width, width: height, height: width };
  }
}
