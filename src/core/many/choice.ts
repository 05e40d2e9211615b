/** A cell of the range by its design and its blank. */
export interface Place {
  designId: string;
  blankId: string;
}

/** Rows and columns of the range, in the order they are shown. */
export interface Lines {
  designs: readonly string[];
  blanks: readonly string[];
}

/** What a place is known by: neither id has a slash. */
export function keyOfPlace({ designId, blankId }: Place): string {
  return `${designId}/${blankId}`;
}

export function placeOfKey(key: string): Place {
  const [designId = '', blankId = ''] = key.split('/');
  return { designId, blankId };
}

/** Every place between two corners, both among it; none where a corner is not shown. */
export function blockOf(from: Place, to: Place, { designs, blanks }: Lines): string[] {
  const rows = [designs.indexOf(from.designId), designs.indexOf(to.designId)].sort((a, b) => a - b);
  const columns = [blanks.indexOf(from.blankId), blanks.indexOf(to.blankId)].sort((a, b) => a - b);
  if (rows[0]! < 0 || columns[0]! < 0) return [];
  return designs
    .slice(rows[0], rows[1]! + 1)
    .flatMap((designId) =>
      blanks.slice(columns[0], columns[1]! + 1).map((blankId) => keyOfPlace({ designId, blankId })),
    );
}

/** Every place there is. */
export function allPlaces({ designs, blanks }: Lines): string[] {
  return designs.flatMap((designId) => blanks.map((blankId) => keyOfPlace({ designId, blankId })));
}

/** A choice with some places more, or without them where all of them are in it already. */
export function toggled(chosen: ReadonlySet<string>, keys: readonly string[]): Set<string> {
  const next = new Set(chosen);
  const whole = keys.length > 0 && keys.every((key) => chosen.has(key));
  for (const key of keys) {
    if (whole) next.delete(key);
    else next.add(key);
  }
  return next;
}
