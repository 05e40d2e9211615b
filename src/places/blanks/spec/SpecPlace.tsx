'use client';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { toast } from '@/ui/toast';
import { rectangle } from '@/core/blank/face';
import { readSpecSheet, type SpecReading, type SpecSheet } from '@/core/blank/spec-sheet';
import type { Source } from '@/core/blank/schema';
import { parseLength, parseSize } from '@/core/length/parse';
import { showLength, showSize } from '@/core/length/show';
import { keepSpecFor, newBlank } from '@/state/shop/blanks';
import { sentence } from '@/state/sentence';
import { useShop } from '@/state/shop/shop';
import { Choice, Field } from '@/ui/Field';
import { today } from '@/state/today';
import { useMethodAndHouse } from '../useMethodAndHouse';
import { Toggle } from '@/ui/Toggle';

const EMPTY = { name: '', house: '', lengths: '', pixels: '', ppi: '300', bleed: '', safe: '' };
type Typed = typeof EMPTY;

/** A blank from what a house writes: pixels or lengths, bleed in or out. Every way it can be read is shown. */
export function SpecPlace() {
  const router = useRouter();
  const { unit } = useShop((shop) => shop.settings);
  const [typed, setTyped] = useState(EMPTY);
  const [includesBleed, setIncludesBleed] = useState<SpecSheet['includesBleed']>('unknown');
  const [safeFrom, setSafeFrom] = useState<'trim' | 'bleed'>('trim');
  const [chosen, setChosen] = useState(0);
  const { methodId, spec, fields } = useMethodAndHouse('digital-print', {
    houseLabel: 'All else as asked by',
  });
  const usual = { bleed: spec.bleed.value, safe: spec.safe.value };
  const { sheet, troubles } = readTyped(typed, { includesBleed, safeFrom }, usual, unit.unit);
  const read = sheet && readSpecSheet(sheet);
  const reading = read?.readings[Math.min(chosen, read.readings.length - 1)];
  const field = (id: keyof Typed, label: string, placeholder: string, note?: string) => (
    <Field
      label={label}
      value={typed[id]}
      placeholder={placeholder}
      words={id === 'name' || id === 'house'}
      trouble={troubles[id] ?? null}
      note={note}
      onChange={(text) => {
        setTyped((so) => ({ ...so, [id]: text }));
      }}
    />
  );

  const keep = async () => {
    if (!sheet || !read || !reading) return;
    try {
      const house: Source = { kind: 'house', date: today() };
      const sure = (text: string): Source => (text.trim() === '' ? { kind: 'assumed' } : house);
      const bleed = { value: sheet.bleed, source: sure(typed.bleed) };
      const kept = await keepSpecFor(spec, typed.name, {
        ...(typed.house.trim() !== '' && { house: typed.house.trim() }),
        bleed,
        safe: { value: sheet.safe, source: sure(typed.safe) },
        safeFrom: { value: sheet.safeFrom, source: sure(typed.safe) },
        ...(sheet.ppi && { target: { value: sheet.ppi, source: house } }),
        floor: {
          value: Math.min(spec.floor.value, sheet.ppi ?? spec.floor.value),
          source: spec.floor.source,
        },
        files: {
          ...spec.files,
          pixels: { value: reading.pixels, source: house },
        },
      });
      const { width, height } = reading.trim;
      const blank = await newBlank(
        typed.name.trim() || 'From a spec',
        { kind: 'flat', sheet: rectangle(width, height), keepOuts: [] },
        { methodId, specId: kept.id },
        read.readings.length > 1 ? { kind: 'assumed' } : house,
      );
      toast(`“${blank.name}” is in the library.`);
      router.push(`/blanks?blank=${blank.id}`);
    } catch (error) {
      toast(sentence(error));
    }
  };
  return (
    <>
      <div className="flex h-[46px] shrink-0 items-center gap-5 border-b border-rule bg-frame px-4">
        <h1 className="whitespace-nowrap text-lg font-bold">Blank from a house’s spec</h1>
        <span className="text-sm text-ink-2">
          Type what the house writes; leave out what it does not say.
        </span>
        <span className="ml-auto flex items-center gap-4">
          <Link href="/blanks" className="verb whitespace-nowrap">
            Back to the library
          </Link>
          <button className="action whitespace-nowrap" disabled={!reading} onClick={() => void keep()}>
            Keep blank
          </button>
        </span>
      </div>
      <div className="flex min-h-0 grow">
        <div className="w-[480px] shrink-0 overflow-auto border-r border-ink bg-docket px-5 py-3">
          {field('name', 'Name of the blank', 'Flyer 148 × 210')}
          {field('house', 'House', spec.house)}
          {field('lengths', 'Size in lengths', '148 x 210 mm')}
          {field('pixels', 'Size in pixels', '1819 x 2551')}
          {field('ppi', 'PPI', '300')}
          {field(
            'bleed',
            'Bleed on each side',
            '3 mm',
            typed.bleed.trim() === '' ? `assumed ${showLength(spec.bleed.value, unit)}` : undefined,
          )}
          <Choice
            label="The size includes the bleed"
            value={includesBleed}
            choices={[
              ['unknown', 'nobody says'],
              ['yes', 'yes'],
              ['no', 'no'],
            ]}
            onChange={setIncludesBleed}
          />
          {field(
            'safe',
            'Safe margin',
            '4 mm',
            typed.safe.trim() === '' ? `assumed ${showLength(spec.safe.value, unit)}` : undefined,
          )}
          <Choice
            label="Safe is measured from"
            value={safeFrom}
            choices={[
              ['trim', 'the trim'],
              ['bleed', 'the bleed edge'],
            ]}
            onChange={setSafeFrom}
          />
          {fields}
        </div>
        <section
          aria-label="How it can be read"
          className="min-w-0 grow overflow-auto bg-viewing p-8 text-viewing-ink"
        >
          {read ? (
            <>
              {read.doubts.map((doubt) => (
                <p key={doubt} role="status" className="mb-2 max-w-2xl border-l-4 border-viewing-ink pl-3">
                  {doubt}
                </p>
              ))}
              <h2 className="mb-2 font-semibold">
                {read.readings.length === 0
                  ? 'It cannot be read yet.'
                  : read.readings.length === 1
                    ? 'It reads one way'
                    : `It can be read ${read.readings.length} ways: choose one, and ask the house`}
              </h2>
              <ul className="flex flex-wrap gap-6">
                {read.readings.map((one, index) => (
                  <Reading
                    perMm={220 / largestOf(read.readings, sheet.bleed)}
                    key={`${one.from}-${String(one.withBleed)}`}
                    reading={one}
                    sheet={sheet}
                    safe={read.safe}
                    chosen={one === reading}
                    onChoose={() => {
                      setChosen(index);
                    }}
                  />
                ))}
              </ul>
            </>
          ) : (
            <p className="text-viewing-ink-2">
              Type a size in lengths or in pixels, and every way to read it is drawn here.
            </p>
          )}
        </section>
      </div>
    </>
  );
}

