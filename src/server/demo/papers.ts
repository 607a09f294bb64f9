import type { Method } from '#core/recipes';
import { type LeafFacts, NO_LEAF_FACTS } from '#core/teas';
import type { KettleFields } from '#contracts/kettles';
import type { TeaFields } from '#contracts/teas';
import type { DemoSite } from './house';

// What an invented house wrote down beside its recipes: packets, leaf, blends, other methods, kettles, scoops. The
// packets are made up too, and their figures are no common recipe's.

type Paper = Partial<Pick<TeaFields, 'packet' | 'blend' | 'caffeine' | 'cautions'>> & {
  readonly leaf?: Partial<LeafFacts>;
  readonly methods?: readonly Method[];
  readonly next?: string;
};
export const PAPERS: Readonly<Record<string, Paper>> = {
  'Brannoch Large Leaf': {
    packet: '1½ tsp per 275 ml, boiling water, 3½ minutes',
    leaf: { form: 'twisted', season: 'autumn', traits: ['largeLeaf'] },
  },
  'Corrow Light': {
    packet: '5 g per 310 ml at 93 °C. First steep 1 min 45 s, each further steep a little longer.',
    leaf: { form: 'rolled', season: 'spring' },
    methods: ['liddedCup'],
  },
  'Corrow Roast': {
    packet: '4.5 g / 270 ml, 96 C, 100 to 140 s',
    leaf: { form: 'rolled', traits: ['roasted'] },
  },
  'Dunvarrow Roast': {
    packet: '3 level tsp per 350 ml, 187 F, 2 min 15 s',
    leaf: { form: 'whole', traits: ['roasted'] },
  },
  'Haldrin Shade': {
    packet: '5.5 g per 210 ml. Boil, let it stand 12 minutes, steep 1¾ minutes.',
    leaf: { form: 'needle', season: 'firstSpring', traits: ['shaded'] },
  },
  'Iveline First': {
    packet: '2.7 g per cup of 230 ml, 93 °C, 3 min 20 s, no longer than 4½',
    leaf: { form: 'twisted', season: 'firstSpring' },
  },
  'Kestry Pearl': {
    packet: '2 pinches per cup, just under the boil, up to 3 minutes',
    leaf: { form: 'pearl', traits: ['scented'] },
    blend: 'green tea, flowers',
  },
  'Lammer Breaks': {
    packet: '1 heaped teaspoon per 225 ml, freshly boiled water, 2¾ min',
    leaf: { form: 'broken' },
  },
  'Marrowick Broken': {
    packet: '2 scoops for a pot. Boiling water, leave 3 to 4½ minutes.',
    leaf: { form: 'broken' },
    methods: ['extract', 'fridge'],
  },
  'Mereth Mint': {
    packet: '1 large teaspoon per 260 ml, boiling, 6 minutes or longer',
    leaf: { form: 'whole' },
    cautions: 'Herbs can matter in pregnancy or with medicines: ask a pharmacist or doctor.',
  },
  'Osk Flower': {
    packet: '2 tsp per mug, 94 °C, 5 to 8 minutes, covered',
    leaf: { form: 'bud' },
    cautions: 'Herbs can matter in pregnancy or with medicines: ask a pharmacist or doctor.',
  },
  'Ostrey Deep': {
    packet: '7 g per 520 ml. Rinse 5 s. Boiling water, 80-150 s, six steeps.',
    leaf: { form: 'pressed' },
  },
  'Quillorn Steam': {
    packet: '2,2 g auf 170 ml, 68 °C, 75-100 Sekunden ziehen lassen',
    leaf: { form: 'needle', season: 'spring' },
  },
  'Sennet Hollow': {
    packet: '1 tbsp per 9 fl oz, 178 °F, 1¾ minutes',
    leaf: { form: 'flat', season: 'spring' },
    methods: ['fridge', 'counter', 'warmThenCold'],
    next: 'Lot 11, spring',
  },
  'Sennet Summer': {
    packet: '2,5 g pour 18 cl à 76 °C, infuser 1 minute 50',
    leaf: { form: 'flat', season: 'summer' },
  },
  'Sorrin Red': { packet: '1 dessert spoon per mug, boiling, 5½ minutes', leaf: { form: 'whole' } },
  'Tarn Stem': {
    packet: '1 tbsp per 9 oz, 183 F, 2-2½ minutes',
    leaf: { form: 'whole', traits: ['roasted'] },
    blend: 'green tea stem, roasted rice',
  },
  'Tolvane Amber': {
    packet: '1 tsp per cup, 97 °C, 3-4½ minutes',
    leaf: { form: 'whole' },
    methods: ['bag'],
  },
  'Ullash White Bud': {
    packet: '3 heaped tsp per 330 ml, under the boil, 4 to 5½ minutes',
    leaf: { form: 'bud', season: 'firstSpring' },
  },
  'Vennick Gold': { packet: '7 g per 560 ml, 91 °C, 3¾ minutes', leaf: { form: 'twisted' } },
};
export const paperOf = (name: string) => {
  const { packet = '', blend = '', caffeine = '', cautions = '', leaf = {} } = PAPERS[name] ?? {};
  return { packet, blend, caffeine, cautions, colour: null, leaf: { ...NO_LEAF_FACTS, ...leaf } };
};

export const KETTLES: readonly {
  readonly site: DemoSite['key'];
  readonly fields: KettleFields;
  readonly times: number;
  readonly loss: number;
  readonly minutes: readonly number[];
}[] = [
  {
    site: 'harbour',
    fields: {
      name: 'Tall kettle',
      kind: 'kettle',
      volume: 1200,
      material: 'stainless',
      lid: false,
      setPoints: { from: 60, to: 100, step: 5 },
      note: 'Lid left open off the boil.',
    } as KettleFields,
    times: 1.18,
    loss: 0.08,
    minutes: [0, 1.5, 4, 7.2, 11, 15.5, 21, 26],
  },
  {
    site: 'harbour',
    fields: {
      name: 'Counter urn',
      kind: 'urn',
      volume: 8000,
      material: 'stainless',
      lid: true,
      setPoints: null,
      note: '',
    } as KettleFields,
    times: 1,
    loss: 0.06,
    minutes: [],
  },
  {
    site: 'hut',
    fields: {
      name: 'Hut kettle',
      kind: 'kettle',
      volume: 1700,
      material: 'stainless',
      lid: true,
      setPoints: null,
      note: '',
    } as KettleFields,
    times: 1,
    loss: 0.07,
    minutes: [],
  },
];
export const SCOOPS = [
  { name: 'green scoop', ml: 18, heaped: false },
  { name: 'caddy spoon', ml: 12, heaped: true },
] as const;
