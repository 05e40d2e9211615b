'use client';
import type { ShapePiece } from '@/core/fit/schema';
import { framed, insideBy } from '@/core/fit/shapes';
import { changePiece } from '@/state/bench/open-fit';
import { LengthValue } from '@/ui/LengthValue';
import { MenuLine, VerbMenu } from '@/ui/Menu';
import { refuseFar, refuseSize } from '../acts/refusals';
import type { Live } from '../live/useLive';
import { ColourField } from './ColourField';
import { CountValue } from './CountValue';
import { MixMenu } from './MixMenu';
import { Row } from './Row';
import { TileButton } from './TileButton';

/** For what has no colour of its own yet. */
const INK = '#20252b';

/** A shape's own measurements: its size each way, what is particular to its kind, its fill and its stroke. */
export function ShapeRow({ live, piece }: { live: Live; piece: ShapePiece }) {
  const { unit } = live;
  const { shape, fill, stroke } = piece;
  const set = (change: Partial<ShapePiece>) => void changePiece(live.face.id, { ...piece, ...change });
  const line = shape.kind === 'line';
  const dash = line ? shape.dash : (stroke?.dash ?? null);
  const round = (line ? shape.ends : stroke?.ends) === 'round';
  const setDash = (next: typeof dash, ends: 'butt' | 'round' = round ? 'round' : 'butt') => {
    if (line) set({ shape: { ...shape, dash: next, ends } });
    else if (stroke) set({ stroke: { ...stroke, dash: next, ends } });
  };
  const thick = line ? piece.height : (stroke?.width ?? 1);
  const usual = { on: Math.round(30 * thick) / 10, off: Math.round(20 * thick) / 10 };
  return (
    <Row label="Shape">
      <LengthValue
        name={line ? 'Length' : 'Width'}
        mm={piece.width}
        unit={unit}
        refuse={refuseSize}
        onSet={(width) => {
          set({ width });
        }}
      >
        {line ? 'long' : 'wide'}
      </LengthValue>
      <LengthValue
        name={line ? 'Thickness' : 'Height'}
        mm={piece.height}
        unit={unit}
        refuse={refuseSize}
        onSet={(height) => {
          set({ height });
        }}
      >
        {line ? 'thick' : 'high'}
      </LengthValue>
      {shape.kind === 'rectangle' && (
        <LengthValue
          name="Corner radius"
          mm={shape.corner}
          unit={unit}
          refuse={refuseFar}
          onSet={(corner) => {
            set({ shape: { ...shape, corner: Math.max(0, corner) } });
          }}
        >
          corners
        </LengthValue>
      )}
      {shape.kind === 'star' && (
        <>
          <CountValue
            name="Points of the star"
            value={shape.points}
            from={3}
            to={60}
            onSet={(points) => {
              set({ shape: { ...shape, points } });
            }}
          >
            points
          </CountValue>
          <CountValue
            name="How far its inner corners lie, in percent of the outer ones"
            value={Math.round(shape.inner * 100)}
            from={5}
            to={98}
            unit="%"
            onSet={(percent) => {
              set({ shape: { ...shape, inner: percent / 100 } });
            }}
          >
            inner corners
          </CountValue>
        </>
      )}
      {shape.kind === 'polygon' && (
        <CountValue
          name="Sides of the polygon"
          value={shape.sides}
          from={3}
          to={60}
          onSet={(sides) => {
            set({ shape: { ...shape, sides } });
          }}
        >
          sides
        </CountValue>
      )}
      {shape.kind === 'path' && (
        <LengthValue
          name="Distance from the trim"
          mm={insideBy(piece, live.face)}
          unit={unit}
          refuse={refuseFar}
          onSet={(inside) => {
            set(framed(piece, live.face, inside));
          }}
        >
          from the trim
        </LengthValue>
      )}
      <MixMenu live={live} piece={piece} />
      <TileButton live={live} piece={piece} />
      <Fill live={live} piece={piece} onSet={set} />
      {!line && (
        <LengthValue
          name="Stroke"
          mm={stroke?.width ?? null}
          unit={unit}
          refuse={(mm) => (mm === 0 ? null : refuseSize(mm))}
          onSet={(width) => {
            const drawn = stroke ?? { colour: fill ?? INK, dash: null, ends: 'butt' as const };
            set({
              stroke: width > 0 ? { ...drawn, width } : null,
              // A shape with neither would be nothing.
              ...(width === 0 && fill === null && { fill: drawn.colour }),
            });
          }}
        >
          stroke
        </LengthValue>
      )}
      {!line && stroke && (
        <ColourField
          live={live}
          name="Stroke"
          colour={stroke.colour}
          onColour={(colour) => {
            set({ stroke: { ...stroke, colour } });
          }}
        />
      )}
      {(line || stroke) && (
        <VerbMenu label={dash === null ? 'Whole…' : round ? 'Round dashes…' : 'Dashes…'}>
          <MenuLine
            onSelect={() => {
              setDash(null, 'butt');
            }}
          >
            whole
          </MenuLine>
          {line && (
            <MenuLine
              onSelect={() => {
                setDash(null, 'round');
              }}
            >
              whole, with round ends
            </MenuLine>
          )}
          <MenuLine
            onSelect={() => {
              setDash(dash ?? usual, 'butt');
            }}
          >
            dashes
          </MenuLine>
          <MenuLine
            onSelect={() => {
              setDash(dash ?? usual, 'round');
            }}
          >
            dashes with round ends
          </MenuLine>
        </VerbMenu>
      )}
      {dash && (
        <>
          <LengthValue
            name="Length of a dash"
            mm={dash.on}
            unit={unit}
            refuse={refuseSize}
            onSet={(on) => {
              setDash({ ...dash, on });
            }}
          >
            dash
          </LengthValue>
          <LengthValue
            name="Gap between dashes"
            mm={dash.off}
            unit={unit}
            refuse={refuseSize}
            onSet={(off) => {
              setDash({ ...dash, off });
            }}
          >
            gap
          </LengthValue>
        </>
      )}
    </Row>
  );
}

/** A shape's fill, which it may be without where it has a stroke. */
function Fill({
  live,
  piece: { shape, fill, stroke },
  onSet,
}: {
  live: Live;
  piece: ShapePiece;
  onSet: (change: Partial<ShapePiece>) => void;
}) {
  if (fill === null)
    return (
      <button
        className="verb"
        onClick={() => {
          onSet({ fill: stroke?.colour ?? INK });
        }}
      >
        Fill it
      </button>
    );
  return (
    <>
      <ColourField
        live={live}
        name={shape.kind === 'line' ? 'Line' : 'Fill'}
        colour={fill}
        onColour={(colour) => {
          onSet({ fill: colour });
        }}
      />
      {stroke && (
        <button
          className="verb"
          onClick={() => {
            onSet({ fill: null });
          }}
        >
          No fill
        </button>
      )}
    </>
  );
}
