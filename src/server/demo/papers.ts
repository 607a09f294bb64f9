import type { TeaFields } from '#contracts/book';
import type { KettleFields } from '#contracts/instruments';
import { NO_LEAF_FACTS, type LeafFacts } from '#core/teas';
import type { Method } from '#core/recipes';
import type { DemoSite } from './house';

// What an invented house wrote down beside its recipes: packets, leaf, blends, other methods, kettles, scoops.

type Paper = Partial<Pick<TeaFields, 'packet' | 'blend' | 'caffeine' | 'cautions'>> & { readonly leaf?: Partial<LeafFacts>; readonly methods?: readonly Method[]; readonly next?: string };
export const PAPERS: Readonly<Record<string, Paper>> = {
  'Brannoch Large Leaf': { packet: '2 tsp per 12 fl oz, boiling water, 3-5 minutes', leaf: { form: 'twisted', season: 'autumn', traits: ['largeLeaf'] } },
  'Corrow Light': { packet: '4 g per 240 ml at 95 °C, 2-3 minutes', leaf: { form: 'rolled', season: 'spring' }, methods: ['liddedCup'] },
  'Corrow Roast': { packet: '4 g / 240 ml, 95 C, 2 to 3 min', leaf: { form: 'rolled', traits: ['roasted'] } },
  'Dunvarrow Roast': { packet: '1 tbsp per 8 oz, 190 F, 2-3 minutes', leaf: { form: 'whole', traits: ['roasted'] } },
  'Haldrin Shade': { packet: '5 g per 200 ml, 60 °C, 2 minutes', leaf: { form: 'needle', season: 'firstSpring', traits: ['shaded'] } },
  'Iveline First': { packet: '2.5 g per cup, 95 °C, 3-4 minutes, never over 5', leaf: { form: 'twisted', season: 'firstSpring' } },
  'Kestry Pearl': { packet: '1 tsp per cup, 80 °C, 3 minutes', leaf: { form: 'pearl', traits: ['scented'] }, blend: 'green tea, flowers' },
  'Lammer Breaks': { packet: '1 heaped teaspoon per cup, boiling water, 3-4 min', leaf: { form: 'broken' } },
  'Marrowick Broken': { packet: '1 tsp per cup and one for the pot. Boiling water, 3-5 minutes.', leaf: { form: 'broken' }, methods: ['extract', 'fridge'] },
  'Mereth Mint': { packet: '1 large teaspoon per 8 fl oz, 212 F, 5 minutes or longer', leaf: { form: 'whole' }, cautions: 'Herbs can matter in pregnancy or with medicines: ask a pharmacist or doctor.' },
  'Osk Flower': { packet: '1 tbsp per cup, 95 °C, 4-6 minutes', leaf: { form: 'bud' }, cautions: 'Herbs can matter in pregnancy or with medicines: ask a pharmacist or doctor.' },
  'Ostrey Deep': { packet: '6 g per 480 ml, boiling, 2-3 minutes, six steeps', leaf: { form: 'pressed' } },
  'Quillorn Steam': { packet: '2 g per 150 ml, 70 °C, 60-120 s', leaf: { form: 'needle', season: 'spring' } },
  'Sennet Hollow': { packet: '1 tbsp per 8 fl oz, 175 °F, 2 minutes', leaf: { form: 'flat', season: 'spring' }, methods: ['fridge', 'counter', 'warmThenCold'], next: 'Lot 11, spring' },
  'Sennet Summer': { packet: '2 g per 150 ml at 80 °C, 2 min', leaf: { form: 'flat', season: 'summer' } },
  'Sorrin Red': { packet: '1 dessert spoon per mug, boiling, 5 minutes', leaf: { form: 'whole' } },
  'Tarn Stem': { packet: '1 tbsp per 8 oz, 185 F, 2-3 minutes', leaf: { form: 'whole', traits: ['roasted'] }, blend: 'green tea stem, roasted rice' },
  'Tolvane Amber': { packet: '1 tsp per cup, 100 °C, 3-5 minutes', leaf: { form: 'whole' }, methods: ['bag'] },
  'Ullash White Bud': { packet: '1 tbsp per 10 fl oz, under the boil, 3-6 minutes', leaf: { form: 'bud', season: 'firstSpring' } },
  'Vennick Gold': { packet: '6 g per 500 ml, 90 °C, 4 minutes', leaf: { form: 'twisted' } },
};
export const paperOf = (name: string) => {
  const { packet = '', blend = '', caffeine = '', cautions = '', leaf = {} } = PAPERS[name] ?? {};
  return { packet, blend, caffeine, cautions, colour: null, leaf: { ...NO_LEAF_FACTS, ...leaf } };
};

export const KETTLES: readonly { readonly site: DemoSite['key']; readonly facts: KettleFields; readonly times: number; readonly loss: number; readonly minutes: readonly number[] }[] = [
  { site: 'harbour', facts: { name: 'Tall kettle', kind: 'kettle', volume: 1200, material: 'stainless', lid: false, setPoints: { from: 60, to: 100, step: 5 }, note: 'Lid left open off the boil.' } as KettleFields, times: 1.18, loss: 0.08, minutes: [0, 1.5, 4, 7.2, 11, 15.5, 21, 26] },
  { site: 'harbour', facts: { name: 'Counter urn', kind: 'urn', volume: 8000, material: 'stainless', lid: true, setPoints: null, note: '' } as KettleFields, times: 1, loss: 0.06, minutes: [] },
  { site: 'hut', facts: { name: 'Hut kettle', kind: 'kettle', volume: 1700, material: 'stainless', lid: true, setPoints: null, note: '' } as KettleFields, times: 1, loss: 0.07, minutes: [] },
];
export const SCOOPS = [{ name: 'green scoop', ml: 18, heaped: false }, { name: 'caddy spoon', ml: 12, heaped: true }] as const;
