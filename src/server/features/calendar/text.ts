import ical, { ICalAlarmType, ICalEventStatus } from 'ical-generator';
import type { SaidEntry } from '#core/cold';

const STATUSES = {
  tentative: ICalEventStatus.TENTATIVE,
  confirmed: ICalEventStatus.CONFIRMED,
  cancelled: ICalEventStatus.CANCELLED,
} as const;
/** Calendars are asked to look again so often, s. */
const AGAIN_AFTER = 15 * 60;

/** Entries as an iCalendar text (RFC 5545, 7986); times in UTC. */
export function calendarText(site: string, entries: readonly SaidEntry[]): string {
  const calendar = ical({
    name: `Cold tea, ${site}`,
    prodId: { company: 'Limnos', product: 'Cold', language: 'EN' },
    ttl: AGAIN_AFTER,
  });
  for (const e of entries) {
    const event = calendar.createEvent({
      id: e.uid,
      sequence: e.sequence,
      stamp: new Date(e.changed),
      lastModified: new Date(e.changed),
      start: new Date(e.from),
      end: new Date(e.to),
      status: STATUSES[e.status],
      summary: e.summary,
      location: site,
    });
    if (e.alarm !== null && e.status !== 'cancelled')
      event.createAlarm({
        type: ICalAlarmType.display,
        trigger: new Date(e.alarm),
        description: e.summary,
      });
  }
  return calendar.toString();
}
