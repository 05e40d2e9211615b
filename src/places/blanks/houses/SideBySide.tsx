'use client';
import { useState } from 'react';
import { houseEntries } from '@/core/blank/entries/house';
import { printPixels, printSize, resolveBlank, type ResolvedBlank } from '@/core/blank/resolve';
import type { HouseSpec } from '@/core/blank/schema';
import { showLength, showSize } from '@/core/length/show';
import { titleOf } from '@/state/shop/houses';
import { useShop } from '@/state/shop/shop';
import { Dialog, LeaveDialog } from '@/ui/Dialog';
import { Select } from '@/ui/Select';

/** Two houses on one blank: what each would print there, and everything in which they differ. */
export function SideBySide({ spec, onClose }: { spec: HouseSpec; onClose: () => void }) {
  const { specs, blanks, methods, settings } = useShop();
  const { unit } = settings;
  const others = [...specs.values()].filter(
    (one) => one.id !== spec.id && one.methods.some((id) => spec.methods.includes(id)),
  );
  const [otherId, setOtherId] = useState(others[0]?.id ?? '');
  const other = specs.get(otherId);
  const both = [...blanks.values()].filter(
    ({ blank }) =>
      spec.methods.includes(blank.methodId) && (other?.methods.includes(blank.methodId) ?? false),
  );
  const [blankId, setBlankId] = useState(both[0]?.blank.id ?? '');
  const on = both.find(({ blank }) => blank.id === blankId) ?? both[0];
  const rows = other
    ? houseEntries([...methods.values()]).map((entry) => ({
        name: entry.name,
        values: [spec, other].map((one) => entry.shown(one, unit)),
      }))
    : [];
  const differing = rows.filter(({ values: [a, b] }) => a !== b);
  const here = (one: HouseSpec): ResolvedBlank | null => (on ? resolveBlank(on.blank, on.method, one) : null);
  const printed = (one: HouseSpec) => {
    const resolved = here(one);
    if (!resolved) return [];
    const face = resolved.faces[0]!;
    const [size, pixels] = [printSize(face), printPixels(face, one)];
    return [
      ['file, bleed included', showSize(size.width, size.height, unit)],
      ['pixels', `${pixels.width} × ${pixels.height}`],
      ['safe inside the trim', showLength(face.safe, unit)],
      ['target, floor', `${face.target}, ${face.floor} PPI`],
    ] as const;
  };
  return (
    <Dialog
      title="Two houses on one blank"
      className="top-20 max-h-[82vh] w-[720px] overflow-auto"
      onClose={onClose}
    >
      {!other ? (
        <p>No other house prints by {spec.house}’s methods.</p>
      ) : (
        <table className="measure w-full table-fixed text-sm">
          <thead>
            <tr className="border-b border-ink align-baseline">
              <th className="w-44 py-1 text-left font-normal">
                {on && (
                  <Select
                    label="Blank they are compared on"
                    value={on.blank.id}
                    choices={both.map(({ blank }) => [blank.id, blank.name])}
                    onChange={setBlankId}
                    className="w-40"
                  />
                )}
              </th>
              <th scope="col" className="px-2 text-right font-semibold">
                {titleOf(spec)}
              </th>
              <th scope="col" className="px-2 text-right">
                <Select
                  label="The other house"
                  value={other.id}
                  choices={others.map((one) => [one.id, titleOf(one)])}
                  onChange={setOtherId}
                  className="w-full"
                />
              </th>
            </tr>
          </thead>
          <tbody>
            {on &&
              printed(spec).map(([name, value], i) => (
                <Row key={name} name={name} values={[value, printed(other)[i]![1]]} />
              ))}
            {differing.map(({ name, values }) => (
              <Row key={name} name={name} values={values} />
            ))}
          </tbody>
        </table>
      )}
      <p className="mt-2 text-sm text-ink-2">
        {other && `They agree in ${rows.length - differing.length} of ${rows.length} other entries.`}
      </p>
      <div className="mt-3 flex">
        <LeaveDialog>Leave</LeaveDialog>
      </div>
    </Dialog>
  );
}

function Row({ name, values }: { name: string; values: readonly string[] }) {
  const differ = values[0] !== values[1];
  return (
    <tr className="border-b border-rule align-baseline">
      <th scope="row" className="py-1 text-left font-normal text-ink-2">
        {name}
      </th>
      {values.map((value, i) => (
        <td key={i} className={`break-words px-2 text-right ${differ ? 'font-semibold' : 'text-ink-2'}`}>
          {value}
        </td>
      ))}
    </tr>
  );
}
