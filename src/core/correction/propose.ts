import { ATTRIBUTE_NAMES, isRight, type Verdict } from './marks';
import { CORRECTION_TABLE, meets, type Circumstance, type CorrectionRow, type Lever, type Rescue } from './table';
import type { Recipe } from '#core/recipes';
import { pullTiming } from '#core/timing';
import { styleOf, type StyleId } from '#core/styles';
import { millilitres, minutesText, type Millilitres, type Seconds } from '#core/units';

export type Judged = {
  readonly verdict: Verdict;
  readonly recipe: Recipe;
  readonly style: StyleId;
  readonly steeped: Seconds;
  readonly warmed: boolean;
  /** Opened leaf against its basket; null when free. */
  readonly crowding: number | null;
  /** What there is to mend, ml. */
  readonly liquor: Millilitres;
};

/** What to do with the cup in hand. */
export type CupInHand = { readonly kind: Rescue; readonly water: Millilitres; readonly text: string };

export type ProposedLever = Lever | 'followRecipe' | 'keep';
/** One correction for the next brew. `to` and `from` are in the lever's own unit; absent when nothing is turned. */
export type Proposal = {
  readonly rowId: string;
  readonly lever: ProposedLever;
  readonly headline: string;
  readonly change: string;
  readonly reason: string;
  readonly from?: number;
  readonly to?: number;
  readonly cup: CupInHand;
};

const clamp = (x: number, lo: number, hi: number) => Math.min(hi, Math.max(lo, x));
const to5 = (s: number) => Math.round(s / 5) * 5;
const COOLER_BY = 5;
const LONGER_BY = 30;

/** Share by which one and two marks move leaf or time: rules of thumb, from memory. */
const STEP = [0, 0.12, 0.22] as const;
/** Hot water to the liquor for one and two marks too many: rules of thumb, from memory. */
const WATER_SHARE = [0, 0.16, 0.36] as const;

const worst = (v: Verdict) => Math.max(...ATTRIBUTE_NAMES.map((a) => Math.abs(v[a])), 1) as 1 | 2;
const over = (v: Verdict) => Math.max(v.strength, v.bitterness, v.astringency, 0) as 0 | 1 | 2;

function holds(c: Circumstance, j: Judged): boolean {
  const s = styleOf(j.style);
  switch (c) {
    case 'coldVessel': return j.recipe.warm && !j.warmed;
    case 'smallInfuser': return j.crowding !== null && j.crowding > 1;
    case 'shortRecipe': return j.recipe.window.best < s.start.earliest;
    case 'longRecipe': return j.recipe.window.best > s.start.latest;
    case 'hotForStyle': return j.recipe.temperature > s.start.temperature + 3;
  }
}
const fits = (row: CorrectionRow, j: Judged): boolean =>
  (Object.entries(row.when) as [keyof Verdict, Parameters<typeof meets>[0]][]).every(([k, w]) => meets(w, j.verdict[k]))
  && (row.anyOver === undefined || row.anyOver.some((k) => j.verdict[k] > 0))
  && (row.circumstance === undefined || holds(row.circumstance, j));

type Turned = Pick<Proposal, 'headline' | 'change' | 'from' | 'to'>;

/** A lever turned within the style's working range; null when it has no room. A value outside may only move inwards. */
function turn(lever: Lever, j: Judged): Turned | null {
  const s = styleOf(j.style);
  const size = STEP[worst(j.verdict)];
  switch (lever) {
    case 'leafMore':
    case 'leafLess': {
      const from = j.recipe.dose;
      const wanted = lever === 'leafMore' ? clamp(from * (1 + size), from, Math.max(from, s.range.dose[1])) : clamp(from * (1 - size), Math.min(from, s.range.dose[0]), from);
      const to = Math.round(wanted * 100) / 100;
      if (Math.abs(to / from - 1) < 0.03) return null;
      return { from, to, headline: `${Math.round(Math.abs(to / from - 1) * 100)} % ${to > from ? 'more' : 'less'} leaf`, change: `${Number(from.toFixed(2))} to ${to} g per 100 ml. Heat and time stay.` };
    }
    case 'cooler':
    case 'hotter': {
      const from = j.recipe.temperature;
      const to = lever === 'cooler' ? clamp(from - COOLER_BY, Math.min(from, s.range.temperature[0]), from) : clamp(from + COOLER_BY, from, Math.max(from, s.range.temperature[1]));
      const by = Math.round(Math.abs(to - from));
      return by < 2 ? null : { from, to, headline: `${by} °C ${to < from ? 'cooler' : 'hotter'}`, change: `${Math.round(from)} to ${Math.round(to)} °C. Leaf and time stay.` };
    }
    case 'shorter':
    case 'longer': {
      const from = j.recipe.window.best;
      const least = Math.min(from, s.range.seconds[0]);
      const most = Math.max(from, s.range.seconds[1]);
      const to = lever === 'shorter' ? Math.max(least, to5(Math.min(from * (1 - size), Math.max(from * 0.6, from > s.start.latest ? s.start.latest : Infinity)))) : Math.min(most, to5(from + Math.min(LONGER_BY, Math.max(10, from * size * 1.5))));
      const by = Math.round(Math.abs(to - from));
      return by < 5 ? null : { from, to, headline: `${minutesText(by)} ${to < from ? 'shorter' : 'longer'}`, change: `Best at ${minutesText(to)}, was ${minutesText(from)}. Leaf and heat stay.` };
    }
    case 'warmVessel': return { headline: 'Warm the pot', change: 'A third full of hot water, 15 s or more, poured away.' };
    case 'roomier': return { headline: 'A roomier infuser', change: 'Same leaf, heat and time in a basket it can open in.' };
    case 'checkLot': return { headline: 'Check lot and water', change: 'The recipe stays.' };
  }
}

