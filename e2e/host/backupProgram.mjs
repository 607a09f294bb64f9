// Stands in for scripts/backup.mjs in the browser tests: leaves what that leaves, in the folder of LIMNOS_BACKUPS.
// With a file named `fails` there it fails as that does.
import { existsSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';

const folder = process.env.LIMNOS_BACKUPS;
const running = join(folder, '.running');
writeFileSync(running, String(process.pid));
await new Promise((r) => setTimeout(r, 1500));
const at = process.env.LIMNOS_CLOCK;
const fails = existsSync(join(folder, 'fails'));
if (!fails) {
  const name = 'limnos-2026-03-11T142000.sql.gz';
  writeFileSync(join(folder, name), 'packed');
  const holds = {
    people: 6,
    teas: 24,
    vessels: 18,
    brews: 1,
    batches: 2,
    tastings: 6,
    newest: null,
  };
  writeFileSync(
    join(folder, `${name}.json`),
    JSON.stringify({
      at,
      bytes: 458_000,
      sealed: false,
      checked: at,
      faults: [],
      holds: { sites: ['Harbour room', 'Ridge hut'], ...holds },
      tables: { teas: { rows: 24, checksum: 1 } },
    }),
  );
}
writeFileSync(
  join(folder, 'last.json'),
  JSON.stringify({ at, failed: fails ? 'No backup was made. The disk is full.' : null }),
);
rmSync(running, { force: true });
process.exit(fails ? 1 : 0);
