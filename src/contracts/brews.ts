import { z } from 'zod';
import type { StyleId } from '#core/styles';
import type { BrewState } from '#core/timing';
import { PROPOSED_LEVERS, TURNED_LEVERS, type Mark, type Proposal, type Verdict } from '#core/correction';
import type { Celsius, EpochMs, Grams, Millilitres } from '#core/units';
import { RecipeBody, Style } from './book';
import { endpoint } from './endpoint';
import { Id, Instant, quantity, Text, Who } from './primitives';
import { VesselFields } from './shelf';

const Mark_ = z.union([z.literal(-2), z.literal(-1), z.literal(0), z.literal(1), z.literal(2)]) satisfies z.ZodType<Mark>;
export const VerdictBody = z.strictObject({ colour: Mark_, strength: Mark_, bitterness: Mark_, astringency: Mark_, sweetness: Mark_, aroma: Mark_ }) satisfies z.ZodType<Verdict>;
const Index = z.number().min(0).max(10);
const IndicesBody = z.strictObject({ strength: Index, bitterness: Index, astringency: Index, sweetness: Index, aroma: Index, colour: Index });
/** A correction as it was proposed and what was expected of it, kept with the brew. */
export const ProposalBody = z.strictObject({
  rowId: z.string().max(40), lever: z.enum(PROPOSED_LEVERS), headline: z.string().max(120), change: z.string().max(300), reason: z.string().max(500),
  turns: z.array(z.strictObject({ lever: z.enum(TURNED_LEVERS), from: z.number(), to: z.number() })).max(2).readonly(),
  expected: z.strictObject({ now: IndicesBody, then: IndicesBody }).nullable(),
  second: z.strictObject({ headline: z.string().max(120), change: z.string().max(300) }).nullable(),
  partly: z.boolean(),
  cup: z.strictObject({ kind: z.enum(['returnLeaf', 'hotWater', 'split', 'none']), water: quantity<Millilitres>({ min: 0, max: 20_000 }), text: z.string().max(500) }),
}) satisfies z.ZodType<Proposal>;
const at = quantity<EpochMs>({ min: 946_684_800_000, max: 4_102_444_800_000 });
export const State = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('warming'), since: at }),
  z.strictObject({ kind: z.literal('steeping'), waterOn: at }),
  z.strictObject({ kind: z.literal('pulled'), waterOn: at, pulled: at }),
  z.strictObject({ kind: z.literal('judged'), waterOn: at, pulled: at, judged: at }),
  z.strictObject({ kind: z.literal('abandoned'), at }),
]) satisfies z.ZodType<BrewState>;

/** The card as it was worked out for this brew, kept for ever with what it was worked out from. */
export const Plan = z.strictObject({
  water: quantity<Millilitres>({ min: 1, max: 20_000 }),
  leaf: quantity<Grams>({ min: 0.1, max: 2000 }),
  spoons: z.string().nullable(),
  liquor: quantity<Millilitres>({ min: 0, max: 20_000 }),
  temperature: quantity<Celsius>({ min: 2, max: 100 }),
  /** What the water has on the leaf: the recipe's heat, or the most that could arrive. */
  onLeaf: quantity<Celsius>({ min: -20, max: 100 }),
  ambient: quantity<Celsius>({ min: -20, max: 60 }),
  kettle: quantity<Celsius>({ min: -20, max: 400 }),
  reachable: z.boolean(),
  warmed: z.boolean(),
  crowding: z.number().nullable(),
  recipe: RecipeBody,
  vessel: VesselFields,
  pull: z.strictObject({ act: z.string(), done: z.string() }),
});
export type Plan = z.infer<typeof Plan>;

