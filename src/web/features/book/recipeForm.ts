import {
  type Method,
  type OwnStep,
  PLAIN_HANDLING,
  type Recipe,
  recipeFault,
  type Window,
} from '#core/recipes';
import type { KnownPour } from '#core/scaling';
import {
  celsius,
  grams,
  type GramsPerMl,
  millilitres,
  minutesText,
  numberText,
  type Parsed,
  parseDuration,
  parseTemperature,
  parseWithin,
  seconds,
  toFahrenheit,
} from '#core/units';
import { amountFormOf, amountOf } from './amountForm';
import type { FormUnits, OwnStepForm, RecipeForm, WindowForm } from './recipeFields';

const windowForm = (w: Window): WindowForm => ({
  earliest: minutesText(w.earliest),
  best: minutesText(w.best),
  latest: minutesText(w.latest),
});
/** What holds the leaf of a known cup, as the form keeps it. */
export const holdText = ({
  infuser,
  basket,
  material,
  lid,
}: Omit<KnownPour, 'water' | 'leaf'>): string => JSON.stringify({ infuser, basket, material, lid });
export function recipeFormOf(r: Recipe, { temperature: scale, volume }: FormUnits): RecipeForm {
  const t = r.scaling.school === 'tapered' ? r.scaling : null;
  const m = r.scaling.school === 'match' ? r.scaling.known : null;
  const heat = (c: number) => numberText(scale === 'F' ? toFahrenheit(celsius(c)) : c);
  const h = r.handling;
  return {
    ...windowForm(r.window),
    ...amountFormOf(r, volume),
    temperature: heat(r.temperature),
    later: r.later.map(windowForm),
    warm: r.warm,
    lid: r.lid,
    note: r.note,
    origin: r.origin,
    school: r.scaling.school,
    knownWater: m ? numberText(m.water) : '',
    knownLeaf: m ? numberText(m.leaf) : '',
    knownHold: m ? holdText(m) : '',
    smallWater: t ? numberText(t.small.water) : '',
    smallLeaf: t ? numberText(t.small.leaf) : '',
    largeWater: t ? numberText(t.large.water) : '',
    largeLeaf: t ? numberText(t.large.leaf) : '',
    rinse: h.rinse ? numberText(h.rinse) : '',
    stir: h.stir.map((s) => minutesText(s)).join(', '),
    circles: h.circles,
    root: h.root ? numberText(h.root * 100) : '',
    squeeze: h.squeeze,
    milk: h.milk,
    order: h.order,
    own: (h.own ?? []).map(({ when, at, words }) => ({
      ...{ when, words },
      at: at === null ? '' : minutesText(at),
    })),
    leewayTime: r.leeway ? numberText(r.leeway.time) : '',
    leewayLeaf: r.leeway ? numberText(r.leeway.leaf, 2) : '',
    bag: r.bag ? numberText(r.bag, 2) : '',
    hotShare: r.warmStart ? numberText(r.warmStart.share * 100) : '',
    hotHeat: r.warmStart ? heat(r.warmStart.temperature) : '',
    hotTime: r.warmStart ? minutesText(r.warmStart.time) : '',
    glasses: r.glasses.map((g) => ({
      style: g.style,
      extract: numberText(g.extract),
      water: numberText(g.water),
    })),
  };
}

/** Which field of the form a fault of the whole recipe stands beside. */
const BESIDE = {
  later: 'later.0.best',
  temperature: 'temperature',
  warmStart: 'hotShare',
  handling: 'stir',
  own: 'own.0.at',
  glasses: 'glasses.0.extract',
  bag: 'bag',
  spoons: 'measuredIn',
} as const;
const windowField = (why: string): keyof WindowForm => {
  if (why.startsWith('Best')) return 'best';
  if (why.startsWith('Earliest')) return 'earliest';
  return 'latest';
};

