import { and, eq } from 'drizzle-orm';
import { USUAL_HOUSE_LIMITS } from '#core/cold';
import { type Random, seeded } from '#core/numeric';
import { siteDate } from '#core/time';
import {
  DIAGNOSIS_GUESS,
  DIAGNOSIS_VERSION,
  drawDiagnosis,
  drawFigure,
  drawPick,
  drawShift,
  type DrillFacts,
  drillFactsOf,
  DrillHouse,
  type DrillTask,
  drillTeasOf,
  type FigureDrillName,
  figureGuess,
  houseCupOf,
  isFigureDrill,
  isPickDrill,
  judgeTask,
  type Learner,
  learnerAnswer,
  learnerFigure,
  learnerPicks,
  learnerShift,
  type Level,
  levelOfNext,
  PICK_DRILLS,
  type PickDrillName,
  ratedAfter,
  scoreDiagnosis,
  SHIFT_GUESS,
  UNRATED,
  workFigure,
  workPick,
} from '#core/training';
import { epochMs, grams } from '#core/units';
import * as t from '../db/schema';
import { allTeas } from '../features/teas';
import { DAY, type Making, SEED, type Shop } from './making';

// Three people at different stages: answers of simulated learners over two months, and what was signed.

const HOUR = 3_600_000;
/** Few cups, so that the demo is made quickly. */
const TEAS = ['Tolvane Amber', 'Sennet Hollow', 'Corrow Roast'];
const VESSELS = ['White pot', 'Grey pot'];
const A_SITTING = 6;
const WEIGHED_TEA = 'Tolvane Amber';
const DRAFTED_TEA = 'Sennet Hollow';

type OtherDrill = FigureDrillName | PickDrillName | 'shift';
type Story = {
  readonly name: string;
  readonly learner: Learner;
  /** Days ago on which they sat down to six cups. */
  readonly sittings: readonly number[];
  /** What else they practised then, four questions of each, or one shift. */
  readonly drills: readonly OtherDrill[];
};
const STORIES: readonly Story[] = [
  {
    name: 'Dov R.',
    learner: { sees: 0.97, sizeOff: 0.15 },
    sittings: [54, 47, 38, 30, 21, 12, 4],
    drills: ['spoons', 'scale', 'splash', 'landing', 'match', 'words', 'shift'],
  },
  {
    name: 'Tam O.',
    learner: { sees: 0.85, sizeOff: 0.4 },
    sittings: [40, 33, 19, 9],
    drills: ['spoons', 'fillLine', 'holding'],
  },
  { name: 'Pela M.', learner: { sees: 0.55, sizeOff: 0.6 }, sittings: [8, 3], drills: [] },
];

/** Answers of one person, each sitting at its hour, harder or easier as they went. */
function answersOf(story: Story, house: DrillHouse, siteId: string, { now, makeId }: Making) {
  const random = seeded(SEED + story.sittings.length);
  let rated = UNRATED;
  return story.sittings.flatMap((ago) =>
    Array.from({ length: A_SITTING }, (_, i) => {
      const at = now - ago * DAY - HOUR + i * 70_000;
      const seed = Math.floor(random() * 2 ** 32);
      const level = levelOfNext(rated, DIAGNOSIS_GUESS) as Level;
      const given = drawDiagnosis(house, level, seeded(seed));
      const diagnosis = house.work(given);
      const answer = learnerAnswer(houseCupOf(given.cup), diagnosis, story.learner, random);
      const { credit, judged } = scoreDiagnosis(diagnosis, answer);
      rated = ratedAfter(rated, { level: given.level, credit }, DIAGNOSIS_GUESS);
      return {
        ...{ id: makeId(at), siteId, at: new Date(at), drill: 'diagnose' as const },
        day: siteDate('Europe/London', epochMs(at)),
        ...{ version: DIAGNOSIS_VERSION, level: given.level, guess: DIAGNOSIS_GUESS },
        ...{ seed, given, choices: diagnosis.choices, answer, credit, judged },
        ms: 30_000 + Math.floor(random() * 40_000),
      };
    }),
  );
}

const OF_EACH = 4;
const TYPED_GUESS = figureGuess(null);
const HALF_AN_HOUR = 30 * 60_000;
const guessOf = (drill: OtherDrill): number => {
  if (drill === 'shift') return SHIFT_GUESS;
  return isPickDrill(drill) ? PICK_DRILLS[drill].guess : TYPED_GUESS;
};
/** One question of a drill with its answer. */
function answered(
  drill: OtherDrill,
  facts: DrillFacts,
  asked: { level: Level; seed: number; learner: Learner; random: Random },
): DrillTask {
  const { level, seed, learner, random } = asked;
  if (drill === 'shift') {
    const given = drawShift(facts.shift, level, seeded(seed));
    return { drill, given, answer: learnerShift(given, learner, random) };
  }
  if (isFigureDrill(drill)) {
    const question = drawFigure(drill, facts, level, seeded(seed));
    const figure = workFigure(question);
    if (!figure) throw new Error(`${drill}: no question`);
    const answer = learnerFigure(figure, question.given.level, learner, random);
    return { ...question, answer } as DrillTask;
  }
  const question = drawPick(drill, facts, level, seeded(seed));
  const worked = workPick(question);
  if (!worked) throw new Error(`${drill}: no question`);
  return { ...question, answer: learnerPicks(worked, learner, random) } as DrillTask;
}
/** Answers of the other drills, after the cups of each sitting. */
function otherAnswersOf(story: Story, facts: DrillFacts, siteId: string, { now, makeId }: Making) {
  const random = seeded(SEED + 100 + story.sittings.length);
  return story.drills.flatMap((drill, n) => {
    let rated = UNRATED;
    const guess = guessOf(drill);
    const isShift = drill === 'shift';
    return story.sittings.flatMap((ago) =>
      Array.from({ length: isShift ? 1 : OF_EACH }, (_, i) => {
        const at = now - ago * DAY - HOUR + (n + 1) * HALF_AN_HOUR + i * 40_000;
        const seed = Math.floor(random() * 2 ** 32);
        const level = levelOfNext(rated, guess) as Level;
        const task = answered(drill, facts, { level, seed, learner: story.learner, random });
        const judged = judgeTask(task);
        if (!judged) throw new Error(`${drill}: an answer nobody can give`);
        rated = ratedAfter(rated, { level: task.given.level, credit: judged.credit }, guess);
        return {
          ...{ id: makeId(at), siteId, at: new Date(at), ...task, ...judged, seed },
          day: siteDate('Europe/London', epochMs(at)),
          level: task.given.level,
          ms: (isShift ? 90_000 : 12_000) + Math.floor(random() * 20_000),
        };
      }),
    );
  });
}

