'use client';
import { useState } from 'react';
import type { KeepOut } from '@/core/blank/face';
import { keepOutBox, movedKeepOut } from '@/core/blank/keep-out';
import { kindOf, type Body } from '@/core/blank/kinds';
import { keepOutFrom, PARTS } from '@/core/blank/library/parts';
import type { ResolvedBlank } from '@/core/blank/resolve';
import { shapePath, signedDistance } from '@/core/blank/shape';
import { showLength, showSize, type UnitSetting } from '@/core/length/show';
import { freeIdAmong } from '@/core/pack/names';
import { useShop } from '@/state/shop/shop';
import { FaceBoard } from '@/ui/flat/FaceBoard';
import { GarmentShape } from '@/ui/flat/GarmentShape';
import { placeOf } from '@/core/blank/drawn';
import { MenuLine, VerbMenu } from '@/ui/Menu';
import { Segments } from '@/ui/Toggle';
import { NumberRow } from '../NumberRow';

/** The blank as far as its numbers say, a face at a time; where nothing may sit is dragged about on it. */
export function MakeBoard({ resolved, onBody }: { resolved: ResolvedBlank; onBody: (body: Body) => void }) {
  const { unit } = useShop((shop) => shop.settings);
  const [faceId, setFaceId] = useState<string | null>(null);
  const [chosenId, setChosenId] = useState<string | null>(null);
  const { blank, faces } = resolved;
  const face = faces.find(({ id }) => id === faceId) ?? faces[0]!;
  const { garment, origin, width, height } = placeOf(resolved, face, null);
  const { keepOuts } = kindOf(blank.body);
  const list = keepOuts?.of(blank.body, face.id) ?? [];
  const chosen = list.find(({ id }) => id === chosenId);
  const set = (next: KeepOut[]) => {
    if (keepOuts) onBody(keepOuts.set(blank.body, face.id, next));
  };
  const replace = (id: string, to: KeepOut) => {
    set(list.map((one) => (one.id === id ? to : one)));
  };
  /** Its middle stays on the face that it keeps clear. */
  const moved = (keepOut: KeepOut, to: { x: number; y: number }) =>
    signedDistance(face, face.edge, to.x, to.y) > 0 ? keepOut : movedKeepOut(keepOut, to);
  return (
    <div className="flex min-w-0 grow flex-col bg-viewing text-viewing-ink">
      <div className="flex min-h-10 shrink-0 items-center gap-5 px-5 pt-2 text-sm">
        {faces.length > 1 && (
          <Segments
            label="Face"
            value={face.id}
            choices={faces.map(({ id, name }) => ({ value: id, name }))}
            onChange={(id) => {
              setFaceId(id);
              setChosenId(null);
            }}
          />
        )}
        <span className="measure font-semibold">{showSize(face.width, face.height, unit)}</span>
        <span className="measure text-viewing-ink-2">
          bleed {showLength(face.bleed, unit)} · safe {showLength(face.safe, unit)}, as its house asks
        </span>
      </div>
      <FaceBoard
        label={`${face.name}, drawn`}
        face={face}
        unit={unit}
        chosenId={chosenId}
        onChoose={setChosenId}
        boxes={list.map((one) => ({ id: one.id, name: one.name, rotation: 0, ...keepOutBox(one) }))}
        onMove={(id, to) => {
          const one = list.find((keepOut) => keepOut.id === id);
          if (one) replace(id, moved(one, to));
        }}
        {...(garment && {
          whole: { x: -width / 2 - origin.x, y: -origin.y, width, height },
        })}
      >
        {(px) =>
          garment ? (
            <g transform={`translate(${-origin.x} ${-origin.y})`}>
              <GarmentShape garment={garment} colour="#ffffff" px={px} />
            </g>
          ) : (
            <path d={shapePath(face, face.edge)} fill="#fff" />
          )
        }
      </FaceBoard>
      {keepOuts && (
        <div className="flex min-h-24 shrink-0 gap-8 border-t border-ink bg-docket px-5 py-2 text-sm text-ink">
          <div className="w-52">
            <p className="text-ink-2">
              {list.length === 0
                ? 'Where may nothing sit? Add a hole or a cover, then drag it to its place.'
                : `${list.length} kept clear on the ${face.name.toLowerCase()}`}
            </p>
            <p className="mt-1">
              <VerbMenu label="Keep a place clear">
                {PARTS.map(({ id, name, effect }) => (
                  <MenuLine
                    key={id}
                    onSelect={() => {
                      const own = freeIdAmong(
                        id,
                        list.map((one) => one.id),
                      );
                      set([...list, keepOutFrom(id, face.width / 2, face.height / 2, own)]);
                      setChosenId(own);
                    }}
                  >
                    {name} <span className="opacity-80">{effect}</span>
                  </MenuLine>
                ))}
              </VerbMenu>
            </p>
          </div>
          {chosen && (
            <KeepOutNumbers
              key={chosen.id}
              keepOut={chosen}
              unit={unit}
              onChange={(next) => {
                const at = keepOutBox(next);
                if (signedDistance(face, face.edge, at.x, at.y) <= 0) replace(chosen.id, next);
              }}
              onTakeOff={() => {
                set(list.filter(({ id }) => id !== chosen.id));
                setChosenId(null);
              }}
              isOff={(at) =>
                signedDistance(face, face.edge, at.x, at.y) > 0
                  ? `That lies off the face, which is ${showSize(face.width, face.height, unit)}.`
                  : null
              }
            />
          )}
        </div>
      )}
    </div>
  );
}

