'use client';
import { gapBetween } from '@/core/fit/arrange';
import type { Box, Extent } from '@/core/fit/geometry';
import { nearestZone } from '@/core/fit/zones';
import type { PrintFace } from '@/core/blank/resolve';
import { useHand, type EdgeLine } from '@/state/bench/hand';
import { centreAt, move, setGap, setSide, stretchSide } from '../acts/acts';
import type { Live } from '../live/useLive';
import { AngleValue, Value } from './DimensionValue';
import { awlHole } from './picking';
import { hangingBelow } from './grades';
import { toPx, type View } from './view';

/** The line of the face that distances go to, by its name: mm it lies inside the trim. */
export function edgeOf(
  face: PrintFace,
  line: EdgeLine,
  role: 'ground' | 'motif',
): { inset: number; name: string } {
  const named = line === 'role' ? (role === 'ground' ? 'bleed' : 'safe') : line;
  switch (named) {
    case 'bleed':
      return { inset: -face.bleed, name: 'bleed edge' };
    case 'trim':
      return { inset: 0, name: 'trim' };
    case 'safe':
      return { inset: face.safe, name: 'safe edge' };
  }
}

/**
 * What is chosen with its dimensions as on a technical drawing, each a number that can be typed over: width and height
 * along its own axes, its overall extent where that is another, the distances to an edge of the face, off the zone's
 * centre across and down, its angle, and the gaps between two.
 */
export function Dimensions({ live, view }: { live: Live; view: View }) {
  const { selection, face } = live;
  const line = useHand((hand) => hand.edgeLine);
  const stretching = useHand((hand) => hand.stretching);
  if (!selection || selection.locked) return null;
  const { box, extent, units } = selection;
  const motif = selection.pieces.some(({ role }) => role === 'motif');
  const { inset, name: edgeName } = edgeOf(face, line, motif ? 'motif' : 'ground');
  const edge = { left: inset, top: inset, right: face.width - inset, bottom: face.height - inset };
  const places = lay(view, face, extent, edge, hangingBelow(live));
  const { row, column, left, right, top, bottom } = places;
  const across = extent.right - extent.left;
  const down = extent.bottom - extent.top;
  const overall = Math.abs(across - box.width) > 0.005 || Math.abs(down - box.height) > 0.005;
  const zone = nearestZone(face.zones, box);
  const alone = stretching && selection.pieces.length === 1;
  const setOwn = (side: 'width' | 'height') => (mm: number) => {
    if (alone) stretchSide(live, side, mm);
    else setSide(live, side, mm);
  };
  const shift = (dx: number, dy: number) => {
    move(live, { dx, dy });
  };
  const footY = Math.min(view.height - 52, between(bottom, places.edgeBottom, 1, 11));
  const rightX = within(view, between(right, places.edgeRight, 1));
  const downAt = {
    x: Math.max(58, toPx(view, -face.bleed, 0).x - 34),
    y: Math.min(view.height - 60, Math.max(48, toPx(view, 0, zone?.zone.y ?? 0).y)),
  };
  const angleAt = besideHole(view, box);

  return (
    <>
      <Lines places={places} overall={overall} />
      <Value
        id="left"
        name={`Left ${edgeName}`}
        live={live}
        mm={extent.left - edge.left}
        x={within(view, between(places.edgeLeft, left, -1))}
        y={row}
        onSet={(mm) => {
          shift(mm - (extent.left - edge.left), 0);
        }}
      />
      <Value
        id="width"
        name="Width"
        live={live}
        size
        mm={box.width}
        x={(left + right) / 2}
        y={row}
        onSet={setOwn('width')}
      />
      <Value
        id="right"
        name={`Right ${edgeName}`}
        live={live}
        mm={edge.right - extent.right}
        x={clearOf(footY, row) ? rightX : Math.min(rightX, column - 66)}
        y={row}
        onSet={(mm) => {
          shift(edge.right - extent.right - mm, 0);
        }}
      />
      <Value
        id="top"
        name={`Top ${edgeName}`}
        live={live}
        mm={extent.top - edge.top}
        x={column}
        y={Math.max(32, between(places.edgeTop, top, -1, 11))}
        onSet={(mm) => {
          shift(0, mm - (extent.top - edge.top));
        }}
      />
      <Value
        id="height"
        name="Height"
        live={live}
        size
        mm={box.height}
        x={column}
        y={(top + bottom) / 2}
        onSet={setOwn('height')}
      />
      <Value
        id="foot"
        name={`Bottom ${edgeName}`}
        live={live}
        mm={edge.bottom - extent.bottom}
        x={column}
        y={footY}
        onSet={(mm) => {
          shift(0, edge.bottom - extent.bottom - mm);
        }}
      />
      {overall && (
        <>
          <Value
            id="overall-width"
            name="Overall width"
            live={live}
            size
            mm={across}
            x={(left + right) / 2}
            y={row + 22}
            onSet={(mm) => {
              move(live, { scale: mm / across });
            }}
          >
            {' overall'}
          </Value>
          <Value
            id="overall-height"
            name="Overall height"
            live={live}
            size
            mm={down}
            x={column}
            y={(top + bottom) / 2 + 22}
            onSet={(mm) => {
              move(live, { scale: mm / down });
            }}
          >
            {' overall'}
          </Value>
        </>
      )}
      {zone && motif && (
        <>
          <Value
            id="centre"
            name={`Off the ${zone.zone.name}’s centre, across`}
            live={live}
            mm={zone.across}
            x={within(view, toPx(view, zone.zone.x, 0).x)}
            y={Math.max(32, toPx(view, 0, -face.bleed).y - 32)}
            onSet={(mm) => {
              centreAt(live, { x: zone.zone.x + mm });
            }}
          >
            {' off'}
          </Value>
          <Value
            id="centre-down"
            name={`Off the ${zone.zone.name}’s centre, down`}
            live={live}
            mm={zone.down}
            x={downAt.x}
            y={downAt.y}
            onSet={(mm) => {
              centreAt(live, { y: zone.zone.y + mm });
            }}
          >
            {' off'}
          </Value>
        </>
      )}
      <AngleValue
        live={live}
        rotation={box.rotation}
        x={angleAt.x}
        y={clearOf(angleAt.y, downAt.y) || angleAt.x > downAt.x + 76 ? angleAt.y : downAt.y + 26}
        onSet={(radians) => {
          move(live, { turn: radians - box.rotation });
        }}
      />
      {units.length === 2 && <Gaps live={live} view={view} extents={[units[0]!.extent, units[1]!.extent]} />}
    </>
  );
}

