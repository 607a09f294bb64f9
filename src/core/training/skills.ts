/** What somebody at the bar has to be able to do, in the order in which it is learnt. */
export const SKILLS = {
  measure: 'Measure',
  scale: 'Scale',
  heat: 'Heat',
  steep: 'Steep and pull',
  see: 'Judge colour',
  taste: 'Judge taste',
  correct: 'Correct',
  rescue: 'Rescue',
  cold: 'Cold, holding',
  teach: 'Teach',
} as const;
export type Skill = keyof typeof SKILLS;
export const SKILL_NAMES = Object.keys(SKILLS) as readonly Skill[];

const QUESTIONS = { sitting: 6, noun: 'questions' } as const;
/** What is practised, which skill it is evidence of, and how long one question takes. */
export const DRILLS = {
  spoons: { name: 'Count the spoons', skill: 'measure', seconds: 20, ...QUESTIONS },
  fillLine: { name: 'Fill to the line', skill: 'measure', seconds: 12, ...QUESTIONS },
  scale: { name: 'Scale the leaf', skill: 'scale', seconds: 25, ...QUESTIONS },
  packet: { name: 'Read the packet', skill: 'scale', seconds: 40, ...QUESTIONS },
  splash: { name: 'Cold water first', skill: 'heat', seconds: 30, ...QUESTIONS },
  wait: { name: 'Wait off the boil', skill: 'heat', seconds: 30, ...QUESTIONS },
  landing: { name: 'Where boiling water lands', skill: 'heat', seconds: 30, ...QUESTIONS },
  again: { name: 'The same leaf again', skill: 'steep', seconds: 20, ...QUESTIONS },
  turns: { name: 'Pour in turns', skill: 'steep', seconds: 20, sitting: 4, noun: 'vessels' },
  shift: { name: 'Run a shift', skill: 'steep', seconds: 120, sitting: 1, noun: 'shift' },
  order: { name: 'Order by strength', skill: 'see', seconds: 60, sitting: 2, noun: 'rounds' },
  match: { name: 'Match the colour', skill: 'see', seconds: 20, ...QUESTIONS },
  words: { name: 'From words to the cause', skill: 'taste', seconds: 20, ...QUESTIONS },
  which: { name: 'Hotter or longer', skill: 'taste', seconds: 40, sitting: 4, noun: 'questions' },
  diagnose: { name: 'Diagnose the cup', skill: 'correct', seconds: 50, sitting: 6, noun: 'cups' },
  rescue: { name: 'Rescue the cup', skill: 'rescue', seconds: 40, sitting: 6, noun: 'cups' },
  plan: { name: 'Back from the service', skill: 'cold', seconds: 45, ...QUESTIONS },
  holding: { name: 'Serve or throw out', skill: 'cold', seconds: 20, ...QUESTIONS },
  fair: { name: 'Alike but for one', skill: 'teach', seconds: 30, ...QUESTIONS },
} as const satisfies Record<
  string,
  {
    readonly name: string;
    readonly skill: Skill;
    readonly seconds: number;
    /** Questions in one sitting. */
    readonly sitting: number;
    /** What they are called. */
    readonly noun: string;
  }
>;
export type Drill = keyof typeof DRILLS;
export const DRILL_NAMES = Object.keys(DRILLS) as readonly Drill[];
/** A drill that is too long to be one question among others: it is begun by itself only. */
export const isAlone = (drill: Drill): boolean => drill === 'shift';
/** What was answered, as often as it counts: a whole shift is as much as three questions. */
export const asCounted = <A extends { readonly drill: Drill }>(answers: readonly A[]): A[] =>
  answers.flatMap((a) => (a.drill === 'shift' ? [a, a, a] : [a]));
