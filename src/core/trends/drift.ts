import { mean, median } from 'simple-statistics';
import { atLeast } from '#core/numeric';
import { type EpochMs, minutesText, type Seconds } from '#core/units';

// What has moved, in words: each line says what, how much, out of how many, and where to look.

/** One finished brew as trends see it. */
export type BrewFact = {
  readonly id: string;
  readonly at: EpochMs;
  readonly tea: { readonly id: string; readonly name: string };
  readonly lot: { readonly id: string; readonly name: string } | null;
  /** Null: a pot that is not on the shelf. */
  readonly vessel: { readonly id: string; readonly name: string } | null;
  readonly kettle: string;
  /** Hour of the day there, 0 to 23. */
  readonly hour: number;
  /** Seconds from best, signed; null where it was not pulled. */
  readonly error: Seconds | null;
  /** Whether another brew was in its window or past it when this one was pulled. */
  readonly crowded: boolean;
  /** Colour mark of the verdict, -2 to 2; null where it was not judged. */
  readonly colour: number | null;
  readonly right: boolean | null;
  /** 0 clear, 1 hazy, 2 cloudy; null where nobody noted it. */
  readonly clarity: number | null;
};

export type DriftBy = 'tea' | 'lot' | 'vessel' | 'kettle' | 'hour' | 'crowded';
export type Drift = {
  readonly by: DriftBy;
  /** What the list is to be filtered by: an id, a kettle's name, an hour. */
  readonly of: string;
  readonly headline: string;
  readonly evidence: string;
  /** How surprising it would be by chance alone: smaller is stranger. */
  readonly p: number;
};

const MOST = 5;
/** A group smaller than this says nothing. */
const FEW = 8;
/** Lines below this chance are worth a look; five groupings are looked at, so it is stricter than 0.05. */
const STRANGE = 0.005;
/** A pull error smaller than this is nobody's business, s. */
const WORTH_SAYING = 8;

type Named = { readonly key: string; readonly name: string };
type Group = Named & { readonly brews: readonly BrewFact[] };
/** Brews by what they share; null leaves one out. */
function collected(brews: readonly BrewFact[], of: (b: BrewFact) => Named | null): Group[] {
  const groups = new Map<string, { name: string; brews: BrewFact[] }>();
  for (const b of brews) {
    const g = of(b);
    if (!g) continue;
    const there = groups.get(g.key) ?? { name: g.name, brews: [] };
    there.brews.push(b);
    groups.set(g.key, there);
  }
  return [...groups].map(([key, g]) => ({ key, ...g }));
}
const grouped = (brews: readonly BrewFact[], of: (b: BrewFact) => Named | null) =>
  collected(brews, of).filter((g) => g.brews.length >= FEW);

const signed = (s: number) => `${s >= 0 ? '+' : '−'}${Math.round(Math.abs(s))} s`;
const errorsOf = (brews: readonly BrewFact[]) =>
  brews.flatMap((b) => (b.error === null ? [] : [b.error as number]));

/** Pulled later or earlier than the rest: more of its pulls lie past the rest's median than half would. */
function pullDrift(
  by: DriftBy,
  group: Group,
  rest: readonly BrewFact[],
  words: (late: boolean) => string,
): Drift[] {
  const [own, others] = [errorsOf(group.brews), errorsOf(rest)];
  if (own.length < FEW || others.length < FEW) return [];
  const middle = median(others);
  const gap = median(own) - middle;
  if (Math.abs(gap) < WORTH_SAYING) return [];
  const past = own.filter((e) => (gap > 0 ? e > middle : e < middle)).length;
  const p = atLeast(past, own.length, 0.5);
  return p < STRANGE
    ? [
        {
          by,
          of: group.key,
          headline: words(gap > 0),
          evidence: `${signed(median(own))} from best against ${signed(middle)} otherwise, ${own.length} brews`,
          p,
        },
      ]
    : [];
}

/** Judged darker or lighter than the tea was before. */
function colourDrift(group: Group, before: readonly BrewFact[]): Drift[] {
  const [own, old] = [group.brews, before].map((l) =>
    l.flatMap((b) => (b.colour === null ? [] : [b.colour])),
  );
  if (!own || !old || own.length < FEW || old.length < FEW) return [];
  return (
    [
      ['darker', (c: number) => c > 0],
      ['lighter', (c: number) => c < 0],
    ] as const
  ).flatMap(([word, is]) => {
    const [hits, was] = [own.filter(is).length, old.filter(is).length];
    // One brew is added to what was, so that "never before" does not make one cup a wonder.
    const p = atLeast(hits, own.length, (was + 1) / (old.length + 2));
    return p < STRANGE
      ? [
          {
            by: 'lot' as const,
            of: group.key,
            headline: `${group.name} is judged ${word}`,
            evidence: `${hits} of ${own.length}, before it ${was} of ${old.length}`,
            p,
          },
        ]
      : [];
  });
}

