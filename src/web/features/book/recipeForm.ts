import type { Recipe } from '#core/recipes';
import { windowFault } from '#core/recipes';
import type { KnownPour, School } from '#core/scaling';
import { celsius, grams, gramsPer100Ml, millilitres, minutesText, numberText, parseNumber, parseTemperature, parseWithin, seconds, toFahrenheit, type Parsed } from '#core/units';

/** A recipe as its form holds it: as typed. */
export type RecipeForm = {
  dose: string; temperature: string; earliest: string; best: string; latest: string; later: string; warm: boolean; lid: boolean; note: string;
  school: School; knownWater: string; knownLeaf: string;
  /** What holds the known cup's leaf, as JSON: the value of a choice among vessels. */
  knownHold: string; smallWater: string; smallLeaf: string; largeWater: string; largeLeaf: string;
};

export function recipeFormOf(r: Recipe, scale: 'C' | 'F'): RecipeForm {
  const t = r.scaling.school === 'tapered' ? r.scaling : null;
  const m = r.scaling.school === 'match' ? r.scaling.known : null;
  return {
    dose: numberText(r.dose, 3), temperature: numberText(scale === 'F' ? toFahrenheit(r.temperature) : r.temperature), earliest: minutesText(r.window.earliest), best: minutesText(r.window.best), latest: minutesText(r.window.latest),
    later: r.later.map((s) => minutesText(s)).join(', '), warm: r.warm, lid: r.lid, note: r.note, school: r.scaling.school,
    knownWater: m ? numberText(m.water) : '', knownLeaf: m ? numberText(m.leaf) : '', knownHold: m ? holdText(m) : '',
    smallWater: t ? numberText(t.small.water) : '', smallLeaf: t ? numberText(t.small.leaf) : '', largeWater: t ? numberText(t.large.water) : '', largeLeaf: t ? numberText(t.large.leaf) : '',
  };
}

/** What holds the leaf of a known cup, as the form keeps it. */
export const holdText = ({ infuser, basket, material, lid }: Omit<KnownPour, 'water' | 'leaf'>): string => JSON.stringify({ infuser, basket, material, lid });

/** "2:30", "150" or "150 s". */
export function parseMinutes(text: string): Parsed<number> {
  const m = /^\s*(\d{1,2}):(\d{2})\s*$/.exec(text);
  if (m) return Number(m[2]) < 60 ? { kind: 'ok', value: Number(m[1]) * 60 + Number(m[2]) } : { kind: 'bad', why: `"${text.trim()}" has more than 59 seconds.` };
  const n = parseNumber(text.replace(/\s*s(ec.*)?$/i, ''));
  return n.kind === 'bad' ? { kind: 'bad', why: `"${text.trim()}" is not a time: write 2:30, or 150 for seconds.` } : n;
}

/** Reads the form, naming each fault beside its field; null when something is not right. */
export function recipeOf(v: RecipeForm, scale: 'C' | 'F', fault: (name: keyof RecipeForm, message: string) => void): Recipe | null {
  let good = true;
  const take = <T>(name: keyof RecipeForm, p: Parsed<T>, otherwise: T): T => {
    if (p.kind === 'ok') return p.value;
    fault(name, p.why);
    good = false;
    return otherwise;
  };
  const dose = take('dose', parseWithin(v.dose, 'Leaf', 'g per 100 ml', 0.05, 20), 1);
  const heat = take('temperature', parseTemperature(/[cf]\s*$/i.test(v.temperature) ? v.temperature : `${v.temperature}${scale}`), celsius(90));
  if (good && (heat < 2 || heat > 100)) {
    fault('temperature', heat > 100 ? 'Hotter than boiling. Was it Fahrenheit? Write F after it.' : 'Water is ice there.');
    good = false;
  }
  const window = { earliest: seconds(take('earliest', parseMinutes(v.earliest), 60)), best: seconds(take('best', parseMinutes(v.best), 60)), latest: seconds(take('latest', parseMinutes(v.latest), 60)) };
  const wrong = good ? windowFault(window) : null;
  if (wrong) {
    fault(wrong.startsWith('Latest') || wrong.startsWith('A hot') ? 'latest' : wrong.startsWith('Best') ? 'best' : 'earliest', wrong);
    good = false;
  }
  const later = v.later.split(/[,;]\s*/).filter((t) => t.trim() !== '').map((t) => seconds(take('later', parseMinutes(t), 60)));
  const positive = (name: keyof RecipeForm, what: string, unit: string, max: number) => take(name, parseWithin(v[name] as string, what, unit, 0.1, max), 1);
  if (v.school === 'match' && v.knownHold === '') {
    fault('knownHold', 'Say in which vessel the cup is known.');
    good = false;
  }
  const scaling: Recipe['scaling'] = v.school === 'linear' ? { school: 'linear' } : v.school === 'match' ? {
    school: 'match',
    known: {
      ...(JSON.parse(v.knownHold || holdText({ infuser: 'free', basket: null, material: 'porcelain', lid: true })) as Omit<KnownPour, 'water' | 'leaf'>),
      water: millilitres(positive('knownWater', 'Water', 'ml', 20_000)), leaf: grams(positive('knownLeaf', 'Leaf', 'g', 2000)),
    },
  } : {
    school: 'tapered',
    small: { water: millilitres(positive('smallWater', 'Water', 'ml', 20_000)), leaf: grams(positive('smallLeaf', 'Leaf', 'g', 2000)) },
    large: { water: millilitres(positive('largeWater', 'Water', 'ml', 20_000)), leaf: grams(positive('largeLeaf', 'Leaf', 'g', 2000)) },
  };
  if (good && scaling.school === 'tapered' && scaling.large.water <= scaling.small.water) {
    fault('largeWater', 'The larger vessel must take more water than the smaller.');
    good = false;
  }
  return good ? { dose: gramsPer100Ml(dose), temperature: heat, window, later, warm: v.warm, lid: v.lid, note: v.note.trim(), scaling } : null;
}
