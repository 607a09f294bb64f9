import type { Attribute, Verdict } from './marks';
import type { Lever } from './names';

/** What can be done with the cup in hand. */
export type Rescue = 'returnLeaf' | 'hotWater' | 'coldWater' | 'split' | 'none';

type Wanted = 'over' | 'under' | 'right' | 'notOver' | 'notUnder';
/** Which brews a row speaks of, besides what was found. */
export const CIRCUMSTANCES = [
  'coldVessel',
  'smallInfuser',
  'shortRecipe',
  'longRecipe',
  'hotForStyle',
] as const;
export type Circumstance = (typeof CIRCUMSTANCES)[number];

export type CorrectionRow = {
  readonly id: string;
  readonly found: string;
  readonly when: { readonly [K in Attribute | 'colour']?: Wanted };
  /** At least one of these is over. */
  readonly anyOver?: readonly (Attribute | 'colour')[];
  readonly circumstance?: Circumstance;
  readonly cause: string;
  /** The levers this reason speaks for. */
  readonly levers: readonly Lever[];
  readonly reason: string;
  readonly rescue: Rescue;
};

/**
 * What the trade says of a finding, in order: the first row that fits gives the reason and the rescue; which lever is
 * turned, and how far, the model says. Standing: common practice, no published source.
 */
export const CORRECTION_TABLE: readonly CorrectionRow[] = [
  {
    id: 'weak-cold-vessel',
    found: 'weak though timed right',
    when: { strength: 'under', bitterness: 'notOver', astringency: 'notOver' },
    circumstance: 'coldVessel',
    cause: 'a cold pot',
    levers: ['warmVessel'],
    rescue: 'returnLeaf',
    reason:
      'A cold vessel takes 5 to 15 °C out of the water at once. Warm it first; leaf and time stay.',
  },
  {
    id: 'weak-cramped',
    found: 'pale, watery',
    when: { strength: 'under', bitterness: 'notOver', astringency: 'notOver' },
    circumstance: 'smallInfuser',
    cause: 'leaf cramped',
    levers: ['roomier'],
    rescue: 'returnLeaf',
    reason:
      'Opened leaf fills this infuser, so water hardly passes. A roomier one lets the same leaf give more.',
  },
  {
    id: 'weak-short',
    found: 'pale, watery, sweet, no bite',
    when: { strength: 'under', bitterness: 'notOver', astringency: 'notOver' },
    circumstance: 'shortRecipe',
    cause: 'too short',
    levers: ['longer'],
    rescue: 'returnLeaf',
    reason:
      'The steep is shorter than this style’s usual window. Thirty seconds more before more leaf.',
  },
  {
    id: 'weak',
    found: 'pale, watery, sweet, no bite',
    when: { strength: 'under', bitterness: 'notOver', astringency: 'notOver' },
    cause: 'too little leaf',
    levers: ['leafMore'],
    rescue: 'returnLeaf',
    reason: 'Strength is got with leaf, not minutes: longer would bring bite before body.',
  },
  {
    id: 'weak-but-bitter',
    found: 'thin and bitter',
    when: { strength: 'under' },
    anyOver: ['bitterness', 'astringency'],
    cause: 'too little leaf, drawn too long or too hot',
    levers: ['shorter'],
    rescue: 'none',
    reason:
      'Bite without body: the leaf was drawn past its best. Shorter first; then more leaf, one thing at a time.',
  },
  {
    id: 'over-long',
    found: 'dark, bitter, puckering',
    when: { strength: 'notUnder' },
    anyOver: ['bitterness', 'astringency'],
    circumstance: 'longRecipe',
    cause: 'too long',
    levers: ['shorter'],
    rescue: 'split',
    reason:
      'The recipe’s time lies past this style’s usual window; there it buys tannin, not depth.',
  },
  {
    id: 'over-hot',
    found: 'darker, bitter or dry',
    when: { colour: 'over' },
    anyOver: ['bitterness', 'astringency'],
    cause: 'too hot',
    levers: ['cooler'],
    rescue: 'split',
    reason: 'Heat brings bitterness and dryness first. Less leaf would only thin it.',
  },
  {
    id: 'bitter',
    found: 'right colour, bitter or dry',
    when: {},
    anyOver: ['bitterness', 'astringency'],
    cause: 'too hot, or summer or broken leaf',
    levers: ['cooler', 'shorter'],
    rescue: 'hotWater',
    reason: 'Bitterness is taken out with temperature or minutes, not with leaf.',
  },
  {
    id: 'heavy',
    found: 'dark, heavy, not bitter',
    when: { strength: 'over' },
    cause: 'too much leaf',
    levers: ['leafLess'],
    rescue: 'hotWater',
    reason: 'Full and clean, only too strong. Less leaf keeps the balance.',
  },
  {
    id: 'flat-hot',
    found: 'flat, stewed, dull',
    when: { aroma: 'under' },
    circumstance: 'hotForStyle',
    cause: 'too hot for the style',
    levers: ['cooler'],
    rescue: 'none',
    reason: 'Hotter than this style’s usual: the fine aroma goes first.',
  },
  {
    id: 'faint',
    found: 'flat, faint',
    when: { aroma: 'under' },
    cause: 'stale leaf, reboiled or hard water',
    levers: ['checkLot'],
    rescue: 'none',
    reason:
      'Heat and time are usual for the style. Look at the lot’s age and the water before changing the recipe.',
  },
  {
    id: 'little-sweet',
    found: 'little sweetness',
    when: { sweetness: 'under' },
    cause: 'too hot',
    levers: ['cooler'],
    rescue: 'none',
    reason: 'Sweetness is there from the start; heat covers it with bite.',
  },
  {
    id: 'slack',
    found: 'soft, no bite',
    when: { bitterness: 'under' },
    cause: 'too short',
    levers: ['longer'],
    rescue: 'returnLeaf',
    reason: 'Body is right, bite is missing: that comes last. A little longer.',
  },
  {
    id: 'smooth',
    found: 'slack, no grip',
    when: { astringency: 'under' },
    cause: 'too short',
    levers: ['longer'],
    rescue: 'returnLeaf',
    reason: 'Body is right, grip is missing: that comes last. A little longer.',
  },
  {
    id: 'sugary',
    found: 'sweet and little else',
    when: { sweetness: 'over' },
    cause: 'too short',
    levers: ['longer'],
    rescue: 'returnLeaf',
    reason: 'Sweetness comes first and the rest after it. A little longer brings them level.',
  },
  {
    id: 'loud',
    found: 'aroma too strong',
    when: { aroma: 'over' },
    cause: 'too much leaf',
    levers: ['leafLess'],
    rescue: 'hotWater',
    reason: 'A strong grade wants less leaf than usual.',
  },
  {
    id: 'pale',
    found: 'paler, taste right',
    when: { colour: 'under' },
    cause: 'light, or a paler lot',
    levers: ['checkLot'],
    rescue: 'none',
    reason: 'Taste decides. Judge the colour again in daylight, in the same white cup.',
  },
  {
    id: 'dark',
    found: 'darker, taste right',
    when: { colour: 'over' },
    cause: 'light, or a darker lot',
    levers: ['checkLot'],
    rescue: 'none',
    reason: 'Taste decides. Judge the colour again in daylight, in the same white cup.',
  },
];

