// Values for a contract: mostly as it asks for, some nearly, some not at all. All chance comes from the one number
// given.
import { z } from 'zod';

export type Chance = () => number;
export const pick = <T>(chance: Chance, list: readonly T[]): T =>
  list[Math.floor(chance() * list.length)] as T;

type Schema = {
  type?: string | string[];
  enum?: unknown[];
  const?: unknown;
  anyOf?: Schema[];
  oneOf?: Schema[];
  allOf?: Schema[];
  properties?: Record<string, Schema>;
  required?: string[];
  items?: Schema;
  prefixItems?: Schema[];
  additionalProperties?: Schema | boolean;
  propertyNames?: Schema;
  format?: string;
  minimum?: number;
  maximum?: number;
  minItems?: number;
  maxItems?: number;
  maxLength?: number;
  $ref?: string;
  $defs?: Record<string, Schema>;
};
/** A contract's schema as data; what has no form in JSON is anything. */
export const schemaOf = (type: z.ZodType): Schema =>
  z.toJSONSchema(type, { io: 'input', unrepresentable: 'any' }) as Schema;

const HOSTILE: readonly unknown[] = [
  null,
  '',
  ' ',
  '%',
  '%00',
  '\u0000',
  '\ud83c',
  'a'.repeat(260),
  'a'.repeat(5000),
  ' '.repeat(3000),
  "'; drop table people; --",
  '../../etc/passwd',
  '<svg onload=alert(1)>',
  '=1+1',
  '１２',
  -1,
  0,
  -0,
  1e-300,
  1e308,
  9_007_199_254_740_993,
  8_640_000_000_000_001,
  -62_135_596_800_001,
  0.1 + 0.2,
  true,
  [],
  {},
  [[[[[[]]]]]],
  { __proto__: null, constructor: { prototype: {} } },
  Array.from({ length: 300 }, () => 0),
];
const TEXTS = [
  'Tolvane Amber',
  'a',
  'ümläut 茶 🍵',
  '2:30',
  '95 °C',
  'pot',
  'all',
  '2026-02-29',
  'two\nlines\tand a tab',
];

/** What stands where a kind of value is asked for: ids of things that are there, and the present. */
export type World = { readonly ids: readonly string[]; readonly now: number };

/** A value of a schema; the deeper it stands, the plainer. */
export function valueOf(schema: Schema, world: World, chance: Chance, deep = 0): unknown {
  if (chance() < 0.02) return pick(chance, HOSTILE);
  const root = schema;

  function ofSchema(s: Schema, depth: number): unknown {
    if (chance() < 0.008) return pick(chance, HOSTILE);
    if (s.$ref) {
      const named = root.$defs?.[s.$ref.split('/').at(-1) ?? ''];
      return named && depth < 8 ? ofSchema(named, depth + 1) : null;
    }
    if (s.const !== undefined) return s.const;
    if (s.enum) return pick(chance, s.enum);
    const any = s.anyOf ?? s.oneOf;
    if (any) return ofSchema(pick(chance, any), depth);
    if (s.allOf) return Object.assign({}, ...s.allOf.map((part) => ofSchema(part, depth)));
    const type = Array.isArray(s.type) ? pick(chance, s.type) : s.type;
    switch (type) {
      case 'object':
        return anObject(s, depth);
      case 'array':
        return aList(s, depth);
      case 'number':
      case 'integer':
        return aNumber(s, type === 'integer');
      case 'boolean':
        return chance() < 0.5;
      case 'null':
        return null;
      case 'string':
        return aText(s);
      default:
        return pick(chance, [...HOSTILE, ...TEXTS]);
    }
  }
  function anObject(s: Schema, depth: number): unknown {
    const known = Object.entries(s.properties ?? {}).filter(
      ([name]) => s.required?.includes(name) || chance() < 0.5,
    );
    const made = Object.fromEntries(
      known
        .filter(() => chance() > 0.01)
        .map(([name, of]) => [name, ofSchema(of, depth + 1)] as const),
    );
    if (s.additionalProperties && typeof s.additionalProperties === 'object')
      for (let i = Math.floor(chance() * 4); i > 0; i--)
        made[pick(chance, [...TEXTS, ...world.ids])] = ofSchema(s.additionalProperties, depth + 1);
    if (chance() < 0.01) made.notAsked = 1;
    return made;
  }
  function aList(s: Schema, depth: number): unknown {
    if (s.prefixItems) return s.prefixItems.map((of) => ofSchema(of, depth + 1));
    const [least, most] = [s.minItems ?? 0, Math.min(s.maxItems ?? 4, (s.minItems ?? 0) + 4)];
    const n = chance() < 0.02 ? 400 : least + Math.floor(chance() * (most - least + 1));
    return Array.from({ length: n }, () => ofSchema(s.items ?? {}, depth + 1));
  }
  function aNumber(s: Schema, whole: boolean): number {
    const [least, most] = [s.minimum ?? -1000, s.maximum ?? 1000];
    // An instant is wanted near the present; else it is refused as one, and nothing behind it is reached.
    if (most > 1e12 && chance() < 0.9) return world.now - Math.floor(chance() * 600_000);
    const between = least + chance() * (most - least);
    const edge = chance() < 0.3 ? pick(chance, [least, most]) : between;
    return whole ? Math.round(edge) : edge;
  }
  function aText(s: Schema): string {
    if (s.format === 'uuid') return pick(chance, world.ids);
    return pick(chance, TEXTS).slice(0, s.maxLength ?? 1000);
  }
  return ofSchema(schema, deep);
}
