import type { SiteFields } from '#contracts/sites';
import { sampleSite } from '../../testing/samples';
import { emptySite, siteFieldsOf, type SiteForm, siteFormOf } from './siteForm';

const { id: _id, ...fields } = sampleSite;
const read = (
  form: SiteForm,
  kept?: Pick<SiteFields, 'kettle' | 'hours' | 'limits' | 'safety'>,
) => {
  const faults: Partial<Record<keyof SiteForm, string>> = {};
  const found = siteFieldsOf(
    form,
    (name, why) => {
      faults[name] = why;
    },
    kept,
  );
  return { found, faults };
};

test.each<Partial<typeof sampleSite>>([
  {},
  { altitudeM: 1650, measuredBoiling: 94.2 as never },
  { region: { dates: 'monthDay', hours: 12, weekBegins: 'sunday' } },
  { pourLoss: 0.09, coldWater: 7 as never, ambient: 24 as never },
  {
    water: { hardness: 'hard', filtered: false, filter: null },
    ...{ volumeUnit: 'usFlOz', temperatureUnit: 'F' },
  },
  {
    water: {
      ...{ hardness: 'soft', filtered: true },
      filter: { changed: '2026-01-10', everyDays: 90 },
    },
  },
])('a site read into its form and back is the same: %j', (over) => {
  const site = { ...sampleSite, ...over };
  const { found, faults } = read(siteFormOf(site), fields);
  expect([{ ...found, id: 's' }, faults]).toEqual([site, {}]);
});
test('a new site is asked for its name and nothing else', () =>
  expect(read(emptySite)).toEqual({ found: null, faults: { name: 'Give it a name.' } }));
test.each<[keyof SiteForm, string, RegExp]>([
  ['altitude', '9000', /Altitude of 9000 m is too much: at most 5000 m/],
  ['altitude', 'hill', /not a number/],
  ['boiling', '60', /at least 80 °C/],
  ['cold', '45', /at most 30 °C/],
  ['ambient', '1', /at least 5 °C/],
  ['pourLoss', '40', /at most 25 %/],
])('%s of “%s” is told beside its field', (name, typed, why) => {
  const { found, faults } = read({ ...siteFormOf(sampleSite), [name]: typed });
  expect(found).toBeNull();
  expect(Object.keys(faults)).toEqual([name]);
  expect(faults[name]).toMatch(why);
});
test('a unit may be written after the figure', () =>
  expect(
    read({ ...siteFormOf(sampleSite), altitude: '1650 m', cold: '7 °C', pourLoss: '9 %' }).found,
  ).toMatchObject({ altitudeM: 1650, coldWater: 7, pourLoss: 0.09 }));
