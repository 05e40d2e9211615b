'use client';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { toast } from '@/ui/toast';
import { facesOf } from '@/core/blank/resolve';
import { bodyTroubles } from '@/core/blank/troubles';
import { parseLength, parseSize } from '@/core/length/parse';
import { showLength, showSize } from '@/core/length/show';
import { MM_PER_INCH } from '@/core/length/units';
import {
  bodyFromTemplate,
  marginsOf,
  type EdgeSet,
  type Picked,
  type TemplateKind,
} from '@/core/template/picked';
import { mismatch } from '@/core/template/reading';
import { keepSpecFor, newBlank, saveUnderlay } from '@/state/shop/blanks';
import { sentence } from '@/state/sentence';
import { useShop } from '@/state/shop/shop';
import type { TemplateRead } from '@/state/handover/templates';
import { Choice, Field } from '@/ui/Field';
import { today } from '@/state/today';
import { useMethodAndHouse } from '../useMethodAndHouse';
import { Segments } from '@/ui/Toggle';

interface Props {
  read: TemplateRead;
  picked: Picked | null;
  page: number;
  set: EdgeSet;
  onSet: (set: EdgeSet) => void;
  onPage: (page: number) => void;
  onResize: (side: 'width' | 'height', mm: number) => void;
  onPick: (picked: Picked) => void;
}

const SETS: readonly (readonly [EdgeSet, string])[] = [
  ['trim', 'Trim'],
  ['bleed', 'Bleed edge'],
  ['safe', 'Safe area'],
];
const KINDS: readonly (readonly [TemplateKind, string])[] = [
  ['flat', 'Flat thing'],
  ['plate', 'Hardware plate'],
  ['sticker', 'Sticker'],
  ['wrap', 'Wrap round a mug or cup'],
];

/** What the template says, what could mislead, what was picked, and the blank that is made of it. */
export function PickPanel(props: Props) {
  const { read, picked, page, set, onSet, onPage, onResize, onPick } = props;
  const { reading } = read;
  const { unit } = useShop((shop) => shop.settings);
  const [stated, setStated] = useState('');
  const [side, setSide] = useState('');
  const say = (mm: number) => showLength(mm, unit);
  const size = stated.trim() === '' ? null : parseSize(stated, { unit: unit.unit });
  const trap = size?.ok ? mismatch({ ...reading, trim: picked?.trim ?? reading.trim }, size) : null;
  const typed = side.trim() === '' ? null : readSide(side, unit.unit, reading.pixels?.width);
  const margins = picked && marginsOf(picked);
  return (
    <aside
      aria-label="Template"
      className="flex w-[400px] shrink-0 flex-col overflow-auto border-l border-ink bg-docket px-5 pb-6 pt-3"
    >
      <p data-template-size className="measure border-b-2 border-ink pb-1.5 text-lg font-bold">
        {picked ? showSize(picked.trim.width, picked.trim.height, unit) : 'no size yet'}
        <span className="ml-2 text-sm font-normal text-ink-2">trim, from {reading.from}</span>
      </p>
      {reading.page && (
        <p className="measure py-1 text-sm text-ink-2">
          Page {showSize(reading.page.width, reading.page.height, unit)}
          {margins?.bleed ? ` · bleed ${say(margins.bleed)}` : ''}
          {margins?.safe ? ` · safe ${say(margins.safe)}` : ''}
          {reading.holes.length > 0 ? ` · ${reading.holes.length} circles` : ''}
        </p>
      )}
      {[...reading.traps, ...(trap ? [trap] : [])].map(({ code, message }) => (
        <p key={code} role="status" className="my-1 border-l-4 border-look pl-3 text-sm">
          {message}
        </p>
      ))}
      {read.pages > 1 && (
        <Choice
          label="Page"
          value={String(page)}
          choices={Array.from(
            { length: read.pages },
            (_, i) => [String(i), `${i + 1} of ${read.pages}`] as const,
          )}
          onChange={(value) => {
            onPage(Number(value));
          }}
        />
      )}
      <Field
        label="The house states"
        value={stated}
        placeholder="2400 x 1500 mm"
        trouble={size && !size.ok ? size.message : null}
        note={size?.ok && !trap ? 'the same as the file' : undefined}
        onChange={setStated}
      />
      <Field
        label="Whole width is really"
        value={side}
        placeholder={reading.pixels ? '300 ppi, or 222 mm' : '222 mm'}
        trouble={typed && !typed.ok ? typed.message : null}
        onChange={setSide}
      >
        <button
          className="verb text-sm"
          disabled={!typed?.ok}
          onClick={() => {
            if (typed?.ok) onResize('width', typed.mm);
          }}
        >
          Set
        </button>
      </Field>
      {picked && (
        <>
          <div className="flex items-center gap-4 pt-3 text-sm">
            <span className="text-ink-2">A click on a line picks</span>
            <Segments
              label="What a click picks"
              value={set}
              choices={SETS.map(([value, name]) => ({ value, name }))}
              onChange={onSet}
            />
          </div>
          {set !== 'trim' && picked[set] && (
            <button
              className="verb mt-1 self-start text-sm"
              onClick={() => {
                onPick({ ...picked, [set]: null });
              }}
            >
              Forget the {set === 'bleed' ? 'bleed edge' : 'safe area'}
            </button>
          )}
          <Make {...props} picked={picked} />
        </>
      )}
    </aside>
  );
}

