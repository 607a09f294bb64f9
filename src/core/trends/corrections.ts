import { type Lever, offBy, type ProposedLever, type Verdict } from '#core/corrections';
import { type Interval, shareInterval } from '#core/tastings';

// What came after a correction: told honestly, also when it is bad.

/** One judged brew, in the order of time. */
export type JudgedBrew = {
  readonly id: string;
  readonly tea: { readonly id: string; readonly name: string };
  readonly verdict: Verdict;
  readonly lever: ProposedLever;
  readonly taken: boolean;
  /** Proposed from all judged cups of the tea, not from this cup alone. */
  readonly ofAllCups: boolean;
};
export type Outcome = 'better' | 'same' | 'worse';
export type Tally = Readonly<Record<Outcome, number>> & {
  readonly n: number;
  /** Share better, with its exact 95 % interval. */ readonly share: number | null;
  readonly interval: Interval;
};
export type CorrectionRecord = {
  readonly taken: Tally;
  /** The same of those that were proposed and not taken: what would have come anyway. */
  readonly notTaken: Tally;
  readonly byTea: readonly (Tally & { readonly key: string; readonly name: string })[];
  readonly byLever: readonly (Tally & { readonly key: ProposedLever })[];
  /** Of those taken: proposed from all judged cups of the tea, and whether that has helped here. */
  readonly ofAllCups: Tally & { readonly words: string };
  /** Taken, and that tea has not been judged since. */
  readonly waiting: number;
  readonly words: string;
};

const asks = (l: ProposedLever): l is Lever | 'two' | 'followRecipe' =>
  l !== 'keep' && l !== 'none';

function tally(list: readonly Outcome[]): Tally {
  const of = (o: Outcome) => list.filter((x) => x === o).length;
  const better = of('better');
  return {
    better,
    same: of('same'),
    worse: of('worse'),
    n: list.length,
    share: list.length ? better / list.length : null,
    interval: shareInterval(better, list.length),
  };
}
function grouped<K extends string>(
  list: readonly { readonly key: K; readonly outcome: Outcome }[],
): Map<K, Outcome[]> {
  const by = new Map<K, Outcome[]>();
  for (const { key, outcome } of list) by.set(key, [...(by.get(key) ?? []), outcome]);
  return by;
}
const percent = (v: number) => `${Math.round(v * 100)} %`;
/** Fewer say nothing. */
const FEW = 5;

/** Each proposed correction against the next judged cup of its tea. @param brews oldest first. */
export function correctionRecord(brews: readonly JudgedBrew[]): CorrectionRecord {
  const next = new Map<string, JudgedBrew>();
  const followed: { readonly brew: JudgedBrew; readonly outcome: Outcome | null }[] = [];
  for (const brew of [...brews].reverse()) {
    const after = next.get(brew.tea.id);
    if (asks(brew.lever))
      followed.push({ brew, outcome: after ? outcomeOf(brew.verdict, after.verdict) : null });
    next.set(brew.tea.id, brew);
  }
  const known = followed.flatMap(({ brew, outcome }) => (outcome ? [{ brew, outcome }] : []));
  const taken = known.filter((k) => k.brew.taken);
  const [did, not] = [
    tally(taken.map((k) => k.outcome)),
    tally(known.filter((k) => !k.brew.taken).map((k) => k.outcome)),
  ];
  const names = new Map(brews.map((b) => [b.tea.id, b.tea.name]));
  return {
    taken: did,
    notTaken: not,
    ofAllCups: allCupsTally(taken),
    waiting: followed.filter((f) => f.brew.taken && f.outcome === null).length,
    byTea: [...grouped(taken.map((k) => ({ key: k.brew.tea.id, outcome: k.outcome })))]
      .map(([key, list]) => ({ key, name: names.get(key) ?? '', ...tally(list) }))
      .sort((a, b) => b.n - a.n || a.name.localeCompare(b.name)),
    byLever: [...grouped(taken.map((k) => ({ key: k.brew.lever, outcome: k.outcome })))]
      .map(([key, list]) => ({ key, ...tally(list) }))
      .sort((a, b) => b.n - a.n),
    words: wordsOf(did, not),
  };
}

/** The next cup against the one that was corrected: fewer marks off is better. */
export function outcomeOf(before: Verdict, after: Verdict): Outcome {
  const by = offBy(after) - offBy(before);
  if (by < 0) return 'better';
  return by > 0 ? 'worse' : 'same';
}
function wordsOf(did: Tally, not: Tally): string {
  if (did.n < FEW)
    return `Too few to say: ${did.n} ${did.n === 1 ? 'correction was' : 'corrections were'} taken and judged again. From ${FEW} on there is something to tell.`;
  const base = `Of ${did.n} corrections taken, the next cup of that tea was better in ${did.better} (${percent(did.interval[0])} to ${percent(did.interval[1])}), the same in ${did.same}, worse in ${did.worse}.`;
  if (not.n < FEW || did.share === null || not.share === null) return base;
  const apart = apartWords(did, not);
  return `${base} Where it was not taken, ${not.better} of ${not.n} were better without it.${apart}`;
}

/** Corrections that all cups together asked for, apart from those of one cup. */
function allCupsTally(
  taken: readonly { readonly brew: JudgedBrew; readonly outcome: Outcome }[],
): Tally & { words: string } {
  const [all, one] = [true, false].map((ofAllCups) =>
    tally(taken.filter((k) => k.brew.ofAllCups === ofAllCups).map((k) => k.outcome)),
  ) as [Tally, Tally];
  return { ...all, words: allCupsWords(all, one) };
}
function allCupsWords(all: Tally, one: Tally): string {
  if (all.n < FEW)
    return `Too few to say whether advice from all cups helps here: ${all.n} taken and judged again.`;
  const base = `Advice from all cups: the next cup was better in ${all.better} of ${all.n}, worse in ${all.worse}.`;
  const helped = all.interval[0] > 0.5 ? ' This advice has helped here.' : '';
  const failed = all.interval[1] < 0.5 ? ' This advice has not helped here.' : '';
  const open = helped === '' && failed === '' ? ' That is not clear yet.' : '';
  const beside = one.n < FEW ? '' : ` From one cup alone: better in ${one.better} of ${one.n}.`;
  return `${base}${helped}${failed}${open}${beside}`;
}

/** Whether the two shares lie apart. */
function apartWords(did: Tally, not: Tally) {
  if (did.interval[0] > not.interval[1]) return ' Taking them helped.';
  if (did.interval[1] < not.interval[0]) return ' Those that were taken did worse.';
  return ' That is no clear difference: much comes right by itself.';
}
