// The start command itself, for a script that harms it: where it is, and which processes it keeps up.
import { spawn } from 'node:child_process';
import { existsSync, mkdtempSync, readdirSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { isAlive, wait } from './mariadb.mjs';
import { cleanEnv, needBuild, ROOT } from './prepare.mjs';

const pidIn = (file) => {
  try {
    return JSON.parse(readFileSync(file, 'utf8')).pid;
  } catch {
    return null;
  }
};
const parentOf = (pid) => {
  try {
    return Number(readFileSync(`/proc/${pid}/stat`, 'utf8').split(') ')[1].split(' ')[1]);
  } catch {
    return null;
  }
};

/** The application that a start command keeps up, by the command's process id; null between two of them. */
export const applicationOf = (start) =>
  Number(
    readdirSync('/proc').find(
      (pid) => /^\d+$/.test(pid) && isAlive(pid, 'dist/server/main.mjs') && parentOf(pid) === start,
    ),
  ) || null;

/**
 * Starts a demo on a folder of its own. `application` and `database` are the process ids of the moment, null between.
 * `quiet`: what its programs say of their own end is nobody's to read.
 */
export async function startHouse({ days = 1, flags = [], env = {}, quiet = false } = {}) {
  needBuild();
  const data = mkdtempSync(join(tmpdir(), 'limnos-run-'));
  const folder = join(data, 'demo');
  const child = spawn(process.execPath, [join(ROOT, 'scripts/start.mjs'), ...flags], {
    cwd: ROOT,
    env: cleanEnv({
      LIMNOS_SAY: '',
      LIMNOS_DATA: data,
      PORT: '0',
      LIMNOS_DEMO_DAYS: String(days),
      LOG_LEVEL: 'silent',
      ...env,
    }),
    stdio: ['ignore', 'pipe', quiet ? 'ignore' : 'inherit'],
  });
  let said = '';
  child.stdout.on('data', (d) => {
    said += d;
  });
  const ended = new Promise((r) => child.once('exit', r));
  while (!said.includes('Ctrl-C stops it.')) {
    if (child.exitCode !== null) {
      rmSync(data, { recursive: true, force: true });
      throw new Error(`it did not start: ${said}`);
    }
    await wait(50);
  }
  return {
    folder,
    address: /Limnos is on (\S+)/.exec(said)[1],
    /** The page that lets devices in, in a shop. */
    help: /this page on it: (\S+)/.exec(said)?.[1] ?? '',
    said: () => said,
    application: () => applicationOf(child.pid),
    database: () => {
      const pid = pidIn(join(folder, 'mariadb.json'));
      return pid && isAlive(pid, folder) ? pid : null;
    },
    async stop() {
      child.kill('SIGTERM');
      await ended;
    },
    remove() {
      if (existsSync(data)) rmSync(data, { recursive: true, force: true });
    },
  };
}
