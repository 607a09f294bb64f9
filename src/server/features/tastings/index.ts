import {
  addTastingEvent,
  exportTasting,
  getTasting,
  listTastings,
  printReport,
  printSheets,
  printTents,
  setUpTasting,
} from '#contracts/tastings';
import type { Deps } from '../../deps';
import type { routes } from '../../http/route';
import type { LiveHub } from '../live';
import { marksTable, wholeTasting } from './export';
import { reportOf, sheetsOf, tentsOf } from './papers';
import { tastingTable } from './service';
import { siteById } from '../accounts';

export { eventsAt, tastingById } from './queries';
export function tastingRoutes(
  on: ReturnType<typeof routes>,
  deps: Deps,
  live: Pick<LiveHub, 'nudge'>,
) {
  const table = tastingTable(deps, live);
  on.signed(listTastings, ({ query, who }) => table.list(query.siteId, who));
  on.signed(setUpTasting, ({ body, who }) => table.setUp(body, who));
  on.signed(getTasting, ({ params, who }) => table.one(params.id, who));
  on.signed(addTastingEvent, ({ params, body, who }) => table.event(params.id, body, who));
  on.file(exportTasting, async ({ params, who }) => {
    const { found, events } = await table.revealed(params.id, who);
    const csv = params.form === 'csv';
    return {
      type: csv ? 'text/csv; charset=utf-8' : 'application/json; charset=utf-8',
      name: `${found.tea.name}, ${found.t.kind}.${params.form}`,
      body: Buffer.from(
        csv ? marksTable(found, events) : JSON.stringify(wholeTasting(found, events), null, 1),
      ),
      save: true,
    };
  });
  const pdf = (name: string, body: Buffer) => ({
    type: 'application/pdf',
    name: `${name}.pdf`,
    body,
  });
  on.file(printTents, async ({ params, who }) => {
    const f = await table.mustRun(params.id, who);
    return pdf(`${f.tea.name}, table tents`, await tentsOf(f));
  });
  on.file(printSheets, async ({ params, who }) => {
    const f = await table.mustRun(params.id, who);
    return pdf(`${f.tea.name}, score sheets`, await sheetsOf(f));
  });
  on.file(printReport, async ({ params, who }) => {
    const { found, events } = await table.revealed(params.id, who);
    const site = await siteById(deps.db, found.t.siteId);
    return pdf(
      `${found.tea.name}, ${found.t.kind}`,
      await reportOf(found, events, {
        volume: site?.volumeUnit ?? 'ml',
        temperature: site?.temperatureUnit ?? 'C',
      }),
    );
  });
}
