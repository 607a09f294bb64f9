import {
  type Attribute,
  ATTRIBUTE_NAMES,
  ATTRIBUTES,
  type Circumstance,
  COLOUR_STEPS,
  CORRECTION_TABLE,
  type CorrectionRow,
  type Lever,
  LEVER_WORDS,
  LEVERS,
  type Mark,
  meets,
  type Rescue,
  rowFor,
  type Verdict,
} from '#core/corrections';
import { pick, type Random, shuffled } from '#core/numeric';
import { capital } from '#core/units';
import type { Level } from '../diagnosis/diagnosis';
import { drawnFair } from '../drawnFair';
import type { PickPart, PickWorked } from './drill';

// What a taster says of a cup, and what it comes from: a row of the correction table.

export type CausesGiven = {
  readonly verdict: Verdict;
  readonly circumstance: Circumstance | null;
  /** Attributes that are said to be right. */
  readonly saidRight: readonly Attribute[];
  /** Rows whose causes are offered, the right one among them. */
  readonly rows: readonly string[];
  readonly level: Level;
};

const CAUSES_OFFERED = 6;
const CIRCUMSTANCE_WORDS: Readonly<Record<Circumstance, string>> = {
  coldVessel: 'The recipe says to warm the pot. The pot was not warmed.',
  smallInfuser: 'The opened leaf fills the infuser.',
  shortRecipe: 'The recipe’s time is shorter than usual for the style.',
  longRecipe: 'The recipe’s time is longer than usual for the style.',
  hotForStyle: 'The recipe’s water is hotter than usual for the style.',
};
const RESCUE_WORDS: Readonly<Record<Rescue, string>> = {
  returnLeaf: 'put the leaf back',
  hotWater: 'add hot water',
  coldWater: 'add cold water',
  split: 'mix with a fresh steep',
  none: 'brew a new cup',
};
const rowOf = (id: string): CorrectionRow | undefined => CORRECTION_TABLE.find((r) => r.id === id);
const firstLever = (row: CorrectionRow): Lever | undefined => row.levers[0];

/** What is said of the cup, the colour first: "Strength: watery. Sweet: right." */
function saidWords({ verdict, saidRight }: CausesGiven): string {
  const colour = COLOUR_STEPS.find((step) => step.mark === verdict.colour);
  const tasted = ATTRIBUTE_NAMES.filter((a) => verdict[a] !== 0 || saidRight.includes(a));
  return [
    ...(colour && colour.mark !== 0 ? [`Colour: ${colour.word}.`] : []),
    ...tasted.map((a) => `${ATTRIBUTES[a].label}: ${ATTRIBUTES[a].words[verdict[a]]}.`),
  ].join(' ');
}
/** True when the verdict speaks against the row. */
function contradicts(row: CorrectionRow, verdict: Verdict): boolean {
  const when = Object.entries(row.when) as [Attribute | 'colour', Parameters<typeof meets>[0]][];
  return (
    when.some(([of, wanted]) => !meets(wanted, verdict[of])) ||
    (row.anyOver !== undefined && row.anyOver.every((of) => verdict[of] <= 0))
  );
}
/** Rows whose causes are wrong here, each cause and first lever but once. */
function wrongRows(truth: CorrectionRow, verdict: Verdict): CorrectionRow[] {
  const taken = new Set([truth.cause]);
  return CORRECTION_TABLE.filter((row) => {
    const isWrong = contradicts(row, verdict) && firstLever(row) !== firstLever(truth);
    if (!isWrong || taken.has(row.cause)) return false;
    taken.add(row.cause);
    return true;
  });
}

function leverPart(truth: CorrectionRow): PickPart {
  const right = firstLever(truth) ?? 'checkLot';
  const options = LEVERS.filter((l) => l === right || !truth.levers.includes(l));
  return {
    asked: 'What do you change next time?',
    options: options.map((id) => ({ id, text: LEVER_WORDS[id] })),
    ...{ many: false, right: [right] },
  };
}
const rescuePart = (truth: CorrectionRow): PickPart => ({
  asked: 'What do you do with this cup?',
  options: (Object.keys(RESCUE_WORDS) as Rescue[]).map((id) => ({ id, text: RESCUE_WORDS[id] })),
  ...{ many: false, right: [truth.rescue] },
});

