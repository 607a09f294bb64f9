// Where a house's data lies: a real one apart from the checkout, where a clean-up of the folder would delete a shop.
import {
  cpSync,
  existsSync,
  mkdirSync,
  readdirSync,
  readFileSync,
  renameSync,
  rmSync,
  writeFileSync,
} from 'node:fs';
import { homedir } from 'node:os';
import { dirname, join } from 'node:path';
import { isAlive, wait } from './mariadb.mjs';
import { ROOT } from './prepare.mjs';
import { giveUp, say } from './say.mjs';

const OLD = join(ROOT, '.data');
const MARK = 'real-house';
/** Stands in the command line of every script that may own a folder: start, backup, restore, new-passphrase. */
const SCRIPTS = 'scripts/';
/** LIMNOS_DATA is the folder of the real house, with the demo's below it. */
export function folders(env = process.env) {
  if (env.LIMNOS_DATA) return { real: env.LIMNOS_DATA, demo: join(env.LIMNOS_DATA, 'demo') };
  const data = env.XDG_DATA_HOME || join(homedir(), '.local/share');
  return { real: join(data, 'limnos'), demo: OLD };
}
export const isReal = (real) => existsSync(join(real, MARK));
export const markReal = (real) =>
  writeFileSync(join(real, MARK), 'A real house: a plain start opens it.\n');

const isRunning = (folder) => {
  const file = join(folder, 'owner.json');
  if (!existsSync(file)) return false;
  const { pid } = JSON.parse(readFileSync(file, 'utf8') || '{}');
  return Boolean(pid) && isAlive(pid, SCRIPTS);
};
/**
 * A house that lay with the demo in the program's folder is moved out of it, once: copied whole, then put in its
 * place, and
 * only then taken away where it was. The demo is made anew there.
 */
export function moveOut({ real, demo }) {
  if (!existsSync(join(demo, MARK)) || isReal(real)) return;
  if (isRunning(demo))
    giveUp(`The house in ${demo} is running. Stop the house first: its data moves to ${real}.`);
  if (existsSync(real) && readdirSync(real).length > 0)
    giveUp(`The folder ${real} is not empty. Move the folder away, then start again.`);
  say(`The data of this house moves from the program’s folder to ${real} ...`);
  const half = `${real}.half`;
  rmSync(half, { recursive: true, force: true });
  mkdirSync(dirname(real), { recursive: true });
  cpSync(demo, half, { recursive: true, preserveTimestamps: true });
  for (const name of ['owner.json', 'mariadb.json']) rmSync(join(half, name), { force: true });
  rmSync(real, { recursive: true, force: true });
  renameSync(half, real);
  for (const name of [MARK, 'mariadb', '.made'])
    rmSync(join(demo, name), { recursive: true, force: true });
  say('The data is moved. None of it is left in the program’s folder.');
}

/**
 * One script at a time on a folder whose database it starts. `npm`: the process of npm that started this one; it may
 * be killed without
 * telling us, and what it started is then stopping by itself.
 */
export async function own(folder, npm) {
  mkdirSync(folder, { recursive: true });
  const file = join(folder, 'owner.json');
  if (existsSync(file)) {
    const owner = JSON.parse(readFileSync(file, 'utf8') || '{}');
    const there = () =>
      Boolean(owner.pid) && owner.pid !== process.pid && isAlive(owner.pid, SCRIPTS);
    for (let i = 0; i < 100 && there() && owner.npm && !isAlive(owner.npm, 'npm'); i++)
      await wait(100);
    if (there())
      giveUp(
        `Limnos is running already on this data (process ${owner.pid}). Stop that one first, or set LIMNOS_DATA to another folder.`,
      );
  }
  writeFileSync(file, JSON.stringify({ pid: process.pid, npm }));
  return () => rmSync(file, { force: true });
}
