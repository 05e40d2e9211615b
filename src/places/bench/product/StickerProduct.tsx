'use client';
import { useId } from 'react';
import { rectangle } from '@/core/blank/face';
import type { PrintFace } from '@/core/blank/resolve';
import { shapePath } from '@/core/blank/shape';
import type { Piece } from '@/core/fit/schema';
import { showLength } from '@/core/length/show';
import { inRows, strewn, type Lying } from '@/core/product/strew';
import { PieceDrawings } from '@/ui/flat/PieceDrawings';
import { useRoomSize } from '@/ui/useRoomSize';
import { shownColour, type Live } from '../live/useLive';
import { SurfaceDrawing } from './SurfaceDrawing';
import { usePrintPicture } from './usePrintPicture';
import { SHOWINGS, SURFACES, useSurface, type Showing } from './useSurface';
import { Segments } from '@/ui/Toggle';
import { aspectsOf } from '@/core/blank/kinds';

/** mm of a sheet's backing past its stickers, at least. */
const SHEET_EDGE = 6;
/** mm across of the mark that sizes are told by: about a coin's. */
const COIN = 24;
const SAID: Record<Showing, string> = { one: 'this one', rows: 'in rows', strewn: 'strewn' };

/** A sticker on a surface, an edge of it lifted, or a whole set at one scale beside a coin-sized mark. */
export function StickerProduct({ live }: { live: Live }) {
  const { room, size } = useRoomSize();
  const { surface, showing } = useSurface();
  const several = live.blank.faces.length > 1;
  const how = several ? showing : 'one';
  const url = usePrintPicture(live);
  const { body } = live.blank.blank;
  const sheet = how === 'rows' && aspectsOf(body).sticker?.cut === 'kiss';
  return (
    <div ref={room} className="relative min-h-0 grow">
      {size && (
        <svg
          role="img"
          aria-label={`${live.design.name} as ${live.blank.blank.name}, on ${surface}`}
          width={size.width}
          height={size.height}
        >
          <SurfaceDrawing surface={surface} {...size} />
          <Scene
            live={live}
            lying={lyingOf(live, how, size)}
            lifted={how === 'one'}
            sheet={sheet}
            url={url}
            {...size}
          />
        </svg>
      )}
      <div className="absolute right-3 top-1.5 z-10 flex gap-4 bg-viewing/85 px-2 py-0.5 text-sm">
        {several && (
          <Words
            label="How many are shown"
            words={SHOWINGS.map((id) => [id, SAID[id]])}
            value={showing}
            onChoose={(next) => {
              useSurface.setState({ showing: next });
            }}
          />
        )}
        <Words
          label="Surface"
          words={SURFACES.map((id) => [id, id])}
          value={surface}
          onChoose={(next) => {
            useSurface.setState({ surface: next });
          }}
        />
      </div>
    </div>
  );
}

function Words<T extends string>({
  label,
  words,
  value,
  onChoose,
}: {
  label: string;
  words: readonly (readonly [id: T, word: string])[];
  value: T;
  onChoose: (value: T) => void;
}) {
  return (
    <Segments
      label={label}
      value={value}
      choices={words.map(([id, name]) => ({ value: id, name }))}
      onChange={onChoose}
    />
  );
}

function lyingOf(live: Live, how: Showing, room: { width: number; height: number }): Lying[] {
  const { faces } = live.blank;
  if (how === 'one') return [{ face: live.face, x: 0, y: 0, turn: 0 }];
  return how === 'rows' ? inRows(faces, room.width / room.height) : strewn(faces, room.width / room.height);
}

/** Stickers where they lie, as large as the room holds, with the mark beside them. */
function Scene({
  live,
  lying,
  lifted,
  sheet,
  url,
  width,
  height,
}: {
  live: Live;
  lying: readonly Lying[];
  lifted: boolean;
  /** All on one backing, the first of them peeled off it. */
  sheet: boolean;
  url: string | null;
  width: number;
  height: number;
}) {
  const own = Math.max(0, ...lying.map(({ face }) => face.cut?.backing ?? 0));
  const backing = sheet ? Math.max(SHEET_EDGE, own) : own;
  const peeled = sheet ? lying[0]!.face : null;
  const beside = peeled ? peeled.width + 10 : 0;
  const right = Math.max(...lying.map(({ face, x }) => x + face.width)) + backing;
  const foot = Math.max(...lying.map(({ face, y }) => y + face.height)) + backing;
  const across = right + backing + beside + COIN + 8;
  const down = foot + backing;
  const scale = Math.min((width - 70) / across, (height - 84) / down);
  const left = (width - across * scale) / 2 + backing * scale;
  const top = (height - down * scale) / 2 + 10 + backing * scale;
  return (
    <g transform={`translate(${left} ${top}) scale(${scale})`}>
      {sheet && (
        <Backing face={{ width: right - backing, height: foot - backing }} edge={backing} px={1 / scale} />
      )}
      {lying.map(({ face, x, y, turn }, i) => (
        <g
          key={face.id}
          transform={`translate(${x} ${y}) rotate(${turn} ${face.width / 2} ${face.height / 2})`}
        >
          {sheet && (
            <path
              d={face.cut?.d ?? shapePath(face)}
              fill="#e3dece"
              stroke="#8f8c84"
              strokeWidth={0.6 / scale}
            />
          )}
          <g
            transform={
              peeled && i === 0
                ? `translate(${right + 6 - x} ${foot / 2 - face.height / 2 - y}) rotate(9 ${face.width / 2} ${face.height / 2})`
                : undefined
            }
          >
            <Sticker
              live={live}
              face={face}
              url={face.id === live.face.id ? url : null}
              lifted={lifted}
              backed={!sheet}
              px={1 / scale}
            />
          </g>
        </g>
      ))}
      <Mark x={right + beside + 6 + COIN / 2} y={foot - COIN / 2} px={1 / scale} live={live} />
    </g>
  );
}

