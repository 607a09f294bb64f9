import { eq } from 'drizzle-orm';
import type { z } from 'zod';
import { siteDate } from '#core/time';
import { type Drill, DRILLS, type DrillTask, lacksForBrewer, SKILLS } from '#core/training';
import { epochMs } from '#core/units';
import type { Person } from '#contracts/people';
import type {
  addDrillAnswer,
  addSignEvent,
  addSpoonWeighing,
  DrillAnswer,
  getTraining,
  getTrainingBoard,
  Practice,
  SchoolSettings,
  SignEventBody,
  SpoonWeighing,
} from '#contracts/training';
import { inTransaction } from '../../db/inTransaction';
import type { Tx } from '../../db/pool';
import { drillAnswers, house, signEvents, spoonWeighings } from '../../db/schema';
import type { Deps } from '../../deps';
import { instantOf } from '../../http/clocks';
import { AppError, invalid, notFound } from '../../http/errors';
import type { Signed } from '../../http/route';
import { mustWorkAt } from '../../http/sites';
import { inRecordedTransaction } from '../history';
import { allPeople, lockSite, raiseToBrewer, siteById } from '../people';
import { spoonsById } from '../spoons';
import { requireTea } from '../teas';
import {
  answerById,
  type AnswerRow,
  answersSince,
  asAnswer,
  disputedAt,
  removeTrainingOf,
  signById,
  signsOf,
  weighingById,
} from './repository';
import { schoolOf, schoolWords } from './school';
import { seenOf } from './seen';
import { potGradientAt, tablesOf } from './tables';
import { TRAINING_TASKS } from './tasks';

const DAY_MS = 86_400_000;
/** Answers older than this are no evidence any more. */
const COUNTED_MS = 120 * DAY_MS;

/** How long somebody takes is their own business. */
const withoutTimes = (practice: Practice): Practice => ({
  ...practice,
  answers: practice.answers.map((a) => ({ ...a, ms: null })),
});