/** Whether two numbers, so far down in px, do not stand on one another. */
function clearOf(a: number, b: number): boolean {
  return Math.abs(a - b) >= 25;
}

/** Where the angle stands: beside the hole that turns it, or as near to it as the room has it. */
function besideHole(view: View, box: Box): { x: number; y: number } {
  const hole = awlHole(view, box);
  const x = hole.x - 14;
  const y = hole.y + (x < 72 ? 24 : 0);
  return { x: Math.max(72, x), y: Math.min(view.height - 60, Math.max(34, y)) };
}

/** The clear distances between two: typed over, the second moves. */
function Gaps({ live, view, extents: [a, b] }: { live: Live; view: View; extents: [Extent, Extent] }) {
  const gap = gapBetween(a, b);
  const middle = (lowA: number, highA: number, lowB: number, highB: number) =>
    (Math.max(lowA, lowB) + Math.min(highA, highB)) / 2;
  const x = middle(a.left, a.right, b.left, b.right);
  const y = middle(a.top, a.bottom, b.top, b.bottom);
  const at = toPx(view, x, y);
  const beside = gap.across >= gap.down;
  return (
    <>
      <Value
        id="gap-across"
        name="Gap across"
        live={live}
        mm={gap.across}
        x={within(view, at.x)}
        y={beside ? at.y : at.y - 12}
        onSet={(mm) => {
          setGap(live, { across: mm });
        }}
      >
        {' apart'}
      </Value>
      <Value
        id="gap-down"
        name="Gap down"
        live={live}
        mm={gap.down}
        x={within(view, at.x)}
        y={beside ? at.y + 24 : at.y + 12}
        onSet={(mm) => {
          setGap(live, { down: mm });
        }}
      >
        {' down'}
      </Value>
    </>
  );
}

