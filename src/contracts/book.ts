import { z } from 'zod';
import { STYLE_IDS, type StyleId } from '#core/styles';
import { METHOD_NAMES, type Method, type Recipe } from '#core/recipes';
import { SPOON_KINDS, type Celsius, type Grams, type GramsPer100Ml, type Millilitres, type Seconds, type SpoonKind } from '#core/units';
import { MATERIAL_NAMES, type Material } from '#core/heat';
import { INFUSER_KINDS, type InfuserKind } from '#core/vessels';
import { endpoint } from './endpoint';
import { Id, Name, quantity, Text, Who } from './primitives';

const oneOf = <T extends string>(names: readonly T[]) => z.enum(names as readonly [T, ...T[]]);
export const Style = oneOf<StyleId>(STYLE_IDS);
export const MethodName = oneOf<Method>(METHOD_NAMES);
export const Spoon = oneOf<SpoonKind>(SPOON_KINDS);

const KnownGood = z.strictObject({ water: quantity<Millilitres>({ min: 20, max: 20_000 }), leaf: quantity<Grams>({ min: 0.1, max: 2000 }) });
const KnownPour = KnownGood.extend({ infuser: oneOf<InfuserKind>(INFUSER_KINDS), basket: quantity<Millilitres>({ min: 5, max: 20_000 }).nullable(), material: oneOf<Material>(MATERIAL_NAMES), lid: z.boolean() });
const Steep = quantity<Seconds>({ min: 5, max: 3600 });
export const RecipeBody = z.strictObject({
  dose: quantity<GramsPer100Ml>({ min: 0.05, max: 20 }),
  scaling: z.discriminatedUnion('school', [
    z.strictObject({ school: z.literal('linear') }),
    z.strictObject({ school: z.literal('tapered'), small: KnownGood, large: KnownGood }),
    z.strictObject({ school: z.literal('match'), known: KnownPour }),
  ]),
  temperature: quantity<Celsius>({ min: 2, max: 100 }),
  window: z.strictObject({ earliest: Steep, best: Steep, latest: Steep })
    .refine((w) => w.earliest <= w.best && w.best <= w.latest, 'Earliest, best and latest must come in that order.'),
  warm: z.boolean(),
  lid: z.boolean(),
  later: z.array(Steep).max(12).readonly(),
  note: Text(300),
}) satisfies z.ZodType<Recipe>;

export const VERSION_STATES = ['draft', 'trial', 'house', 'retired'] as const;
export const Version = z.strictObject({
  id: Id, teaId: Id, number: z.number().int(), state: z.enum(VERSION_STATES), recipe: RecipeBody, reason: z.string(), author: Who, at: z.number(),
});
export type Version = z.infer<typeof Version>;

const Weighing = z.strictObject({ spoon: Spoon, spoons: z.number().min(0.25).max(100), weighed: quantity<Grams>({ min: 0.1, max: 1000 }) });
export const TeaFields = z.strictObject({
  name: Name, style: Style, method: MethodName, lot: Text(60), words: Text(200), allergens: Text(200), note: Text(500),
  weighing: Weighing.nullable(), spoon: Spoon,
});
export type TeaFields = z.infer<typeof TeaFields>;
export const Tea = TeaFields.extend({ id: Id, rev: z.number().int(), retired: z.boolean(), house: Version.nullable(), trial: Version.nullable() });
export type Tea = z.infer<typeof Tea>;

/** A brewer's accepted correction, waiting for a lead. */
export const LeadNote = z.strictObject({
  id: Id, teaId: Id, brewId: Id, by: Who, at: z.number(), headline: z.string(), change: z.string(), found: z.string(), fromTrainee: z.boolean(),
});
export type LeadNote = z.infer<typeof LeadNote>;

export const getBook = endpoint({ method: 'GET', path: '/api/book', access: 'trainee', response: z.strictObject({ teas: z.array(Tea) }) });
export const getTea = endpoint({
  method: 'GET', path: '/api/teas/:id', access: 'trainee', params: z.strictObject({ id: Id }),
  response: z.strictObject({
    tea: Tea, versions: z.array(Version), notes: z.array(LeadNote),
    /** Brews by the version they used; one without is not there. */
    uses: z.record(Id, z.number().int()),
  }),
});
export type TeaPage = z.infer<typeof getTea.response>;
export const addTea = endpoint({
  method: 'POST', path: '/api/teas', access: 'lead',
  body: TeaFields.extend({ id: Id, versionId: Id, recipe: RecipeBody }), response: Tea,
});
export const changeTea = endpoint({
  method: 'PATCH', path: '/api/teas/:id', access: 'lead', params: z.strictObject({ id: Id }),
  body: TeaFields.extend({ rev: z.number().int(), retired: z.boolean() }), response: Tea,
});
/** A new version, for the house or on trial beside it; `basedOn` is the number the lead was looking at. */
export const addVersion = endpoint({
  method: 'POST', path: '/api/teas/:id/versions', access: 'lead', params: z.strictObject({ id: Id }),
  body: z.strictObject({
    id: Id, basedOn: z.number().int(), as: z.enum(['house', 'trial']), recipe: RecipeBody, reason: Text(300).min(1, 'Say why: the next lead reads it.'), settles: z.array(Id).max(50),
  }),
  response: Version,
});
/** A trial that was right becomes the house recipe; the one before is retired. Done twice it is done once. */
export const adoptVersion = endpoint({
  method: 'POST', path: '/api/versions/:id/adopt', access: 'lead', params: z.strictObject({ id: Id }), response: Version,
});
export const settleNote = endpoint({
  method: 'POST', path: '/api/notes/:id/settle', access: 'lead', params: z.strictObject({ id: Id }), response: z.strictObject({}),
});
