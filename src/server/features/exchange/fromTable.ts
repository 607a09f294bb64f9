import { v7 } from 'uuid';
import { MATERIAL_NAMES, MATERIALS } from '#core/heat';
import { PACKET_SPOON_ML, type PacketSpoon } from '#core/packets';
import {
  densityOf,
  METHOD_NAMES,
  METHODS,
  type Recipe,
  recipeFault,
  startingRecipe,
} from '#core/recipes';
import { STYLE_IDS, styleOf } from '#core/styles';
import {
  dayFault,
  LEAF_FORM_NAMES,
  LEAF_FORMS,
  LOT_STATES,
  LOT_WORDS,
  missedAllergens,
  NO_LEAF_FACTS,
  SEASON_NAMES,
  SEASONS,
  TRAIT_NAMES,
  TRAITS,
} from '#core/teas';
import {
  celsius,
  grams,
  gramsPer100Ml,
  millilitres,
  numberText,
  oneBlank,
  parseNumber,
  seconds,
} from '#core/units';
import { INFUSER_KINDS, INFUSERS, PROFILES, VESSEL_KINDS } from '#core/vessels';
import { type Fault, type TableName, TABLES } from '#contracts/exchange';
import { measureOf } from '#contracts/recipeSelection';
import {
  type LotFields,
  type Tea,
  type TeaFields,
  type Version,
  VERSION_STATES,
} from '#contracts/teas';
import { vesselFaults, type VesselFields } from '#contracts/vessels';
import { lotRecord, teaRecord } from '../teas';
import { type Cells, type Columns, findColumns, nearest, RowReader } from './cells';
import type { Planned } from './fromJson';
import { alike, vesselRecord } from './records';
import type { Here } from './snapshot';
import type { Step } from './steps';

const NAMES = {
  teas: {
    tea: ['tea', 'name'],
    style: ['style', 'kind'],
    method: ['method'],
    words: ['words', 'tasting words'],
    allergens: ['allergens', 'allergen'],
    blend: ['blend', 'blended with'],
    packet: ['packet', 'packet advice'],
    form: ['form', 'leaf form'],
    season: ['season'],
    traits: ['traits'],
    caffeine: ['caffeine'],
    cautions: ['cautions'],
    note: ['note'],
    spoon: ['spoon'],
    spoons: ['spoons'],
    weighed: ['weighed'],
    retired: ['retired'],
  },
  lots: {
    tea: ['tea'],
    lot: ['lot', 'name'],
    arrived: ['arrived', 'arrival'],
    bestBefore: ['best before'],
    harvest: ['harvest'],
    state: ['state'],
    note: ['note'],
  },
  recipes: {
    tea: ['tea', 'name'],
    method: ['method'],
    dose: ['dose', 'leaf per 100 ml', 'g per 100 ml'],
    leaf: ['leaf'],
    water: ['water'],
    heat: ['heat', 'temperature'],
    earliest: ['earliest'],
    best: ['best', 'time'],
    latest: ['latest'],
    warm: ['warm', 'warmed'],
    lid: ['lid'],
    note: ['note', 'handling'],
    reason: ['reason', 'why'],
    state: ['state'],
    number: ['version', 'number'],
  },
  vessels: {
    site: ['site'],
    vessel: ['vessel', 'name'],
    kind: ['kind'],
    mark: ['mark', 'fill mark'],
    brim: ['brim'],
    infuser: ['infuser'],
    basket: ['basket'],
    material: ['material'],
    weighs: ['weighs', 'mass'],
    lid: ['lid'],
    cosy: ['cosy'],
    strainer: ['strainer', 'leaf'],
    stays: ['stays', 'dead'],
    covers: ['covers'],
    retired: ['retired'],
  },
} as const;
type Names = { readonly [T in TableName]: keyof (typeof NAMES)[T] };
const NEEDED: { readonly [T in TableName]: readonly Names[T][] } = {
  teas: ['tea', 'style'],
  lots: ['tea', 'lot'],
  recipes: ['tea', 'heat', 'best'],
  vessels: ['vessel', 'kind', 'mark', 'brim'],
};

