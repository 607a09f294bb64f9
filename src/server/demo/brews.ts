import { cardOf, planOf, pullKind, toModelInput } from '#core/brews';
import { isRight, JUDGED, nearestMark, predict, propose, type Verdict } from '#core/corrections';
import type { Brewing } from '#core/cup';
import { normal, pick, type Random } from '#core/numeric';
import { methodFor } from '#core/recipes';
import { MARK } from '#core/taste';
import { celsius, epochMs, grams, seconds } from '#core/units';
import type { Plan } from '#contracts/brewPlan';
import type { Version } from '#contracts/recipes';
import type { Site } from '#contracts/sites';
import type { Tea } from '#contracts/teas';
import { vesselFactsOf } from '#contracts/vesselFacts';
import type { Vessel } from '#contracts/vessels';
import type { brews } from '../db/schema';
import type { DemoPerson } from './house';
import { LEAVES, LIKED } from './leaves';

export type Cast = { readonly id: string; readonly person: DemoPerson };
export type Stage = {
  readonly site: Site;
  readonly teas: readonly Tea[];
  readonly vessels: readonly Vessel[];
  readonly cast: readonly Cast[];
  readonly perDay: number;
  /** Chance of what is written down beside a brew: apart, so that the brews themselves stay as they are. */
  readonly noted: Random;
};
type BrewRow = typeof brews.$inferInsert;

/** A tea's cups differ by this much from one to the next, and a taster by so much from himself, in marks. */
const SCATTER = 0.28;
/**
 * What a taster marks: the model's cup of the brew as it was, against the one it should have been, and his own
 * scatter.
 */
function tasted(random: Random, brewed: Brewing, wanted: Brewing): Verdict {
  const [got, house] = [predict(brewed), predict(wanted)];
  return Object.fromEntries(
    JUDGED.map((j) => [j, nearestMark((got[j] - house[j]) / MARK + normal(random, 0, SCATTER))]),
  ) as Verdict;
}

/** How much later a pull comes when two are due at once, and of the pot that stands farthest off, s. */
const CROWDED_S = 14;
const FAR_POT = 'Grey pot';
const FAR_S = 12;

/** A day's opening hours in ms from UTC midnight, busier in the afternoon. */
const OPEN_H = 8;
const CLOSE_H = 18;
function moment(random: Random): number {
  const h = Math.max(
    OPEN_H,
    Math.min(
      CLOSE_H - 0.2,
      random() < 0.35 ? normal(random, 10.5, 1.2) : normal(random, 15.4, 1.4),
    ),
  );
  return h * 3_600_000;
}

