import { MEGABYTE } from '@/core/length/bytes';
import { createHash } from 'node:crypto';
import { unzipSync } from 'fflate';
import * as v from 'valibot';
import { parseJson } from './door';
import { ManifestForm, type FileFinding, type OrderForm, type Taken } from './forms';
import { specFor, type House } from './houses';
import { lookAt } from './look';
import { lookAtSheet } from './look-sheet';

const hashOf = (bytes: Uint8Array) => createHash('sha256').update(bytes).digest('hex');

/** Opens a pack and goes through it file by file: whether all of it can be printed, or why not. */
export async function takeIn(house: House, order: OrderForm, pack: Uint8Array): Promise<Taken> {
  const sha256 = hashOf(pack);
  const refused = (reasons: string[], findings: FileFinding[] = []): Taken => ({
    taken: false,
    sha256,
    reasons,
    findings,
    lines: [],
  });
  if (sha256 !== order.sha256 || pack.length !== order.bytes)
    return refused(['What arrived is not what was sent: its checksum differs. Send it again.']);
  let files: Record<string, Uint8Array>;
  let manifest: ManifestForm;
  try {
    files = unzip(pack);
    manifest = v.parse(ManifestForm, parseJson(Buffer.from(files[LIST] ?? []).toString('utf8')));
  } catch {
    return refused(['This is no pack that we can open: it is damaged, or lacks its list of files.']);
  }
  const broken = manifest.files.filter(({ path, sha256: wanted }) => {
    const file = files[path];
    return !file || hashOf(file) !== wanted;
  });
  if (broken.length > 0)
    return refused(broken.map(({ path }) => `${path} is missing or damaged: make the pack again.`));

  const findings: FileFinding[] = [];
  const reasons: string[] = [];
  let orderNumbers: string | undefined;
  const lines: string[] = [];
  /** A file that serves several lines is opened once for each face and size that it goes on. */
  const looked = new Set<string>();
  for (const line of order.lines) {
    const fit = manifest.fits.find(({ fitId }) => fitId === line.fitId);
    const spec = fit && specFor(house, fit);
    if (!fit || !spec) {
      reasons.push(`A line of the order is for ${fit?.house ?? 'no house'}, and we are ${house.name}.`);
      continue;
    }
    orderNumbers ??= spec.orderNumbers;
    for (const { faceId, path } of line.sides) {
      const print = fit.prints.find((one) => one.path === path);
      const bytes = files[path];
      if (!print || !bytes) reasons.push(`The order names ${path}, which is not in the pack.`);
      else if (print.faceId !== faceId)
        reasons.push(`${path} is for the ${print.faceId}, and the order puts it on the ${faceId}.`);
      else if (print.sizes && line.size !== null && !print.sizes.includes(line.size))
        reasons.push(`${path} is for ${print.sizes.join(', ')}, and the order wants it in ${line.size}.`);
      else {
        const asked = `${path}/${faceId}/${line.size ?? ''}`;
        if (!looked.has(asked))
          findings.push(await lookAt(house, fit, { ...print, faceId }, line.size, bytes));
        looked.add(asked);
      }
    }
    lines.push(inWords(line, manifest.fits.length > 1 ? `${fit.design} on ${fit.blank}` : null));
    if (line.sides.length === 0)
      reasons.push('A line of the order says nothing of which file goes on which side.');
  }
  for (const sheet of manifest.sheets) {
    const bytes = files[sheet.path];
    if (!bytes) reasons.push(`The pack’s list names ${sheet.path}, which is not in it.`);
    else findings.push(lookAtSheet(sheet, bytes));
  }
  const bad = findings.filter(({ verdict }) => verdict === 'fix');
  if (reasons.length > 0 || bad.length > 0) {
    const count = bad.length === 1 ? '1 file cannot' : `${bad.length} files cannot`;
    return refused(
      [...reasons, ...(bad.length > 0 ? [`${count} be printed as it stands.`] : [])],
      onePerFile(findings),
    );
  }
  return {
    taken: true,
    sha256,
    reasons: [],
    findings: onePerFile(findings),
    lines,
    ...(orderNumbers !== undefined && { orderNumbers }),
  };
}

/** A line of the order: how many, of which fit where there are several, in which colour and size. */
function inWords({ quantity, what, colour, size }: OrderForm['lines'][number], of: string | null): string {
  return `${quantity} × ${[of, what, colour, size].filter(Boolean).join(', ')}`;
}

/** What was found in a file, for whatever it was looked at, said once. */
function onePerFile(findings: readonly FileFinding[]): FileFinding[] {
  const files = new Map<string, FileFinding>();
  for (const { path, verdict, reasons } of findings) {
    const so = files.get(path);
    const all = [...new Set([...(so?.reasons ?? []), ...reasons])];
    files.set(path, { path, verdict: so?.verdict === 'fix' ? 'fix' : verdict, reasons: all });
  }
  return [...files.values()];
}

const LIST = 'manifest.json';
/** What a pack may hold, by its own word, before anything of it is unpacked. */
const MOST_FILES = 5_000;
const MOST_LIST = 4 * MEGABYTE;
const MOST_UNPACKED = 900 * MEGABYTE;

function unzip(pack: Uint8Array): Record<string, Uint8Array> {
  let [count, bytes] = [0, 0];
  return unzipSync(pack, {
    filter: ({ name, originalSize }) => {
      count++;
      bytes += originalSize;
      if (count > MOST_FILES || bytes > MOST_UNPACKED || (name === LIST && originalSize > MOST_LIST))
        throw new Error('more than a pack holds');
      return true;
    },
  });
}
