'use client';
import { useState } from 'react';
import { removePack } from '@/state/handover/packs';
import { useShop } from '@/state/shop/shop';
import { Guard } from '@/ui/Guard';
import { tellDone } from '@/ui/tell';
import { useFitIds } from '../shell/address';
import { NewPack } from './NewPack';
import { PackDetail } from './PackDetail';
import { PackList } from './PackList';

/** What was handed over, to whom, and what they said; and where a pack is made. */
export function PacksPlace() {
  const fitIds = useFitIds();
  const packs = useShop((shop) => shop.packs);
  const list = [...packs.values()].sort((a, b) => b.manifest.made.localeCompare(a.manifest.made));
  const [making, setMaking] = useState(fitIds.length > 0);
  const [chosenId, setChosenId] = useState<string | null>(null);
  const chosen = packs.get(chosenId ?? '') ?? list[0];
  const isMaking = making || list.length === 0;
  return (
    <div className="flex min-h-0 grow flex-col">
      <div className="flex h-[46px] shrink-0 items-center gap-5 border-b border-rule bg-frame px-4">
        <h1 className="text-lg font-bold">
          {list.length} {list.length === 1 ? 'pack' : 'packs'}
        </h1>
        <p className="truncate text-ink-2">
          Print files, docket and palette in one zip, each with its checksum. Nothing leaves this browser
          until you send it.
        </p>
        {!isMaking && (
          <button
            className="action ml-auto shrink-0"
            onClick={() => {
              setMaking(true);
            }}
          >
            New pack
          </button>
        )}
      </div>
      <div className="flex min-h-0 grow">
        {list.length > 0 && (
          <PackList
            list={list}
            chosenId={isMaking ? null : (chosen?.id ?? null)}
            onChoose={(id) => {
              setChosenId(id);
              setMaking(false);
            }}
          />
        )}
        {isMaking ? (
          <NewPack
            first={fitIds}
            onMade={(id) => {
              setChosenId(id);
              setMaking(false);
            }}
            {...(list.length > 0 && {
              onLeave: () => {
                setMaking(false);
              },
            })}
          />
        ) : (
          chosen && (
            <Guard
              key={chosen.id}
              what={`The pack “${chosen.manifest.name}”`}
              onTakeOut={() =>
                void removePack(chosen).then((undo) => {
                  tellDone(`“${chosen.manifest.name}” is taken out.`, undo);
                })
              }
            >
              <PackDetail pack={chosen} />
            </Guard>
          )
        )}
      </div>
    </div>
  );
}