/** One finished brew with the errors of whoever made it; null when this tea does not go in this vessel. */
function imitate(
  random: Random,
  stage: Stage,
  at: number,
  makeId: (ms: number) => string,
): BrewRow | null {
  const maker = pick(random, stage.cast);
  const tea = pick(random, stage.teas);
  const version: Version | null = tea.house;
  const fit = stage.vessels.filter(
    (v) =>
      v.kind !== 'pitcher' &&
      (tea.method === 'liddedCup') === (v.kind === 'lidded' || v.kind === 'tasting'),
  );
  if (!version || fit.length === 0) return null;
  const vessel = pick(random, fit);
  const warmed = version.recipe.warm && random() > 0.08;
  const pour = { tea, version, vessel, site: stage.site, water: vessel.mark, warmed };
  const card = cardOf(pour);
  if (card.kind !== 'card') return null;
  const { window } = version.recipe;
  const plan = planOf(card, { ...pour, vessel: vesselFactsOf(pour.vessel) });
  const short = Math.min(1, window.best / 120);
  const forgotten =
    random() < (maker.person.role === 'trainee' ? 0.09 : 0.025) ? 40 + random() * 110 : 0;
  // Two due at once, and a pot that stands far from the jug, are lifted late: so that the trends have something true
  // to find.
  const crowded = random() < 0.2;
  const held = (crowded ? CROWDED_S : 0) + (vessel.name === FAR_POT ? FAR_S : 0);
  const steeped = Math.max(
    5,
    window.best +
      short * (normal(random, maker.person.slip + held, maker.person.spread) + forgotten),
  );
  const heatError = normal(random, 0.5, 2.2) + (warmed || !version.recipe.warm ? 0 : -6);
  const leafError = normal(random, 0, maker.person.spoon);
  const wanted = toModelInput(
    { ...plan, fitted: LEAVES[tea.name] ?? null },
    tea.style,
    window.best,
  );
  const liked = LIKED[tea.name];
  const verdict = tasted(
    random,
    {
      ...wanted,
      leaf: grams(plan.leaf * (1 + leafError)),
      temperature: celsius(Math.min(99, plan.onLeaf + heatError)),
      time: seconds(steeped),
    },
    liked
      ? {
          ...wanted,
          leaf: grams(wanted.leaf * liked.leaf),
          temperature: celsius(wanted.temperature + liked.heatC),
        }
      : wanted,
  );
  const judged = random() > 0.1;
  const proposal = judged
    ? propose({
        verdict,
        recipe: version.recipe,
        style: tea.style,
        brew: toModelInput(plan, tea.style, seconds(steeped)),
        warmed,
        crowding: card.crowding,
      })
    : null;
  const waterOn = at + 40_000;
  const noted = notedOf(stage.noted, plan, { leafError, heatError, at, waterOn });
  const pulled = waterOn + Math.round(steeped * 1000);
  const id = makeId(at);
  const accepted = proposal && proposal.lever !== 'keep' ? random() > 0.35 : null;
  return {
    id,
    siteId: stage.site.id,
    teaId: tea.id,
    lotId: tea.lots[0]?.id ?? null,
    vesselId: vessel.id,
    versionId: version.id,
    method: methodFor(vessel),
    leafId: id,
    pairedId: null,
    kettle: stage.site.kettle.name,
    place: 1,
    plan,
    state: 'judged',
    open: false,
    startedAt: new Date(at),
    startedBy: maker.id,
    waterOn: new Date(waterOn),
    pulled: new Date(pulled),
    pulledBy: maker.id,
    ended: new Date(pulled + 95_000),
    judgedBy: judged ? maker.id : null,
    timing: pullKind(seconds(steeped), window),
    error: Math.round((steeped - window.best) * 10) / 10,
    crowded,
    ...noted,
    verdictKind: verdictKindOf(judged, verdict),
    verdict: judged ? verdict : null,
    proposal,
    accepted,
    correction: correctionOf(accepted),
    remark: '',
  };
}

/** So many brews have their leaf on the scale, and so many a thermometer in them. */
const WEIGHED = 0.25;
const READ = 0.2;
/** What the scale and the thermometer said of a brew, where they were used. */
function notedOf(
  random: Random,
  { leaf, onLeaf }: Plan,
  real: { leafError: number; heatError: number; at: number; waterOn: number },
): Pick<BrewRow, 'marks' | 'readings'> {
  const isWeighed = random() < WEIGHED;
  const isRead = random() < READ;
  const onScale = Math.max(0.1, Number((leaf * (1 + real.leafError)).toFixed(1)));
  const read = Number(Math.min(99, onLeaf + real.heatError).toFixed(1));
  return {
    marks: isWeighed
      ? [{ key: 'weigh', at: epochMs(real.at), outcome: 'done', grams: grams(onScale) }]
      : [],
    readings: isRead ? [{ at: epochMs(real.waterOn + 15_000), celsius: celsius(read) }] : [],
  };
}

/** How the verdict is counted. */
function verdictKindOf(judged: boolean, verdict: Verdict) {
  if (!judged) return 'unjudged';
  if (isRight(verdict)) return 'right';
  return 'off';
}

/** What became of the correction. */
function correctionOf(accepted: boolean | null) {
  if (accepted === null) return 'none';
  if (accepted) return 'taken';
  return 'notTaken';
}

/** Brews of `days` whole days before `now`, oldest first. */
export function pastBrews(
  random: Random,
  stage: Stage,
  now: number,
  days: number,
  makeId: (ms: number) => string,
): BrewRow[] {
  const midnight = Math.floor(now / 86_400_000) * 86_400_000;
  const rows: BrewRow[] = [];
  for (let day = days; day >= 0; day--) {
    const start = midnight - day * 86_400_000;
    const many = Math.round(stage.perDay * (0.75 + random() * 0.5));
    for (const at of Array.from({ length: many }, () => start + Math.round(moment(random))).sort(
      (a, b) => a - b,
    )) {
      if (at > now - 15 * 60_000) continue;
      const row = imitate(random, stage, at, makeId);
      if (row) rows.push(row);
    }
  }
  return rows;
}
