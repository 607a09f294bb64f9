import { createHash, randomBytes, randomInt } from 'node:crypto';
import { hash, verify } from '@node-rs/argon2';

/** OWASP's floor for Argon2id (19 MiB, 2 passes); the library's default variant is Argon2id. */
const COST = { memoryCost: 19_456, timeCost: 2, parallelism: 1 };
export const hashSecret = (secret: string): Promise<string> => hash(secret, COST);
/** Nobody's secret: of a person who was brought in without one, until a lead gives them another. */
export const NO_SECRET = '';
export const secretMatches = async (hashed: string, secret: string): Promise<boolean> =>
  hashed !== NO_SECRET && (await verify(hashed, secret));

/** A cookie's value, and what is kept of it. */
export const newToken = (): string => randomBytes(32).toString('base64url');
export const tokenHash = (token: string): string =>
  createHash('sha256').update(token).digest('hex');

/** Letters and figures that nobody mixes up when a code is read out. */
const SIGNS = 'ABCDEFGHJKLMNPQRSTUVWXYZ23456789';
/** A code that is read out: five random bits a sign. */
export const spokenCode = (length: number): string =>
  Array.from({ length }, () => SIGNS[randomInt(SIGNS.length)]).join('');