/** Which table a header is of: the one most of whose columns it has, all the needed among them. */
export function tableOf(header: readonly string[]): TableName | null {
  const scored = TABLES.map((t) => {
    const { columns } = findColumns(
      header,
      NAMES[t] as Readonly<Record<string, readonly string[]>>,
    );
    return {
      t,
      score: NEEDED[t].every((c) => columns[c as string]) ? Object.keys(columns).length : 0,
    };
  }).sort((a, b) => b.score - a.score);
  return scored[0] && scored[0].score > 0 ? scored[0].t : null;
}
/** Columns of a table that a file lacks and needs. */
export function missingColumns(table: TableName, header: readonly string[]): string[] {
  const { columns } = findColumns(
    header,
    NAMES[table] as Readonly<Record<string, readonly string[]>>,
  );
  return NEEDED[table]
    .filter((c) => !columns[c as string])
    .map(
      (c) =>
        (NAMES[table] as Readonly<Record<string, readonly string[]>>)[c as string]?.[0] ??
        String(c),
    );
}

type Doing = { readonly here: Here; readonly by: string; readonly now: number };
type Out = { readonly steps: Step[]; readonly faults: Fault[]; same: number };
type Read = RowReader<string>;

const teaRows = ({ here }: Doing, out: Out) => {
  const seen = new Map<string, number>();
  return (r: Read) => {
    const name = r.text('tea', 60);
    if (name === '') r.fault('tea', 'Nothing stands here.');
    else twice(r, 'tea', seen, name.toLowerCase());
    const found = here.teas.find((t) => t.name.toLowerCase() === name.toLowerCase()) ?? null;
    const was = found ? teaRecord(found) : null;
    const kept = <K extends keyof TeaFields>(column: string, field: K, most: number) =>
      r.has(column) ? r.text(column, most) : ((was?.[field] as string | undefined) ?? '');
    const style = r.oneOf('style', STYLE_IDS, (s) => styleOf(s).kind);
    const method = r.has('method')
      ? r.oneOf('method', METHOD_NAMES, (m) => METHODS[m].label, was?.method ?? 'pot')
      : (was?.method ?? 'pot');
    const form =
      r.has('form') && r.says('form')
        ? r.oneOf('form', LEAF_FORM_NAMES, (f) => LEAF_FORMS[f])
        : (was?.leaf.form ?? null);
    const season =
      r.has('season') && r.says('season')
        ? r.oneOf('season', SEASON_NAMES, (s) => SEASONS[s])
        : (was?.leaf.season ?? null);
    const traits = r.has('traits')
      ? r
          .says('traits')
          .split(/[,/]\s*/)
          .filter(Boolean)
          .flatMap((t) => {
            const known = TRAIT_NAMES.find(
              (n) =>
                n.toLowerCase() === t.toLowerCase() || TRAITS[n].toLowerCase() === t.toLowerCase(),
            );
            if (!known)
              r.fault(
                'traits',
                `“${t}” is not known here: ${TRAIT_NAMES.map((n) => TRAITS[n]).join(', ')}.`,
              );
            return known ? [known] : [];
          })
      : (was?.leaf.traits ?? NO_LEAF_FACTS.traits);
    const [blend, allergens] = [kept('blend', 'blend', 200), kept('allergens', 'allergens', 200)];
    const missed = missedAllergens(`${blend} ${name}`, allergens);
    if (missed.length > 0)
      r.fault(
        r.has('allergens') ? 'allergens' : 'tea',
        `A blend with ${missed.join(' and ')} names no such allergen.`,
      );
    const spoonWords = r.has('spoon') ? r.says('spoon') : '';
    const spoon =
      spoonWords === ''
        ? (was?.spoon ?? 'dessertSpoon')
        : here.spoons.find(
            (s) => s.id === spoonWords || s.name.toLowerCase() === spoonWords.toLowerCase(),
          )?.id;
    if (spoon === undefined)
      r.fault('spoon', `No such spoon on the shelf: ${here.spoons.map((s) => s.name).join(', ')}.`);
    const grams_ = r.has('weighed')
      ? r.number('weighed', { min: 0.1, max: 1000, unit: 'g' })
      : null;
    const spoons = r.has('spoons') ? r.number('spoons', { min: 0.25, max: 100, unit: '' }) : null;
    if (grams_ !== null && spoons === null) r.fault('weighed', 'Say how many spoons that were.');
    const unchanged =
      was?.weighing &&
      grams_ !== null &&
      Math.abs(was.weighing.weighed - grams_) < 1e-9 &&
      was.weighing.spoons === spoons &&
      was.weighing.spoon === spoon;
    const weighing =
      grams_ === null || spoons === null || spoon === undefined
        ? (was?.weighing ?? null)
        : unchanged
          ? was.weighing
          : { spoon, spoons, weighed: grams(grams_), singles: [] };
    const retired = r.has('retired')
      ? r.flag('retired', was?.retired ?? false)
      : (was?.retired ?? false);
    if (!style || !method || spoon === undefined) return null;
    const after = {
      name: found?.name ?? name,
      style,
      method,
      words: kept('words', 'words', 200),
      allergens,
      note: kept('note', 'note', 500),
      leaf: { form, season, traits },
      blend,
      packet: kept('packet', 'packet', 500),
      caffeine: kept('caffeine', 'caffeine', 120),
      cautions: kept('cautions', 'cautions', 300),
      colour: was?.colour ?? null,
      weighing,
      spoon,
      retired,
    };
    return () => {
      if (found && was && alike(was, after)) out.same += 1;
      else
        out.steps.push(
          found && was
            ? {
                thing: 'tea',
                what: 'changed',
                id: found.id,
                name,
                row: r.row,
                rev: found.rev,
                before: was,
                after,
              }
            : { thing: 'tea', what: 'added', id: v7(), name, row: r.row, after },
        );
    };
  };
};

