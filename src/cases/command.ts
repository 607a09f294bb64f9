import { readFileSync } from 'node:fs';
import { z } from 'zod';
import { answerCases, type Kinds } from './run';

/** Reads cases on standard input, writes them with every `out` filled. `--schema` writes the JSON Schema instead. */
export function runCommand(name: string, document: z.ZodType, kinds: Kinds): void {
  const fail = (why: string): never => {
    process.stderr.write(`${name}: ${why}\n`);
    process.exit(1);
  };
  const read = (): unknown => {
    try {
      return JSON.parse(readFileSync(0, 'utf8'));
    } catch (error) {
      return fail(
        `the input is not JSON: ${error instanceof Error ? error.message : String(error)}`,
      );
    }
  };
  if (process.argv.includes('--schema')) {
    process.stdout.write(`${JSON.stringify(z.toJSONSchema(document, { io: 'input' }), null, 2)}\n`);
    return;
  }
  const done = answerCases(read(), kinds);
  if (done.kind === 'bad') fail(done.why);
  else process.stdout.write(`${JSON.stringify(done.document)}\n`);
}
