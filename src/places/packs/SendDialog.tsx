'use client';
import { useEffect, useState } from 'react';
import type { Desk, OrderLine } from '@/core/pack/order';
import type { PackedFit, PrintRecord } from '@/core/pack/manifest';
import { sentence } from '@/state/sentence';
import { desksFor, sendOrder } from '@/state/handover/sending';
import type { StoredPack } from '@/core/pack/record';
import { Dialog, LeaveDialog } from '@/ui/Dialog';
import { OneOf } from '@/ui/OneOf';
import { sayBytes } from './words';
import { Select } from '@/ui/Select';

/** To whom a pack is sent, how many of each, and which file goes on which side. */
export function SendDialog({ pack, onClose }: { pack: StoredPack; onClose: () => void }) {
  const [desks, setDesks] = useState<Desk[] | null>(null);
  const [trouble, setTrouble] = useState<string | null>(null);
  const [deskId, setDeskId] = useState<string | null>(null);
  const [counts, setCounts] = useState<ReadonlyMap<string, string>>(new Map());
  /** Which file goes on which side, where it is not the side's own: by fit and face. */
  const [sides, setSides] = useState<ReadonlyMap<string, string>>(new Map());
  const [notes, setNotes] = useState(pack.manifest.notes);
  useEffect(() => {
    desksFor(pack).then(setDesks, (error: unknown) => {
      setTrouble(sentence(error));
    });
  }, [pack]);
  const desk = desks?.find(({ id }) => id === deskId) ?? desks?.[0];
  const { fits } = pack.manifest;
  const own = fits.filter(({ house }) => house === desk?.name);
  const lines = own.flatMap((fit) => lineOf(fit, counts.get(fit.fitId) ?? '1', sides));
  const tooLarge = desk !== undefined && pack.bytes > desk.mostBytes;
  return (
    <Dialog title="Send to a house" className="top-24 w-[640px]" onClose={onClose}>
      {trouble && <p className="text-fix">{trouble}</p>}
      {desk && desks && (
        <OneOf
          label="House"
          value={desk.id}
          onChoose={setDeskId}
          options={desks.map(({ id, name }) => ({ id, name }))}
        />
      )}
      {desk && (
        <p className={`mt-2 text-sm ${tooLarge ? 'text-fix' : 'text-ink-2'}`}>
          Takes {desk.takes}, packs of {sayBytes(desk.mostBytes)} at most; this one is {sayBytes(pack.bytes)}.
          {tooLarge && ' Make two smaller packs.'}
        </p>
      )}
      <table className="mt-3 w-full">
        <tbody>
          {own.map((fit) => (
            <tr key={fit.fitId} className="border-b border-rule align-baseline">
              <td className="w-20 py-1.5">
                <input
                  aria-label={`How many of ${fit.design} on ${fit.blank}`}
                  inputMode="numeric"
                  value={counts.get(fit.fitId) ?? '1'}
                  onChange={(event) => {
                    setCounts(new Map(counts).set(fit.fitId, event.target.value));
                  }}
                  className="measure w-16 border-b-2 border-ink bg-tape-pale px-2 py-0.5 text-right font-semibold text-on-tape"
                />
              </td>
              <td className="pr-3 font-semibold">
                {fit.design} on {fit.blank}
              </td>
              <td className="measure text-sm text-ink-2">
                {fit.prints.map((print) => (
                  <SideLine
                    key={print.faceId}
                    fit={fit}
                    print={print}
                    path={sides.get(sideKey(fit, print.faceId)) ?? print.path}
                    onPath={(path) => {
                      setSides(new Map(sides).set(sideKey(fit, print.faceId), path));
                    }}
                  />
                ))}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      {desk && own.length < fits.length && (
        <p className="mt-2 text-sm text-look">
          {fits.length - own.length} of the pack’s fits {fits.length - own.length === 1 ? 'is' : 'are'} for
          another house, and {fits.length - own.length === 1 ? 'is' : 'are'} not ordered here.
        </p>
      )}
      <label className="mt-3 flex flex-col text-sm text-ink-2">
        notes
        <input
          value={notes}
          onChange={(event) => {
            setNotes(event.target.value);
          }}
          className="border-b-2 border-ink bg-docket px-1 py-1 text-base text-ink"
        />
      </label>
      <div className="mt-4 flex items-center gap-4">
        <button
          className="action"
          disabled={!desk || tooLarge || lines.length === 0}
          onClick={() => {
            if (desk) void sendOrder(pack, desk, lines, notes);
            onClose();
          }}
        >
          Send the order
        </button>
        <LeaveDialog>Leave</LeaveDialog>
      </div>
    </Dialog>
  );
}

/** One side of a product and the file that goes on it; another side's file of the same size can go on it as well. */
function SideLine({
  fit,
  print,
  path,
  onPath,
}: {
  fit: PackedFit;
  print: PrintRecord;
  path: string;
  onPath: (path: string) => void;
}) {
  const same = fit.prints.filter(
    ({ pixels }) => pixels.width === print.pixels.width && pixels.height === print.pixels.height,
  );
  if (same.length === 1)
    return (
      <p className="truncate">
        {print.faceId}: {nameOf(print.path)}
      </p>
    );
  return (
    <span className="flex items-baseline gap-1">
      {print.faceId}:
      <Select
        label={`What goes on the ${print.faceId} of ${fit.design} on ${fit.blank}`}
        value={path}
        choices={same.map((one) => [one.path, nameOf(one.path)])}
        onChange={onPath}
        className="min-w-0"
      />
    </span>
  );
}

function sideKey({ fitId }: PackedFit, faceId: string): string {
  return `${fitId}/${faceId}`;
}

function nameOf(path: string): string {
  return path.split('/').at(-1) ?? path;
}

/** A line of the order; none where no whole number of pieces is asked for. */
function lineOf(fit: PackedFit, count: string, sides: ReadonlyMap<string, string>): OrderLine[] {
  const quantity = Number(count);
  if (!Number.isInteger(quantity) || quantity < 1 || quantity > 100_000) return [];
  const { fitId, size, colour, prints } = fit;
  const placed = prints.map(({ faceId, path }) => ({
    faceId,
    path: sides.get(sideKey(fit, faceId)) ?? path,
  }));
  return [{ fitId, size, colour, quantity, sides: placed }];
}
