import { existsSync } from 'node:fs';
import { isIP } from 'node:net';
import { join } from 'node:path';
import compression from 'compression';
import express, { type Express, type Request, type Response } from 'express';
import staticGzip from 'express-static-gzip';
import helmet from 'helmet';
import type { Logger } from 'pino';
import { z } from 'zod';
import { ENDPOINTS } from '#contracts/all';
import { Id } from '#contracts/primitives';
import type { Deps } from './deps';
import { adviceRoutes } from './features/advice';
import { auditRoutes, createAuditNotes } from './features/audit';
import { backupRoutes, type BackupService, createBackupService } from './features/backups';
import { batchLabels, batchRoutes } from './features/batches';
import { brewRoutes, brewsByIds, openBrews, waitingOrders } from './features/brews';
import { calendarRoutes } from './features/calendar';
import { exchangeRoutes } from './features/exchange';
import { fitRoutes } from './features/fits';
import { historyRoutes } from './features/history';
import { kettleRoutes } from './features/kettles';
import { liveHub, liveRoutes } from './features/live';
import { openApiRoutes } from './features/openapi';
import { accountRoutes, cookieOf, createAccounts } from './features/people';
import { printerRoutes } from './features/printers';
import { printRoutes, teaLabels } from './features/prints';
import { probeRoutes } from './features/probes';
import { programRoutes } from './features/programs';
import { type Shop, shopRoutes } from './features/shop';
import { spoonRoutes } from './features/spoons';
import { stockRoutes } from './features/stock';
import { tastingRoutes } from './features/tastings';
import { teaRoutes } from './features/teas';
import { trainingRoutes } from './features/training';
import { vesselRoutes } from './features/vessels';
import { wholeHouseRoutes } from './features/wholeHouse';
import { type Disk, diskOf, needRoom, tellDisk } from './http/disk';
import { AppError, errorHandler } from './http/errors';
import { sameOrigin } from './http/origin';
import { type ReadSession, routes, type Signed } from './http/route';
import { healthRoutes, timed } from './operations';

export type AppDeps = Deps & {
  readonly log: Logger;
  readonly webFolder: string | null;
  readonly trustedProxies?: readonly string[];
  /** Asked of whoever begins an empty house. */ readonly claimWord?: string;
  readonly disk?: Disk;
  /** For tests and development: an answer that breaks its contract is an error. */
  readonly checkResponses?: boolean;
  /** Its backups; absent: its records lie elsewhere. */ readonly backups?: BackupService;
  /** How the house is reached from its own network. */ readonly shop?: () => Shop | null;
  /** Given when the process is about to end: it answers what was asked, and takes nothing new. */
  readonly stopping?: AbortSignal;
};

/** What leaves the house as a file of records. */
const EXPORTS: ReadonlySet<string> = new Set(
  Object.entries(ENDPOINTS).flatMap(([name, e]) => (name.startsWith('export') ? [e.path] : [])),
);
const Asker = z.object({ personId: Id, siteId: Id });
/** Who asked, or said in signing in who they are; null: nobody knows. */
function askerOf(req: Request, res: Response) {
  const signed = res.locals.signed as Signed | null | undefined;
  return signed ?? Asker.safeParse(req.body).data ?? null;
}