/** Why a lever is turned where no row of the table speaks for it. */
export const LEVER_REASONS: Readonly<Record<Lever, string>> = {
  leafMore: 'More leaf is more of everything at nearly the same balance.',
  leafLess: 'Less leaf is less of everything at nearly the same balance.',
  cooler: 'Cooler water leaves bitter and drying things in the leaf and keeps the sweet.',
  hotter: 'Hotter water draws what is missing from the same leaf in the same time.',
  shorter: 'The end of a steep buys tannin, not depth.',
  longer: 'The steep had not given all it should yet.',
  warmVessel: 'A cold vessel takes 5 to 15 °C out of the water at once.',
  roomier:
    'Water must pass the leaf: stirred once, or in a roomier infuser, the same leaf gives more.',
  stiller: 'Left alone the same leaf gives less.',
  waterAfter: 'Brewed as it is and topped with hot water, the cup is milder at the same balance.',
  checkLot: 'Look at the lot’s age and the water before changing the recipe.',
};

/** How a wish reads against a mark. */
export function meets(wanted: Wanted, mark: number): boolean {
  switch (wanted) {
    case 'over':
      return mark > 0;
    case 'under':
      return mark < 0;
    case 'right':
      return mark === 0;
    case 'notOver':
      return mark <= 0;
    case 'notUnder':
      return mark >= 0;
  }
}

/** Whether a row speaks of what was found. `holds`: whether a circumstance is there. */
export const rowFits = (
  row: CorrectionRow,
  verdict: Verdict,
  holds: (circumstance: Circumstance) => boolean,
): boolean =>
  (Object.entries(row.when) as [Attribute | 'colour', Wanted][]).every(([of, wanted]) =>
    meets(wanted, verdict[of]),
  ) &&
  (row.anyOver === undefined || row.anyOver.some((of) => verdict[of] > 0)) &&
  (row.circumstance === undefined || holds(row.circumstance));
/** The first row that speaks of what was found, of those whose circumstance is there. */
export const rowFor = (
  verdict: Verdict,
  circumstances: readonly Circumstance[],
): CorrectionRow | undefined =>
  CORRECTION_TABLE.find((row) => rowFits(row, verdict, (c) => circumstances.includes(c)));