export const Brew = z.strictObject({
  id: Id, siteId: Id, place: z.number().int(),
  tea: z.strictObject({ id: Id, name: z.string(), style: Style as z.ZodType<StyleId, StyleId> }),
  lot: z.strictObject({ id: Id, name: z.string() }).nullable(), vesselId: Id, versionId: Id, versionNumber: z.number().int(),
  plan: Plan, state: State, startedBy: Who, startedAt: z.number(), pulledBy: Who.nullable(), judgedBy: Who.nullable(),
  verdict: VerdictBody.nullable(), proposal: ProposalBody.nullable(), accepted: z.boolean().nullable(), remark: z.string(),
});
export type Brew = z.infer<typeof Brew>;

/** The site's bar: every brew not yet judged, and what was brewed last in what. */
export const getBar = endpoint({
  method: 'GET', path: '/api/bar', access: 'trainee',
  response: z.strictObject({ now: z.number(), brews: z.array(Brew), recent: z.array(z.strictObject({ teaId: Id, vesselId: Id, water: z.number() })) }),
});
export type Bar = z.infer<typeof getBar.response>;
export const startBrew = endpoint({
  method: 'POST', path: '/api/brews', access: 'trainee',
  body: z.strictObject({
    id: Id, siteId: Id, teaId: Id,
    /** Null: whichever is in use. A device that has not heard of lots sends none. */
    lotId: Id.nullable().default(null),
    versionId: Id, vesselId: Id, water: quantity<Millilitres>({ min: 1, max: 20_000 }),
    warmed: z.boolean(), warming: z.boolean(), place: z.number().int().min(1).max(12), at: Instant,
  }),
  response: Brew,
});
export type StartBrew = z.input<typeof startBrew.body>;
/** One thing that happened to a brew. A repeated id gets the same answer again. */
export const BrewEventBody = z.discriminatedUnion('kind', [
  z.strictObject({ id: Id, at: Instant, kind: z.literal('waterOn') }),
  z.strictObject({ id: Id, at: Instant, kind: z.literal('pull') }),
  z.strictObject({ id: Id, at: Instant, kind: z.literal('undoPull') }),
  z.strictObject({ id: Id, at: Instant, kind: z.literal('abandon'), reason: Text(200) }),
  z.strictObject({ id: Id, at: Instant, kind: z.literal('judge'), verdict: VerdictBody, proposal: ProposalBody, accepted: z.boolean(), remark: Text(200) }),
]);
export type BrewEventBody = z.infer<typeof BrewEventBody>;
export const addBrewEvent = endpoint({
  method: 'POST', path: '/api/brews/:id/events', access: 'trainee', params: z.strictObject({ id: Id }), body: BrewEventBody, response: Brew,
});
export const getBrew = endpoint({
  method: 'GET', path: '/api/brews/:id', access: 'trainee', params: z.strictObject({ id: Id }),
  response: z.strictObject({ brew: Brew, next: z.strictObject({ id: Id, at: z.number(), verdict: z.string() }).nullable() }),
});

export const VERDICT_FILTERS = ['right', 'off', 'unjudged'] as const;
export const LogQuery = z.strictObject({
  siteId: Id.optional(), teaId: Id.optional(), personId: Id.optional(), verdict: z.enum(VERDICT_FILTERS).optional(),
  /** Keyset: the last row's start and id. */
  before: z.string().regex(/^\d{12,14}_[0-9a-f-]{36}$/).optional(),
});
export type LogQuery = z.infer<typeof LogQuery>;
export const listBrews = endpoint({
  method: 'GET', path: '/api/brews', access: 'trainee', query: LogQuery,
  response: z.strictObject({
    brews: z.array(Brew), next: z.string().nullable(),
    counts: z.strictObject({ all: z.number(), inWindow: z.number(), late: z.number(), early: z.number() }),
    people: z.array(Who),
  }),
});

/** How the last brews of a tea were pulled at the signed person's site: seconds from best, signed. Nobody is named. */
export const getPulls = endpoint({
  method: 'GET', path: '/api/teas/:id/pulls', access: 'trainee', params: z.strictObject({ id: Id }), response: z.strictObject({ errors: z.array(z.number()) }),
});
