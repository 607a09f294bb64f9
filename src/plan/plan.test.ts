import { spawnSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { z } from 'zod';
import { planWeek } from '#core/coldPlan';
import { alike } from '../../test/alike';
import { judgePlan } from '../../test/planRules';
import { answerPlanCases, planProblemOf } from './answers';
import { CASE_INPUTS, PlanDocument } from './schema';

type Cases = Record<string, { in: Record<string, unknown>; out: unknown }[]>;
const CASES = JSON.parse(readFileSync('test/reference/cold.json', 'utf8')) as Cases;
const KINDS = Object.keys(CASE_INPUTS);
const filled = (document: unknown): Cases => {
  const p = answerPlanCases(document);
  if (p.kind === 'bad') throw new Error(p.why);
  return p.document as Cases;
};
const why = (document: unknown) => {
  const p = answerPlanCases(document);
  return p.kind === 'bad' ? p.why : '';
};

test.each(KINDS.filter((kind) => kind !== 'plan'))(
  'every %s case comes out as it should, whatever stands there',
  (kind) => {
    const cases = CASES[kind] ?? [];
    expect(cases.length).toBeGreaterThan(5);
    const got = filled({ [kind]: cases.map((c) => ({ in: c.in, out: 'ignored' })) })[kind];
    expect(got).toHaveLength(cases.length);
    cases.forEach((c, i) => {
      expect(got?.[i]?.in).toEqual(c.in);
      alike(got?.[i]?.out, c.out, 1e-4, `${kind}[${i}]`);
    });
  },
);
type Vectors = { vector: number[]; bound: number[]; proven: boolean; within?: (number | null)[] };
/** Read level by level: the first one that is not the best decides, within its leeway; null leaves the rest free. */
function expectNear(name: string, got: Vectors, want: Vectors): void {
  for (const [level, best] of want.vector.entries()) {
    const leeway = want.within ? want.within[level] : 0;
    const value = got.vector[level] ?? NaN;
    if (leeway === null || leeway === undefined) return;
    expect([name, level, value >= best, value <= best + leeway]).toEqual([name, level, true, true]);
    if (value !== best) return;
  }
}
describe('plans', () => {
  const cases = CASES.plan ?? [];
  const asked = cases.map((c) => ({ in: c.in, out: 'ignored' }));
  const got = filled({ plan: asked }).plan ?? [];
  test('every case has the best plan there is, or one within its leeway; refused pins are named', () => {
    expect(got).toHaveLength(42);
    cases.forEach((c, i) => {
      const [out, want] = [got[i]?.out as Vectors, c.out as Vectors & { refused?: unknown }];
      if (want.refused) expect(out).toEqual({ refused: want.refused });
      else expectNear(`plan[${i}]`, out, want);
      if (want.proven && !want.within)
        expect(out).toMatchObject({ proven: true, bound: want.bound });
    });
  });
  test('every plan keeps the rules and is worth what it says; no bound lies above the best', () => {
    cases.forEach((c, i) => {
      const out = got[i]?.out as Vectors & { refused?: unknown };
      if (out.refused) return;
      const problem = planProblemOf(c.in);
      const { faults, merit } = judgePlan(problem, planWeek(problem));
      expect([i, faults, Object.values(merit)]).toEqual([i, [], out.vector]);
      const best = (c.out as Vectors).vector;
      const first = out.bound.findIndex((b, level) => b !== best[level]);
      if (first >= 0) expect(out.bound[first]).toBeLessThan(best[first] ?? 0);
    });
  });
});

const chill = (over: object = {}) => ({ chill: [{ in: { ...CASES.chill?.[0]?.in, ...over } }] });
const discard = (over: object) => ({ discard: [{ in: { ...CASES.discard?.[0]?.in, ...over } }] });
test.each<[string, unknown, RegExp]>([
  ['no leaf', chill({ leafGrams: 0 }), /^chill\[0\]: in\.leafGrams: 0 is too little: more than 0/],
  ['a vessel of wood', chill({ material: 'wood' }), /"wood" is not a material known here: glass/],
  ['six days', discard({ keepHours: 144 }), /in\.keepHours: 144 is too much: at most 120/],
  ['lifted before it began', discard({ liftAt: '2026-02-14T12:00:00Z' }), /lifted before the leaf/],
  ['a zone nobody knows', discard({ zone: 'Mars/Base' }), /"Mars\/Base" is not a zone known here/],
  [
    'an instant without its zone',
    discard({ startAt: '2026-02-14T12:00' }),
    /^discard\[0\]: in\.startAt/,
  ],
  ['a kind unknown', { brews: [] }, /"brews" is not a kind of case known here: chill, course/],
])('%s is named', (_name, document, words) => expect(why(document)).toMatch(words));
test('the schema beside the document is the one in use', () => {
  expect(JSON.parse(readFileSync('docs/formats/plan.schema.json', 'utf8'))).toEqual(
    JSON.parse(JSON.stringify(z.toJSONSchema(PlanDocument, { io: 'input' }))),
  );
  const known = Object.fromEntries(KINDS.map((kind) => [kind, CASES[kind]]));
  expect(PlanDocument.safeParse(known).success).toBe(true);
});
test('the command reads cases and writes them filled; a bad case ends it with 1 and one line', () => {
  const run = (input: string) =>
    spawnSync(process.execPath, ['scripts/plan.mjs'], { input, encoding: 'utf8' });
  const good = run(JSON.stringify({ dilute: CASES.dilute }));
  expect(good.status).toBe(0);
  alike((JSON.parse(good.stdout) as Cases).dilute, CASES.dilute, 1e-4, 'dilute');
  const bad = run(JSON.stringify(chill({ leafGrams: -1 })));
  expect([bad.status, bad.stdout, bad.stderr.trim().split('\n').length]).toEqual([1, '', 1]);
});