/** What people practise and what leads sign. Everybody reads their own; leads read those of their site. */
export function createTrainingService(deps: Deps) {
  const { db, now } = deps;
  const practicesOf = async (
    tx: Tx,
    people: readonly Practice['person'][],
  ): Promise<Practice[]> => {
    const ids = people.map((p) => p.id);
    const [answers, signs] = [
      await answersSince(tx, ids, now() - COUNTED_MS),
      await signsOf(tx, ids),
    ];
    const practices: Practice[] = [];
    for (const person of people) {
      const tables = await tablesOf(tx, person.id);
      practices.push({
        ...{ person, tables, seen: await seenOf(tx, person.id, tables) },
        ...{ answers: answers.get(person.id) ?? [], signs: signs.get(person.id) ?? [] },
      });
    }
    return practices;
  };
  const dayAt = async (tx: Tx, siteId: string, at: number): Promise<string> =>
    siteDate((await siteById(tx, siteId))?.hours?.zone ?? 'UTC', epochMs(at));

  return {
    async own(who: Signed): Promise<z.infer<typeof getTraining.response>> {
      const { personId: id, name, role } = who;
      const [own] = await practicesOf(db, [{ id, name, role }]);
      if (!own) throw notFound('That person');
      const potGradient = await potGradientAt(db, who.siteId);
      return { ...own, school: await schoolOf(db), potGradient };
    },
    /** All of one person’s: their own, or anybody’s of the site for a lead. */
    async record(personId: string, who: Signed): Promise<Practice> {
      const person = (await allPeople(db)).find((p) => p.id === personId);
      const isOwn = personId === who.personId;
      const isOfLead = who.role === 'lead' && person?.siteIds.includes(who.siteId) === true;
      if (!person || !(isOwn || isOfLead)) throw notFound('That person');
      const { id, name, role } = person;
      const [answers, signs] = [await answersSince(db, [id], 0), await signsOf(db, [id])];
      const tables = await tablesOf(db, id);
      const seen = await seenOf(db, id, tables);
      return {
        ...{ person: { id, name, role }, answers: answers.get(id) ?? [], seen, tables },
        signs: signs.get(id) ?? [],
      };
    },
    /** A record with what a page of it takes: what is taught here, and which day it is. */
    async paper(personId: string, who: Signed) {
      const today = await dayAt(db, who.siteId, now());
      return [await this.record(personId, who), await schoolOf(db), today] as const;
    },
    async board(who: Signed): Promise<z.infer<typeof getTrainingBoard.response>> {
      const here = (await allPeople(db))
        .filter((p) => p.active && p.siteIds.includes(who.siteId))
        .map(({ id, name, role }) => ({ id, name, role }))
        .sort((a, b) => a.name.localeCompare(b.name));
      const disputed = await disputedAt(db, who.siteId);
      return {
        people: (await practicesOf(db, here)).map(withoutTimes),
        disputed: disputed.map(({ a, by }) => ({
          ...{ answerId: a.id, by, at: a.at.getTime() },
          task: { drill: a.drill, given: a.given, answer: a.answer } as DrillTask,
        })),
      };
    },
    /** Worked out again here: what the page says of its worth is not asked. */
    async answer(
      { task, ...given }: z.infer<typeof addDrillAnswer.body>,
      who: Signed,
    ): Promise<DrillAnswer> {
      mustWorkAt(who, given.siteId);
      const judgement = await deps.work.run(TRAINING_TASKS.judge, task);
      if (!judgement) throw invalid({ task: 'This question cannot be: nothing was kept.' });
      return inTransaction(db, async (tx) => {
        await lockSite(tx, given.siteId);
        const there = await answerById(tx, given.id);
        if (there) return asAnswer(own(there, who));
        const at = instantOf(given.at, now());
        await tx.insert(drillAnswers).values({
          ...{ id: given.id, personId: who.personId, siteId: given.siteId },
          ...{ at: new Date(at), day: await dayAt(tx, given.siteId, at) },
          ...{ ...task, ...judgement, level: task.given.level, seed: given.seed, ms: given.ms },
        });
        return asAnswer(await requireAnswer(tx, given.id));
      });
    },
    /** Spoons weighed one by one. */
    weighSpoons: (
      { siteId, at, ...given }: z.infer<typeof addSpoonWeighing.body>,
      who: Signed,
    ): Promise<SpoonWeighing> =>
      inTransaction(db, async (tx) => {
        mustWorkAt(who, siteId);
        await lockSite(tx, siteId);
        const there = await weighingById(tx, given.id);
        if (there) {
          if (there.personId !== who.personId) throw notFound('That weighing');
          return there.weighing;
        }
        await requireTea(tx, given.teaId);
        if (!(await spoonsById(tx)).has(given.spoon)) throw invalid({ spoon: 'Choose a spoon.' });
        const weighedAt = instantOf(at, now());
        await tx
          .insert(spoonWeighings)
          .values({ ...given, personId: who.personId, siteId, at: new Date(weighedAt) });
        return { ...given, at: weighedAt };
      }),
    /** Its own person says that the question is wrong. */
    dispute: (id: string, who: Signed): Promise<DrillAnswer> =>
      inTransaction(db, async (tx) => {
        const there = own(await requireAnswer(tx, id), who);
        // What a lead has settled stays settled.
        if (there.dispute === null)
          await tx.update(drillAnswers).set({ dispute: 'open' }).where(eq(drillAnswers.id, id));
        return asAnswer(await requireAnswer(tx, id));
      }),
    /** A lead says whether the question was wrong; of a wrong one the answer stays out of evidence. */
    settle: (id: string, isWrong: boolean, who: Signed): Promise<DrillAnswer> =>
      inRecordedTransaction(deps, who, async (tx, record) => {
        const there = await requireAnswer(tx, id);
        if (there.siteId === null || there.personId === null) throw notFound('That answer');
        mustWorkAt(who, there.siteId);
        if (there.personId === who.personId)
          throw new AppError('session.forbidden', 403, 'Another lead settles your own answers.');
        if (there.dispute !== 'open') return { ...asAnswer(there), ms: null };
        const dispute = isWrong ? 'wrong' : 'right';
        await tx.update(drillAnswers).set({ dispute }).where(eq(drillAnswers.id, id));
        await record({
          thing: 'person',
          id: there.personId,
          before: {},
          after: { question: `${DRILLS[there.drill as Drill].name}, ${there.day}: ${dispute}` },
        });
        return { ...asAnswer(await requireAnswer(tx, id)), ms: null };
      }),
    setSchool: (school: SchoolSettings, who: Signed): Promise<SchoolSettings> =>
      inRecordedTransaction(deps, who, async (tx, record) => {
        const before = await schoolOf(tx);
        await tx.update(house).set({ school });
        await record({
          ...{ thing: 'house', id: 'house' },
          ...{ before: schoolWords(before), after: schoolWords(school) },
        });
        return school;
      }),
    makeBrewer: (personId: string, who: Signed): Promise<Person> =>
      inRecordedTransaction(deps, who, async (tx, record) => {
        const person = await personOfSite(tx, personId, who.siteId);
        if (person.role === 'brewer') return person;
        if (person.role !== 'trainee' || !person.active)
          throw invalid({ personId: 'Only a trainee who works here becomes a brewer.' });
        const signs = (await signsOf(tx, [personId])).get(personId) ?? [];
        const { brewerSkills } = await schoolOf(tx);
        const lacks = lacksForBrewer(signs, await dayAt(tx, who.siteId, now()), brewerSkills);
        if (lacks.length > 0)
          throw invalid({ personId: `Not signed yet: ${lacks.map((s) => SKILLS[s]).join(', ')}.` });
        return raiseToBrewer(tx, record, person, who);
      }),
    /** Of somebody who has left. Brews stay as they are. */
    removeOf: (personId: string, who: Signed): Promise<{ answers: number; signs: number }> =>
      inRecordedTransaction(deps, who, async (tx, record) => {
        const person = await personOfSite(tx, personId, who.siteId);
        if (person.active)
          throw invalid({ personId: 'First note that this person no longer works here.' });
        const removed = await removeTrainingOf(tx, personId);
        if (removed.answers + removed.signs > 0)
          await record({
            ...{ thing: 'person', id: personId, before: {} },
            after: {
              training: `removed: ${removed.signs} sign-offs; ${removed.answers} answers without a name`,
            },
          });
        return removed;
      }),
    sign: (given: z.infer<typeof addSignEvent.body>, who: Signed): Promise<SignEventBody> =>
      inRecordedTransaction(deps, who, async (tx, record) => {
        const { id, siteId, personId, skill, kind, note } = given;
        mustWorkAt(who, siteId);
        await personOfSite(tx, personId, siteId);
        mustBeAllowed(kind, personId, who);
        if (kind === 'withdrawn' && note === '') throw invalid({ note: 'Say why.' });
        await lockSite(tx, siteId);
        const there = await signById(tx, id);
        if (there) return there;
        const day = await dayAt(tx, siteId, now());
        if (given.until !== null && given.until < day)
          throw invalid({ until: 'That day is over already.' });
        const until = kind === 'signed' ? given.until : null;
        const at = new Date(now());
        await tx
          .insert(signEvents)
          .values({ id, personId, siteId, skill, kind, at, day, until, note, byId: who.personId });
        const said = [SKILLS[skill], kind, until && `until ${until}`, note];
        await record({
          thing: 'person',
          id: personId,
          before: {},
          after: { skill: said.filter(Boolean).join(', ') },
        });
        const sign = await signById(tx, id);
        if (!sign) throw notFound('That sign-off');
        return sign;
      }),
  };
}

