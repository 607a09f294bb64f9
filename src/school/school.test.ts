import { spawnSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { z } from 'zod';
import { alike } from '../../test/alike';
import { answerSchoolCases } from './answers';
import { CASE_INPUTS, SchoolDocument } from './schema';

// Every case was worked out apart from this code: intervals, evidence, sign-offs, dates, levels, and cups with what they
// could be, what mends them and what an answer is worth.

type Case = { in: Record<string, unknown>; out: Record<string, unknown> };
type Cases = Record<string, Case[]>;
const CASES = JSON.parse(readFileSync('test/reference/school.json', 'utf8')) as Cases;
const KINDS = Object.keys(CASE_INPUTS);
const filled = (document: unknown): Cases => {
  const p = answerSchoolCases(document);
  if (p.kind === 'bad') throw new Error(p.why);
  return p.document as Cases;
};
const why = (document: unknown) => {
  const p = answerSchoolCases(document);
  return p.kind === 'bad' ? p.why : '';
};
const answered = (kind: string): Case[] =>
  filled({ [kind]: (CASES[kind] ?? []).map((c) => ({ in: c.in, out: 'ignored' })) })[kind] ?? [];

test.each(KINDS.filter((kind) => kind !== 'diagnose'))(
  'every %s case comes out as it should, whatever stands there',
  (kind) => {
    const got = answered(kind);
    expect(got.length).toBeGreaterThan(7);
    got.forEach((c, i) => {
      expect(c.in).toEqual(CASES[kind]?.[i]?.in);
      alike(c.out, CASES[kind]?.[i]?.out, 1e-3, `${kind}[${i}]`);
    });
  },
);

type Bracket = { lever: string; low: number; high: number; best: number; worst: number };
type Cup = {
  colour: { deltaE: number; darker: boolean };
  house: number[];
  cup: number[];
  rivals: Record<string, number>;
  brackets: Bracket[];
  right: string[];
  scored?: Record<string, number | string>;
};
const expectNear = (got: number, wanted: number, by: number) =>
  expect(Math.abs(got - wanted)).toBeLessThanOrEqual(by);
/** Figures within what rounding and another order of summing may do to them; all else exactly. */
function expectSameCup(got: Cup, want: Cup): void {
  const figures = ['colour', 'house', 'cup', 'rivals', 'brackets', 'right', 'scored'] as const;
  const plain = (cup: Cup) =>
    Object.fromEntries(Object.entries(cup).filter(([k]) => !figures.includes(k as never)));
  expect(plain(got)).toEqual(plain(want));
  expect(got.colour.darker).toBe(want.colour.darker);
  expectNear(got.colour.deltaE, want.colour.deltaE, 0.03);
  for (const part of ['house', 'cup'] as const)
    want[part].forEach((x, i) => expectNear(got[part][i] ?? NaN, x, 2e-3));
  expect(Object.keys(got.rivals)).toEqual(Object.keys(want.rivals));
  for (const [id, wanted] of Object.entries(want.rivals))
    expectNear(got.rivals[id] ?? NaN, wanted, Math.max(0.02, 0.005 * wanted));
  expect([...got.right].sort()).toEqual([...want.right].sort());
  const bounds = ({ best: _best, worst: _worst, ...rest }: Bracket) => rest;
  expect(got.brackets.map(bounds)).toEqual(want.brackets.map(bounds));
  got.brackets.forEach((b, i) => {
    expectNear(b.best, want.brackets[i]?.best ?? NaN, b.lever === 'time' ? 10 : 5);
    expectNear(b.worst, want.brackets[i]?.worst ?? NaN, 2e-3);
  });
  if (want.scored) alike(got.scored, want.scored, 1e-3, 'scored');
}
const cups = CASES.diagnose ?? [];
test.each(
  cups.map((c, i) => [i, (c.in.faults as { id: string }[]).map((f) => f.id).join(' and ')]),
)('cup %i: %s', (i) => {
  const c = cups[i];
  const got = filled({ diagnose: [{ in: c?.in }] }).diagnose?.[0]?.out;
  expectSameCup(got as unknown as Cup, c?.out as unknown as Cup);
});

const cup = (over: object) => ({ diagnose: [{ in: { ...cups[1]?.in, ...over } }] });
test.each<[string, unknown, RegExp]>([
  [
    'a fault nobody knows',
    cup({ faults: [{ id: 'moon', size: 1 }] }),
    /"moon" is not a fault known/,
  ],
  ['a level beyond five', cup({ level: 6 }), /^diagnose\[0\]: in\.level/],
  [
    'more right than asked',
    { wilson: [{ in: { credit: 3, n: 2 } }] },
    /more right than there were/,
  ],
  ['a day that is none', { signOff: [{ in: { events: [], today: '2026-02-30' } }] }, /in\.today/],
  ['a kind unknown', { exam: [] }, /"exam" is not a kind of case known here: wilson/],
])('%s is named', (_name, document, words) => expect(why(document)).toMatch(words));
test('the schema beside the document is the one in use', () => {
  expect(JSON.parse(readFileSync('docs/formats/school.schema.json', 'utf8'))).toEqual(
    JSON.parse(JSON.stringify(z.toJSONSchema(SchoolDocument, { io: 'input' }))),
  );
});
test('the command reads cases and writes them filled; a bad case ends it with 1 and one line', () => {
  const run = (input: string) =>
    spawnSync(process.execPath, ['scripts/school.mjs'], { input, encoding: 'utf8' });
  const good = run(JSON.stringify({ block: CASES.block }));
  expect(good.status).toBe(0);
  alike((JSON.parse(good.stdout) as Cases).block, CASES.block, 1e-4, 'block');
  const bad = run(JSON.stringify({ wilson: [{ in: { credit: 1, n: 0 } }] }));
  expect([bad.status, bad.stdout, bad.stderr.trim().split('\n').length]).toEqual([1, '', 1]);
});
