import { getCalendar, readCalendar, renewCalendar } from '#contracts/calendar';
import type { Deps } from '../../deps';
import type { routes } from '../../http/route';
import { createCalendarService } from './service';
import { calendarText } from './text';

export function calendarRoutes(on: ReturnType<typeof routes>, deps: Deps) {
  const calendars = createCalendarService(deps);
  on.signed(getCalendar, ({ who }) => calendars.calendar(who.siteId));
  on.signed(renewCalendar, ({ body, who }) => calendars.renew(body, who));
  on.openFile(readCalendar, async ({ params }) => {
    const { site, entries } = await calendars.read(params.file.replace(/\.ics$/, ''));
    return {
      type: 'text/calendar; charset=utf-8',
      name: 'cold.ics',
      body: Buffer.from(calendarText(site, entries)),
    };
  });
}
