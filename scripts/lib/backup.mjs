// A house in one file: a line that says what it is, its records as SQL, and a line with the rows and the checksum of
// every table, all packed, and sealed when there is a passphrase. Pictures and settings are records.
import { once } from 'node:events';
import { readFileSync, renameSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { createInterface } from 'node:readline';
import { PassThrough, Transform } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { createGunzip, createGzip } from 'node:zlib';
import mysql from 'mysql2/promise';
import { client } from './client.mjs';
import { countTables } from './counts.mjs';
import { ROOT } from './prepare.mjs';
import { rowsOf } from './rows.mjs';
import { readSealed, sealOf, writeSealed, WRONG_PASSPHRASE } from './sealed.mjs';

const FORMAT = 'limnos-backup';
const VERSION = 2;
/** Files of before there were checksums are read too. */
const READS = [1, 2];
/** While all writing waits, at most so long, ms. */
const HOLD_MS = 20_000;
/** How many changes of the tables this program knows. */
export const migrationsKnown = () =>
  JSON.parse(readFileSync(join(ROOT, 'drizzle/meta/_journal.json'), 'utf8')).entries.length;

const connectTo = (at, database) =>
  mysql.createConnection({
    host: at.host,
    port: at.port,
    user: at.user,
    password: at.password,
    database,
  });

/**
 * One instant for three: the program that writes the records out, the connection that counts them, and the place in the
 * log of changes. All writing waits until the first of them has begun to read.
 */
async function holdInstant(at, database) {
  const hold = await connectTo(at, database);
  const counting = await connectTo(at, database);
  await hold.query('flush tables with read lock');
  await counting.query('set session transaction isolation level repeatable read');
  await counting.query('start transaction with consistent snapshot');
  const [place] = await rowsOf(hold, 'show master status');
  let held = true;
  return {
    counting,
    changes: place ? { file: place.File, position: Number(place.Position) } : null,
    async release() {
      if (held) await hold.query('unlock tables');
      held = false;
    },
    async end() {
      await hold.end();
      await counting.end();
    },
  };
}
/** Passes text on, and says when the first table comes: then the program reads at its own instant. */
function watchFirstTable(begun) {
  let seen = '';
  return new Transform({
    transform(bytes, _encoding, done) {
      if (seen !== null) {
        seen += bytes.toString('latin1');
        if (seen.includes('-- Table structure for table')) {
          seen = null;
          begun();
        }
      }
      done(null, bytes);
    },
  });
}

/**
 * Passes all of `from` on `through` something into `to`, which stays open. Resolves when the last byte is in it: a program
 * that has ended may have said more than a slow packer has taken yet.
 * @returns {Promise<void>}
 */
export async function passOn(from, through, to) {
  const passed = once(through, 'end');
  from.pipe(through).pipe(to, { end: false });
  await passed;
}

/**
 * Writes the records as they stand at one instant, while the house runs on. The file is whole or not there.
 * `history`: the name of the log of changes that the place in it belongs to.
 */
export async function writeBackup(
  at,
  database,
  file,
  { instant = new Date(), passphrase = '', history = '' } = {},
) {
  const half = `${file}.half`;
  const one = await holdInstant(at, database);
  try {
    const head = {
      format: FORMAT,
      version: VERSION,
      at: instant.toISOString(),
      migrations: migrationsKnown(),
      changes: one.changes && history ? { history, ...one.changes } : null,
    };
    const { child, ended } = client('mariadb-dump', at, [
      '--single-transaction',
      '--quick',
      '--hex-blob',
      '--skip-lock-tables',
      '--no-tablespaces',
      database,
    ]);
    child.stdin.end();
    const text = new PassThrough();
    text.write(`-- ${JSON.stringify(head)}\n`);
    /** @type {Promise<void>} */
    let passedOn = Promise.resolve();
    /** @type {Promise<void>} */
    const begun = new Promise((resolve) => {
      passedOn = passOn(child.stdout, watchFirstTable(resolve), text);
      setTimeout(resolve, HOLD_MS).unref();
      ended.catch(() => resolve());
    });
    const counted = begun.then(async () => {
      await one.release();
      return countTables(one.counting);
    });
    const [tables] = await Promise.all([
      Promise.all([counted, ended, passedOn]).then(([found]) => {
        text.end(`-- ${JSON.stringify({ tables: found })}\n`);
        return found;
      }),
      writeSealed(text.pipe(createGzip()), half, passphrase),
    ]);
    renameSync(half, file);
    return { ...head, tables };
  } catch (error) {
    rmSync(half, { force: true });
    throw error;
  } finally {
    await one.end();
  }
}

/** The first line of a packed text. */
async function firstLine(packed) {
  const lines = createInterface({ input: packed.pipe(createGunzip()) });
  // What breaks the stream breaks the reading of its lines.
  const broken = new Promise((_, reject) => packed.once('error', reject));
  try {
    return await Promise.race([
      lines[Symbol.asyncIterator]()
        .next()
        .then((l) => l.value),
      broken,
    ]);
  } finally {
    lines.close();
    packed.destroy();
  }
}
/** What a file says it is. @throws in words when it is no backup, or one of a newer program */
export async function readHead(file, passphrase = '') {
  const sealed = (await sealOf(file)) !== null;
  const packed = await readSealed(file, passphrase);
  const line = await firstLine(packed).catch(() => {
    throw new Error(sealed ? WRONG_PASSPHRASE : `${file} is no backup of Limnos.`);
  });
  const head = line?.startsWith('-- {') ? JSON.parse(line.slice(3)) : null;
  if (head?.format !== FORMAT) throw new Error(`${file} is no backup of Limnos.`);
  if (!READS.includes(head.version) || head.migrations > migrationsKnown())
    throw new Error('It was made by a newer Limnos: bring this program up to date first.');
  return head;
}

/** The last line that a stream of text passed on. */
function lastLine() {
  let end = '';
  const stream = new Transform({
    transform(bytes, _encoding, done) {
      end = (end + bytes.toString('utf8')).slice(-200_000);
      done(null, bytes);
    },
  });
  return { stream, line: () => end.trimEnd().split('\n').at(-1) ?? '' };
}
/** Puts a backup's records into an empty database. Gives what the file says of its tables; null in an old file. */
export async function loadBackup(at, database, file, passphrase = '') {
  const { child, ended } = client('mariadb', at, [database]);
  const end = lastLine();
  await Promise.all([
    ended,
    pipeline(await readSealed(file, passphrase), createGunzip(), end.stream, child.stdin).catch(
      (error) => {
        child.kill('SIGTERM');
        throw error;
      },
    ),
  ]);
  const line = end.line();
  return line.startsWith('-- {"tables"') ? JSON.parse(line.slice(3)).tables : null;
}
