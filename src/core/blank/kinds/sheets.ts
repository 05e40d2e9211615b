import type {
  CaseBody,
  FlatBody,
  GalleryBody,
  LabelBody,
  PlateBody,
  StickerBody,
  TwoSidedBody,
} from '../body';
import { panelZones, plainFace, rectangle, type Face, type Panel } from '../face';

/** A flat thing, or a plate: one face, edge to edge. */
export function flatFaces({ sheet, keepOuts }: FlatBody | PlateBody): Face[] {
  return [plainFace('front', 'Front', sheet, keepOuts)];
}

/** A stretched print: its trim is what is seen from the front, and the print goes on round the frame's edge. */
export function galleryFaces({ width, height, depth }: GalleryBody): Face[] {
  return [{ ...plainFace('front', 'Front', rectangle(width, height)), edge: depth }];
}

/** Each side with its own art. */
export function twoSidedFaces({ sides }: TwoSidedBody): Face[] {
  return sides.map(({ id, name, sheet, keepOuts }) => plainFace(id, name, sheet, keepOuts));
}

/** The back of a case; its wrapped sides go on past the trim. */
export function caseFaces({ width, height, cornerRadius, depth, keepOuts }: CaseBody): Face[] {
  return [{ ...plainFace('back', 'Back', rectangle(width, height, cornerRadius), keepOuts), edge: depth }];
}

/** One wrap round the container with its panels, or a front and a back label. */
export function labelFaces(body: LabelBody): Face[] {
  const { height, overlap, pair } = body;
  if (pair) {
    return [
      plainFace('front', 'Front', rectangle(pair.front, height, pair.cornerRadius)),
      plainFace('back', 'Back', rectangle(pair.back, height, pair.cornerRadius)),
    ];
  }
  const round = Math.PI * body.diameter;
  const face = plainFace('wrap', 'Wrap', rectangle(round + overlap, height));
  const panels = labelPanels(body);
  return [{ ...face, overlap, zones: panels.length > 0 ? panelZones(panels, height) : face.zones }];
}

/** The wrap's panels in mm: their shares of the way round. */
function labelPanels({ diameter, panels }: LabelBody): Panel[] {
  const whole = panels.reduce((sum, { share }) => sum + share, 0);
  return panels.map(({ name, share }) => ({ name, width: (Math.PI * diameter * share) / whole }));
}

/** A sticker's cut shape; a sheet of several is one face whose zones are the stickers. */
export function stickerFaces({ sheet, several }: StickerBody): Face[] {
  if (!several) return [plainFace('sticker', 'Sticker', sheet)];
  const { across, down, gap } = several;
  const stepX = sheet.width + gap;
  const stepY = sheet.height + gap;
  const whole = rectangle(across * stepX + gap, down * stepY + gap);
  const zones = Array.from({ length: across * down }, (_, index) => ({
    id: `sticker-${index + 1}`,
    name: `sticker ${index + 1}`,
    x: gap + (index % across) * stepX + sheet.width / 2,
    y: gap + Math.floor(index / across) * stepY + sheet.height / 2,
    width: sheet.width,
    height: sheet.height,
  }));
  const cuts = zones.map(({ x, y, width, height }) => ({ x: x - width / 2, y: y - height / 2, sheet }));
  return [{ ...plainFace('sheet', 'Sheet', whole), zones, cuts }];
}
