'use client';
import type { Docket } from '@/core/check/docket';
import type { Finding } from '@/core/check/finding';
import { extentOf } from '@/core/fit/geometry';
import type { Piece } from '@/core/fit/schema';
import { isOpen, rank } from '@/core/check/finding';
import { useHand } from '@/state/bench/hand';
import { VerdictShape } from '@/ui/Verdict';
import type { Live } from '../live/useLive';
import { inkOf } from '@/core/check/registry';
import { FoundOnPieces } from './FoundOnPieces';
import { gripBox } from './picking';
import { toPx, type View } from './view';

/** Findings that have a place, called out on the flat with a leader line; the one pointed at is marked out. */
export function Callouts({ live, docket, view }: { live: Live; docket: Docket | null; view: View }) {
  const pointedAt = useHand((hand) => hand.pointedAt);
  const findings = docket?.findings ?? [];
  const pointed = pointedAt === null ? undefined : findings[pointedAt];
  const here = findings.filter(({ faceId }) => faceId === live.face.id);
  const worst = here
    .filter((finding) => finding.place && isOpen(finding))
    .sort((a, b) => rank(b.verdict) - rank(a.verdict))[0];
  const called = pointed?.place && pointed.faceId === live.face.id ? pointed : worst;
  // What is dragged leaves its place behind: that is marked as it was found.
  const ink = called && inkOf(called.rule);
  const onPieces = called && ink && !live.dragging ? piecesOf(live, called) : [];
  const piece = pointed && !pointed.place ? pieceExtent(live, pointed) : null;
  return (
    <>
      <svg aria-hidden className="pointer-events-none absolute inset-0 h-full w-full">
        {piece && <Mark view={view} place={piece} dashed />}
        <defs>
          <pattern
            id="found"
            width="5"
            height="5"
            patternUnits="userSpaceOnUse"
            patternTransform="rotate(45)"
          >
            <path d="M0 0V5" stroke="var(--color-viewing-fix)" strokeWidth="1.4" />
          </pattern>
        </defs>
        {called?.place && (
          <>
            {onPieces.length === 0 &&
              (called.places ?? [called.place]).map((place, index) => (
                <Mark key={index} view={view} place={place} />
              ))}
            <Leader view={view} place={called.places?.[0] ?? called.place} />
          </>
        )}
      </svg>
      {called?.place && onPieces.length > 0 && (
        <FoundOnPieces
          live={live}
          view={view}
          pieces={onPieces}
          soft={ink === 'soft'}
          places={called.places ?? [called.place]}
        />
      )}
      {called?.place && (
        <p
          data-callout
          className="pointer-events-none absolute bottom-2 left-8 right-3 flex items-center justify-center gap-2 font-semibold leading-tight text-viewing-fix [--color-fix:#8a1a10] [--color-look:#5c3c00]"
        >
          <VerdictShape verdict={called.verdict} size={12} />
          <span className={called.verdict === 'fix' ? '' : 'text-look'}>{called.message}</span>
        </p>
      )}
    </>
  );
}

/** px from which a place is marked by its outline alone. */
const LARGE = 160;

type Place = NonNullable<Finding['place']>;

/** The piece that a finding is of, or where it is of all that is laid on the product, the motifs. */
function piecesOf({ pieces }: Live, { pieceId }: Finding): Piece[] {
  if (pieceId) return pieces.filter(({ id }) => id === pieceId);
  return pieces.filter(({ role, visible }) => visible && role === 'motif');
}

function pieceExtent(live: Live, finding: Finding): Place | null {
  const piece = live.pieces.find(({ id }) => id === finding.pieceId);
  if (piece) return extentOf(gripBox(live, piece));
  const { width, height, bleed } = live.face;
  return { left: -bleed, top: -bleed, right: width + bleed, bottom: height + bleed };
}

function Mark({ view, place, dashed = false }: { view: View; place: Place; dashed?: boolean }) {
  const a = toPx(view, place.left, place.top);
  const b = toPx(view, place.right, place.bottom);
  return (
    <rect
      x={a.x - 1}
      y={a.y - 1}
      width={Math.max(2, b.x - a.x + 2)}
      height={Math.max(2, b.y - a.y + 2)}
      // Hatched, and where it lies over most of the face by its outline alone: the colours there are looked at.
      fill={dashed || (b.x - a.x > LARGE && b.y - a.y > LARGE) ? 'none' : 'url(#found)'}
      stroke="var(--color-viewing-fix)"
      strokeWidth="1.5"
      strokeDasharray={dashed ? '5 4' : undefined}
    />
  );
}

/** From the place down to the words at the foot of the flat. */
function Leader({ view, place }: { view: View; place: Place }) {
  const from = toPx(view, (place.left + place.right) / 2, place.bottom);
  return (
    <path
      d={`M${from.x} ${from.y}L${view.width / 2} ${view.height - 32}`}
      stroke="var(--color-viewing-fix)"
      strokeWidth="1.2"
      fill="none"
    />
  );
}
