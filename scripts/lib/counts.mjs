import { rowsOf } from './rows.mjs';

/** Rows and checksum of every table, as a connection sees them. */
export async function countTables(db) {
  const names = (await rowsOf(db, "show full tables where table_type = 'BASE TABLE'")).map((row) =>
    String(Object.values(row)[0]),
  );
  /** @type {Record<string, { rows: number, checksum: number }>} */
  const tables = {};
  for (const name of names.sort()) {
    const [{ n }] = await rowsOf(db, 'select count(*) as n from ??', [name]);
    const [{ Checksum }] = await rowsOf(db, 'checksum table ??', [name]);
    tables[name] = { rows: Number(n), checksum: Number(Checksum) };
  }
  return tables;
}
