/** Cells along the longer side of a polygon's box, at most: so few edges lie in each that looking there is cheap. */
const MOST_CELLS = 64;

/** The edges of a closed polygon, sorted into square cells, so that only those near a point are looked at. */
export class NearEdges {
  private readonly left: number;
  private readonly top: number;
  private readonly cell: number;
  private readonly columns: number;
  private readonly rows: number;
  /** Edges by cell, and by row of cells. */
  private readonly inCell: number[][];
  private readonly inRow: number[][];

  constructor(private readonly points: readonly (readonly [x: number, y: number])[]) {
    const xs = points.map(([x]) => x);
    const ys = points.map(([, y]) => y);
    this.left = Math.min(...xs);
    this.top = Math.min(...ys);
    const [width, height] = [Math.max(...xs) - this.left, Math.max(...ys) - this.top];
    const cells = Math.max(1, Math.min(MOST_CELLS, Math.ceil(Math.sqrt(points.length))));
    this.cell = Math.max(width, height, 1e-9) / cells;
    this.columns = Math.max(1, Math.ceil(width / this.cell));
    this.rows = Math.max(1, Math.ceil(height / this.cell));
    this.inCell = Array.from({ length: this.columns * this.rows }, () => []);
    this.inRow = Array.from({ length: this.rows }, () => []);
    for (let i = 0, j = points.length - 1; i < points.length; j = i++) this.sort(i, points[j]!, points[i]!);
  }

  /** Distance to the nearest edge. */
  distance(x: number, y: number): number {
    const [column, row] = [this.column(x), this.row(y)];
    let square = Infinity;
    // Cells so many rings away are no nearer than so many less one.
    for (let ring = 0; ; ring++) {
      if (ring > 0 && Math.sqrt(square) <= (ring - 1) * this.cell) break;
      if (ring > this.columns && ring > this.rows) break;
      for (let r = row - ring; r <= row + ring; r++) {
        if (r < 0 || r >= this.rows) continue;
        const across = Math.abs(r - row) === ring ? 1 : Math.max(1, 2 * ring);
        for (let c = column - ring; c <= column + ring; c += across) {
          if (c < 0 || c >= this.columns) continue;
          for (const edge of this.inCell[r * this.columns + c]!)
            square = Math.min(square, this.squareTo(edge, x, y));
        }
      }
    }
    return Math.sqrt(square);
  }

  /** Whether a point lies inside, by how often a line to the left crosses the polygon. */
  isInside(x: number, y: number): boolean {
    if (y < this.top || y > this.top + this.rows * this.cell) return false;
    let inside = false;
    for (const i of this.inRow[this.row(y)]!) {
      const [ax, ay] = this.points[this.before(i)]!;
      const [bx, by] = this.points[i]!;
      if (ay > y !== by > y && x < ax + ((y - ay) * (bx - ax)) / (by - ay)) inside = !inside;
    }
    return inside;
  }

  private sort(edge: number, a: readonly [number, number], b: readonly [number, number]): void {
    const [left, right] = [this.column(Math.min(a[0], b[0])), this.column(Math.max(a[0], b[0]))];
    const [top, bottom] = [this.row(Math.min(a[1], b[1])), this.row(Math.max(a[1], b[1]))];
    for (let row = top; row <= bottom; row++) {
      this.inRow[row]!.push(edge);
      for (let column = left; column <= right; column++) this.inCell[row * this.columns + column]!.push(edge);
    }
  }

  private squareTo(edge: number, x: number, y: number): number {
    const [ax, ay] = this.points[this.before(edge)]!;
    const [bx, by] = this.points[edge]!;
    const [dx, dy] = [bx - ax, by - ay];
    const length = dx * dx + dy * dy;
    const t = length === 0 ? 0 : Math.min(1, Math.max(0, ((x - ax) * dx + (y - ay) * dy) / length));
    const [px, py] = [x - ax - t * dx, y - ay - t * dy];
    return px * px + py * py;
  }

  private before(edge: number): number {
    return edge === 0 ? this.points.length - 1 : edge - 1;
  }

  private column(x: number): number {
    return Math.max(0, Math.min(this.columns - 1, Math.floor((x - this.left) / this.cell)));
  }

  private row(y: number): number {
    return Math.max(0, Math.min(this.rows - 1, Math.floor((y - this.top) / this.cell)));
  }
}
