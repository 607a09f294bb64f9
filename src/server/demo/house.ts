import type { SiteFields } from '#contracts/house';
import type { TeaFields } from '#contracts/book';
import type { VesselFields } from '#contracts/shelf';
import type { Role } from '#contracts/people';
import type { StyleId } from '#core/styles';
import type { SpoonKind } from '#core/units';

// An invented house: no firm, garden, brand or person is meant. Kept as plain numbers; the units are those of the contracts.

export type DemoSite = { key: 'harbour' | 'hut'; fields: SiteFields };
const kettle = { volume: 1700, material: 'stainless', lid: true, rate: null, name: '' } as SiteFields['kettle'];
export const SITES: readonly DemoSite[] = [
  { key: 'harbour', fields: { name: 'Harbour room', altitudeM: 4, measuredBoiling: null, coldWater: 12, ambient: 20, pourLoss: 0.06, water: { hardness: 'medium', filtered: true }, kettle, volumeUnit: 'ml', temperatureUnit: 'C' } as SiteFields },
  { key: 'hut', fields: { name: 'Ridge hut', altitudeM: 1650, measuredBoiling: null, coldWater: 7, ambient: 17, pourLoss: null, water: { hardness: 'soft', filtered: false }, kettle, volumeUnit: 'ml', temperatureUnit: 'C' } as SiteFields },
];

/** `slip` seconds late on average, `spread` their scatter, `spoon` the scatter of their leaf. */
export type DemoPerson = { name: string; role: Role; secret: string; sites: readonly DemoSite['key'][]; slip: number; spread: number; spoon: number };
export const PEOPLE: readonly DemoPerson[] = [
  { name: 'Ilsa V.', role: 'lead', secret: 'grey pot first', sites: ['harbour', 'hut'], slip: 1, spread: 5, spoon: 0.03 },
  { name: 'Wen K.', role: 'lead', secret: 'ridge by lamplight', sites: ['hut', 'harbour'], slip: 2, spread: 6, spoon: 0.04 },
  { name: 'Dov R.', role: 'brewer', secret: '2718', sites: ['harbour'], slip: 3, spread: 9, spoon: 0.06 },
  { name: 'Tam O.', role: 'brewer', secret: '1414', sites: ['harbour', 'hut'], slip: 5, spread: 12, spoon: 0.08 },
  { name: 'Sorrel A.', role: 'brewer', secret: '5772', sites: ['hut'], slip: 4, spread: 14, spoon: 0.08 },
  { name: 'Pela M.', role: 'trainee', secret: '1618', sites: ['harbour'], slip: 16, spread: 26, spoon: 0.13 },
];

