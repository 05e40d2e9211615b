import { createHash, randomUUID } from 'node:crypto';
import type { Piece } from '@/core/fit/schema';
import type { PrintFormat } from '@/core/formats/registry';
import type { Manifest } from '@/core/pack/manifest';
import type { Order } from '@/core/pack/order';
import { planPrint, type PrintChoice } from '@/core/print/plan';
import { writePrint } from '@/files/print';
import { ZipMaker } from '@/files/zip';
import type { Engine } from '@/imaging/engine';
import type { ResolvedBlank } from '@/core/blank/resolve';
import type { HouseSpec } from '@/core/blank/schema';
import { blankById, faceOf, pieceAt, shown } from './fits';
import { paint } from './pictures';

const picture = paint(60, 40, (x, y) => [x * 4, y * 6, 90, 255]);
const hash = (bytes: Uint8Array) => createHash('sha256').update(bytes).digest('hex');

interface Made {
  bytes: Uint8Array;
  mirrored?: boolean;
  format?: PrintFormat;
  /** The record of a house that its customer wrote down. */
  spec?: HouseSpec;
  /** Graded sizes that the file is for. */
  sizes?: string[];
}

/** A print file of the first face of a shipped blank, or of one's own: what is given, or a picture in its middle. */
export async function print(
  engine: Engine,
  of: string | ResolvedBlank,
  choice: PrintChoice = {},
  some?: readonly Piece[],
): Promise<Uint8Array> {
  const blank = typeof of === 'string' ? blankById(of) : of;
  const face = faceOf(blank);
  const pieces = some ?? [pieceAt(face.width / 2, face.height / 2, 60, 40)];
  const plan = planPrint(blank, face, { mirrored: false, ...choice });
  const press = plan.mode === 'cmyk' ? { press: engine.bakePress(null, 'relative'), profile: null } : null;
  return (
    await writePrint(engine, { title: 't', blank, sides: [{ face, pieces }], plan, press }, shown(picture))
  ).bytes;
}

/** A pack of one fit with one print file, as Up Fit makes it, and the order for it; one's own blank lies in it. */
export async function packOf(
  of: string | ResolvedBlank,
  { bytes, mirrored = false, format = 'png', spec: written, sizes }: Made,
): Promise<{ pack: Blob; order: Order }> {
  const { blank, spec, faces } = typeof of === 'string' ? blankById(of) : of;
  const maker = new ZipMaker();
  const path = '01/print.png';
  await maker.add({ path, data: new Blob([bytes as Uint8Array<ArrayBuffer>]) });
  const faceId = faces[0]!.id;
  const fit = {
    ...{
      fitId: 'fit',
      design: 'd',
      blankId: blank.id,
      blank: blank.name,
      house: spec.house,
      specId: spec.id,
    },
    ...(typeof of !== 'string' && !written && { measured: blank }),
    ...(written && { spec: written }),
    ...{ colour: 'White', size: null, verdict: 'ready' as const, reason: null, mirroring: null },
    prints: [
      {
        ...{ path, faceId, format, mode: 'rgb' as const, ppi: 300, alpha: true, mirrored },
        pixels: { width: 1, height: 1 },
        ...(sizes && { sizes }),
      },
    ],
  };
  const manifest: Manifest = {
    ...{ upfit: 'pack/1', id: 'pack', name: 'p', shop: 's', made: '2026-11-26T00:00:00Z', notes: '' },
    fits: [fit],
    sheets: [],
    files: [...maker.files],
  };
  await maker.add({ path: 'manifest.json', data: new Blob([JSON.stringify(manifest)]) });
  const pack = await maker.end();
  const order: Order = {
    upfit: 'order/1',
    key: randomUUID(),
    lines: [
      { fitId: 'fit', size: null, colour: 'White', what: null, quantity: 3, sides: [{ faceId, path }] },
    ],
    notes: '',
    bytes: pack.size,
    sha256: hash(new Uint8Array(await pack.arrayBuffer())),
  };
  return { pack, order };
}
