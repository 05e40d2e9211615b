'use client';
import dynamic from 'next/dynamic';
import { useEffect, useMemo } from 'react';
import { FaceLines } from '@/ui/flat/FaceLines';
import type { Zone } from '@/core/blank/face';
import { resolveBlank, type PrintFace } from '@/core/blank/resolve';
import { shapePath } from '@/core/blank/shape';
import type { Docket } from '@/core/check/docket';
import { useHand } from '@/state/bench';
import { useUnderlay } from '../FaceBar';
import type { Live } from '../useLive';
import { Callouts } from './Callouts';
import { Dimensions } from './Dimensions';
import { Legend } from './Legend';
import { PieceGrips } from './PieceGrips';
import { Ruler } from './Ruler';
import { useView, type View } from './view';

/** The canvas library reaches for the window as it loads, so it is loaded in the browser alone. */
const FlatPieces = dynamic(() => import('./FlatPieces').then((module) => module.FlatPieces), { ssr: false });

/** The face unrolled at true size: its pieces, its lines, and its dimensions, which are the controls. */
export function Flat({ live, docket }: { live: Live; docket: Docket }) {
  const { room, view } = useView(live.face);
  const legend = useHand((hand) => hand.legend);
  return (
    <section aria-label="Flat" className="relative min-h-0 min-w-0 grow overflow-hidden">
      <div
        ref={room}
        className="absolute inset-0"
        onPointerDown={(event) => {
          if (event.target === event.currentTarget) useHand.setState({ selectedId: null });
        }}
      >
        {view && (
          <>
            <FlatPieces live={live} view={view} />
            <Underlay live={live} view={view} />
            <Lines live={live} view={view} />
            <PieceGrips live={live} view={view} />
            <Dimensions live={live} view={view} />
            <Callouts docket={docket} live={live} view={view} />
            <Ruler view={view} unit={live.unit} />
            <Snapped view={view} />
            {legend && <Legend face={live.face} />}
          </>
        )}
      </div>
    </section>
  );
}

/** The house's template under the face, as strong as chosen. It is a picture on the page and reaches no print. */
function Underlay({ live, view }: { live: Live; view: View }) {
  const underlay = useUnderlay(live);
  const url = useMemo(() => underlay && URL.createObjectURL(underlay.picture), [underlay]);
  useEffect(
    () => () => {
      if (url) URL.revokeObjectURL(url);
    },
    [url],
  );
  if (!underlay || !url) return null;
  const { page } = underlay;
  return (
    <img
      src={url}
      alt={`Template ${underlay.name}`}
      data-underlay
      className="pointer-events-none absolute mix-blend-multiply"
      style={{
        left: view.left + page.x * view.scale,
        top: view.top + page.y * view.scale,
        width: page.width * view.scale,
        height: page.height * view.scale,
        maxWidth: 'none',
        opacity: underlay.opacity,
      }}
    />
  );
}

function Lines({ live, view }: { live: Live; view: View }) {
  const { face } = live;
  return (
    <>
      <svg aria-hidden className="pointer-events-none absolute inset-0 h-full w-full">
        <g transform={`translate(${view.left} ${view.top}) scale(${view.scale})`}>
          <Grades live={live} px={1 / view.scale} />
          <FaceLines face={face} px={1 / view.scale} />
          {face.bleed > 0 && (
            <path
              d={shapePath(face, face.bleed)}
              fill="none"
              stroke="var(--color-viewing-ink)"
              strokeOpacity="0.35"
              strokeWidth={0.6 / view.scale}
            />
          )}
        </g>
      </svg>
      {face.zones.map((zone) => (
        <span
          key={zone.id}
          className="pointer-events-none absolute -translate-x-1/2 bg-viewing/80 px-1 text-sm text-viewing-ink"
          style={{ left: view.left + zone.x * view.scale, top: labelTop(zone, live.face, view) }}
        >
          {zone.name}
        </span>
      ))}
    </>
  );
}

function Snapped({ view }: { view: View }) {
  const snapped = useHand((hand) => hand.snapped);
  if (!snapped || snapped.words.length === 0) return null;
  return (
    <>
      <svg
        aria-hidden
        className="pointer-events-none absolute inset-0 h-full w-full"
        stroke="var(--tape)"
        strokeWidth="1.5"
      >
        {snapped.x !== null && <path d={`M${view.left + snapped.x * view.scale} 24V${view.height}`} />}
        {snapped.y !== null && <path d={`M0 ${view.top + snapped.y * view.scale}H${view.width}`} />}
      </svg>
      <p
        role="status"
        className="pointer-events-none absolute left-3 top-8 bg-tape px-2 py-0.5 text-sm font-semibold text-on-tape"
      >
        on the {snapped.words.join(', ')}
      </p>
    </>
  );
}

/** The print area of every graded size, hanging from the same collar; the size on the bench is the solid line. */
function Grades({ live, px }: { live: Live; px: number }) {
  const { blank, method, spec } = live.blank;
  return blank.sizes.map(({ id, name }) => {
    const sized = resolveBlank(blank, method, spec, id).faces.find((face) => face.id === live.face.id);
    if (!sized || Math.abs(sized.width - live.face.width) < 0.01) return null;
    const x = (live.face.width - sized.width) / 2;
    return (
      <g key={id} stroke="var(--color-viewing-ink)" strokeOpacity="0.5">
        <rect x={x} width={sized.width} height={sized.height} fill="none" strokeWidth={0.7 * px} />
        <text
          x={x + sized.width - 4 * px}
          y={sized.height - 4 * px}
          textAnchor="end"
          fontSize={11 * px}
          stroke="none"
          fill="var(--color-viewing-ink)"
          className="measure"
        >
          {name}
        </text>
      </g>
    );
  });
}

/** A zone's name stands above the face; where zones lie in rows, each at its own upper edge. */
function labelTop(zone: Zone, face: PrintFace, view: View): number {
  const rows = new Set(face.zones.map(({ y }) => y)).size;
  if (rows < 2) return view.top - face.bleed * view.scale - 21;
  return view.top + (zone.y - zone.height / 2) * view.scale + 2;
}