/** The pipeline in reading order. */
export function createApp(deps: AppDeps): Express {
  const app = express();
  app.disable('x-powered-by');
  // Behind a proxy of the house's own every device has its own address again; nobody else's word is taken.
  app.set('trust proxy', [...(deps.trustedProxies ?? [])]);
  app.use(
    helmet({
      contentSecurityPolicy: {
        directives: {
          'upgrade-insecure-requests': null,
          'worker-src': ["'self'"],
          'style-src': ["'self'", "'unsafe-inline'"],
          'img-src': ["'self'", 'data:'],
        },
      },
      strictTransportSecurity: false,
    }),
  );
  app.use((req, res, next) => {
    // A name is asked for over HTTPS ever after; an address alone may be another machine's tomorrow.
    if (req.secure && isIP(req.hostname) === 0)
      res.setHeader('strict-transport-security', 'max-age=15552000');
    next();
  });
  app.use((_req, res, next) => {
    // A device that kept its connection opens another, to a process that stays.
    if (deps.stopping?.aborted) res.setHeader('connection', 'close');
    next();
  });
  app.use(timed);
  app.use(healthRoutes(deps));
  app.use(compression());
  app.use('/api', (_req, res, next) => {
    // Every answer tells the time, so that a device can set its clock by it.
    res.setHeader('x-limnos-now', String(deps.now()));
    res.setHeader('cache-control', 'no-store');
    next();
  });
  const disk = deps.disk ?? diskOf('', 0);
  app.use('/api', tellDisk(disk));
  // For clocks: nothing but the header, and no look at the database.
  app.get('/api/time', (_req, res) => void res.status(204).end());
  app.use('/api', sameOrigin);

  const notes = createAuditNotes(deps, (error) => deps.log.error(error, 'audit'));
  const accounts = createAccounts(deps, deps.claimWord);
  const live = liveHub(deps, {
    brewsByIds: (ids) => brewsByIds(deps.db, ids),
    ordersAt: (siteId) => waitingOrders(deps.db, siteId),
  });
  deps.stopping?.addEventListener('abort', () => live.close());
  const readSession: ReadSession = async (req) => {
    const token = cookieOf(req);
    return token ? accounts.sessions.read(token) : null;
  };
  const on = routes(app, readSession, {
    checkResponses: deps.checkResponses ?? false,
    sent: (e, req, who) => {
      if (EXPORTS.has(e.path)) void notes.note(req, 'export', who);
    },
    before: async (e) => {
      if (e.brings === 'picture' || e.brings === 'book') await needRoom(disk);
    },
  });
  accountRoutes(on, accounts, notes);
  auditRoutes(on, deps);
  programRoutes(on, deps, live, {
    brews: (siteId) => openBrews(deps.db, siteId),
    waiting: async (siteId) => (await waitingOrders(deps.db, siteId)).length,
  });
  teaRoutes(on, deps);
  vesselRoutes(on, deps);
  kettleRoutes(on, deps);
  spoonRoutes(on, deps);
  stockRoutes(on, deps);
  brewRoutes(on, deps, live);
  batchRoutes(on, deps, live);
  probeRoutes(on, deps, live);
  calendarRoutes(on, deps);
  tastingRoutes(on, deps, live);
  adviceRoutes(on, deps);
  fitRoutes(on, deps);
  trainingRoutes(on, deps);
  liveRoutes(on, live, readSession);
  printRoutes(on, deps);
  printerRoutes(on, deps, { batch: batchLabels(deps, live), tea: teaLabels(deps) });
  historyRoutes(on, deps);
  exchangeRoutes(on, deps);
  wholeHouseRoutes(on, deps);
  openApiRoutes(on);
  backupRoutes(on, deps.backups ?? createBackupService(deps, null));
  shopRoutes(on, deps.shop ?? (() => null), live);
  app.use('/api', () => {
    throw new AppError('notFound', 404, 'There is nothing at this address.');
  });

  const { webFolder } = deps;
  if (webFolder && existsSync(webFolder)) {
    // Packed once, by the build: packing again for each tablet held its first load up by half a second.
    const packed = (folder: string, serveStatic: { immutable?: boolean; maxAge?: string }) =>
      staticGzip(folder, {
        enableBrotli: true,
        orderPreference: ['br', 'gz'],
        index: false,
        serveStatic,
      });
    app.use('/assets', packed(join(webFolder, 'assets'), { immutable: true, maxAge: '365d' }));
    app.use(packed(webFolder, {}));
    app.get('/{*page}', (_req, res) =>
      res.sendFile(join(webFolder, 'index.html'), { headers: { 'cache-control': 'no-cache' } }),
    );
  }
  app.use(
    errorHandler(deps.log, (req, error, res) => {
      void notes.refused(req, error, askerOf(req, res));
    }),
  );
  return app;
}
