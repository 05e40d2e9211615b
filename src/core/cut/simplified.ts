import { Clipper } from 'clipper2-ts';
import { areaOfShape, shapeOfArea, type Shape } from './polygons';

/** The shape with points left out that lie within mm of the line without them. */
export function simplified(shape: Shape, mm: number): Shape {
  return shapeOfArea(Clipper.simplifyPathsD(areaOfShape(shape), mm, true));
}
