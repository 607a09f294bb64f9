import { cooled, coolingRate } from '#core/heat';
import { leafFor } from '#core/scaling';
import { styleOf } from '#core/styles';
import {
  type Celsius,
  celsius,
  type EpochMs,
  type Grams,
  grams,
  type Millilitres,
  millilitres,
  type Seconds,
  seconds,
} from '#core/units';
import { heldWater, type VesselFacts } from '#core/vessels';
import { type Card, type CardFault, computeCard } from './card';
import type { CardInput } from './cardInput';

/** A vessel that can be poured with, under a key of the caller's. */
export type BoardVessel = { readonly id: string; readonly facts: VesselFacts };
/** What of a pour the board keeps fixed. */
export type BoardAsk = Omit<CardInput, 'vessel' | 'water'>;

/** One vessel poured to so much. */
export type Pour = {
  readonly vessel: BoardVessel;
  readonly water: Millilitres;
  readonly card: Card;
};
/** Vessels poured one after another and lifted in the same order. */
export type Round = {
  readonly pours: readonly Pour[];
  readonly pourFrom: EpochMs;
  readonly liftFrom: EpochMs;
};
export type Serving =
  | {
      readonly kind: 'planned';
      readonly rounds: readonly Round[];
      readonly leaf: Grams;
      readonly water: Millilitres;
      readonly liquor: Millilitres;
      /** Kettle fillings, the kettle never more than nine tenths full. */
      readonly fillings: number;
      /** How long what is poured first waits for the last, and what it has cooled to in a lidded jug. */
      readonly firstWaits: Seconds;
      readonly firstAt: Celsius;
    }
  | { readonly kind: 'noVessel' }
  | { readonly kind: 'tooMany'; readonly rounds: number };

/** Between two pours of a round: one hand pours, one lifts. Common practice. */
const STAGGER: Seconds = seconds(30);
/** From the last lift of a round to the first pour of the next: empty, rinse, leaf in. */
const TURN: Seconds = seconds(120);
/** Poured out and on the table so long before the guests. */
const SERVE: Seconds = seconds(60);
/** What a round takes: as many as are poured before the first is lifted, and no more than two people mind. */
const MOST_POTS = 4;
/** Vessels under this share of the largest are left on the shelf, but for the last of it. */
const WORTH_POURING = 0.3;
/** A hundredth and a half short of what was asked is what a hand pours anyhow. */
const SHORT = 0.015;
/** More rounds than this are a day's work, not a service. */
const MOST_ROUNDS = 12;
const KETTLE_SHARE = 0.9;
/** What liquor waits in. */
const JUG = { material: 'porcelain' as const, lid: true };

const cardIn = (ask: BoardAsk, vessel: BoardVessel, water: Millilitres): Card | CardFault =>
  computeCard({
    tea: ask.tea,
    recipe: ask.recipe,
    method: ask.method,
    site: ask.site,
    warmed: ask.warmed,
    vessel: vessel.facts,
    water,
  });

/** Every vessel to its mark: the scaling board's rows. */
export const boardOf = (
  ask: BoardAsk,
  vessels: readonly BoardVessel[],
): { vessel: BoardVessel; card: Card | CardFault }[] =>
  vessels.map((vessel) => ({ vessel, card: cardIn(ask, vessel, vessel.facts.mark) }));

/**
 * So many cups of so much by a time: which vessels, how many rounds, when to pour and to lift. Largest vessels first;
 * the last one is filled only as far as is wanted, when that still covers its leaf.
 * @throws {RangeError} unless cups and their size are positive.
 */
