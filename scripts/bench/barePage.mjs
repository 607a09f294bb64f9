// Builds the bare page and serves it packed, as the application's own server does.
import { mkdtempSync, readdirSync, readFileSync, rmSync } from 'node:fs';
import { createServer } from 'node:http';
import { tmpdir } from 'node:os';
import { extname, join } from 'node:path';
import { brotliCompressSync } from 'node:zlib';
import react from '@vitejs/plugin-react';
import { build } from 'vite';
import { ROOT } from '../lib/prepare.mjs';

const TYPES = { '.html': 'text/html; charset=utf-8', '.js': 'text/javascript' };

/** @returns its address, and what ends it */
export async function serveBarePage() {
  const folder = mkdtempSync(join(tmpdir(), 'limnos-bare-'));
  await build({
    configFile: false,
    logLevel: 'silent',
    root: join(ROOT, 'scripts/bench/bare'),
    plugins: [react()],
    build: { outDir: folder, emptyOutDir: true },
  });
  const files = new Map();
  for (const name of readdirSync(folder, { recursive: true, encoding: 'utf8' }))
    if (extname(name) in TYPES)
      files.set(`/${name}`, brotliCompressSync(readFileSync(join(folder, name))));
  const server = createServer((req, res) => {
    const name = files.has(req.url) ? req.url : '/index.html';
    res.writeHead(200, { 'content-type': TYPES[extname(name)], 'content-encoding': 'br' });
    res.end(files.get(name));
  });
  await new Promise((listening) => server.listen(0, '127.0.0.1', () => listening(undefined)));
  return {
    address: `http://127.0.0.1:${/** @type {import('node:net').AddressInfo} */ (server.address()).port}`,
    close() {
      server.close();
      rmSync(folder, { recursive: true, force: true });
    },
  };
}
