import { MATERIALS, WARMED_WALL } from '#core/heat';
import { taperExponent } from '#core/scaling';
import { styleOf } from '#core/styles';
import type { Card } from './card';
import type { CardInput } from './cardInput';
import { quartersText } from './measure';

/** One line of the arithmetic: what it is about, then the sum in words. */
export type WorkingLine = { readonly of: string; readonly text: string };

const n = (x: number, digits = 1) => String(Number(x.toFixed(digits)));

/** How the card was worked out, line by line, for whoever opens it. */
export function workingOf(a: CardInput, c: Card): WorkingLine[] {
  const lines: WorkingLine[] = [];
  const s = a.recipe.scaling;
  if (c.bags !== null)
    lines.push({
      of: 'Bags',
      text: `${n(a.recipe.bag ?? 0, 2)} g in one; ${c.bags} hold ${n(c.leaf)} g`,
    });
  if (c.countsSpoons && c.spoons && a.recipe.spoons) {
    const { quarters, water, spoon } = a.recipe.spoons;
    lines.push({
      of: 'Leaf',
      text:
        `${quartersText(quarters)} ${spoon.name} per ${n(water, 0)} ml: ${quartersText(c.spoons.quarters)} for ${n(a.water, 0)} ml; ` +
        `one holds ${a.tea.weighing ? '' : 'about '}${n(c.spoons.perSpoon, 2)} g, so ${n(c.leaf)} g` +
        (a.tea.weighing ? '' : ' (no spoon of this tea weighed yet)'),
    });
  } else if (s.school === 'linear') {
    lines.push({
      of: 'Leaf',
      text: `${n(a.recipe.dose, 2)} g per 100 ml × ${n(a.water, 0)} ml = ${n(c.leaf)} g, in step with the water`,
    });
  } else if (s.school === 'match') {
    lines.push({
      of: 'Leaf',
      text:
        `${n(s.known.leaf)} g in ${n(s.known.water, 0)} ml is the known cup; ` +
        `${n(c.leaf)} g gives its strength in this vessel, ` +
        `by the brewing model (${a.tea.fitted ? 'fitted to this house' : 'style default'})`,
    });
  } else {
    const b = taperExponent(s.small, s.large);
    lines.push({
      of: 'Leaf',
      text:
        `${n(s.small.leaf)} g in ${n(s.small.water, 0)} ml and ${n(s.large.leaf)} g in ${n(s.large.water, 0)} ml are known good: ` +
        `leaf goes with water to the power ${n(b, 2)}, so ${n(c.leaf)} g`,
    });
  }
  if (c.spoons && a.tea.weighing && !c.countsSpoons) {
    const w = a.tea.weighing;
    lines.push({
      of: 'Spoons',
      text:
        `${n(w.spoons, 2)} ${w.spoon.plural} of this tea weighed ${n(w.weighed, 2)} g, ` +
        `so one ${c.spoons.spoon.name} holds ${n(c.spoons.perSpoon, 2)} g; ` +
        `${quartersText(c.spoons.quarters)} hold ${n(c.spoons.total)} g, ` +
        `${c.spoons.error >= 0 ? '+' : '−'}${n(Math.abs(100 * c.spoons.error), 0)} %`,
    });
  }
  const wall = c.warmed ? `warmed, about ${WARMED_WALL} °C` : `cold, ${n(a.site.ambient, 0)} °C`;
  lines.push({
    of: 'Heat',
    text:
      `${n(c.temperature, 0)} °C on the leaf; ` +
      `the ${MATERIALS[a.vessel.material].label} wall (${wall}) and leaf take it from ${n(c.heat.arrive)} °C; ` +
      `the pour loses ${n(100 * (a.site.pourLoss ?? 0.07), 0)} % of the difference to the air, ` +
      `so ${n(c.heat.kettleSetting)} °C in the kettle` +
      (c.kettle && c.kettle.set !== null
        ? `; the ${c.kettle.name} is set to ${n(c.kettle.set)} °C, which gives ${n(c.onLeaf)} °C on the leaf`
        : ''),
  });
  lines.push({
    of: 'Boiling',
    text: `${n(c.boiling)} °C ${a.site.measuredBoiling === null ? `at ${n(a.site.altitudeM, 0)} m (standard atmosphere)` : 'as measured here'}`,
  });
  lines.push({
    of: 'Yield',
    text:
      `leaf keeps ${n(styleOf(a.tea.style).held)} ml a gram: ` +
      `${n(c.liquor, 0)} ml of ${n(a.water, 0)} pours off${a.vessel.dead ? `; ${n(a.vessel.dead, 0)} ml stay in the vessel` : ''}`,
  });
  if (c.crowding !== null)
    lines.push({
      of: 'Basket',
      text: `opened leaf fills ${n(c.crowding, 1)} of the infuser${c.crowding > 1 ? ', so it opens slowly' : ''}`,
    });
  return lines;
}
