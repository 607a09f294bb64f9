// What the Bar's route loads before it can be used: the entry and everything it imports at once.
import { existsSync, readFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { gzipSync } from 'node:zlib';

/** The most the Bar's route may load, gzip. */
export const BAR_ROUTE_BYTES = 200_000;

/** The files of the entry's static closure with their gzip sizes. */
export function barRoute(folder) {
  const page = readFileSync(join(folder, 'index.html'), 'utf8');
  const entry = /<script[^>]+src="\/?([^"]+\.js)"/.exec(page)?.[1];
  if (!entry) throw new Error('the page has no entry script');
  const sizes = new Map();
  const open = [join(folder, entry)];
  while (open.length) {
    const path = open.pop();
    if (sizes.has(path) || !existsSync(path)) continue;
    const code = readFileSync(path, 'utf8');
    sizes.set(path, gzipSync(code).length);
    for (const [, from] of code.matchAll(/(?:from|import)\s*"(\.\/[^"]+\.js)"/g))
      open.push(join(dirname(path), from));
  }
  return { bytes: [...sizes.values()].reduce((a, b) => a + b, 0), sizes };
}
