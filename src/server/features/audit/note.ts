import type { Request } from 'express';
import { v7 } from 'uuid';
import type { AuditKind } from '#contracts/audit';
import type { ErrorCode } from '#contracts/errors';
import { audit } from '../../db/schema';
import type { Deps } from '../../deps';
import type { AppError } from '../../http/errors';
import { perMinute } from '../../http/perMinute';
import type { Signed } from '../../http/route';

/** What is refused for who asks, not for how it is written. */
const REFUSALS: ReadonlySet<ErrorCode> = new Set([
  'signin.wrong',
  'signin.wait',
  'device.code',
  'device.revoked',
  'session.forbidden',
  'session.locked',
  'session.other',
  'session.origin',
  'guest.code',
  'probe.key',
  'key.none',
  'program.key',
  'program.right',
  'program.wait',
]);
/** So many refusals of one address are kept in a minute: whoever hammers at the door fills no disk. */
const MOST_A_MINUTE = 30;

type Noted = {
  readonly kind: Exclude<AuditKind, 'change'>;
  readonly personId: string | null;
  readonly siteId: string | null;
  readonly code?: string;
};
const asked = (req: Request): string => `${req.method} ${req.originalUrl}`.slice(0, 300);
const addressOf = (req: Request): string => (req.ip ?? 'unknown').slice(0, 60);

/** Keeps what happened at the door. What cannot be kept is logged, and stops nobody. */
export function createAuditNotes(
  { db, now }: Pick<Deps, 'db' | 'now'>,
  failed: (e: unknown) => void,
) {
  const waits = perMinute(now, MOST_A_MINUTE);
  const note = async (req: Request, { code, ...noted }: Noted): Promise<void> => {
    try {
      await db.insert(audit).values({
        id: v7(),
        at: new Date(now()),
        address: addressOf(req),
        what: asked(req),
        code: code ?? null,
        ...noted,
      });
    } catch (error) {
      failed(error);
    }
  };
  return {
    note: (req: Request, kind: Noted['kind'], who: Pick<Signed, 'personId' | 'siteId'> | null) =>
      note(req, { kind, personId: who?.personId ?? null, siteId: who?.siteId ?? null }),
    /** `who` is signed in, or has tried to be. */
    async refused(req: Request, error: AppError, who: Pick<Signed, 'personId' | 'siteId'> | null) {
      if (!REFUSALS.has(error.code) || waits(addressOf(req))) return;
      await note(req, {
        kind: 'refused',
        personId: who?.personId ?? null,
        siteId: who?.siteId ?? null,
        code: error.code,
      });
    },
  };
}
export type AuditNotes = ReturnType<typeof createAuditNotes>;
