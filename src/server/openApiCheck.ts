// Run by `npm run openapi`.
import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { ANNOUNCED } from './features/openapi/announced';
import { breakingChanges } from './features/openapi/breaking';
import { type OpenApi, openApiDocument } from './features/openapi/document';

const RELEASED = 'docs/formats/openapi.json';
const now = openApiDocument();
const before = existsSync(RELEASED) ? (JSON.parse(readFileSync(RELEASED, 'utf8')) as OpenApi) : now;
const breaking = breakingChanges(before, now);
const unannounced = breaking.filter((line) => !ANNOUNCED.includes(line));
for (const line of breaking) console.log(`${unannounced.includes(line) ? '! ' : '  '}${line}`);
if (unannounced.length > 0) {
  console.error('Announce these in src/server/features/openapi/announced.ts, or take them back.');
  process.exit(1);
}
const major = (doc: OpenApi) => Number(doc.info.version.split('.')[0]);
if (breaking.length > 0 && major(now) <= major(before)) {
  console.error(`Raise the first number of API_VERSION, ${now.info.version}.`);
  process.exit(1);
}
if (process.argv.includes('--release')) {
  writeFileSync(RELEASED, `${JSON.stringify(now, null, 1)}\n`);
  console.log(`Later changes are held against version ${now.info.version}. Empty ANNOUNCED.`);
} else if (breaking.length === 0) console.log('Nothing breaks a program that calls as before.');
