import type { z } from 'zod';
import { recipeFault } from '#core/recipes';
import { ExchangeTea } from '#contracts/exchange';
import { lotRecord, teaRecord } from '../../teas';
import { alike } from '../records';
import type { JsonPlan } from './plan';

type GivenTea = z.infer<typeof ExchangeTea>;

/** Reads the teas, each with its recipes and lots. @param spoonIds the spoons there will be. */
export function readTeas(
  plan: JsonPlan,
  list: readonly unknown[],
  spoonIds: ReadonlySet<string>,
): void {
  list.forEach((given, i) => {
    const t = plan.entry(ExchangeTea, given, i, 'teas');
    if (!t) return;
    const { id, lots, recipes, ...record } = t;
    const row = i + 1;
    if (plan.isTwice(row, 'teas.id', id) || plan.isTwice(row, 'teas.name', t.name.toLowerCase()))
      return;
    const found = plan.here.teas.find((x) => x.id === id);
    if (!found && plan.here.teas.some((x) => x.name.toLowerCase() === t.name.toLowerCase()))
      return plan.refuse(
        row,
        'teas.name',
        t.name,
        'Another tea of this name is plan.here. Rename one of them.',
      );
    const spoon = [
      record.spoon,
      record.weighing?.spoon,
      ...lots.map((l) => l.weighing?.spoon),
    ].find((s) => s !== undefined && !spoonIds.has(s));
    if (spoon !== undefined)
      return plan.refuse(row, 'teas.spoon', spoon, 'No such spoon, here or in the file.');
    const wrong = recipes
      .map((r, n) => ({ n, fault: recipeFault(r.recipe, r.method) }))
      .find((r) => r.fault);
    if (wrong?.fault)
      return plan.refuse(
        row,
        `teas.recipes.${wrong.n}.recipe.${wrong.fault.field}`,
        '',
        wrong.fault.why,
      );
    plan.put(
      'tea',
      row,
      id,
      t.name,
      found ? { rev: found.rev, record: teaRecord(found) } : null,
      record,
    );
    // Recipes before lots: a lot names the version it was dialled in with.
    readRecipes(plan, row, t);
    readLots(plan, row, t);
  });
}

/** The recipes of a tea: a version that is here stays as it is. */
function readRecipes(plan: JsonPlan, row: number, tea: GivenTea): void {
  const { id, recipes } = tea;
  const standing = new Set(
    plan.here.versions.filter((x) => x.teaId === id).map((x) => `${x.method} ${x.state}`),
  );
  for (const v of recipes) {
    if (
      plan.isTwice(row, 'teas.recipes.id', v.id) ||
      plan.isTwice(row, `teas.recipes.${v.method}.${v.number}`, id)
    )
      continue;
    const known = plan.here.versions.find((x) => x.id === v.id);
    if (known) {
      if (known.teaId !== id || !alike(known.recipe, v.recipe))
        plan.refuse(
          row,
          `teas.recipes.${v.method}.${v.number}`,
          `version ${v.number}`,
          'This version is here with another recipe. A version is never changed: give it an id of its own.',
        );
      else plan.same += 1;
      continue;
    }
    if (
      plan.here.versions.some(
        (x) => x.teaId === id && x.method === v.method && x.number === v.number,
      )
    ) {
      plan.refuse(
        row,
        `teas.recipes.${v.method}.${v.number}`,
        `version ${v.number}`,
        'Another version with this number is plan.here.',
      );
      continue;
    }
    // One of the house and one on trial stand, of what is here and what the file brings together.
    const stands = (state: 'house' | 'trial') => standing.has(`${v.method} ${state}`);
    const state = stateOf(v, stands);
    standing.add(`${v.method} ${state}`);
    plan.steps.push({
      thing: 'version',
      what: 'added',
      id: v.id,
      name: `${tea.name}, version ${v.number}`,
      row,
      retires: [],
      after: {
        teaId: id,
        method: v.method,
        number: v.number,
        state,
        recipe: v.recipe,
        reason: v.reason,
        author: v.author,
        at: v.at,
      },
    });
  }
}

/** The lots of a tea; one at a time is in use. */
function readLots(plan: JsonPlan, row: number, tea: GivenTea): void {
  const { id, lots, recipes } = tea;
  const versionIds = new Set([
    ...recipes.map((r) => r.id),
    ...plan.here.versions.filter((v) => v.teaId === id).map((v) => v.id),
  ]);
  for (const { id: lotId, ...l } of lots) {
    if (l.versionId !== null && !versionIds.has(l.versionId)) {
      plan.refuse(
        row,
        'teas.lots.versionId',
        l.name,
        'It names a version of this tea that is neither here nor in the file.',
      );
      continue;
    }
    if (plan.isTwice(row, 'teas.lots.id', lotId)) continue;
    // One the file leaves alone, or names before this one.
    const other =
      l.state === 'inUse' &&
      (plan.here.lots.some(
        (x) => x.teaId === id && x.state === 'inUse' && !lots.some((y) => y.id === x.id),
      ) ||
        lots.find((y) => y.state === 'inUse')?.id !== lotId);
    if (other) {
      plan.refuse(
        row,
        'teas.lots.state',
        l.name,
        'Another lot of this tea is in use: one is at a time.',
      );
      continue;
    }
    const lot = plan.here.lots.find((x) => x.id === lotId);
    plan.put(
      'lot',
      row,
      lotId,
      `${tea.name}, ${l.name}`,
      lot ? { rev: lot.rev, record: { ...lotRecord(lot), teaId: lot.teaId } } : null,
      { ...l, teaId: id },
    );
  }
}

/** The state a version comes in with: what stands here already stays. */
function stateOf(
  v: { state: 'house' | 'trial' | 'draft' | 'retired' },
  stands: (state: 'house' | 'trial') => boolean,
) {
  if (v.state === 'house' && stands('house')) {
    if (stands('trial')) return 'draft';
    return 'trial';
  }
  if (v.state === 'trial' && stands('trial')) return 'draft';
  return v.state;
}
