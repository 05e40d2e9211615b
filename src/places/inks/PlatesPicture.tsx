'use client';
import { printSize, type PrintFace } from '@/core/blank/resolve';
import { fixed, type UnitSetting } from '@/core/length/show';
import type { LookAsked, PlatesSeen } from '@/state/plates/plates';
import { LengthValue } from '@/ui/LengthValue';
import { Segments, Toggle } from '@/ui/Toggle';
import { useRoomSize } from '@/ui/useRoomSize';
import { RasterCanvas } from './RasterCanvas';

export type View = LookAsked['view'];
export type Close = NonNullable<LookAsked['close']>;

interface Props {
  face: PrintFace;
  /** `#rrggbb` of the product. */
  product: string;
  unit: UnitSetting;
  seen: PlatesSeen | null;
  /** What is seen of a window, where one is looked at. */
  closeBy: PlatesSeen | null;
  view: View;
  close: Close | null;
  /** The ink that a part is being given to. */
  giving: string | null;
  onView: (view: View) => void;
  onClose: (close: Close | null) => void;
  /** A part pointed at, in mm from the print's top left. */
  onPart: (at: { x: number; y: number }) => void;
}

/** mm across a window that is looked at close by. */
const WINDOW = 24;

/** mm that an arrow key moves a window, and which way each moves it. */
const STEP = 4;
const STEPS: Partial<Record<string, readonly [x: number, y: number]>> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
};

/** The plates on the product, all or one alone, slid apart as a press may slide them, and close by at their own density. */
export function PlatesPicture(props: Props) {
  const { face, unit, seen, closeBy, view, close, giving, onView, onClose } = props;
  const plates = seen?.plates ?? [];
  const alone = view.alone !== null;
  return (
    <div className="flex min-h-0 grow flex-col">
      <div className="flex min-h-9 shrink-0 flex-wrap items-center gap-x-4 gap-y-1 px-3 text-sm">
        <Segments
          label="What is seen"
          value={view.alone === null ? 'all' : String(view.alone)}
          className="flex min-w-0 flex-wrap gap-x-3"
          choices={[
            { value: 'all', name: 'all inks' },
            ...plates.map(({ name }, i) => ({
              value: String(i),
              name: String(i + 1),
              spoken: `Plate ${i + 1}, ${name}, alone`,
              hint: `${name}, alone`,
            })),
          ]}
          onChange={(value) => {
            onView({ ...view, alone: value === 'all' ? null : Number(value) });
          }}
        />
        {alone && (
          <Segments
            label="How a plate is seen"
            value={view.as}
            choices={[
              { value: 'ink', name: 'in its ink' },
              { value: 'black', name: 'in black' },
            ]}
            onChange={(as) => {
              onView({ ...view, as });
            }}
          />
        )}
        {!alone && (
          <span className="flex items-center gap-2">
            <LengthValue
              name="Slid apart by"
              mm={view.slid}
              none="0 mm"
              unit={unit}
              refuse={(mm) => (mm < 0 || mm > 5 ? 'From 0 to 5 mm.' : null)}
              onSet={(slid) => {
                onView({ ...view, slid });
              }}
            >
              <span className="text-viewing-ink">slid apart by</span>
            </LengthValue>
            {view.slid > 0 && (
              <button
                className="verb text-viewing-thread"
                aria-label={`Slid another way: ${view.angle}° now`}
                onClick={() => {
                  onView({ ...view, angle: (view.angle + 45) % 360 });
                }}
              >
                another way
              </button>
            )}
            {view.slid > 0 && seen && (
              <span role="status" className="measure font-semibold">
                {seen.gaps < 0.05 ? 'no gap shows' : `${fixed(seen.gaps, 1)} mm² of gaps show`}
              </span>
            )}
          </span>
        )}
        <Toggle
          className="verb ml-auto text-viewing-thread"
          pressed={close !== null}
          onPress={(on) => {
            const box = seen?.box ?? { x: 0, y: 0, ...printSize(face) };
            const middle = { x: box.x + box.width / 2, y: box.y + box.height / 2 };
            onClose(on ? windowAt(middle, face) : null);
          }}
        >
          {close ? 'all of it' : 'close by'}
        </Toggle>
      </div>
      {giving !== null && (
        <p role="status" className="shrink-0 bg-tape px-3 py-1 text-sm text-on-tape">
          Point at a part, and it takes {giving}. Escape leaves it.
        </p>
      )}
      <Picture {...props} shown={close ? closeBy : seen} />
    </div>
  );
}

/** A window round a place, as far inside the print as it goes. */
function windowAt({ x, y }: { x: number; y: number }, face: PrintFace): Close {
  const { width, height } = printSize(face);
  const across = Math.min(WINDOW, width, height);
  const inside = (at: number, size: number) => Math.max(0, Math.min(size - across, at - across / 2));
  return { x: inside(x, width), y: inside(y, height), across };
}

function Picture({
  face,
  product,
  view,
  shown,
  close,
  giving,
  onClose,
  onPart,
}: Props & { shown: PlatesSeen | null }) {
  const { room, size } = useRoomSize();
  const box = shown?.box ?? null;
  const scale =
    size && box ? Math.max(0, Math.min((size.width - 48) / box.width, (size.height - 48) / box.height)) : 0;
  const middle = box && { x: box.x + box.width / 2, y: box.y + box.height / 2 };
  const inBlack = view.alone !== null && view.as === 'black';
  return (
    <div ref={room} className="grid min-h-0 grow place-items-center overflow-hidden">
      {shown && box && middle && scale > 0 && (
        <button
          aria-label={
            giving !== null
              ? `Plates: the part that is pointed at takes ${giving}`
              : close
                ? 'Plates close by: look at all of it'
                : 'Plates: look close by at a place'
          }
          className={`relative block p-3 ${giving === null ? (close ? 'cursor-zoom-out' : 'cursor-zoom-in') : 'cursor-crosshair'}`}
          style={{ background: inBlack ? '#ffffff' : product }}
          onClick={(event) => {
            const seen = event.currentTarget.firstElementChild!.getBoundingClientRect();
            // A key takes the middle of what is seen.
            const point =
              event.detail === 0
                ? middle
                : {
                    x: box.x + ((event.clientX - seen.left) / seen.width) * box.width,
                    y: box.y + ((event.clientY - seen.top) / seen.height) * box.height,
                  };
            if (giving !== null) onPart(point);
            else onClose(close ? null : windowAt(point, face));
          }}
          onKeyDown={(event) => {
            const way = STEPS[event.key];
            if (!close || !way) return;
            event.preventDefault();
            onClose(windowAt({ x: middle.x + way[0] * STEP, y: middle.y + way[1] * STEP }, face));
          }}
        >
          <RasterCanvas
            raster={shown.picture}
            aria-hidden
            style={{
              ...{ width: box.width * scale, height: box.height * scale },
              ...(close && { imageRendering: 'pixelated' }),
            }}
          />
          {close && giving !== null && <Middle />}
        </button>
      )}
    </div>
  );
}

/** A pair of ticks on the middle, which is what a key takes. */
function Middle() {
  return (
    <svg
      aria-hidden
      viewBox="-10 -10 20 20"
      className="absolute left-1/2 top-1/2 h-5 w-5 -translate-x-1/2 -translate-y-1/2"
    >
      <path d="M-9 0H-3M3 0H9M0 -9V-3M0 3V9" stroke="#fff" strokeWidth="3" />
      <path d="M-9 0H-3M3 0H9M0 -9V-3M0 3V9" stroke="#000" strokeWidth="1" />
    </svg>
  );
}
