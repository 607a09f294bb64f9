// What a fresh machine lacks: Debian's packages, node modules, the build. Each is done only when it is missing or
// stale.
import { spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import {
  existsSync,
  mkdirSync,
  readdirSync,
  readFileSync,
  rmSync,
  statSync,
  writeFileSync,
} from 'node:fs';
import { join } from 'node:path';
import { giveUp, say } from './say.mjs';

export const ROOT = new URL('../..', import.meta.url).pathname.replace(/\/$/, '');

/** The environment without npm's own settings, which would leak into a nested npm. */
export function cleanEnv(extra = {}) {
  const env = Object.fromEntries(
    Object.entries(process.env).filter(([k]) => !k.startsWith('npm_') && k !== 'NODE_ENV'),
  );
  return { ...env, ...extra };
}

function run(command, args, what) {
  const done = spawnSync(command, args, {
    cwd: ROOT,
    env: cleanEnv({ DEBIAN_FRONTEND: 'noninteractive' }),
    stdio: ['ignore', 'pipe', 'pipe'],
    encoding: 'utf8',
    maxBuffer: 1e8,
  });
  if (done.status !== 0)
    giveUp(
      `${what} did not work:\n${(done.stdout ?? '').slice(-1500)}${(done.stderr ?? '').slice(-1500)}${done.error ?? ''}`,
    );
}

/** Installs Debian packages for the binaries that are not there. */
export function needPackages(wanted) {
  const missing = Object.entries(wanted)
    .filter(
      ([binary]) =>
        !['/usr/bin', '/usr/sbin', '/usr/local/bin', '/bin'].some((d) =>
          existsSync(join(d, binary)),
        ),
    )
    .map(([, name]) => name);
  if (missing.length === 0) return;
  const names = [...new Set(missing)].join(' ');
  if (process.getuid?.() !== 0)
    giveUp(`Please install ${names} first: sudo apt-get install ${names}`);
  // The packaged server must not start by itself: Limnos runs its own, private one.
  const policy = '/usr/sbin/policy-rc.d';
  const mine = !existsSync(policy);
  if (mine) writeFileSync(policy, '#!/bin/sh\nexit 101\n', { mode: 0o755 });
  try {
    say(`Installing ${names} from Debian's packages ...`);
    run('apt-get', ['-o', 'DPkg::Lock::Timeout=120', 'update'], 'apt-get update');
    run(
      'apt-get',
      [
        '-o',
        'DPkg::Lock::Timeout=120',
        'install',
        '-y',
        '--no-install-recommends',
        ...names.split(' '),
      ],
      `Installing ${names}`,
    );
  } finally {
    if (mine) rmSync(policy, { force: true });
  }
}

const sha = (parts) => parts.reduce((h, p) => h.update(p), createHash('sha256')).digest('hex');
const readIf = (path) => (existsSync(path) ? readFileSync(path, 'utf8') : '');

/** Installs modules from the lock file when what is asked for, the lock or node has changed. */
export function needModules() {
  const stamp = join(ROOT, 'node_modules/.limnos-lock');
  const { dependencies, devDependencies, overrides } = JSON.parse(
    readFileSync(join(ROOT, 'package.json'), 'utf8'),
  );
  const now = sha([
    JSON.stringify([dependencies, devDependencies, overrides]),
    readFileSync(join(ROOT, 'package-lock.json')),
    process.version,
  ]);
  if (readIf(stamp) === now) return;
  say('Installing modules from the lock file ...');
  run('npm', ['ci', '--include=dev', '--no-audit', '--no-fund'], 'npm ci');
  writeFileSync(stamp, now);
}

function* filesBelow(folder) {
  for (const name of readdirSync(folder).sort()) {
    const path = join(folder, name);
    if (statSync(path).isDirectory()) yield* filesBelow(path);
    else yield path;
  }
}

/** Builds page and server when the source has changed. */
export function needBuild() {
  const stamp = join(ROOT, 'dist/.stamp');
  const sources = [
    ...filesBelow(join(ROOT, 'src')),
    ...['index.html', 'vite.config.ts', 'package-lock.json', 'scripts/build.mjs'].map((f) =>
      join(ROOT, f),
    ),
  ].filter((f) => !f.includes('.test.'));
  const now = sha(sources.flatMap((f) => [f.slice(ROOT.length), readFileSync(f)]));
  if (readIf(stamp) === now) return;
  say('Building ...');
  run(process.execPath, [join(ROOT, 'scripts/build.mjs')], 'The build');
  mkdirSync(join(ROOT, 'dist'), { recursive: true });
  writeFileSync(stamp, now);
}