/** What one verdict asks of the cup that is there. */
function cupInHand(kind: Rescue, j: Judged): CupInHand {
  const cupful = (ml: number) => Math.max(5, Math.round(((ml / j.liquor) * 150) / 5) * 5);
  if (kind === 'returnLeaf') return { kind, water: millilitres(0), text: 'Put the leaf back for 30 s, taste, repeat.' };
  if (kind === 'none') return { kind, water: millilitres(0), text: 'Nothing mends this cup. Serve it or brew again.' };
  const water = Math.max(10, Math.round((j.liquor * WATER_SHARE[over(j.verdict) || 1]) / 10) * 10);
  const text = kind === 'split'
    ? 'Split it: pour part off, top both up. It restores strength, not the balance. Taste again.'
    : `About ${cupful(water)} ml a cup. It restores strength, not the balance. Taste again.`;
  return { kind, water: millilitres(water), text };
}

const NOTHING: CupInHand = { kind: 'none', water: millilitres(0), text: '' };

/** A brew that strayed from its recipe in the direction of the complaint is brewed to the recipe first. */
function strayed(j: Judged): Proposal | null {
  const timing = pullTiming(j.steeped, j.recipe.window);
  const { strength, bitterness, astringency, colour } = j.verdict;
  const tooMuch = Math.max(strength, bitterness, astringency, colour) > 0 && strength >= 0;
  const tooLittle = Math.min(strength, colour) < 0 && bitterness <= 0 && astringency <= 0;
  if (timing === 'late' && tooMuch) {
    const bite = bitterness > 0 || astringency > 0;
    return {
      rowId: 'late', lever: 'followRecipe', headline: 'Lift it in its window', change: `Best at ${minutesText(j.recipe.window.best)}. The recipe stays.`,
      reason: `Lifted at ${minutesText(j.steeped)}, ${minutesText(j.steeped - j.recipe.window.latest)} past latest: that alone makes a cup dark and biting. Brew it to the recipe first.`,
      cup: cupInHand(bite ? 'split' : 'hotWater', j),
    };
  }
  if (timing === 'early' && tooLittle) {
    return {
      rowId: 'early', lever: 'followRecipe', headline: 'Give it its time', change: `Best at ${minutesText(j.recipe.window.best)}. The recipe stays.`,
      reason: `Lifted at ${minutesText(j.steeped)}, ${minutesText(j.recipe.window.earliest - j.steeped)} before its window: that alone makes a cup thin. Brew it to the recipe first.`,
      cup: cupInHand('returnLeaf', j),
    };
  }
  return null;
}

/** One correction for the next brew and one act for the cup in hand. Nothing off: keep it. */
export function propose(j: Judged): Proposal {
  if (isRight(j.verdict)) return { rowId: 'right', lever: 'keep', headline: 'Keep it so', change: 'As it should be. The recipe stays.', reason: '', cup: NOTHING };
  const first = strayed(j);
  if (first) return first;
  for (const row of CORRECTION_TABLE) {
    if (!fits(row, j)) continue;
    for (const lever of row.levers) {
      const turned = turn(lever, j);
      if (turned) return { rowId: row.id, lever, reason: row.reason, ...turned, cup: cupInHand(row.rescue, j) };
    }
  }
  return { rowId: 'ask-lead', lever: 'checkLot', headline: 'Ask a lead', change: 'The recipe stays.', reason: 'Every lever is at the end of this style’s working range.', cup: NOTHING };
}