const WITH_LEVER = 5;
/** The question worked out; null: its row is not the first that fits. */
export function workCauses(given: CausesGiven): PickWorked | null {
  const { verdict, circumstance, saidRight, level } = given;
  const truth = rowFor(verdict, circumstance === null ? [] : [circumstance]);
  const rows = given.rows.flatMap((id) => rowOf(id) ?? []);
  if (!truth || !rows.includes(truth) || rows.length < 2) return null;
  const areWrong = rows.every((r) => r === truth || wrongRows(truth, verdict).includes(r));
  if (!areWrong || saidRight.some((a) => verdict[a] !== 0)) return null;
  const isShorter = truth.levers[0] === 'leafMore' || truth.levers[0] === 'leafLess';
  const causes: PickPart = {
    asked: 'What is the cause?',
    options: rows.map((r) => ({ id: r.id, text: capital(r.cause) })),
    ...{ many: false, right: [truth.id] },
  };
  const parts = level === WITH_LEVER ? [causes, leverPart(truth), rescuePart(truth)] : [causes];
  return {
    tea: null,
    known: [
      `A taster says: ${saidWords(given)}`,
      ...(circumstance ? [CIRCUMSTANCE_WORDS[circumstance]] : []),
    ],
    parts,
    guess: parts.reduce((g, p) => g / p.options.length, 1),
    working: [`${capital(truth.found)}: ${truth.cause}.`],
    lesson: truth.reason,
    ifNotRight: (picks) => (parts.length > 1 && picks[0]?.[0] === truth.id ? 'near' : 'wrong'),
    mistake: ([picked]) =>
      isShorter && /^too (short|long)$/.test(rowOf(picked?.[0] ?? '')?.cause ?? '')
        ? 'You named a time. More leaf makes a cup stronger, more time makes a cup bitter.'
        : null,
  };
}

/** Marks of a row: each attribute it asks for off by so much, and one of those of which any will do. */
function verdictOf(row: CorrectionRow, level: Level, random: Random): Verdict {
  const size = (): number => (level === 1 ? 2 : pick(random, [1, 2]));
  const marks: Record<Attribute | 'colour', Mark> = {
    ...{ colour: 0, strength: 0, bitterness: 0, astringency: 0, sweetness: 0, aroma: 0 },
  };
  for (const [of, wanted] of Object.entries(row.when) as [Attribute | 'colour', string][]) {
    if (wanted === 'over') marks[of] = size() as Mark;
    if (wanted === 'under') marks[of] = -size() as Mark;
  }
  if (row.anyOver) marks[pick(random, row.anyOver)] = size() as Mark;
  return marks;
}
const NO_CIRCUMSTANCE_LEVEL = 1;
/** From this level one attribute is said to be right. */
const RIGHT_SAID_LEVEL = 4;
/** Draws what a taster says. @throws {RangeError} when no row can be asked about */
export function drawCauses(level: Level, random: Random): CausesGiven {
  return drawnFair(level, (l) => {
    const row = pick(random, CORRECTION_TABLE);
    const circumstance = row.circumstance ?? null;
    if (circumstance && l === NO_CIRCUMSTANCE_LEVEL) return null;
    const verdict = verdictOf(row, l, random);
    if (rowFor(verdict, circumstance ? [circumstance] : []) !== row) return null;
    const wrong = shuffled(wrongRows(row, verdict), random).slice(0, CAUSES_OFFERED - 1);
    const right = ATTRIBUTE_NAMES.filter((a) => verdict[a] === 0);
    const given: CausesGiven = {
      ...{ verdict, circumstance, level: l },
      saidRight: l >= RIGHT_SAID_LEVEL ? [pick(random, right)] : [],
      rows: CORRECTION_TABLE.filter((r) => r === row || wrong.includes(r)).map((r) => r.id),
    };
    return workCauses(given) ? given : null;
  });
}
