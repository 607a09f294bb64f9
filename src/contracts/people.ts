import { z } from 'zod';
import { endpoint } from './endpoint';
import { Id, Name } from './primitives';
import { ROUTES } from './routes';

export const ROLES = ['trainee', 'brewer', 'lead'] as const;
export const Role = z.enum(ROLES);
export type Role = z.infer<typeof Role>;

/** Brewers and trainees type a PIN, leads a passphrase. */
export const Pin = z.string().regex(/^\d{4,12}$/, 'A PIN is 4 to 12 digits.');
export const Passphrase = z.string().min(8, 'A passphrase is 8 letters or more.').max(200);
/** "4444", "1234", "9876": the first that anybody tries. */
function isPlain(pin: string): boolean {
  const steps = [...pin].slice(1).map((d, i) => Number(d) - Number(pin[i]));
  return [0, 1, -1].some((step) => steps.every((s) => s === step));
}
/** Null when the secret suits the role, else why not. */
export function secretFault(role: Role, secret: string): string | null {
  const checked = (role === 'lead' ? Passphrase : Pin).safeParse(secret);
  if (!checked.success) return checked.error.issues[0]?.message ?? 'Not usable.';
  if (role === 'lead')
    return secret.trim().length < 8
      ? 'A passphrase is 8 letters or more; spaces at its ends do not count.'
      : null;
  return isPlain(secret)
    ? 'A PIN such as 1111 or 1234 is guessed first. Choose other digits.'
    : null;
}

export const Person = z.strictObject({
  id: Id,
  name: Name,
  role: Role,
  siteIds: z.array(Id),
  active: z.boolean(),
  rev: z.number().int(),
});
export type Person = z.infer<typeof Person>;

/** The names to pick from before signing in; nothing else of a person is told there. */
export const listNames = endpoint(ROUTES.listNames, {
  params: z.strictObject({ siteId: Id }),
  response: z.strictObject({
    people: z.array(
      z.strictObject({ id: Id, name: z.string(), role: Role, lastSeen: z.number().nullable() }),
    ),
  }),
});
export const listPeople = endpoint(ROUTES.listPeople, {
  response: z.strictObject({ people: z.array(Person) }),
});
/** A repeated id is the same person. */
export const addPerson = endpoint(ROUTES.addPerson, {
  body: z.strictObject({
    id: Id,
    name: Name,
    role: Role,
    siteIds: z.array(Id).min(1, 'At least one site.'),
    secret: z.string(),
  }),
  response: Person,
});
export const changePerson = endpoint(ROUTES.changePerson, {
  params: z.strictObject({ id: Id }),
  body: z.strictObject({
    rev: z.number().int(),
    role: Role.optional(),
    active: z.boolean().optional(),
    secret: z.string().optional(),
    siteIds: z.array(Id).min(1).optional(),
  }),
  response: Person,
});
