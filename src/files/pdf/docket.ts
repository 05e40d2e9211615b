import { cmyk, PDFDocument, rgb } from '@cantoo/pdf-lib';
import { fixed, showSize } from '@/core/length/show';
import type { DocketPage } from '@/core/pack/docket-page';
import type { readFont } from '../type';
import { A4, DrawnPage, INK, RULE, screenColour, SECOND } from './page';
import { pictureOf, type MadePicture } from './picture';
import { drawVerdict, VERDICT } from './verdict';

const MARGIN = 14;
const RIGHT = A4.width - MARGIN;
const WIDTH = RIGHT - MARGIN;
/** mm that the flats may take down the page, and that stand between them. */
const FLATS = { height: 74, gap: 14, dimension: 7 };
const ROW = 4.6;
const COLUMNS = { rule: MARGIN + 5, face: MARGIN + 36, measured: MARGIN + 62, required: MARGIN + 112 };
const MIRRORED = {
  file: 'Mirrored once, in the print file: nobody mirrors it again.',
  driver: 'Not mirrored in the file: the printer driver mirrors it.',
  house: 'Not mirrored in the file: the house mirrors it.',
};

/** A face's picture as it prints, for the flat of it. */
export type FacePictures = ReadonlyMap<string, MadePicture>;

/** A docket as a PDF for whoever prints: on one page where it can be, its words as outlines. */
export async function docketPdf(
  sheet: DocketPage,
  pictures: FacePictures,
  font: ReturnType<typeof readFont>,
): Promise<Uint8Array> {
  const pdf = await PDFDocument.create();
  pdf.setTitle(`Docket: ${sheet.design} on ${sheet.blank}`);
  pdf.setCreator('Up Fit');
  const flow = new Flow(pdf, font);
  writeHead(flow, sheet);
  drawFlats(flow, sheet, pictures);
  writeSides(flow, sheet);
  writeOrdered(flow, sheet);
  writeLines(flow, sheet);
  writeColours(flow, sheet);
  writePress(flow, sheet);
  return pdf.save();
}

/** Goes down the page, and on to a new one where there is no room left. */
class Flow {
  page: DrawnPage;
  y = MARGIN;

  constructor(
    readonly pdf: PDFDocument,
    private readonly font: ReturnType<typeof readFont>,
  ) {
    this.page = new DrawnPage(pdf, font);
  }

  /** Room for so many mm, on this page or the next; gives back where it begins. */
  take(height: number): number {
    if (this.y + height > A4.height - MARGIN) {
      this.page = new DrawnPage(this.pdf, this.font);
      this.y = MARGIN;
    }
    const at = this.y;
    this.y += height;
    return at;
  }

  heading(words: string): void {
    const y = this.take(9);
    this.page.write(words, MARGIN, y + 6, { size: 3.6 });
    this.page.line(MARGIN, y + 7.4, RIGHT, y + 7.4, 0.25);
    this.y += 0.6;
  }
}

function writeHead(flow: Flow, sheet: DocketPage): void {
  const { page } = flow;
  const y = flow.take(20);
  page.write(`${sheet.design} on ${sheet.blank}`, MARGIN, y + 6, { size: 7, within: WIDTH - 34 });
  const { word, colour } = VERDICT[sheet.verdict];
  page.write(word, RIGHT, y + 6, { size: 6, colour, anchor: 'end' });
  drawVerdict(page, sheet.verdict, RIGHT - page.widthOf(word, 6) - 7, y + 1.6, 4.6);
  const said = [
    `for ${sheet.house}`,
    sheet.method,
    sheet.colour,
    ...(sheet.size ? [`size ${sheet.size}`] : []),
    sheet.date,
    `from ${sheet.shop}`,
  ];
  page.write(said.join(' · '), MARGIN, y + 12, { size: 3.4, colour: SECOND, within: WIDTH });
  if (sheet.reason)
    page.write(`Handed over as it is: ${sheet.reason}`, MARGIN, y + 17, { size: 3.4, within: WIDTH });
  page.line(MARGIN, y + 19, RIGHT, y + 19, 0.4);
}

