import type { RequestHandler } from 'express';
import { collectDefaultMetrics, Counter, Gauge, Histogram, Registry } from 'prom-client';

// What one process counts about itself, as Prometheus reads it. No name of a person, tea or shop is in it.

export const registry = new Registry();
collectDefaultMetrics({ register: registry });
const registers = [registry];

/** Seconds; the wish for an ordinary answer is a tenth. */
const SECONDS = [0.005, 0.01, 0.025, 0.05, 0.1, 0.25, 0.5, 1, 2.5, 10];
const answered = new Histogram({
  name: 'limnos_http_request_seconds',
  help: 'How long answers took, by method, route and kind of status',
  labelNames: ['method', 'route', 'status'],
  buckets: SECONDS,
  registers,
});
/** Open pages that hear of changes. */
export const livePages = new Gauge({
  name: 'limnos_live_pages',
  help: 'Open pages that listen for changes',
  registers,
});
/** Transactions that were run again after a deadlock, a conflict or a wait. */
export const transactionsAgain = new Counter({
  name: 'limnos_transactions_again_total',
  help: 'Transactions that the database broke off and that were run again',
  registers,
});
/** 1 while this process reaches the records. */
export const recordsReached = new Gauge({
  name: 'limnos_records_reached',
  help: '1 when the database answered the last look at it, 0 when it did not',
  registers,
});

/** Times each answer. An event stream is no answer: it goes on. */
export const timed: RequestHandler = (req, res, next) => {
  const from = performance.now();
  res.once('finish', () => {
    if (String(res.getHeader('content-type')).startsWith('text/event-stream')) return;
    // The route as it is declared, so that ids do not make a series each.
    const route = (req.route as { path?: string } | undefined)?.path ?? 'other';
    const status = `${Math.floor(res.statusCode / 100)}xx`;
    answered.observe({ method: req.method, route, status }, (performance.now() - from) / 1000);
  });
  next();
};
