// Where a house's data lies: a real one apart from the checkout, where a clean-up of the folder would delete a shop.
import {
  cpSync,
  existsSync,
  mkdirSync,
  readFileSync,
  renameSync,
  rmSync,
  writeFileSync,
} from 'node:fs';
import { homedir } from 'node:os';
import { join } from 'node:path';
import { isAlive, wait } from './mariadb.mjs';
import { ROOT } from './prepare.mjs';
import { giveUp, say } from './say.mjs';

const OLD = join(ROOT, '.data');
const MARK = 'real-house';
/** LIMNOS_DATA is the folder of the real house, with the demo's below it. */
export function folders(env = process.env) {
  if (env.LIMNOS_DATA) return { real: env.LIMNOS_DATA, demo: join(env.LIMNOS_DATA, 'demo') };
  const data = env.XDG_DATA_HOME || join(homedir(), '.local/share');
  return { real: join(data, 'limnos'), demo: OLD };
}
export const isReal = (real) => existsSync(join(real, MARK));
export const markReal = (real) =>
  writeFileSync(join(real, MARK), 'A real house: a plain start opens it.\n');

/** A house that lay in the checkout is moved out of it, once. Its demo stays, and is made anew where it was. */
export function moveOut({ real }) {
  if (!existsSync(join(OLD, MARK)) || isReal(real) || process.env.LIMNOS_DATA) return;
  const half = `${real}.half`;
  say(`This house's data moves out of the program's folder, to ${real} ...`);
  rmSync(half, { recursive: true, force: true });
  mkdirSync(join(real, '..'), { recursive: true });
  cpSync(OLD, half, { recursive: true, preserveTimestamps: true });
  rmSync(join(half, 'owner.json'), { force: true });
  rmSync(join(half, 'mariadb.json'), { force: true });
  if (existsSync(real)) giveUp(`${real} is there already. Move it away first, then start again.`);
  renameSync(half, real);
  rmSync(join(OLD, MARK));
  rmSync(join(OLD, 'mariadb'), { recursive: true, force: true });
  rmSync(join(OLD, '.made'), { force: true });
  say('It is moved. Nothing of it is left in the program’s folder.');
}

/**
 * One start command at a time on a folder. `npm`: the process of npm that started this one; it may be killed without
 * telling us, and what it started is then stopping by itself.
 */
export async function own(folder, npm) {
  mkdirSync(folder, { recursive: true });
  const file = join(folder, 'owner.json');
  if (existsSync(file)) {
    const owner = JSON.parse(readFileSync(file, 'utf8') || '{}');
    const there = () =>
      Boolean(owner.pid) && owner.pid !== process.pid && isAlive(owner.pid, 'start.mjs');
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
