// A house in one file: a line that says what it is, then its records as SQL, packed. Pictures and settings are records.
import { spawn } from 'node:child_process';
import { createReadStream, createWriteStream, readFileSync, renameSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { createInterface } from 'node:readline';
import { PassThrough } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { createGunzip, createGzip } from 'node:zlib';
import { cleanEnv, ROOT } from './prepare.mjs';

const FORMAT = 'limnos-backup';
const VERSION = 1;
/** How many changes of the tables this program knows. */
export const migrationsKnown = () =>
  JSON.parse(readFileSync(join(ROOT, 'drizzle/meta/_journal.json'), 'utf8')).entries.length;

/** A client of MariaDB's own; the password goes by its environment, which only its owner can read. */
function client(program, at, args) {
  const child = spawn(
    program,
    [
      '--no-defaults',
      '--host=127.0.0.1',
      `--port=${at.port}`,
      `--user=${at.user}`,
      '--default-character-set=utf8mb4',
      ...args,
    ],
    { env: cleanEnv({ MYSQL_PWD: at.password }), stdio: ['pipe', 'pipe', 'pipe'] },
  );
  let told = '';
  child.stderr.on('data', (d) => {
    told = (told + d).slice(-2000);
  });
  /** @type {Promise<void>} */
  const ended = new Promise((resolve, reject) => {
    child.once('error', reject);
    child.once('close', (code) =>
      code === 0 ? resolve() : reject(new Error(`${program} ended with ${code}: ${told.trim()}`)),
    );
  });
  return { child, ended };
}

/** Writes the records as they stand at one instant, while the house runs on. The file is whole or not there. */
export async function writeBackup(at, database, file, instant = new Date()) {
  const half = `${file}.half`;
  const head = {
    format: FORMAT,
    version: VERSION,
    at: instant.toISOString(),
    migrations: migrationsKnown(),
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
  child.stdout.pipe(text);
  try {
    await Promise.all([
      ended,
      pipeline(text, createGzip(), createWriteStream(half, { mode: 0o600 })),
    ]);
    renameSync(half, file);
  } catch (error) {
    rmSync(half, { force: true });
    throw error;
  }
  return head;
}

/** What a file says it is. @throws in words when it is no backup, or one of a newer program */
export async function readHead(file) {
  const lines = createInterface({ input: createReadStream(file).pipe(createGunzip()) });
  try {
    for await (const line of lines) {
      const head = line.startsWith('-- {') ? JSON.parse(line.slice(3)) : null;
      if (head?.format !== FORMAT) break;
      if (head.version !== VERSION || head.migrations > migrationsKnown())
        throw new Error('It was made by a newer Limnos: bring this program up to date first.');
      return head;
    }
  } catch (error) {
    if (/newer/.test(error.message)) throw error;
  } finally {
    lines.close();
  }
  throw new Error(`${file} is no backup of Limnos.`);
}
/** Puts a backup's records into an empty database. */
export async function loadBackup(at, database, file) {
  const { child, ended } = client('mariadb', at, [database]);
  await Promise.all([
    ended,
    pipeline(createReadStream(file), createGunzip(), child.stdin).catch((error) => {
      child.kill('SIGTERM');
      throw error;
    }),
  ]);
}
