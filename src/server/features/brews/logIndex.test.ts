import { type HouseSize, indexFor } from './logIndex';

const shop: HouseSize = { sites: 2, teas: 24, vessels: 14, people: 6 };
const group: HouseSize = { sites: 200, teas: 24, vessels: 1400, people: 800 };
const [siteId, teaId, vesselId, personId] = ['s', 't', 'v', 'p'];

test.each<[string, Parameters<typeof indexFor>[0], string, string]>([
  ['nothing', {}, 'log_all', 'log_all'],
  ['a site', { siteId }, 'log_site', 'log_site'],
  ['a tea of a site', { siteId, teaId }, 'log_tea', 'log_site'],
  ['a vessel of a site', { siteId, vesselId }, 'log_vessel', 'log_vessel'],
  ['one who works at a site', { siteId, personId }, 'log_person', 'log_person'],
  [
    'corrections not taken at a site',
    { siteId, correction: 'notTaken' },
    'log_correction',
    'log_site',
  ],
  ['late at a site', { siteId, pull: 'late' }, 'log_timing', 'log_site'],
  ['forgotten, of a tea', { teaId, pull: 'forgotten' }, 'log_timing', 'log_timing'],
  ['a method that nobody brews', { method: 'bag' }, 'log_method', 'log_method'],
  [
    'what most let through',
    { pull: 'inWindow', correction: 'none', method: 'pot' },
    'log_all',
    'log_all',
  ],
])('%s: by the rarest in a shop, and in a group of shops', (_what, q, inShop, inGroup) =>
  expect([indexFor(q, shop), indexFor(q, group)]).toEqual([inShop, inGroup]),
);
test('a house that is only begun', () =>
  expect(indexFor({ siteId, teaId }, { sites: 1, teas: 0, vessels: 0, people: 1 })).toBe(
    'log_all',
  ));