/** Spoons of two learners: even ones, and ones that are not yet. */
async function addSpoons(
  { db, now, makeId }: Making,
  siteId: string,
  person: (name: string) => string | undefined,
): Promise<void> {
  const [tea] = await db.select().from(t.teas).where(eq(t.teas.name, WEIGHED_TEA));
  const [dov, pela] = [person('Dov R.'), person('Pela M.')];
  if (!tea?.weighing || !dov || !pela) return;
  const each = tea.weighing.weighed / tea.weighing.spoons;
  const weighed = (personId: string, ago: number, shares: readonly number[]) => ({
    ...{ id: makeId(now - ago * DAY), personId, siteId, teaId: tea.id, spoon: tea.spoon },
    singles: shares.map((share) => grams(Math.round(100 * share * each) / 100)),
    at: new Date(now - ago * DAY),
  });
  await db
    .insert(t.spoonWeighings)
    .values([
      weighed(dov, 41, [1.02, 0.97, 1, 1.05, 0.98]),
      weighed(pela, 2, [1.24, 0.95, 1.1, 1.31, 0.98]),
    ]);
}

/** The first recipe of one tea was drafted by a brewer from its packet. */
async function addDraft({ db }: Making, author: string | undefined, lead: string): Promise<void> {
  const [tea] = await db.select().from(t.teas).where(eq(t.teas.name, DRAFTED_TEA));
  if (!tea || !author) return;
  const first = and(eq(t.versions.teaId, tea.id), eq(t.versions.number, 1));
  const [version] = await db.select().from(t.versions).where(first);
  if (!version) return;
  await db
    .update(t.versions)
    .set({
      ...{ authorId: author, takenBy: lead },
      recipe: { ...version.recipe, origin: 'the packet' },
    })
    .where(eq(t.versions.id, version.id));
}

/** What was practised, one sign-off that lapses soon, and one that is asked for. */
export async function addTraining(making: Making, { sites, vessels, cast }: Shop): Promise<void> {
  const { db, now, makeId } = making;
  const [site] = sites;
  const person = (name: string) => cast.find((c) => c.person.name === name)?.id;
  const lead = cast[0]?.id;
  if (!site || !lead) return;
  const teas = await allTeas(db);
  const factsWith = (isTaken: (vessel: { readonly name: string }) => boolean): DrillFacts =>
    drillFactsOf({
      teas: teas.filter((tea) => TEAS.includes(tea.name)).flatMap(drillTeasOf),
      vessels: vessels.filter((v) => v.siteId === site.id && isTaken(v)),
      ...{ site, limits: USUAL_HOUSE_LIMITS, open: null, gradient: null },
    });
  // A shift takes more vessels than a few, and is drawn quickly.
  const { shift } = factsWith(() => true);
  const facts = { ...factsWith((v) => VESSELS.includes(v.name)), shift };
  const house = new DrillHouse(facts.cups);
  for (const story of STORIES) {
    const personId = person(story.name);
    if (!personId) continue;
    await db
      .insert(t.drillAnswers)
      .values(answersOf(story, house, site.id, making).map((a) => ({ ...a, personId })));
    const others = otherAnswersOf(story, facts, site.id, making);
    if (others.length > 0)
      await db.insert(t.drillAnswers).values(others.map((a) => ({ ...a, personId })));
  }
  await addSpoons(making, site.id, person);
  await addDraft(making, person('Dov R.'), lead);
  const sign = (
    name: string,
    ago: number,
    rest: Pick<typeof t.signEvents.$inferInsert, 'skill' | 'kind' | 'note' | 'until'>,
  ) => {
    const at = now - ago * DAY;
    const personId = person(name) ?? lead;
    const byId = rest.kind === 'asked' ? personId : lead;
    const day = siteDate('Europe/London', epochMs(at));
    return { id: makeId(at), personId, siteId: site.id, at: new Date(at), day, byId, ...rest };
  };
  const onDay = (days: number) => siteDate('Europe/London', epochMs(now + days * DAY));
  await db.insert(t.signEvents).values([
    sign('Dov R.', 40, {
      ...{ skill: 'measure', kind: 'signed', until: onDay(325) },
      note: 'Five spoons of two teas, weighed.',
    }),
    sign('Dov R.', 39, {
      ...{ skill: 'steep', kind: 'signed', until: onDay(16) },
      note: 'A Saturday at the bar.',
    }),
    sign('Tam O.', 20, {
      ...{ skill: 'measure', kind: 'signed', until: onDay(345) },
      note: 'Spoons and scale.',
    }),
    sign('Dov R.', 1, { skill: 'correct', kind: 'asked', until: null, note: '' }),
  ]);
}
