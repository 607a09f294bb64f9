// npm run soak -- crash [minutes]: the start command under load, its application and database killed at random. It
// brings them back by itself; every write that was answered must be there, once. Prints JSON.
import mysql from 'mysql2/promise';
import { percentile, round, signIn } from '../lib/house.mjs';
import { startMariadb, wait } from '../lib/mariadb.mjs';
import { startHouse } from '../lib/started.mjs';
import { countsOf, lookAfter, startLoad } from './load.mjs';

const [minutes = 1] = process.argv.slice(2).map(Number);
const house = await startHouse();
const load = await startLoad(await signIn(house.address));
const kills = { application: 0, database: 0, both: 0 };
const back = [];
/** Seconds until the house answers from its records again. */
async function untilBack() {
  const from = performance.now();
  for (;;) {
    const res = await fetch(`${house.address}/api/house`, {
      signal: AbortSignal.timeout(2000),
    }).catch(() => null);
    if (res?.status === 200) return (performance.now() - from) / 1000;
    await wait(50);
  }
}
const begun = performance.now();
while (performance.now() - begun < minutes * 60_000) {
  await wait(500 + Math.random() * 4000);
  const what = ['application', 'database', 'both'][Math.floor(Math.random() * 3)];
  for (const pid of [
    what !== 'database' && house.application(),
    what !== 'application' && house.database(),
  ])
    if (pid) process.kill(pid, 'SIGKILL');
  kills[what] += 1;
  back.push(await untilBack());
}
await load.stop();
await house.stop();
const database = await startMariadb(house.folder, ['limnos_demo']);
const db = await mysql.createConnection(database.url('limnos_demo'));
console.log(
  JSON.stringify(
    {
      run: 'crash',
      kills,
      backAfterSeconds: {
        median: round(percentile(back, 0.5)),
        longest: round(Math.max(...back)),
      },
      seconds: round((performance.now() - begun) / 1000),
      acknowledged: countsOf(load.acked),
      sentAgain: load.repeats(),
      ...(await lookAfter(db, load.acked)),
    },
    null,
    2,
  ),
);
await db.end();
await database.stop();
house.remove();
process.exit(0);