/** Somebody of a site, still here or not. @throws 404 */
async function personOfSite(tx: Tx, personId: string, siteId: string): Promise<Person> {
  const person = (await allPeople(tx)).find((p) => p.id === personId);
  if (!person?.siteIds.includes(siteId)) throw notFound('That person');
  return person;
}
async function requireAnswer(tx: Tx, id: string): Promise<AnswerRow> {
  const answer = await answerById(tx, id);
  if (!answer) throw notFound('That answer');
  return answer;
}
/** An answer of whoever asks. @throws 404, also where it is another person's */
function own(answer: AnswerRow, { personId }: Signed): AnswerRow {
  if (answer.personId !== personId) throw notFound('That answer');
  return answer;
}
/** One asks for oneself; a lead signs and withdraws, for others. @throws 403 */
function mustBeAllowed(
  kind: z.infer<typeof addSignEvent.body>['kind'],
  personId: string,
  who: Signed,
): void {
  const isOwn = personId === who.personId;
  if (kind === 'asked') {
    if (!isOwn)
      throw new AppError('session.forbidden', 403, 'Each person asks for their own sign-off.');
    return;
  }
  if (who.role !== 'lead' || isOwn)
    throw new AppError(
      'session.forbidden',
      403,
      isOwn ? 'Nobody signs their own skills: ask another lead.' : 'Only a lead can do this.',
    );
}
