'use client';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { toast } from '@/ui/toast';
import { kindOf } from '@/core/blank/kinds';
import { differences, numbersOf, withNumber } from '@/core/blank/numbers';
import { describeSource } from '@/core/blank/questions';
import { trimSize, type ResolvedBlank } from '@/core/blank/resolve';
import type { Blank } from '@/core/blank/schema';
import { isToShape } from '@/core/cut/face';
import { bodyTroubles } from '@/core/blank/troubles';
import { showLength, showSize } from '@/core/length/show';
import { changeBlank, duplicateBlank, exportBlank, removeBlank } from '@/state/shop/blanks';
import { sentence } from '@/state/sentence';
import { sayPrices } from '@/state/price/earning';
import { layoutsOf } from '@/core/layout/of-blank';
import { addColumn } from '@/state/shop/columns';
import { useShop } from '@/state/shop/shop';
import { saveTemplate } from '@/state/handover/templates';
import { ColourList } from './ColourList';
import { ContentsList } from './ContentsList';
import { HouseNumbers } from './HouseNumbers';
import { KeepOutList } from './KeepOutList';
import { NumberRow } from './NumberRow';
import { SplitField } from './SplitField';
import { Fact, Heading } from '@/ui/StripParts';
import { today } from '@/state/today';
import { StartDesign } from '../shell/StartDesign';
import { TryOn } from './TryOn';
import { Popup } from '@/ui/Popup';
import { tellDone } from '@/ui/tell';
import { useTitle } from '@/ui/useTitle';

/** One blank on a strip of paper: its numbers and where each comes from, its house, and what can be done with it. */
export function BlankStrip({
  resolved,
  onChoose,
}: {
  resolved: ResolvedBlank;
  onChoose: (id: string | null) => void;
}) {
  const { blank, method, faces } = resolved;
  const { unit } = useShop((shop) => shop.settings);
  const prices = useShop((shop) => sayPrices(resolved, shop));
  const face = faces[0]!;
  const trim = trimSize(face);
  useTitle(blank.name);
  return (
    <aside
      aria-label="Blank"
      className="flex w-[352px] shrink-0 flex-col overflow-auto border-l border-ink bg-docket px-5 pb-6 pt-3"
    >
      <div className="flex items-baseline justify-between gap-3">
        <h2 className="text-lg font-bold">{blank.name}</h2>
        <button
          className="verb text-sm"
          onClick={() => {
            onChoose(null);
          }}
        >
          Leave
        </button>
      </div>
      <p className="text-sm text-ink-2">
        {kindOf(blank.body).name} · {method.name} · version {blank.version}
      </p>
      <p className="measure mt-2 border-y-2 border-ink py-1.5 text-base font-semibold">
        {showSize(trim.width, trim.height, unit)}
        <span className="ml-2 font-normal text-ink-2">
          {face.bend ? 'arc, box' : 'print area'}
          {faces.length > 1 && `, ${face.name.toLowerCase()}`}
        </span>
      </p>
      {prices !== null && (
        <p className="border-b border-rule py-1 text-sm">
          one costs <span className="measure font-semibold">{prices}</span>
        </p>
      )}
      <Begin resolved={resolved} />
      <Measures resolved={resolved} />
      <HouseNumbers resolved={resolved} />
      <Limits resolved={resolved} />
      <ColourList resolved={resolved} />
      <KeepOutList resolved={resolved} />
      <ContentsList resolved={resolved} />
      <SplitField resolved={resolved} />
      <Templates resolved={resolved} />
      <Verbs resolved={resolved} onChoose={onChoose} />
    </aside>
  );
}

/** The first thing to do with a blank. */
function Begin({ resolved }: { resolved: ResolvedBlank }) {
  const blankId = resolved.blank.id;
  const [asked, setAsked] = useState(false);
  const layouts = useShop((shop) => layoutsOf(blankId, shop).length);
  const onRange = useShop((shop) => shop.settings.columns.includes(blankId));
  const router = useRouter();
  return (
    <p className="mt-2 flex flex-wrap items-center gap-x-4 gap-y-1">
      <button
        className="action"
        onClick={() => {
          setAsked(true);
        }}
      >
        Start a design on it
      </button>
      <button
        className="verb text-sm"
        onClick={() => {
          void (onRange ? Promise.resolve() : addColumn(blankId)).then(() => {
            router.push('/');
          });
        }}
      >
        {onRange ? 'See the range' : 'Put it on the range'}
      </button>
      {!isToShape(resolved) && (
        <Link href={`/blanks/layouts?blank=${blankId}`} className="verb text-sm">
          Starting layouts{layouts > 0 ? ` · ${layouts}` : ''}
        </Link>
      )}
      {asked && (
        <StartDesign
          blankId={blankId}
          onClose={() => {
            setAsked(false);
          }}
        />
      )}
    </p>
  );
}

/** The body's lengths, each to be changed: a change is a new version, and one press takes it back. */
function Measures({ resolved }: { resolved: ResolvedBlank }) {
  const { blank } = resolved;
  const { unit } = useShop((shop) => shop.settings);
  const set = async (id: string, mm: number) => {
    const body = withNumber(blank.body, id, mm);
    if (!body) return;
    const next = await changeBlank(blank, { body, measured: { kind: 'tape', date: today() } });
    const [change] = differences(blank.body, body);
    tellDone(
      `Version ${next.blank.version}: ${change ? `${change.name} ${showLength(change.mm, unit)}` : 'changed'}. Fits keep version ${blank.version} until you move them.`,
      next.undo,
    );
  };
  return (
    <>
      <Heading>Measured · {describeSource(resolved, 'size')}</Heading>
      <dl className="measure text-sm">
        {numbersOf(blank.body).map(({ id, name, mm }) => (
          <NumberRow
            key={id}
            name={name}
            mm={mm}
            unit={unit}
            refuse={(value) => {
              const body = withNumber(blank.body, id, value);
              if (!body) return 'Type a length above zero.';
              return bodyTroubles(body, unit)[0]?.message ?? null;
            }}
            onSet={(value) => void set(id, value)}
          />
        ))}
      </dl>
      <Sizes resolved={resolved} />
    </>
  );
}

