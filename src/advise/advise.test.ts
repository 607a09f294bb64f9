import { spawnSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { z } from 'zod';
import { answerAdviseCases } from './answers';
import { AdviseDocument } from './schema';

type Lever = { mean: number; sd: number };
type Out = {
  belief: { leaf: Lever; heat: Lever; time: Lever };
  loss: number;
  change: { gPer100ml: number; temperatureC: number; seconds: number } | null;
  lossAfter: number;
  chanceBetter: number | null;
};
const RECIPE = { gPer100ml: 1.2, temperatureC: 92, seconds: 210 };
const marks = { strength: 0, bitterness: 0, astringency: 0, sweetness: 0, aroma: 0 };
const cup = (over: object = {}) => ({ plan: RECIPE, seconds: 210, marks, ...over });
const asked = (cups: object[], over: object = {}) => ({
  advise: [{ in: { style: 'black-whole', waterMl: 500, recipe: RECIPE, cups, ...over } }],
});
function answered(cups: object[], over: object = {}): Out {
  const found = answerAdviseCases(asked(cups, over));
  if (found.kind !== 'done') throw new Error(JSON.stringify(found));
  return (found.document as { advise: { out: Out }[] }).advise[0]?.out as Out;
}

test('no cup: what was known before, and nothing to change', () => {
  const out = answered([]);
  expect(out.belief).toEqual({
    leaf: { mean: 0, sd: 1.5 },
    heat: { mean: 0, sd: 1.5 },
    time: { mean: 0, sd: 1.5 },
  });
  expect(out).toMatchObject({ loss: 0, change: null, lossAfter: 0, chanceBetter: null });
  expect(answered([], { priorSd: 1 }).belief.heat.sd).toBe(1);
});
test('cups that were right make it surer; cups that were too much by leaf that was weighed do not move the recipe far', () => {
  const right = answered([cup(), cup(), cup()]);
  expect(right.belief.leaf.sd).toBeLessThan(1);
  expect(right.change).toBeNull();
  const heavy = { ...marks, strength: 1, bitterness: 1, astringency: 1 };
  const spooned = answered([cup({ marks: heavy }), cup({ marks: heavy })]);
  const weighed = answered([
    cup({ marks: heavy, leafGrams: 7.5 }),
    cup({ marks: heavy, leafGrams: 7.5 }),
  ]);
  expect(spooned.change).not.toBeNull();
  expect(spooned.chanceBetter).toBeGreaterThan(0.7);
  expect(weighed.loss).toBeLessThan(spooned.loss / 2);
});
test('cups of an older version count, moved by what was changed since', () => {
  const heavy = { ...marks, strength: 1, bitterness: 1, astringency: 1 };
  const old = { ...RECIPE, gPer100ml: 1.2 * 1.15 };
  const out = answered([cup({ plan: old, marks: heavy }), cup({ plan: old, marks: heavy })]);
  const same = answered([cup({ marks: heavy }), cup({ marks: heavy })]);
  expect(out.belief.leaf.mean).toBeLessThan(same.belief.leaf.mean);
});
const why = (document: unknown): string => {
  const found = answerAdviseCases(document);
  return found.kind === 'done' ? '' : JSON.stringify(found);
};
test.each<[string, unknown, RegExp]>([
  ['a style nobody knows', asked([], { style: 'moon' }), /not a style known here/],
  ['a cup without a mark', asked([cup({ marks: {} })]), /at least one mark/],
  ['no leaf', asked([cup({ leafGrams: 0 })]), /leafGrams/],
  ['a mark of three', asked([cup({ marks: { strength: 3 } })]), /a mark is -2, -1, 0, 1 or 2/],
  ['a kind unknown', { advice: [] }, /not a kind of case known here: advise/],
])('%s is named', (_name, document, words) => expect(why(document)).toMatch(words));
test('the schema beside the document is the one in use', () => {
  expect(JSON.parse(readFileSync('docs/formats/advise.schema.json', 'utf8'))).toEqual(
    JSON.parse(JSON.stringify(z.toJSONSchema(AdviseDocument, { io: 'input' }))),
  );
});
test('the command reads cases and writes them filled; a bad case ends it with 1 and one line', () => {
  const run = (input: string) =>
    spawnSync(process.execPath, ['scripts/advise.mjs'], { input, encoding: 'utf8' });
  const good = run(JSON.stringify(asked([cup()])));
  expect(good.status).toBe(0);
  expect(JSON.parse(good.stdout).advise[0].out).toEqual(answered([cup()]));
  const bad = run(JSON.stringify(asked([], { waterMl: 0 })));
  expect([bad.status, bad.stdout, bad.stderr.trim().split('\n').length]).toEqual([1, '', 1]);
  expect(bad.stderr).toMatch(/^advise: advise\[0\]: in\.waterMl/);
});
