import { useEffect, useState } from 'react';
import { ARROWS } from '@/ui/arrows';
import type { Fit } from '@/core/fit/schema';
import { handlesOf, withHandle } from '@/core/mockup/photo/marks';
import { onPhoto } from '@/core/mockup/photo/surface';
import { photoTroubles, ringOf } from '@/core/mockup/photo/troubles';
import type { PhotoPoint, PhotoScene, SurfaceShape } from '@/core/mockup/photo/schema';
import { USUAL_DRESS } from '@/core/mockup/schema';
import { sentence } from '@/state/sentence';
import type { StoredPhoto } from '@/state/handover/photos';
import { makePicture, ownColour } from '@/state/handover/pictures';
import { contextOf, useShop } from '@/state/shop/shop';
import { useRoomSize } from '@/ui/useRoomSize';
import type { Marking } from './marking';
import type { Marks } from './useMarks';

const MARGIN = 28;
const SIDE = 1200;

interface Props {
  photo: StoredPhoto;
  marks: Marks;
  fit: Fit | null;
  chosen: number;
  marking: Marking | null;
  onPoint: (at: PhotoPoint) => void;
  onChoose: (index: number) => void;
}

/** The photo with the fit on it, and the marks over it, to be drawn by hand. */
export function PhotoDrawing({ photo, marks, fit, chosen, marking, onPoint, onChoose }: Props) {
  const { room, size } = useRoomSize();
  const { scene } = marks;
  const { url, trouble } = usePhotoPicture(photo, fit);
  const scale = size
    ? Math.min((size.width - 2 * MARGIN) / scene.width, (size.height - 2 * MARGIN) / scene.height)
    : 0;
  return (
    <div ref={room} className="relative min-w-0 grow overflow-hidden bg-viewing text-viewing-ink">
      {size && scale > 0 && (
        <div
          className="absolute"
          style={{
            left: (size.width - scene.width * scale) / 2,
            top: (size.height - scene.height * scale) / 2,
            width: scene.width * scale,
            height: scene.height * scale,
          }}
        >
          {url ? (
            <img
              src={url}
              alt={`${scene.name}, with the fit on it`}
              className="h-full w-full"
              data-photo="drawn"
            />
          ) : (
            <p className="p-6">{trouble ?? 'Drawing the photo…'}</p>
          )}
          <svg
            role="group"
            aria-label="Marks on the photo"
            viewBox={`0 0 ${scene.width} ${scene.height}`}
            className={`absolute inset-0 h-full w-full overflow-visible ${marking ? 'cursor-crosshair' : ''}`}
            onClick={(event) => {
              if (!marking) return;
              const box = event.currentTarget.getBoundingClientRect();
              onPoint([(event.clientX - box.left) / scale, (event.clientY - box.top) / scale]);
            }}
          >
            {scene.fronts.map((ring, i) => (
              <path
                key={i}
                d={closed(ring)}
                fill="#000"
                fillOpacity="0.18"
                stroke="#fff"
                strokeWidth={1.5 / scale}
                strokeDasharray={`${5 / scale} ${4 / scale}`}
              />
            ))}
            {scene.surfaces.map(({ id, shape }, i) => (
              <Surface
                key={id}
                shape={shape}
                chosen={i === chosen && !marking}
                px={1 / scale}
                onChoose={() => {
                  onChoose(i);
                }}
                onDraw={(next) => {
                  marks.draw(withShape(scene, i, next));
                }}
                onDone={(next) => {
                  marks.change(withShape(scene, i, next));
                }}
              />
            ))}
            {marking && <Points points={marking.points} px={1 / scale} closing={marking.kind === 'front'} />}
          </svg>
        </div>
      )}
    </div>
  );
}

function withShape(scene: PhotoScene, index: number, shape: SurfaceShape): PhotoScene {
  return { ...scene, surfaces: scene.surfaces.map((one, i) => (i === index ? { ...one, shape } : one)) };
}

const closed = (ring: readonly PhotoPoint[]) => `M${ring.map(([x, y]) => `${x} ${y}`).join('L')}Z`;

/** Points that were clicked so far. */
function Points({ points, px, closing }: { points: readonly PhotoPoint[]; px: number; closing: boolean }) {
  const d = points.length > 1 ? `M${points.map(([x, y]) => `${x} ${y}`).join('L')}${closing ? 'Z' : ''}` : '';
  return (
    <g pointerEvents="none">
      <path d={d} fill="none" stroke="#fff" strokeWidth={3 * px} />
      <path d={d} fill="none" stroke="#20252b" strokeWidth={1.2 * px} />
      {points.map(([x, y], i) => (
        <Pin key={i} at={[x, y]} px={px} ink="#20252b" />
      ))}
    </g>
  );
}

interface SurfaceProps {
  shape: SurfaceShape;
  chosen: boolean;
  /** A px of the screen in those of the photo. */
  px: number;
  onChoose: () => void;
  onDraw: (shape: SurfaceShape) => void;
  onDone: (shape: SurfaceShape) => void;
}

const LINES = [0, 0.25, 0.5, 0.75, 1];
const STEPS = Array.from({ length: 25 }, (_, i) => i / 24);

