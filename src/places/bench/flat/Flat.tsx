'use client';
import { useEffect, useMemo } from 'react';
import { FaceLines } from '@/ui/flat/FaceLines';
import type { Zone } from '@/core/blank/face';
import type { PrintFace } from '@/core/blank/resolve';
import { shapePath } from '@/core/blank/shape';
import type { Docket } from '@/core/check/docket';
import { middleOf } from '@/core/fit/arrange';
import { nearestZone } from '@/core/fit/zones';
import { useHand } from '@/state/bench/hand';
import { useUnderlay } from '../live/useUnderlay';
import type { Live } from '../live/useLive';
import { useMenuAt } from '@/ui/Menu';
import { late } from '@/ui/late';
import { PointedLines } from '../strip/VerbLines';
import { Callouts } from './Callouts';
import { Dimensions } from './Dimensions';
import { gradesOf, hangingBelow } from './grades';
import { Legend } from './Legend';
import { InkReadout, ProofDivider } from './ProofMarks';
import { pickPointed } from './picking';
import { PieceGrips } from './PieceGrips';
import { PointMark } from './PointMark';
import { ReadBand } from './ReadBand';
import { Rulers } from './Ruler';
import { Tags } from './Tags';
import { useMarquee } from './useMarquee';
import { toMm, useView, type View } from './view';
import { useZooming } from './zooming';

/** The canvas library reaches for the window as it loads, so it is loaded in the browser alone. */
const FlatPieces = late(() => import('./FlatPieces').then((module) => module.FlatPieces));

/** The face unrolled at true size: its pieces, its lines, and its dimensions, which are the controls. */
export function Flat({
  live,
  docket,
  active = true,
}: {
  live: Live;
  docket: Docket | null;
  active?: boolean;
}) {
  const zoom = useHand((hand) => hand.zoom);
  const { room, view } = useView(live.face, active ? zoom : null, hangingBelow(live));
  const legend = useHand((hand) => hand.legend);
  const fromCentre = useHand((hand) => hand.fromCentre);
  useZooming(room, active ? view : null);
  const marquee = useMarquee(live, view);
  const pointed = useMenuAt(
    'What can be done here',
    (on) => pickPointed(live, on),
    () => <PointedLines live={live} />,
  );
  const { face, selection } = live;
  const zone = fromCentre
    ? nearestZone(face.zones, selection?.box ?? { x: middleOf(face), y: face.height / 2 })
    : null;
  return (
    <section
      aria-label={active ? 'Flat' : `Flat of the ${face.name}`}
      className="relative min-h-0 min-w-0 grow overflow-hidden"
    >
      <div
        ref={room}
        data-flat={active || undefined}
        className="absolute inset-0"
        {...(active && marquee.press)}
        {...(active && { onContextMenu: pointed.onContextMenu })}
        onDropCapture={(event) => {
          if (!view || !active) return;
          const { left, top } = event.currentTarget.getBoundingClientRect();
          useHand.setState({ dropped: toMm(view, event.clientX - left, event.clientY - top) });
        }}
      >
        {view && (
          <>
            <FlatPieces live={live} view={view} />
            <Underlay live={live} view={view} />
            <Lines live={live} view={view} />
            {active ? (
              <>
                <PieceGrips live={live} view={view} />
                <Tags live={live} view={view} />
                {marquee.frame}
                {live.pieces.length === 0 && <Bare live={live} view={view} />}
                <Dimensions live={live} view={view} />
                <Callouts docket={docket} live={live} view={view} />
                <ReadBand live={live} view={view} />
                <ProofDivider view={view} />
                <InkReadout live={live} view={view} room={room} />
                <Rulers view={view} unit={live.unit} origin={zone ? zone.zone : { x: 0, y: 0 }} />
                <PointMark live={live} view={view} room={room} />
                <Snapped view={view} />
                {legend && <Legend face={face} />}
              </>
            ) : (
              <button
                className="absolute inset-0 h-full w-full text-left"
                aria-label={`Work on the ${face.name}`}
                onClick={() => {
                  useHand.setState({ faceId: face.id, selectedIds: [], draft: null, zoom: null });
                }}
              >
                <span className="absolute left-3 top-2 text-sm font-semibold">{face.name}</span>
              </button>
            )}
          </>
        )}
      </div>
      {pointed.menu}
    </section>
  );
}

/** What to do first on a face that carries nothing. */
function Bare({ live, view }: { live: Live; view: View }) {
  const { face } = live;
  return (
    <p
      className="pointer-events-none absolute w-56 -translate-x-1/2 -translate-y-1/2 bg-viewing px-3 py-2 text-center text-sm text-viewing-ink"
      style={{
        left: view.left + (face.width / 2) * view.scale,
        top: view.top + (face.height / 2) * view.scale,
      }}
    >
      Drop artwork here. <b>I</b> adds words, <b>Add…</b> lays a plain ground or artwork that is here already.
    </p>
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
        className="pointer-events-none absolute left-8 top-8 bg-tape px-2 py-0.5 text-sm font-semibold text-on-tape"
      >
        on the {snapped.words.join(', ')}
      </p>
    </>
  );
}

/** The print area of every graded size, hanging from the same collar; the size on the bench is the solid line. */
function Grades({ live, px }: { live: Live; px: number }) {
  return gradesOf(live).map(({ id, name, face: sized }) => {
    if (Math.abs(sized.width - live.face.width) < 0.01) return null;
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
