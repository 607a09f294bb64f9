import { z } from 'zod';
import { recipeFault } from '#core/recipes';
import { vesselFaults } from '#core/vessels';
import {
  ExchangeFile,
  ExchangeSpoon,
  ExchangeTea,
  ExchangeVessel,
  type Fault,
} from '#contracts/exchange';
import { DEEPEST, depthOf } from '../../http/body';
import { lotRecord, teaRecord } from '../teas';
import { alike, spoonRecord, type VesselRecord, vesselRecord } from './records';
import type { Here } from './snapshot';
import type { Step } from './steps';

/** What a file would do. */
export type Planned = {
  readonly steps: Step[];
  readonly faults: Fault[];
  readonly rows: number;
  readonly same: number;
};

const brief = (v: unknown) =>
  v === undefined ? '' : (typeof v === 'string' ? v : JSON.stringify(v)).slice(0, 60);
const at = (root: unknown, path: readonly PropertyKey[]): unknown =>
  path.reduce<unknown>((o, k) => (o as Record<PropertyKey, unknown> | undefined)?.[k], root);
function issuesOf(error: z.ZodError, root: unknown, row: number, list: string): Fault[] {
  return error.issues.map((i) => ({
    row,
    column: `${list}${i.path.length ? `.${i.path.join('.')}` : ''}`,
    says: brief(at(root, i.path)),
    why: i.code === 'unrecognized_keys' ? `Not known here: ${i.keys.join(', ')}.` : i.message,
    will: 'refused',
    as: '',
    answers: [],
  }));
}