interface Places {
  /** The dimension row below, and the column beside, in px. */
  row: number;
  column: number;
  left: number;
  right: number;
  top: number;
  bottom: number;
  edgeLeft: number;
  edgeRight: number;
  edgeTop: number;
  edgeBottom: number;
}

/** Where the lines go, in px. What reaches out of the room is dimensioned as far as the room goes. */
function lay(view: View, face: PrintFace, extent: Extent, edge: Extent, hanging: number): Places {
  const at = (x: number, y: number) => toPx(view, x, y);
  // Under the names of larger sizes, which hang below.
  const low = at(0, Math.max(face.height + face.bleed + hanging, extent.bottom)).y;
  const side = at(Math.max(face.width + face.bleed, extent.right), 0).x;
  return {
    row: Math.min(low + (hanging > 0 ? 20 : 36), view.height - 66),
    column: Math.min(side + 30, view.width - 40),
    left: Math.max(28, Math.min(view.width - 60, at(extent.left, 0).x)),
    right: Math.max(60, Math.min(view.width - 8, at(extent.right, 0).x)),
    top: Math.max(30, Math.min(view.height - 100, at(0, extent.top).y)),
    bottom: Math.max(60, Math.min(view.height - 50, at(0, extent.bottom).y)),
    edgeLeft: at(edge.left, 0).x,
    edgeRight: at(edge.right, 0).x,
    edgeTop: at(0, edge.top).y,
    edgeBottom: at(0, edge.bottom).y,
  };
}

function Lines({ places, overall }: { places: Places; overall: boolean }) {
  const { row, column, left, right, top, bottom, edgeLeft, edgeRight, edgeTop, edgeBottom } = places;
  const under = useHand((hand) => hand.editing ?? hand.over);
  const spans: [id: string, x1: number, y1: number, x2: number, y2: number][] = [
    ['width', left, row, right, row],
    ['left', edgeLeft, row, left, row],
    ['right', right, row, edgeRight, row],
    ['height', column, top, column, bottom],
    ['top', column, edgeTop, column, top],
    ['foot', column, bottom, column, edgeBottom],
  ];
  if (overall) spans.push(['overall-width', left, row + 22, right, row + 22]);
  return (
    <svg
      aria-hidden
      className="pointer-events-none absolute inset-0 h-full w-full"
      stroke="var(--color-viewing-ink)"
      fill="none"
    >
      <path
        strokeWidth="0.6"
        strokeOpacity="0.7"
        d={`M${left} ${bottom}V${row + (overall ? 26 : 6)}M${right} ${bottom}V${row + (overall ? 26 : 6)}M${right} ${top}H${column + 6}M${right} ${bottom}H${column + 6}`}
      />
      {spans.map(([id, x1, y1, x2, y2]) => (
        <Span key={id} under={id === under} x1={x1} y1={y1} x2={x2} y2={y2} />
      ))}
    </svg>
  );
}

function within(view: View, x: number): number {
  return Math.max(56, Math.min(view.width - 36, x));
}

/** Where the number of a distance goes: in its middle, or beyond its outer end where it has no room there. */
function between(from: number, to: number, outward: 1 | -1, half = 30): number {
  if (Math.abs(to - from) >= 2 * half) return (from + to) / 2;
  return outward * Math.max(outward * from, outward * to) + outward * (half + 4);
}

interface SpanProps {
  under: boolean;
  x1: number;
  y1: number;
  x2: number;
  y2: number;
}

/** A dimension line: a hairline with a slash at either end; yellow under the hand. */
function Span({ under, x1, y1, x2, y2 }: SpanProps) {
  if (Math.hypot(x2 - x1, y2 - y1) < 3) return null;
  const slash = (x: number, y: number) => `M${x - 4} ${y + 4}l8 -8`;
  return (
    <>
      {under && <path d={`M${x1} ${y1}L${x2} ${y2}`} stroke="var(--tape)" strokeWidth="5" />}
      <path d={`M${x1} ${y1}L${x2} ${y2}${slash(x1, y1)}${slash(x2, y2)}`} strokeWidth="1" />
    </>
  );
}
