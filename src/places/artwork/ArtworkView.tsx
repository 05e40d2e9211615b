'use client';
import { useState } from 'react';
import { gridOf } from '@/core/artwork/facts';
import { omittedBy, withStep } from '@/core/artwork/steps';
import { setSteps } from '@/state/artwork/artworks';
import { partOf } from '@/state/artwork/parts';
import { previewUrl } from '@/state/artwork/previews';
import { useRoomSize } from '@/ui/useRoomSize';
import type { Artwork, Tool } from './types';
import { CropFrame, WHOLE, type Share } from './CropFrame';
import { FlawMarks } from './FlawMarks';
import { SizeLines } from './SizeLines';
import { ToolNote } from './ToolNote';
import type { Busy, useChange } from './useChange';
import { Progress } from '@/ui/Progress';

/** Room round the picture for its dimension lines, in px. */
const ROOM = { left: 74, right: 34, top: 64, bottom: 76 };

interface Props {
  artwork: Artwork;
  tool: Tool;
  onTool: (tool: Tool) => void;
  change: ReturnType<typeof useChange>;
}

/** One artwork as a drawing: at its own aspect on neutral grey, with its size and what was found in it. */
export function ArtworkView({ artwork, tool, onTool, change }: Props) {
  const { room, size } = useRoomSize();
  const [crop, setCrop] = useState<Share>(WHOLE);
  const { facts, steps } = artwork;
  const grid = gridOf(facts);
  const inner = size && {
    width: size.width - ROOM.left - ROOM.right,
    height: size.height - ROOM.top - ROOM.bottom,
  };
  const scale = inner && Math.min(inner.width / grid.width, inner.height / grid.height);
  const box =
    inner && scale && scale > 0
      ? {
          x: ROOM.left + (inner.width - grid.width * scale) / 2,
          y: ROOM.top + (inner.height - grid.height * scale) / 2,
          width: grid.width * scale,
          height: grid.height * scale,
        }
      : null;
  const leaveOut = async (point: { x: number; y: number }) => {
    const part = await partOf(artwork, point);
    if (part === null) return;
    change.run('Part left out', (options) =>
      setSteps(
        artwork,
        withStep(steps, { kind: 'omit', parts: [...omittedBy(steps), part].sort((a, b) => a - b) }),
        options,
      ),
    );
  };
  return (
    <section
      aria-label={facts.name}
      className="relative min-w-0 grow overflow-hidden bg-viewing text-viewing-ink"
      ref={room}
    >
      {box && (
        <>
          <img
            src={previewUrl(artwork)}
            alt={facts.name}
            className={`absolute ${facts.alpha.present ? 'clear-cloth' : ''} ${tool === 'part' ? 'cursor-crosshair' : ''}`}
            style={{ left: box.x, top: box.y, width: box.width, height: box.height }}
            onClick={(event) => {
              if (tool !== 'part' || change.busy) return;
              const { left, top, width, height } = event.currentTarget.getBoundingClientRect();
              void leaveOut({ x: (event.clientX - left) / width, y: (event.clientY - top) / height });
            }}
          />
          {tool === 'look' && <FlawMarks facts={facts} box={box} />}
          {tool === 'crop' ? (
            <CropFrame box={box} grid={grid} value={crop} onChange={setCrop} />
          ) : (
            <SizeLines facts={facts} box={box} />
          )}
        </>
      )}
      {tool !== 'look' && (
        <ToolNote
          tool={tool}
          facts={facts}
          crop={crop}
          onCrop={() => {
            onTool('look');
            setCrop(WHOLE);
            change.run('Cropped by hand', (options) =>
              setSteps(artwork, [...steps, { kind: 'crop', to: 'hand', ...crop }], options),
            );
          }}
          onLeave={() => {
            onTool('look');
            setCrop(WHOLE);
          }}
        />
      )}
      {change.busy && <Working busy={change.busy} />}
    </section>
  );
}

function Working({ busy }: { busy: Busy }) {
  return (
    <p
      role="status"
      className="absolute inset-x-0 top-0 flex items-center gap-4 border-b border-viewing-ink bg-docket px-4 py-2 text-ink"
    >
      {busy.label}…
      <Progress label={busy.label} share={busy.share} className="grow" />
      <button className="verb" onClick={busy.stop}>
        Stop
      </button>
    </p>
  );
}
