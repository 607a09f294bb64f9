// The registry leaves some foreign-platform optional packages out of the lock file, and `npm ci` then refuses it.
// Run after every `npm install`: drops from each entry's optionalDependencies the names that the lock does not hold.
import { readFileSync, writeFileSync } from 'node:fs';

const lock = JSON.parse(readFileSync('package-lock.json', 'utf8'));
const held = new Set(Object.keys(lock.packages).map((path) => path.split('node_modules/').at(-1)));
for (const entry of Object.values(lock.packages)) {
  for (const name of Object.keys(entry.optionalDependencies ?? {})) {
    if (!held.has(name)) delete entry.optionalDependencies[name];
  }
  delete entry.resolved;
}
writeFileSync('package-lock.json', `${JSON.stringify(lock, null, 2)}\n`);
