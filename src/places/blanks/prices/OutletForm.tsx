'use client';
import * as v from 'valibot';
import { HOLDS, columnsOf, type Holds } from '@/core/listing/columns';
import { OutletSchema, type ListingLimits, type Outlet } from '@/core/price/outlet';
import { isShippedOutlet, reckonFor, removeOutlet, saveOutlet } from '@/state/price/outlets';
import { useShop } from '@/state/shop/shop';
import { today } from '@/state/today';
import { NameField } from '@/ui/NameField';
import { Select } from '@/ui/Select';
import { Heading } from '@/ui/StripParts';
import { Typed } from '@/ui/Typed';
import { tellDone } from '@/ui/tell';

/** What a place to sell takes of each sale. */
const COSTS = [
  ['feePercent', 'fee, in percent of what is asked', '8'],
  ['feeFixed', 'fixed fee of each', '0.20'],
  ['taxPercent', 'tax within what is asked, in percent', '19'],
  ['packing', 'packing of each', '0.35'],
  ['advertising', 'advertising of each', '0.50'],
] as const;

/** What its listings may be. */
const LIMITS = [
  ['title', 'characters of a title'],
  ['description', 'characters of a description'],
  ['tags', 'tags'],
  ['tagLength', 'characters of a tag'],
  ['pictures', 'pictures'],
  ['pictureBytes', 'MB of a picture'],
] as const satisfies readonly (readonly [keyof ListingLimits, string])[];

/** One place to sell: what it costs, and what its listings may be; empty is what nobody has said. */
export function OutletForm({
  outlet,
  outlets,
  onChoose,
}: {
  outlet: Outlet;
  outlets: readonly Outlet[];
  onChoose: (id: string) => void;
}) {
  const chosen = useShop((shop) => shop.settings.outletId === outlet.id);
  const changed = useShop((shop) => shop.outlets.has(outlet.id));
  const { limits } = outlet;
  const save = (change: Partial<Outlet>): string | null => {
    const next = { ...outlet, ...change, day: today() };
    if (!v.is(OutletSchema, next)) return 'Write a number with a point, as 4.50, or leave it empty.';
    void saveOutlet(next);
    return null;
  };
  const limit = (key: keyof ListingLimits, text: string) => {
    const words = text.trim();
    return save({ limits: { ...limits, [key]: words === '' ? null : Number(words) } });
  };
  return (
    <div className="flex min-h-0 grow overflow-auto">
      <nav aria-label="Places to sell" className="w-60 shrink-0 border-r border-rule py-2">
        {outlets.map(({ id, name }) => (
          <button
            key={id}
            aria-current={id === outlet.id}
            className="block w-full truncate px-4 py-1.5 text-left hover:bg-docket aria-[current=true]:bg-docket aria-[current=true]:font-semibold"
            onClick={() => {
              onChoose(id);
            }}
          >
            {name}
          </button>
        ))}
      </nav>
      <div className="w-[460px] shrink-0 px-5 pb-6 pt-3">
        <NameField value={outlet.name} label="Name of the place" onName={(name) => save({ name })} />
        <p className="flex gap-5 py-1.5 text-sm text-ink-2">
          {chosen ? (
            <span>Costs are reckoned for it.</span>
          ) : (
            <button className="verb" onClick={() => void reckonFor({ outletId: outlet.id })}>
              Reckon costs for it
            </button>
          )}
          {changed && (
            <button
              className="verb"
              onClick={() =>
                void removeOutlet(outlet).then((undo) => {
                  tellDone(
                    isShippedOutlet(outlet.id)
                      ? `“${outlet.name}” is as it came.`
                      : `“${outlet.name}” is taken out.`,
                    undo,
                  );
                })
              }
            >
              {isShippedOutlet(outlet.id) ? 'As it came' : 'Take out'}
            </button>
          )}
        </p>
        <Heading>What it costs</Heading>
        <Typed
          label="currency"
          value={outlet.currency}
          placeholder="EUR"
          onSet={(text) =>
            save({ currency: text.trim().toUpperCase() }) && 'A currency is three letters, as EUR.'
          }
        />
        {COSTS.map(([key, label, example]) => (
          <Typed
            key={key}
            label={label}
            value={outlet[key] ?? ''}
            placeholder={`unknown, as ${example}`}
            onSet={(text) => save({ [key]: text.trim() === '' ? null : text.trim() })}
          />
        ))}
        <Typed
          label="who said so"
          words
          value={outlet.source}
          placeholder="its page of fees"
          onSet={(text) => save({ source: text.trim() })}
        />
        {outlet.day && <p className="measure pt-1 text-right text-sm text-ink-2">changed {outlet.day}</p>}
      </div>
      <div className="w-[440px] shrink-0 px-5 pb-6 pt-3">
        <Heading>What its listings may be</Heading>
        {LIMITS.map(([key, label]) => (
          <Typed
            key={key}
            label={label}
            value={limits[key] === null ? '' : String(limits[key])}
            placeholder="no limit"
            onSet={(text) => limit(key, text) && 'Write a whole number, or leave it empty.'}
          />
        ))}
        <Typed
          label="pixels of a picture"
          value={limits.pictureSize ? `${limits.pictureSize.width} × ${limits.pictureSize.height}` : ''}
          placeholder="2000 × 2000"
          onSet={(text) => {
            const [, width, height] = /^\s*(\d+)\s*[x×]\s*(\d+)\s*$/i.exec(text) ?? [];
            if (text.trim() !== '' && !height) return 'Write across and down, as 2000 × 2000.';
            const size = height ? { width: Number(width), height: Number(height) } : null;
            return save({ limits: { ...limits, pictureSize: size } }) && 'From 1 to 8000 pixels each way.';
          }}
        />
        <Columns outlet={outlet} onSave={save} />
      </div>
    </div>
  );
}

/** The columns of the table of variants that a place takes, in its own words. */
function Columns({ outlet, onSave }: { outlet: Outlet; onSave: (change: Partial<Outlet>) => unknown }) {
  const columns = columnsOf(outlet.columns);
  return (
    <>
      <Heading>Columns of its table of variants</Heading>
      <ul>
        {columns.map(({ head, holds }, i) => (
          <li key={i} className="flex items-center gap-2 border-b border-rule py-1">
            <span className="grow">
              <NameField
                small
                value={head}
                label={`Head of column ${i + 1}`}
                onName={(name) =>
                  onSave({ columns: columns.map((one, at) => (at === i ? { ...one, head: name } : one)) })
                }
              />
            </span>
            <Select
              label={`What column ${i + 1} holds`}
              value={holds as Holds}
              choices={Object.entries(HOLDS) as [Holds, string][]}
              className="w-44"
              onChange={(next) =>
                onSave({ columns: columns.map((one, at) => (at === i ? { ...one, holds: next } : one)) })
              }
            />
            <button
              className="verb whitespace-nowrap text-sm"
              aria-label={`Take off column ${i + 1}`}
              disabled={columns.length < 2}
              onClick={() => onSave({ columns: columns.filter((_, at) => at !== i) })}
            >
              Take off
            </button>
          </li>
        ))}
      </ul>
      <p className="pt-1.5">
        <button
          className="verb"
          onClick={() => onSave({ columns: [...columns, { head: 'tags', holds: 'tags' }] })}
        >
          One more column
        </button>
      </p>
    </>
  );
}
