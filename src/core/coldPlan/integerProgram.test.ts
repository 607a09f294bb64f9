import loadHighs from 'highs';
import { type Random, seeded } from '#core/numeric';
import { type PlanLine, type PlanProblem, planWeek } from './index';

// The rules of a plan written as an integer program from the problem itself, and solved by a general solver.

const HOUR = 60;
const DAY = 24 * HOUR;
const whole = (random: Random, from: number, to: number): number =>
  from + Math.floor(random() * (to - from + 1));

function problem(random: Random): PlanProblem {
  const services = [0, 1].flatMap((day) =>
    [11, 15].map((h) => ({ from: day * DAY + h * HOUR, to: day * DAY + (h + 2) * HOUR })),
  );
  const lines = ['pearl', 'amber'].map((id): PlanLine => {
    const earliest = whole(random, 3, 8) * HOUR;
    return {
      ...{ id, serving: 200, earliest, latest: earliest + whole(random, 3, 8) * HOUR },
      ...{ goodFrom: earliest + HOUR, goodTo: earliest + 3 * HOUR, chill: 0 },
      ...{
        keep: whole(random, 8, 40) * HOUR,
        keepFrom: 'lift',
        fresh: whole(random, 4, 20) * HOUR,
      },
      fridge: random() < 0.5 ? 'all' : 'afterLift',
      fills: {
        pitcher: [
          { water: 500, glasses: 2 },
          { water: 1000, glasses: 4 },
        ],
      },
      demand: services.map(() => whole(random, 0, 3)),
    };
  });
  const hands = [0, 1].flatMap((day) =>
    [8, 10, 12, 14, 18, 20].map((h) => ({ at: day * DAY + h * HOUR, preferred: h < 11 })),
  );
  return {
    wash: 15,
    fridge: { places: whole(random, 1, 3), water: null },
    hands: hands.filter(() => random() < 0.6),
    services,
    kinds: { pitcher: { places: 1 } },
    vessels: ['P1', 'P2', 'P3'].slice(0, whole(random, 1, 3)).map((id) => ({
      ...{ id, kind: 'pitcher' },
      out: random() < 0.2 ? [{ from: 9 * HOUR, to: 15 * HOUR }] : [],
    })),
    lines,
    standing: [],
    pins: [],
  };
}

type Candidate = {
  readonly name: string;
  readonly line: number;
  readonly vessel: string;
  readonly glasses: number;
  readonly start: number;
  readonly lift: number;
  /** Services it is ready for and keeps through. */
  readonly services: readonly number[];
};
function candidates(p: PlanProblem): Candidate[] {
  return p.lines
    .flatMap((l, line) =>
      p.hands.flatMap(({ at: start }) =>
        p.hands
          .filter(({ at }) => at - start >= l.earliest && at - start <= l.latest)
          .flatMap(({ at: lift }) =>
            p.vessels.flatMap((v) =>
              (l.fills[v.kind] ?? []).map((f) => ({
                ...{ line, vessel: v.id, glasses: f.glasses, start, lift },
                services: [...p.services.keys()].filter(
                  (j) =>
                    (l.demand[j] ?? 0) > 0 &&
                    lift <= (p.services[j]?.from ?? 0) &&
                    (p.services[j]?.to ?? 0) <= lift + l.keep,
                ),
              })),
            ),
          ),
      ),
    )
    .filter((c) => c.services.length > 0)
    .map((c, i) => ({ ...c, name: `b${i}` }));
}

type Term = readonly [factor: number, name: string];
type Rule = { readonly terms: readonly Term[]; readonly is: '<=' | '='; readonly than: number };
type Model = {
  readonly levels: readonly (readonly Term[])[];
  readonly rules: Rule[];
  readonly bounds: Map<string, number>;
  readonly binaries: Set<string>;
};
const [pours, serves, lastIn] = (['x', 'z', 'e'] as const).map(
  (kind) => (b: Candidate, j: number) => `${kind}_${b.name}_${j}`,
) as [
  (b: Candidate, j: number) => string,
  (b: Candidate, j: number) => string,
  (b: Candidate, j: number) => string,
];

