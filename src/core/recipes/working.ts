import { MATERIALS, WARMED_WALL } from '#core/heat';
import { taperExponent } from '#core/scaling';
import { styleOf } from '#core/styles';
import type { Card } from './card';
import type { CardInput } from './cardInput';
import { quartersText, type Weighing } from './measure';

/** One line of the arithmetic: what it is about, then the sum in words. */
export type WorkingLine = { readonly of: string; readonly text: string };

const n = (x: number, digits = 1) => String(Number(x.toFixed(digits)));

/** Leaf that a recipe counts in spoons. */
function countedText(a: CardInput, c: Card): string | null {
  if (!c.countsSpoons || !c.spoons || !a.recipe.spoons) return null;
  const { quarters, water, spoon } = a.recipe.spoons;
  const isWeighed = a.tea.weighing !== null;
  const rule = `${quartersText(quarters)} ${spoon.name} per ${n(water, 0)} ml`;
  const here = `${quartersText(c.spoons.quarters)} for ${n(a.water, 0)} ml`;
  const each = `one holds ${isWeighed ? '' : 'about '}${n(c.spoons.perSpoon, 2)} g, so ${n(c.leaf)} g`;
  const basis = isWeighed ? '' : ' (no spoon of this tea weighed yet)';
  return `${rule}: ${here}; ${each}${basis}`;
}
/** Leaf by the recipe's school of scaling. */
function scaledText(a: CardInput, c: Card): string {
  const { scaling, dose } = a.recipe;
  switch (scaling.school) {
    case 'linear':
      return `${n(dose, 2)} g per 100 ml × ${n(a.water, 0)} ml = ${n(c.leaf)} g, in step with the water`;
    case 'match': {
      const { leaf, water } = scaling.known;
      return (
        `${n(leaf)} g in ${n(water, 0)} ml is the known cup; ` +
        `${n(c.leaf)} g gives its strength in this vessel, ` +
        `by the brewing model (${a.tea.fitted ? 'fitted to this house' : 'style default'})`
      );
    }
    case 'tapered': {
      const { small, large } = scaling;
      const [first, second] = [small, large].map((k) => `${n(k.leaf)} g in ${n(k.water, 0)} ml`);
      const power = n(taperExponent(small, large), 2);
      return (
        `${first} and ${second} are known good: ` +
        `leaf goes with water to the power ${power}, so ${n(c.leaf)} g`
      );
    }
  }
}
/** Grams as spoons of the tea, by its own weighing. */
const spoonsText = (spoons: NonNullable<Card['spoons']>, w: Weighing): string =>
  `${n(w.spoons, 2)} ${w.spoon.plural} of this tea weighed ${n(w.weighed, 2)} g, ` +
  `so one ${spoons.spoon.name} holds ${n(spoons.perSpoon, 2)} g; ` +
  `${quartersText(spoons.quarters)} hold ${n(spoons.total)} g, ` +
  `${spoons.error >= 0 ? '+' : '−'}${n(Math.abs(100 * spoons.error), 0)} %`;
/** From the kettle to the leaf. */
function heatText(a: CardInput, c: Card): string {
  const wall = c.warmed ? `warmed, about ${WARMED_WALL} °C` : `cold, ${n(a.site.ambient, 0)} °C`;
  const set = c.kettle?.set ?? null;
  return (
    `${n(c.temperature, 0)} °C on the leaf; ` +
    `the ${MATERIALS[a.vessel.material].label} wall (${wall}) and leaf take it from ${n(c.heat.arrive)} °C; ` +
    `the pour loses ${n(100 * (a.site.pourLoss ?? 0.07), 0)} % of the difference to the air, ` +
    `so ${n(c.heat.kettleSetting)} °C in the kettle` +
    (c.kettle && set !== null
      ? `; the ${c.kettle.name} is set to ${n(set)} °C, which gives ${n(c.onLeaf)} °C on the leaf`
      : '')
  );
}
function boilingText({ site }: CardInput, c: Card): string {
  const basis =
    site.measuredBoiling === null
      ? `at ${n(site.altitudeM, 0)} m (standard atmosphere)`
      : 'as measured here';
  return `${n(c.boiling)} °C ${basis}`;
}
function yieldText(a: CardInput, c: Card): string {
  const { dead } = a.vessel;
  const stays = dead ? `; ${n(dead, 0)} ml stay in the vessel` : '';
  return (
    `leaf keeps ${n(styleOf(a.tea.style).held)} ml a gram: ` +
    `${n(c.liquor, 0)} ml of ${n(a.water, 0)} pours off${stays}`
  );
}
const basketText = (crowding: number): string =>
  `opened leaf fills ${n(crowding, 1)} of the infuser${crowding > 1 ? ', so it opens slowly' : ''}`;

/** How the card was worked out, line by line, for whoever opens it. */
export function workingOf(a: CardInput, c: Card): WorkingLine[] {
  const { weighing } = a.tea;
  const lines: readonly (WorkingLine | false)[] = [
    c.bags !== null && {
      of: 'Bags',
      text: `${n(a.recipe.bag ?? 0, 2)} g in one; ${c.bags} hold ${n(c.leaf)} g`,
    },
    { of: 'Leaf', text: countedText(a, c) ?? scaledText(a, c) },
    c.spoons !== null &&
      weighing !== null &&
      !c.countsSpoons && { of: 'Spoons', text: spoonsText(c.spoons, weighing) },
    { of: 'Heat', text: heatText(a, c) },
    { of: 'Boiling', text: boilingText(a, c) },
    { of: 'Yield', text: yieldText(a, c) },
    c.crowding !== null && { of: 'Basket', text: basketText(c.crowding) },
  ];
  return lines.filter((line) => line !== false);
}
