import { unparse } from 'papaparse';
import { observedWords } from '#core/brews';
import { verdictWords } from '#core/corrections';
import { METHODS, wishWords } from '#core/recipes';
import { secondsBetween } from '#core/units';
import type { Brew } from '#contracts/brews';
import type { LogFilters } from '#contracts/log';
import type { Who } from '#contracts/primitives';
import type { Tx } from '../../db/pool';
import type { Signed } from '../../http/route';
import { logPage } from './log';

const EXPORT_PAGE = 400;

const COLUMNS = [
  'started',
  'tea',
  'lot',
  'wish',
  'vessel',
  'method',
  'recipe_version',
  'steep',
  'water_ml',
  'leaf_g',
  'heat_c',
  'earliest_s',
  'best_s',
  'latest_s',
  'steeped_s',
  'from_best_s',
  'pull',
  'started_by',
  'pulled_by',
  'judged_by',
  'verdict',
  'correction',
  'change',
  'remark',
  'noted',
  'id',
] as const;

/** One brew as a row of the exported table. SI units; texts as they are. */
function rowOf(
  b: Brew,
  shown: (p: Who | null) => string,
): Record<(typeof COLUMNS)[number], string | number | null> {
  const { window } = b.plan.recipe;
  const steeped =
    'pulled' in b.state
      ? Math.round(secondsBetween(b.state.waterOn, b.state.pulled) * 10) / 10
      : null;
  return {
    started: new Date(b.startedAt).toISOString(),
    tea: b.tea.name,
    lot: b.lot?.name ?? '',
    wish: b.plan.wish ? wishWords(b.plan.wish) : '',
    vessel: b.plan.vessel.name,
    method: METHODS[b.method].label,
    recipe_version: b.versionNumber,
    steep: b.plan.steep?.number ?? 1,
    water_ml: b.plan.water,
    leaf_g: b.plan.leaf,
    heat_c: b.plan.temperature,
    earliest_s: window.earliest,
    best_s: window.best,
    latest_s: window.latest,
    steeped_s: steeped,
    from_best_s: steeped === null ? null : Math.round((steeped - window.best) * 10) / 10,
    pull: b.timing ?? '',
    started_by: shown(b.startedBy),
    pulled_by: b.pulledBy ? shown(b.pulledBy) : (b.pulledDevice ?? ''),
    judged_by: shown(b.judgedBy),
    verdict: b.verdict ? verdictWords(b.verdict) : '',
    correction: correctionWords(b),
    change:
      b.proposal && b.proposal.lever !== 'keep'
        ? `${b.proposal.headline}: ${b.proposal.change}`
        : '',
    remark: b.remark,
    noted: b.observed ? observedWords(b.observed) : '',
    id: b.id,
  };
}

/** What became of the correction, in words. */
function correctionWords(b: Brew) {
  if (!b.proposal || b.proposal.lever === 'keep') return '';
  return b.accepted ? 'taken' : 'not taken';
}

/** A cell that a spreadsheet would take for a formula is kept a text. */
const plainCell = (v: string | number | null) =>
  typeof v === 'string' && /^[=+\-@\t\r]/.test(v) ? `'${v}` : v;

/** The filtered log as text, a page of it at a time: nothing but a page is held. */
export async function* exported(
  tx: Tx,
  q: LogFilters,
  form: 'csv' | 'json',
  who: Pick<Signed, 'personId' | 'role'>,
): AsyncGenerator<string> {
  // Somebody's own figures are for them and for their lead: other names are left out.
  const shown = (p: Who | null) =>
    p && (who.role === 'lead' || p.id === who.personId) ? p.name : '';
  yield form === 'csv' ? `\uFEFF${COLUMNS.join(',')}\r\n` : '[\n';
  let before: string | undefined;
  let first = true;
  do {
    const page = await logPage(tx, { ...q, before }, EXPORT_PAGE);
    const rows = page.brews.map((b) => rowOf(b, shown));
    if (rows.length > 0) {
      yield form === 'csv'
        ? `${unparse(
            rows.map((r) => COLUMNS.map((c) => plainCell(r[c]))),
            { newline: '\r\n' },
          )}\r\n`
        : `${first ? '' : ',\n'}${rows.map((r) => JSON.stringify(r)).join(',\n')}`;
      first = false;
    }
    before = page.next ?? undefined;
  } while (before !== undefined);
  if (form === 'json') yield '\n]\n';
}
