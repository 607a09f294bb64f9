import { sql } from 'drizzle-orm';
import express, { type Express, Router } from 'express';
import type { Db } from '../db/pool';
import { recordsReached, registry } from './metrics';

/** The database has so long to answer before this process calls itself not ready, ms. */
const ANSWER_MS = 1500;

/** Whether the records answer in time. */
export async function reachesRecords(db: Db, within = ANSWER_MS): Promise<boolean> {
  let late: NodeJS.Timeout | undefined;
  const reached = await Promise.race([
    db.execute(sql`select 1`).then(
      () => true,
      () => false,
    ),
    new Promise<boolean>((r) => {
      late = setTimeout(() => r(false), within);
    }),
  ]);
  clearTimeout(late);
  recordsReached.set(reached ? 1 : 0);
  return reached;
}

type Asked = { readonly db: Db; readonly stopping?: AbortSignal };
/**
 * For proxies and watchers. `/api/health`: the process runs. `/api/ready`: it takes requests, which it does not while
 * it stops or cannot reach the records; a proxy then sends them to another process.
 */
export function healthRoutes({ db, stopping }: Asked): Router {
  const router = Router();
  router.get('/api/health', (_req, res) => void res.json({ running: true }));
  router.get('/api/ready', async (_req, res) => {
    const ready = stopping?.aborted !== true && (await reachesRecords(db));
    res.status(ready ? 200 : 503).json({ ready });
  });
  return router;
}

/** For Prometheus, on a port of its own that only this machine reaches. */
export function metricsApp(db: Db): Express {
  const app = express();
  app.disable('x-powered-by');
  app.get('/metrics', async (_req, res) => {
    await reachesRecords(db);
    res.type(registry.contentType).send(await registry.metrics());
  });
  return app;
}
