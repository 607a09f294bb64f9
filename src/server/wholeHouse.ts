// Run on the machine itself, by `npm run whole-house`: the whole house out to a file in open forms, and in again.
import { createWriteStream, renameSync, rmSync } from 'node:fs';
import { pipeline } from 'node:stream/promises';
import { openPool } from './db/pool';
import { houseIn, houseOut, lookIn } from './features/wholeHouse';

const [what = '', file = ''] = process.argv.slice(2);
const pool = openPool(process.env.DATABASE_URL ?? '');

/** The file is whole, or not there. */
async function out() {
  const half = `${file}.half`;
  try {
    await pipeline(await houseOut(pool, Date.now()), createWriteStream(half, { mode: 0o600 }));
    renameSync(half, file);
  } catch (error) {
    rmSync(half, { force: true });
    throw error;
  }
  return lookIn(pool, file);
}
const DO: Readonly<Record<string, () => Promise<unknown>>> = {
  out,
  look: () => lookIn(pool, file),
  in: () => houseIn(pool, file),
};
try {
  console.log(JSON.stringify(await DO[what]?.()));
} catch (error) {
  console.error((error as Error).message);
  process.exitCode = 1;
} finally {
  await pool.end();
}
