import { z } from 'zod';
import { endpoint } from './endpoint';
import { Id, Name, Text } from './primitives';
import { ROUTES } from './routes';

/** A tablet or phone of the house: paired once by a code, known by its name from then on. */
export const Device = z.strictObject({
  id: Id,
  siteId: Id,
  name: z.string(),
  added: z.number(),
  addedBy: z.string(),
  /** Until when its code can be typed; null: there is none. */
  codeUntil: z.number().nullable(),
  /** Since when it is paired; null: not yet. */
  paired: z.number().nullable(),
  /** When somebody used it last. */
  seen: z.number().nullable(),
  /** Taken out of the house since; null: it is in. */
  revoked: z.number().nullable(),
});
export type Device = z.infer<typeof Device>;

/** Somebody who is signed in somewhere. */
export const OpenSession = z.strictObject({
  id: z.string(),
  person: z.strictObject({ id: Id, name: z.string() }),
  siteId: Id,
  /** The paired device’s name; else what its browser says that it is. */
  device: z.string(),
  paired: z.boolean(),
  begun: z.number(),
  seen: z.number(),
  /** Nobody is at it: the shared tablet shows the bar. */
  locked: z.boolean(),
  /** The one that asks. */
  mine: z.boolean(),
});
export type OpenSession = z.infer<typeof OpenSession>;

export const Devices = z.strictObject({
  devices: z.array(Device),
  sessions: z.array(OpenSession),
});
export type Devices = z.infer<typeof Devices>;
const WithCode = z.strictObject({
  device: Device,
  /** Said in this answer and never again. */ code: z.string().nullable(),
});

export const getDevices = endpoint(ROUTES.getDevices, { response: Devices });
/** A repeated id is the same device; its code is said once. */
export const addDevice = endpoint(ROUTES.addDevice, {
  body: z.strictObject({ id: Id, siteId: Id, name: Name }),
  response: WithCode,
});
/**
 * Another code, for a device that is to be paired again; the one before ends. A repeated `codeId` is the same code, which
 * is said once.
 */
export const renewDeviceCode = endpoint(ROUTES.renewDeviceCode, {
  params: z.strictObject({ id: Id }),
  body: z.strictObject({ codeId: Id }),
  response: WithCode,
});
export const changeDevice = endpoint(ROUTES.changeDevice, {
  params: z.strictObject({ id: Id }),
  body: z.strictObject({ name: Name }),
  response: Device,
});
/** Out of the house: every session on it ends, and nobody but a lead signs in there until it is paired again. */
export const revokeDevice = endpoint(ROUTES.revokeDevice, {
  params: z.strictObject({ id: Id }),
  response: Device,
});
/** The device itself, with the code that a lead reads out. */
export const pairDevice = endpoint(ROUTES.pairDevice, {
  body: z.strictObject({ code: Text(20) }),
  response: z.strictObject({ name: z.string(), siteId: Id }),
});
export const endSession = endpoint(ROUTES.endSession, {
  params: z.strictObject({ id: z.string().regex(/^[0-9a-f]{64}$/) }),
  response: Devices,
});
/** Every session of a person, or of everybody; never the one that asks. */
export const endSessions = endpoint(ROUTES.endSessions, {
  body: z.strictObject({ personId: Id.nullable() }),
  response: Devices,
});
