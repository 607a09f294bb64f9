// What of a change breaks a program that calls as before. Compared is what the two documents say, part by part.
import type { OpenApi, Operation } from './document';
import type { JsonSchema } from './schemas';

type Side = { readonly doc: OpenApi; readonly schema: JsonSchema };
const REF = '#/components/schemas/';
function resolved({ doc, schema }: Side): JsonSchema {
  let at = schema;
  while (typeof at.$ref === 'string') at = doc.components.schemas[at.$ref.slice(REF.length)] ?? {};
  return at;
}
const propsOf = (s: JsonSchema) => (s.properties ?? {}) as Record<string, JsonSchema>;
const requiredOf = (s: JsonSchema) => new Set((s.required ?? []) as string[]);
const branchesOf = (s: JsonSchema) => (s.anyOf ?? s.oneOf ?? null) as JsonSchema[] | null;
/** What tells one branch from another: the constants of its properties, else its type. */
const signOf = (side: Side): string => {
  const schema = resolved(side);
  const constants = Object.entries(propsOf(schema))
    .filter(([, p]) => 'const' in p)
    .map(([name, p]) => `${name}=${JSON.stringify(p.const)}`);
  return constants.join(',') || JSON.stringify(schema.const ?? schema.type ?? 'any');
};
const valuesOf = (s: JsonSchema): readonly unknown[] | null =>
  'const' in s ? [s.const] : ((s.enum as unknown[] | undefined) ?? null);

/** Every whole number is a number. */
const typesOf = (s: JsonSchema): string[] | null =>
  s.type === undefined
    ? null
    : [s.type].flat().map((type) => (type === 'integer' ? 'number' : String(type)));

type Found = (at: string, what: string) => void;
/** `sent`: what a program sends must go on being taken. Otherwise: what it was answered must go on being there. */
function compare(
  before: Side,
  after: Side,
  sent: boolean,
  at: string,
  found: Found,
  seen: Set<string>,
) {
  const key = `${String(before.schema.$ref)} ${String(after.schema.$ref)} ${sent}`;
  if (before.schema.$ref !== undefined && seen.has(key)) return;
  seen.add(key);
  const [a, b] = [resolved(before), resolved(after)];
  const [branchesA, branchesB] = [branchesOf(a), branchesOf(b)];
  if (branchesA || branchesB)
    return compareBranches(
      (branchesA ?? [a]).map((schema) => ({ doc: before.doc, schema })),
      (branchesB ?? [b]).map((schema) => ({ doc: after.doc, schema })),
      sent,
      at,
      found,
      seen,
    );
  const [must, among] = sent ? [typesOf(a), typesOf(b)] : [typesOf(b), typesOf(a)];
  if (must && among && must.some((type) => !among.includes(type)))
    return found(at, `is ${typesOf(b)?.join(' or ')}, was ${typesOf(a)?.join(' or ')}`);
  if (sent) {
    const [old, now] = [valuesOf(a), valuesOf(b)];
    if (now)
      for (const v of old ?? []) if (!now.includes(v)) found(at, `takes ${String(v)} no more`);
    narrowed(a, b, at, found);
  }
  compareProperties(before.doc, after.doc, a, b, sent, at, found, seen);
  if (a.items && b.items)
    compare(
      { doc: before.doc, schema: a.items as JsonSchema },
      { doc: after.doc, schema: b.items as JsonSchema },
      sent,
      `${at}[]`,
      found,
      seen,
    );
}
function narrowed(a: JsonSchema, b: JsonSchema, at: string, found: Found) {
  for (const least of ['minimum', 'minLength', 'minItems'])
    if (Number(b[least] ?? -Infinity) > Number(a[least] ?? -Infinity))
      found(at, `${least} is ${String(b[least])}, was ${String(a[least] ?? 'none')}`);
  for (const most of ['maximum', 'maxLength', 'maxItems'])
    if (Number(b[most] ?? Infinity) < Number(a[most] ?? Infinity))
      found(at, `${most} is ${String(b[most])}, was ${String(a[most] ?? 'none')}`);
  if (b.pattern !== undefined && b.pattern !== a.pattern) found(at, 'has another pattern');
}
function compareBranches(
  before: Side[],
  after: Side[],
  sent: boolean,
  at: string,
  found: Found,
  seen: Set<string>,
) {
  // What was sent must find its branch again; what is answered must be one that was known.
  const [must, among] = sent ? [before, after] : [after, before];
  for (const [i, one] of must.entries()) {
    const sign = signOf(one);
    // Of several that nothing tells apart the first is held against the first, and so on.
    const place = must.slice(0, i).filter((m) => signOf(m) === sign).length;
    const alike = among.filter((o) => signOf(o) === sign);
    const other = alike[Math.min(place, alike.length - 1)];
    if (!other) found(at, sent ? `takes ${sign} no more` : `may be ${sign} now`);
    else if (sent) compare(one, other, sent, at, found, seen);
    else compare(other, one, sent, at, found, seen);
  }
}
function compareProperties(
  docA: OpenApi,
  docB: OpenApi,
  a: JsonSchema,
  b: JsonSchema,
  sent: boolean,
  at: string,
  found: Found,
  seen: Set<string>,
) {
  const [propsA, propsB] = [propsOf(a), propsOf(b)];
  const [needA, needB] = [requiredOf(a), requiredOf(b)];
  for (const [name, schema] of Object.entries(propsA)) {
    const now = propsB[name];
    const where = `${at}.${name}`;
    if (!now) {
      if (!sent || b.additionalProperties === false) found(where, 'is gone');
      continue;
    }
    if (!sent && needA.has(name) && !needB.has(name)) found(where, 'may be missing now');
    compare({ doc: docA, schema }, { doc: docB, schema: now }, sent, where, found, seen);
  }
  if (sent)
    for (const name of needB) if (!needA.has(name)) found(`${at}.${name}`, 'is required now');
}

