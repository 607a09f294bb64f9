import type { RequestHandler } from 'express';
import { type Route, ROUTES } from '#contracts/routes';
import { AppError } from './errors';

/** Programs write here with a key of their own and without a session, so no other page can make a browser do it. */
const KEYED: ReadonlySet<string> = new Set(
  Object.values(ROUTES).flatMap((r: Route) => (r.access === 'key' ? [r.path] : [])),
);
/** Writes come from our own pages only: the Origin must name the host that is asked. */
export const sameOrigin: RequestHandler = (req, _res, next) => {
  if (KEYED.has(req.baseUrl + req.path)) return next();
  if (req.method === 'GET' || req.method === 'HEAD') return next();
  const origin = req.headers.origin;
  const host = origin && URL.canParse(origin) ? new URL(origin).host : null;
  if (host === null || host !== req.headers.host)
    throw new AppError('session.origin', 403, 'This page is not from here. Reload it.');
  next();
};
