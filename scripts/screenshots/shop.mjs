import { mkdirSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { forkApplication } from '../lib/application.mjs';
import { startMariadb } from '../lib/mariadb.mjs';
import { now } from './clock.mjs';

/** A demo shop of its own, for the pictures. @returns its address, and what ends it */
export async function openShop() {
  const folder = mkdtempSync(join(tmpdir(), 'limnos-shots-'));
  mkdirSync(join(folder, 'backups'));
  const database = await startMariadb(folder, ['limnos_shots']);
  const { child, ready, ended } = await forkApplication({
    DATABASE_URL: database.url('limnos_shots'),
    PORT: '0',
    LIMNOS_SEED: 'demo',
    LIMNOS_CLOCK: new Date(now()).toISOString(),
    LOG_LEVEL: 'silent',
    LIMNOS_BACKUPS: join(folder, 'backups'),
    LIMNOS_BACKUP_PROGRAM: 'e2e/host/backupProgram.mjs',
  });
  return {
    address: `http://127.0.0.1:${ready.port}`,
    async close() {
      child.kill('SIGTERM');
      await ended;
      await database.stop();
      rmSync(folder, { recursive: true, force: true });
    },
  };
}
