import { standardCup } from '#core/colour';
import {
  type Band,
  type BlockRating,
  blockRating,
  type Cause,
  CURE_LEVERS,
  type Diagnosis,
  diagnosisOf,
  type DiagnosisScore,
  dueCards,
  evidenceOf,
  heatWorked,
  houseCupOf,
  judgedFigure,
  type Level,
  mistakeOf,
  orderLadder,
  poured,
  ratedAfter,
  scaleFigure,
  scoreDiagnosis,
  scoreOrder,
  scoreShift,
  signOffOf,
  spoonsFigure,
  toDigits,
  type Turn,
  UNRATED,
  type VesselAct,
  wilson as wilsonInterval,
} from '#core/training';
import { type EpochMs, epochMs } from '#core/units';
import { answerCases, type Answered, type Kinds } from '../cases';
import { CASE_INPUTS, type CaseInput, type CaseKind } from './schema';

const at = (iso: string): EpochMs => epochMs(Date.parse(iso));
const iso = (t: EpochMs): string => new Date(t).toISOString();

const wilson = ({ credit, n, z }: CaseInput<'wilson'>) => {
  if (credit > n) throw new RangeError('in.credit: more right than there were answers');
  return wilsonInterval(credit, n, z);
};
const evidence = (i: CaseInput<'evidence'>) =>
  evidenceOf(
    i.answers.map((a) => ({ ...a, at: at(a.at) })),
    at(i.now),
  );
const signOff = (i: CaseInput<'signOff'>) => signOffOf(i.events, i.today, i.months);
const block = (i: CaseInput<'block'>) => ({ rating: blockRating(i.credits, i.pace, i.level) });
const fsrs = (i: CaseInput<'fsrs'>) =>
  dueCards(
    at(i.begun),
    i.reviews.map((r) => ({ at: at(r.at), rating: r.rating as BlockRating })),
  ).map((card) => ({ ...card, due: iso(card.due) }));
const levels = ({ guess, answers }: CaseInput<'levels'>) => {
  let rated = UNRATED;
  return answers.map((answer) => (rated = ratedAfter(rated, answer, guess)));
};

function order({ style, apart, cups, shuffle, answer }: CaseInput<'order'>) {
  const ladder = orderLadder(standardCup(style), apart, cups);
  return { ...ladder, ...(answer && scoreOrder(shuffle, { letters: answer })) };
}

function scale({ reference, second, vessel, heldMlPerG, ask, answer }: CaseInput<'scale'>) {
  const figure = scaleFigure({
    ...{ reference, second: second ?? null, heldMlPerG, ask },
    vessel: { ...vessel, namedMl: vessel.namedMl ?? null },
  });
  const { truth, ...rest } = figure;
  return {
    ...rest,
    leafGrams: truth,
    ...(answer !== undefined && { mistake: mistakeOf(figure, answer) }),
  };
}
/** Every whole quarter from one to another. */
const quartersOf = ([low, high]: Band): number[] =>
  Array.from({ length: Math.max(0, high - low + 1) }, (_, i) => low + i);
function spoons({ otherGramsPerMl = null, ...facts }: CaseInput<'spoons'>) {
  const f = spoonsFigure({ ...facts, otherGramsPerMl });
  const right = quartersOf(f.right);
  return {
    ...{ gramsPerSpoon: f.gramsPerSpoon, quarters: f.quarters, text: f.text },
    error: toDigits(f.error, 4),
    ...{ fair: f.fair, right, near: quartersOf(f.near).filter((q) => !right.includes(q)) },
    ...{ mistakes: f.mistakes, distractors: f.distractors },
  };
}

function water({ answer, ...facts }: CaseInput<'water'>) {
  const worked = heatWorked(facts);
  if (worked.kind === 'never') return worked;
  if (worked.kind === 'outOfReach') {
    const { boilingC: _boiling, ...rest } = worked;
    return rest;
  }
  const { boilingC, figure, comesTo } = worked;
  return {
    ...{ kind: worked.kind, boilingC, truth: figure.truth, comesToC: comesTo(figure.truth) },
    ...{ mistakes: figure.mistakes, distractors: figure.distractors },
    ...(answer !== undefined && {
      ...{ answerComesToC: comesTo(answer), judged: judgedFigure(figure, answer) },
    }),
  };
}
const pour = ({ liquorMl, cups, g, pours }: CaseInput<'pour'>) =>
  poured({
    ...{ liquorMl, cups, gradient: g },
    pours: pours.map(({ cup, ml }) => ({ cup: cup - 1, ml })),
  });

type Turned = NonNullable<CaseInput<'diagnose'>['answer']>['turns'][number];
function turnOf({ lever, size }: Turned): Turn {
  if (lever === 'vessel') return { lever, act: size as VesselAct };
  if (typeof size !== 'number') throw new RangeError(`in.answer: ${lever} is turned by a number`);
  return { lever, size };
}
const scored = (d: Diagnosis, answer: CaseInput<'diagnose'>['answer']): DiagnosisScore | null =>
  answer === undefined
    ? null
    : scoreDiagnosis(d, {
        cause: answer.faults.join('+') as Cause,
        turns: answer.turns.map(turnOf),
      });
function cupOfCase({ vessel, site, ...brewed }: CaseInput<'diagnose'>['house']) {
  return houseCupOf({
    ...{ tea: '', vessel: '', fitted: null },
    ...brewed,
    ...{ material: vessel.material, capacityMl: vessel.capacityMl, infuser: vessel.infuser },
    ...{ basketMl: vessel.basketMl, lid: vessel.lid },
    ...site,
  });
}
function shift({ brews }: CaseInput<'shift'>) {
  const score = scoreShift(
    brews.map(({ house, ...brew }) => ({ ...brew, house: cupOfCase(house) })),
  );
  const rounded = (worst: number | null) => (worst === null ? null : toDigits(worst, 4));
  return { ...score, brews: score.brews.map((b) => ({ ...b, worst: rounded(b.worst) })) };
}
function diagnose({ house, faults, known, level, answer }: CaseInput<'diagnose'>) {
  const cup = cupOfCase(house);
  const d = diagnosisOf({ house: cup, faults, known, level: level as Level });
  const score = scored(d, answer);
  return {
    words: d.beside.words,
    colour: { deltaE: d.deltaE, darker: d.darker },
    house: d.house,
    cup: d.cup,
    rivals: Object.fromEntries(d.rivals),
    open: d.open,
    ties: d.ties,
    choices: d.choices,
    right: d.right,
    levers: Object.fromEntries(CURE_LEVERS.map((l) => [l, d.levers[l]])),
    brackets: d.brackets,
    accepted: d.unfair === null,
    why: d.unfair ?? '',
    withoutColour: d.withoutColour,
    ...(score && { scored: score }),
  };
}

/** How each kind of case is answered, by the core alone. */
const ANSWERS: { readonly [K in CaseKind]: (i: CaseInput<K>) => unknown } = {
  wilson,
  evidence,
  signOff,
  block,
  fsrs,
  levels,
  scale,
  spoons,
  water,
  order,
  pour,
  diagnose,
  shift,
};
/** Every kind of case of the school command. */
export const KINDS: Kinds = Object.fromEntries(
  (Object.keys(CASE_INPUTS) as CaseKind[]).map((kind) => [
    kind,
    (input, read) => (ANSWERS[kind] as (i: unknown) => unknown)(read(CASE_INPUTS[kind], input)),
  ]),
);
export const answerSchoolCases = (document: unknown): Answered => answerCases(document, KINDS);
