import { SPECS } from '@/core/blank/library/specs';

/** One of the stand-in houses: which specs are its own, and how much it takes at once. */
export interface House {
  id: string;
  name: string;
  /** Begins its order numbers. */
  mark: string;
  mostBytes: number;
}

const MIB = 1024 * 1024;
/** Bytes of one part of an upload at most. */
export const PART_BYTES = 8 * MIB;

/** Three made-up houses with differing rules: what each asks of a file is in its specs. */
export const HOUSES: readonly House[] = [
  { id: 'harl-kiln-works', name: 'Harl Kiln Works', mark: 'HK', mostBytes: 400 * MIB },
  { id: 'dunmere-garment-print', name: 'Dunmere Garment Print', mark: 'DG', mostBytes: 600 * MIB },
  { id: 'skerry-labels', name: 'Skerry Labels', mark: 'SL', mostBytes: 120 * MIB },
];

export function houseById(id: string): House | undefined {
  return HOUSES.find((house) => house.id === id);
}

/** What a house says of itself to whoever asks. */
export function introduce({ id, name, mostBytes }: House) {
  const formats = new Set(
    SPECS.filter(({ house }) => house === name).flatMap((spec) => spec.files.formats.value),
  );
  const takes = [...formats].map((format) => format.toUpperCase()).join(', ');
  return { id, name, mostBytes, partBytes: PART_BYTES, takes };
}