/** Every face at one scale, with its dimensions and its bleed and safe margin in words. */
function drawFlats(flow: Flow, { faces }: DocketPage, pictures: FacePictures): void {
  if (faces.length === 0) return;
  const room = WIDTH - (faces.length - 1) * FLATS.gap - FLATS.dimension;
  const across = faces.reduce((sum, { width }) => sum + width, 0);
  const tallest = Math.max(...faces.map(({ height }) => height));
  const scale = Math.min(room / across, FLATS.height / tallest);
  const top = flow.take(tallest * scale + 17) + 3;
  let x = MARGIN;
  for (const face of faces) {
    const [width, height] = [face.width * scale, face.height * scale];
    const { page } = flow;
    page.rectangle(x, top, width, height, rgb(0.74, 0.74, 0.74));
    const picture = pictures.get(face.id);
    if (picture) page.picture(pictureOf(flow.pdf, picture), x, top, width, height);
    page.rectangle(x, top, width, height, null, INK);
    drawDimension(page, x, top + height + 2.4, width, `${fixed(face.width, 1)} mm`);
    const beside = x + width + 2.4;
    page.line(beside, top, beside, top + height, 0.12, SECOND);
    for (const end of [top, top + height]) page.line(beside - 1, end, beside + 1, end, 0.12, SECOND);
    page.write(fixed(face.height, 1), x + width + 3.4, top + height / 2 + 1, { size: 2.7, colour: SECOND });
    const edges = `${face.name} · bleed ${fixed(face.bleed, 1)} · safe ${fixed(face.safe, 1)} mm`;
    page.write(edges, x, top + height + 9.4, { size: 2.9, within: Math.max(width, 40) });
    x += width + FLATS.gap;
  }
}

function drawDimension(page: DrawnPage, x: number, y: number, width: number, words: string): void {
  page.line(x, y, x + width, y, 0.12, SECOND);
  for (const end of [x, x + width]) page.line(end, y - 1, end, y + 1, 0.12, SECOND);
  page.write(words, x + width / 2, y + 3.2, { size: 2.7, colour: SECOND, anchor: 'middle' });
}

/** Which artwork lies on which side, how large and where. */
function writeSides(flow: Flow, { faces }: DocketPage): void {
  flow.heading('What lies where');
  for (const face of faces) {
    for (const [index, piece] of face.pieces.entries()) {
      const y = flow.take(ROW) + 3.2;
      const { page } = flow;
      if (index === 0) page.write(face.name, MARGIN, y, { size: 3, within: 28 });
      page.write(piece.name, MARGIN + 30, y, { size: 3, within: 56 });
      const { box } = piece;
      const where = box
        ? `${showSize(box.width, box.height)}, its middle ${fixed(box.x, 1)} / ${fixed(box.y, 1)} mm from the top left`
        : 'over the whole to the bleed';
      const what = piece.knockout ? 'knocks out' : piece.role;
      page.write([what, where, ...(piece.ppi ? [`${piece.ppi} PPI`] : [])].join(' · '), MARGIN + 88, y, {
        size: 2.9,
        colour: SECOND,
        within: WIDTH - 88,
      });
    }
    for (const file of face.files) {
      const y = flow.take(ROW) + 3.2;
      flow.page.write(`printed from ${file}`, MARGIN + 30, y, {
        size: 2.7,
        colour: SECOND,
        within: WIDTH - 30,
      });
    }
  }
}

/** What is ordered: a line for each colour and size, with how it does. */
function writeOrdered(flow: Flow, { ordered }: DocketPage): void {
  if (ordered.length === 0) return;
  flow.heading('Ordered');
  const columns = 3;
  const wide = WIDTH / columns;
  for (let first = 0; first < ordered.length; first += columns) {
    const y = flow.take(ROW) + 3.2;
    ordered.slice(first, first + columns).forEach(({ copies, what, colour, size, verdict }, column) => {
      const x = MARGIN + column * wide;
      drawVerdict(flow.page, verdict, x, y - 2.4, 2.6);
      const said = [what, colour, size].filter(Boolean).join(', ');
      flow.page.write(`${copies} × ${said}`, x + 5, y, { size: 3, within: wide - 8 });
    });
  }
}

