import { v7 } from 'uuid';
import { METHOD_NAMES, METHODS, type Recipe, recipeFault, startingRecipe } from '#core/recipes';
import { celsius, gramsPer100Ml, numberText, seconds } from '#core/units';
import { type Version, VERSION_STATES } from '#contracts/recipes';
import { alike } from '../records';
import { type Doing, leafIn, type Out, type Read, teaNamed, twice } from './shared';

export const recipeRows = ({ here, now }: Doing, out: Out) => {
  const taken = new Map<string, number>();
  const standing = new Map<string, string>();
  const seen = new Map<string, number>();
  const newest = (teaId: string, method: string) =>
    taken.get(`${teaId} ${method}`) ??
    here.versions
      .filter((v) => v.teaId === teaId && v.method === method)
      .reduce((n, v) => Math.max(n, v.number), 0);
  return (r: Read) => {
    const tea = teaNamed(r, here);
    const method = r.has('method')
      ? r.oneOf('method', METHOD_NAMES, (m) => METHODS[m].label, tea?.method ?? 'pot')
      : (tea?.method ?? 'pot');
    if (!tea || !method) return null;
    const state = r.has('state') ? r.oneOf('state', VERSION_STATES, (s) => s, 'house') : 'house';
    // Rows of versions that are history come along in an export; they are never written again.
    if (state === 'retired')
      return () => {
        out.same += 1;
      };
    if (state === 'house') twice(r, 'tea', seen, `${tea.id} ${method}`);
    const of = tea.recipes.find((x) => x.method === method);
    const base: Recipe = of?.house?.recipe ?? { ...startingRecipe(tea.style, method), origin: '' };
    const water = r.has('water')
      ? r.volume('water', { min: 20, max: 20_000, required: r.has('leaf') && !r.says('dose') })
      : null;
    const direct =
      r.has('dose') && r.says('dose') ? r.number('dose', { min: 0.05, max: 20, unit: 'g' }) : null;
    const leaf = direct === null && r.has('leaf') && water !== null ? leafIn(r, tea, water) : null;
    if (!r.has('dose') && !(r.has('leaf') && r.has('water')))
      r.fault('tea', 'Neither a dose nor leaf and water: there must be one of them.');
    const dose = direct ?? (leaf !== null && water !== null ? (100 * leaf) / water : null);
    if (dose !== null && (dose < 0.05 || dose > 20))
      r.fault(
        direct === null ? 'leaf' : 'dose',
        `${numberText(dose, 2)} g per 100 ml is no recipe.`,
      );
    const heat = r.heat('heat');
    const best = r.time('best');
    const earliest = r.has('earliest') ? r.time('earliest', false) : null;
    const latest = r.has('latest') ? r.time('latest', false) : null;
    const ratio = {
      earliest: base.window.earliest / base.window.best,
      latest: base.window.latest / base.window.best,
    };
    if (best !== null && earliest !== null && earliest > best)
      r.fault('earliest', `After best (${r.says('best')}).`);
    if (best !== null && latest !== null && latest < best)
      r.fault('latest', `Before best (${r.says('best')}).`);
    const disordered =
      best !== null &&
      ((earliest !== null && earliest > best) || (latest !== null && latest < best));
    if (dose === null || heat === null || best === null || disordered) return null;
    const window = {
      earliest: seconds(earliest ?? Math.round(best * Math.min(1, ratio.earliest))),
      best: seconds(best),
      latest: seconds(latest ?? Math.round(best * Math.max(1, ratio.latest))),
    };
    const unchangedDose = of?.house && Math.abs(base.dose - dose) < 0.005;
    const recipe: Recipe = {
      ...base,
      dose: unchangedDose ? base.dose : gramsPer100Ml(Math.round(dose * 1000) / 1000),
      scaling: unchangedDose ? base.scaling : { school: 'linear' },
      // Another dose in grams is weighed, not counted in spoons.
      ...(base.spoons && !unchangedDose && { spoons: null }),
      temperature: Math.abs(base.temperature - heat) < 0.06 ? base.temperature : celsius(heat),
      window,
      warm: r.has('warm') ? r.flag('warm', base.warm) : base.warm,
      lid: r.has('lid') ? r.flag('lid', base.lid) : base.lid,
      note: r.has('note') ? r.text('note', 300) : base.note,
    };
    const fault = recipeFault(recipe, method);
    if (fault) r.fault(columnOf(fault), fault.why);
    return () => {
      const key = `${tea.id} ${method}`;
      const same = [of?.house, of?.trial].some(
        (v) => v && alike({ ...v.recipe, origin: '' }, { ...recipe, origin: '' }),
      );
      if (same) return void (out.same += 1);
      const number = newest(tea.id, method) + 1;
      taken.set(key, number);
      const hasHouse = Boolean(of?.house) || standing.has(`${key} house`);
      const as: Version['state'] = stateOf(state, hasHouse);
      standing.set(`${key} ${as}`, tea.id);
      out.steps.push({
        thing: 'version',
        what: 'added',
        id: v7(),
        name: `${tea.name}, ${METHODS[method].label} ${number}`,
        row: r.row,
        retires: as === 'trial' && of?.trial ? [{ id: of.trial.id, state: 'trial' }] : [],
        after: {
          teaId: tea.id,
          method,
          number,
          state: as,
          recipe,
          reason:
            r.has('reason') && r.says('reason')
              ? r.text('reason', 300)
              : `Brought in, row ${r.row}`,
          author: null,
          at: now,
        },
      });
    };
  };
};

/** The column in which a recipe's fault stands. */
function columnOf(fault: NonNullable<ReturnType<typeof recipeFault>>) {
  if (fault.field === 'temperature') return 'heat';
  if (fault.field === 'window' && fault.why.includes('Latest')) return 'latest';
  return 'best';
}

/** The state a row's recipe comes in with: what stands here already stays. */
function stateOf(state: 'draft' | 'trial' | 'house' | null, hasHouse: boolean): Version['state'] {
  if (state === 'draft') return 'draft';
  if (hasHouse || state === 'trial') return 'trial';
  return 'house';
}
