import { readFileSync, rmSync, writeFileSync } from 'node:fs';
import { isAlive } from './mariadb.mjs';

/** Takes a place that only one script may have. Gives what leaves it again; null while another that runs has it. */
export function onlyOne(file) {
  const mine = () => writeFileSync(file, String(process.pid), { flag: 'wx' });
  try {
    mine();
  } catch {
    const pid = Number(readFileSync(file, 'utf8'));
    if (pid && isAlive(pid, 'scripts/')) return null;
    rmSync(file, { force: true });
    mine();
  }
  return () => rmSync(file, { force: true });
}
