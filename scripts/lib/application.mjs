// The application as a process: started, watched, ended.
import { fork } from 'node:child_process';
import { join } from 'node:path';
import { howItEnded } from './ending.mjs';
import { cleanEnv, ROOT } from './prepare.mjs';
import { say } from './say.mjs';

/** It must answer so often, ms; after so many silent times it hangs, and is ended to be started again. */
const WATCH = { every: 3000, answer: 5000, silent: 4 };
/** After so long a stop is no longer asked for, ms. */
const STOP_MS = 5000;

/**
 * One process of the built application: its child, what it said when it was ready, and its end. @throws when it ends
 * before
 */
export async function forkApplication(env, { detached = false } = {}) {
  const child = fork(join(ROOT, 'dist/server/main.mjs'), {
    cwd: ROOT,
    detached,
    stdio: ['ignore', 'inherit', 'inherit', 'ipc'],
    env: cleanEnv(env),
  });
  const ended = new Promise((r) => child.once('exit', (code, signal) => r(signal ?? code)));
  const ready = await Promise.race([
    new Promise((r) => child.once('message', r)),
    ended.then((how) => {
      throw new Error(`it ${howItEnded(how)}`);
    }),
  ]);
  return { child, ready, ended };
}

/** One that is watched over, for the start command. */
export async function startApplication(env) {
  const { child, ready, ended } = await forkApplication(
    { NODE_ENV: 'production', ...env },
    { detached: true },
  );
  const watch = watchOver(child, ready.helpPort ?? ready.port, ready.helpPort ? '/' : '/api/time');
  void ended.then(() => clearInterval(watch));
  return {
    pid: child.pid,
    port: ready.port,
    signIns: ready.signIns,
    shop: ready.shop,
    helpPort: ready.helpPort,
    ended,
    async stop() {
      child.kill('SIGTERM');
      const late = setTimeout(() => child.kill('SIGKILL'), STOP_MS);
      await ended;
      clearTimeout(late);
    },
  };
}

function watchOver(child, port, path) {
  let silent = 0;
  return setInterval(async () => {
    try {
      await fetch(`http://127.0.0.1:${port}${path}`, {
        signal: AbortSignal.timeout(WATCH.answer),
      });
      silent = 0;
    } catch {
      silent += 1;
      if (silent < WATCH.silent) return;
      say('The server does not answer. Limnos ends the server and starts it again.');
      child.kill('SIGKILL');
    }
  }, WATCH.every);
}
