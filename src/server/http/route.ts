import type { Request, Response, Router } from 'express';
import { z } from 'zod';
import type { Endpoint } from '#contracts/endpoint';
import { type Role, ROLES } from '#contracts/people';
import type { Access } from '#contracts/routes';
import { readBody } from './body';
import { AppError } from './errors';

/** Who is signed in, and where. */
export type Signed = {
  readonly personId: string;
  readonly name: string;
  readonly role: Role;
  readonly siteId: string;
  /** Every site the person works at. */ readonly siteIds: readonly string[];
  readonly tokenHash: string;
  /** The shared tablet's name while nobody is signed in on it. */ readonly lockedAs: string | null;
};
/** Reads the session of a request; null when there is none. */
export type ReadSession = (req: Request) => Promise<Signed | null>;

/**
 * What waited on a device goes out in the name of who did it. A write that names its person is refused under another's
 * session; one that names the shared tablet is taken as the tablet's own, which may do no more than a locked one.
 */
function inWhoseName(e: Endpoint, req: Request, session: Signed): Signed {
  const person = req.get('x-limnos-person');
  if (person !== undefined && person !== session.personId)
    throw new AppError(
      'session.other',
      409,
      'Another person made this record. The record waits until that person signs in here.',
    );
  const device = req.get('x-limnos-device');
  if (device === undefined || !e.whenLocked || session.lockedAs !== null) return session;
  return { ...session, lockedAs: deviceName(device) };
}
function deviceName(header: string): string {
  try {
    const name = decodeURIComponent(header).trim().slice(0, 60);
    if (name !== '') return name;
  } catch {
    // Not as our own pages write it.
  }
  throw new AppError('input.invalid', 422, 'The tablet’s name cannot be read.');
}

type Given<P extends z.ZodType, Q extends z.ZodType, B extends z.ZodType, A> = {
  params: z.infer<P>;
  query: z.infer<Q>;
  body: z.infer<B>;
  who: A;
  req: Request;
  res: Response;
};
const METHODS = { GET: 'get', POST: 'post', PATCH: 'patch', DELETE: 'delete' } as const;
/** A key is of no person: no session does for it. */
const mayCall = (access: Access, role: Role) =>
  access !== 'key' && (access === 'public' || ROLES.indexOf(role) >= ROLES.indexOf(access));

type Options = {
  /** Asked before what is sent is read; it may refuse. */
  readonly before?: (e: Endpoint) => Promise<void>;
  /** Called when a file was sent, or a stream has ended. */
  readonly sent?: (e: Endpoint, req: Request, who: Signed) => void;
  /** Each answer is held against its contract, and one that breaks it is an error: for tests and development. */
  readonly checkResponses?: boolean;
};
/** An answer that is a file: shown in the page, or saved. */
type FileAnswer = { type: string; name: string; body: Uint8Array; save?: boolean };
function sendFile(res: Response, { type, name, body, save = false }: FileAnswer): void {
  res
    .type(type)
    .setHeader(
      'content-disposition',
      `${save ? 'attachment' : 'inline'}; filename*=UTF-8''${encodeURIComponent(name)}`,
    );
  res.send(Buffer.from(body.buffer, body.byteOffset, body.byteLength));
}

