import Papa from 'papaparse';
import { type AuditEntry, exportAudit, getAudit } from '#contracts/audit';
import type { Deps } from '../../deps';
import type { routes } from '../../http/route';
import { auditEntries, type Before } from './repository';

export { type AuditNotes, createAuditNotes } from './note';

const PAGE = 100;
const MOST_EXPORTED = 50_000;
const beforeOf = (text: string | undefined): Before => {
  const [at, id] = text?.split('_') ?? [];
  return at === undefined || id === undefined ? null : { at: new Date(Number(at)), id };
};
const asRow = (e: AuditEntry) => ({
  at: new Date(e.at).toISOString(),
  kind: e.kind,
  person: e.by?.name ?? '',
  address: e.address,
  what: e.what,
  reason: e.code ?? '',
  record: e.change ? `${e.change.thing} ${e.change.id}` : '',
  lines: e.change ? JSON.stringify(e.change.lines) : '',
});

export function auditRoutes(on: ReturnType<typeof routes>, { db }: Deps) {
  on.signed(getAudit, async ({ query: { before, ...filters } }) => {
    const entries = await auditEntries(db, filters, beforeOf(before), PAGE + 1);
    const shown = entries.slice(0, PAGE);
    const last = shown.at(-1);
    return {
      entries: shown,
      next: entries.length > PAGE && last ? `${last.at}_${last.id}` : null,
    };
  });
  on.file(exportAudit, async ({ query }) => {
    const entries = await auditEntries(db, query, null, MOST_EXPORTED);
    return {
      type: 'text/csv; charset=utf-8',
      name: 'audit.csv',
      body: Buffer.from(Papa.unparse(entries.map(asRow), { escapeFormulae: true })),
      save: true,
    };
  });
}
