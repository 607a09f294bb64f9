// A made-up shop for unit tests of the page: one site, one pot, one brew.
import { startingRecipe } from '#core/recipes';
import { USUAL_REGION } from '#core/time';
import { celsius, epochMs, grams, millilitres } from '#core/units';
import type { Brew } from '#contracts/brews';
import type { Site } from '#contracts/sites';
import { vesselFactsOf } from '#contracts/vesselFacts';
import type { Vessel } from '#contracts/vessels';

export const sampleSite = {
  id: 's',
  name: 'Room',
  altitudeM: 4,
  measuredBoiling: null,
  coldWater: celsius(12),
  ambient: celsius(20),
  pourLoss: null,
  kettle: { volume: millilitres(1700), material: 'stainless', lid: true, rate: null, name: '' },
  water: { hardness: 'unknown', filtered: true, filter: null },
  volumeUnit: 'ml',
  temperatureUnit: 'C',
  region: USUAL_REGION,
  hours: null,
  limits: null,
  safety: null,
} as Site;
export const sampleVessel = (over: Partial<Vessel> = {}): Vessel => ({
  id: 'v',
  siteId: 's',
  rev: 1,
  retired: false,
  name: 'White pot',
  kind: 'pot',
  brim: millilitres(620),
  mark: millilitres(500),
  infuser: 'deep',
  basket: millilitres(230),
  material: 'porcelain',
  wallGrams: null,
  lid: true,
  cosy: false,
  strainer: 'liftsOut',
  dead: millilitres(0),
  covers: null,
  basketDepth: null,
  weighed: null,
  ...over,
});

/** When the water of the sample brew went on. */
export const T0 = 1_800_000_000_000;
/** Its recipe: window 3:00, 4:00, 5:00. */
export const sampleRecipe = startingRecipe('black-whole');
/** A whole-leaf black tea of the white pot, steeping: window 3:00, 4:00, 5:00. */
export const sampleBrew = (over: Partial<Brew> = {}): Brew => ({
  id: 'a',
  siteId: 's',
  place: 1,
  leafId: 'a',
  pairedId: null,
  method: 'pot',
  kettle: '',
  marks: [],
  readings: [],
  pulledDevice: null,
  timing: null,
  tea: { id: 't', name: 'Tolvane Amber', style: 'black-whole' },
  lot: null,
  vesselId: 'v',
  versionId: 'r',
  versionNumber: 2,
  plan: {
    water: millilitres(500),
    leaf: grams(6),
    spoons: null,
    liquor: millilitres(482),
    temperature: sampleRecipe.temperature,
    onLeaf: sampleRecipe.temperature,
    ambient: celsius(20),
    kettle: celsius(97),
    reachable: true,
    warmed: true,
    crowding: 0.1,
    recipe: sampleRecipe,
    vessel: vesselFactsOf(sampleVessel()),
    pull: { act: 'Lift the basket', done: 'Lifted' },
  },
  state: { kind: 'steeping', waterOn: epochMs(T0) },
  startedBy: { id: 'p', name: 'Dov R.' },
  startedAt: T0,
  pulledBy: null,
  judgedBy: null,
  verdict: null,
  proposal: null,
  accepted: null,
  remark: '',
  ...over,
});
