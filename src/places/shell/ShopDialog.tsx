'use client';
import { useEffect, useState } from 'react';
import {
  counted,
  countHere,
  openArchive,
  saveArchive,
  takeArchive,
  wordsOf,
  type Change,
  type OpenedArchive,
} from '@/state/shop/archive';
import { roomUsed } from '@/state/shop/storage';
import { changeSettings } from '@/state/shop/records';
import { useShop } from '@/state/shop/shop';
import type { JobOptions } from '@/state/engine/engine';
import { Field } from '@/ui/Field';
import { Dialog, LeaveDialog } from '@/ui/Dialog';
import { useFilePicker } from '@/ui/useFilePicker';
import { Progress } from '@/ui/Progress';
import { Select } from '@/ui/Select';
import { tellDone } from '@/ui/tell';
import { SetAside } from './SetAside';
import { useWork } from './useWork';

/** The shop as a whole: its name, and all of it in one file, out and in. */
export function ShopDialog({ onClose }: { onClose: () => void }) {
  const { settings, designs } = useShop();
  const [opened, setOpened] = useState<OpenedArchive | null>(null);
  const [designId, setDesignId] = useState('');
  const [name, setName] = useState(settings.shopName);
  const room = useRoomUsed();
  const { progress, trouble, run, stop } = useWork<{ doing: string; share: number }>({ outlives: true });
  const work = (doing: string, job: (options: JobOptions) => Promise<void>) =>
    run({ doing, share: 0 }, ({ signal, onProgress }) =>
      job({
        signal,
        onProgress: (share) => {
          onProgress({ doing, share });
        },
      }),
    );
  const picker = useFilePicker('An archive to bring in', (file) => {
    void work('Reading', async (options) => {
      setOpened(await openArchive(file, options));
    });
  });
  const save = () =>
    work('Writing', async (options) => {
      await saveArchive(designId === '' ? null : designId, options);
    });
  const take = (archive: OpenedArchive, replace: boolean) =>
    work('Bringing in', async () => {
      const undo = await takeArchive(archive, replace);
      tellDone(
        replace ? `The shop is what “${archive.name}” held.` : `“${archive.name}” is brought in.`,
        undo,
      );
      onClose();
    });
  return (
    <Dialog title="Shop" className="top-16 w-[560px]" onClose={onClose}>
      <Field
        label="name"
        words
        value={name}
        onChange={(shopName) => {
          setName(shopName);
          void changeSettings({ shopName });
        }}
      />
      <h3 className="mt-5 border-b border-ink pb-0.5 text-sm font-semibold">Everything in one file</h3>
      <p className="mt-1 text-sm text-ink-2">
        Artwork byte for byte, designs, fits, your own blanks, houses, fonts and profiles. Keep one somewhere
        safe: all of this is in this browser only.
      </p>
      {room !== null && <p className="mt-1 text-sm text-ink-2">{room}</p>}
      {progress ? (
        <p role="status" className="mt-3 flex items-center gap-4">
          <span>{progress.doing}</span>
          <Progress label={progress.doing} share={progress.share} className="w-48" />
          <button className="verb" onClick={stop}>
            Stop
          </button>
        </p>
      ) : opened ? (
        <Opened archive={opened} onTake={(replace) => void take(opened, replace)} />
      ) : (
        <div className="mt-3 flex flex-wrap items-center gap-4">
          <Select
            label="What goes into the archive"
            value={designId}
            choices={[
              ['', 'everything'],
              ...[...designs.values()].map(({ id, name }) => [id, `only ${name}`] as const),
            ]}
            onChange={setDesignId}
            className="max-w-52"
          />
          <button className="action" onClick={() => void save()}>
            Save an archive
          </button>
          {picker.input}
          <button className="action-2" onClick={picker.open}>
            Bring one in…
          </button>
        </div>
      )}
      {trouble && (
        <p role="alert" className="mt-3 text-sm text-fix">
          {trouble}
        </p>
      )}
      <SetAside />
      <div className="mt-5 flex">
        <LeaveDialog>Leave</LeaveDialog>
      </div>
    </Dialog>
  );
}

/** What the shop takes of the browser's room, looked at as the dialog opens. */
function useRoomUsed(): string | null {
  const [room, setRoom] = useState<string | null>(null);
  useEffect(() => {
    let current = true;
    void roomUsed().then((said) => {
      if (current) setRoom(said);
    });
    return () => {
      current = false;
    };
  }, []);
  return room;
}

/** What an archive would do, before it does it. */
function Opened({ archive, onTake }: { archive: OpenedArchive; onTake: (replace: boolean) => void }) {
  const changes = archive.changes.filter(({ added, changed, same }) => added + changed + same > 0);
  const sum = (of: (change: Change) => number) => changes.reduce((so, change) => so + of(change), 0);
  const nothing = sum(({ added, changed }) => added + changed) === 0;
  return (
    <div className="mt-3">
      <p className="font-semibold">
        “{archive.name}” is whole: every file has the checksum it was made with.
      </p>
      <table className="measure mt-2 w-full text-sm">
        <thead className="text-left text-ink-2">
          <tr className="border-b border-ink">
            <th className="font-normal">it holds</th>
            <th className="text-right font-normal">new here</th>
            <th className="text-right font-normal">other than here</th>
            <th className="text-right font-normal">the same</th>
          </tr>
        </thead>
        <tbody>
          {changes.map(({ table, added, changed, same }) => (
            <tr key={table} className="border-b border-rule">
              <td className="py-0.5">{wordsOf(table)}</td>
              <td className="text-right">{added}</td>
              <td className={`text-right ${changed > 0 ? 'font-semibold text-look' : ''}`}>{changed}</td>
              <td className="text-right">{same}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className="mt-2 text-sm text-ink-2">
        {nothing
          ? 'All of it is here already: bringing it in changes nothing.'
          : 'Brought in, what is new is added and what is other here is overwritten; the rest of the shop stays.'}
      </p>
      <div className="mt-3 flex items-center gap-4">
        <button
          className="action"
          onClick={() => {
            onTake(false);
          }}
        >
          Bring it in
        </button>
        <Replace
          archive={archive}
          onReplace={() => {
            onTake(true);
          }}
        />
      </div>
    </div>
  );
}

/** Replacing takes out what is here: it says how much of what, and asks. */
function Replace({ archive, onReplace }: { archive: OpenedArchive; onReplace: () => void }) {
  const [here, setHere] = useState<Awaited<ReturnType<typeof countHere>> | null>(null);
  if (!here)
    return (
      <button className="action-2" onClick={() => void countHere().then(setHere)}>
        Replace the whole shop with it…
      </button>
    );
  const out = here.filter(({ count }) => count > 0);
  const kept = archive.changes.reduce((sum, { added, changed, same }) => sum + added + changed + same, 0);
  return (
    <div role="group" aria-label="Replace the whole shop" className="border-l-2 border-fix pl-3">
      <p>
        {out.length === 0
          ? 'There is nothing here yet.'
          : `This takes out ${out.map(({ table, count }) => counted(table, count)).join(', ')}`}
        {out.length > 0 &&
          `, and puts ${kept === 0 ? 'nothing' : kept === 1 ? '1 record' : `${kept} records`} in their place.`}
      </p>
      <p className="mt-2 flex gap-4">
        <button className="action" onClick={onReplace}>
          Replace it
        </button>
        <button
          className="verb"
          autoFocus
          onClick={() => {
            setHere(null);
          }}
        >
          Keep what is here
        </button>
      </p>
    </div>
  );
}