/** Every rule over every candidate; nothing of the planner is used. */
function modelOf(p: PlanProblem): Model {
  const all = candidates(p);
  const rules: Rule[] = [];
  const bounds = new Map<string, number>();
  const binaries = new Set<string>();
  const add = (terms: readonly Term[], is: Rule['is'], than: number) =>
    void rules.push({ terms, is, than });
  const missed = (line: number, j: number) => `u_${line}_${j}`;
  const wanted = (line: number, j: number) => p.lines[line]?.demand[j] ?? 0;

  p.lines.forEach((_, line) =>
    p.services.forEach((_, j) => {
      bounds.set(missed(line, j), wanted(line, j));
      const from = all.filter((b) => b.line === line && b.services.includes(j));
      const poured = from.map((b): Term => [1, pours(b, j)]);
      add([...poured, [1, missed(line, j)]], '=', wanted(line, j));
    }),
  );
  for (const b of all) {
    const [is, thrown] = [`y_${b.name}`, `w_${b.name}`];
    binaries.add(is).add(thrown);
    for (const j of b.services) {
      binaries.add(serves(b, j)).add(lastIn(b, j));
      bounds.set(pours(b, j), Math.min(b.glasses, wanted(b.line, j)));
      add(
        [
          [1, pours(b, j)],
          [-b.glasses, serves(b, j)],
        ],
        '<=',
        0,
      );
      add(
        [
          [1, serves(b, j)],
          [-1, pours(b, j)],
        ],
        '<=',
        0,
      );
      add(
        [
          [1, serves(b, j)],
          [-1, is],
        ],
        '<=',
        0,
      );
      add(
        [
          [1, lastIn(b, j)],
          [-1, serves(b, j)],
        ],
        '<=',
        0,
      );
      for (const later of b.services.filter((i) => i > j))
        add(
          [
            [1, serves(b, later)],
            [1, lastIn(b, j)],
          ],
          '<=',
          1,
        );
      // While it is open nobody goes without; nor in its last service, if any of it is thrown out.
      for (const later of b.services.filter((i) => i > j))
        for (let i = j; i < later; i++)
          add(
            [
              [1, missed(b.line, i)],
              [wanted(b.line, i), serves(b, j)],
              [wanted(b.line, i), serves(b, later)],
            ],
            '<=',
            2 * wanted(b.line, i),
          );
      const most = wanted(b.line, j);
      add(
        [
          [1, missed(b.line, j)],
          [most, lastIn(b, j)],
          [most, thrown],
        ],
        '<=',
        2 * most,
      );
    }
    add([...b.services.map((j): Term => [1, pours(b, j)]), [-b.glasses, is]], '<=', 0);
    add([...b.services.map((j): Term => [1, lastIn(b, j)]), [-1, is]], '=', 0);
    add(
      [[b.glasses, is], ...b.services.map((j): Term => [-1, pours(b, j)]), [-b.glasses, thrown]],
      '<=',
      0,
    );
  }
  // One open at a time: of two of a line one comes first, and ends no later than the other begins.
  all.forEach((a, i) => {
    for (const b of all.slice(i + 1).filter((x) => x.line === a.line)) {
      const first = `o_${a.name}_${b.name}`;
      binaries.add(first);
      for (const j of a.services)
        for (const k of b.services) {
          if (j > k)
            add(
              [
                [1, serves(a, j)],
                [1, serves(b, k)],
                [1, first],
              ],
              '<=',
              2,
            );
          if (k > j)
            add(
              [
                [1, serves(a, j)],
                [1, serves(b, k)],
                [-1, first],
              ],
              '<=',
              1,
            );
          if (j !== k) continue;
          const after = (ended: Candidate, other: Candidate): Term[] => [
            [1, `w_${ended.name}`],
            [1, lastIn(ended, j)],
            [1, serves(other, j)],
          ];
          add([...after(a, b), [1, first]], '<=', 3);
          add([...after(b, a), [-1, first]], '<=', 2);
        }
    }
  });
  const standsAt = (b: Candidate, t: number, from: number, wash: number): Term[] =>
    b.services
      .filter((j) => from <= t && t < (p.services[j]?.to ?? 0) + wash)
      .map((j) => [1, lastIn(b, j)]);
  const moments = [...new Set(all.flatMap((b) => [b.start, b.lift]))];
  for (const t of moments) {
    for (const v of p.vessels) {
      const inIt = all.filter((b) => b.vessel === v.id);
      const terms = inIt.flatMap((b) => standsAt(b, t, b.start, p.wash));
      if (terms.length > 0) add(terms, '<=', 1);
    }
    const inFridge = all.flatMap((b) =>
      standsAt(b, t, p.lines[b.line]?.fridge === 'all' ? b.start : b.lift, 0),
    );
    if (inFridge.length > 0) add(inFridge, '<=', p.fridge.places ?? Infinity);
  }
  for (const v of p.vessels)
    for (const out of v.out)
      for (const b of all.filter((x) => x.vessel === v.id && x.start < out.to))
        for (const j of b.services)
          if ((p.services[j]?.to ?? 0) + p.wash > out.from) add([[1, lastIn(b, j)]], '<=', 0);

  const lineOf = (b: Candidate) => p.lines[b.line]!;
  const isPreferred = (t: number) => p.hands.find((h) => h.at === t)?.preferred === true;
  const each = (of: (b: Candidate) => Term[]) => all.flatMap(of);
  return {
    rules,
    bounds,
    binaries,
    levels: [
      p.lines.flatMap((_, line) => p.services.map((_, j): Term => [1, missed(line, j)])),
      each((b) => [
        [200 * b.glasses, `y_${b.name}`],
        ...b.services.map((j): Term => [-200, pours(b, j)]),
      ]),
      each((b) => {
        const { goodFrom, goodTo, fresh } = lineOf(b);
        const steep = b.lift - b.start;
        const off = Math.max(0, goodFrom - steep, steep - goodTo);
        const old = (j: number) => Math.max(0, (p.services[j]?.to ?? 0) - b.lift - fresh);
        return [
          [off * b.glasses, `y_${b.name}`],
          ...b.services.map((j): Term => [old(j), pours(b, j)]),
        ];
      }),
      each((b) => [[1, `y_${b.name}`]]),
      each((b) => [[[b.start, b.lift].filter((t) => !isPreferred(t)).length, `y_${b.name}`]]),
    ],
  };
}