/** For which method a form is read, in which units, and what a millilitre of the tea weighs in a spoon. */
type Reading = { readonly method: Method; readonly units: FormUnits; readonly density: GramsPerMl };
/** Reads the form for a method, naming each fault beside its field; null when something is not right. */
export function recipeOf(
  v: RecipeForm,
  { method, units, density }: Reading,
  fault: (name: string, message: string) => void,
): Recipe | null {
  const { temperature: scale, volume } = units;
  let good = true;
  const wrong = (name: string, why: string) => {
    fault(name, why);
    good = false;
  };
  const take = <T>(name: string, p: Parsed<T>, otherwise: T): T => {
    if (p.kind === 'ok') return p.value;
    wrong(name, p.why);
    return otherwise;
  };
  const heatOf = (name: string, text: string, otherwise: number) =>
    take(
      name,
      parseTemperature(/[cf]\s*$/i.test(text) ? text : `${text}${scale}`),
      celsius(otherwise),
    );
  const windowOf = (w: WindowForm, at: string): Window => ({
    earliest: seconds(take(`${at}earliest`, parseDuration(w.earliest), 60)),
    best: seconds(take(`${at}best`, parseDuration(w.best), 60)),
    latest: seconds(take(`${at}latest`, parseDuration(w.latest), 60)),
  });
  const positive = (name: keyof RecipeForm, what: string, unit: string, max: number, least = 0.1) =>
    take(name, parseWithin(v[name] as string, what, unit, least, max), 1);
  const optional = (name: keyof RecipeForm, what: string, unit: string, max: number) =>
    (v[name] as string).trim() === ''
      ? 0
      : take(name, parseWithin(v[name] as string, what, unit, 0, max), 0);

  const amount = amountOf(v, { method, volume, density }, wrong);
  const heat = heatOf('temperature', v.temperature, 90);
  if (good && (heat < 2 || heat > 100))
    wrong(
      'temperature',
      heat > 100
        ? 'Hotter than boiling. Was it Fahrenheit? Write F after it.'
        : 'Water is ice there.',
    );
  const window = windowOf(v, '');
  const later = v.later.map((w, i) => windowOf(w, `later.${i}.`));
  if (v.school === 'match' && v.knownHold === '')
    wrong('knownHold', 'Say in which vessel the cup is known.');
  const scaling: Recipe['scaling'] = scalingOf(v, positive);
  if (good && scaling.school === 'tapered' && scaling.large.water <= scaling.small.water)
    wrong('largeWater', 'The larger vessel must take more water than the smaller.');
  const stir = v.stir
    .split(/[,;]\s*/)
    .filter((t) => t.trim() !== '')
    .map((t) => seconds(take('stir', parseDuration(t), 60)));
  const ownOf = ({ when, at, words }: OwnStepForm, i: number): OwnStep => {
    if (words.trim() === '') wrong(`own.${i}.words`, 'Say what is done, or take the step out.');
    const isTimed = at.trim() !== '' && when === 'steep';
    return {
      ...{ when, words: words.trim() },
      at: isTimed ? seconds(take(`own.${i}.at`, parseDuration(at), 60)) : null,
    };
  };
  const handling: Recipe['handling'] = {
    ...PLAIN_HANDLING,
    rinse: seconds(optional('rinse', 'A rinse', 's', 60)),
    stir,
    circles: v.circles,
    root: optional('root', 'A root', '%', 50) / 100,
    squeeze: v.squeeze,
    milk: v.milk,
    order: v.order,
    ...(v.own.length > 0 && { own: v.own.map(ownOf) }),
  };
  const leeway =
    v.leewayTime.trim() === '' && v.leewayLeaf.trim() === ''
      ? null
      : {
          time: seconds(optional('leewayTime', 'Leeway', 's', 3600)),
          leaf: grams(optional('leewayLeaf', 'Leeway', 'g', 50)),
        };
  const warmStart =
    method !== 'warmThenCold'
      ? null
      : {
          share: positive('hotShare', 'The hot part', '%', 90, 10) / 100,
          temperature: heatOf('hotHeat', v.hotHeat, 80),
          time: seconds(take('hotTime', parseDuration(v.hotTime), 60)),
        };
  const glasses =
    method !== 'extract'
      ? []
      : v.glasses.map((g, i) => ({
          style: g.style,
          extract: millilitres(
            take(`glasses.${i}.extract`, parseWithin(g.extract, 'Extract', 'ml', 5, 1000), 40),
          ),
          water: millilitres(
            take(`glasses.${i}.water`, parseWithin(g.water, 'Water', 'ml', 0, 2000), 160),
          ),
        }));
  const recipe: Recipe = {
    ...amount,
    temperature: heat,
    window,
    later,
    warm: v.warm,
    lid: v.lid,
    note: v.note.trim(),
    origin: v.origin,
    scaling,
    handling,
    leeway,
    bag:
      method === 'bag' && v.bag.trim() !== ''
        ? grams(positive('bag', 'A bag', 'g', 100, 0.5))
        : null,
    warmStart,
    glasses,
  };
  const whole = good ? recipeFault(recipe, method) : null;
  if (whole)
    wrong(whole.field === 'window' ? windowField(whole.why) : BESIDE[whole.field], whole.why);
  return good ? recipe : null;
}

/** The school of scaling, with the points it goes by. */
function scalingOf(
  v: RecipeForm,
  positive: (
    name: keyof RecipeForm,
    what: string,
    unit: string,
    max: number,
    least?: number,
  ) => number,
): Recipe['scaling'] {
  if (v.school === 'linear') return { school: 'linear' };
  if (v.school === 'match')
    return {
      school: 'match',
      known: {
        ...(JSON.parse(
          v.knownHold ||
            holdText({ infuser: 'free', basket: null, material: 'porcelain', lid: true }),
        ) as Omit<KnownPour, 'water' | 'leaf'>),
        water: millilitres(positive('knownWater', 'Water', 'ml', 20_000)),
        leaf: grams(positive('knownLeaf', 'Leaf', 'g', 2000)),
      },
    };
  return {
    school: 'tapered',
    small: {
      water: millilitres(positive('smallWater', 'Water', 'ml', 20_000)),
      leaf: grams(positive('smallLeaf', 'Leaf', 'g', 2000)),
    },
    large: {
      water: millilitres(positive('largeWater', 'Water', 'ml', 20_000)),
      leaf: grams(positive('largeLeaf', 'Leaf', 'g', 2000)),
    },
  };
}
