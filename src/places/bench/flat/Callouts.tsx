'use client';
import type { Docket } from '@/core/check/docket';
import type { Finding } from '@/core/check/finding';
import { extentOf } from '@/core/fit/geometry';
import type { Piece } from '@/core/fit/schema';
import { isOpen, rank } from '@/core/check/finding';
import { useHand } from '@/state/bench/hand';
import { useRoomSize } from '@/ui/useRoomSize';
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
        {called?.place &&
          onPieces.length === 0 &&
          (called.places ?? [called.place]).map((place, index) => (
            <Mark key={index} view={view} place={place} />
          ))}
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
      {called?.place && <Words view={view} finding={called} place={called.places?.[0] ?? called.place} />}
    </>
  );
}

/** px between the flat's sides and the words at its foot. */
const [LEFT, RIGHT] = [32, 12];

/** What was found, in words at the foot of the flat, and a line from its place down to them. */
function Words({ view, finding, place }: { view: View; finding: Finding; place: Place }) {
  const { room, size } = useRoomSize();
  return (
    <>
      <svg aria-hidden className="pointer-events-none absolute inset-0 h-full w-full">
        <Leader view={view} place={place} wide={size?.width ?? 0} />
      </svg>
      <div
        data-callout
        style={{ left: LEFT, right: RIGHT }}
        className="pointer-events-none absolute bottom-2 flex justify-center font-semibold leading-tight text-viewing-fix [--color-fix:#8a1a10] [--color-look:#5c3c00]"
      >
        <div ref={room} className="flex items-center gap-2">
          <VerdictShape verdict={finding.verdict} size={12} />
          <span className={finding.verdict === 'fix' ? '' : 'text-look'}>{finding.message}</span>
        </div>
      </div>
    </>
  );
}

/** px from the end of the words to where a line may come down to them. */
const LEADER_IN = 12;
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

/** From the place down to the words, `wide` px of them, as straight as it goes: over as little of the drawing as it can. */
function Leader({ view, place, wide }: { view: View; place: Place; wide: number }) {
  const from = toPx(view, (place.left + place.right) / 2, place.bottom);
  const middle = (LEFT + view.width - RIGHT) / 2;
  const reach = Math.max(0, wide / 2 - LEADER_IN);
  const to = Math.min(middle + reach, Math.max(middle - reach, from.x));
  return (
    <path
      d={`M${from.x} ${from.y}L${to} ${view.height - 32}`}
      stroke="var(--color-viewing-fix)"
      strokeWidth="1.2"
      fill="none"
    />
  );
}