const written = (terms: readonly Term[]): string =>
  terms
    .filter(([factor]) => factor !== 0)
    .map(([factor, name]) => `${factor < 0 ? '-' : '+'} ${Math.abs(factor)} ${name}`)
    .join(' ');
/** The best of each level, those before it held. */
function solved(highs: Awaited<ReturnType<typeof loadHighs>>, model: Model): number[] {
  const rules = [...model.rules];
  const best: number[] = [];
  for (const level of model.levels) {
    const lines = rules.flatMap((r, i) => {
      const terms = written(r.terms);
      return terms ? [` c${i}: ${terms} ${r.is} ${r.than}`] : [];
    });
    const bounds = [...model.bounds].map(([name, most]) => ` 0 <= ${name} <= ${most}`);
    const names = [...model.bounds.keys()].join(' ');
    const goal = written(level);
    const text = `Minimize\n obj: ${goal || '0 nothing'}\nSubject To\n${lines.join('\n')}\nBounds\n${bounds.join('\n')}\nGeneral\n ${names}\nBinary\n ${[...model.binaries].join(' ')}\nEnd\n`;
    const answer = goal ? highs.solve(text, { mip_rel_gap: 0 }) : null;
    if (answer && answer.Status !== 'Optimal') throw new Error(answer.Status);
    const value = Math.round(answer?.ObjectiveValue ?? 0);
    best.push(value);
    rules.push({ terms: level, is: '<=', than: value });
  }
  return best;
}

test('plans are as good as an integer program of the same rules finds', async () => {
  const highs = await loadHighs();
  const random = seeded(31);
  let tried = 0;
  while (tried < 30) {
    const p = problem(random);
    const many = candidates(p).length;
    if (many < 4 || many > 26) continue;
    tried += 1;
    const { merit, proven } = planWeek(p);
    expect([tried, proven, Object.values(merit)]).toEqual([tried, true, solved(highs, modelOf(p))]);
  }
}, 300_000);
