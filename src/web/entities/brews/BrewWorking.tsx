import { spoonDoseText, wishWords } from '#core/recipes';
import { SCHOOL_WORDS } from '#core/scaling';
import { styleOf } from '#core/styles';
import { siteDate } from '#core/time';
import { epochMs, numberText, temperatureText, volumeText } from '#core/units';
import { minutesText } from '#core/units';
import { liquorYield } from '#core/vessels';
import { brewWaterWords } from '#core/water';
import type { Brew } from '#contracts/brews';
import { useUnits, useZone } from '../people/session';

/** What a guest asked for, against the house recipe. */
function wishText({ recipe }: Brew['plan'], wish: NonNullable<Brew['plan']['wish']>): string {
  const { dose, temperature, best } = wish.house;
  const house = [
    recipe.dose !== dose && `${numberText(dose, 2)} g per 100 ml`,
    recipe.temperature !== temperature && `${numberText(temperature, 0)} °C`,
    wish.best !== best && minutesText(best),
  ].filter(Boolean);
  return `${wishWords(wish)}${house.length > 0 ? `; the house recipe has ${house.join(', ')}` : ''}`;
}
/** How a running brew's card came about, from what was kept with it. */
export function BrewWorking({ brew }: { brew: Brew }) {
  const units = useUnits();
  const zone = useZone();
  const { plan } = brew;
  const { recipe } = plan;
  const held = styleOf(brew.tea.style).held;
  const lines: [string, string][] = [
    [
      'Recipe',
      `version ${brew.versionNumber}: ${recipe.spoons ? `${spoonDoseText(recipe.spoons, units.volume)}, ` : ''}${numberText(recipe.dose, 2)} g per 100 ml, ${temperatureText(recipe.temperature, units.temperature)} on the leaf`,
    ],
    [
      'Leaf',
      `${plan.leaf} g for ${volumeText(plan.water, units.volume)}, ${SCHOOL_WORDS[recipe.scaling.school]}${plan.spoons ? `: ${plan.spoons}` : ''}`,
    ],
    [
      'Heat',
      plan.reachable
        ? `${temperatureText(plan.kettle, units.temperature)} in the kettle, vessel ${plan.warmed ? 'warmed' : 'cold'}`
        : `out of reach: it would take ${temperatureText(plan.kettle, units.temperature)} in the kettle`,
    ],
    ...(plan.brewWater
      ? [
          [
            'Water',
            brewWaterWords(plan.brewWater, siteDate(zone, epochMs(brew.startedAt))),
          ] satisfies [string, string],
        ]
      : []),
    ...(plan.wish ? [['Wish', wishText(plan, plan.wish)] satisfies [string, string]] : []),
    [
      'Window',
      `${minutesText(recipe.window.earliest)} earliest, ${minutesText(recipe.window.best)} best, ${minutesText(recipe.window.latest)} latest`,
    ],
    [
      'Yield',
      `leaf keeps ${held} ml a gram: ${volumeText(liquorYield(plan.water, plan.leaf, held), units.volume)} pours off`,
    ],
  ];
  return (
    <div className="working">
      {lines.map(([of, text]) => (
        <p key={of}>
          <b>{of}</b> {text}
        </p>
      ))}
    </div>
  );
}