type DemoTea = { name: string; style: StyleId; method: TeaFields['method']; lot: string; words: string; allergens?: string; dose: number; heat: number; window: readonly [number, number, number]; later?: readonly number[]; per: readonly [SpoonKind, number]; note?: string };
const D = 'dessertSpoon';
export const TEAS: readonly DemoTea[] = [
  { name: 'Brannoch Large Leaf', style: 'black-large', method: 'pot', lot: 'Lot 3, autumn', words: 'malty, full', dose: 1.2, heat: 93, window: [180, 240, 300], per: [D, 2.4] },
  { name: 'Corrow Light', style: 'oolong-light', method: 'pot', lot: 'Lot 11, spring', words: 'floral, clear', dose: 1.67, heat: 92, window: [120, 150, 180], later: [180, 300], per: [D, 5.6] },
  { name: 'Corrow Roast', style: 'oolong-dark', method: 'pot', lot: 'Lot 8', words: 'biscuity, honey', dose: 1.67, heat: 93, window: [120, 150, 180], later: [180, 300], per: [D, 3.1] },
  { name: 'Dunvarrow Roast', style: 'green-roasted', method: 'pot', lot: 'Lot 2', words: 'roasted, mild', dose: 1.3, heat: 88, window: [120, 150, 180], later: [180], per: [D, 2.2] },
  { name: 'Haldrin Shade', style: 'green-shaded', method: 'pot', lot: 'Lot 5, first pick', words: 'savoury, sweet', dose: 2.2, heat: 60, window: [100, 120, 140], later: [60, 120], per: [D, 3.6] },
  { name: 'Iveline First', style: 'black-first', method: 'pot', lot: 'Lot 14, spring', words: 'floral, brisk', dose: 1.2, heat: 90, window: [180, 210, 240], per: [D, 2.3] },
  { name: 'Kestry Pearl', style: 'green-scented', method: 'pot', lot: 'Lot 6', words: 'floral, soft', dose: 1.6, heat: 82, window: [150, 180, 210], later: [180, 240, 300], per: [D, 5.1], note: 'Scented with flowers.' },
  { name: 'Lammer Breaks', style: 'black-broken', method: 'pot', lot: 'Lot 21', words: 'brisk, strong', dose: 1.2, heat: 94, window: [150, 180, 240], per: ['metricTeaspoon', 2.7] },
  { name: 'Marrowick Broken', style: 'black-broken', method: 'pot', lot: 'Lot 17', words: 'malty, dark', dose: 1.2, heat: 94, window: [150, 180, 240], per: ['metricTeaspoon', 2.8], note: 'Takes milk.' },
  { name: 'Mereth Mint', style: 'mint', method: 'pot', lot: 'Lot 4', words: 'cool, clear', dose: 1.1, heat: 94, window: [240, 300, 420], per: [D, 1.5], note: 'No caffeine.' },
  { name: 'Orrin Hearth', style: 'black-whole', method: 'pot', lot: 'Lot 9', words: 'smoky, mellow', dose: 1.2, heat: 90, window: [180, 240, 300], per: [D, 2.5] },
  { name: 'Osk Flower', style: 'chamomile', method: 'pot', lot: 'Lot 2', words: 'honey, hay', allergens: 'Daisy family', dose: 1.1, heat: 92, window: [240, 300, 420], per: [D, 1.4], note: 'No caffeine.' },
  { name: 'Ostrey Deep', style: 'dark-ripe', method: 'liddedCup', lot: 'Cake 6', words: 'earthy, smooth', dose: 3.3, heat: 95, window: [20, 30, 40], later: [20, 30, 45, 60, 90], per: ['metricTablespoon', 6] },
  { name: 'Pellory Night', style: 'green-scented', method: 'pot', lot: 'Lot 7', words: 'floral, deep', dose: 1.4, heat: 82, window: [150, 180, 210], later: [180, 240], per: [D, 2.6] },
  { name: 'Quillorn Steam', style: 'green-steamed', method: 'pot', lot: 'Lot 12, spring', words: 'grassy, savoury', dose: 1.3, heat: 70, window: [60, 90, 120], later: [30, 90], per: [D, 3.2] },
  { name: 'Redfell Bush', style: 'rooibos', method: 'pot', lot: 'Lot 1', words: 'woody, sweet', dose: 1.3, heat: 94, window: [240, 300, 420], per: ['metricTeaspoon', 2.1], note: 'No caffeine.' },
  { name: 'Sennet Hollow', style: 'green-pan', method: 'pot', lot: 'Lot 10, spring', words: 'bright, chestnut', dose: 1.3, heat: 80, window: [90, 120, 150], later: [180], per: [D, 2.1] },
  { name: 'Sennet Summer', style: 'green-pan', method: 'pot', lot: 'Lot 3, summer', words: 'vegetal, lively', dose: 1.3, heat: 75, window: [90, 110, 130], later: [150], per: [D, 2.2] },
  { name: 'Sorrin Red', style: 'hibiscus', method: 'pot', lot: 'Lot 5', words: 'tart, fruity', dose: 1.2, heat: 94, window: [240, 300, 420], per: [D, 3.4], note: 'No caffeine.' },
  { name: 'Tarn Stem', style: 'green-roasted', method: 'pot', lot: 'Lot 2', words: 'mild, nutty', allergens: 'Roasted rice', dose: 1.2, heat: 84, window: [120, 150, 180], later: [180], per: [D, 1.9] },
  { name: 'Tolvane Amber', style: 'black-whole', method: 'pot', lot: 'Lot 19', words: 'honey, bright', dose: 1.2, heat: 90, window: [180, 240, 300], per: [D, 2.3] },
  { name: 'Ullash White Bud', style: 'white', method: 'pot', lot: 'Lot 7, spring', words: 'melon, soft', dose: 1.6, heat: 79, window: [240, 300, 360], later: [360], per: [D, 1.3] },
  { name: 'Vennick Gold', style: 'black-whole', method: 'pot', lot: 'Lot 6', words: 'biscuity, sweet', dose: 1.3, heat: 90, window: [180, 225, 270], per: [D, 2.0] },
  { name: 'Yarrowmere Cloud', style: 'white', method: 'pot', lot: 'Lot 4', words: 'hay, honey', dose: 1.6, heat: 84, window: [210, 270, 330], later: [330], per: [D, 1.5] },
];

