import { readFileSync } from 'node:fs';
import { characterOf, type StyleId } from '#core/styles';
import { celsius, grams, millilitres, seconds } from '#core/units';
import type { Fact, Fault } from './faults';
import { diagnosisOf, type HouseCup, type Level, scoreDiagnosis } from './index';

// Cups that were worked out apart from this code: what is said of them, what else they could be, what mends them, and what
// an answer is worth.

/* eslint-disable @typescript-eslint/no-explicit-any -- reference cases are plain JSON */
const cases = (JSON.parse(readFileSync('test/reference/school.json', 'utf8')) as any).diagnose as {
  in: any;
  out: any;
}[];

const houseOf = ({ style, vessel, site, warm, ...of }: any): HouseCup => ({
  brew: {
    style: style as StyleId,
    character: characterOf(style as StyleId),
    leaf: grams(of.leafGrams),
    water: millilitres(of.waterMl),
    temperature: celsius(of.temperatureC),
    time: seconds(of.seconds),
    material: vessel.material,
    lid: vessel.lid,
    infuser: vessel.infuser,
    basket: millilitres(vessel.basketMl),
    ambient: celsius(site.ambientC),
  },
  warm,
  capacity: vessel.capacityMl,
  ambient: celsius(site.ambientC),
  boiling: celsius(site.boilingC),
  pourLoss: site.pourLoss,
});
const ask = (given: any) =>
  diagnosisOf({
    house: houseOf(given.house),
    faults: given.faults as Fault[],
    known: given.known as Fact[],
    level: given.level as Level,
  });
const turnOf = ({ lever, size }: any) =>
  lever === 'vessel' ? { lever, act: size } : { lever, size };

const expectNear = (got: number, wanted: number, by: number) =>
  expect(Math.abs(got - wanted)).toBeLessThanOrEqual(by);

test.each(cases.map((c, i) => [i, c.in.faults.map((f: any) => f.id).join(' and '), c] as const))(
  'case %i: %s',
  (_i, _name, { in: given, out }) => {
    const d = ask(given);
    expect(d.beside.words).toEqual(out.words);
    expectNear(d.deltaE, out.colour.deltaE, 0.03);
    expect(d.darker).toBe(out.colour.darker);
    d.house.forEach((x, i) => expectNear(x, out.house[i], 2e-3));
    d.cup.forEach((x, i) => expectNear(x, out.cup[i], 2e-3));
    expect([...d.rivals.keys()]).toEqual(Object.keys(out.rivals));
    for (const [id, wanted] of Object.entries(out.rivals) as [any, number][])
      expectNear(d.rivals.get(id) ?? NaN, wanted, Math.max(0.02, 0.005 * wanted));
    expect(d.open).toEqual(out.open);
    expect(d.ties).toEqual(out.ties);
    expect(d.choices).toEqual(out.choices);
    expect([...d.right].sort()).toEqual([...out.right].sort());
    expect(d.levers).toEqual(out.levers);
    expect(
      d.brackets.map(({ lever, low, high, within }) => ({ lever, low, high, within })),
    ).toEqual(
      out.brackets.map(({ lever, low, high, within }: any) => ({ lever, low, high, within })),
    );
    d.brackets.forEach((b, i) => {
      expectNear(b.best, out.brackets[i].best, b.lever === 'time' ? 10 : 5);
      expectNear(b.worst, out.brackets[i].worst, 2e-3);
    });
    expect(d.unfair ?? '').toBe(out.why);
    expect(d.unfair === null).toBe(out.accepted);
    expect(d.withoutColour).toBe(out.withoutColour);
    if (!given.answer) return;
    const { faults, turns } = given.answer;
    const score = scoreDiagnosis(d, { cause: faults.join('+'), turns: turns.map(turnOf) });
    expect(score).toMatchObject({ fault: out.scored.fault, judged: out.scored.judged });
    for (const part of ['lever', 'size', 'credit'] as const)
      expectNear(score[part], out.scored[part], 1e-3);
  },
);