function writeLines(flow: Flow, { lines, faces, looks, sizes }: DocketPage): void {
  flow.heading('Required and measured');
  const names = new Map(faces.map(({ id, name }) => [id, name]));
  for (const line of lines) {
    const words = line.verdict === 'ready' ? [] : flow.page.wrapped(line.message, 2.7, WIDTH - 5);
    if (line.accepted)
      words.push(
        `Accepted ${line.verdict === 'fix' ? 'though a Fix ' : ''}on ${line.accepted.date}: ${line.accepted.reason}`,
      );
    const y = flow.take(ROW + words.length * 3.5) + 3.2;
    const { page } = flow;
    drawVerdict(page, line.verdict, MARGIN, y - 2.4, 2.6);
    page.write(line.name, COLUMNS.rule, y, { size: 3, within: 30 });
    page.write(names.get(line.faceId) ?? '', COLUMNS.face, y, { size: 2.9, colour: SECOND, within: 25 });
    page.write(line.measured, COLUMNS.measured, y, { size: 3, within: 48 });
    page.write(line.required, COLUMNS.required, y, {
      size: 2.9,
      colour: SECOND,
      within: RIGHT - COLUMNS.required,
    });
    words.forEach((said, i) => {
      page.write(said, COLUMNS.rule, y + 3.5 * (i + 1), { size: 2.7, colour: SECOND, within: WIDTH - 5 });
    });
  }
  for (const [what, outcomes] of [
    ['colours', looks],
    ['sizes', sizes],
  ] as const) {
    if (outcomes.of === 0) continue;
    for (const words of flow.page.wrapped(sayReach(what, outcomes), 2.9, WIDTH))
      flow.page.write(words, MARGIN, flow.take(ROW) + 3.2, { size: 2.9 });
  }
}

/** On how many it is ready, and why not on the others. */
function sayReach(what: string, { ready, of, not }: DocketPage['looks']): string {
  const others = not.map(({ names, why }) => `not on ${names.join(', ')} for ${why.join(', ')}`);
  return `${[`Ready on ${ready} of ${of} ${what}`, ...others].join('; ')}.`;
}

/** Colours in columns: a patch in its inks, its name, and its numbers. */
function writeColours(flow: Flow, { colours }: DocketPage): void {
  if (colours.length === 0) return;
  flow.heading('Colours');
  const columns = 4;
  const wide = WIDTH / columns;
  for (let first = 0; first < colours.length; first += columns) {
    const y = flow.take(9.6);
    colours.slice(first, first + columns).forEach(({ name, hex, cmyk: inks }, column) => {
      const x = MARGIN + column * wide;
      const [c, m, ye, k] = inks ?? [];
      const fill = inks ? cmyk(c!, m!, ye!, k!) : screenColour(hex);
      flow.page.rectangle(x, y + 0.6, 9, 7.4, fill, RULE);
      flow.page.write(name, x + 10.6, y + 3.6, { size: 2.9, within: wide - 12 });
      const said = inks ? `${hex}  ${inks.map((ink) => Math.round(ink * 100)).join('/')}` : hex;
      flow.page.write(said, x + 10.6, y + 7.4, { size: 2.6, colour: SECOND, within: wide - 12 });
    });
  }
}

function writePress(flow: Flow, { press, mirroring, notes }: DocketPage): void {
  const said = [
    ...(press.length > 0 ? [`Press: ${press.join(' · ')}`] : []),
    ...(mirroring ? [MIRRORED[mirroring]] : []),
    ...(notes.trim() === '' ? [] : notes.trim().split('\n')),
  ];
  if (said.length === 0) return;
  flow.heading('At the press');
  for (const words of said) {
    for (const line of flow.page.wrapped(words, 3, WIDTH)) {
      flow.page.write(line, MARGIN, flow.take(ROW) + 3.2, { size: 3 });
    }
  }
}
