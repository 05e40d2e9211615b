import type { Format } from '../formats/registry';
import { MM_PER_INCH } from '../length/units';
import type { Rect } from './drawing';

type Corners = [x0: number, y0: number, x1: number, y1: number];

/** A PDF page's boxes in mm from the media box's lower left corner, and which of them the file states. */
export interface TemplatePage {
  media: Corners;
  crop: Corners;
  bleed: Corners;
  trim: Corners;
  art: Corners;
  stated: { crop: boolean; bleed: boolean; trim: boolean };
}

/** A circle of a drill template, in mm from the page's top left. */
export interface DrillHole {
  x: number;
  y: number;
  diameter: number;
}

/** Something about a template that makes it come in at the wrong size if nobody looks. */
export interface Trap {
  code: 'no-density' | 'screen-density' | 'page-is-bleed' | 'no-unit' | 'size-mismatch';
  message: string;
}

/** What a house's template file says: its page, and what is known of trim and bleed, in mm from the page's top left. */
export interface TemplateReading {
  name: string;
  format: Format;
  /** Null where nothing says how large it is: then the seller does. */
  page: { width: number; height: number } | null;
  pixels: { width: number; height: number } | null;
  /** What the size rests on, in words. */
  from: string;
  trim: Rect | null;
  bleed: Rect | null;
  holes: DrillHole[];
  traps: Trap[];
}

/** A density at which screens are drawn, and prints hardly ever meant. */
const SCREEN_PPI = 100;

const rectOf = ([x0, y0, x1, y1]: Corners, media: Corners): Rect => ({
  x: x0,
  y: media[3] - media[1] - y1,
  width: x1 - x0,
  height: y1 - y0,
});

const same = (a: Rect, b: Rect) => Math.abs(a.width - b.width) < 0.05 && Math.abs(a.height - b.height) < 0.05;
const size = ({ width, height }: { width: number; height: number }) =>
  `${width.toFixed(1)} × ${height.toFixed(1)} mm`;

/** Reads a template that is a PDF's page: its trim is its TrimBox, never its page where the two differ. */
export function readingOfPage(name: string, page: TemplatePage): TemplateReading {
  const media = rectOf(page.media, page.media);
  const trim = rectOf(page.trim, page.media);
  const bleed = rectOf(page.bleed, page.media);
  const traps: Trap[] = [];
  if (page.stated.trim && !same(trim, media)) {
    const both = page.stated.bleed && same(bleed, media) ? 'trim plus bleed' : 'larger than the trim';
    traps.push({
      code: 'page-is-bleed',
      message: `The page is ${size(media)}, which is ${both}: the trim is ${size(trim)}. Taking the page for the trim would add its bleed.`,
    });
  }
  if (!page.stated.trim) {
    traps.push({
      code: 'page-is-bleed',
      message: `The file states no trim: ${size(media)} may be the trim, or the trim plus its bleed. Say which, or pick the trim off the drawing.`,
    });
  }
  return {
    name,
    format: 'pdf',
    page: { width: media.width, height: media.height },
    pixels: null,
    from: page.stated.trim ? 'TrimBox of the PDF' : 'page of the PDF',
    trim: page.stated.trim ? trim : media,
    bleed: page.stated.bleed ? bleed : null,
    holes: [],
    traps,
  };
}

/** Reads a template that is a picture: pixels have a size only through their density. */
export function readingOfPicture(
  name: string,
  format: Format,
  pixels: { width: number; height: number },
  density: { x: number; y: number } | null,
): TemplateReading {
  const traps: Trap[] = [];
  const page = density && {
    width: (pixels.width / density.x) * MM_PER_INCH,
    height: (pixels.height / density.y) * MM_PER_INCH,
  };
  if (!density) {
    traps.push({
      code: 'no-density',
      message: `The picture is ${pixels.width} × ${pixels.height} px and carries no density, so nothing says how large it is: type one side, or the PPI the house states.`,
    });
  } else if (Math.min(density.x, density.y) < SCREEN_PPI) {
    const at300 = { width: (pixels.width / 300) * MM_PER_INCH, height: (pixels.height / 300) * MM_PER_INCH };
    traps.push({
      code: 'screen-density',
      message: `Tagged ${Math.round(density.x)} PPI, which is a screen's density: at that it is ${size(page!)}, at 300 PPI it would be ${size(at300)}. Check one side against what the house states.`,
    });
  }
  return {
    name,
    format,
    page,
    pixels,
    from: density ? `${Math.round(density.x * 10) / 10} PPI in the file` : 'nothing in the file',
    trim: page && { x: 0, y: 0, ...page },
    bleed: null,
    holes: [],
    traps,
  };
}

/** The same template at a size the seller states, by one side in mm; everything found on it scales along. */
export function resized(reading: TemplateReading, side: 'width' | 'height', mm: number): TemplateReading {
  const now = reading.page ?? reading.pixels;
  if (!now) return reading;
  const factor = mm / now[side];
  const scale = (rect: Rect | null) =>
    rect && {
      x: rect.x * factor,
      y: rect.y * factor,
      width: rect.width * factor,
      height: rect.height * factor,
    };
  const page = { width: now.width * factor, height: now.height * factor };
  return {
    ...reading,
    page,
    from: 'the size you typed',
    trim: scale(reading.trim) ?? { x: 0, y: 0, ...page },
    bleed: scale(reading.bleed),
    holes: reading.holes.map(({ x, y, diameter }) => ({
      x: x * factor,
      y: y * factor,
      diameter: diameter * factor,
    })),
    traps: reading.traps.filter(({ code }) => code === 'page-is-bleed'),
  };
}

/** A trap where a stated size and the file's own do not agree, in mm; null where they do. */
export function mismatch(reading: TemplateReading, stated: { width: number; height: number }): Trap | null {
  const found = reading.trim ?? (reading.page && { x: 0, y: 0, ...reading.page });
  if (!found) return null;
  const off = Math.max(Math.abs(found.width - stated.width), Math.abs(found.height - stated.height));
  if (off <= 0.3) return null;
  return {
    code: 'size-mismatch',
    message: `The file comes to ${size(found)}, the house states ${size(stated)}: ${off.toFixed(1)} mm apart. Ask which holds before you print.`,
  };
}
