import { readFileSync, unwatchFile, watchFile } from 'node:fs';
import type { RequestListener } from 'node:http';
import { createServer, type Server } from 'node:https';

const LOOK_MS = 60_000;
/** HTTPS with a certificate that may be renewed while it runs. */
export function secureServer(
  app: RequestListener,
  certFile: string,
  keyFile: string,
  lookMs = LOOK_MS,
): Server {
  const read = () => ({ cert: readFileSync(certFile), key: readFileSync(keyFile) });
  const server = createServer({ ...read(), minVersion: 'TLSv1.2' }, app);
  const renew = () => {
    // Half written: the next look takes it.
    try {
      server.setSecureContext(read());
    } catch {
      return;
    }
  };
  watchFile(certFile, { interval: lookMs, persistent: false }, renew);
  server.once('close', () => unwatchFile(certFile, renew));
  return server;
}
