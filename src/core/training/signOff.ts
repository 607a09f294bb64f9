import { Temporal } from 'temporal-polyfill';
import { type Skill, SKILL_NAMES } from './skills';

/** What happens to a skill of one person. Days are the site's, ISO. */
export type SignEvent = {
  readonly kind: 'begun' | 'asked' | 'signed' | 'withdrawn';
  readonly day: string;
  /** Of a sign-off: the last day it holds; without one, so many months on. */
  readonly until?: string | null | undefined;
};
export type SignState = 'none' | 'begun' | 'asked' | 'signed' | 'lapsing' | 'lapsed' | 'withdrawn';
export type SignOff = {
  readonly state: SignState;
  readonly until: string | null;
  /** Less than nothing: it lapsed so many days ago. */
  readonly daysLeft: number | null;
  /** Asked for since it was last signed or withdrawn; what is signed holds meanwhile. */
  readonly asked: boolean;
};

/** A sign-off holds so long unless a lead says otherwise, months. */
export const SIGNED_MONTHS = 12;
const LAPSING_DAYS = 30;
/** Signed of all these, a lead may make a trainee a brewer (a choice). */
export const BREWER_SKILLS: readonly Skill[] = ['measure', 'heat', 'steep', 'taste', 'rescue'];
const dayOf = (iso: string) => Temporal.PlainDate.from(iso);

/** The last day of a sign-off, months on: the last of a shorter month. */
export const signedUntil = (day: string, months = SIGNED_MONTHS): string =>
  dayOf(day).add({ months }).toString();

/** How a skill stands on a day. */
export function signOffOf(
  events: readonly SignEvent[],
  today: string,
  months = SIGNED_MONTHS,
): SignOff {
  let state: 'none' | 'begun' | 'asked' | 'withdrawn' = 'none';
  let until: string | null = null;
  let asked = false;
  for (const e of events) {
    if (e.day > today) continue;
    switch (e.kind) {
      case 'begun':
        if (state === 'none') state = 'begun';
        break;
      case 'asked':
        state = 'asked';
        asked = true;
        break;
      case 'signed':
        until = e.until ?? signedUntil(e.day, months);
        asked = false;
        break;
      case 'withdrawn':
        state = 'withdrawn';
        until = null;
        asked = false;
        break;
    }
  }
  if (until === null) return { state, until: null, daysLeft: null, asked };
  const daysLeft = dayOf(today).until(dayOf(until), { largestUnit: 'day' }).days;
  return { state: signedState(daysLeft), until, daysLeft, asked };
}
function signedState(daysLeft: number): SignState {
  if (daysLeft < 0) return 'lapsed';
  return daysLeft <= LAPSING_DAYS ? 'lapsing' : 'signed';
}

/** Skills that nobody of those who work on a day has signed for that day, in the order in which they are learnt. */
export const skillsLacking = (
  working: readonly { readonly signs: readonly (SignEvent & { readonly skill: Skill })[] }[],
  day: string,
): Skill[] =>
  SKILL_NAMES.filter(
    (skill) =>
      !working.some(({ signs }) => {
        const { state } = signOffOf(
          signs.filter((s) => s.skill === skill),
          day,
        );
        return state === 'signed' || state === 'lapsing';
      }),
  );
const SATURDAY = 6;
/** The Saturday that comes, today if it is one. @example nextSaturday('2026-03-11') // "2026-03-14" */
export function nextSaturday(today: string): string {
  const day = Temporal.PlainDate.from(today);
  return day.add({ days: (SATURDAY - day.dayOfWeek + 7) % 7 }).toString();
}
/** What of the house's list a trainee is still to be signed off for before they can be a brewer. A lapsing sign-off holds. */
export const lacksForBrewer = (
  signs: readonly (SignEvent & { readonly skill: Skill })[],
  today: string,
  wanted: readonly Skill[] = BREWER_SKILLS,
): Skill[] =>
  wanted.filter((skill) => {
    const { state } = signOffOf(
      signs.filter((s) => s.skill === skill),
      today,
    );
    return state !== 'signed' && state !== 'lapsing';
  });
