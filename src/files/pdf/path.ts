import { PDFNumber, PDFOperator, PDFOperatorNames } from '@cantoo/pdf-lib';
import { cubicOf, type Path, type PathPoint } from '@/core/geometry/path';

/** A path as a page's operators, every point where `at` puts it. */
export function pathOperators(
  path: Path,
  at: (point: PathPoint) => PathPoint = (point) => point,
): PDFOperator[] {
  const numbers = (...points: PathPoint[]) =>
    points.map(at).flatMap(({ x, y }) => [PDFNumber.of(rounded(x)), PDFNumber.of(rounded(y))]);
  let from: PathPoint = { x: 0, y: 0 };
  return path.map((segment) => {
    const start = from;
    if (segment.kind !== 'close') from = segment.to;
    switch (segment.kind) {
      case 'move':
        return PDFOperator.of(PDFOperatorNames.MoveTo, numbers(segment.to));
      case 'line':
        return PDFOperator.of(PDFOperatorNames.LineTo, numbers(segment.to));
      case 'quadratic': {
        const { c1, c2, to } = cubicOf(start, segment.c, segment.to);
        return PDFOperator.of(PDFOperatorNames.AppendBezierCurve, numbers(c1, c2, to));
      }
      case 'cubic':
        return PDFOperator.of(
          PDFOperatorNames.AppendBezierCurve,
          numbers(segment.c1, segment.c2, segment.to),
        );
      case 'close':
        return PDFOperator.of(PDFOperatorNames.ClosePath);
    }
  });
}

/** As fine as drawings are read: their units may be large or small. */
const rounded = (value: number) => Number(value.toPrecision(8));
