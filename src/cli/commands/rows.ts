import { mkdir, readFile, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import { makeDocket, type Docket } from '@/core/check/docket';
import { UpFitError } from '@/core/errors';
import type { TextPiece } from '@/core/fit/schema';
import { FORMATS } from '@/core/formats/registry';
import { keptName, uniqueNames } from '@/core/pack/names';
import { planPrint } from '@/core/print/plan';
import {
  columnOf,
  doubledRows,
  rowName,
  rowsFor,
  unknownParts,
  type RowProblem,
  type Rows,
} from '@/core/rows/list';
import { fillSlot, type Slot, type SlotFont } from '@/core/rows/slot';
import { FIRST_FONT } from '@/core/type/fonts';
import type { Readers } from '@/files/artwork';
import { fontOf, lackingIn } from '@/files/font';
import { writePrint } from '@/files/print';
import { readTable } from '@/files/table';
import { parseLength } from '@/core/length/parse';
import { badArgument, readPoint, readSize, required, type Args } from '../args';
import type { Answer } from '../answer';
import { fontNamed } from '../font';
import { PLACED_OPTIONS, readBare, readPlaced, type Placed } from '../placed';

export const ROWS_OPTIONS = [...PLACED_OPTIONS, 'slot', 'least', 'font', 'rows', 'name', 'out'] as const;

/** What became of one row. */
interface Made {
  row: number;
  verdict: Docket['verdict'] | null;
  file: string | null;
  problems: RowProblem[];
}

/** `rows`: one checked and named print file a row of a list. Status 1 where a row was not made, or is a Fix. */
export async function rows(args: Args, readers: () => Promise<Readers>): Promise<Answer> {
  const out = required(args, 'out');
  const bare = readBare(args);
  const slots = readSlots(args, bare.blank.limits.capHeight);
  const names = slots.map(({ name }) => name);
  const list = rowsFor(readTable(await bytesOf(required(args, 'rows'))), names);
  const pattern = args.values.get('name') ?? `{design}_{${names[0]!}}`;
  const [unknown] = unknownParts(pattern, list);
  if (unknown !== undefined)
    throw badArgument(`--name: the list has no column “${unknown}”: it has ${list.columns.join(', ')}.`);
  const opened = await fontNamed(args.values.get('font') ?? FIRST_FONT);
  const font: SlotFont = { ...fontOf(opened), lacking: (text) => lackingIn(opened, text) };
  const ready = await readers();
  const placed = args.values.has('artwork') ? await readPlaced(ready, args) : null;
  const design = placed ? placed.facts.name.replace(/\.[a-z0-9]+$/i, '') : bare.blank.blank.name;
  const filled = fillAll(list, slots, font, bare.face.id);
  const files = namesFor(
    pattern,
    list,
    filled,
    design,
    FORMATS[planPrint(bare.blank, bare.face).format].endings[0],
  );
  await mkdir(out, { recursive: true });
  const writer = await rowWriter(ready, bare, placed);
  const made: Made[] = [];
  for (const [i, { pieces, problems }] of filled.entries()) {
    if (!pieces) {
      made.push({ row: i + 1, verdict: null, file: null, problems });
      continue;
    }
    const { verdict, bytes } = await writer(pieces);
    const file = join(out, files[i]!);
    await writeFile(file, bytes);
    made.push({ row: i + 1, verdict, file, problems });
  }
  return answerOf(made, list);
}

function answerOf(made: readonly Made[], { unused }: Rows): Answer {
  const notMade = made.filter(({ file }) => file === null).length;
  const lines = made.map(({ row, verdict, file, problems }) => {
    const said = problems.map(({ column, message }) => `${column}: ${message}`).join(' ');
    return [`${String(row).padStart(4)}  ${verdict ?? 'not made'}`, file ?? '', said]
      .filter(Boolean)
      .join('  ');
  });
  return {
    json: { rows: made, made: made.length - notMade, notMade, unused },
    text: [
      ...lines,
      `${made.length - notMade} made, ${notMade} not made.`,
      ...(unused.length > 0 ? [`No slot is called ${unused.join(', ')}.`] : []),
    ].join('\n'),
    status: notMade > 0 || made.some(({ verdict }) => verdict === 'fix') ? 1 : 0,
  };
}

/** `name=60mmx12mm@111mm,46mm`: a box, and its middle from the trim's top left. */
function readSlots(args: Args, usual: number): Slot[] {
  const asked = args.all.get('slot') ?? [];
  if (asked.length === 0) throw badArgument('rows wants --slot, as name=60mmx12mm@111mm,46mm.');
  const least = readLeast(args, usual);
  const slots = asked.map((text): Slot => {
    const [, name, size, at] = /^\s*([^=]+?)\s*=([^@]+)@(.+)$/.exec(text) ?? [];
    if (name === undefined || size === undefined || at === undefined)
      throw badArgument(
        `--slot: write a name, a size and its middle as name=60mmx12mm@111mm,46mm, not “${text}”.`,
      );
    return { name, ...readSize('slot', size), ...readPoint('slot', at), least };
  });
  const twice = slots.find(
    ({ name }, i) =>
      columnOf(
        slots.map((one) => one.name),
        name,
      ) < i,
  );
  if (twice) throw badArgument(`Two slots are called “${twice.name}”: a slot has a name of its own.`);
  return slots;
}

function readLeast(args: Args, usual: number): number {
  const text = args.values.get('least');
  if (text === undefined) return usual;
  const read = parseLength(text, { unit: 'mm' });
  if (!read.ok) throw badArgument(`--least: ${read.message}`);
  if (read.mm <= 0) throw badArgument('--least is a height above zero, as 1.8mm.');
  return read.mm;
}

async function bytesOf(path: string): Promise<Uint8Array> {
  return readFile(path).catch(() => {
    throw new UpFitError('not-found', `The list ${path} is not there, or cannot be read.`);
  });
}

/** Each row with its words set in their slots; none of them where one cannot be. */
function fillAll(
  list: Rows,
  slots: readonly Slot[],
  font: SlotFont,
  faceId: string,
): { pieces: TextPiece[] | null; problems: RowProblem[] }[] {
  const doubled = doubledRows(
    list,
    slots.map(({ name }) => name),
  );
  return list.rows.map((cells, i) => {
    const problems: RowProblem[] = [];
    const pieces = slots.flatMap((slot) => {
      const column = columnOf(list.columns, slot.name);
      const filled = fillSlot(slot, cells[column] ?? '', font, { faceId, colour: INK });
      if (filled.ok) return [filled.piece];
      problems.push({ column: list.columns[column]!, message: filled.message });
      return [];
    });
    const whole = pieces.length === slots.length;
    const before = doubled[i];
    if (typeof before === 'number')
      problems.push({ column: slots[0]!.name, message: `Row ${before} says the same.` });
    return { pieces: whole ? pieces : null, problems };
  });
}

/** What slots are set in. */
const INK = '#20252b';

function namesFor(
  pattern: string,
  list: Rows,
  filled: readonly { pieces: TextPiece[] | null }[],
  design: string,
  ending: string,
): string[] {
  const names = list.rows.map((cells, i) => {
    const name = keptName(rowName(pattern, list, cells, i + 1, design), `row-${i + 1}`);
    // A row that is not made takes no name from one that is.
    return filled[i]!.pieces ? `${name}.${ending}` : `not-made-${i + 1}`;
  });
  return uniqueNames(names);
}

/** Checks a fit with pieces in its slots, and writes its print file as the house asks for it. */
async function rowWriter(
  ready: Readers,
  bare: Pick<Placed, 'blank' | 'face' | 'fit'>,
  placed: Placed | null,
): Promise<(pieces: readonly TextPiece[]) => Promise<{ verdict: Docket['verdict']; bytes: Uint8Array }>> {
  const { blank, face, fit } = placed ?? bare;
  const plan = planPrint(blank, face);
  const raster = placed && (await placed.pixels(face.target));
  const shown = {
    facts: () => placed!.facts,
    pixels: () => raster!,
    ...(placed && { drawing: placed.drawing }),
  };
  const press = ready.engine.bakePress(null, 'relative');
  return async (pieces) => {
    const all = [...fit.faces[0]!.pieces, ...pieces];
    const row = { ...fit, faces: [{ ...fit.faces[0]!, pieces: all }] };
    const { verdict } = makeDocket(blank, row, { ...shown, press, everyColour: false });
    const { bytes } = await writePrint(
      ready.engine,
      {
        title: blank.blank.name,
        blank,
        sides: [{ face, pieces: all }],
        plan,
        press: plan.mode === 'cmyk' ? { press, profile: null } : null,
      },
      shown,
    );
    return { verdict, bytes };
  };
}
