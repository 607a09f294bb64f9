// The folder of a house's backups: each file with a note beside it that says what it holds and whether it came back.
import { existsSync, readdirSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { outlived } from './rotation.mjs';

/** Made by the schedule or by hand; those kept before a restore have another name and are never taken away. */
const NAME = /^limnos-\d{4}-\d\d-\d\dT\d{4,6}\.sql\.gz(\.sealed)?$/;
const noteOf = (file) => `${file}.json`;

export const backupName = (instant, sealed, before = 'limnos') =>
  `${before}-${instant.toISOString().slice(0, 19).replaceAll(':', '')}.sql.gz${sealed ? '.sealed' : ''}`;

/** Writes what is known of a backup beside it. */
export const writeNote = (file, note) =>
  writeFileSync(noteOf(file), `${JSON.stringify(note, null, 2)}\n`, { mode: 0o600 });
export function readNote(file) {
  try {
    return JSON.parse(readFileSync(noteOf(file), 'utf8'));
  } catch {
    return null;
  }
}
/** The backups of a folder, the newest first. */
export function backupsIn(folder) {
  if (!existsSync(folder)) return [];
  return readdirSync(folder)
    .filter((name) => NAME.test(name))
    .map((name) => {
      const note = readNote(join(folder, name));
      const made = statSync(join(folder, name)).mtimeMs;
      return {
        name,
        at: note ? Date.parse(note.at) : made,
        whole: note !== null && note.checked !== null && note.faults.length === 0,
      };
    })
    .sort((a, b) => b.at - a.at);
}
/** Takes away what newer ones have outlived; gives their names. */
export function rotate(folder, now, keep) {
  const gone = outlived(backupsIn(folder), now, keep).map((b) => b.name);
  for (const name of gone) {
    rmSync(join(folder, name), { force: true });
    rmSync(noteOf(join(folder, name)), { force: true });
  }
  return gone;
}
