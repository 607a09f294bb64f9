import { atLeast, normal, seeded } from '#core/numeric';
import { type BrewFact, controlChart, driftsOf, groupRows, thinned } from '#core/trends';
import { epochMs, seconds } from '#core/units';

describe('individuals and moving range', () => {
  // Worked by hand: steps 2,1,3,2,1,2,3,1,2 have the mean 17/9; 2.66 times that is 5.024, 3.267 times it 6.171.
  const values = [10, 12, 11, 14, 12, 13, 11, 14, 13, 11];
  test('mean, limits and the limit of the steps, against values worked by hand', () => {
    const c = controlChart(values);
    expect(c?.mean).toBeCloseTo(12.1, 10);
    expect(c?.step).toBeCloseTo(17 / 9, 10);
    expect(c?.upper).toBeCloseTo(12.1 + 2.66 * (17 / 9), 10);
    expect(c?.lower).toBeCloseTo(12.1 - 2.66 * (17 / 9), 10);
    expect(c?.stepLimit).toBeCloseTo(3.267 * (17 / 9), 10);
    expect([c?.outside, c?.leaps, c?.runs]).toEqual([[], [], []]);
  });
  test('a point outside and the steps to and from it are named', () =>
    expect(controlChart([...values, 40, 12])).toMatchObject({ outside: [10], leaps: [10, 11] }));
  test('eight in a row on one side are a run, seven are not', () => {
    const runs = (n: number) =>
      controlChart([
        ...Array.from({ length: n }, () => 5),
        ...Array.from({ length: 20 }, (_, i) => (i % 2 ? -6 : 1)),
      ])
        ?.runs.filter((r) => r.side === 'above')
        .map((r) => [r.from, r.to]);
    expect(runs(8)).toEqual([[0, 8]]); // and the first of the others, which lies above the mean too
    expect(runs(6)).toEqual([]);
  });
  test('under eight values nothing is drawn', () =>
    expect(controlChart([1, 2, 3, 4, 5, 6, 7])).toBeNull());
  test('of six hundred a narrow picture shows medians, and says by how many', () => {
    const { points, by } = thinned(
      Array.from({ length: 600 }, (_, i) => i),
      (x) => x,
      60,
    );
    expect([points.length, by, points[0]]).toEqual([60, 10, 5]);
    expect(thinned([3, 1], (x) => x, 60)).toEqual({ points: [3, 1], by: 1 });
  });
});

test('the exact binomial tail, against known values', () => {
  expect(atLeast(8, 10, 0.5)).toBeCloseTo(0.0546875, 10); // 56/1024
  expect(atLeast(10, 10, 0.5)).toBeCloseTo(1 / 1024, 12);
  expect(atLeast(13, 24, 1 / 3)).toBeCloseTo(0.028441, 6); // R: pbinom(12, 24, 1/3, lower.tail = FALSE)
  expect([atLeast(0, 5, 0.3), atLeast(3, 5, 0), atLeast(3, 5, 1)]).toEqual([1, 0, 1]);
});

describe('what drifts', () => {
  const fact = (i: number, over: Partial<BrewFact> = {}): BrewFact => ({
    id: `b${i}`,
    at: epochMs(1_800_000_000_000 + i * 600_000),
    tea: { id: `t${i % 5}`, name: `Tea ${i % 5}` },
    lot: { id: `l${i % 5}`, name: 'Lot 1' },
    vessel: { id: `v${i % 4}`, name: `Pot ${i % 4}` },
    kettle: '',
    hour: 9 + (i % 8),
    error: seconds(0),
    crowded: false,
    colour: 0,
    right: true,
    clarity: null,
    ...over,
  });
  const quiet = (n: number, seed: number) => {
    const random = seeded(seed);
    return Array.from({ length: n }, (_, i) => fact(i, { error: seconds(normal(random, 2, 6)) }));
  };
  test('nothing, where nothing has moved: over forty quiet houses hardly ever a line', () => {
    const lines = Array.from({ length: 40 }, (_, s) => driftsOf(quiet(300, s + 1)).length).reduce(
      (a, b) => a + b,
      0,
    );
    expect(lines).toBeLessThanOrEqual(2);
  });
  test('a pot that is pulled late is said, with how much against the rest and out of how many', () => {
    const [first] = driftsOf(
      quiet(300, 7).map((b) =>
        b.vessel?.id === 'v2' ? { ...b, error: seconds((b.error ?? 0) + 25) } : b,
      ),
    );
    expect(first).toMatchObject({ by: 'vessel', of: 'v2', headline: 'Pot 2 is pulled late' });
    expect(first?.evidence).toMatch(/^\+2\d s from best against \+\d s otherwise, 75 brews$/);
  });
  test('pulls that are late when two are due at once; an hour of the day that is', () => {
    const crowded = driftsOf(
      quiet(300, 8).map((b, i) => (i % 6 === 0 ? { ...b, crowded: true, error: seconds(22) } : b)),
    );
    expect(crowded.map((d) => d.headline)).toContain('Pulled late when two are due at once');
    const hour = driftsOf(
      quiet(400, 9).map((b) => (b.hour === 15 ? { ...b, error: seconds(30) } : b)),
    );
    expect(hour[0]).toMatchObject({
      by: 'hour',
      of: '15',
      headline: 'Between 15:00 and 16:00 pulls are late',
    });
  });
  test('a new lot judged darker than the tea was before', () => {
    const old = Array.from({ length: 40 }, (_, i) =>
      fact(i, {
        tea: { id: 't', name: 'Marrowick Broken' },
        lot: { id: 'old', name: 'Lot 16' },
        colour: i % 10 === 0 ? 1 : 0,
      }),
    );
    const now = Array.from({ length: 12 }, (_, i) =>
      fact(100 + i, {
        tea: { id: 't', name: 'Marrowick Broken' },
        lot: { id: 'new', name: 'Lot 17' },
        colour: i < 9 ? 1 : 0,
      }),
    );
    expect(driftsOf([...old, ...now])).toMatchObject([
      {
        by: 'lot',
        of: 'new',
        headline: 'Marrowick Broken, Lot 17, is judged darker',
        evidence: '9 of 12, before it 4 of 40',
      },
    ]);
  });
  test('never more than five lines, strangest first', () => {
    const lines = driftsOf(
      quiet(2000, 11).map((b) => ({
        ...b,
        error: seconds((b.error ?? 0) + 40 * Number(b.tea.id.slice(1)) + 20 * (b.hour - 9)),
      })),
    );
    expect(lines).toHaveLength(5);
    expect(lines.map((l) => l.p)).toEqual([...lines.map((l) => l.p)].sort((a, b) => a - b));
  });
  test('groups in a table: how many, how late on the whole, how many right, how many not clear', () =>
    expect(
      groupRows(
        [
          fact(0, { error: seconds(20), clarity: 0 }),
          fact(5, { error: seconds(10), right: false, clarity: 2 }),
          fact(1, { error: null, right: null }),
        ],
        (b) => ({ key: b.tea.id, name: b.tea.name }),
      ),
    ).toEqual([
      {
        key: 't0',
        name: 'Tea 0',
        n: 2,
        meanError: 15,
        late: 2,
        judged: 2,
        right: 1,
        ...{ looked: 2, notClear: 1 },
      },
      {
        key: 't1',
        name: 'Tea 1',
        n: 1,
        meanError: null,
        late: 0,
        judged: 0,
        right: 0,
        ...{ looked: 0, notClear: 0 },
      },
    ]));
});
