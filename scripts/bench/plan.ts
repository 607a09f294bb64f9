// Made-up weeks of one shop: 14 vessels, 6 lines, 42 services, demand by chance around so many glasses a day.
import { beginPlan, FIRST_STEPS, type PlanLine, type PlanProblem } from '#core/coldPlan';
import { countQuantile, type Random, seeded } from '#core/numeric';

const HOUR = 60;
const DAY = 24 * HOUR;
const DAYS = [0, 1, 2, 3, 4, 5, 6];
/** Hands every half hour from 8:00 to 22:30, rather early, after lunch and late. */
const hands = DAYS.flatMap((day) =>
  Array.from({ length: 30 }, (_, i) => {
    const at = 8 * HOUR + i * 30;
    const preferred = at <= 10 * HOUR || (at >= 14.5 * HOUR && at <= 16 * HOUR) || at >= 21 * HOUR;
    return { at: day * DAY + at, preferred };
  }),
);
const services = DAYS.flatMap((day) =>
  [0, 1, 2, 3, 4, 5].map((i) => ({
    from: day * DAY + (10 + 2 * i) * HOUR,
    to: day * DAY + (12 + 2 * i) * HOUR,
  })),
);
const several = (kind: string, count: number) =>
  Array.from({ length: count }, (_, i) => ({ id: `${kind} ${i + 1}`, kind, out: [] }));
const vessels = [...several('pitcher', 8), ...several('large', 4), ...several('jar', 2)];

const fill = (water: number, glasses: number) => ({ water, glasses });
const fills = {
  pitcher: [fill(500, 2), fill(750, 3), fill(1000, 4)],
  large: [fill(1000, 4), fill(1500, 6)],
};
type Kind = Pick<PlanLine, 'earliest' | 'latest' | 'goodFrom' | 'goodTo' | 'fresh'>;
const line = (id: string, kind: Kind, over: Partial<PlanLine> = {}): PlanLine => ({
  ...{ id, serving: 220, chill: 0, keep: 3 * DAY, keepFrom: 'lift', fridge: 'all', fills },
  ...kind,
  demand: [],
  ...over,
});
const hours = (
  earliest: number,
  goodFrom: number,
  goodTo: number,
  latest: number,
  fresh: number,
) => ({
  earliest: earliest * HOUR,
  goodFrom: goodFrom * HOUR,
  goodTo: goodTo * HOUR,
  latest: latest * HOUR,
  fresh: fresh * HOUR,
});
const lines = [
  line('pearl', hours(2, 3, 5, 6, 24)),
  line('amber', hours(8, 9, 12, 14, 36)),
  line('light', hours(8, 9, 12, 14, 36)),
  line('hollow', hours(8, 9, 14, 16, 48)),
  line('broken', hours(10, 11, 16, 20, 72), {
    serving: 40,
    keep: 4 * DAY,
    fills: { jar: [fill(400, 8), fill(800, 17)] },
  }),
  line('mint', hours(8, 9, 12, 14, 36)),
];

/** More on the last three days of the week. */
const busy = (service: number): number => (service >= 24 ? 1.35 : 0.74);
function weekOf(random: Random, glassesADay: number): PlanProblem {
  const each = (glassesADay * 7) / (lines.length * services.length);
  return {
    wash: 15,
    fridge: { places: 14, water: null },
    ...{ hands, services, vessels },
    kinds: { pitcher: { places: 1 }, large: { places: 1 }, jar: { places: 1 } },
    lines: lines.map((l) => ({
      ...l,
      demand: services.map((_, j) => {
        const mean = each * busy(j);
        return countQuantile(mean, mean, random());
      }),
    })),
    standing: [
      { vessel: 'pitcher 1', line: 'pearl', glasses: 2, water: 1000, discardAt: 3360 },
      { vessel: 'large 1', line: 'amber', glasses: 6, water: 1500, discardAt: 4800 },
      { vessel: 'jar 1', line: 'broken', glasses: 17, water: 800, discardAt: 4320 },
      { vessel: 'pitcher 2', line: 'hollow', glasses: 4, water: 1000, discardAt: 4830 },
    ].map((s) => ({ ...s, id: s.vessel, readyAt: 0, inFridge: true })),
    pins: [],
  };
}

type Measured = {
  first: number;
  answer: number;
  lostAtFirst: boolean;
  lostIn: number | null;
  proven: boolean;
};
/** Unmet and thrown are proven best when the bound has come up to them. */
function measured(p: PlanProblem): Measured {
  const begun = performance.now();
  const since = () => performance.now() - begun;
  const planning = beginPlan(p);
  const lost = () => {
    const { merit, bound } = planning.plan();
    return bound.unmet === merit.unmet && bound.thrown === merit.thrown;
  };
  const first = since();
  const lostAtFirst = lost();
  let lostIn = lostAtFirst ? first : null;
  for (let upTo = 0; upTo <= FIRST_STEPS && !planning.plan().proven; upTo += FIRST_STEPS / 40) {
    planning.goOn(upTo);
    if (lostIn === null && lost()) lostIn = since();
  }
  return { first, answer: since(), lostAtFirst, lostIn, proven: planning.plan().proven };
}
const middle = (xs: readonly number[]): number =>
  [...xs].sort((a, b) => a - b)[xs.length >> 1] ?? NaN;
const share = (n: number, of: number): string => `${Math.round((n / of) * 100)} %`;

const weeks = Number(process.argv[2] ?? 200);
for (const warm of [1, 2, 3, 4]) measured(weekOf(seeded(warm), 27));
const table = [22, 27, 32, 37, 43].map((glassesADay) => {
  const random = seeded(glassesADay);
  const all = Array.from({ length: weeks }, () => measured(weekOf(random, glassesADay)));
  const proven = all.filter((m) => m.lostIn !== null);
  const round = (x: number) => Math.round(x);
  return {
    'glasses a day': glassesADay,
    'first, ms': `${round(middle(all.map((m) => m.first)))} (worst ${round(Math.max(...all.map((m) => m.first)))})`,
    'answer, ms': `${round(middle(all.map((m) => m.answer)))} (worst ${round(Math.max(...all.map((m) => m.answer)))})`,
    'unmet, thrown proven': share(proven.length, weeks),
    'within 200 ms': share(proven.filter((m) => (m.lostIn ?? Infinity) <= 200).length, weeks),
    'all proven': share(all.filter((m) => m.proven).length, weeks),
  };
});
console.table(table);
