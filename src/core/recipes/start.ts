import { afterPour, cooled, coolingRate, POUR_LOSS } from '#core/heat';
import type { Packet, PacketMeaning, TimeRange } from '#core/packets';
import { type Family, type StyleId, styleOf } from '#core/styles';
import type { Season } from '#core/teas';
import {
  type Celsius,
  celsius,
  grams,
  type GramsPer100Ml,
  gramsPer100Ml,
  millilitres,
  seconds,
} from '#core/units';
import type { SiteFacts } from './cardInput';
import { PLAIN_HANDLING } from './handling';
import { siteBoiling } from './pourHeat';
import { isCold, type Method, type Recipe, type Window } from './recipe';
import {
  BLENDED_HOURS,
  FINE_HOURS,
  HOUR,
  OVERNIGHT,
  type School,
  schoolsOf,
  window,
} from './schools';
import {
  isDoneAfterOne,
  isSmallVessel,
  type Ladder,
  ladderFor,
  ladderName,
  SMALL_LADDERS,
  smallHeat,
} from './steeps';

/** Scented green is blended; the rest of a family goes by the family. */
const FRIDGE_HOURS: Partial<Record<StyleId, Window>> = { 'green-scented': BLENDED_HOURS };
function fridgeHours(family: Family): Window {
  if (family === 'green' || family === 'white') return FINE_HOURS;
  return family === 'oolong' ? BLENDED_HOURS : OVERNIGHT;
}

/** A recipe for a small vessel: a dose with the times that go with it. */
function inSmallVessel(style: StyleId, hot: Recipe, ladder: Ladder | undefined): Recipe {
  if (!ladder) return hot;
  const { dose, window, later } = ladderFor(style, ladder);
  return { ...hot, dose: gramsPer100Ml(dose), window, later, temperature: smallHeat(style) };
}

/** The vessel is warmed for water of this heat on the leaf and hotter, °C (common practice). */
const WARM_FROM = 85;

/** A first recipe for a tea: the style's starting point (common practice), linear, vessel warmed when hot. */
export function startingRecipe(style: StyleId, method: Method = 'pot'): Recipe {
  const { start, family, kind } = styleOf(style);
  const hot: Recipe = {
    dose: gramsPer100Ml(start.dose),
    scaling: { school: 'linear' },
    temperature: celsius(start.temperature),
    window: window(start.earliest, start.best, start.latest),
    warm: start.temperature >= WARM_FROM,
    lid: family !== 'green',
    later: [],
    handling: PLAIN_HANDLING,
    leeway: null,
    bag: method === 'bag' ? grams(2.5) : null,
    warmStart: null,
    glasses: [],
    note: '',
    origin: `the style, ${kind}`,
  };
  if (isSmallVessel(method)) return inSmallVessel(style, hot, SMALL_LADDERS[0]);
  if (!isCold(method)) return hot;
  const cold: Recipe = {
    ...hot,
    warm: false,
    lid: true,
    temperature: celsius(8),
    dose: gramsPer100Ml(1),
    window: FINE_HOURS,
    handling: { ...PLAIN_HANDLING, squeeze: true },
  };
  switch (method) {
    case 'fridge':
      return { ...cold, window: FRIDGE_HOURS[style] ?? fridgeHours(family) };
    case 'counter':
      return {
        ...cold,
        temperature: celsius(20),
        window: window(1.5 * HOUR, 2 * HOUR, 2.5 * HOUR),
        note: 'Then straight into the fridge.',
      };
    // Strong, overnight, used like a cordial. The dose is from memory.
    case 'extract':
      return {
        ...cold,
        dose: gramsPer100Ml(3),
        window: window(8 * HOUR, 10 * HOUR, 14 * HOUR),
        glasses: [
          { style: 'chilled', extract: millilitres(60), water: millilitres(140) },
          { style: 'sparkling', extract: millilitres(60), water: millilitres(140) },
          { style: 'hot', extract: millilitres(60), water: millilitres(140) },
        ],
      };
    // Common practice: 2 g per 100 ml, a third of the water at 80 C on the leaf, lid off, one minute, then two thirds
    // cold.
    default:
      return {
        ...cold,
        dose: gramsPer100Ml(2),
        lid: false,
        window: window(5 * 60, 10 * 60, 30 * 60),
        warmStart: { share: 1 / 3, temperature: celsius(80), time: seconds(60) },
      };
  }
}

