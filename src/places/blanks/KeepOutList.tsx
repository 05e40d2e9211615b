'use client';
import Link from 'next/link';
import { useState } from 'react';
import type { KeepOut } from '@/core/blank/face';
import { keepOutFrom, PARTS } from '@/core/blank/library/parts';
import type { ResolvedBlank } from '@/core/blank/resolve';
import { signedDistance } from '@/core/blank/shape';
import { parseLength } from '@/core/length/parse';
import { showLength } from '@/core/length/show';
import { freeIdAmong } from '@/core/pack/names';
import { changeBlank } from '@/state/shop/blanks';
import { useShop } from '@/state/shop/shop';
import { Fold } from '@/ui/Fold';
import { Select } from '@/ui/Select';
import { kindOf } from '@/core/blank/kinds';
import { tellDone } from '@/ui/tell';

/** Where nothing may sit: holes, and covers that will lie on top. New ones come from parts, or by their diameter. */
export function KeepOutList({ resolved }: { resolved: ResolvedBlank }) {
  const { blank, faces } = resolved;
  const { unit } = useShop((shop) => shop.settings);
  const keepOuts = kindOf(blank.body).keepOuts;
  const [texts, setTexts] = useState({ part: PARTS[0]!.id, diameter: '', x: '', y: '' });
  const [faceId, setFaceId] = useState(faces[0]!.id);
  if (!keepOuts) return null;
  const face = faces.find(({ id }) => id === faceId) ?? faces[0]!;
  const list = keepOuts.of(blank.body, face.id);
  const set = async (next: KeepOut[]) => {
    const kept = await changeBlank(blank, { body: keepOuts.set(blank.body, face.id, next) });
    tellDone(`Version ${kept.blank.version}: ${next.length} keep-outs.`, kept.undo);
  };
  const read = (text: string) => parseLength(text, { unit: unit.unit });
  const x = read(texts.x);
  const y = read(texts.y);
  const diameter = read(texts.diameter);
  const own = texts.part === 'own';
  const placed = x.ok && y.ok && (!own || diameter.ok);
  const off = placed && signedDistance(face, face.edge, x.mm, y.mm) > 0;
  const add = () => {
    if (!placed || off) return;
    const id = freeIdAmong(
      own ? 'hole' : texts.part,
      list.map((one) => one.id),
    );
    const next: KeepOut = own
      ? {
          id,
          name: `Hole ${showLength(diameter.ok ? diameter.mm : 1, unit)}`,
          effect: 'hole',
          shape: { kind: 'circle', x: x.mm, y: y.mm, diameter: diameter.ok ? diameter.mm : 1 },
        }
      : keepOutFrom(texts.part, x.mm, y.mm, id);
    void set([...list, next]);
  };
  const field = (id: 'diameter' | 'x' | 'y', label: string) => (
    <label className="text-ink-2">
      {label}
      <input
        aria-label={`Keep-out, ${label}`}
        value={texts[id]}
        onChange={(event) => {
          setTexts((so) => ({ ...so, [id]: event.target.value }));
        }}
        className="measure mt-0.5 w-full border-b border-ink bg-tape-pale px-1.5 py-0.5 text-on-tape"
      />
    </label>
  );
  return (
    <Fold
      className="mt-4 text-sm"
      open={list.length > 0}
      title={`Keep-outs${list.length > 0 ? `: ${list.length}` : ''}`}
    >
      {faces.length > 1 && (
        <Select
          label="Face with keep-outs"
          value={face.id}
          choices={faces.map(({ id, name }) => [id, name] as const)}
          onChange={setFaceId}
        />
      )}
      <ul className="measure">
        {list.map((one) => (
          <li key={one.id} className="flex justify-between gap-3 border-b border-rule py-[3px]">
            <span>
              {one.name} <span className="text-ink-2">{one.effect}</span>
            </span>
            <button
              aria-label={`Take ${one.name} off`}
              className="verb"
              onClick={() => void set(list.filter(({ id }) => id !== one.id))}
            >
              Take off
            </button>
          </li>
        ))}
      </ul>
      <div className="mt-1.5 grid grid-cols-2 gap-2">
        <Select
          label="Part"
          value={texts.part}
          choices={[
            ...PARTS.map(({ id, name, effect }) => [id, `${name} (${effect})`] as const),
            ['own', 'A hole by its diameter'],
          ]}
          onChange={(part) => {
            setTexts((so) => ({ ...so, part }));
          }}
          className="col-span-2"
        />
        {own && field('diameter', 'diameter')}
        {field('x', 'from the left')}
        {field('y', 'from the top')}
      </div>
      {off && (
        <p role="alert" className="text-fix">
          That lies off the face, which is {showLength(face.width, unit)} wide and{' '}
          {showLength(face.height, unit)} high.
        </p>
      )}
      <p className="mt-1 flex flex-wrap gap-x-4">
        <button className="verb" disabled={!placed || off} onClick={add}>
          Keep this place clear
        </button>
        <Link className="verb" href={`/blanks/make?from=${blank.id}`}>
          Place them on the drawing
        </Link>
      </p>
    </Fold>
  );
}
