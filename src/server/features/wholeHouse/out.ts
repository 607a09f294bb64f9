import { Readable } from 'node:stream';
import type { Connection, TypeCastField } from 'mysql2';
import type { PoolConnection } from 'mysql2/promise';
import Papa from 'papaparse';
import { ZipFile } from 'yazl';
import { MIGRATIONS_TABLE } from '../../db/pool';
import {
  FORMAT,
  MANIFEST,
  type Manifest,
  readMe,
  recordsOf,
  schemaOf,
  sheetOf,
  VERSION,
} from './manifest';
import { pictureName, type PictureOf, type Raw, rowOut } from './rows';
import { rowSchema } from './schemas';
import { LEFT_OUT, type Table, TABLES } from './tables';

/** Times as the database writes them, to the millisecond: no time zone of this machine comes in. */
const typeCast = (field: TypeCastField, next: () => unknown) =>
  ['DATETIME', 'DATE'].includes(field.type) ? field.string() : next();

const quoted = (name: string) => `\`${name}\``;
/** Pictures are asked for one by one; of their rows only how they begin. */
const selectOf = ({ name, columns, key }: Table) =>
  `select ${columns
    .map((c) =>
      c.kind === 'picture' ? `left(${quoted(c.name)}, 4) as ${quoted(c.name)}` : quoted(c.name),
    )
    .join(', ')} from ${quoted(name)} order by ${key.map(quoted).join(', ')}`;

const hasPicture = (table: Table) => table.columns.find((c) => c.kind === 'picture');
const pictureOf =
  (table: Table): PictureOf =>
  (row, column) =>
    pictureName(table.name, String(row.id), row[column.name] as Buffer);

/** A line of a sheet; what a spreadsheet could run as a formula gets an apostrophe. */
const sheetLine = (cells: readonly unknown[]): string => {
  const texts = cells.map((v) => (typeof v === 'object' && v !== null ? JSON.stringify(v) : v));
  return `${Papa.unparse([texts], { escapeFormulae: true })}\r\n`;
};

/** The house as its records were when reading began, as one connection sees them. */
class Reading {
  constructor(private readonly connection: PoolConnection) {}
  async *rowsOf(table: Table): AsyncGenerator<Raw> {
    // The promises' connection keeps the plain one that can stream.
    const plain = (this.connection as unknown as { connection: Connection }).connection;
    yield* plain.query({ sql: selectOf(table), typeCast }).stream() as AsyncIterable<Raw>;
  }
  async first<T>(sql: string, values: unknown[] = []): Promise<T> {
    const [rows] = await this.connection.query(sql, values);
    return (rows as T[])[0] as T;
  }
}

async function* recordLines(reading: Reading, table: Table) {
  for await (const raw of reading.rowsOf(table))
    yield `${JSON.stringify(rowOut(table, raw, pictureOf(table)))}\n`;
}
async function* sheetLines(reading: Reading, table: Table) {
  const columns = table.columns.map((c) => c.name);
  yield sheetLine(columns);
  for await (const raw of reading.rowsOf(table)) {
    const row = rowOut(table, raw, pictureOf(table));
    yield sheetLine(columns.map((c) => row[c]));
  }
}

async function manifestOf(reading: Reading, now: number): Promise<Manifest> {
  const rows: Record<string, number> = {};
  for (const { name } of TABLES)
    rows[name] = (await reading.first<{ n: number }>('select count(*) as n from ??', [name])).n;
  const sites: string[] = [];
  const bySites = TABLES.find((t) => t.name === 'sites') as Table;
  for await (const site of reading.rowsOf(bySites)) sites.push(String(site.name));
  const { n } = await reading.first<{ n: number }>('select count(*) as n from ??', [
    MIGRATIONS_TABLE,
  ]);
  return {
    ...{ format: FORMAT, version: VERSION, made: new Date(now).toISOString() },
    ...{ migrations: n, sites, rows },
  };
}

/**
 * The whole house in open forms, as a stream of one ZIP file: records as JSON Lines, the same as CSV, pictures, JSON
 * Schemas. All of one instant; records are read while they are sent, so a large house needs no memory for it.
 */
export async function houseOut(
  pool: { getConnection(): Promise<PoolConnection> },
  now: number,
): Promise<Readable> {
  const connection = await pool.getConnection();
  const zip = new ZipFile();
  const out = zip.outputStream as unknown as Readable;
  let over = false;
  const end = () => {
    if (!over) connection.destroy();
    over = true;
  };
  try {
    await connection.query('set transaction isolation level repeatable read');
    await connection.query('start transaction with consistent snapshot');
    const reading = new Reading(connection);
    const manifest = await manifestOf(reading, now);
    const mtime = new Date(now);
    const text = (name: string, body: string) => zip.addBuffer(Buffer.from(body), name, { mtime });
    /** Opened when its turn has come: the connection does one thing after another. */
    const lines = (name: string, made: () => AsyncGenerator<string>) =>
      zip.addReadStreamLazy(name, { mtime }, (take) => take(null, Readable.from(made())));
    text(MANIFEST, `${JSON.stringify(manifest, null, 2)}\n`);
    text('READ-ME.txt', readMe(manifest, LEFT_OUT));
    for (const table of TABLES) {
      text(schemaOf(table.name), `${JSON.stringify(rowSchema(table), null, 2)}\n`);
      lines(recordsOf(table.name), () => recordLines(reading, table));
      lines(sheetOf(table.name), () => sheetLines(reading, table));
      const picture = hasPicture(table);
      if (!picture) continue;
      const places = new Map<string, string>();
      for await (const raw of reading.rowsOf(table))
        places.set(pictureOf(table)(raw, picture), String(raw.id));
      for (const [name, id] of places)
        zip.addReadStreamLazy(name, { mtime, compress: false }, (take) => {
          reading.first<Raw>('select ?? from ?? where id = ?', [picture.name, table.name, id]).then(
            (row) => take(null, Readable.from([row[picture.name] as Buffer])),
            (error: unknown) => take(error, Readable.from([])),
          );
        });
    }
    zip.on('error', (error) => out.destroy(error as Error));
    out.once('close', end);
    out.once('end', end);
    zip.end();
    return out;
  } catch (error) {
    end();
    throw error;
  }
}
