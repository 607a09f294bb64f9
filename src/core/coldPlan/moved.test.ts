import type { SiteWeek, WallRange } from '#core/time';
import { epochMs } from '#core/units';
import { type Held, type Movable, movedTo } from './index';

const HOUR = 3_600_000;
/** A Monday. */
const DAY = Date.UTC(2026, 4, 4);
const at = (hours: number) => epochMs(DAY + hours * HOUR);
const OPEN: WallRange[] = [['08:00', '22:00']];
const week = (open: WallRange[]): SiteWeek => ({
  open: [open, open, open, open, open, open, open],
  preferred: [[], [], [], [], [], [], []],
  services: [[], [], [], [], [], [], []],
});
const SITE = { zone: 'UTC', week: week(OPEN) };
const batch: Movable = {
  ...{ id: 'b', vesselId: 'v' },
  ...{ start: at(10), lift: at(14), until: at(16) },
};
const NOW = at(9);
const held = (over: Partial<Held> = {}): Held => ({
  ...{ id: 'x', vesselId: 'v', name: 'Sennet Hollow', from: at(30), to: at(40) },
  ...over,
});

test('its leaf goes in at the nearest hand, and stays in as long as before', () => {
  expect(movedTo(batch, at(12.2), SITE, [], NOW)).toEqual({
    kind: 'moved',
    start: at(12),
    lift: at(16),
  });
  expect(movedTo(batch, at(12.3), SITE, [], NOW)).toMatchObject({ start: at(12.5) });
});
test('into the night it comes to the last hand of the evening; its lift to one at which somebody is there', () => {
  expect(movedTo(batch, at(23.5), SITE, [], NOW)).toEqual({
    kind: 'moved',
    start: at(22),
    lift: at(32),
  });
});
test('never before now, and not where nobody ever is', () => {
  expect(movedTo(batch, at(2), SITE, [], NOW)).toMatchObject({ start: at(9) });
  expect(movedTo(batch, at(12), { zone: 'UTC', week: week([]) }, [], NOW)).toEqual({
    kind: 'nobodyThere',
  });
});
test('a vessel that another has then is named; its own place, and what is over by then, are not in the way', () => {
  const by = held();
  expect(movedTo(batch, at(33), SITE, [by], NOW)).toEqual({ kind: 'vesselTaken', by });
  for (const free of [held({ id: 'b' }), held({ vesselId: 'w' }), held({ to: at(33) })])
    expect(movedTo(batch, at(33), SITE, [free], NOW)).toMatchObject({ kind: 'moved' });
});
