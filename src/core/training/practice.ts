import { median } from 'simple-statistics';
import { siteDate, type Zone } from '#core/time';
import type { EpochMs } from '#core/units';
import { blockRating, type Review, scheduledAt } from './due';
import {
  asCounted,
  type Drill,
  DRILL_NAMES,
  DRILLS,
  isAlone,
  type Skill,
  SKILL_NAMES,
} from './skills';

// What is to be practised today: from what was answered, skill by skill, to a sitting of a few minutes.

export type PractisedAnswer = {
  readonly drill: Drill;
  readonly at: EpochMs;
  /** The site's day. */
  readonly day: string;
  readonly level: number;
  readonly credit: number;
  /** Time on the question; null: it is not known here. */
  readonly ms: number | null;
};
/** Answers with longer between them are of two sittings. */
const ONE_SITTING_MS = 30 * 60_000;
/** So many answers tell how long somebody takes. */
const ENOUGH_TIMES = 5;

/** Answers that follow each other without a long pause. */
function sittingsOf(answers: readonly PractisedAnswer[]): PractisedAnswer[][] {
  const sittings: PractisedAnswer[][] = [];
  for (const answer of answers) {
    const last = sittings.at(-1);
    const before = last?.at(-1);
    const goesOn = before && before.day === answer.day && answer.at - before.at <= ONE_SITTING_MS;
    if (last && goesOn) last.push(answer);
    else sittings.push([answer]);
  }
  return sittings;
}
const timesOf = (answers: readonly PractisedAnswer[]): number[] =>
  answers.flatMap((a) => (a.ms === null ? [] : [a.ms]));
/** How long a sitting took against one's own usual; 1 where that is not known yet. */
function paceOf(sitting: readonly PractisedAnswer[], before: readonly PractisedAnswer[]): number {
  const [now, usual] = [timesOf(sitting), timesOf(before)];
  return now.length === 0 || usual.length < ENOUGH_TIMES ? 1 : median(now) / median(usual);
}
/** The blocks of one skill's answers in the order of time: of each day the first sitting of three answers or more. */
export function blocksOf(answers: readonly PractisedAnswer[]): Review[] {
  const days = new Set<string>();
  return sittingsOf(answers).flatMap((sitting) => {
    const [first] = sitting;
    const last = sitting.at(-1);
    if (!first || !last || days.has(first.day)) return [];
    const rating = blockRating(
      sitting.map((a) => a.credit),
      paceOf(sitting, answers.slice(0, answers.indexOf(first))),
      Math.min(...sitting.map((a) => a.level)),
    );
    if (rating === null) return [];
    days.add(first.day);
    return [{ at: last.at, rating }];
  });
}

/** How a skill stands in the schedule. */
export type SkillDue = {
  readonly skill: Skill;
  /** New: nothing that counts was answered yet. */
  readonly kind: 'new' | 'due' | 'later';
  /** The site's day on which it is due; null: new. */
  readonly day: string | null;
  /** The chance that it is still known now; null: new. */
  readonly recall: number | null;
};
const isPractised = (skill: Skill): boolean => DRILL_NAMES.some((d) => DRILLS[d].skill === skill);

/**
 * Every skill that has a drill: due ones by what is most nearly forgotten, new ones in the order in which they are learnt,
 * then those that are due later by their day.
 * @param answers in the order of time
 */
export function skillsDue(
  answers: readonly PractisedAnswer[],
  now: EpochMs,
  zone: Zone,
): SkillDue[] {
  const today = siteDate(zone, now);
  const found = SKILL_NAMES.filter(isPractised).map((skill): SkillDue => {
    const reviews = blocksOf(asCounted(answers.filter((a) => DRILLS[a.drill].skill === skill)));
    const scheduled = scheduledAt(reviews, now);
    if (!scheduled) return { skill, kind: 'new', day: null, recall: null };
    const day = siteDate(zone, scheduled.due);
    return { skill, kind: day <= today ? 'due' : 'later', day, recall: scheduled.recall };
  });
  const of = (kind: SkillDue['kind']) => found.filter((s) => s.kind === kind);
  return [
    ...of('due').sort((a, b) => (a.recall ?? 0) - (b.recall ?? 0)),
    ...of('new'),
    ...of('later').sort((a, b) => ((a.day ?? '') < (b.day ?? '') ? -1 : 1)),
  ];
}

/** A sitting is so long at most, s. */
const SITTING_SECONDS = 390;
const MOST_SKILLS = 3;
/** A block wants three answers of a skill; six of one are enough. */
const [FEWEST, MOST] = [3, 6];
const secondsOf = (drill: Drill): number => DRILLS[drill].seconds;

/**
 * The questions of one sitting: the open lesson first, then two or three skills that are due, else new, three to six questions
 * of each, the skills in turn, as many as fit into six and a half minutes. Empty: nothing is due, and nothing is new.
 * @param lesson drills that are left to do in the lesson somebody is at
 */
export function sessionOf(due: readonly SkillDue[], lesson: readonly Drill[] = []): Drill[] {
  const ofLesson = lesson.filter((drill) => !isAlone(drill));
  const skills = [
    ...new Set([
      ...ofLesson.map((drill) => DRILLS[drill].skill),
      ...due.filter((s) => s.kind !== 'later').map((s) => s.skill),
    ]),
  ];
  const drillOf = (skill: Skill, round: number): Drill | undefined => {
    const drills = DRILL_NAMES.filter((d) => DRILLS[d].skill === skill && !isAlone(d));
    const first = drills.filter((d) => ofLesson.includes(d));
    const rest = drills.filter((d) => !ofLesson.includes(d));
    return [...first, ...rest][round % drills.length];
  };
  const planned = (count: number, rounds: number): Drill[] =>
    Array.from({ length: rounds }, (_, round) =>
      skills.slice(0, count).flatMap((skill) => drillOf(skill, round) ?? []),
    ).flat();
  const fits = (drills: readonly Drill[]) =>
    drills.reduce((sum, d) => sum + secondsOf(d), 0) <= SITTING_SECONDS;
  for (let count = Math.min(MOST_SKILLS, skills.length); count >= 1; count--)
    for (let rounds = MOST; rounds >= FEWEST; rounds--) {
      const drills = planned(count, rounds);
      if (fits(drills)) return drills;
    }
  return planned(Math.min(1, skills.length), FEWEST);
}
/** How long so many questions take, whole minutes. */
export const sessionMinutes = (drills: readonly Drill[]): number =>
  Math.max(1, Math.round(drills.reduce((sum, d) => sum + secondsOf(d), 0) / 60));
