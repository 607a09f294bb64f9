import type { WallRange, Week } from '#core/time';
import type { Role } from '#contracts/people';
import type { SiteFields, SiteHours } from '#contracts/sites';
// An invented house: no firm, garden, brand or person is meant. Kept as plain numbers; the units are those of the
// contracts.

export type DemoSite = { key: 'harbour' | 'hut'; fields: SiteFields };
const kettle = {
  volume: 1700,
  material: 'stainless',
  lid: true,
  rate: null,
  name: '',
} as SiteFields['kettle'];
/** Open every day; busier at the end of the week. */
const everyDay = (day: WallRange[]): Week => [day, day, day, day, day, day, day];
const HARBOUR_HOURS: SiteHours = {
  zone: 'Europe/London',
  open: everyDay([['07:30', '22:30']]),
  preferred: everyDay([
    ['07:30', '10:00'],
    ['21:00', '22:30'],
  ]),
  services: everyDay([
    ['11:00', '14:00'],
    ['14:00', '18:00'],
  ]),
};

export const SITES: readonly DemoSite[] = [
  {
    key: 'harbour',
    fields: {
      name: 'Harbour room',
      altitudeM: 4,
      measuredBoiling: null,
      coldWater: 12,
      ambient: 20,
      pourLoss: 0.06,
      water: { hardness: 'medium', filtered: true },
      kettle,
      volumeUnit: 'ml',
      temperatureUnit: 'C',
      hours: HARBOUR_HOURS,
    } as SiteFields,
  },
  {
    key: 'hut',
    fields: {
      name: 'Ridge hut',
      altitudeM: 1650,
      measuredBoiling: null,
      coldWater: 7,
      ambient: 17,
      pourLoss: null,
      water: { hardness: 'soft', filtered: false },
      kettle,
      volumeUnit: 'ml',
      temperatureUnit: 'C',
    } as SiteFields,
  },
];

/** `slip` seconds late on average, `spread` their scatter, `spoon` the scatter of their leaf. */
export type DemoPerson = {
  name: string;
  role: Role;
  secret: string;
  sites: readonly DemoSite['key'][];
  slip: number;
  spread: number;
  spoon: number;
};
export const PEOPLE: readonly DemoPerson[] = [
  {
    name: 'Ilsa V.',
    role: 'lead',
    secret: 'grey pot first',
    sites: ['harbour', 'hut'],
    slip: 1,
    spread: 5,
    spoon: 0.03,
  },
  {
    name: 'Wen K.',
    role: 'lead',
    secret: 'ridge by lamplight',
    sites: ['hut', 'harbour'],
    slip: 2,
    spread: 6,
    spoon: 0.04,
  },
  {
    name: 'Dov R.',
    role: 'brewer',
    secret: '2718',
    sites: ['harbour'],
    slip: 3,
    spread: 9,
    spoon: 0.06,
  },
  {
    name: 'Tam O.',
    role: 'brewer',
    secret: '1414',
    sites: ['harbour', 'hut'],
    slip: 5,
    spread: 12,
    spoon: 0.08,
  },
  {
    name: 'Sorrel A.',
    role: 'brewer',
    secret: '5772',
    sites: ['hut'],
    slip: 4,
    spread: 14,
    spoon: 0.08,
  },
  {
    name: 'Pela M.',
    role: 'trainee',
    secret: '1618',
    sites: ['harbour'],
    slip: 16,
    spread: 26,
    spoon: 0.13,
  },
];
