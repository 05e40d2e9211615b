'use client';
import Link from 'next/link';
import { useState } from 'react';
import { isToShape } from '@/core/cut/face';
import { layoutInWords } from '@/core/layout/places';
import type { Layout } from '@/core/layout/schema';
import { layoutsOf } from '@/core/layout/of-blank';
import { makeLayout } from '@/state/shop/layouts';
import { useShop } from '@/state/shop/shop';
import { Select } from '@/ui/Select';
import { Segments, Toggle } from '@/ui/Toggle';
import { Ask } from '../../shell/Ask';
import { useAsked } from '../../shell/useAsked';
import { LayoutBoard } from './LayoutBoard';
import { LayoutStrip } from './LayoutStrip';

/** What new fits on a blank begin with: pieces that are kept, and empty places for a design's own artworks. */
export function LayoutsPlace() {
  const shop = useShop();
  const [blankId, setBlank] = useAsked('blank');
  const [layoutId, setLayout] = useAsked('layout');
  const [faceId, setFace] = useState<string | null>(null);
  const [partId, setPart] = useState<string | null>(null);
  // What is cut round its artwork has no places before there is one.
  const blanks = [...shop.blanks.values()].filter((one) => !isToShape(one));
  const chosen = blanks.find(({ blank }) => blank.id === blankId) ?? blanks[0];
  if (!chosen) return <p className="p-6 text-ink-2">There are no blanks: measure one first.</p>;
  const layouts = layoutsOf(chosen.blank.id, shop);
  const layout = layouts.find(({ id }) => id === layoutId) ?? layouts[0];
  const face = chosen.faces.find(({ id }) => id === faceId) ?? chosen.faces[0]!;
  return (
    <>
      <div className="flex h-[46px] shrink-0 items-center gap-4 border-b border-rule px-4">
        <h1 className="whitespace-nowrap text-lg font-bold">Starting layouts</h1>
        <Select
          label="Blank"
          value={chosen.blank.id}
          choices={blanks.map(({ blank }) => {
            const count = layoutsOf(blank.id, shop).length;
            return [blank.id, `${blank.name}${count > 0 ? ` · ${count}` : ''}`] as const;
          })}
          className="max-w-72"
          onChange={(id) => {
            setBlank(id);
            setFace(null);
            setPart(null);
          }}
        />
        {chosen.faces.length > 1 && (
          <Segments
            label="Face"
            value={face.id}
            choices={chosen.faces.map(({ id, name }) => ({ value: id, name }))}
            onChange={(id) => {
              setFace(id);
              setPart(null);
            }}
          />
        )}
        <span className="ml-auto flex items-center gap-4">
          <Link href={`/blanks?blank=${chosen.blank.id}`} className="verb whitespace-nowrap">
            Back to the blank
          </Link>
          <Ask
            trigger={<button className="action whitespace-nowrap">New layout</button>}
            label={`name of the layout on ${chosen.blank.name}`}
            verb="Make it"
            align="end"
            most={120}
            note="It begins with nothing on it."
            onSaid={async (name) => {
              const { result } = await makeLayout(chosen.blank.id, name);
              setLayout(result.id);
            }}
          />
        </span>
      </div>
      <div className="flex min-h-0 grow">
        <List
          layouts={layouts}
          chosenId={layout?.id ?? null}
          onChoose={(id) => {
            setLayout(id);
            setPart(null);
          }}
        />
        {layout ? (
          <>
            <LayoutBoard
              key={`${layout.id}/${face.id}`}
              layout={layout}
              resolved={chosen}
              face={face}
              partId={partId}
              onChoose={setPart}
            />
            <LayoutStrip
              key={layout.id}
              layout={layout}
              resolved={chosen}
              face={face}
              partId={partId}
              onChoose={setPart}
              onLayout={setLayout}
            />
          </>
        ) : (
          <div className="grow bg-viewing p-8 text-viewing-ink">
            <p className="text-lg font-bold">Fits on {chosen.blank.name} begin bare.</p>
            <p className="mt-1 max-w-xl">
              A starting layout keeps what comes back on every one of them, a border, a maker’s line, and
              leaves empty places for the artwork: “motif, 60 mm wide, left side”. Make one here, or keep a
              fit as one on its bench.
            </p>
          </div>
        )}
      </div>
    </>
  );
}

function List({
  layouts,
  chosenId,
  onChoose,
}: {
  layouts: readonly Layout[];
  chosenId: string | null;
  onChoose: (id: string) => void;
}) {
  return (
    <ul aria-label="Layouts" className="w-[236px] shrink-0 overflow-auto border-r border-rule">
      {layouts.map((layout) => (
        <li key={layout.id}>
          <Toggle
            pressed={layout.id === chosenId}
            onPress={() => {
              onChoose(layout.id);
            }}
            className={`block w-full border-b border-l-4 border-b-rule px-4 py-2.5 text-left ${layout.id === chosenId ? 'border-l-thread bg-docket' : 'border-l-transparent'}`}
          >
            <span className="line-clamp-2 font-bold [overflow-wrap:anywhere]">{layout.name}</span>
            <span className="block text-sm text-ink-2">{layoutInWords(layout)}</span>
            {layout.usual && (
              <span className="block text-sm font-semibold text-thread">fits begin with it</span>
            )}
          </Toggle>
        </li>
      ))}
      {layouts.length === 0 && <li className="px-4 py-3 text-sm text-ink-2">no layouts yet</li>}
    </ul>
  );
}
