import type { RequestHandler } from 'express';
import { AppError } from './errors';

/** Writes come from our own pages only: the Origin must name the host that is asked. */
export const sameOrigin: RequestHandler = (req, _res, next) => {
  if (req.method === 'GET' || req.method === 'HEAD') return next();
  const origin = req.headers.origin;
  const host = origin && URL.canParse(origin) ? new URL(origin).host : null;
  if (host === null || host !== req.headers.host)
    throw new AppError('session.origin', 403, 'This page is not from here. Reload it.');
  next();
};
