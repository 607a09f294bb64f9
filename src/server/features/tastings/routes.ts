import { LEAF_LESSONS } from '#core/tastings';
import { addGuestEvent, getGuestSheet, joinAsGuest, openForGuests } from '#contracts/guests';
import { printReport, printSheets, printTents, printTrainerSheet } from '#contracts/tastingPapers';
import {
  addTastingEvent,
  exportTasting,
  getTasting,
  listTastings,
  setUpTasting,
} from '#contracts/tastings';
import type { Deps } from '../../deps';
import type { routes } from '../../http/route';
import type { LiveHub } from '../live';
import { siteById } from '../people';
import { createGuestService } from './guests';
import { paperSiteOf } from './paperSite';
import { createTastingService } from './service';
import { TASTING_TASKS } from './tasks';

export function tastingRoutes(
  on: ReturnType<typeof routes>,
  deps: Deps,
  live: Pick<LiveHub, 'nudge'>,
) {
  const { work } = deps;
  const siteOf = async (id: string) => paperSiteOf(await siteById(deps.db, id));
  const table = createTastingService(deps, live);
  const guests = createGuestService(deps, live);
  on.signed(listTastings, ({ query, who }) => table.list(query.siteId, who));
  on.signed(setUpTasting, ({ body, who }) => table.setUp(body, who));
  on.signed(getTasting, ({ params, who }) => table.one(params.id, who));
  on.signed(openForGuests, ({ params, who }) => table.openForGuests(params.id, who));
  on.open(joinAsGuest, ({ body, req }) => guests.join(body, req.ip ?? 'unknown'));
  on.keyed(getGuestSheet, ({ key }) => guests.sheet(key));
  on.keyed(addGuestEvent, ({ key, body }) => guests.event(key, body));
  on.signed(addTastingEvent, ({ params, body, who }) => table.event(params.id, body, who));
  on.file(exportTasting, async ({ params, who }) => {
    const { found, events } = await table.revealed(params.id, who);
    const csv = params.form === 'csv';
    return {
      type: csv ? 'text/csv; charset=utf-8' : 'application/json; charset=utf-8',
      name: `${found.tea.name}, ${found.t.kind}.${params.form}`,
      // What is revealed changes no more: it is made once for all who ask.
      body: Buffer.from(
        await work.kept(csv ? TASTING_TASKS.marks : TASTING_TASKS.whole, found, events),
      ),
      save: true,
    };
  });
  const pdf = (name: string, body: Uint8Array) => ({
    type: 'application/pdf',
    name: `${name}.pdf`,
    body,
  });
  on.file(printTents, async ({ params, who }) => {
    const f = await table.mustRun(params.id, who);
    return pdf(`${f.tea.name}, table tents`, await work.run(TASTING_TASKS.tents, f));
  });
  on.file(printSheets, async ({ params, who }) => {
    const f = await table.mustRun(params.id, who);
    return pdf(
      `${f.tea.name}, score sheets`,
      await work.run(TASTING_TASKS.sheets, f, await siteOf(f.t.siteId)),
    );
  });
  on.file(printTrainerSheet, async ({ params, who }) => {
    const sheet = await table.trainerSheet(params.id, who);
    return pdf(
      `${LEAF_LESSONS[sheet.t.lesson].title}, trainer’s sheet`,
      await work.run(TASTING_TASKS.trainerSheet, sheet, await siteOf(sheet.t.siteId)),
    );
  });
  on.file(printReport, async ({ params, who }) => {
    const { found, events } = await table.revealed(params.id, who);
    return pdf(
      `${found.tea.name}, ${found.t.kind}`,
      await work.kept(TASTING_TASKS.report, found, events, await siteOf(found.t.siteId)),
    );
  });
}