/** The longest side in mm of any reading, its bleed included. */
function largestOf(readings: readonly SpecReading[], bleed: number): number {
  return Math.max(...readings.flatMap(({ trim }) => [trim.width, trim.height])) + 2 * bleed;
}

/** One way to read it, drawn: trim solid, bleed dashed, in the scale of all. */
function Reading({
  reading,
  sheet,
  safe,
  perMm: scale,
  chosen,
  onChoose,
}: {
  reading: SpecReading;
  sheet: SpecSheet;
  safe: number;
  /** px a mm, the same for all readings. */
  perMm: number;
  chosen: boolean;
  onChoose: () => void;
}) {
  const { unit } = useShop((shop) => shop.settings);
  const { trim, from, withBleed } = reading;
  const { bleed } = sheet;
  return (
    <li>
      <Toggle
        pressed={chosen}
        onPress={onChoose}
        className={`block p-3 text-left ${chosen ? 'outline-2 outline-viewing-thread' : ''}`}
      >
        <svg
          aria-hidden
          width={(trim.width + 2 * bleed) * scale + 4}
          height={(trim.height + 2 * bleed) * scale + 4}
        >
          <g
            transform={`translate(2 2) scale(${scale}) translate(${bleed} ${bleed})`}
            fill="none"
            stroke="var(--color-viewing-ink)"
          >
            <rect
              x={-bleed}
              y={-bleed}
              width={trim.width + 2 * bleed}
              height={trim.height + 2 * bleed}
              strokeWidth={0.8 / scale}
              strokeDasharray={`${3 / scale} ${2 / scale}`}
            />
            <rect width={trim.width} height={trim.height} fill="#fff" strokeWidth={1.6 / scale} />
            {trim.width > 2 * safe && trim.height > 2 * safe && (
              <rect
                x={safe}
                y={safe}
                width={trim.width - 2 * safe}
                height={trim.height - 2 * safe}
                strokeWidth={0.8 / scale}
                strokeDasharray={`${8 / scale} ${5 / scale}`}
              />
            )}
          </g>
        </svg>
        <span className="measure mt-2 block font-semibold">
          {showSize(trim.width, trim.height, unit)} trim
        </span>
        <span className="block text-sm text-viewing-ink-2">
          from the {from}
          {bleed > 0 && (withBleed ? ', bleed taken off' : ', bleed on top')}
        </span>
      </Toggle>
    </li>
  );
}

