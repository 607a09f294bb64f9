// The log of changes: MariaDB's binary log, a week of it, beside the data of a real house. A backup and what was changed
// after it give the house of any minute. It has a name; a restore begins another one, for what came before belongs to
// another course of things.
import { randomUUID } from 'node:crypto';
import {
  existsSync,
  mkdirSync,
  readdirSync,
  readFileSync,
  renameSync,
  writeFileSync,
} from 'node:fs';
import { join } from 'node:path';
import { client, runTool } from './client.mjs';

const KEPT_S = 7 * 86_400;
const NAME = 'changes';
const folderOf = (house) => join(house, 'changes');
const historyFile = (house) => join(folderOf(house), 'history');

/** The name of a house's log of changes; empty when it keeps none. */
export const historyOf = (house) =>
  existsSync(historyFile(house)) ? readFileSync(historyFile(house), 'utf8').trim() : '';

/** What the database of a real house is started with, so that it keeps its changes. */
export function keepChanges(house) {
  mkdirSync(folderOf(house), { recursive: true, mode: 0o700 });
  if (!historyOf(house)) writeFileSync(historyFile(house), randomUUID(), { mode: 0o600 });
  return [
    `--log-bin=${join(folderOf(house), NAME)}`,
    `--log-bin-index=${join(folderOf(house), `${NAME}.index`)}`,
    '--binlog-format=ROW',
    `--binlog-expire-logs-seconds=${KEPT_S}`,
    '--max-binlog-size=64M',
    '--sync-binlog=1',
    '--server-id=1',
  ];
}
/** Puts a log of changes aside; the next start begins another. */
export function endHistory(house, when) {
  if (existsSync(folderOf(house)))
    renameSync(folderOf(house), join(house, `changes-until-${when.replaceAll(':', '')}`));
}

const filesFrom = (house, first) =>
  readdirSync(folderOf(house))
    .filter((name) => /^changes\.\d+$/.test(name) && name >= first)
    .sort();
/**
 * The files of the log of changes from a backup's place on.
 * @throws in words when the log does not go on from that backup
 */
export function changesAfter(house, head) {
  const { changes } = head;
  if (!changes || changes.history !== historyOf(house))
    throw new Error('The changes after that backup are not kept here: restore it without --until.');
  const files = filesFrom(house, changes.file);
  if (files[0] !== changes.file)
    throw new Error('The changes after that backup are more than a week old: they are gone.');
  return files;
}
/** Does again what was changed after a backup, up to an instant: to the second, which is not done any more. */
export async function replayChanges(at, database, house, head, until) {
  const read = runTool('mariadb-binlog', [
    `--start-position=${head.changes.position}`,
    `--stop-datetime=${until.toISOString().slice(0, 19).replace('T', ' ')}`,
    `--database=${database}`,
    ...changesAfter(house, head).map((name) => join(folderOf(house), name)),
  ]);
  read.child.stdin.end();
  const write = client('mariadb', at, [database]);
  read.child.stdout.pipe(write.child.stdin);
  await Promise.all([read.ended, write.ended]);
}
