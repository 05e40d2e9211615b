'use client';
import { formatNames } from '@/core/formats/registry';
import { useState } from 'react';
import { toast } from '@/ui/toast';
import { importFiles } from '@/state/artwork/imports';
import { sentence } from '@/state/sentence';
import { useShop } from '@/state/shop/shop';
import { DropTarget } from '@/ui/DropTarget';
import { Guard } from '@/ui/Guard';
import { ArtworkBar } from './ArtworkBar';
import { inOrder, type Order } from './order';
import { ArtworkDocket } from './ArtworkDocket';
import { ArtworkList } from './ArtworkList';
import { ArtworkView } from './ArtworkView';
import type { Tool } from './types';
import { useChange } from './useChange';
import { usePaste } from '../shell/usePaste';
import { useAsked } from '../shell/useAsked';

/** Everything brought in, with what was measured in it and what it is good for. */
export function ArtworkPlace() {
  const artworks = useShop((shop) => shop.artworks);
  const [chosenId, setChosenId] = useAsked('artwork');
  const [search, setSearch] = useState('');
  const [order, setOrder] = useState<Order>('newest');
  const [held, setHeld] = useState<{ of: string | undefined; tool: Tool }>({ of: undefined, tool: 'look' });
  const change = useChange();
  const bringIn = (files: readonly File[]) => {
    importFiles(files).catch((error: unknown) => toast(sentence(error)));
  };
  usePaste(bringIn);
  const list = inOrder([...artworks.values()], order, search);
  // What is chosen first stays chosen while others come in before it.
  if (chosenId === null && list[0]) setChosenId(list[0].id);
  const chosen = (chosenId === null ? undefined : artworks.get(chosenId)) ?? list[0] ?? null;
  /** What is chosen elsewhere than in the list is brought into it. */
  const choose = (id: string) => {
    if (!list.some((artwork) => artwork.id === id)) setSearch('');
    setChosenId(id);
  };
  // A tool is taken up for one artwork; another is only looked at first.
  const tool = held.of === chosen?.id ? held.tool : 'look';
  const setTool = (next: Tool) => {
    setHeld({ of: chosen?.id, tool: next });
  };
  return (
    <DropTarget onFiles={bringIn} label="Drop artwork" className="flex min-h-0 grow flex-col">
      {(open, openFolder) => (
        <>
          <ArtworkBar
            whole={artworks.size}
            shown={list.length}
            search={search}
            order={order}
            onSearch={setSearch}
            onOrder={setOrder}
            onFiles={open}
            onFolder={openFolder}
          />
          {artworks.size === 0 ? (
            <Empty onFiles={open} onFolder={openFolder} />
          ) : (
            <div className="flex min-h-0 grow">
              <ArtworkList list={list} chosenId={chosen?.id ?? null} onChoose={setChosenId} />
              {chosen && (
                <Guard key={chosen.id} what={`The artwork “${chosen.facts.name}”`}>
                  <ArtworkView artwork={chosen} tool={tool} onTool={setTool} change={change} />
                  <ArtworkDocket
                    artwork={chosen}
                    tool={tool}
                    onTool={setTool}
                    change={change}
                    onChoose={choose}
                  />
                </Guard>
              )}
            </div>
          )}
        </>
      )}
    </DropTarget>
  );
}

function Empty({ onFiles, onFolder }: { onFiles: () => void; onFolder: () => void }) {
  return (
    <div className="flex grow flex-col items-start gap-3 bg-viewing p-8 text-viewing-ink">
      <p className="text-lg font-semibold">Drop files or a folder here, or paste a picture.</p>
      <p className="max-w-[60ch]">
        Up Fit reads what each one really is: pixels, true size, colours, transparency, real detail, and which
        of your blanks it is good enough for. {formatNames('and')}; the files stay in this browser, byte for
        byte.
      </p>
      <p className="flex gap-4">
        <button className="action" onClick={onFiles}>
          Choose files
        </button>
        <button className="action-2" onClick={onFolder}>
          Choose a folder
        </button>
      </p>
    </div>
  );
}
