import {
  type Millilitres,
  millilitres,
  minutesText,
  numberText,
  temperatureText,
  volumeText,
  type VolumeUnit,
} from '#core/units';
import { leafActWords } from '#core/vessels';
import { type BrewStep, type Planned, turnsOf, WARMING } from './steps';

type Units = { readonly volume: VolumeUnit; readonly temperature: 'C' | 'F' };
/** Liquor that stays under the leaf for the next steep, ml. */
const rootOf = (p: Pick<Planned, 'liquor' | 'recipe'>): Millilitres =>
  millilitres(p.liquor * p.recipe.handling.root);
/** How the water gets its heat: by a kettle's own setting, or off its boil. */
function heatWords({ kettleUsed, kettle, reachable, splash }: Planned, units: Units): string {
  const cold = splash ? `${volumeText(splash, units.volume)} cold first` : '';
  if (kettleUsed && kettleUsed.set !== null)
    return `${kettleUsed.name} to ${temperatureText(kettleUsed.set, units.temperature)}`;
  // Its wait, or its cold water, is a step of its own.
  if (kettleUsed?.wait) return `Boil the ${kettleUsed.name}`;
  if (kettleUsed) return [`Boil the ${kettleUsed.name}`, cold].filter(Boolean).join('; ');
  const heat = reachable
    ? `Kettle to ${temperatureText(kettle, units.temperature)}`
    : 'Straight off the boil';
  return cold ? `${heat}, or ${cold}` : heat;
}
/** A step in the words of whoever does it, and the word for having done it. */
export function stepWords(
  step: BrewStep,
  p: Planned,
  units: Units,
): { readonly act: string; readonly done: string } {
  const { handling } = p.recipe;
  const milk = p.wish?.milkMl ? `, ${volumeText(p.wish.milkMl, units.volume)} milk` : '';
  switch (step.kind) {
    case 'warm':
      return { act: `Warm it, a third full, ${WARMING} s`, done: 'Warmed' };
    case 'weigh':
      return {
        act: `Leaf ${numberText(p.leaf)} g${p.spoons ? `, ${p.spoons}` : ''}`,
        done: 'Leaf in',
      };
    case 'heat':
      return { act: heatWords(p, units), done: p.kettleUsed?.wait ? 'Boiled' : 'Water ready' };
    case 'wait': {
      const wait = `Wait ${minutesText(p.kettleUsed?.wait ?? 0)} off the boil`;
      return p.splash
        ? {
            act: `${wait}, or ${volumeText(p.splash, units.volume)} cold first`,
            done: 'Cold water in',
          }
        : { act: wait, done: 'Waited' };
    }
    case 'rinse':
      return { act: `Rinse ${Math.round(handling.rinse)} s, pour it away`, done: 'Rinsed' };
    case 'pour':
      return {
        act: `Pour ${volumeText(p.water, units.volume)}${handling.circles ? ', slowly, in circles' : ''}`,
        done: 'Water on',
      };
    case 'own': {
      const asked = handling.own?.[Number(step.key.slice('own'.length)) - 1];
      const at = asked && asked.at !== null ? ` at ${minutesText(asked.at)}` : '';
      return { act: `${asked?.words ?? 'The house’s own step'}${at}`, done: 'Done' };
    }
    case 'stir':
      return { act: `Stir at ${minutesText(step.due ?? 0)}`, done: 'Stirred' };
    case 'pull': {
      const words = leafActWords(p.vessel, handling.root);
      return p.explore
        ? { act: `Taste. When it is right: ${words.act.toLowerCase()}`, done: words.done }
        : words;
    }
    case 'drain':
      return handling.root > 0
        ? { act: `Keep a root, ${volumeText(rootOf(p), units.volume)}`, done: 'Root kept' }
        : { act: 'Drain to the last drop', done: 'Drained' };
    case 'serve':
      return handling.order === 'turns'
        ? {
            act: `Serve in turns, ${turnsOf(p.liquor, p.cups?.count).cups} cups${milk}`,
            done: 'Served',
          }
        : {
            act: `${handling.order === 'jug' ? 'Through a jug, then serve' : 'Serve it'}${milk}`,
            done: 'Served',
          };
    case 'judge':
      return { act: 'Judge the cup', done: 'Judged' };
  }
}

/** A step as it is told once it was done: "leaf in", or the house's own words. */
export const stepDoneWords = (step: BrewStep, p: Planned, units: Units): string => {
  const words = stepWords(step, p, units);
  return step.kind === 'own' ? words.act : words.done.toLowerCase();
};
