import { spawnSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { z } from 'zod';
import { alike } from '../../test/alike';
import { predictDocument } from './run';
import { CASE_INPUTS, PredictDocument } from './schema';

const read = (name: string) =>
  JSON.parse(readFileSync(`test/reference/${name}.json`, 'utf8')) as Record<
    string,
    { in: unknown; out: unknown }[]
  >;
const done = (document: unknown) => {
  const p = predictDocument(document);
  if (p.kind === 'bad') throw new Error(p.why);
  return p.document as Record<string, { in: unknown; out: unknown }[]>;
};
const why = (document: unknown) => {
  const p = predictDocument(document);
  return p.kind === 'bad' ? p.why : '';
};
const steep = (over: object = {}) => ({
  style: 'white',
  leafGrams: 3,
  waterMl: 300,
  temperatureC: 80,
  seconds: 200,
  ...over,
});

test.each([
  ['brew', 1e-4],
  ['water', 1e-4],
  ['colour', 2e-3],
] as const)('fills every out of the %s cases, whatever stands there', (name, by) => {
  const cases = read(name);
  const got = done(
    Object.fromEntries(
      Object.entries(cases).map(([k, list]) => [
        k,
        list.map((c) => ({ in: c.in, out: 'ignored' })),
      ]),
    ),
  );
  for (const [kind, list] of Object.entries(cases)) {
    expect(got[kind]).toHaveLength(list.length);
    list.forEach((c, i) => {
      expect(got[kind]?.[i]?.in).toEqual(c.in);
      if (kind !== 'corrections')
        alike(got[kind]?.[i]?.out, c.out, kind === 'scaling' ? 1e-3 : by, `${kind}[${i}]`);
      else
        expect(Object.keys(got[kind]?.[i]?.out as object).sort()).toEqual(
          Object.keys(c.out as object).sort(),
        );
    });
  }
});
test('any subset will do, and none', () => {
  expect(done({})).toEqual({});
  expect(done({ boiling: [{ in: { altitudeM: 0 } }] }).boiling?.[0]?.out).toMatchObject({
    kPa: 101.325,
  });
});
test('out of reach is null, not an error', () => {
  expect(
    done({ split: [{ in: { grams: 300, hotC: 90, coldC: 10, targetC: 95 } }] }).split?.[0]?.out,
  ).toBeNull();
  expect(
    done({
      wait: [
        {
          in: { ml: 1000, material: 'stainless', lid: true, startC: 95, targetC: 15, ambientC: 20 },
        },
      ],
    }).wait?.[0]?.out,
  ).toEqual({ seconds: null });
});
test.each<[string, unknown, RegExp]>([
  [
    'an unknown style',
    { steep: [{ in: steep() }, { in: steep({ style: 'puce' }) }] },
    /^steep\[1\]: in\.style: "puce" is not a style known here: black-broken/,
  ],
  [
    'a missing number',
    { steep: [{ in: { ...steep(), seconds: undefined } }] },
    /^steep\[0\]: in\.seconds: is missing/,
  ],
  [
    'a negative leaf',
    { cold: [{ in: { style: 'white', leafGrams: -2, waterMl: 500, temperatureC: 4, hours: 8 } }] },
    /^cold\[0\]: in\.leafGrams: -2 is too little: more than 0/,
  ],
  [
    'steam',
    { steep: [{ in: steep({ temperatureC: 120 }) }] },
    /in\.temperatureC: 120 is too much: at most 100/,
  ],
  [
    'a number as text',
    { steep: [{ in: steep({ waterMl: '300' }) }] },
    /in\.waterMl: "300" is not a number/,
  ],
  ['a field too many', { steep: [{ in: steep({ sugar: 2 }) }] }, /sugar is not known here/],
  [
    'a mark of three',
    {
      corrections: [
        {
          in: {
            style: 'white',
            leafGrams: 3,
            waterMl: 300,
            temperatureC: 80,
            seconds: 200,
            recipe: { leafGrams: 3, temperatureC: 80, seconds: 200 },
            marks: { strength: 3 },
          },
        },
      ],
    },
    /corrections\[0\]: in\.marks\.strength: a mark is/,
  ],
  ['no colour', { difference: [{ in: { a: [50, 0], b: [50, 0, 0] } }] }, /difference\[0\]/],
  ['a kind unknown', { brews: [] }, /"brews" is not a kind of case known here/],
  ['no list', { steep: {} }, /steep: a list of cases is wanted/],
  ['no in', { steep: [{}] }, /steep\[0\]: a case has an "in"/],
  ['no object', [1], /one JSON object/],
])('%s is named', (_name, document, words) => expect(why(document)).toMatch(words));
test('a packet’s words: every field, null where the packet does not say it', () => {
  const cases = done({
    packets: [
      { in: { text: 'Boil, let it stand one minute, then steep 1 1/2 minutes' } },
      { in: { text: '2 heaped tsp per pot, overnight' } },
      { in: { text: '' } },
    ],
  }).packets;
  expect(cases?.map((c) => c.out)).toEqual([
    { leaf: null, water: null, heatC: [100, 100], waitSeconds: [60, 60], steepSeconds: [90, 90] },
    {
      leaf: { low: 2, high: 2, unit: 'teaspoon', heaped: true },
      water: { vessels: 1 },
      heatC: null,
      waitSeconds: null,
      steepSeconds: null,
    },
    { leaf: null, water: null, heatC: null, waitSeconds: null, steepSeconds: null },
  ]);
});
test('the schema beside the document is the one in use, and names every kind', () => {
  expect(JSON.parse(readFileSync('docs/formats/predict.schema.json', 'utf8'))).toEqual(
    JSON.parse(JSON.stringify(z.toJSONSchema(PredictDocument, { io: 'input' }))),
  );
  for (const name of ['brew', 'water', 'colour'])
    expect(PredictDocument.safeParse(read(name)).success).toBe(true);
  expect(Object.keys(CASE_INPUTS)).toHaveLength(16);
});

describe('the command', () => {
  const run = (input: string) =>
    spawnSync(process.execPath, ['scripts/predict.mjs'], { input, encoding: 'utf8' });
  test('reads cases and writes them filled', () => {
    const p = run(
      JSON.stringify({
        mix: [
          {
            in: {
              parts: [
                { ml: 100, temperatureC: 20 },
                { ml: 100, temperatureC: 20 },
              ],
            },
          },
        ],
      }),
    );
    expect(p.status).toBe(0);
    expect(
      (JSON.parse(p.stdout) as { mix: { out: { temperatureC: number } }[] }).mix[0]?.out
        .temperatureC,
    ).toBeCloseTo(20, 9);
  });
  test('ends with 1, one line, and nothing written on a bad case and on no JSON', () => {
    for (const input of [JSON.stringify({ steep: [{ in: steep({ leafGrams: 0 }) }] }), 'tea']) {
      const p = run(input);
      expect([p.status, p.stdout, p.stderr.trim().split('\n').length]).toEqual([1, '', 1]);
    }
  });
});
