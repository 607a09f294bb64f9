// Reads cases on standard input, writes them with every `out` filled. `--schema` writes the JSON Schema instead.
import { readFileSync } from 'node:fs';
import { z } from 'zod';
import { predictDocument } from './run';
import { PredictDocument } from './schema';

function fail(why: string): never {
  process.stderr.write(`predict: ${why}\n`);
  process.exit(1);
}

if (process.argv.includes('--schema')) {
  process.stdout.write(
    `${JSON.stringify(z.toJSONSchema(PredictDocument, { io: 'input' }), null, 2)}\n`,
  );
} else {
  let document: unknown;
  try {
    document = JSON.parse(readFileSync(0, 'utf8'));
  } catch (error) {
    fail(`the input is not JSON: ${error instanceof Error ? error.message : String(error)}`);
  }
  const done = predictDocument(document);
  if (done.kind === 'bad') fail(done.why);
  process.stdout.write(`${JSON.stringify(done.document)}\n`);
}
