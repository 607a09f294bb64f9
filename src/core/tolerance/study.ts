import { probit } from 'simple-statistics';
import type { Brewing } from '#core/cup';
import { normal, type Random } from '#core/numeric';
import { CUP, newCup, quickCup } from '#core/quick';
import { celsius, grams, seconds } from '#core/units';

/** How one measure scatters: evenly within +-`half`, or normally with `sd`. `share`: of the value, else in its unit. */
export type Scatter =
  | { readonly kind: 'even'; readonly half: number; readonly share: boolean }
  | { readonly kind: 'normal'; readonly sd: number; readonly share: boolean };
/** What can go wrong at the bar. Leaf in g or a share, heat in C, time in s. */
export type Errors = {
  readonly leaf: Scatter;
  readonly temperature: Scatter;
  readonly time: Scatter;
};
export const ERROR_SOURCES = ['leaf', 'temperature', 'time'] as const;
export type ErrorSource = (typeof ERROR_SOURCES)[number];

/**
 * A level spoon of a tea not weighed here, a 0.1 g scale, a usual kettle and a usual eye on the clock: common
 * practice.
 */
export const USUAL: Readonly<Record<'spoon' | 'scale' | 'kettle' | 'attention', Scatter>> = {
  spoon: { kind: 'even', half: 0.2, share: true },
  scale: { kind: 'even', half: 0.1, share: false },
  kettle: { kind: 'even', half: 5, share: false },
  attention: { kind: 'even', half: 15, share: false },
};

export type Spread = { readonly mean: number; readonly sd: number };
export type Study = {
  readonly strength: Spread;
  readonly bitterness: Spread;
  /** The sd that each error alone would bring. */
  readonly alone: Readonly<
    Record<ErrorSource, { readonly strength: number; readonly bitterness: number }>
  >;
  readonly mendFirst: Readonly<Record<'strength' | 'bitterness', ErrorSource>>;
  /** Share of cups whose strength is off by more than is just noticeable. */
  readonly noticeable: number;
  readonly draws: number;
};

/** A difference in strength that is just noticeable, index points. */
const NOTICEABLE = 0.5;
const LINE_POINTS = 64;
/** A study can be asked to stop, and tells how far it is, each so many draws. */
const PART = 1000;

const drawn = (s: Scatter, value: number, random: Random): number => {
  const by = s.kind === 'even' ? s.half * (2 * random() - 1) : normal(random, 0, s.sd);
  return value + by * (s.share ? value : 1);
};
/** Equal-probability points of one scatter: exact enough for an sd without chance. */
function points(s: Scatter, value: number): number[] {
  return Array.from({ length: LINE_POINTS }, (_, i) => {
    const p = (i + 0.5) / LINE_POINTS;
    const by = s.kind === 'even' ? s.half * (2 * p - 1) : s.sd * probit(p);
    return value + by * (s.share ? value : 1);
  });
}
const LEAST = { leaf: 0.05, temperature: 1, time: 1 } as const;
const spread = (sum: number, squares: number, n: number): Spread => ({
  mean: sum / n,
  sd: Math.sqrt(Math.max(0, squares / n - (sum / n) ** 2)),
});

const cup = newCup();
function taste(
  b: Brewing,
  leaf: number,
  temperature: number,
  time: number,
): [strength: number, bitterness: number] {
  quickCup(
    {
      ...b,
      leaf: grams(Math.max(LEAST.leaf, leaf)),
      temperature: celsius(Math.max(LEAST.temperature, temperature)),
      time: seconds(Math.max(LEAST.time, time)),
    },
    cup,
  );
  return [cup[CUP.strength] as number, cup[CUP.bitterness] as number];
}

/**
 * How much cups of one recipe differ with the errors of a bar: seeded Monte Carlo for all together, a fine line for
 * each alone. A generator, so that a worker can tell how far it is and stop: yields the share done, returns the study.
 * @throws {RangeError} unless there are draws.
 */
export function* toleranceStudy(
  b: Brewing,
  errors: Errors,
  { draws = 20_000, random }: { draws?: number; random: Random },
): Generator<number, Study> {
  if (!(draws > 0)) throw new RangeError('a study needs draws');
  const [aim] = taste(b, b.leaf, b.temperature, b.time);
  let [s, ss, t, tt, off] = [0, 0, 0, 0, 0];
  for (let i = 0; i < draws; i++) {
    const [strength, bitterness] = taste(
      b,
      drawn(errors.leaf, b.leaf, random),
      drawn(errors.temperature, b.temperature, random),
      drawn(errors.time, b.time, random),
    );
    s += strength;
    ss += strength * strength;
    t += bitterness;
    tt += bitterness * bitterness;
    if (Math.abs(strength - aim) > NOTICEABLE) off += 1;
    if (i % PART === PART - 1) yield (i + 1) / draws;
  }
  const alone = Object.fromEntries(
    ERROR_SOURCES.map((source) => [source, aloneOf(b, errors, source)]),
  ) as Study['alone'];
  const worst = (of: 'strength' | 'bitterness') =>
    ERROR_SOURCES.reduce((x, y) => (alone[y][of] > alone[x][of] ? y : x));
  return {
    strength: spread(s, ss, draws),
    bitterness: spread(t, tt, draws),
    alone,
    mendFirst: { strength: worst('strength'), bitterness: worst('bitterness') },
    noticeable: off / draws,
    draws,
  };
}

/** The sd one error alone brings. */
export function aloneOf(
  b: Brewing,
  errors: Errors,
  source: ErrorSource,
): { strength: number; bitterness: number } {
  const value = { leaf: b.leaf, temperature: b.temperature, time: b.time }[source];
  const cups = points(errors[source], value).map((v) =>
    taste(
      b,
      source === 'leaf' ? v : b.leaf,
      source === 'temperature' ? v : b.temperature,
      source === 'time' ? v : b.time,
    ),
  );
  const of = (i: 0 | 1) =>
    spread(
      cups.reduce((x, c) => x + c[i], 0),
      cups.reduce((x, c) => x + c[i] ** 2, 0),
      cups.length,
    ).sd;
  return { strength: of(0), bitterness: of(1) };
}

/** Runs a study to its end. */
export function studyNow(
  b: Brewing,
  errors: Errors,
  options: { draws?: number; random: Random },
): Study {
  const run = toleranceStudy(b, errors, options);
  for (;;) {
    const step = run.next();
    if (step.done) return step.value;
  }
}
