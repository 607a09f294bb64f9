// nginx in front of several processes of the application: one address for the devices, and what one process cannot
// answer goes to another. With a certificate it speaks HTTPS to the devices and plain HTTP to the processes.
import { spawn, spawnSync } from 'node:child_process';
import { chmodSync, existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { connect } from 'node:net';
import { join } from 'node:path';
import { isAlive, wait } from './mariadb.mjs';
import { cleanEnv } from './prepare.mjs';

/**
 * The configuration as nginx reads it. Writes may be given to another process although nobody knows whether the first
 * one kept them: every write of Limnos carries its own id and is kept once.
 *
 * @param {{ folder: string, port: number, processes: number[], host?: string, address?: string,
 *   tls?: { certificate: string, key: string } | null, far?: boolean }} of
 *   `far`: a process can be out of reach, not only ended, and is then left alone for a moment: each try would wait a
 *   second. One that ended refuses at once, and is never left alone: it may be the only one that is there again.
 */
export function nginxConfig({
  folder,
  port,
  processes,
  host = '_',
  address = '127.0.0.1',
  tls = null,
  far = false,
}) {
  const left = far ? 'max_fails=1 fail_timeout=1s' : 'max_fails=0';
  const listen = `${address}:${port}${tls ? ' ssl' : ''}`;
  return `daemon off;
worker_processes 1;
pid ${folder}/pid;
error_log stderr error;
events { worker_connections 4096; }
http {
  access_log off;
  client_body_temp_path ${folder}/body;
  proxy_temp_path ${folder}/proxy;
  fastcgi_temp_path ${folder}/unused;
  uwsgi_temp_path ${folder}/unused;
  scgi_temp_path ${folder}/unused;
  server_tokens off;
  # What the application itself allows to be sent: it has the smaller limits, by kind.
  client_max_body_size 32m;
  upstream limnos {
${processes.map((p) => `    server 127.0.0.1:${p} ${left};`).join('\n')}
  }
  server {
    listen ${listen};
    server_name ${host};
${
  tls
    ? `    ssl_certificate ${tls.certificate};
    ssl_certificate_key ${tls.key};
    ssl_protocols TLSv1.2 TLSv1.3;
    ssl_session_cache shared:limnos:1m;
`
    : ''
}    proxy_http_version 1.1;
    proxy_set_header Connection "";
    proxy_set_header Host $http_host;
    # The device's own address. What a device claims of itself is not passed on.
    proxy_set_header X-Forwarded-For $remote_addr;
    proxy_set_header X-Forwarded-Proto $scheme;
    proxy_connect_timeout 1s;
    proxy_read_timeout 70s;
    proxy_next_upstream error timeout http_502 http_503 http_504 non_idempotent;
    proxy_next_upstream_tries ${Math.max(2, processes.length)};
    location / { proxy_pass http://limnos; }
    # News goes out as it comes, for as long as the page is open.
    location = /api/live {
      proxy_pass http://limnos;
      proxy_buffering off;
      proxy_read_timeout 1h;
    }
  }
}
`;
}

/** One that a killed run left behind on this very folder; it is known by pid and command line. */
async function endOrphan(folder) {
  const note = join(folder, 'pid');
  const pid = existsSync(note) ? Number(readFileSync(note, 'utf8')) : 0;
  if (!pid || !isAlive(pid, folder)) return;
  process.kill(pid, 'SIGTERM');
  for (let i = 0; i < 100 && isAlive(pid, folder); i++) await wait(50);
}

/** Starts it. @throws with what it says of its configuration */
export async function startNginx(of) {
  mkdirSync(of.folder, { recursive: true });
  await endOrphan(of.folder);
  // Its workers run as another user when it was started by root.
  chmodSync(of.folder, 0o755);
  const file = join(of.folder, 'nginx.conf');
  writeFileSync(file, nginxConfig(of));
  const args = ['-p', of.folder, '-e', 'stderr', '-c', file];
  const check = spawnSync('nginx', [...args, '-t'], { encoding: 'utf8', env: cleanEnv() });
  if (check.status !== 0)
    throw new Error(`nginx does not take this: ${check.stderr || check.error}`);
  const child = spawn('nginx', args, { stdio: ['ignore', 'ignore', 'pipe'], env: cleanEnv() });
  let told = '';
  child.stderr.on('data', (d) => {
    told = (told + d).slice(-4000);
  });
  const ended = new Promise((r) => child.once('exit', r));
  const address = `http${of.tls ? 's' : ''}://127.0.0.1:${of.port}`;
  for (let i = 0; ; i++) {
    if (child.exitCode !== null || i > 200) throw new Error(`nginx did not start: ${told}`);
    if (await listens(of.port)) break;
    await wait(25);
  }
  return {
    pid: child.pid,
    address,
    ended,
    said: () => told,
    /** Reads configuration and certificate again; what is being answered goes on. */
    reload: () => void child.kill('SIGHUP'),
    async stop() {
      if (child.exitCode === null) child.kill('SIGQUIT');
      const late = setTimeout(() => child.kill('SIGTERM'), 1500);
      await ended;
      clearTimeout(late);
    },
  };
}
function listens(port) {
  return new Promise((resolve) => {
    const s = connect(port, '127.0.0.1');
    s.once('connect', () => {
      s.destroy();
      resolve(true);
    });
    s.once('error', () => resolve(false));
  });
}
