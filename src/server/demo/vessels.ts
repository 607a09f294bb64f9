import type { VesselFields } from '#contracts/vessels';
import type { DemoSite } from './house';

const UNSAID = {
  wallGrams: null,
  cosy: false,
  strainer: 'liftsOut',
  dead: 0,
  covers: null,
  basketDepth: null,
  weighed: null,
} as const;

type V = Omit<VesselFields, keyof typeof UNSAID>;

export const vessel = (v: { [K in keyof V]: V[K] extends number | null ? number | null : V[K] }) =>
  ({ ...v, ...UNSAID }) as VesselFields;

export const VESSELS: readonly { site: DemoSite['key']; fields: VesselFields }[] = [
  {
    site: 'harbour',
    fields: vessel({
      name: 'Grey pot',
      kind: 'pot',
      brim: 960,
      mark: 800,
      basket: 330,
      infuser: 'deep',
      material: 'stoneware',
      lid: true,
    }),
  },
  {
    site: 'harbour',
    fields: vessel({
      name: 'Glass pot',
      kind: 'pot',
      brim: 760,
      mark: 600,
      basket: 250,
      infuser: 'deep',
      material: 'glass',
      lid: true,
    }),
  },
  {
    site: 'harbour',
    fields: vessel({
      name: 'White pot',
      kind: 'pot',
      brim: 620,
      mark: 500,
      basket: 230,
      infuser: 'deep',
      material: 'porcelain',
      lid: true,
    }),
  },
  {
    site: 'harbour',
    fields: vessel({
      name: 'Small pot',
      kind: 'pot',
      brim: 360,
      mark: 300,
      basket: 130,
      infuser: 'deep',
      material: 'porcelain',
      lid: true,
    }),
  },
  {
    site: 'harbour',
    fields: vessel({
      name: 'Release steeper',
      kind: 'release',
      brim: 470,
      mark: 400,
      basket: 300,
      infuser: 'deep',
      material: 'plastic',
      lid: true,
    }),
  },
  {
    site: 'harbour',
    fields: vessel({
      name: 'Lidded mug',
      kind: 'mug',
      brim: 380,
      mark: 320,
      basket: 150,
      infuser: 'deep',
      material: 'stoneware',
      lid: true,
    }),
  },
  {
    site: 'harbour',
    fields: vessel({
      name: 'Ball mug',
      kind: 'mug',
      brim: 330,
      mark: 280,
      basket: 30,
      infuser: 'ball',
      material: 'porcelain',
      lid: false,
    }),
  },
  {
    site: 'harbour',
    fields: vessel({
      name: 'Lidded cup',
      kind: 'lidded',
      brim: 150,
      mark: 120,
      basket: null,
      infuser: 'free',
      material: 'porcelain',
      lid: true,
    }),
  },
  {
    site: 'harbour',
    fields: vessel({
      name: 'Tasting set',
      kind: 'tasting',
      brim: 170,
      mark: 150,
      basket: null,
      infuser: 'free',
      material: 'porcelain',
      lid: true,
    }),
  },
  {
    site: 'harbour',
    fields: vessel({
      name: 'Cold pitcher',
      kind: 'pitcher',
      brim: 1150,
      mark: 1000,
      basket: 300,
      infuser: 'deep',
      material: 'glass',
      lid: true,
    }),
  },
  {
    site: 'harbour',
    fields: vessel({
      name: 'Small pitcher',
      kind: 'pitcher',
      brim: 620,
      mark: 500,
      basket: 180,
      infuser: 'deep',
      material: 'glass',
      lid: true,
    }),
  },
  {
    site: 'hut',
    fields: vessel({
      name: 'Iron pot',
      kind: 'pot',
      brim: 900,
      mark: 750,
      basket: 300,
      infuser: 'deep',
      material: 'castiron',
      lid: true,
    }),
  },
  {
    site: 'hut',
    fields: vessel({
      name: 'Tin pot',
      kind: 'pot',
      brim: 1150,
      mark: 1000,
      basket: 320,
      infuser: 'deep',
      material: 'stainless',
      lid: true,
    }),
  },
  {
    site: 'hut',
    fields: vessel({
      name: 'Blue pot',
      kind: 'pot',
      brim: 560,
      mark: 450,
      basket: 200,
      infuser: 'deep',
      material: 'stoneware',
      lid: true,
    }),
  },
  {
    site: 'hut',
    fields: vessel({
      name: 'Hut mug',
      kind: 'mug',
      brim: 350,
      mark: 300,
      basket: 120,
      infuser: 'deep',
      material: 'stoneware',
      lid: true,
    }),
  },
  {
    site: 'hut',
    fields: vessel({
      name: 'Flask cup',
      kind: 'mug',
      brim: 420,
      mark: 350,
      basket: null,
      infuser: 'free',
      material: 'stainless',
      lid: true,
    }),
  },
];