const MOST_ENTRIES = 20_000;
/** Reads the house's own document. Each entry stands or falls by itself; its row is its place in its list. */
export function planJson(
  text: string,
  here: Here,
): Planned | { readonly kind: 'bad'; readonly why: string } {
  if (depthOf(Buffer.from(text)) > DEEPEST)
    return { kind: 'bad', why: 'This is not a tea book: its lists are nested too deeply.' };
  let raw: unknown;
  try {
    raw = JSON.parse(text);
  } catch (e) {
    return { kind: 'bad', why: `This is not JSON: ${(e as Error).message.slice(0, 120)}.` };
  }
  const loose = z
    .looseObject({
      format: z.literal('limnos-book'),
      version: z.literal(1),
      vocabulary: z.array(z.unknown()),
      spoons: z.array(z.unknown()),
      teas: z.array(z.unknown()),
      vessels: z.array(z.unknown()),
    })
    .safeParse(raw);
  if (!loose.success)
    return {
      kind: 'bad',
      why: 'This is not a tea book of this house’s format: “format” must be “limnos-book”, “version” 1, with vocabulary, spoons, teas and vessels.',
    };
  const file = loose.data;
  const entries =
    file.vocabulary.length + file.spoons.length + file.teas.length + file.vessels.length;
  if (entries > MOST_ENTRIES)
    return {
      kind: 'bad',
      why: `The file has ${entries} entries: at most ${MOST_ENTRIES} at once.`,
    };
  const steps: Step[] = [];
  const faults: Fault[] = [];
  let same = 0;
  const note = (row: number, column: string, says: string, why: string) =>
    faults.push({ row, column, says, why, will: 'refused', as: '', answers: [] });
  const entry = <S extends z.ZodType>(
    schema: S,
    given: unknown,
    i: number,
    list: string,
  ): z.infer<S> | null => {
    const parsed = schema.safeParse(given);
    if (parsed.success) return parsed.data;
    faults.push(...issuesOf(parsed.error, given, i + 1, list));
    return null;
  };
  /** Added, changed, or the same as here. */
  const put = <T>(
    thing: 'tea' | 'lot' | 'vessel' | 'spoon',
    row: number,
    id: string,
    name: string,
    found: { rev: number; record: T } | null,
    after: T,
  ) => {
    if (found && alike(found.record, after)) same += 1;
    else
      steps.push(
        (found
          ? { thing, what: 'changed', id, name, row, rev: found.rev, before: found.record, after }
          : { thing, what: 'added', id, name, row, after }) as unknown as Step,
      );
  };

  const seen = new Set<string>();
  /** True, and said, when the file brings a thing twice. */
  const twice = (row: number, column: string, key: string): boolean => {
    if (seen.has(`${column} ${key}`)) note(row, column, key, 'It is in the file twice.');
    const again = seen.has(`${column} ${key}`);
    seen.add(`${column} ${key}`);
    return again;
  };
  const words = z.array(z.string().max(30)).max(80).safeParse(file.vocabulary);
  if (!words.success) faults.push(...issuesOf(words.error, file.vocabulary, 1, 'vocabulary'));
  else if (!alike(words.data, here.vocabulary))
    steps.push({
      thing: 'vocabulary',
      id: 'house',
      name: 'the list of words',
      row: 1,
      what: 'changed',
      before: here.vocabulary,
      after: words.data,
    });

  const spoonIds = new Set(here.spoons.map((s) => s.id));
  file.spoons.forEach((given, i) => {
    const s = entry(ExchangeSpoon, given, i, 'spoons');
    if (!s) return;
    if (twice(i + 1, 'spoons.id', s.id)) return;
    const { id, ...record } = s;
    const found = here.spoons.find((x) => x.id === id && x.own);
    put(
      'spoon',
      i + 1,
      id,
      s.name,
      found ? { rev: found.rev, record: spoonRecord(found) } : null,
      record,
    );
    spoonIds.add(id);
  });
  file.teas.forEach((given, i) => {
    const t = entry(ExchangeTea, given, i, 'teas');
    if (!t) return;
    const { id, lots, recipes, ...record } = t;
    const row = i + 1;
    if (twice(row, 'teas.id', id) || twice(row, 'teas.name', t.name.toLowerCase())) return;
    const found = here.teas.find((x) => x.id === id);
    if (!found && here.teas.some((x) => x.name.toLowerCase() === t.name.toLowerCase()))
      return note(
        row,
        'teas.name',
        t.name,
        'Another tea of this name is here. Rename one of them.',
      );
    const spoon = [
      record.spoon,
      record.weighing?.spoon,
      ...lots.map((l) => l.weighing?.spoon),
    ].find((s) => s !== undefined && !spoonIds.has(s));
    if (spoon !== undefined)
      return note(row, 'teas.spoon', spoon, 'No such spoon, here or in the file.');
    const wrong = recipes
      .map((r, n) => ({ n, fault: recipeFault(r.recipe, r.method) }))
      .find((r) => r.fault);
    if (wrong?.fault)
      return note(row, `teas.recipes.${wrong.n}.recipe.${wrong.fault.field}`, '', wrong.fault.why);
    put(
      'tea',
      row,
      id,
      t.name,
      found ? { rev: found.rev, record: teaRecord(found) } : null,
      record,
    );
    // Recipes before lots: a lot names the version it was dialled in with.
    const standing = new Set(
      here.versions.filter((x) => x.teaId === id).map((x) => `${x.method} ${x.state}`),
    );
    for (const v of recipes) {
      if (
        twice(row, 'teas.recipes.id', v.id) ||
        twice(row, `teas.recipes.${v.method}.${v.number}`, id)
      )
        continue;
      const known = here.versions.find((x) => x.id === v.id);
      if (known) {
        if (known.teaId !== id || !alike(known.recipe, v.recipe))
          note(
            row,
            `teas.recipes.${v.method}.${v.number}`,
            `version ${v.number}`,
            'This version is here with another recipe. A version is never changed: give it an id of its own.',
          );
        else same += 1;
        continue;
      }
      if (
        here.versions.some((x) => x.teaId === id && x.method === v.method && x.number === v.number)
      ) {
        note(
          row,
          `teas.recipes.${v.method}.${v.number}`,
          `version ${v.number}`,
          'Another version with this number is here.',
        );
        continue;
      }
      // One of the house and one on trial stand, of what is here and what the file brings together.
      const stands = (state: 'house' | 'trial') => standing.has(`${v.method} ${state}`);
      const state = stateOf(v, stands);
      standing.add(`${v.method} ${state}`);
      steps.push({
        thing: 'version',
        what: 'added',
        id: v.id,
        name: `${t.name}, version ${v.number}`,
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
    const versionIds = new Set([
      ...recipes.map((r) => r.id),
      ...here.versions.filter((v) => v.teaId === id).map((v) => v.id),
    ]);
    for (const { id: lotId, ...l } of lots) {
      if (l.versionId !== null && !versionIds.has(l.versionId)) {
        note(
          row,
          'teas.lots.versionId',
          l.name,
          'It names a version of this tea that is neither here nor in the file.',
        );
        continue;
      }
      if (twice(row, 'teas.lots.id', lotId)) continue;
      // One the file leaves alone, or names before this one.
      const other =
        l.state === 'inUse' &&
        (here.lots.some(
          (x) => x.teaId === id && x.state === 'inUse' && !lots.some((y) => y.id === x.id),
        ) ||
          lots.find((y) => y.state === 'inUse')?.id !== lotId);
      if (other) {
        note(
          row,
          'teas.lots.state',
          l.name,
          'Another lot of this tea is in use: one is at a time.',
        );
        continue;
      }
      const lot = here.lots.find((x) => x.id === lotId);
      put(
        'lot',
        row,
        lotId,
        `${t.name}, ${l.name}`,
        lot ? { rev: lot.rev, record: { ...lotRecord(lot), teaId: lot.teaId } } : null,
        { ...l, teaId: id },
      );
    }
  });
  file.vessels.forEach((given, i) => {
    const v = entry(ExchangeVessel, given, i, 'vessels');
    if (!v) return;
    if (twice(i + 1, 'vessels.id', v.id)) return;
    const { id, site: siteName, retired, ...fields } = v;
    const site = here.sites.find((s) => s.name === siteName);
    if (!site)
      return note(
        i + 1,
        'vessels.site',
        siteName,
        `No site of this name: here are ${here.sites.map((s) => s.name).join(', ')}.`,
      );
    const wrong = Object.entries(vesselFaults(fields))[0];
    if (wrong) return note(i + 1, `vessels.${wrong[0]}`, brief(at(fields, [wrong[0]])), wrong[1]);
    const found = here.vessels.find((x) => x.id === id);
    put<VesselRecord>(
      'vessel',
      i + 1,
      id,
      v.name,
      found ? { rev: found.rev, record: vesselRecord(found) } : null,
      { ...fields, retired, siteId: site.id },
    );
  });
  return { steps, faults, same, rows: file.spoons.length + file.teas.length + file.vessels.length };
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
/** The schema of the document, for docs/formats. */
export const exchangeSchema = () =>
  z.toJSONSchema(ExchangeFile, { io: 'input', unrepresentable: 'any' });
