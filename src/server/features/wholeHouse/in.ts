import type { PoolConnection, ResultSetHeader } from 'mysql2/promise';
import { onOneConnection } from '../../db/inTransaction';
import { MIGRATIONS_TABLE } from '../../db/pool';
import { AppError, invalid } from '../../http/errors';
import type { Manifest } from './manifest';
import { HouseFile } from './read';
import { type Row, rowIn } from './rows';
import { columnsOf, type Table, TABLES } from './tables';

/** So many rows, and about so many bytes, go to the database at once. */
const AT_ONCE = { rows: 500, bytes: 2_000_000 };

type Pool = { getConnection(): Promise<PoolConnection> };

async function oneNumber(connection: PoolConnection, sql: string): Promise<number> {
  const [rows] = await connection.query(sql);
  return Number((rows as { n: number }[])[0]?.n);
}
/** @throws when somebody has begun this house */
async function mustBeEmpty(connection: PoolConnection): Promise<void> {
  for (const table of ['people', 'sites', 'teas', 'brews'])
    if ((await oneNumber(connection, `select count(*) as n from ${table}`)) > 0)
      throw new AppError(
        'house.notEmpty',
        409,
        'This house has begun. A whole house is brought into an empty one.',
      );
}

/** Reads every record of the file and holds it against its schema and its number. @throws at the first fault */
async function readThrough(file: HouseFile): Promise<void> {
  for (const table of TABLES) {
    let n = 0;
    for await (const { row } of file.rowsOf(table)) {
      n += 1;
      for (const c of table.columns)
        if (c.kind === 'picture' && row[c.name] !== null) await file.picture(String(row[c.name]));
    }
    const said = file.manifest.rows[table.name] ?? 0;
    if (n !== said)
      throw invalid({ file: `${table.name} has ${n} records; the file says ${said}.` });
  }
}

/** What a file holds, wholly read. Nothing is changed. @throws in words at what is wrong with it */
export async function lookIn(pool: Pool, path: string): Promise<Manifest> {
  const connection = await pool.getConnection();
  try {
    const file = await HouseFile.open(
      path,
      await oneNumber(connection, `select count(*) as n from ${MIGRATIONS_TABLE}`),
    );
    try {
      await readThrough(file);
      return file.manifest;
    } finally {
      file.close();
    }
  } finally {
    connection.release();
  }
}

async function bringTable(
  connection: PoolConnection,
  file: HouseFile,
  table: Table,
): Promise<void> {
  const columns = columnsOf(table.name);
  let waiting: unknown[][] = [];
  let bytes = 0;
  const send = async () => {
    if (waiting.length > 0)
      await connection.query<ResultSetHeader>('insert into ?? (??) values ?', [
        table.name,
        columns,
        waiting,
      ]);
    waiting = [];
    bytes = 0;
  };
  const picturesOf = async (row: Row) => {
    const found = new Map<string, Buffer>();
    for (const c of table.columns)
      if (c.kind === 'picture' && typeof row[c.name] === 'string')
        found.set(String(row[c.name]), await file.picture(String(row[c.name])));
    return found;
  };
  for await (const { row } of file.rowsOf(table)) {
    const pictures = await picturesOf(row);
    waiting.push(rowIn(table, row, columns, pictures));
    bytes += JSON.stringify(row).length;
    for (const p of pictures.values()) bytes += p.length;
    if (waiting.length >= AT_ONCE.rows || bytes > AT_ONCE.bytes) await send();
  }
  await send();
}

/**
 * Brings a whole house into an empty one, all of it or nothing. Everybody's secret, keys and devices are made anew
 * afterwards.
 *
 * @throws in words at what is wrong with the file, and when the house is not empty
 */
export async function houseIn(pool: Pool, path: string): Promise<Manifest> {
  const manifest = await lookIn(pool, path);
  const file = await HouseFile.open(path, manifest.migrations);
  try {
    await onOneConnection(pool, 'repeatable read', async (connection) => {
      await mustBeEmpty(connection);
      for (const table of TABLES) await bringTable(connection, file, table);
    });
    return manifest;
  } finally {
    file.close();
  }
}