const UNSAID = { wallGrams: null, cosy: false, strainer: 'liftsOut', dead: 0, covers: null, basketDepth: null, weighed: null } as const;
type V = Omit<VesselFields, keyof typeof UNSAID>;
const vessel = (v: { [K in keyof V]: V[K] extends number | null ? number | null : V[K] }) => ({ ...v, ...UNSAID }) as VesselFields;
export const VESSELS: readonly { site: DemoSite['key']; fields: VesselFields }[] = [
  { site: 'harbour', fields: vessel({ name: 'Grey pot', kind: 'pot', brim: 960, mark: 800, basket: 330, infuser: 'deep', material: 'stoneware', lid: true }) },
  { site: 'harbour', fields: vessel({ name: 'Glass pot', kind: 'pot', brim: 760, mark: 600, basket: 250, infuser: 'deep', material: 'glass', lid: true }) },
  { site: 'harbour', fields: vessel({ name: 'White pot', kind: 'pot', brim: 620, mark: 500, basket: 230, infuser: 'deep', material: 'porcelain', lid: true }) },
  { site: 'harbour', fields: vessel({ name: 'Small pot', kind: 'pot', brim: 360, mark: 300, basket: 130, infuser: 'deep', material: 'porcelain', lid: true }) },
  { site: 'harbour', fields: vessel({ name: 'Release steeper', kind: 'release', brim: 470, mark: 400, basket: 300, infuser: 'deep', material: 'plastic', lid: true }) },
  { site: 'harbour', fields: vessel({ name: 'Lidded mug', kind: 'mug', brim: 380, mark: 320, basket: 150, infuser: 'deep', material: 'stoneware', lid: true }) },
  { site: 'harbour', fields: vessel({ name: 'Ball mug', kind: 'mug', brim: 330, mark: 280, basket: 30, infuser: 'ball', material: 'porcelain', lid: false }) },
  { site: 'harbour', fields: vessel({ name: 'Lidded cup', kind: 'lidded', brim: 150, mark: 120, basket: null, infuser: 'free', material: 'porcelain', lid: true }) },
  { site: 'harbour', fields: vessel({ name: 'Tasting set', kind: 'tasting', brim: 170, mark: 150, basket: null, infuser: 'free', material: 'porcelain', lid: true }) },
  { site: 'harbour', fields: vessel({ name: 'Cold pitcher', kind: 'pitcher', brim: 1150, mark: 1000, basket: 300, infuser: 'deep', material: 'glass', lid: true }) },
  { site: 'harbour', fields: vessel({ name: 'Small pitcher', kind: 'pitcher', brim: 620, mark: 500, basket: 180, infuser: 'deep', material: 'glass', lid: true }) },
  { site: 'hut', fields: vessel({ name: 'Iron pot', kind: 'pot', brim: 900, mark: 750, basket: 300, infuser: 'deep', material: 'castiron', lid: true }) },
  { site: 'hut', fields: vessel({ name: 'Tin pot', kind: 'pot', brim: 1150, mark: 1000, basket: 320, infuser: 'deep', material: 'stainless', lid: true }) },
  { site: 'hut', fields: vessel({ name: 'Blue pot', kind: 'pot', brim: 560, mark: 450, basket: 200, infuser: 'deep', material: 'stoneware', lid: true }) },
  { site: 'hut', fields: vessel({ name: 'Hut mug', kind: 'mug', brim: 350, mark: 300, basket: 120, infuser: 'deep', material: 'stoneware', lid: true }) },
  { site: 'hut', fields: vessel({ name: 'Flask cup', kind: 'mug', brim: 420, mark: 350, basket: null, infuser: 'free', material: 'stainless', lid: true }) },
];