function Mark({ x, y, px, live }: { x: number; y: number; px: number; live: Live }) {
  return (
    <g>
      <circle cx={x} cy={y} r={COIN / 2} fill="#fff" fillOpacity="0.35" stroke="#20252b" strokeWidth={px} />
      <text
        x={x}
        y={y + 4 * px}
        textAnchor="middle"
        fontSize={11 * px}
        fill="#20252b"
        stroke="#fff"
        strokeWidth={2.5 * px}
        paintOrder="stroke"
        className="measure"
      >
        {showLength(COIN, live.unit)}
      </text>
    </g>
  );
}

/** One sticker: its vinyl with the print on it, a rim as thick as it is, its shadow, and a corner that lifts. */
function Sticker({
  live,
  face,
  url,
  lifted,
  backed,
  px,
}: {
  live: Live;
  face: PrintFace;
  url: string | null;
  lifted: boolean;
  /** Whether it lies on a backing of its own, where it has one. */
  backed: boolean;
  px: number;
}) {
  const id = useId();
  const cut = face.cut?.d ?? shapePath(face);
  const islands = face.cuts.map(({ x, y, sheet }) => shapePath(sheet, 0, x, y)).join('');
  const whole = face.cut ? cut : cut + islands;
  const edge = backed ? (face.cut?.backing ?? 0) : 0;
  const fold = lifted ? foldOf(face) : null;
  const far = 4 * Math.max(face.width, face.height);
  // All on this side of the fold, and all beyond it.
  const near = fold === null ? null : `M${-far} ${-far}H${fold + far}L${-far} ${fold + far}Z`;
  const beyond = fold === null ? null : `M${fold + far} ${-far}L${-far} ${fold + far}H${fold + far}Z`;
  const pieces: readonly Piece[] = live.fit.faces.find(({ faceId }) => faceId === face.id)?.pieces ?? [];
  return (
    <>
      <clipPath id={`${id}cut`}>
        <path d={whole} clipRule="evenodd" />
      </clipPath>
      {near && beyond && (
        <>
          <clipPath id={`${id}near`}>
            <path d={near} />
          </clipPath>
          <clipPath id={`${id}beyond`}>
            <path d={beyond} />
          </clipPath>
        </>
      )}
      {edge > 0 && <Backing face={face} edge={edge} px={px} />}
      <path d={whole} fill={edge > 0 ? '#d9d4c6' : 'none'} />
      <g clipPath={near ? `url(#${id}near)` : undefined}>
        <path
          d={whole}
          fill="#000"
          fillOpacity="0.28"
          transform={`translate(${1.2 * px} ${2.4 * px})`}
          fillRule="evenodd"
        />
        <g clipPath={`url(#${id}cut)`}>
          <path d={whole} fill={shownColour(live)} />
          {url ? (
            <image href={url} width={face.width} height={face.height} preserveAspectRatio="none" />
          ) : (
            <PieceDrawings
              pieces={pieces}
              face={face}
              pictureOf={(artworkId) => live.previews.get(artworkId)?.url}
              factsOf={live.factsOf}
            />
          )}
        </g>
        <path d={whole} fill="none" stroke="#fff" strokeOpacity="0.9" strokeWidth={1.4 * px} />
        <path d={whole} fill="none" stroke="#000" strokeOpacity="0.25" strokeWidth={0.5 * px} />
      </g>
      {fold !== null && <Lifted id={id} whole={whole} fold={fold} px={px} />}
    </>
  );
}

/** What lies beyond the fold, turned over it: the back of the vinyl, in shade towards the fold. */
function Lifted({ id, whole, fold, px }: { id: string; whole: string; fold: number; px: number }) {
  return (
    <>
      <linearGradient
        id={`${id}back`}
        gradientUnits="userSpaceOnUse"
        x1={fold / 2}
        y1={fold / 2}
        x2={fold / 2 + 9}
        y2={fold / 2 + 9}
      >
        <stop offset="0" stopColor="#a7a59e" />
        <stop offset="1" stopColor="#f1efe8" />
      </linearGradient>
      <g transform={`translate(${2.5 * px} ${4 * px})`}>
        <g transform={`matrix(0 -1 -1 0 ${fold} ${fold})`} opacity="0.25">
          <path d={whole} clipPath={`url(#${id}beyond)`} />
        </g>
      </g>
      <g transform={`matrix(0 -1 -1 0 ${fold} ${fold})`}>
        <path
          d={whole}
          clipPath={`url(#${id}beyond)`}
          fill={`url(#${id}back)`}
          stroke="#8f8c84"
          strokeWidth={0.7 * px}
        />
      </g>
    </>
  );
}

/** A kiss cut's backing, which the sticker is peeled from. */
function Backing({
  face,
  edge,
  px,
}: {
  face: Pick<PrintFace, 'width' | 'height'>;
  edge: number;
  px: number;
}) {
  const d = shapePath(
    rectangle(face.width + 2 * edge, face.height + 2 * edge, Math.min(3, edge)),
    0,
    -edge,
    -edge,
  );
  return (
    <>
      <path d={d} fill="#000" fillOpacity="0.25" transform={`translate(${2 * px} ${4 * px})`} />
      <path d={d} fill="#f3f0e6" stroke="#8f8c84" strokeWidth={0.7 * px} />
    </>
  );
}

/** Where the lower right corner is folded over: the line x + y of it. */
function foldOf({ width, height, outline }: PrintFace): number {
  const furthest = outline ? outline.reduce((most, [x, y]) => Math.max(most, x + y), 0) : width + height;
  return furthest - 0.14 * Math.min(width, height);
}