/** The numbers of what is kept clear, each to be typed over. */
function KeepOutNumbers({
  keepOut,
  unit,
  isOff,
  onChange,
  onTakeOff,
}: {
  keepOut: KeepOut;
  unit: UnitSetting;
  isOff: (at: { x: number; y: number }) => string | null;
  onChange: (next: KeepOut) => void;
  onTakeOff: () => void;
}) {
  const box = keepOutBox(keepOut);
  const { shape } = keepOut;
  const above = (mm: number) => (mm > 0 ? null : 'Type a length above zero.');
  const sized = (to: { width?: number; height?: number }): KeepOut => {
    if (shape.kind === 'circle')
      return { ...keepOut, shape: { ...shape, diameter: to.width ?? shape.diameter } };
    if (shape.kind === 'outline') return keepOut;
    return movedKeepOut({ ...keepOut, shape: { ...shape, ...to } }, box);
  };
  return (
    <section aria-label={keepOut.name} className="min-w-0 grow">
      <p className="flex items-baseline gap-4 font-semibold">
        {keepOut.name} <span className="font-normal text-ink-2">{keepOut.effect}</span>
        <button className="verb ml-auto min-h-6" onClick={onTakeOff}>
          Take off
        </button>
      </p>
      <dl className="measure grid grid-cols-2 gap-x-8">
        <NumberRow
          name="middle from the left"
          mm={box.x}
          unit={unit}
          refuse={(x) => isOff({ ...box, x })}
          onSet={(x) => {
            onChange(movedKeepOut(keepOut, { ...box, x }));
          }}
        />
        <NumberRow
          name="middle from the top"
          mm={box.y}
          unit={unit}
          refuse={(y) => isOff({ ...box, y })}
          onSet={(y) => {
            onChange(movedKeepOut(keepOut, { ...box, y }));
          }}
        />
        {shape.kind !== 'outline' && (
          <NumberRow
            name={shape.kind === 'circle' ? 'diameter' : 'width'}
            mm={box.width}
            unit={unit}
            refuse={above}
            onSet={(width) => {
              onChange(sized({ width }));
            }}
          />
        )}
        {shape.kind === 'rectangle' && (
          <NumberRow
            name="height"
            mm={box.height}
            unit={unit}
            refuse={above}
            onSet={(height) => {
              onChange(sized({ height }));
            }}
          />
        )}
      </dl>
    </section>
  );
}
