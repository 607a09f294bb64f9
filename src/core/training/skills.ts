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

/** What is practised, which skill it is evidence of, and how long one question takes. */
export const DRILLS = {
  diagnose: { name: 'Diagnose the cup', skill: 'correct', seconds: 50, sitting: 6, noun: 'cups' },
  order: { name: 'Order by strength', skill: 'see', seconds: 60, sitting: 2, noun: 'rounds' },
  scale: { name: 'Scale the leaf', skill: 'scale', seconds: 25, sitting: 6, noun: 'questions' },
  spoons: {
    name: 'Count the spoons',
    skill: 'measure',
    seconds: 20,
    sitting: 6,
    noun: 'questions',
  },
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