const hourText = (h: number) => `${String(h).padStart(2, '0')}:00`;

/**
 * What drifts, strangest first, at most five lines. A line needs eight brews on either side, a difference worth saying
 * and a chance under 0.005 by an exact binomial tail (a sign test against the rest's median).
 */
export function driftsOf(brews: readonly BrewFact[]): Drift[] {
  const without = (g: Group) => {
    const own = new Set(g.brews);
    return brews.filter((b) => !own.has(b));
  };
  const pulls = (
    by: DriftBy,
    of: (b: BrewFact) => Named | null,
    words: (g: Group, late: boolean) => string,
  ) => grouped(brews, of).flatMap((g) => pullDrift(by, g, without(g), (late) => words(g, late)));
  const crowded = brews.filter((b) => b.crowded);
  const together =
    crowded.length >= FEW
      ? pullDrift(
          'crowded',
          { key: 'yes', name: '', brews: crowded },
          brews.filter((b) => !b.crowded),
          (late) => `Pulled ${late ? 'late' : 'early'} when two are due at once`,
        )
      : [];
  const lots = grouped(
    brews,
    (b) => b.lot && { key: b.lot.id, name: `${b.tea.name}, ${b.lot.name},` },
  ).flatMap((g) => {
    const first = Math.min(...g.brews.map((b) => b.at));
    const tea = g.brews[0]?.tea.id;
    return colourDrift(
      g,
      brews.filter((b) => b.tea.id === tea && b.lot?.id !== g.key && b.at < first),
    );
  });
  return [
    ...pulls(
      'tea',
      (b) => ({ key: b.tea.id, name: b.tea.name }),
      (g, late) => `${g.name} is pulled ${late ? 'late' : 'early'}`,
    ),
    ...pulls(
      'vessel',
      (b) => b.vessel && { key: b.vessel.id, name: b.vessel.name },
      (g, late) => `${g.name} is pulled ${late ? 'late' : 'early'}`,
    ),
    ...pulls(
      'hour',
      (b) => ({ key: String(b.hour), name: hourText(b.hour) }),
      (g, late) =>
        `Between ${g.name} and ${hourText((Number(g.key) + 1) % 24)} pulls are ${late ? 'late' : 'early'}`,
    ),
    ...grouped(brews, (b) => (b.kettle ? { key: b.kettle, name: b.kettle } : null)).flatMap((g) =>
      notRight(g, without(g)),
    ),
    ...together,
    ...lots,
  ]
    .sort((a, b) => a.p - b.p)
    .slice(0, MOST);
}

/** More of a kettle's brews are judged off than of the others'. */
function notRight(group: Group, rest: readonly BrewFact[]): Drift[] {
  const [own, others] = [group.brews, rest].map((l) => l.filter((b) => b.right !== null));
  if (!own || !others || own.length < FEW || others.length < FEW) return [];
  const [off, was] = [own.filter((b) => !b.right).length, others.filter((b) => !b.right).length];
  const p = atLeast(off, own.length, (was + 1) / (others.length + 2));
  return p < STRANGE
    ? [
        {
          by: 'kettle',
          of: group.key,
          headline: `${group.name}: more cups are not right`,
          evidence: `${off} of ${own.length}, elsewhere ${was} of ${others.length}`,
          p,
        },
      ]
    : [];
}

/** Pull error and verdicts of one group, for a table. */
export type GroupRow = {
  readonly key: string;
  readonly name: string;
  readonly n: number;
  readonly meanError: number | null;
  readonly late: number;
  readonly judged: number;
  readonly right: number;
  /** Cups whose clarity was noted, and those of them that were not clear. */
  readonly looked: number;
  readonly notClear: number;
};
export const groupRows = (
  brews: readonly BrewFact[],
  of: (b: BrewFact) => Named | null,
): GroupRow[] =>
  collected(brews, of)
    .map(({ key, name, brews: list }) => {
      const errors = errorsOf(list);
      const looked = list.flatMap((b) => (b.clarity === null ? [] : [b.clarity]));
      const judged = list.filter((b) => b.right !== null);
      return {
        key,
        name,
        n: list.length,
        meanError: errors.length ? mean(errors) : null,
        late: errors.filter((e) => e > WORTH_SAYING).length,
        judged: judged.length,
        right: judged.filter((b) => b.right).length,
        looked: looked.length,
        notClear: looked.filter((level) => level > 0).length,
      };
    })
    .sort((a, b) => b.n - a.n);
/** A group's mean pull in words. @example errorText(-12) // '0:12 early' */
export const errorText = (e: number): string =>
  Math.round(e) === 0 ? 'at best' : `${minutesText(e)} ${e > 0 ? 'late' : 'early'}`;
