import { safeName } from '@/core/pack/names';
import type { StoredPack } from '@/core/pack/record';
import { readPackZip } from '@/store/read';
import { takeOut } from '../shop/records';
import { saveAs } from './download';

/** Hands a pack's zip to the browser's downloads. */
export async function savePack({ id, manifest }: StoredPack): Promise<void> {
  saveAs(await readPackZip(id), `${safeName(manifest.name)}.zip`);
}

/** Takes a pack out; gives back what undoes it. Its zip is kept for a day. */
export function removePack({ id }: StoredPack): Promise<() => Promise<void>> {
  return takeOut('packs', id);
}
