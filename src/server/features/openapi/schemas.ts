import { z } from 'zod';
import { CONTRACTS } from '#contracts/all';
import { ErrorBody } from '#contracts/errors';

export type JsonSchema = { [key: string]: unknown };
/** What is sent is checked as it comes, what is answered as it goes: a default is optional one way only. */
export type Way = 'input' | 'output';

const isSchema = (v: unknown): v is z.ZodType => v instanceof z.ZodType;
/** The named schemas of all contracts; the first name of a schema stands. */
const NAMED: ReadonlyMap<z.ZodType, string> = (() => {
  const found = new Map<z.ZodType, string>([[ErrorBody, 'Error']]);
  const taken = new Set(found.values());
  for (const module of Object.values(CONTRACTS))
    for (const [name, value] of Object.entries(module))
      if (isSchema(value) && /^[A-Z][a-z]/.test(name) && !found.has(value) && !taken.has(name)) {
        found.set(value, name);
        taken.add(name);
      }
  return found;
})();

const PREFIX = '#/components/schemas/';
/** What is sent has the name with this behind, where it differs from what is answered. */
const SENT = 'Sent';

/** JSON Schema of many at once: named ones once, and referred to. `inline` are those of the endpoints, by a name each. */
function allAt(way: Way, inline: ReadonlyMap<string, z.ZodType>): Record<string, JsonSchema> {
  const registry = z.registry<{ id: string }>();
  for (const [schema, name] of NAMED) registry.add(schema, { id: name });
  const alone = new Map<string, string>();
  for (const [id, schema] of inline) {
    const name = registry.get(schema)?.id;
    if (name === undefined) registry.add(schema, { id });
    else alone.set(id, name);
  }
  const { schemas } = z.toJSONSchema(registry, {
    io: way,
    unrepresentable: 'any',
    uri: (id) => `${PREFIX}${id}`,
  }) as unknown as { schemas: Record<string, JsonSchema> };
  const clean = Object.fromEntries(
    Object.entries(schemas).map(([name, { $schema: _s, $id: _i, id: _n, ...schema }]) => [
      name,
      schema as JsonSchema,
    ]),
  );
  const shared = new Set(NAMED.values());
  for (const [id, name] of alone)
    clean[id] = shared.has(name) ? { $ref: `${PREFIX}${name}` } : (clean[name] ?? {});
  return clean;
}
const renamed = (schema: unknown, names: ReadonlyMap<string, string>): unknown => {
  if (Array.isArray(schema)) return schema.map((s) => renamed(s, names));
  if (typeof schema !== 'object' || schema === null) return schema;
  return Object.fromEntries(
    Object.entries(schema).map(([key, value]) =>
      key === '$ref' && typeof value === 'string' && value.startsWith(PREFIX)
        ? [key, `${PREFIX}${names.get(value.slice(PREFIX.length)) ?? value.slice(PREFIX.length)}`]
        : [key, renamed(value, names)],
    ),
  );
};
/** Names that a schema refers to. */
function referredBy(schema: unknown, into = new Set<string>()): Set<string> {
  if (Array.isArray(schema)) for (const s of schema) referredBy(s, into);
  else if (typeof schema === 'object' && schema !== null)
    for (const [key, value] of Object.entries(schema))
      if (key === '$ref' && typeof value === 'string') into.add(value.slice(PREFIX.length));
      else referredBy(value, into);
  return into;
}

/** The schemas of endpoints, both ways, and the named ones that they refer to. */
export function schemasOf(
  sent: ReadonlyMap<string, z.ZodType>,
  answered: ReadonlyMap<string, z.ZodType>,
) {
  const answers = allAt('output', answered);
  const requests = allAt('input', sent);
  const names = new Map(
    [...NAMED.values()]
      .filter((name) => JSON.stringify(requests[name]) !== JSON.stringify(answers[name]))
      .map((name) => [name, `${name}${SENT}`]),
  );
  const of = Object.fromEntries([
    ...[...answered.keys()].map((id) => [id, answers[id]]),
    ...[...sent.keys()].map((id) => [id, renamed(requests[id], names)]),
  ]) as Record<string, JsonSchema>;
  const pool: Record<string, JsonSchema> = {};
  for (const name of NAMED.values()) {
    const [answer, request] = [answers[name], requests[name]];
    if (answer) pool[name] = answer;
    const own = names.get(name);
    if (own !== undefined && request) pool[own] = renamed(request, names) as JsonSchema;
  }
  // What one endpoint alone has may be a part of another.
  for (const id of [...answered.keys(), ...sent.keys()]) pool[id] ??= of[id] ?? {};
  const components: Record<string, JsonSchema> = {};
  const take = (name: string): void => {
    const schema = pool[name];
    if (!schema || name in components) return;
    components[name] = schema;
    for (const next of referredBy(schema)) take(next);
  };
  for (const name of referredBy(of)) take(name);
  take('Error');
  return { of, components };
}