const lotRows = ({ here }: Doing, out: Out) => {
  const seen = new Map<string, number>();
  return (r: Read) => {
    const tea = teaNamed(r, here);
    const name = r.text('lot', 60);
    if (name === '') r.fault('lot', 'Nothing stands here.');
    if (!tea || name === '') return null;
    twice(r, 'lot', seen, `${tea.id} ${name.toLowerCase()}`);
    const found =
      here.lots.find((l) => l.teaId === tea.id && l.name.toLowerCase() === name.toLowerCase()) ??
      null;
    const was = found ? lotRecord(found) : null;
    const day = (column: 'arrived' | 'bestBefore') => {
      if (!r.has(column)) return was?.[column] ?? null;
      const says = r.says(column);
      const fault = says === '' ? null : dayFault(says);
      if (fault) r.fault(column, fault);
      return says || null;
    };
    const [arrived, bestBefore] = [day('arrived'), day('bestBefore')];
    if (arrived && bestBefore && bestBefore < arrived && !dayFault(bestBefore))
      r.fault('bestBefore', `Before it arrived (${arrived}).`);
    const state = r.has('state')
      ? r.oneOf('state', LOT_STATES, (s) => LOT_WORDS[s], was?.state ?? 'new')
      : (was?.state ?? 'new');
    if (
      state === 'inUse' &&
      here.lots.some((l) => l.teaId === tea.id && l.state === 'inUse' && l.id !== found?.id)
    )
      r.fault(
        'state',
        'Another lot of this tea is in use. Put this one in use on its page, when the other is finished.',
      );
    if (!state) return null;
    const after: LotFields = {
      name: found?.name ?? name,
      arrived,
      bestBefore,
      harvest: r.has('harvest') ? r.text('harvest', 60) : (was?.harvest ?? ''),
      note: r.has('note') ? r.text('note', 300) : (was?.note ?? ''),
      state,
      weighing: was?.weighing ?? null,
      versionId: was?.versionId ?? null,
    };
    return () => {
      const title = `${tea.name}, ${name}`;
      if (found && was && alike(was, after)) out.same += 1;
      else
        out.steps.push(
          found && was
            ? {
                thing: 'lot',
                what: 'changed',
                id: found.id,
                name: title,
                row: r.row,
                rev: found.rev,
                before: { ...was, teaId: tea.id },
                after: { ...after, teaId: tea.id },
              }
            : {
                thing: 'lot',
                what: 'added',
                id: v7(),
                name: title,
                row: r.row,
                after: { ...after, teaId: tea.id },
              },
        );
    };
  };
};