/** A surface as a net of lines, its points to be drawn about. */
function Surface({ shape, chosen, px, onChoose, onDraw, onDone }: SurfaceProps) {
  return (
    <g>
      <path
        d={netOf(shape)}
        fill="none"
        stroke="#fff"
        strokeOpacity="0.85"
        strokeWidth={(chosen ? 2.6 : 1.6) * px}
        pointerEvents="none"
      />
      <path
        d={netOf(shape)}
        fill="none"
        stroke="#0b5563"
        strokeWidth={(chosen ? 1.3 : 0.8) * px}
        pointerEvents="none"
      />
      {chosen ? (
        handlesOf(shape).map(({ name, at }, i) => (
          <Grip
            key={name}
            name={name}
            at={at}
            px={px}
            onDraw={(to) => {
              onDraw(withHandle(shape, i, to));
            }}
            onDone={(to) => {
              onDone(withHandle(shape, i, to));
            }}
          />
        ))
      ) : (
        <path d={closed(ringOf(shape))} fill="transparent" className="cursor-pointer" onClick={onChoose} />
      )}
    </g>
  );
}

/** Lines along and down a surface; a plane that its corners do not allow is its outline alone. */
function netOf(shape: SurfaceShape): string {
  try {
    const at = onPhoto(shape);
    const line = (place: (t: number) => { x: number; y: number }) =>
      `M${STEPS.map((t) => {
        const { x, y } = place(t);
        return `${x.toFixed(2)} ${y.toFixed(2)}`;
      }).join('L')}`;
    return [...LINES.map((v) => line((t) => at(t, v))), ...LINES.map((u) => line((t) => at(u, t)))].join('');
  } catch {
    return closed(ringOf(shape));
  }
}

function Grip({
  name,
  at,
  px,
  onDraw,
  onDone,
}: {
  name: string;
  at: PhotoPoint;
  px: number;
  onDraw: (to: PhotoPoint) => void;
  onDone: (to: PhotoPoint) => void;
}) {
  const [held, setHeld] = useState<{ x: number; y: number; from: PhotoPoint } | null>(null);
  const moved = (event: React.PointerEvent): PhotoPoint =>
    held ? [held.from[0] + (event.clientX - held.x) * px, held.from[1] + (event.clientY - held.y) * px] : at;
  return (
    <g
      role="button"
      tabIndex={0}
      aria-label={name}
      data-arrows
      className="cursor-move touch-none"
      onClick={(event) => {
        event.stopPropagation();
      }}
      onPointerDown={(event) => {
        event.currentTarget.setPointerCapture(event.pointerId);
        setHeld({ x: event.clientX, y: event.clientY, from: at });
      }}
      onPointerMove={(event) => {
        if (held) onDraw(moved(event));
      }}
      onPointerUp={(event) => {
        if (held) onDone(moved(event));
        setHeld(null);
      }}
      onKeyDown={(event) => {
        const step = ARROWS[event.key];
        if (!step) return;
        event.preventDefault();
        const far = event.shiftKey ? 10 : 1;
        onDone([at[0] + step[0] * far, at[1] + step[1] * far]);
      }}
    >
      <circle cx={at[0]} cy={at[1]} r={12 * px} fill="transparent" />
      <Pin at={at} px={px} ink="#0b5563" />
    </g>
  );
}

/** A pin stuck into the photo: its head at the very point, and a short tail. */
function Pin({ at: [x, y], px, ink }: { at: PhotoPoint; px: number; ink: string }) {
  const tail = `M${x} ${y}l${9 * px} ${-9 * px}`;
  return (
    <g fill="none" strokeLinecap="round">
      <path d={tail} stroke="#fff" strokeWidth={4 * px} />
      <path d={tail} stroke={ink} strokeWidth={2 * px} />
      <circle cx={x} cy={y} r={3.5 * px} fill={ink} stroke="#fff" strokeWidth={1.5 * px} />
    </g>
  );
}

/** The photo with the fit on its marked surfaces, or as it is where none can carry a print yet. */
function usePhotoPicture(
  photo: StoredPhoto,
  fit: Fit | null,
): { url: string | null; trouble: string | null } {
  const [url, setUrl] = useState<string | null>(null);
  const [trouble, setTrouble] = useState<string | null>(null);
  const { scene } = photo;
  useEffect(() => {
    const stop = new AbortController();
    let own: string | null = null;
    const draw = async () => {
      const shop = useShop.getState();
      const blank = fit && contextOf(fit, shop)?.blank;
      if (!fit || !blank) return;
      const scale = Math.min(1, SIDE / Math.max(scene.width, scene.height));
      const bare = photoTroubles(scene).length > 0;
      const { file } = await makePicture(
        {
          setting: { kind: 'photo', photo: bare ? { ...photo, scene: { ...scene, surfaces: [] } } : photo },
          fits: [fit],
          colour: ownColour(fit, blank),
        },
        {
          width: Math.round(scene.width * scale),
          height: Math.round(scene.height * scale),
          format: 'jpeg',
          dress: USUAL_DRESS,
          proof: false,
        },
        { signal: stop.signal },
      );
      own = URL.createObjectURL(file);
      setUrl(own);
    };
    draw().catch((error: unknown) => {
      if (!stop.signal.aborted) setTrouble(sentence(error));
    });
    return () => {
      stop.abort();
      if (own) URL.revokeObjectURL(own);
    };
  }, [photo, scene, fit]);
  return { url, trouble };
}
