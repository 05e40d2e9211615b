'use client';
import type { ReactNode } from 'react';
import { extentOf, opaqueBox, type Box } from '@/core/fit/geometry';
import { centreOn, setHeight, setRotation, setWidth } from '@/core/fit/place';
import type { ArtworkPiece } from '@/core/fit/schema';
import { nearestZone } from '@/core/fit/zones';
import { fixed, showLength } from '@/core/length/show';
import { changePiece, useHand } from '@/state/bench';
import { LengthField } from '@/ui/LengthField';
import { normalAngle } from '../angle';
import type { Live } from '../useLive';
import { STEM, toPx, type View } from './view';

/** The longest a piece may be set to, in mm: larger is a slip of the unit. */
const LONGEST = 20_000;

/**
 * The selected piece's dimensions as on a technical drawing, each a number that can be typed over: width and
 * height, the distances to the safe edges (a ground's to the bleed edges), off the zone's centre, and its angle.
 */
export function Dimensions({ live, view }: { live: Live; view: View }) {
  const { placed, face } = live;
  if (!placed) return null;
  const { piece, facts } = placed;
  const box = opaqueBox(piece, facts);
  const extent = extentOf(box);
  const turned = Math.abs(Math.sin(2 * box.rotation)) > 1e-6;
  const inset = piece.role === 'ground' ? -face.bleed : face.safe;
  const edge = { left: inset, top: inset, right: face.width - inset, bottom: face.height - inset };
  const edgeName = piece.role === 'ground' ? 'bleed edge' : 'safe edge';

  const set = (change: (piece: ArtworkPiece) => ArtworkPiece) => void changePiece(face.id, change(piece));
  const length = (mm: number) =>
    mm <= 0 ? 'A length above zero is needed.' : mm > LONGEST ? 'That is over 20 m: look at the unit.' : null;
  const far = (mm: number) => (Math.abs(mm) > LONGEST ? 'That is over 20 m: look at the unit.' : null);
  const move = (dx: number, dy: number) => {
    set((one) => centreOn(one, facts, { x: box.x + dx, y: box.y + dy }));
  };

  const at = (x: number, y: number) => toPx(view, x, y);
  const low = at(0, Math.max(face.height + face.bleed, extent.bottom)).y;
  const side = at(Math.max(face.width + face.bleed, extent.right), 0).x;
  const row = Math.min(low + 36, view.height - 44);
  const column = Math.min(side + 30, view.width - 40);
  // A piece that reaches out of the room is dimensioned as far as the room goes.
  const [left, right] = [Math.max(8, at(extent.left, 0).x), Math.min(view.width - 8, at(extent.right, 0).x)];
  const [top, bottom] = [
    Math.max(30, at(0, extent.top).y),
    Math.min(view.height - 50, at(0, extent.bottom).y),
  ];
  const [edgeLeft, edgeRight] = [at(edge.left, 0).x, at(edge.right, 0).x];
  const [edgeTop, edgeBottom] = [at(0, edge.top).y, at(0, edge.bottom).y];
  const within = (x: number) => Math.max(36, Math.min(view.width - 36, x));
  const zone = nearestZone(face.zones, box);
  const across = turned ? extent.right - extent.left : box.width;

  return (
    <>
      <svg
        aria-hidden
        className="pointer-events-none absolute inset-0 h-full w-full"
        stroke="var(--color-viewing-ink)"
        fill="none"
      >
        <path
          strokeWidth="0.6"
          strokeOpacity="0.7"
          d={`M${left} ${bottom}V${row + 6}M${right} ${bottom}V${row + 6}M${right} ${top}H${column + 6}M${right} ${bottom}H${column + 6}`}
        />
        <Span x1={left} y1={row} x2={right} y2={row} />
        <Span x1={edgeLeft} y1={row} x2={left} y2={row} />
        <Span x1={right} y1={row} x2={edgeRight} y2={row} />
        <Span x1={column} y1={top} x2={column} y2={bottom} />
        <Span x1={column} y1={edgeTop} x2={column} y2={top} />
        <Span x1={column} y1={bottom} x2={column} y2={edgeBottom} />
      </svg>
      <Value
        id="left"
        name={`Left ${edgeName}`}
        live={live}
        mm={extent.left - edge.left}
        x={within(between(edgeLeft, left, -1))}
        y={row}
        refuse={far}
        onSet={(mm) => {
          move(mm - (extent.left - edge.left), 0);
        }}
      />
      <Value
        id="width"
        name="Width"
        live={live}
        mm={box.width}
        x={(left + right) / 2}
        y={row}
        refuse={length}
        onSet={(mm) => {
          set((one) => setWidth(one, facts, mm));
        }}
      >
        {turned && ` (${showLength(across, live.unit)} overall)`}
      </Value>
      <Value
        id="right"
        name={`Right ${edgeName}`}
        live={live}
        mm={edge.right - extent.right}
        x={within(between(right, edgeRight, 1))}
        y={row}
        refuse={far}
        onSet={(mm) => {
          move(edge.right - extent.right - mm, 0);
        }}
      />
      <Value
        id="top"
        name={`Top ${edgeName}`}
        live={live}
        mm={extent.top - edge.top}
        x={column}
        y={between(edgeTop, top, -1, 11)}
        refuse={far}
        onSet={(mm) => {
          move(0, mm - (extent.top - edge.top));
        }}
      />
      <Value
        id="height"
        name="Height"
        live={live}
        mm={box.height}
        x={column}
        y={(top + bottom) / 2}
        refuse={length}
        onSet={(mm) => {
          set((one) => setHeight(one, facts, mm));
        }}
      />
      <Value
        id="foot"
        name={`Foot ${edgeName}`}
        live={live}
        mm={edge.bottom - extent.bottom}
        x={column}
        y={between(bottom, edgeBottom, 1, 11)}
        refuse={far}
        onSet={(mm) => {
          move(0, edge.bottom - extent.bottom - mm);
        }}
      />
      {zone && piece.role === 'motif' && (
        <Value
          id="centre"
          name={`Off the ${zone.zone.name}’s centre`}
          live={live}
          mm={zone.across}
          x={at(zone.zone.x, 0).x}
          y={at(0, -face.bleed).y - 32}
          refuse={far}
          onSet={(mm) => {
            set((one) => centreOn(one, facts, { x: zone.zone.x + mm }));
          }}
        >
          {' off'}
        </Value>
      )}
      <Angle
        box={box}
        view={view}
        onSet={(radians) => {
          set((one) => setRotation(one, facts, radians));
        }}
      />
    </>
  );
}