/** A width in mm, from a length or from a PPI that the house states. */
function readSide(
  text: string,
  unit: 'mm' | 'in',
  pixels: number | undefined,
): { ok: true; mm: number } | { ok: false; message: string } {
  const density = /^\s*(\d+(?:\.\d+)?)\s*(ppi|dpi)\s*$/i.exec(text);
  if (density) {
    const ppi = Number(density[1]);
    if (!pixels) return { ok: false, message: 'A drawing has no pixels: type its width.' };
    return ppi > 0
      ? { ok: true, mm: (pixels / ppi) * MM_PER_INCH }
      : { ok: false, message: 'A PPI is above zero.' };
  }
  const length = parseLength(text, { unit });
  if (!length.ok) return length;
  return length.mm > 0 ? length : { ok: false, message: 'A width is above zero.' };
}

function Make({ read, picked }: Props & { picked: Picked }) {
  const router = useRouter();
  const { unit } = useShop((shop) => shop.settings);
  const { reading } = read;
  const [name, setName] = useState(reading.name.replace(/\.[a-z0-9]+$/i, ''));
  const [kind, setKind] = useState<TemplateKind>(reading.holes.length > 0 ? 'plate' : 'flat');
  const [diameter, setDiameter] = useState('');
  const { methodId, spec, fields } = useMethodAndHouse('digital-print');
  const round = parseLength(diameter, { unit: unit.unit });
  const needsDiameter = kind === 'wrap' && (!round.ok || round.mm <= 0);
  const body = needsDiameter ? null : bodyFromTemplate(kind, picked, reading.holes, round.ok ? round.mm : 0);
  const trouble = body ? (bodyTroubles(body, unit)[0]?.message ?? null) : null;

  const keep = async () => {
    if (!body || trouble) return;
    try {
      const source = { kind: 'template' as const, note: reading.name, date: today() };
      const margins = marginsOf(picked);
      const own = await keepSpecFor(spec, name, {
        ...(margins.bleed !== null && { bleed: { value: margins.bleed, source } }),
        ...(margins.safe !== null && {
          safe: { value: margins.safe, source },
          safeFrom: { value: 'trim' as const, source },
        }),
      });
      const blank = await newBlank(
        name.trim() || 'From a template',
        body,
        { methodId, specId: own.id },
        source,
      );
      await saveUnderlay({
        key: `${blank.id}/${facesOf(body)[0]!.id}`,
        blankId: blank.id,
        faceId: facesOf(body)[0]!.id,
        name: reading.name,
        picture: read.picture,
        page: {
          x: -picked.trim.x,
          y: -picked.trim.y,
          width: reading.page!.width,
          height: reading.page!.height,
        },
        opacity: 0.4,
      });
      toast(`“${blank.name}” is in the library; its template lies under the flat.`);
      router.push(`/blanks?blank=${blank.id}`);
    } catch (error) {
      toast(sentence(error));
    }
  };
  return (
    <>
      <h2 className="mt-5 border-b border-ink pb-0.5 font-semibold">The blank</h2>
      <Field
        label="Name"
        words
        value={name}
        onChange={setName}
        trouble={name.length > 120 ? 'At most 120 letters.' : null}
      />
      <Choice label="What it is" value={kind} choices={KINDS} onChange={setKind} />
      {kind === 'wrap' && (
        <Field
          label="Diameter of the mug or cup"
          value={diameter}
          placeholder="79 mm"
          trouble={diameter.trim() !== '' && !round.ok ? round.message : trouble}
          onChange={setDiameter}
        />
      )}
      {fields}
      {kind !== 'wrap' && trouble && (
        <p role="alert" className="py-1 text-sm text-fix">
          {trouble}
        </p>
      )}
      <button
        className="action mt-4 self-start"
        disabled={body === null || trouble !== null || name.length > 120}
        onClick={() => void keep()}
      >
        Keep blank
      </button>
    </>
  );
}
