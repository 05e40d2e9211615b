'use client';
import { toast } from '@/ui/toast';
import { clipTo, moveWithin } from '@/core/fit/clip';
import { factsFor, opaqueBox } from '@/core/fit/geometry';
import type { ArtworkPiece, Clip } from '@/core/fit/schema';
import { fixed } from '@/core/length/show';
import { clipToShape } from '@/core/fit/shape-clip';
import { changePiece, changePieces, piecesOf } from '@/state/bench/open-fit';
import { useHand } from '@/state/bench/hand';
import { sentence } from '@/state/sentence';
import { towardsEdit } from '@/state/bench/save-queue';
import { readShape } from '@/state/bench/type';
import { LengthValue } from '@/ui/LengthValue';
import { MenuLine, VerbMenu } from '@/ui/Menu';
import { useFilePicker } from '@/ui/useFilePicker';
import type { Live } from '../live/useLive';
import { Row } from './Row';
import { ShapeLines } from './ShapeLines';
import { Toggle } from '@/ui/Toggle';

/** The shapes an artwork can be seen through. */
export function ClipMenu({ live, piece }: { live: Live; piece: ArtworkPiece }) {
  const set = (shape: Clip['shape']) => {
    const seen = opaqueBox(piece, factsFor(piece, live.factsOf));
    void changePiece(live.face.id, clipTo(piece, shape, seen));
  };
  const bring = async (file: File) => {
    try {
      await towardsEdit(async () => {
        set({ kind: 'path', ...(await readShape(file)) });
      });
    } catch (error) {
      toast(sentence(error));
    }
  };
  const picker = useFilePicker('A drawing whose shape clips', (file) => void bring(file));
  return (
    <>
      {picker.input}
      <VerbMenu label={piece.clip ? 'Clip…' : 'Clip to…'}>
        <MenuLine
          onSelect={() => {
            set({ kind: 'ellipse' });
          }}
        >
          a circle
        </MenuLine>
        <MenuLine
          onSelect={() => {
            set({ kind: 'rounded', radius: 0.15 });
          }}
        >
          rounded corners
        </MenuLine>
        <MenuLine
          onSelect={() => {
            set({ kind: 'rectangle' });
          }}
        >
          a rectangle (a crop)
        </MenuLine>
        <ShapeLines
          live={live}
          say={(name) => `the ${name}, where it lies`}
          onShape={(shape) => {
            // The shape has become the edge of the artwork, and would hide it.
            const others = piecesOf(live.face.id).filter(({ id }) => id !== shape.id);
            void changePieces(
              live.face.id,
              others.map((one) => (one.id === piece.id ? clipToShape(piece, shape) : one)),
            );
          }}
        />
        <MenuLine onSelect={picker.open}>the closed path of an SVG…</MenuLine>
        {piece.clip && (
          <MenuLine
            onSelect={() => {
              void changePiece(live.face.id, { ...piece, clip: null });
            }}
          >
            nothing: show it whole
          </MenuLine>
        )}
      </VerbMenu>
    </>
  );
}

const SHAPES: Record<Clip['shape']['kind'], string> = {
  ellipse: 'seen through a circle',
  rectangle: 'cropped',
  rounded: 'with rounded corners',
  path: 'seen through a path',
};

/** A clipped artwork: the clip's measures, and the artwork moved and scaled within it. */
export function ClipRow({ live, piece }: { live: Live; piece: ArtworkPiece & { clip: Clip } }) {
  const within = useHand((hand) => hand.moveWithin);
  const { clip, width, height } = piece;
  const { shape } = clip;
  const size = { width: clip.width * width, height: clip.height * height };
  const set = (next: ArtworkPiece) => void changePiece(live.face.id, next);
  const resize = (side: 'width' | 'height', mm: number) => {
    const share = mm / piece[side];
    const from = side === 'width' ? 'x' : 'y';
    const round = shape.kind === 'ellipse' && Math.abs(size.width - size.height) < 0.01;
    const other = side === 'width' ? 'height' : 'width';
    const otherShare = mm / piece[other];
    set({
      ...piece,
      clip: {
        ...clip,
        [side]: share,
        [from]: clip[from] + (clip[side] - share) / 2,
        // A circle stays one.
        ...(round && {
          [other]: otherShare,
          [side === 'width' ? 'y' : 'x']: clip[side === 'width' ? 'y' : 'x'] + (clip[other] - otherShare) / 2,
        }),
      },
    });
  };
  const refuse = (mm: number) => (mm <= 0 ? 'A length above zero is needed.' : null);
  return (
    <Row label="Clip">
      <span className="text-ink-2">{SHAPES[shape.kind]}</span>
      <LengthValue
        name="Clip width"
        mm={size.width}
        unit={live.unit}
        refuse={refuse}
        onSet={(mm) => {
          resize('width', mm);
        }}
      >
        wide
      </LengthValue>
      <LengthValue
        name="Clip height"
        mm={size.height}
        unit={live.unit}
        refuse={refuse}
        onSet={(mm) => {
          resize('height', mm);
        }}
      >
        high
      </LengthValue>
      {shape.kind === 'rounded' && (
        <LengthValue
          name="Corner radius"
          mm={shape.radius * Math.min(size.width, size.height)}
          unit={live.unit}
          refuse={(mm) => (mm < 0 ? 'A radius is not under nothing.' : null)}
          onSet={(mm) => {
            const radius = Math.min(0.5, mm / Math.min(size.width, size.height));
            set({ ...piece, clip: { ...clip, shape: { kind: 'rounded', radius } } });
          }}
        >
          radius
        </LengthValue>
      )}
      <Toggle
        className="verb"
        pressed={within}
        onPress={(moveWithin) => {
          useHand.setState({ moveWithin });
        }}
      >
        {within ? 'Dragging within it' : 'Drag within it'}
      </Toggle>
      <span className="flex items-center gap-2">
        <span className="text-ink-2">artwork {fixed(100 / clip.width, 0)} %</span>
        <button
          className="verb"
          aria-label="Artwork larger within its clip"
          onClick={() => {
            set(moveWithin(piece, { scale: 1.1 }));
          }}
        >
          larger
        </button>
        <button
          className="verb"
          aria-label="Artwork smaller within its clip"
          onClick={() => {
            set(moveWithin(piece, { scale: 1 / 1.1 }));
          }}
        >
          smaller
        </button>
      </span>
      <LengthValue
        name="Artwork within its clip, moved across"
        mm={0}
        unit={live.unit}
        onSet={(dx) => {
          set(moveWithin(piece, { dx }));
        }}
      >
        moved across
      </LengthValue>
      <LengthValue
        name="Artwork within its clip, moved down"
        mm={0}
        unit={live.unit}
        onSet={(dy) => {
          set(moveWithin(piece, { dy }));
        }}
      >
        down
      </LengthValue>
    </Row>
  );
}