const recipeRows = ({ here, now }: Doing, out: Out) => {
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
      temperature: Math.abs(base.temperature - heat) < 0.06 ? base.temperature : celsius(heat),
      window,
      warm: r.has('warm') ? r.flag('warm', base.warm) : base.warm,
      lid: r.has('lid') ? r.flag('lid', base.lid) : base.lid,
      note: r.has('note') ? r.text('note', 300) : base.note,
    };
    const fault = recipeFault(recipe, method);
    if (fault)
      r.fault(
        fault.field === 'temperature'
          ? 'heat'
          : fault.field === 'window' && fault.why.includes('Latest')
            ? 'latest'
            : 'best',
        fault.why,
      );
    return () => {
      const key = `${tea.id} ${method}`;
      const same = [of?.house, of?.trial].some(
        (v) => v && alike({ ...v.recipe, origin: '' }, { ...recipe, origin: '' }),
      );
      if (same) return void (out.same += 1);
      const number = newest(tea.id, method) + 1;
      taken.set(key, number);
      const hasHouse = Boolean(of?.house) || standing.has(`${key} house`);
      const as: Version['state'] =
        state === 'draft' ? 'draft' : hasHouse || state === 'trial' ? 'trial' : 'house';
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

const vesselRows = ({ here }: Doing, out: Out) => {
  const seen = new Map<string, number>();
  return (r: Read) => {
    const siteWords = r.has('site') ? r.says('site') : (here.sites[0]?.name ?? '');
    const site = here.sites.find((s) => s.name.toLowerCase() === siteWords.toLowerCase());
    if (!site)
      r.fault(
        'site',
        `No site of this name: here are ${here.sites.map((s) => s.name).join(', ')}.`,
        here.sites.length ? 'open' : 'refused',
        '',
        here.sites.slice(0, 4).map((s) => ({ words: s.name, says: s.name })),
      );
    const name = r.text('vessel', 60);
    if (name === '') r.fault('vessel', 'Nothing stands here.');
    else twice(r, 'vessel', seen, `${site?.id} ${name.toLowerCase()}`);
    const found =
      here.vessels.find(
        (v) => v.siteId === site?.id && v.name.toLowerCase() === name.toLowerCase(),
      ) ?? null;
    const was = found ? vesselRecord(found) : null;
    const kind = r.oneOf('kind', VESSEL_KINDS, (k) => PROFILES[k].label);
    const [mark, brim] = [
      r.volume('mark', { min: 20, max: 20_000, required: true }),
      r.volume('brim', { min: 30, max: 20_000, required: true }),
    ];
    const infuser = r.has('infuser')
      ? r.oneOf('infuser', INFUSER_KINDS, (k) => INFUSERS[k].label, was?.facts.infuser ?? 'free')
      : (was?.facts.infuser ?? 'free');
    const material = r.has('material')
      ? r.oneOf(
          'material',
          MATERIAL_NAMES,
          (m) => MATERIALS[m].label,
          was?.facts.material ?? 'porcelain',
        )
      : (was?.facts.material ?? 'porcelain');
    const strainer = r.has('strainer')
      ? r.oneOf(
          'strainer',
          ['liftsOut', 'staysIn'] as const,
          (s) => (s === 'liftsOut' ? 'lifts out' : 'stays in'),
          was?.facts.strainer ?? 'liftsOut',
        )
      : (was?.facts.strainer ?? 'liftsOut');
    const volume = (column: string, otherwise: number | null, most = 20_000) =>
      r.has(column)
        ? r.volume(column, { min: column === 'stays' ? 0.1 : 5, max: most })
        : otherwise;
    const basket = infuser === 'free' ? null : volume('basket', was?.facts.basket ?? null);
    const covers = volume('covers', was?.facts.covers ?? null);
    const dead =
      r.has('stays') && (r.says('stays') === '0' || r.says('stays') === '')
        ? 0
        : (volume('stays', was?.facts.dead ?? 0, 2000) ?? 0);
    const weighs = r.has('weighs')
      ? r.number('weighs', { min: 5, max: 20_000, unit: 'g' })
      : (was?.facts.wallGrams ?? null);
    const retired = r.has('retired')
      ? r.flag('retired', was?.retired ?? false)
      : (was?.retired ?? false);
    if (!site || !kind || mark === null || brim === null || !infuser || !material || !strainer)
      return null;
    const facts: VesselFields = {
      name: found?.name ?? name,
      kind,
      brim: millilitres(brim),
      mark: millilitres(mark),
      infuser,
      basket: basket === null ? null : millilitres(basket),
      material,
      wallGrams: weighs === null ? null : grams(weighs),
      lid: r.has('lid') ? r.flag('lid', was?.facts.lid ?? true) : (was?.facts.lid ?? true),
      cosy: r.has('cosy') ? r.flag('cosy', was?.facts.cosy ?? false) : (was?.facts.cosy ?? false),
      strainer,
      dead: millilitres(dead),
      covers: covers === null ? null : millilitres(covers),
      basketDepth: was?.facts.basketDepth ?? null,
      weighed: was?.facts.weighed ?? null,
    };
    for (const [field, why] of Object.entries(vesselFaults(facts)))
      r.fault(field === 'dead' ? 'stays' : field, why);
    const after = { facts, retired, siteId: site.id };
    return () => {
      if (found && was && alike(was, after)) out.same += 1;
      else
        out.steps.push(
          found && was
            ? {
                thing: 'vessel',
                what: 'changed',
                id: found.id,
                name,
                row: r.row,
                rev: found.rev,
                before: was,
                after,
              }
            : { thing: 'vessel', what: 'added', id: v7(), name, row: r.row, after },
        );
    };
  };
};

/** What a table would do; a row with a fault that is not merely read otherwise is left out as a whole. */
export function planTable(
  table: TableName,
  cells: Cells,
  answers: Readonly<Record<string, string>>,
  doing: Doing,
): Planned & { readonly unknown: readonly string[] } {
  const { columns, unknown } = findColumns(
    cells.header,
    NAMES[table] as Readonly<Record<string, readonly string[]>>,
  );
  const out: Out = { steps: [], faults: [], same: 0 };
  const one = {
    teas: teaRows(doing, out),
    lots: lotRows(doing, out),
    recipes: recipeRows(doing, out),
    vessels: vesselRows(doing, out),
  }[table];
  const left = new Set(
    Object.entries(answers)
      .filter(([, says]) => says === '')
      .map(([key]) => Number(key.split(':')[0])),
  );
  for (const { row, cells: c } of cells.rows) {
    if (left.has(row)) continue;
    const faults: Fault[] = [];
    const reader: Read = new RowReader(row, c, columns as Columns<string>, answers, faults);
    const go = one(reader);
    out.faults.push(...faults);
    if (go && !faults.some((f) => f.will !== 'read')) go();
  }
  return { ...out, rows: cells.rows.length, unknown };
}

/** The tea a row names; a near name is asked about. */
function teaNamed(r: Read, here: Here): Tea | null {
  const says = r.says('tea');
  const tea = here.teas.find((t) => t.name.toLowerCase() === says.toLowerCase());
  if (tea) return tea;
  const near = nearest(
    says,
    here.teas.map((t) => t.name),
  );
  if (says === '') r.fault('tea', 'Nothing stands here.');
  else if (near)
    r.fault('tea', `No such tea. Nearest: ${near}.`, 'open', '', [{ words: near, says: near }]);
  else r.fault('tea', 'No such tea in the book. Bring the teas in first.');
  return null;
}
function twice(r: Read, column: string, seen: Map<string, number>, key: string): void {
  const before = seen.get(key);
  if (before !== undefined) r.fault(column, `The same as row ${before}.`);
  else seen.set(key, r.row);
}

const SPOON_CELL =
  /^(.*?) ?(?:level|heaped)? ?(tsps?|teaspoons?|tbsps?|tablespoons?|dsps?|dessert ?spoons?|tbs|spoons?|scoops?)\.?$/i;
/** Grams of leaf in a cell: by weight, or by spoons of this tea; a spoon that may be either is asked about. */
function leafIn(r: Read, tea: Tea, water: number): number | null {
  const says = r.says('leaf');
  const m = SPOON_CELL.exec(oneBlank(says));
  if (!m) return r.number('leaf', { min: 0.1, max: 2000, unit: 'g', required: true });
  const count = parseNumber(m[1] || '1');
  if (count.kind === 'bad') {
    r.fault('leaf', count.why);
    return null;
  }
  const { weighing } = measureOf(tea);
  if (!weighing) {
    r.fault('leaf', `${tea.name} has not been weighed: how many grams a spoon holds is not known.`);
    return null;
  }
  const held = (s: PacketSpoon) =>
    Math.round(count.value * densityOf(weighing) * PACKET_SPOON_ML[s] * 10) / 10;
  const word = (m[2] ?? '').toLowerCase();
  const kind: PacketSpoon | null = /^(tsp|tea)/.test(word)
    ? 'teaspoon'
    : /^(tbsp|table)/.test(word)
      ? 'tablespoon'
      : /^d/.test(word)
        ? 'dessertSpoon'
        : null;
  if (kind) {
    r.fault(
      'leaf',
      `Spoons of this tea: one ${kind === 'dessertSpoon' ? 'dessert spoon' : kind} holds ${numberText(held(kind) / count.value, 2)} g.`,
      'read',
      `read as ${numberText(held(kind))} g`,
    );
    return held(kind);
  }
  r.fault(
    'leaf',
    `Teaspoon or tablespoon? For this tea ${numberText(held('teaspoon'))} g or ${numberText(held('tablespoon'))} g in ${Math.round(water)} ml.`,
    'open',
    '',
    [
      {
        words: `Teaspoon, ${numberText(held('teaspoon'))} g`,
        says: `${numberText(held('teaspoon'))} g`,
      },
      {
        words: `Tablespoon, ${numberText(held('tablespoon'))} g`,
        says: `${numberText(held('tablespoon'))} g`,
      },
    ],
  );
  return null;
}
