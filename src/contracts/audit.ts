import { z } from 'zod';
import { Bytes, endpoint } from './endpoint';
import { Change, THINGS } from './history';
import { Id, InstantText } from './primitives';
import { ROUTES } from './routes';

/** What is kept of who came in, what was refused, what was changed and what left by a file. */
export const AUDIT_KINDS = [
  'signIn',
  'signOut',
  'locked',
  'paired',
  'refused',
  'export',
  'change',
] as const;
export type AuditKind = (typeof AUDIT_KINDS)[number];

export const AuditEntry = z.strictObject({
  id: z.string(),
  at: z.number(),
  kind: z.enum(AUDIT_KINDS),
  /** Null: nobody was signed in. */
  by: z.strictObject({ id: Id, name: z.string() }).nullable(),
  siteId: Id.nullable(),
  /** Where the request came from. */
  address: z.string(),
  /** What was asked for: "GET /api/exchange/book.json"; of a change nothing. */
  what: z.string(),
  /** Why it was refused. */
  code: z.string().nullable(),
  /** Of a change: what of which record. */
  change: z
    .strictObject({ thing: z.enum(THINGS), id: z.string(), lines: Change.shape.lines })
    .nullable(),
});
export type AuditEntry = z.infer<typeof AuditEntry>;

export const AuditFilters = z.strictObject({
  kind: z.enum(AUDIT_KINDS).optional(),
  personId: Id.optional(),
  /** Part of what was asked for, of the reason or of the address. */
  words: z.string().trim().max(60).optional(),
  from: InstantText.optional(),
  to: InstantText.optional(),
});
export type AuditFilters = z.infer<typeof AuditFilters>;

/** A hundred at a time, the newest first. */
export const getAudit = endpoint(ROUTES.getAudit, {
  query: AuditFilters.extend({
    /** Older than this entry: its instant and id, as `next` says. */
    before: z
      .string()
      .regex(/^\d{12,14}_[0-9a-f-]{36}$/)
      .optional(),
  }),
  response: z.strictObject({ entries: z.array(AuditEntry), next: z.string().nullable() }),
});
/** All of it that the filters leave, as CSV; at most fifty thousand entries. */
export const exportAudit = endpoint(ROUTES.exportAudit, {
  query: AuditFilters,
  response: Bytes,
});
