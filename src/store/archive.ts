import { database } from './database';
import { entryOf, TABLE_NAMES, type TableName, type TABLES } from './tables';

/** Tables that archives hold: all that was made or brought in, and nothing that is worked out or was handed over. */
export type ArchivedTable = {
  [T in TableName]: (typeof TABLES)[T] extends { archive: object } ? T : never;
}[TableName];
export const ARCHIVED_TABLES = TABLE_NAMES.filter(
  (table) => entryOf(table).archive !== undefined,
) as ArchivedTable[];

/** Which fields of a table's records are files. */
export function filesIn(table: ArchivedTable): readonly string[] {
  return entryOf(table).archive?.files ?? [];
}

export type StoredRecord = Record<string, unknown>;
export type Records = Record<ArchivedTable, StoredRecord[]>;

/** Everything that an archive holds, as it is stored. */
export async function readRecords(): Promise<Records> {
  const tx = (await database()).transaction(ARCHIVED_TABLES);
  const entries = ARCHIVED_TABLES.map(
    async (table) => [table, (await tx.objectStore(table).getAll()) as StoredRecord[]] as const,
  );
  return Object.fromEntries(await Promise.all(entries)) as Records;
}
