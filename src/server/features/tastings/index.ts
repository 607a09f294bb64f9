import { addTastingEvent, exportTasting, getTasting, listTastings, setUpTasting } from '#contracts/tastings';
import type { Deps } from '../../deps';
import type { routes } from '../../http/route';
import type { LiveHub } from '../live';
import { marksTable, wholeTasting } from './export';
import { tastingTable } from './service';

export function tastingRoutes(on: ReturnType<typeof routes>, deps: Deps, live: Pick<LiveHub, 'nudge'>) {
  const table = tastingTable(deps, live);
  on.signed(listTastings, ({ query, who }) => table.list(query.siteId, who));
  on.signed(setUpTasting, ({ body, who }) => table.setUp(body, who));
  on.signed(getTasting, ({ params, who }) => table.one(params.id, who));
  on.signed(addTastingEvent, ({ params, body, who }) => table.event(params.id, body, who));
  on.file(exportTasting, async ({ params }) => {
    const { found, events } = await table.revealed(params.id);
    const csv = params.form === 'csv';
    return { type: csv ? 'text/csv; charset=utf-8' : 'application/json; charset=utf-8', name: `${found.tea.name}, ${found.t.kind}.${params.form}`, body: Buffer.from(csv ? marksTable(found, events) : JSON.stringify(wholeTasting(found, events), null, 1)), save: true };
  });
}