function Sizes({ resolved }: { resolved: ResolvedBlank }) {
  const { blank, faces } = resolved;
  const { unit } = useShop((shop) => shop.settings);
  if (blank.sizes.length === 0) return null;
  return (
    <table className="measure mt-1 w-full text-sm">
      <caption className="pt-2 text-left text-ink-2">
        Print area by size, {faces[0]!.name.toLowerCase()}
      </caption>
      <tbody>
        {blank.sizes.map(({ id, name, print }) => (
          <tr key={id} className="border-b border-rule">
            <th scope="row" className="text-left font-normal">
              {name}
            </th>
            <td className="text-right font-semibold">
              {showSize(faces[0]!.width * print, faces[0]!.height * print, unit)}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

function Limits({ resolved }: { resolved: ResolvedBlank }) {
  const { blank, method, limits } = resolved;
  const own = (part: Blank['limits']) => void changeBlank(blank, { limits: { ...blank.limits, ...part } });
  const refuse = (mm: number) => (mm > 0 ? null : 'A limit is above zero.');
  const { unit } = useShop((shop) => shop.settings);
  return (
    <>
      <Heading>{method.name}</Heading>
      <p className="mt-1 text-sm text-ink-2">Prints {method.prints}.</p>
      <dl className="measure text-sm">
        <NumberRow
          name={`thinnest stroke${blank.limits.stroke === undefined ? '' : ', here'}`}
          mm={limits.stroke}
          unit={unit}
          refuse={refuse}
          onSet={(stroke) => {
            own({ stroke });
          }}
        />
        <NumberRow
          name={`smallest capitals${blank.limits.capHeight === undefined ? '' : ', here'}`}
          mm={limits.capHeight}
          unit={unit}
          refuse={refuse}
          onSet={(capHeight) => {
            own({ capHeight });
          }}
        />
        {limits.inks !== null && <Fact name="inks" value={`${limits.inks} at most`} />}
        {limits.totalInk !== null && <Fact name="total ink" value={`${limits.totalInk} %`} />}
        <Fact name="white ink" value={limits.whiteInk ? 'yes' : 'none'} />
        <Fact name="print is" value={method.mirrored ? 'mirrored, a transfer' : 'printed directly'} />
      </dl>
    </>
  );
}

function Templates({ resolved }: { resolved: ResolvedBlank }) {
  const { blank, faces } = resolved;
  const save = async (index: number, format: 'pdf' | 'svg' | 'png') => {
    try {
      await saveTemplate(blank.name, faces[index]!, format);
    } catch (error) {
      toast(sentence(error));
    }
  };
  return (
    <>
      <Heading>True-size template</Heading>
      {faces.map((face, index) => (
        <p key={face.id} className="mt-1 flex gap-4 text-sm">
          <span className="grow">{face.name}</span>
          {(['pdf', 'svg', 'png'] as const).map((format) => (
            <button
              key={format}
              aria-label={`Template of ${face.name} as ${format.toUpperCase()}`}
              className="verb"
              onClick={() => void save(index, format)}
            >
              {format.toUpperCase()}
            </button>
          ))}
        </p>
      ))}
      <TryOn resolved={resolved} />
    </>
  );
}

function Verbs({ resolved, onChoose }: { resolved: ResolvedBlank; onChoose: (id: string | null) => void }) {
  const { blank } = resolved;
  const columns = useShop((shop) => shop.settings.columns);
  const remove = async () => {
    const undo = await removeBlank(blank.id);
    onChoose(null);
    tellDone(`“${blank.name}” is out of the library. Fits on it stay whole.`, undo);
  };
  return (
    <>
      <Heading>This blank</Heading>
      <p className="mt-1.5 flex flex-wrap gap-x-4 gap-y-1.5">
        {columns.includes(blank.id) ? (
          <span className="text-sm text-ink-2">on the range</span>
        ) : (
          <button
            className="verb"
            onClick={() =>
              void addColumn(blank.id).then(() => toast(`“${blank.name}” is a column of the range.`))
            }
          >
            Put on the range
          </button>
        )}
        <Rename blank={blank} />
        <button
          className="verb"
          onClick={() =>
            void duplicateBlank(resolved).then(({ id }) => {
              onChoose(id);
            })
          }
        >
          Duplicate
        </button>
        <button
          className="verb"
          onClick={() => {
            exportBlank(resolved);
          }}
        >
          Save to a file
        </button>
        <button className="verb" onClick={() => void remove()}>
          Take out
        </button>
      </p>
    </>
  );
}

function Rename({ blank }: { blank: Blank }) {
  return (
    <Popup trigger={<button className="verb">Rename</button>} align="start" className="p-2">
      <form
        className="flex gap-2"
        onSubmit={(event) => {
          event.preventDefault();
          const typed = new FormData(event.currentTarget).get('name');
          const name = typeof typed === 'string' ? typed.trim() : '';
          if (name !== '' && name.length <= 120) void changeBlank(blank, { name });
        }}
      >
        <input
          name="name"
          aria-label="New name"
          defaultValue={blank.name}
          maxLength={120}
          className="w-44 border border-rule bg-docket px-2 py-1"
        />
        <button className="action">Rename</button>
      </form>
    </Popup>
  );
}
