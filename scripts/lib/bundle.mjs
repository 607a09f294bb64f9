// What the Bar's route loads before it can be used: every script of the page and everything that they import at once.
import { existsSync, readFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { gzipSync } from 'node:zlib';

/** The most the Bar's route may load, gzip. */
export const BAR_ROUTE_BYTES = 200_000;

/** The files of the static closure of the page's scripts, with their gzip sizes. */
export function barRoute(folder) {
  const page = readFileSync(join(folder, 'index.html'), 'utf8');
  const scripts = [...page.matchAll(/<script[^>]+src="\/?([^"]+\.js)"/g)];
  if (!scripts.some(([tag]) => tag.includes('type="module"')))
    throw new Error('the page has no entry script');
  const sizes = new Map();
  const open = scripts.map(([, name]) => join(folder, name));
  while (open.length) {
    const path = open.pop();
    if (sizes.has(path)) continue;
    if (!existsSync(path)) throw new Error(`${path} is asked for and not there`);
    const code = readFileSync(path, 'utf8');
    sizes.set(path, gzipSync(code).length);
    for (const [, from] of code.matchAll(/(?:from|import)\s*"(\.\/[^"]+\.js)"/g))
      open.push(join(dirname(path), from));
  }
  return { bytes: [...sizes.values()].reduce((a, b) => a + b, 0), sizes };
}
