// Programs of MariaDB's own.
import { spawn } from 'node:child_process';
import { cleanEnv } from './prepare.mjs';

/** Runs one; `ended` fails with what it said. Instants are Greenwich's. */
export function runTool(program, args, env = {}) {
  const child = spawn(program, ['--no-defaults', ...args], {
    env: cleanEnv({ TZ: 'UTC', ...env }),
    stdio: ['pipe', 'pipe', 'pipe'],
  });
  let said = '';
  child.stderr.on('data', (d) => {
    said = (said + d).slice(-2000);
  });
  /** @type {Promise<void>} */
  const ended = new Promise((resolve, reject) => {
    child.once('error', reject);
    child.once('close', (code) =>
      code === 0 ? resolve() : reject(new Error(`${program} ended with ${code}: ${said.trim()}`)),
    );
  });
  return { child, ended };
}
/** One that talks to a database; the password goes by its environment, which only its owner can read. */
export const client = (program, at, args) =>
  runTool(
    program,
    [
      `--host=${at.host}`,
      `--port=${at.port}`,
      `--user=${at.user}`,
      '--default-character-set=utf8mb4',
      ...args,
    ],
    { MYSQL_PWD: at.password },
  );
