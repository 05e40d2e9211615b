import { useId, type ReactNode } from 'react';
import type { Facts } from '@/core/artwork/facts';
import type { PrintFace } from '@/core/blank/resolve';
import { areaOf } from '@/core/fit/area';
import { isMixed } from '@/core/fit/mix';
import { clipOutline } from '@/core/fit/clip';
import { opaqueBox, type Extent } from '@/core/fit/geometry';
import { PERIODS, tileAt } from '@/core/fit/repeat';
import type { ArtworkPiece, Piece, RepeatPiece, ShapePiece, TextPiece } from '@/core/fit/schema';
import { textInks } from '@/core/fit/text';
import { shapeInks } from '@/core/fit/shape-ink';
import { writePath } from '@/core/geometry/path';
import { pieceTransform } from './transform';

interface Shown {
  face: PrintFace;
  pictureOf: (artworkId: string) => string | undefined;
  factsOf: (artworkId: string) => Facts | undefined;
}

/** A face's visible pieces as a drawing, in mm; what a knockout removes is clear. */
export function PieceDrawings({ pieces, ...shown }: Shown & { pieces: readonly Piece[] }) {
  const own = useId();
  // Pieces mix with one another, and not with the product they lie on.
  return <g style={{ isolation: 'isolate' }}>{drawnOf(own, pieces, shown)}</g>;
}

/**
 * Every piece's drawing, the lowest first. Apart from the component: a list that is made by adding to it must not be one
 * that the compiler keeps from one drawing to the next.
 */
function drawnOf(own: string, pieces: readonly Piece[], shown: Shown): ReactNode[] {
  const { width, height, bleed } = shown.face;
  return pieces
    .filter(({ visible }) => visible)
    .reduce<ReactNode[]>((under, piece) => {
      const plain = <PieceDrawing key={piece.id} id={`${own}${piece.id}`} piece={piece} {...shown} />;
      const drawing = isMixed(piece) ? (
        <g key={piece.id} style={{ opacity: piece.opacity, mixBlendMode: piece.blend }}>
          {plain}
        </g>
      ) : (
        plain
      );
      if (!piece.knockout) return [...under, drawing];
      const mask = `${own}out${piece.id}`;
      return [
        <g key={piece.id}>
          <mask
            id={mask}
            maskUnits="userSpaceOnUse"
            x={-bleed}
            y={-bleed}
            width={width + 2 * bleed}
            height={height + 2 * bleed}
          >
            <rect x={-bleed} y={-bleed} width={width + 2 * bleed} height={height + 2 * bleed} fill="#fff" />
            {/* Whatever its colours: as dark as it covers. */}
            <g style={{ filter: 'brightness(0)' }}>{drawing}</g>
          </mask>
          <g mask={`url(#${mask})`}>{under}</g>
        </g>,
      ];
    }, []);
}

function PieceDrawing({ id, piece, face, pictureOf, factsOf }: Shown & { id: string; piece: Piece }) {
  if (piece.kind === 'text') return <TextDrawing piece={piece} />;
  if (piece.kind === 'shape') return <ShapeDrawing piece={piece} />;
  if (piece.kind === 'fill') return <path d={extentPath(areaOf(piece, face))} fill={piece.colour} />;
  const href = pictureOf(piece.artworkId);
  if (!href) return null;
  if (piece.kind === 'artwork') return <ArtworkDrawing id={id} piece={piece} href={href} />;
  const facts = factsOf(piece.artworkId);
  if (!facts) return null;
  return <RepeatDrawing id={id} piece={piece} href={href} facts={facts} area={areaOf(piece, face)} />;
}

function extentPath({ left, top, right, bottom }: Extent): string {
  return `M${left} ${top}H${right}V${bottom}H${left}Z`;
}

function ArtworkDrawing({ id, piece, href }: { id: string; piece: ArtworkPiece; href: string }) {
  const { clip, width, height } = piece;
  return (
    <g transform={pieceTransform(piece)}>
      {clip && (
        <clipPath id={id}>
          <path d={writePath(clipOutline(clip, width / height), 6)} transform={`scale(${width} ${height})`} />
        </clipPath>
      )}
      <image
        href={href}
        width={width}
        height={height}
        preserveAspectRatio="none"
        clipPath={clip ? `url(#${id})` : undefined}
      />
    </g>
  );
}

function TextDrawing({ piece }: { piece: TextPiece }) {
  const { ink, width, height } = piece;
  return (
    <g transform={`${pieceTransform(piece)} scale(${width / ink.width} ${height / ink.height})`}>
      {textInks(piece).map(({ d, colour }, i) => (
        <path key={i} d={d} fill={colour} />
      ))}
    </g>
  );
}

function ShapeDrawing({ piece }: { piece: ShapePiece }) {
  return (
    <g transform={pieceTransform(piece)}>
      {shapeInks(piece).map(({ path, colour }, i) => (
        <path key={i} d={writePath(path)} fill={colour} />
      ))}
    </g>
  );
}

function RepeatDrawing({
  id,
  piece,
  href,
  facts,
  area,
}: {
  id: string;
  piece: RepeatPiece;
  href: string;
  facts: Facts;
  area: Extent;
}) {
  const { pattern, stepX, stepY, width, height } = piece;
  const { across, down, tiles } = PERIODS[pattern];
  const middle = opaqueBox(piece, facts);
  const box = opaqueBox({ ...piece, x: 0, y: 0, rotation: 0 }, facts);
  const degrees = (piece.rotation * 180) / Math.PI;
  return (
    <>
      <pattern
        id={id}
        patternUnits="userSpaceOnUse"
        width={stepX * across}
        height={stepY * down}
        // The cell begins at its own zero: a browser cuts off what lies before that.
        patternTransform={`translate(${middle.x} ${middle.y}) rotate(${degrees}) translate(${-stepX / 2} ${-stepY / 2})`}
      >
        <clipPath id={`${id}tile`}>
          <rect x={-box.width / 2} y={-box.height / 2} width={box.width} height={box.height} />
        </clipPath>
        {tiles.map(([p, q]) => {
          const { overX, overY } = tileAt(pattern, p, q);
          return (
            <g
              key={`${p} ${q}`}
              clipPath={`url(#${id}tile)`}
              transform={`translate(${(p + 0.5) * stepX} ${(q + 0.5) * stepY}) scale(${overX ? -1 : 1} ${overY ? -1 : 1})`}
            >
              <image
                href={href}
                width={width}
                height={height}
                preserveAspectRatio="none"
                transform={`translate(${-box.x} ${-box.y}) scale(${piece.flipped ? -1 : 1} 1) translate(${-width / 2} ${-height / 2})`}
              />
            </g>
          );
        })}
      </pattern>
      <path d={extentPath(area)} fill={`url(#${id})`} />
    </>
  );
}
