import { z } from 'zod';

/** Every error that leaves the server carries one of these. */
export const ERROR_CODES = [
  'input.invalid',
  'notFound',
  'internal',
  'server.busy',
  'backup.elsewhere',
  'device.code',
  'device.revoked',
  'disk.low',
  'disk.full',
  'database.away',
  'record.duplicate',
  'reference.missing',
  'record.changed',
  'session.none',
  'session.forbidden',
  'session.locked',
  'session.origin',
  'session.other',
  'signin.wrong',
  'signin.wait',
  'house.notEmpty',
  'fit.tooFew',
  'brew.alreadyPulled',
  'brew.refused',
  'brew.vesselInUse',
  'brew.cannot',
  'brew.barFull',
  'brew.spent',
  'version.inUse',
  'version.newer',
  'vessel.inUse',
  'table.refused',
  'guest.code',
  'guest.full',
  'guest.over',
  'batch.refused',
  'clock.ahead',
  'probe.key',
  'key.none',
  'program.key',
  'program.right',
  'program.wait',
  'printer.away',
  'calendar.ended',
] as const;
export type ErrorCode = (typeof ERROR_CODES)[number];

/** `fields` names inputs by path, each with what is wrong in the user's words. */
export const ErrorBody = z.object({
  code: z.enum(ERROR_CODES),
  message: z.string(),
  fields: z.record(z.string(), z.string()).optional(),
  details: z.record(z.string(), z.unknown()).optional(),
});
export type ErrorBody = z.infer<typeof ErrorBody>;
