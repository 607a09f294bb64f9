import { z } from 'zod';

/** What the cases of several commands ask in the same way. Units are in the names. */
export const oneOf = <T extends string>(names: readonly T[], what: string) =>
  z.enum(names as readonly [T, ...T[]], {
    error: (i) => `${JSON.stringify(i.input)} is not a ${what} known here: ${names.join(', ')}`,
  });
export const number = (min: number, max: number) => z.number().min(min).max(max);
export const leafGrams = z.number().gt(0).max(5000);
export const waterMl = z.number().gt(0).max(100_000);
export const mark = z.union(
  [-2, -1, 0, 1, 2].map((m) => z.literal(m as -2 | -1 | 0 | 1 | 2)) as [
    z.ZodLiteral<-2>,
    z.ZodLiteral<-1>,
    z.ZodLiteral<0>,
    z.ZodLiteral<1>,
    z.ZodLiteral<2>,
  ],
  { error: 'a mark is -2, -1, 0, 1 or 2' },
);

const caseOf = (input: z.ZodType) => z.strictObject({ in: input, out: z.unknown().optional() });
/** The whole document of a command, for its JSON Schema. */
export const documentOf = (command: string, inputs: Readonly<Record<string, z.ZodType>>) =>
  z
    .strictObject(
      Object.fromEntries(
        Object.entries(inputs).map(([kind, input]) => [kind, z.array(caseOf(input)).optional()]),
      ),
    )
    .meta({
      title: `Cases for the ${command} command`,
      description:
        'Any subset of the kinds. `out` is ignored on the way in and filled on the way out.',
    });