/** Authorises, parses, calls, sends: the whole of a route. */
export function routes(
  router: Router,
  readSession: ReadSession,
  { before = async () => undefined, sent = () => undefined, checkResponses = false }: Options = {},
) {
  const mount = (e: Endpoint, answer: (req: Request, res: Response) => Promise<unknown>) =>
    router[METHODS[e.method]](e.path, async (req, res) => {
      const body = await answer(req, res);
      if (checkResponses) checkResponse(e, body);
      res.json(body);
    });
  const allowed = async (e: Endpoint, req: Request): Promise<Signed> => {
    const session = await readSession(req);
    // Whose request is refused stands in the audit.
    if (req.res) req.res.locals.signed = session;
    if (!session) throw new AppError('session.none', 401, 'Sign in first.');
    const who = inWhoseName(e, req, session);
    if (who.lockedAs !== null && !e.whenLocked)
      throw new AppError('session.locked', 423, 'This tablet is locked: type a PIN first.');
    if (!mayCall(e.access, who.role))
      throw new AppError('session.forbidden', 403, `This is for a ${e.access}.`);
    return who;
  };
  /** Who asks is known, and may, before a byte of what they send is read. */
  const given = async <P extends z.ZodType, Q extends z.ZodType, B extends z.ZodType>(
    e: Endpoint<P, Q, B, z.ZodType>,
    req: Request,
    res: Response,
  ): Promise<Given<P, Q, B, Signed>> => {
    const who = await allowed(e as unknown as Endpoint, req);
    await before(e as unknown as Endpoint);
    return { ...(await parse(e, req, res)), who, req, res };
  };
  return {
    /** For those signed in with the contract's role or above. */
    signed<P extends z.ZodType, Q extends z.ZodType, B extends z.ZodType, R extends z.ZodType>(
      e: Endpoint<P, Q, B, R>,
      handle: (given: Given<P, Q, B, Signed>) => Promise<z.infer<R>>,
    ) {
      mount(e as unknown as Endpoint, async (req, res) => handle(await given(e, req, res)));
    },
    /** As `signed`, for an answer that is a file: shown in the page, or saved. */
    file<P extends z.ZodType, Q extends z.ZodType, B extends z.ZodType, R extends z.ZodType>(
      e: Endpoint<P, Q, B, R>,
      handle: (given: Given<P, Q, B, Signed>) => Promise<FileAnswer>,
    ) {
      router[METHODS[e.method]](e.path, async (req, res) => {
        const asked = await given(e, req, res);
        sendFile(res, await handle(asked));
        sent(e as unknown as Endpoint, req, asked.who);
      });
    },
    /** As `signed`, for an answer that writes itself and goes on. */
    stream<P extends z.ZodType, Q extends z.ZodType, B extends z.ZodType, R extends z.ZodType>(
      e: Endpoint<P, Q, B, R>,
      handle: (given: Given<P, Q, B, Signed>) => Promise<void>,
    ) {
      router[METHODS[e.method]](e.path, async (req, res) => {
        const asked = await given(e, req, res);
        await handle(asked);
        sent(e as unknown as Endpoint, req, asked.who);
      });
    },
    /** For a program that shows its key: `Authorization: Bearer <key>`. */
    keyed<P extends z.ZodType, Q extends z.ZodType, B extends z.ZodType, R extends z.ZodType>(
      e: Endpoint<P, Q, B, R>,
      handle: (given: Given<P, Q, B, null> & { key: string }) => Promise<z.infer<R>>,
    ) {
      if (e.access !== 'key') throw new Error(`${e.path} takes no key`);
      mount(e as unknown as Endpoint, async (req, res) => {
        const key = /^Bearer ([\w-]{20,100})$/.exec(req.get('authorization') ?? '')?.[1];
        if (key === undefined)
          throw new AppError('key.none', 401, 'Send the key: Authorization: Bearer <key>.');
        return handle({ ...(await parse(e, req, res)), who: null, key, req, res });
      });
    },
    /** As `open`, for an answer that is a file. */
    openFile<P extends z.ZodType, Q extends z.ZodType, B extends z.ZodType, R extends z.ZodType>(
      e: Endpoint<P, Q, B, R>,
      handle: (given: Given<P, Q, B, null>) => Promise<FileAnswer>,
    ) {
      if (e.access !== 'public') throw new Error(`${e.path} is not public`);
      router[METHODS[e.method]](e.path, async (req, res) => {
        sendFile(res, await handle({ ...(await parse(e, req, res)), who: null, req, res }));
      });
    },
    /** For anybody. */
    open<P extends z.ZodType, Q extends z.ZodType, B extends z.ZodType, R extends z.ZodType>(
      e: Endpoint<P, Q, B, R>,
      handle: (given: Given<P, Q, B, Signed | null>) => Promise<z.infer<R>>,
    ) {
      if (e.access !== 'public') throw new Error(`${e.path} is not public`);
      mount(e as unknown as Endpoint, async (req, res) =>
        handle({ ...(await parse(e, req, res)), who: await readSession(req), req, res }),
      );
    },
  };
}

/** @throws with the endpoint and the place in its answer that breaks the contract */
function checkResponse(e: Endpoint, body: unknown): void {
  // As it arrives: what is undefined is left out.
  const checked = e.response.safeParse(JSON.parse(JSON.stringify(body)));
  if (!checked.success)
    throw new Error(
      `${e.method} ${e.path} answers against its contract: ${z.prettifyError(checked.error)}`,
    );
}

async function parse<P extends z.ZodType, Q extends z.ZodType, B extends z.ZodType>(
  e: Endpoint<P, Q, B, z.ZodType>,
  req: Request,
  res: Response,
) {
  if (req.method !== 'GET') await readBody(e.brings, req, res);
  return {
    params: e.params.parse(req.params),
    query: e.query.parse(req.query),
    body: e.body.parse(req.body ?? {}),
  };
}
