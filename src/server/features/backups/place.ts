import { spawn } from 'node:child_process';
import { readdir, readFile, stat } from 'node:fs/promises';
import { join } from 'node:path';
import { z } from 'zod';
import { type Backup, BackupHolds } from '#contracts/backups';

/** Where a house's backups lie, and the program that makes them. */
export type BackupPlace = {
  readonly folder: string;
  /** What is made from now on is under a passphrase. */
  readonly sealed: boolean;
  /** Makes one, and takes away what newer ones stand for. False: it failed; the folder says why, if it could. */
  make(keep: { days: number; weeks: number; months: number }): Promise<boolean>;
};
/** @param program "scripts/backup.mjs", with what it needs to find the house, separated by spaces */
export const backupPlaceOf = (folder: string, program: string, sealed: boolean): BackupPlace => ({
  folder,
  sealed,
  make: ({ days, weeks, months }) =>
    new Promise((resolve) => {
      const child = spawn(
        process.execPath,
        [...program.split(' '), `--keep=${days},${weeks},${months}`],
        { stdio: 'ignore', env: process.env },
      );
      child.once('error', () => resolve(false));
      child.once('close', (code) => resolve(code === 0));
    }),
});

const NAME = /^limnos-.*\.sql\.gz(\.sealed)?$/;
/** Written beside each backup by the program that makes it (`scripts/backup.mjs`). */
const Note = z.object({
  at: z.iso.datetime(),
  bytes: z.number(),
  sealed: z.boolean(),
  checked: z.iso.datetime().nullable(),
  faults: z.array(z.string()),
  holds: BackupHolds.nullable().default(null),
  tables: z.record(z.string(), z.object({ rows: z.number() })).default({}),
});
const Last = z.object({ at: z.iso.datetime(), failed: z.string().nullable() });
const parsed = async <T>(schema: z.ZodType<T>, file: string): Promise<T | null> => {
  try {
    return schema.parse(JSON.parse(await readFile(file, 'utf8')));
  } catch {
    return null;
  }
};

async function backupOf(folder: string, name: string): Promise<Backup | null> {
  const note = await parsed(Note, join(folder, `${name}.json`));
  const file = await stat(join(folder, name)).catch(() => null);
  if (!file) return null;
  if (!note)
    return {
      name,
      at: Math.round(file.mtimeMs),
      bytes: file.size,
      sealed: name.endsWith('.sealed'),
      checked: null,
      faults: [],
      tables: 0,
      rows: 0,
      holds: null,
    };
  const tables = Object.values(note.tables);
  return {
    name,
    at: Date.parse(note.at),
    bytes: note.bytes,
    sealed: note.sealed,
    checked: note.checked === null ? null : Date.parse(note.checked),
    faults: note.faults,
    tables: tables.length,
    rows: tables.reduce((sum, t) => sum + t.rows, 0),
    holds: note.holds,
  };
}
/** The backups of a folder, the newest first; none where there is no folder yet. */
export async function backupsIn(folder: string): Promise<Backup[]> {
  const names = await readdir(folder).catch(() => [] as string[]);
  const found = await Promise.all(
    names.filter((n) => NAME.test(n)).map((n) => backupOf(folder, n)),
  );
  return found.filter((b) => b !== null).sort((a, b) => b.at - a.at);
}
/** How the last attempt ended, where it made none. */
export async function lastFailure(folder: string): Promise<{ at: number; why: string } | null> {
  const last = await parsed(Last, join(folder, 'last.json'));
  return last?.failed ? { at: Date.parse(last.at), why: last.failed } : null;
}
/** True while a process makes one: of this server or any other on this machine. */
export async function isBeingMade(folder: string): Promise<boolean> {
  const pid = Number(await readFile(join(folder, '.running'), 'utf8').catch(() => ''));
  if (!pid) return false;
  try {
    process.kill(pid, 0);
    return true;
  } catch {
    return false;
  }
}