function readTyped(
  typed: Typed,
  { includesBleed, safeFrom }: Pick<SpecSheet, 'includesBleed' | 'safeFrom'>,
  usual: { bleed: number; safe: number },
  unit: 'mm' | 'in',
): { sheet: SpecSheet | null; troubles: Partial<Record<keyof Typed, string>> } {
  const troubles: Partial<Record<keyof Typed, string>> = {};
  const length = (id: 'bleed' | 'safe') => {
    if (typed[id].trim() === '') return usual[id];
    const read = parseLength(typed[id], { unit });
    if (!read.ok) troubles[id] = read.message;
    else if (read.mm < 0) troubles[id] = 'It cannot be negative.';
    return read.ok ? read.mm : usual[id];
  };
  let lengths: SpecSheet['lengths'] = null;
  if (typed.lengths.trim() !== '') {
    const read = parseSize(typed.lengths, { unit });
    if (!read.ok) troubles.lengths = read.message;
    else if (read.width <= 0 || read.height <= 0) troubles.lengths = 'Both lengths are above zero.';
    else lengths = { width: read.width, height: read.height };
  }
  let pixels: SpecSheet['pixels'] = null;
  if (typed.pixels.trim() !== '') {
    const [, w, h] = /^\s*(\d{1,6})\s*(?:px)?\s*[x×]\s*(\d{1,6})\s*(?:px)?\s*$/i.exec(typed.pixels) ?? [];
    if (Number(w) > 0 && Number(h) > 0) pixels = { width: Number(w), height: Number(h) };
    else troubles.pixels = 'Write whole pixels with an x between them: 1819 x 2551.';
  }
  const ppi = Number(typed.ppi);
  if (typed.ppi.trim() !== '' && !(ppi > 0 && ppi <= 2400)) troubles.ppi = 'A PPI lies between 1 and 2400.';
  const sheet: SpecSheet = {
    pixels,
    lengths,
    ppi: typed.ppi.trim() === '' ? null : ppi,
    bleed: length('bleed'),
    includesBleed,
    safe: length('safe'),
    safeFrom,
  };
  const sound = Object.keys(troubles).length === 0 && (lengths !== null || pixels !== null);
  return { sheet: sound ? sheet : null, troubles };
}
