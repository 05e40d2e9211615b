'use client';
import { toast } from 'sonner';
import { KIND_NAMES } from '@/core/blank/body';
import { differences, numbersOf, withNumber } from '@/core/blank/numbers';
import { describeSource, questionsFor } from '@/core/blank/questions';
import { printPixels, trimSize, type ResolvedBlank } from '@/core/blank/resolve';
import type { Blank, HouseSpec } from '@/core/blank/schema';
import { bodyTroubles } from '@/core/blank/troubles';
import { showLength, showSize } from '@/core/length/show';
import {
  changeBlank,
  chooseHouse,
  dropVersion,
  duplicateBlank,
  exportBlank,
  removeBlank,
  saveSpec,
} from '@/state/blanks';
import { sentence } from '@/state/imports';
import { addColumn } from '@/state/range';
import { useShop } from '@/state/shop';
import { saveTemplate } from '@/state/templates';
import { ColourList } from './ColourList';
import { KeepOutList } from './KeepOutList';
import { NumberRow } from './NumberRow';
import { SplitField } from './SplitField';
import { today } from './today';
import { TryOn } from './TryOn';

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
  const face = faces[0]!;
  const trim = trimSize(face);
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
          Close
        </button>
      </div>
      <p className="text-sm text-ink-2">
        {KIND_NAMES[blank.body.kind]} · {method.name} · version {blank.version}
      </p>
      <p className="measure mt-2 border-y-2 border-ink py-1.5 text-base font-semibold">
        {showSize(trim.width, trim.height, unit)}
        <span className="ml-2 font-normal text-ink-2">
          {face.bend ? 'arc, box' : 'print area'}
          {faces.length > 1 && `, ${face.name.toLowerCase()}`}
        </span>
      </p>
      <Measures resolved={resolved} />
      <House resolved={resolved} />
      <Limits resolved={resolved} />
      <ColourList resolved={resolved} />
      <KeepOutList resolved={resolved} />
      <SplitField resolved={resolved} />
      <Templates resolved={resolved} />
      <Verbs resolved={resolved} onChoose={onChoose} />
    </aside>
  );
}

