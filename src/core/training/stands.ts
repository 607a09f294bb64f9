import { type EpochMs, epochMs } from '#core/units';
import { type Answered, type Evidence, evidenceOf } from './evidence';
import { LOOKED_AT, type Seen } from './seen';
import { type SignEvent, type SignOff, signOffOf } from './signOff';
import { asCounted, type Drill, DRILLS, type Skill, SKILL_NAMES } from './skills';

/** How one skill of one person stands. */
export type SkillStand = {
  readonly skill: Skill;
  readonly evidence: Evidence;
  readonly sign: SignOff;
  /** All answers of its drills, at whatever level, as often as they count: a shift is three. */
  readonly answers: number;
};
/** Every skill of a person, in the order in which they are learnt. Disputed answers are no evidence. */
export function skillsOf(
  answers: readonly (Omit<Answered, 'at'> & {
    readonly at: number;
    readonly drill: Drill;
    readonly disputed: boolean;
  })[],
  signs: readonly (SignEvent & { readonly skill: Skill })[],
  now: EpochMs,
  today: string,
): SkillStand[] {
  return SKILL_NAMES.map((skill) => {
    const own = asCounted(
      answers
        .filter((a) => DRILLS[a.drill].skill === skill && !a.disputed)
        .map((a) => ({ ...a, at: epochMs(a.at) })),
    );
    return {
      skill,
      evidence: evidenceOf(own, now),
      sign: signOffOf(
        signs.filter((s) => s.skill === skill),
        today,
      ),
      answers: own.length,
    };
  });
}
/** A sign-off in a few words; nothing where nothing was done. */
export function signWords(
  { state, until, asked }: SignOff,
  dayOf: (day: string) => string,
): string {
  switch (state) {
    case 'none':
    case 'begun':
      return '';
    case 'asked':
      return 'asked';
    case 'withdrawn':
      return 'withdrawn';
    case 'signed':
      return `until ${dayOf(until ?? '')}${asked ? ', asked' : ''}`;
    case 'lapsing':
      return `lapses ${dayOf(until ?? '')}`;
    case 'lapsed':
      return `lapsed ${dayOf(until ?? '')}`;
  }
}
/** What was seen of a skill in the shop, in a few words. */
export function seenWords(skill: Skill, seen: readonly Seen[]): string {
  const found = seen.filter((s) => LOOKED_AT[s.of].skill === skill);
  if (found.length === 0) return 'not seen yet';
  return found
    .map(
      ({ of, good, n, holds }) =>
        `${good} of ${n} ${LOOKED_AT[of].words}${holds ? ', enough' : ''}`,
    )
    .join('; ');
}
