import {
  PDFArray,
  PDFDict,
  PDFName,
  PDFNumber,
  PDFOperator,
  PDFOperatorNames,
  popGraphicsState,
  pushGraphicsState,
  setDashPattern,
  type PDFContext,
  type PDFPage,
  type PDFRef,
} from '@cantoo/pdf-lib';
import { parsePath } from '@/core/geometry/parse-path';
import { pathOperators } from './path';
import { stepLayer } from './processing-step';
import { PT } from './units';

/** Thickness of a cut line in points: seen, and never mistaken for a stroke of the artwork. */
const HAIR = 0.25;

/** A line for the cutter: its path in mm from the page's top left, and the ink that it has a plate of. */
export interface SpotLine {
  d: string;
  ink: string;
  /** Whether it goes through everything, the backing too. */
  through: boolean;
  /** Drawn dashed, to be told from another beside it. */
  dashed: boolean;
}

/** Lengths of a dashed line's dashes and gaps, in points. */
const DASHES = [3, 2];

/**
 * Strokes a cut line in a separation of its own that overprints all under it (ISO 32000-1, 8.6.6.4 and 8.6.7), on a layer
 * that says which processing step it is (ISO 19593-1). Seen on screen as magenta.
 */
export function strokeSpot(page: PDFPage, { d, ink: name, through, dashed }: SpotLine, height: number): void {
  const step = through ? 'Cutting' : 'PartialCutting';
  const layer = resource(page, 'Properties', name + step, () => stepLayer(page.doc, name, step));
  const space = resource(page, 'ColorSpace', name, () => separation(page.doc.context, name, SEEN));
  const state = resource(page, 'ExtGState', 'Overprint', () =>
    page.doc.context.register(page.doc.context.obj({ Type: 'ExtGState', OP: true, op: true, OPM: 1 })),
  );
  page.pushOperators(
    PDFOperator.of(PDFOperatorNames.BeginMarkedContentSequence, [PDFName.of('OC'), layer]),
    pushGraphicsState(),
    ...(dashed ? [setDashPattern(DASHES, 0)] : []),
    PDFOperator.of(PDFOperatorNames.SetGraphicsStateParams, [state]),
    PDFOperator.of(PDFOperatorNames.StrokingColorspace, [space]),
    PDFOperator.of(PDFOperatorNames.StrokingColorN, [PDFNumber.of(1)]),
    PDFOperator.of(PDFOperatorNames.SetLineWidth, [PDFNumber.of(HAIR)]),
    ...pathOperators(parsePath(d) ?? [], ({ x, y }) => ({ x: x * PT, y: (height - y) * PT })),
    PDFOperator.of(PDFOperatorNames.StrokePath),
    popGraphicsState(),
    PDFOperator.of(PDFOperatorNames.EndMarkedContent),
  );
}

/** Magenta, which no cut line is taken for art in. */
const SEEN: Alternate = { space: 'DeviceCMYK', none: [0, 0, 0, 0], full: [0, 1, 0, 0] };

/** How a separation is seen by those who have no such plate: without the ink, and in all of it. */
export interface Alternate {
  space: 'DeviceCMYK' | 'DeviceRGB';
  none: number[];
  full: number[];
}

/** An ink of a name, with a plate of its own. */
export function separation(
  context: PDFContext,
  name: string,
  { space: seenIn, none, full }: Alternate,
): PDFRef {
  const tint = context.obj({ FunctionType: 2, Domain: [0, 1], C0: none, C1: full, N: 1 });
  const space = PDFArray.withContext(context);
  space.push(PDFName.of('Separation'));
  space.push(PDFName.of(name));
  space.push(PDFName.of(seenIn));
  space.push(context.register(tint));
  return context.register(space);
}

/** The name under which a page has something at hand, which is made where it has not. */
function resource(page: PDFPage, kind: string, key: string, make: () => PDFRef): PDFName {
  const { Resources } = page.node.normalizedEntries();
  let dict = Resources.lookupMaybe(PDFName.of(kind), PDFDict);
  if (!dict) Resources.set(PDFName.of(kind), (dict = page.doc.context.obj({})));
  const name = PDFName.of(`Cut${key.replace(/[^A-Za-z0-9]/g, '')}`);
  if (!dict.has(name)) dict.set(name, make());
  return name;
}