const bodyOf = (o: Operation): JsonSchema | null => {
  const content = (o.requestBody?.content ?? {}) as Record<string, { schema?: JsonSchema }>;
  return content['application/json']?.schema ?? null;
};
const answerOf = (o: Operation): JsonSchema | null => {
  const content = (o.responses['200']?.content ?? {}) as Record<string, { schema?: JsonSchema }>;
  return content['application/json']?.schema ?? null;
};
const ACCESS = ['public', 'trainee', 'brewer', 'lead'];
function compareOperations(docA: OpenApi, docB: OpenApi, a: Operation, b: Operation, found: Found) {
  const access: [string, string] = [a['x-limnos-access'], b['x-limnos-access']];
  if (
    access[0] !== access[1] &&
    (access.includes('key') || ACCESS.indexOf(access[1]) > ACCESS.indexOf(access[0]))
  )
    found('access', `is for a ${access[1]}, was for a ${access[0]}`);
  const given = (o: Operation) => new Map((o.parameters ?? []).map((p) => [String(p.name), p]));
  const [paramsA, paramsB] = [given(a), given(b)];
  for (const [name, p] of paramsA) {
    const now = paramsB.get(name);
    if (!now) found(`parameter ${name}`, 'is gone');
    else
      compare(
        { doc: docA, schema: p.schema as JsonSchema },
        { doc: docB, schema: now.schema as JsonSchema },
        true,
        `parameter ${name}`,
        found,
        new Set(),
      );
  }
  for (const [name, p] of paramsB)
    if (p.required && !paramsA.has(name)) found(`parameter ${name}`, 'is required now');
  const [bodyA, bodyB] = [bodyOf(a), bodyOf(b)];
  if (bodyB)
    compare(
      { doc: docA, schema: bodyA ?? { type: 'object' } },
      { doc: docB, schema: bodyB },
      true,
      'body',
      found,
      new Set(),
    );
  const [answerA, answerB] = [answerOf(a), answerOf(b)];
  if (answerA)
    compare(
      { doc: docA, schema: answerA },
      { doc: docB, schema: answerB ?? {} },
      false,
      'answer',
      found,
      new Set(),
    );
}
/** Every change that breaks a program that calls as before, one line each; sorted. */
export function breakingChanges(before: OpenApi, after: OpenApi): string[] {
  const lines = new Set<string>();
  for (const [path, methods] of Object.entries(before.paths))
    for (const [method, a] of Object.entries(methods)) {
      const name = `${method.toUpperCase()} ${path}`;
      const b = after.paths[path]?.[method];
      if (!b) lines.add(`${name} is gone`);
      else
        compareOperations(before, after, a, b, (at, what) => lines.add(`${name}: ${at} ${what}`));
    }
  return [...lines].sort();
}