function Heading({ children }: { children: React.ReactNode }) {
  return <h3 className="mt-4 border-b border-ink pb-0.5 text-sm font-semibold">{children}</h3>;
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
    toast(
      `Version ${next.version}: ${change ? `${change.name} ${showLength(change.mm, unit)}` : 'changed'}. Fits keep version ${blank.version} until you move them.`,
      { action: { label: 'Undo', onClick: () => void dropVersion(next) } },
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
              if (!body) return 'A length of a thing is above zero.';
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

/** What the house asks, where each number comes from, and what is still to be asked. */
function House({ resolved }: { resolved: ResolvedBlank }) {
  const { blank, spec, faces } = resolved;
  const { unit } = useShop((shop) => shop.settings);
  const specs = useShop((shop) => shop.specs);
  const others = [...specs.values()].filter(
    ({ methods, id }) => methods.includes(blank.methodId) || id === spec.id,
  );
  const questions = questionsFor(resolved);
  const change = (part: Partial<HouseSpec>) => void saveSpec({ ...spec, ...part, version: spec.version + 1 });
  const stated = (value: number) => ({ value, source: { kind: 'house' as const, date: today() } });
  return (
    <>
      <Heading>House</Heading>
      <select
        aria-label="House that prints it"
        value={spec.id}
        onChange={(event) => void chooseHouse(blank.id, event.target.value)}
        className="mt-1.5 w-full border border-rule bg-docket px-2 py-1"
      >
        {others.map(({ id, house, bleed, safe }) => (
          <option key={id} value={id}>
            {house}: bleed {showLength(bleed.value, unit)}, safe {showLength(safe.value, unit)}
          </option>
        ))}
      </select>
      <dl className="measure text-sm">
        <NumberRow
          name="bleed"
          mm={spec.bleed.value}
          unit={unit}
          source={describeSource(resolved, 'bleed')}
          refuse={(mm) => (mm < 0 ? 'Bleed cannot be negative.' : null)}
          onSet={(mm) => {
            change({ bleed: stated(mm) });
          }}
        />
        <NumberRow
          name={`safe, from the ${spec.safeFrom.value}`}
          mm={spec.safe.value}
          unit={unit}
          source={describeSource(resolved, 'safe')}
          refuse={(mm) => (mm < 0 ? 'A safe margin cannot be negative.' : null)}
          onSet={(mm) => {
            change({ safe: stated(mm) });
          }}
        />
        <Fact name="target, floor" value={`${faces[0]!.target}, ${faces[0]!.floor} PPI`} />
        <Fact
          name="files"
          value={`${spec.files.formats.value.join(', ').toUpperCase()} · ${spec.files.modes.value.join(', ').toUpperCase()}`}
        />
        <Fact name="pixels" value={pixelsInWords(resolved)} />
        <Fact name="density tag" value={spec.files.density.value ? 'required' : 'not needed'} />
        <Fact name="transparency" value={spec.files.alpha.value === 'kept' ? 'kept' : 'none'} />
        <Fact name="largest file" value={`${Math.round(spec.files.maxBytes.value / 1024 / 1024)} MiB`} />
        <Fact name="named" value={spec.files.naming.value} />
        {spec.press && (
          <Fact
            name="press"
            value={`${spec.press.celsius} °C (${Math.round(spec.press.celsius * 1.8 + 32)} °F) · ${spec.press.seconds} s · ${spec.press.pressure}`}
          />
        )}
      </dl>
      {questions.length > 0 && <Questions house={spec.house} name={blank.name} questions={questions} />}
    </>
  );
}

/** Exact pixels where the house states them, else those of the true size. */
function pixelsInWords({ spec, faces }: ResolvedBlank): string {
  const { width, height } = printPixels(faces[0]!, spec);
  return `${width} × ${height}, ${spec.files.pixels.value ? 'exactly' : 'true size'}`;
}

/** What nobody has stated yet, ready to be sent. */
function Questions({ house, name, questions }: { house: string; name: string; questions: string[] }) {
  const text = `${house}, about “${name}”:\n${questions.map((one) => `- ${one}`).join('\n')}\n`;
  return (
    <div className="mt-2 border-l-4 border-look pl-3 text-sm">
      <p className="font-semibold text-look">To ask {house}</p>
      <ul>
        {questions.map((question) => (
          <li key={question}>{question}</li>
        ))}
      </ul>
      <button
        className="verb mt-1"
        onClick={() => {
          navigator.clipboard.writeText(text).then(
            () => toast('The questions are on the clipboard.'),
            () => toast('The browser did not let the questions onto the clipboard: select and copy them.'),
          );
        }}
      >
        Copy the questions
      </button>
    </div>
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

function Fact({ name, value }: { name: string; value: string }) {
  return (
    <div className="flex justify-between gap-4 border-b border-rule py-[3px]">
      <dt className="shrink-0 text-ink-2">{name}</dt>
      <dd className="text-right font-semibold">{value}</dd>
    </div>
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
    toast(`“${blank.name}” is out of the library. Fits on it stay whole.`, {
      action: { label: 'Undo', onClick: () => void undo() },
    });
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
          Export
        </button>
        <button className="verb" onClick={() => void remove()}>
          Delete
        </button>
      </p>
    </>
  );
}

function Rename({ blank }: { blank: Blank }) {
  return (
    <details className="relative">
      <summary className="verb cursor-pointer list-none">Rename</summary>
      <form
        className="absolute bottom-full left-0 z-20 flex gap-2 border border-ink bg-docket p-2"
        onSubmit={(event) => {
          event.preventDefault();
          const name = String(new FormData(event.currentTarget).get('name') ?? '').trim();
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
    </details>
  );
}
