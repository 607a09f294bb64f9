// npm run cluster: the demo on three database servers and three processes of the application behind nginx, all on this
// machine. Ctrl-C stops it; the records stay. docs/scale.md says how the same is done on three machines.
import { mkdirSync } from 'node:fs';
import { join } from 'node:path';
import { startCluster } from './lib/cluster.mjs';
import { ROOT } from './lib/prepare.mjs';
import { giveUp, say } from './lib/say.mjs';

const folder = join(process.env.LIMNOS_DATA || join(ROOT, '.data'), 'cluster');
mkdirSync(folder, { recursive: true });
const cluster = await startCluster({
  folder,
  port: Number(process.env.PORT || 8137),
  days: 7,
}).catch((e) => giveUp(`The cluster did not start: ${e.message}`));
say(`\nLimnos is on ${cluster.address}`);
for (const [i, s] of cluster.servers.entries())
  say(
    `  ${s.name}: database process ${s.pid()}, application process ${cluster.applications[i].pid()}`,
  );
const [{ signIns }] = cluster.applications;
for (const s of signIns)
  say(`  ${s.name.padEnd(10)} ${s.role.padEnd(8)} ${s.site.padEnd(13)} ${s.secret}`);
say('\nEnd any one process of these: the house goes on. Ctrl-C stops all.');
let stopping = false;
for (const signal of ['SIGINT', 'SIGTERM'])
  process.on(signal, () => {
    if (stopping) return;
    stopping = true;
    void cluster.stop().then(() => process.exit(0));
  });
