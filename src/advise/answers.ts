import {
  CupFigures,
  type Evidence,
  gathered,
  JUDGED,
  preparedCup,
  PRIOR_SD,
  priorOf,
  recipeAdvice,
  THREE,
  unitsBetween,
  USUAL_TASTER,
} from '#core/corrections';
import type { Brewing } from '#core/cup';
import { characterOf } from '#core/styles';
import { celsius, grams, millilitres, seconds } from '#core/units';
import { answerCases, type Answered, type Kinds } from '../cases';
import { type AdviseInput, CASE_INPUTS } from './schema';

type Dose = AdviseInput['recipe'];
/** The same draws for every case: a case has no recipe version whose id could seed them. */
const SEED = 1;

/** A recipe in porcelain, leaf free, in a room of 20 °C. */
const brewOf = ({ style, waterMl, lid = true }: AdviseInput, dose: Dose): Brewing => ({
  character: characterOf(style),
  leaf: grams((dose.gPer100ml * waterMl) / 100),
  water: millilitres(waterMl),
  temperature: celsius(dose.temperatureC),
  time: seconds(dose.seconds),
  lid,
});
function evidenceOf(input: AdviseInput): Evidence[] {
  const plans = new Map<string, Brewing>();
  const planOf = (dose: Dose): Brewing => {
    const key = JSON.stringify(dose);
    const plan = plans.get(key) ?? brewOf(input, dose);
    plans.set(key, plan);
    return plan;
  };
  return input.cups.map((cup, i) => {
    const plan = planOf(cup.plan);
    const { leafGrams, temperatureC } = cup;
    const done: Brewing = {
      ...plan,
      time: seconds(cup.seconds),
      ...(leafGrams !== undefined && { leaf: grams(leafGrams) }),
      ...(temperatureC !== undefined && { temperature: celsius(temperatureC) }),
    };
    const marks = Object.fromEntries(
      JUDGED.flatMap((index) =>
        cup.marks[index] === undefined ? [] : [[index, cup.marks[index]]],
      ),
    );
    return {
      ...{ id: String(i), plan, done, marks },
      leafWeighed: leafGrams !== undefined,
      heatRead: temperatureC !== undefined,
      moved: unitsBetween(cup.plan, input.recipe),
      taster: cup.tasterSd === undefined ? USUAL_TASTER : { sd: cup.tasterSd },
    };
  });
}

function advise(input: AdviseInput) {
  const figures = new CupFigures();
  const cups = evidenceOf(input).map((cup) => preparedCup(cup, figures));
  const { belief } = gathered(priorOf(input.priorSd ?? PRIOR_SD), cups);
  const { loss, change, lossAfter, chance } = recipeAdvice(belief, {
    ...{ brew: brewOf(input, input.recipe), style: input.style, seed: SEED },
  });
  return {
    belief: Object.fromEntries(
      THREE.map((lever, i) => [
        lever,
        { mean: belief.mean[i], sd: Math.sqrt(belief.covariance[4 * i] ?? 0) },
      ]),
    ),
    loss,
    change: change?.exact ?? null,
    lossAfter,
    chanceBetter: chance,
  };
}
/** Every kind of case of the advise command. */
export const KINDS: Kinds = {
  advise: (input, read) => advise(read(CASE_INPUTS.advise, input)),
};
export const answerAdviseCases = (document: unknown): Answered => answerCases(document, KINDS);
