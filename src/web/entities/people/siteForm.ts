import { dayFault } from '#core/teas';
import { type Region, USUAL_REGION } from '#core/time';
import { numberText, parseWithin } from '#core/units';
import { FILTER_DAYS, USUAL_FILTER_DAYS, type WaterFilter } from '#core/water';
import type { Site, SiteFields } from '#contracts/sites';

/** A site as its form holds it: as typed. */
export type SiteForm = {
  name: string;
  altitude: string;
  boiling: string;
  cold: string;
  ambient: string;
  pourLoss: string;
  hardness: SiteFields['water']['hardness'];
  filtered: boolean;
  /** The day its filter was changed; empty: nobody keeps it. */
  filterChanged: string;
  filterDays: string;
  volumeUnit: SiteFields['volumeUnit'];
  temperatureUnit: 'C' | 'F';
  dates: Region['dates'];
  clockHours: '12' | '24';
  weekBegins: Region['weekBegins'];
};
function regionForm({ dates, hours, weekBegins }: Region) {
  return { dates, clockHours: hours === 12 ? ('12' as const) : ('24' as const), weekBegins };
}
export const emptySite: SiteForm = {
  name: '',
  altitude: '0',
  boiling: '',
  cold: '12',
  ambient: '20',
  pourLoss: '',
  hardness: 'unknown',
  filtered: true,
  filterChanged: '',
  filterDays: String(USUAL_FILTER_DAYS),
  volumeUnit: 'ml',
  temperatureUnit: 'C',
  ...regionForm(USUAL_REGION),
};
export const siteFormOf = (s: Site): SiteForm => ({
  name: s.name,
  altitude: numberText(s.altitudeM),
  boiling: s.measuredBoiling === null ? '' : numberText(s.measuredBoiling),
  cold: numberText(s.coldWater),
  ambient: numberText(s.ambient),
  pourLoss: s.pourLoss === null ? '' : numberText(s.pourLoss * 100),
  hardness: s.water.hardness,
  filtered: s.water.filtered,
  filterChanged: s.water.filter?.changed ?? '',
  filterDays: String(s.water.filter?.everyDays ?? USUAL_FILTER_DAYS),
  volumeUnit: s.volumeUnit,
  temperatureUnit: s.temperatureUnit,
  ...regionForm(s.region ?? USUAL_REGION),
});

/** Reads the form, naming each fault beside its field; null when something is not right. */
export function siteFieldsOf(
  v: SiteForm,
  fault: (name: keyof SiteForm, message: string) => void,
  kept?: Pick<SiteFields, 'kettle' | 'hours' | 'limits' | 'safety'>,
): SiteFields | null {
  let good = true;
  const read = (
    name: 'altitude' | 'boiling' | 'cold' | 'ambient' | 'pourLoss' | 'filterDays',
    what: string,
    unit: string,
    min: number,
    max: number,
  ) => {
    const n = parseWithin(v[name], what, unit, min, max);
    if (n.kind === 'ok') return n.value;
    fault(name, n.why);
    good = false;
    return 0;
  };
  if (v.name.trim() === '') {
    fault('name', 'Give it a name.');
    good = false;
  }
  const readFilter = (): WaterFilter | null => {
    if (!v.filtered || v.filterChanged === '') return null;
    const why = dayFault(v.filterChanged);
    if (why !== null) {
      fault('filterChanged', why);
      good = false;
    }
    const { least, most } = FILTER_DAYS;
    const everyDays = Math.round(read('filterDays', 'Days of a filter', 'days', least, most));
    return { changed: v.filterChanged, everyDays };
  };
  const fields = {
    name: v.name,
    altitudeM: read('altitude', 'Altitude', 'm', -400, 5000),
    measuredBoiling:
      v.boiling.trim() === '' ? null : read('boiling', 'Boiling point', '°C', 80, 102),
    coldWater: read('cold', 'Cold water', '°C', 1, 30),
    ambient: read('ambient', 'Room', '°C', 5, 40),
    pourLoss: v.pourLoss.trim() === '' ? null : read('pourLoss', 'Pour loss', '%', 0, 25) / 100,
    kettle: kept?.kettle ?? {
      volume: 1700,
      material: 'stainless',
      lid: true,
      rate: null,
      name: '',
    },
    water: { hardness: v.hardness, filtered: v.filtered, filter: readFilter() },
    volumeUnit: v.volumeUnit,
    temperatureUnit: v.temperatureUnit,
    region: {
      dates: v.dates,
      hours: v.clockHours === '12' ? 12 : 24,
      weekBegins: v.weekBegins,
    },
    hours: kept?.hours ?? null,
    limits: kept?.limits ?? null,
    safety: kept?.safety ?? null,
  } as SiteFields;
  return good ? fields : null;
}
