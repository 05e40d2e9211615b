import { KIND_IDS, kindOf, type Kind } from '@/core/blank/kinds';
import type { ResolvedBlank } from '@/core/blank/resolve';
import { parseSize } from '@/core/length/parse';
import type { UnitSetting } from '@/core/length/show';

/** What is looked for in the library. */
export interface Wanted {
  words: string;
  kind: Kind | null;
  methodId: string | null;
  /** A size as it was typed: only blanks with room for it are shown. */
  room: string;
}

export const EVERYTHING: Wanted = { words: '', kind: null, methodId: null, room: '' };

export function isPlain({ words, kind, methodId, room }: Wanted): boolean {
  return words.trim() === '' && kind === null && methodId === null && room.trim() === '';
}

/** The blanks that match, in the library's order: those of one kind together. */
export function matching(
  blanks: readonly ResolvedBlank[],
  wanted: Wanted,
  unit: UnitSetting,
): ResolvedBlank[] {
  const kinds: readonly string[] = KIND_IDS;
  const room = readRoom(wanted.room, unit);
  const words = wanted.words.toLowerCase().split(/\s+/).filter(Boolean);
  return blanks
    .filter(({ blank, method, spec, faces }) => {
      const text = `${blank.name} ${kindOf(blank.body).name} ${method.name} ${spec.house}`.toLowerCase();
      return (
        words.every((word) => text.includes(word)) &&
        (wanted.kind === null || blank.body.kind === wanted.kind) &&
        (wanted.methodId === null || blank.methodId === wanted.methodId) &&
        (room === null || faces.some((face) => face.width >= room.width && face.height >= room.height))
      );
    })
    .sort((a, b) => kinds.indexOf(a.blank.body.kind) - kinds.indexOf(b.blank.body.kind));
}

/** A typed size in mm; null while it is empty or does not read. */
export function readRoom(text: string, unit: UnitSetting): { width: number; height: number } | null {
  if (text.trim() === '') return null;
  const size = parseSize(text, { unit: unit.unit });
  return size.ok ? size : null;
}
