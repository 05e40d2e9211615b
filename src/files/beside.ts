import { PDFDocument } from '@cantoo/pdf-lib';
import { garmentOutline } from '@/core/blank/bodies/garment';
import { garmentTop, placeOf } from '@/core/blank/drawn';
import type { PrintFace, ResolvedBlank } from '@/core/blank/resolve';
import { shapePath } from '@/core/blank/shape';
import type { Verdict } from '@/core/check/finding';
import { layBeside, type BesidePage } from '@/core/many/beside';
import type { Fit } from '@/core/fit/schema';
import { showSize, type UnitSetting } from '@/core/length/show';
import { cutTo } from '@/core/render/cut-to';
import { flatten, renderFace, type Shown } from '@/core/render/face';
import type { Engine } from '@/imaging/engine';
import type { DrawPage } from './pdf/draw';
import { DrawnPage, INK, screenColour, SECOND } from './pdf/page';
import { pictureOf, type MadePicture } from './pdf/picture';
import { drawVerdict, VERDICT } from './pdf/verdict';
import type { readFont } from './type';

/** A4 lying. */
const PAGE = { width: 297, height: 210, margin: 14, head: 18 };
const ROOM: BesidePage = {
  width: PAGE.width - 2 * PAGE.margin,
  height: PAGE.height - 2 * PAGE.margin - PAGE.head,
  gap: 7,
  caption: { width: 34, height: 15 },
};
/** PPI of what is drawn, and of the pages as pictures. */
const PPI = 200;

/** Fits that are shown side by side, and what is said of them. */
export interface BesideAsked {
  title: string;
  /** `Gullwick Light · 2026-11-28`. */
  under: string;
  unit: UnitSetting;
  items: readonly BesideItem[];
  format: 'pdf' | 'png';
}

export interface BesideItem {
  name: string;
  /** A second line under its name. */
  under: string | null;
  faceId: string;
  verdict: Verdict | null;
}

/** A fit on its blank, as one of several. */
export interface BesideFit {
  blank: ResolvedBlank;
  fit: Fit;
}

/** How large what is drawn of a fit is, in mm. */
export function drawnFace({ blank, fit }: BesideFit, faceId: string) {
  const face = blank.faces.find(({ id }) => id === faceId) ?? blank.faces[0]!;
  return { face, ...placeOf(blank, face, fit.sizeId) };
}

/** A face's picture as it prints, small and unbent; null where nothing lies on it. */
export function drawFace(
  engine: Engine,
  { fit }: BesideFit,
  face: PrintFace,
  shown: Shown,
  scale: number,
): MadePicture | null {
  const pieces = fit.faces.find(({ faceId }) => faceId === face.id)?.pieces ?? [];
  if (pieces.length === 0) return null;
  const perMm = (PPI / 25.4) * scale;
  const pixels = {
    width: Math.max(1, Math.round((face.width + 2 * face.edge) * perMm)),
    height: Math.max(1, Math.round((face.height + 2 * face.edge) * perMm)),
  };
  const drawn = renderFace({ ...face, bleed: face.edge, bend: null }, pieces, shown, { pixels });
  return { ...engine.encodePlanes(cutTo(drawn, face, face.edge)), inks: false };
}

/** Fits side by side at one scale as a PDF, its words as outlines, or its pages as pictures. */
export async function writeBeside(
  asked: BesideAsked,
  fits: readonly BesideFit[],
  pictureAt: (index: number, face: PrintFace, scale: number) => Promise<MadePicture | null>,
  font: ReturnType<typeof readFont>,
): Promise<{ pdf: Uint8Array; pages: number }> {
  const pdf = await PDFDocument.create();
  pdf.setTitle(asked.title);
  pdf.setCreator('Up Fit');
  const drawn = fits.map((one, i) => drawnFace(one, asked.items[i]!.faceId));
  const { scale, pages } = layBeside(drawn, ROOM);
  for (const [number, spots] of pages.entries()) {
    const page = new DrawnPage(pdf, font, PAGE);
    const { margin, width } = PAGE;
    page.write(asked.title, margin, margin + 6, { size: 7, within: width - 2 * margin - 50 });
    const said = [
      asked.under,
      `drawn at ${Math.round(scale * 100)} % of true size`,
      ...(pages.length > 1 ? [`${number + 1} of ${pages.length}`] : []),
    ].join(' · ');
    page.write(said, margin, margin + 12, { size: 3.4, colour: SECOND });
    page.line(margin, margin + 15, width - margin, margin + 15, 0.4);
    for (const { index, x, y } of spots) {
      const place = drawn[index]!;
      const at = { x: margin + x, y: margin + PAGE.head + y };
      drawFlat(page, fits[index]!, place, at, scale);
      const picture = await pictureAt(index, place.face, scale);
      if (picture) {
        const { edge, width: across, height: down } = place.face;
        const left = at.x + (place.origin.x + place.width / 2 - edge) * scale;
        const top = at.y + (place.origin.y - edge) * scale;
        const box = [left, top, (across + 2 * edge) * scale, (down + 2 * edge) * scale] as const;
        page.picture(pictureOf(pdf, picture), ...box);
      }
      writeCaption(
        page,
        asked,
        index,
        { face: place.face, x: at.x, y: at.y + place.height * scale },
        place.width * scale,
      );
    }
  }
  return { pdf: await pdf.save(), pages: pages.length };
}

/** The product cut out in its colour, or its face alone. */
function drawFlat(
  page: DrawnPage,
  { blank: { blank }, fit }: BesideFit,
  { face, garment, origin, width }: ReturnType<typeof drawnFace>,
  at: { x: number; y: number },
  scale: number,
): void {
  const colour = blank.colours.find(({ id }) => id === fit.colourId)?.hex ?? '#ffffff';
  const look = { fill: screenColour(colour), line: INK };
  const middle = at.x + (width / 2) * scale;
  if (garment)
    page.shape(garmentOutline(garment), { x: middle, y: at.y + garmentTop(garment) * scale, scale }, look);
  else
    page.shape(
      shapePath(face, face.edge),
      { x: middle + origin.x * scale, y: at.y + origin.y * scale, scale },
      look,
    );
}

/** What it is, what it is on and how large, and how it stands. */
function writeCaption(
  page: DrawnPage,
  { items, unit }: BesideAsked,
  index: number,
  { face, x, y }: { face: PrintFace; x: number; y: number },
  wide: number,
): void {
  const { name, under, verdict } = items[index]!;
  const within = Math.max(wide, ROOM.caption.width);
  const size = showSize(face.width, face.height, unit);
  page.write(name, x, y + 4.4, { size: 3.2, within });
  let down = y + 4.4;
  for (const words of under === null ? [size] : [under, size]) {
    down += 3.7;
    page.write(words, x, down, { size: 2.9, colour: SECOND, within });
  }
  if (!verdict) return;
  const { word, colour } = VERDICT[verdict];
  drawVerdict(page, verdict, x, down + 0.8, 2.4);
  page.write(word, x + 3.4, down + 3.2, { size: 2.9, colour });
}

/** The pages of a PDF as PNGs. */
export async function pagesAsPng(
  engine: Engine,
  draw: DrawPage,
  pdf: Uint8Array,
  pages: number,
): Promise<Uint8Array[]> {
  const within = {
    width: Math.round((PAGE.width / 25.4) * PPI),
    height: Math.round((PAGE.height / 25.4) * PPI),
  };
  const made: Uint8Array[] = [];
  for (let i = 0; i < pages; i++)
    made.push(engine.encodePng(flatten(await draw(pdf, i, within), '#ffffff'), { ppi: PPI, use: 'small' }));
  return made;
}