/** Where a new recipe can begin, each with the name its card shows. */
export type StartingPoint = {
  readonly name: string;
  readonly recipe: Recipe;
  /** Why somebody begins so; absent where the name says all. */
  readonly why?: string;
};
/** Small vessels begin in two ways; leaf that is done after one steep has the first alone. */
function smallStarts(style: StyleId, base: Recipe): StartingPoint[] {
  const ladders = isDoneAfterOne(style, false) ? SMALL_LADDERS.slice(0, 1) : SMALL_LADDERS;
  return ladders.map((ladder) => {
    const name = `${styleOf(style).kind}, ${ladderName(ladderFor(style, ladder))}`;
    return {
      name,
      why: ladder.why,
      recipe: { ...inSmallVessel(style, base, ladder), origin: name },
    };
  });
}

/** A school's recipe: the style's, with what the school has of its own. */
function inSchool(base: Recipe, school: School, name: string): Recipe {
  return {
    ...base,
    dose: gramsPer100Ml(Math.round((school.dose ?? base.dose) * 1000) / 1000),
    temperature: celsius(school.temperature ?? base.temperature),
    window: school.window ?? base.window,
    warm: base.warm || (school.temperature ?? 0) >= WARM_FROM,
    handling: { ...base.handling, ...(school.root !== undefined && { root: school.root }) },
    origin: name,
  };
}

/**
 * The style's starting points: its default, or every school where practitioners disagree.
 * @param season when the leaf was plucked; summer leaf begins a little cooler in hot water, and its point says so
 */
export function styleStarts(
  style: StyleId,
  method: Method = 'pot',
  season: Season | null = null,
): StartingPoint[] {
  const base = startingRecipe(style, method);
  const inSeason = (point: StartingPoint): StartingPoint => {
    const recipe = forSeason(point.recipe, style, method, season);
    return recipe === point.recipe ? point : { ...point, name: recipe.origin, recipe };
  };
  if (isSmallVessel(method)) return smallStarts(style, base).map(inSeason);
  const schools = schoolsOf(style, method);
  if (schools.length === 0) return [inSeason({ name: base.origin, recipe: base })];
  return schools.map((school) => {
    const name = `${styleOf(style).kind}, ${school.name}`;
    return inSeason({ name, why: school.why, recipe: inSchool(base, school, name) });
  });
}

/** Summer leaf is more bitter than spring leaf: a little cooler (common practice; 3 °C is from memory). */
const SUMMER_COOLER = 3;
/**
 * A first recipe as the season of the leaf has it, which its origin then says: hot water for summer leaf is a little
 * cooler, no cooler than the style allows. The same recipe where the season asks for nothing.
 */
export function forSeason(
  recipe: Recipe,
  style: StyleId,
  method: Method,
  season: Season | null,
): Recipe {
  if (season !== 'summer' || isCold(method) || styleOf(style).family === 'herbal') return recipe;
  const [coolest] = styleOf(style).range.temperature;
  const temperature = celsius(
    Math.max(Math.min(coolest, recipe.temperature), recipe.temperature - SUMMER_COOLER),
  );
  const cooler = recipe.temperature - temperature;
  if (cooler === 0) return recipe;
  return { ...recipe, temperature, origin: `${recipe.origin}; summer leaf, ${cooler} °C cooler` };
}

/**
 * What a packet's heat comes to on the leaf of a warmed pot, whole degrees: boiling water lands at about 94 (common
 * practice).
 */
export const packetOnLeaf = (kettle: Celsius): Celsius =>
  celsius(Math.round(afterPour(kettle, celsius(20), POUR_LOSS)));

