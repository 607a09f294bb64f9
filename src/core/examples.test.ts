import { readdirSync, readFileSync } from 'node:fs';
import { basename, join } from 'node:path';

// Every `@example expression // result` in the core is run: an example that is not true is worse than none.

const CORE = join(process.cwd(), 'src/core');
const files = readdirSync(CORE, { recursive: true, encoding: 'utf8' })
  .filter((f) => f.endsWith('.ts') && !f.endsWith('.test.ts') && !f.endsWith('.d.ts'))
  .map((f) => join(CORE, f));
const indexes = files.filter((f) => basename(f) === 'index.ts');

type Example = { readonly file: string; readonly expression: string; readonly result: string };
function examplesIn(file: string): Example[] {
  const comments = readFileSync(file, 'utf8').match(/\/\*\*[\s\S]*?\*\//g) ?? [];
  return comments.flatMap((comment) => {
    const text = comment
      .slice(3, -2)
      .replace(/\n\s*\*?\s?/g, ' ')
      .trim();
    return [...text.matchAll(/@example (.*?)(?= @\w|$)/g)].map(([, example = '']) => {
      const [expression = '', result = ''] = example.split(' // ');
      return { file: file.slice(CORE.length + 1), expression, result: result.trim() };
    });
  });
}
const examples = files.flatMap(examplesIn);

type Scope = Record<string, unknown>;
let scope: Scope = {};
beforeAll(async () => {
  // One after the other: modules that import each other are not read twice at once.
  for (const f of indexes) scope = { ...scope, ...((await import(f)) as Scope) };
});
/** The value of an expression over what the core exports, and what its own file does. */
async function valueOf(file: string, expression: string): Promise<unknown> {
  const own = (await import(join(CORE, file))) as Scope;
  const names = { ...scope, ...own };
  const run = new Function(...Object.keys(names), `return (${expression});`) as (
    ...given: unknown[]
  ) => unknown;
  return run(...Object.values(names));
}
/** A figure with its unit, as "6 g": exact to the digits that are written. */
const FIGURE = /^(-?[\d.]+)(?: [a-zA-Z/ %]+)?$/;

test('there are examples', () => expect(examples.length).toBeGreaterThan(40));
test.each(examples)('$file: $expression', async ({ file, expression, result }) => {
  const value = await valueOf(file, expression);
  const figure = FIGURE.exec(result)?.[1];
  if (figure !== undefined)
    expect(value).toBeCloseTo(Number(figure), figure.split('.')[1]?.length ?? 0);
  else expect(JSON.parse(JSON.stringify(value))).toEqual(await valueOf(file, result));
});