/** Where the number of a distance goes: in its middle, or beyond its outer end where it has no room there. */
function between(from: number, to: number, outward: 1 | -1, half = 30): number {
  if (Math.abs(to - from) >= 2 * half) return (from + to) / 2;
  return outward * Math.max(outward * from, outward * to) + outward * (half + 4);
}

/** A dimension line: a hairline with a slash at either end. */
function Span({ x1, y1, x2, y2 }: { x1: number; y1: number; x2: number; y2: number }) {
  if (Math.hypot(x2 - x1, y2 - y1) < 3) return null;
  const slash = (x: number, y: number) => `M${x - 4} ${y + 4}l8 -8`;
  return <path d={`M${x1} ${y1}L${x2} ${y2}${slash(x1, y1)}${slash(x2, y2)}`} strokeWidth="1" />;
}

interface ValueProps {
  id: string;
  name: string;
  live: Live;
  mm: number;
  x: number;
  y: number;
  refuse: (mm: number) => string | null;
  onSet: (mm: number) => void;
  children?: ReactNode;
}

/** The number on a dimension line: click it, type over it, Enter. */
function Value({ id, name, live, mm, x, y, refuse, onSet, children }: ValueProps) {
  const editing = useHand((hand) => hand.editing === id);
  const leave = () => {
    useHand.setState({ editing: null });
  };
  return (
    <span
      className="absolute z-10 -translate-x-1/2 -translate-y-1/2 whitespace-nowrap"
      style={{ left: x, top: y }}
    >
      {editing ? (
        <LengthField name={name} mm={mm} unit={live.unit} refuse={refuse} onSet={onSet} onLeave={leave} />
      ) : (
        <button
          data-dimension={id}
          aria-label={`${name} ${showLength(mm, live.unit)}: change`}
          onClick={() => {
            useHand.setState({ editing: id });
          }}
          className={`measure px-1.5 leading-5 hover:bg-tape ${id === 'width' || id === 'height' ? 'bg-tape font-semibold' : 'bg-viewing'}`}
        >
          {showLength(mm, live.unit)}
          {children}
        </button>
      )}
    </span>
  );
}

/** The angle at the turning stem, in degrees clockwise. */
function Angle({ box, view, onSet }: { box: Box; view: View; onSet: (radians: number) => void }) {
  const editing = useHand((hand) => hand.editing === 'angle');
  const degrees = (normalAngle(box.rotation) * 180) / Math.PI;
  const centre = toPx(view, box.x, box.y);
  const reach = (box.width / 2) * view.scale + STEM;
  const x = centre.x - Math.cos(box.rotation) * reach - 10;
  // Where the stem leaves no room before it, the number goes below its end.
  const cramped = x < 46;
  const y = Math.min(view.height - 60, Math.max(34, centre.y - Math.sin(box.rotation) * reach));
  const leave = () => {
    useHand.setState({ editing: null });
  };
  return (
    <span
      className="absolute z-10 -translate-x-full -translate-y-1/2"
      style={{ left: Math.max(46, x), top: cramped ? y + 20 : y }}
    >
      {editing ? (
        <input
          autoFocus
          aria-label="Angle in degrees"
          defaultValue={degrees.toFixed(1)}
          size={7}
          className="measure bg-tape px-1.5 text-on-tape outline-none"
          onFocus={(event) => {
            event.target.select();
          }}
          onBlur={leave}
          onKeyDown={(event) => {
            event.stopPropagation();
            const typed = Number(event.currentTarget.value.replace(',', '.').replace(/[°\s]/g, ''));
            if (event.key === 'Enter' && Number.isFinite(typed)) {
              onSet(normalAngle((typed * Math.PI) / 180));
              leave();
            }
            if (event.key === 'Escape') leave();
          }}
        />
      ) : (
        <button
          data-dimension="angle"
          aria-label={`Angle ${fixed(degrees, 1)} degrees: change`}
          onClick={() => {
            useHand.setState({ editing: 'angle' });
          }}
          className="measure bg-viewing/80 px-1 leading-5 hover:bg-tape"
        >
          {fixed(degrees, 1)}°
        </button>
      )}
    </span>
  );
}