export function planServing(
  ask: BoardAsk,
  vessels: readonly BoardVessel[],
  { cups, cup, by }: { cups: number; cup: Millilitres; by: EpochMs },
): Serving {
  if (!(cups > 0) || !(cup > 0)) throw new RangeError('a service has cups');
  const able = boardOf(ask, vessels)
    .flatMap(({ vessel, card }) =>
      card.kind === 'card' ? [{ vessel, water: card.water, card }] : [],
    )
    .sort((a, b) => b.card.liquor - a.card.liquor);
  if (able.length === 0) return { kind: 'noVessel' };
  const wanted = cups * cup;
  const largest = able[0]?.card.liquor ?? 0;
  const pots = Math.min(MOST_POTS, 1 + Math.floor(ask.recipe.window.best / STAGGER));
  const usual = able.filter((p) => p.card.liquor >= WORTH_POURING * largest);
  const atLeast = Math.ceil(wanted / usual.slice(0, pots).reduce((s, p) => s + p.card.liquor, 0));
  if (atLeast > MOST_ROUNDS) return { kind: 'tooMany', rounds: atLeast };
  let left: number = wanted;
  const rounds: Pour[][] = [];
  while (left > SHORT * wanted) {
    const round: Pour[] = [];
    while (left > SHORT * wanted && round.length < pots) {
      const free = (list: readonly Pour[]) =>
        list.filter((p) => !round.some((r) => r.vessel === p.vessel));
      // What is left fits one vessel: the smallest that holds it, else the largest free one.
      const last = free(able)
        .filter((p) => p.card.liquor >= left)
        .at(-1);
      const next = last ?? free(usual)[0];
      if (!next) break;
      const pour = last ? lastPour(ask, last, millilitres(left)) : next;
      round.push(pour);
      left -= pour.card.liquor;
    }
    rounds.push(round);
  }
  return timed(ask, rounds, by);
}

/** A vessel filled so that it pours what is left; to its mark when less would not cover the leaf. */
function lastPour(ask: BoardAsk, p: Pour, liquor: Millilitres): Pour {
  const { held } = styleOf(ask.tea.style);
  const { scaling, dose } = ask.recipe;
  let water = liquor as number;
  // Leaf takes its share of the water, and more water takes more leaf: a few turns settle it.
  for (let i = 0; i < 8; i++) {
    const leaf =
      scaling.school === 'match'
        ? grams((p.card.leaf * water) / p.water)
        : leafFor(millilitres(water), dose, scaling);
    water = liquor + heldWater(leaf, held, millilitres(water)) + (p.vessel.facts.dead ?? 0);
  }
  const up = millilitres(Math.min(p.water, Math.ceil(water / 5) * 5));
  const card = cardIn(ask, p.vessel, up);
  return card.kind === 'card' ? { vessel: p.vessel, water: up, card } : p;
}

function timed(ask: BoardAsk, rounds: readonly (readonly Pour[])[], by: EpochMs): Serving {
  const best = ask.recipe.window.best;
  const spread = (r: readonly Pour[]) => STAGGER * (r.length - 1);
  const ready = by - SERVE * 1000;
  const placed: Round[] = [];
  let end = ready;
  for (const pours of [...rounds].reverse()) {
    const pourFrom = end - (best + spread(pours)) * 1000;
    placed.unshift({
      pours,
      pourFrom: pourFrom as EpochMs,
      liftFrom: (pourFrom + best * 1000) as EpochMs,
    });
    end = pourFrom - TURN * 1000;
  }
  const all = rounds.flat();
  const water = all.reduce((s, p) => s + p.water, 0);
  const first = placed[0];
  const firstWaits = seconds(first ? Math.max(0, (by - first.liftFrom) / 1000) : 0);
  const jug = coolingRate({
    volume: millilitres(Math.max(100, all[0]?.card.liquor ?? 100)),
    ...JUG,
  });
  const lifted = all[0]
    ? cooled(
        all[0].card.onLeaf,
        ask.site.ambient,
        coolingRate({
          volume: all[0].water,
          material: all[0].vessel.facts.material,
          lid: all[0].vessel.facts.lid,
          cosy: all[0].vessel.facts.cosy,
        }),
        best,
      )
    : celsius(ask.site.ambient);
  return {
    kind: 'planned',
    rounds: placed,
    leaf: grams(all.reduce((s, p) => s + p.card.leaf, 0)),
    water: millilitres(water),
    liquor: millilitres(all.reduce((s, p) => s + p.card.liquor, 0)),
    fillings: Math.ceil(water / (ask.site.kettle.volume * KETTLE_SHARE)),
    firstWaits,
    firstAt: cooled(lifted, ask.site.ambient, jug, firstWaits),
  };
}

/**
 * What so much leaf makes: water by the plain dose, and what pours off it. Tapered and matched doses: by the plain
 * one.
 */
export function waterForLeaf(
  ask: Pick<BoardAsk, 'tea' | 'recipe'>,
  leaf: Grams,
): { water: Millilitres; liquor: Millilitres } {
  const water = millilitres((100 * leaf) / ask.recipe.dose);
  return {
    water,
    liquor: millilitres(water - heldWater(leaf, styleOf(ask.tea.style).held, water)),
  };
}
