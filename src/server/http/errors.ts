import type { ErrorRequestHandler, Request, Response } from 'express';
import type { Logger } from 'pino';
import { ZodError } from 'zod';
import type { ErrorBody, ErrorCode } from '#contracts/errors';

/** A known failure: code for the program, message for the person, status for the wire. */
export class AppError extends Error {
  constructor(
    readonly code: ErrorCode,
    readonly status: number,
    message: string,
    readonly extra: Pick<ErrorBody, 'fields' | 'details'> = {},
    options?: ErrorOptions,
  ) {
    super(message, options);
  }
}
export const notFound = (what: string) =>
  new AppError('notFound', 404, `${what} is not here any more.`);
/** The copy that was changed is not the newest; what was typed stays. */
export const recordChanged = (name: string, rev: number) =>
  new AppError(
    'record.changed',
    409,
    `${name} was changed by someone else meanwhile. Yours is still typed here: look at theirs, then save again.`,
    { details: { rev } },
  );
export const invalid = (fields: Record<string, string>) =>
  new AppError('input.invalid', 422, Object.values(fields)[0] ?? 'Something typed is not right.', {
    fields,
  });

type DriverError = { errno?: number; code?: string; cause?: unknown; fatal?: boolean };
/** The driver's own error; Drizzle wraps it. */
function driverError(error: unknown): DriverError {
  let e = error as DriverError;
  while (e?.cause && typeof e.cause === 'object') e = e.cause as DriverError;
  return e ?? {};
}
const AWAY = new Set([
  'ECONNREFUSED',
  'ECONNRESET',
  'ETIMEDOUT',
  'EPIPE',
  'PROTOCOL_CONNECTION_LOST',
  'POOL_CLOSED',
  'ER_SERVER_SHUTDOWN',
  'ENOENT',
]);

/** No room: in the log, in a table, for a temporary file, on the device (ER_DISK_FULL, ER_RECORD_FILE_FULL, ...). */
const DISK_FULL = new Set([3, 28, 1021, 1026, 1114]);

/** A database of several servers that is not ready: this one has lost the others, or is joining them. */
const NOT_READY = 1047;
/** Deadlock or conflict with another server, lock wait, stale snapshot: the whole transaction may be tried again. */
const TRANSIENT = new Set([1213, 1205, 1020, NOT_READY]);
export const isTransient = (error: unknown): boolean =>
  TRANSIENT.has(driverError(error).errno ?? 0);
/** Shutting down, killed, not ready, or broken off in its commit: nobody can say yet what it kept. */
const UNREACHED = new Set([1053, 1927, NOT_READY, 1180]);

/** Database errors, translated once. */
export function fromDatabase(error: unknown): unknown {
  if (error instanceof AppError || error instanceof ZodError) return error;
  const e = driverError(error);
  if (e.errno === 1062)
    return new AppError('record.duplicate', 409, 'That is there already.', {}, { cause: error });
  if (e.errno === 1452)
    return new AppError(
      'reference.missing',
      422,
      'It refers to something that is not here.',
      {},
      { cause: error },
    );
  if (e.errno !== undefined && DISK_FULL.has(e.errno))
    return new AppError(
      'disk.full',
      503,
      'The server’s disk is full. Nothing can be saved until somebody makes room. Your records wait on this device.',
      {},
      { cause: error },
    );
  if (e.fatal || (e.code && AWAY.has(e.code)) || UNREACHED.has(e.errno ?? 0)) {
    return new AppError(
      'database.away',
      503,
      'The house’s records cannot be reached. Nothing is lost; it is tried again.',
      {},
      { cause: error },
    );
  }
  return error;
}

const zodFields = (error: ZodError): Record<string, string> =>
  Object.fromEntries(error.issues.map((i) => [i.path.join('.') || 'form', i.message]).reverse());

/** What Express and its readers of bodies refuse: they carry a status of 4xx, and words that are not for a person. */
function unreadable(raw: unknown): AppError | null {
  const { status } = raw as { status?: unknown };
  if (typeof status !== 'number' || status < 400 || status > 499) return null;
  return new AppError(
    'input.invalid',
    status,
    status === 413 ? 'This is too large to send.' : 'The request cannot be read.',
  );
}

/**
 * What the log may hold of a failure: never what people typed, which the driver and Drizzle put into their messages.
 */
export function loggable(raw: unknown): Record<string, unknown> {
  const { errno, code } = driverError(raw);
  const e = raw instanceof Error ? raw : new Error(String(raw));
  const ofDatabase = errno !== undefined || /^Failed query/.test(e.message);
  return {
    type: e.name,
    message: ofDatabase ? 'a query failed' : e.message.slice(0, 300),
    code,
    errno,
    at: e.stack
      ?.split('\n')
      .filter((line) => line.startsWith('    at '))
      .slice(0, 8),
  };
}

/** The last handler: known errors are sent, unknown ones logged and hidden. */
export const errorHandler =
  (
    log: Logger,
    refused: (req: Request, error: AppError, res: Response) => void = () => undefined,
  ): ErrorRequestHandler =>
  (raw, req, res, next) => {
    if (res.headersSent) return next(raw);
    const error = raw instanceof AppError ? raw : (unreadable(raw) ?? fromDatabase(raw));
    const known = knownOf(error);
    if (!known || known.status >= 500)
      log.error({ failure: loggable(raw), path: req.path }, 'request failed');
    const body: ErrorBody = known
      ? { code: known.code, message: known.message, ...known.extra }
      : {
          code: 'internal',
          message: 'Something went wrong here. What was typed is kept; try again.',
        };
    if (known) refused(req, known, res);
    // Programs know this header; it says what the body says.
    const wait = known?.extra.details?.wait;
    if (known?.status === 429 && typeof wait === 'number') res.setHeader('retry-after', wait);
    res.status(known?.status ?? 500).json(body);
  };

/** The error as this house says it; null: it is not one of ours. */
function knownOf(error: unknown) {
  if (error instanceof ZodError) return invalid(zodFields(error));
  if (error instanceof AppError) return error;
  return null;
}