/** Rounded as a clock is read. */
const to5 = (s: number) => seconds(Math.round(s / 5) * 5);
/** The room and the kettle of a site: what its boiled water comes to while it stands. */
export type KettleFacts = Pick<SiteFacts, 'altitudeM' | 'measuredBoiling' | 'ambient' | 'kettle'>;

/**
 * The heat a packet means, in the kettle as the water is poured: boiling is what boils at the site, and a wait off the
 * boil is worked out by the kettle's own cooling. Null where the packet does not say.
 * @example packetKettle(readPacket('90 C'), null) // 90
 */
export function packetKettle(
  packet: Pick<Packet, 'heat' | 'wait'>,
  site: KettleFacts,
): Celsius | null {
  const { heat, wait } = packet;
  if (heat === null) return null;
  const asked = celsius((heat.low + heat.high) / 2);
  if (asked < 100) return asked;
  const boiling = celsius(Math.min(100, siteBoiling(site)));
  if (wait === null) return boiling;
  const rate = site.kettle.rate ?? coolingRate(site.kettle);
  return cooled(boiling, site.ambient, rate, seconds((wait.from + wait.to) / 2));
}

/** A packet's time as a window: its own range, or the room that is usual about a single time. */
function packetWindow({ from, to }: TimeRange): Window {
  const best = to5((from + to) / 2);
  return to > from ? window(from, best, to) : window(to5(best * 0.85), best, to5(best * 1.2));
}

const FROM_PACKET = 'the packet';
/** A recipe that was begun with a packet's own figures. */
export const isFromPacket = ({ origin }: Pick<Recipe, 'origin'>): boolean =>
  origin.startsWith(FROM_PACKET);

/**
 * The packet's own figures as a recipe; what it does not say is the style's. Packets mean the heat in the kettle: on
 * the
 * leaf it is what a usual pour leaves of it. Null when the packet gives neither dose, heat nor time.
 */
export function packetStart(
  style: StyleId,
  packet: Pick<Packet, 'heat' | 'wait' | 'time'>,
  meaning: PacketMeaning | null,
  site: KettleFacts,
  method: Method = 'pot',
): StartingPoint | null {
  // A cold method takes no heat from the packet, and hours only; a hot one takes minutes only.
  const cold = isCold(method);
  const kettle = cold ? null : packetKettle(packet, site);
  const heat = kettle === null ? null : packetOnLeaf(kettle);
  const time = packet.time && packet.time.to > HOUR === cold ? packet.time : null;
  if (!meaning && heat === null && time === null) return null;
  const base = startingRecipe(style, method);
  const recipe: Recipe = {
    ...base,
    dose: meaning ? gramsPer100Ml(Math.round(meaning.dose * 100) / 100) : base.dose,
    temperature: heat ?? base.temperature,
    window: time ? packetWindow(time) : base.window,
    warm: !cold && (heat ?? base.temperature) >= 85,
    origin: [
      FROM_PACKET,
      meaning?.cup && `its cup taken as ${meaning.cup}`,
      meaning?.scoop && `its scoop as ${meaning.scoop}`,
    ]
      .filter(Boolean)
      .join(', '),
  };
  return { name: recipe.origin, recipe };
}

/**
 * Another vessel's known-good: so much leaf in so much water, the rest as `from` has it. @throws {RangeError} unless
 * both are positive.
 */
export function knownGoodStart(
  from: Recipe,
  leaf: number,
  water: number,
  vessel: string,
): StartingPoint {
  if (!(leaf > 0) || !(water > 0)) throw new RangeError('a known-good vessel has leaf and water');
  const dose: GramsPer100Ml = gramsPer100Ml(Math.round((10_000 * grams(leaf)) / water) / 100);
  const name = `${leaf} g in ${Math.round(water)} ml${vessel ? `, the ${vessel}` : ''}`;
  return {
    name,
    recipe: { ...from, dose, spoons: null, scaling: { school: 'linear' }, origin: name },
  };
}
