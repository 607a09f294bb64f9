import type { z } from 'zod';

/** A document of cases with every `out` filled, or what is wrong with it in words that name the case. */
export type Answered =
  | { readonly kind: 'done'; readonly document: Record<string, unknown> }
  | { readonly kind: 'bad'; readonly why: string };
/** Reads what a case asks by its schema. */
export type Read = <S extends z.ZodType>(schema: S, input: unknown) => z.infer<S>;
/** Kinds of case by name, each with how a case of it is read and answered. */
export type Kinds = Readonly<Record<string, (input: unknown, read: Read) => unknown>>;

export const isObject = (v: unknown): v is Record<string, unknown> =>
  typeof v === 'object' && v !== null && !Array.isArray(v);

class BadCase extends Error {}
/** Zod's findings in plain words. */
function plainly(issue: z.core.$ZodRawIssue): string | undefined {
  switch (issue.code) {
    case 'invalid_type':
      return issue.input === undefined
        ? 'is missing'
        : `${JSON.stringify(issue.input)} is not a ${issue.expected}`;
    case 'too_small':
      return `${String(issue.input)} is too little: ${issue.inclusive ? 'at least' : 'more than'} ${String(issue.minimum)}`;
    case 'too_big':
      return `${String(issue.input)} is too much: at most ${String(issue.maximum)}`;
    case 'unrecognized_keys':
      return `${issue.keys.join(', ')} is not known here`;
    default:
      return undefined;
  }
}
const readerOf =
  (name: string): Read =>
  (schema, input) => {
    const result = schema.safeParse(input, { error: plainly });
    if (result.success) return result.data;
    const issue = result.error.issues[0];
    const path = issue?.path.length ? `.${issue.path.map(String).join('.')}` : '';
    throw new BadCase(`${name}: in${path}: ${issue?.message ?? 'cannot be read'}`);
  };

function answerOf(answer: Kinds[string], input: unknown, name: string): unknown {
  try {
    return answer(input, readerOf(name));
  } catch (error) {
    if (error instanceof RangeError) throw new BadCase(`${name}: ${error.message}`);
    throw error;
  }
}

/** Fills every `out` of a document of cases; the first bad case stops it and is named. */
export function answerCases(document: unknown, kinds: Kinds): Answered {
  try {
    if (!isObject(document))
      throw new BadCase('the document is one JSON object with lists of cases');
    const out = Object.entries(document).map(([kind, list]): [string, unknown] => {
      const answer = Object.hasOwn(kinds, kind) ? kinds[kind] : undefined;
      if (!answer)
        throw new BadCase(
          `"${kind}" is not a kind of case known here: ${Object.keys(kinds).join(', ')}`,
        );
      if (!Array.isArray(list)) throw new BadCase(`${kind}: a list of cases is wanted`);
      return [
        kind,
        list.map((c: unknown, i) => {
          const name = `${kind}[${i}]`;
          if (!isObject(c) || !('in' in c)) throw new BadCase(`${name}: a case has an "in"`);
          return { in: c.in, out: answerOf(answer, c.in, name) };
        }),
      ];
    });
    return { kind: 'done', document: Object.fromEntries(out) };
  } catch (error) {
    if (error instanceof BadCase) return { kind: 'bad', why: error.message };
    throw error;
  }
}
