import { blendLiquors, type ColouredBrew, colourOfBrew, diluted, type Liquor } from '#core/colour';
import { blend, brewCup, type Cup, cupInTime, dilute } from '#core/cup';
import { pick, type Random } from '#core/numeric';
import { bodyOf, JUST_NOTICEABLE, MARK, type Taste } from '#core/taste';
import { grams, millilitres, seconds } from '#core/units';
import { blendShare, waterPerExtract } from './rescue';

export const RESCUE_TASKS = ['over', 'weak', 'blend', 'extract'] as const;
export type RescueTaskKind = (typeof RESCUE_TASKS)[number];
/** A made-up cup to rescue, the house cup it should taste like, and what is asked for: ml or seconds on a range. */
export type RescueTask = {
  readonly kind: RescueTaskKind;
  readonly house: ColouredBrew;
  /** The cup in hand; of a blend the strong one; of an extract the extract. */
  readonly brew: ColouredBrew;
  /** The weak one of a blend. */
  readonly weak: ColouredBrew | null;
  /** ml in the cup now; of a blend what the cup shall hold; of an extract how much of it goes in. */
  readonly volume: number;
  readonly unit: 'ml' | 's';
  readonly most: number;
  readonly step: number;
};
export type Rescued = { readonly taste: Taste; readonly liquor: Liquor; readonly volume: number };

const CUP = 200;
const EXTRACT = 40;
const between = (random: Random, low: number, high: number) => low + (high - low) * random();
const round = (step: number, x: number) => Math.round(x / step) * step;
/** An extract: so many times the leaf, lifted a little early, meant to be let down. */
const EXTRACT_LEAF = [3.5, 5] as const;
const EXTRACT_TIME = [0.8, 1.1] as const;

/** A cup that went wrong somehow, made from a house cup. The same draw for the same chance. */
export function rescueTask(house: ColouredBrew, random: Random, only?: RescueTaskKind): RescueTask {
  const kind = only ?? pick(random, RESCUE_TASKS);
  const timed = (low: number, high: number): ColouredBrew => ({
    ...house,
    time: seconds(Math.max(10, round(5, house.time * between(random, low, high)))),
  });
  const leafed = (low: number, high: number): ColouredBrew => ({
    ...house,
    leaf: grams(Number((house.leaf * between(random, low, high)).toFixed(1))),
  });
  switch (kind) {
    case 'over':
      return {
        kind,
        house,
        brew: random() < 0.6 ? timed(1.7, 2.6) : leafed(1.25, 1.6),
        weak: null,
        volume: CUP,
        unit: 'ml',
        most: 120,
        step: 5,
      };
    case 'weak':
      return {
        kind,
        house,
        brew: timed(0.3, 0.6),
        weak: null,
        volume: CUP,
        unit: 's',
        most: round(30, house.time * 1.4),
        step: 5,
      };
    case 'blend':
      return {
        kind,
        house,
        brew: random() < 0.5 ? timed(2, 3) : leafed(1.4, 1.8),
        weak: timed(0.25, 0.45),
        volume: CUP,
        unit: 'ml',
        most: CUP,
        step: 5,
      };
    case 'extract':
      return {
        kind,
        house,
        brew: {
          ...leafed(...EXTRACT_LEAF),
          time: seconds(Math.max(10, round(5, house.time * between(random, ...EXTRACT_TIME)))),
        },
        weak: null,
        volume: EXTRACT,
        unit: 'ml',
        most: 300,
        step: 10,
      };
  }
}

/** How the cup tastes by what is answered, for many answers tried: what is in hand is brewed once. */
export function rescueTastes(t: RescueTask): (answer: number) => Taste {
  const { character } = t.brew;
  const cup = brewCup(t.brew);
  switch (t.kind) {
    case 'over':
    case 'extract': {
      const inHand = { volume: millilitres(t.volume), gramsPerLitre: cup.gramsPerLitre };
      return (answer) => ({
        ...(answer > 0 ? dilute(character, inHand, millilitres(answer)) : cup).taste,
        // Water takes from the taste of stewing no more than from the rest; how long it stewed it does not take back.
        stewed: cup.taste.stewed * (t.volume / (t.volume + answer)),
      });
    }
    case 'weak': {
      const steeped = cupInTime(t.brew);
      return (answer) => steeped(seconds(t.brew.time + answer)).taste;
    }
    case 'blend': {
      const weak = brewCup(weakOf(t));
      return (answer) =>
        blend(
          character,
          [
            { cup, ml: t.volume - answer },
            { cup: weak, ml: answer },
          ]
            .filter((p) => p.ml > 0)
            .map((p) => ({ volume: millilitres(p.ml), gramsPerLitre: p.cup.gramsPerLitre })),
        ).taste;
    }
  }
}
function weakOf({ weak }: RescueTask): ColouredBrew {
  if (!weak) throw new RangeError('a blend has a weak cup');
  return weak;
}
function rescuedLiquor(t: RescueTask, answer: number): Liquor {
  switch (t.kind) {
    case 'over':
    case 'extract':
      return diluted(colourOfBrew(t.brew, t.brew.time), t.volume / (t.volume + answer));
    case 'weak':
      return colourOfBrew(t.brew, seconds(t.brew.time + answer));
    case 'blend':
      return blendLiquors(
        [
          { brew: t.brew, ml: t.volume - answer },
          { brew: weakOf(t), ml: answer },
        ]
          .filter((p) => p.ml > 0)
          .map((p) => ({ liquor: colourOfBrew(p.brew, p.brew.time), ml: p.ml })),
      );
  }
}
/** What comes of an answer: how it tastes, its colour, and how much of it there is. Nothing is poured yet. */
export const rescued = (t: RescueTask, answer: number): Rescued => ({
  taste: rescueTastes(t)(answer),
  liquor: rescuedLiquor(t, answer),
  volume: t.kind === 'over' || t.kind === 'extract' ? t.volume + answer : t.volume,
});
/** The answer that comes to the strength of the house cup, on the range; null when none does. */
export function bestRescue(t: RescueTask): number | null {
  const wanted = bodyOf(brewCup(t.house).gramsPerLitre);
  const on = (x: number) => Math.min(t.most, Math.max(0, x));
  switch (t.kind) {
    case 'over':
      return on(t.volume * (bodyOf(brewCup(t.brew).gramsPerLitre) / wanted - 1));
    case 'extract':
      return on(t.volume * waterPerExtract(brewCup(t.brew), wanted));
    case 'blend': {
      const share = t.weak && blendShare(brewCup(t.brew), brewCup(t.weak), wanted);
      return share === null ? null : on(share * t.volume);
    }
    case 'weak': {
      const steeped = cupInTime(t.brew);
      const body = (s: number) => bodyOf(steeped(seconds(t.brew.time + s)).gramsPerLitre);
      let [low, high] = [0, t.most];
      if (body(high) < wanted) return t.most;
      for (let i = 0; i < 30; i++) {
        const middle = (low + high) / 2;
        if (body(middle) < wanted) low = middle;
        else high = middle;
      }
      return (low + high) / 2;
    }
  }
}
/** How near an answer comes to the strength of the house cup: not noticed, within a taster's mark, or off. */
export function scoreRescue(t: RescueTask, answer: number): 'right' | 'near' | 'off' {
  const by = Math.abs(rescueTastes(t)(answer).strength - brewCup(t.house).taste.strength);
  if (by <= JUST_NOTICEABLE) return 'right';
  if (by <= MARK) return 'near';
  return 'off';
}
export const houseTaste = (t: RescueTask): Cup['taste'] => brewCup(t.house).taste;
