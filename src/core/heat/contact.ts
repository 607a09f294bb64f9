import { type Celsius, celsius, type Grams, type Millilitres } from '#core/units';

/** Liquid water, 0 to 100 C: 4.178 to 4.219 J/(g K); one value holds within 1 % (CRC Handbook). */
export const WATER_SPECIFIC_HEAT = 4.19;
/** Dry leaf, J/(g K): from memory. */
export const LEAF_SPECIFIC_HEAT = 1.6;

/**
 * Walls: specific heat J/(g K) (handbook), mass of a 500 ml vessel g and the share of it that takes part in the
 * first minutes (from memory, fitted to common practice: boiling water into a cold pot peaks below 90 C).
 */
export const MATERIALS = {
  glass: { label: 'glass', c: 0.84, g500: 320, engaged: 0.85 },
  porcelain: { label: 'porcelain', c: 0.93, g500: 400, engaged: 0.8 },
  stoneware: { label: 'stoneware', c: 0.9, g500: 520, engaged: 0.7 },
  castiron: { label: 'cast iron', c: 0.46, g500: 1200, engaged: 0.9 },
  stainless: { label: 'stainless steel', c: 0.5, g500: 250, engaged: 0.9 },
  plastic: { label: 'plastic', c: 1.7, g500: 90, engaged: 0.6 },
  none: { label: 'no wall', c: 0, g500: 0, engaged: 0 },
} as const;
export type Material = keyof typeof MATERIALS;
export const MATERIAL_NAMES = Object.keys(MATERIALS) as readonly Material[];

/** Wall temperature of a vessel warmed a third full of hot water for 15 s or more, poured away: from memory. */
export const WARMED_WALL = celsius(75);

/** Heat capacity J/K of a whole wall. Mass scales as (capacity/500)^0.75 unless weighed. */
export function wallHeatCapacity(
  material: Material,
  capacity: Millilitres,
  weighed?: Grams,
): number {
  const m = MATERIALS[material];
  const root = Math.sqrt(capacity / 500);
  const mass = weighed ?? m.g500 * root * Math.sqrt(root); // to the power 3/4
  return mass * m.c;
}
/** Heat capacity J/K of the part of a wall that water meets in the first minutes. */
export const engagedHeatCapacity = (
  material: Material,
  capacity: Millilitres,
  weighed?: Grams,
): number => MATERIALS[material].engaged * wallHeatCapacity(material, capacity, weighed);

export type Contact = {
  readonly water: Grams;
  readonly waterAt: Celsius;
  readonly material: Material;
  readonly capacity?: Millilitres;
  readonly wallGrams?: Grams;
  readonly wallAt: Celsius;
  readonly leaf: Grams;
  readonly leafAt: Celsius;
};

/** cw V, Cw and 1.6 m of one contact, J/K. */
function capacities(c: Omit<Contact, 'waterAt'>) {
  const wall = engagedHeatCapacity(c.material, (c.capacity ?? c.water) as Millilitres, c.wallGrams);
  return { water: WATER_SPECIFIC_HEAT * c.water, wall, leaf: LEAF_SPECIFIC_HEAT * c.leaf };
}

/**
 * Temperature on the leaf just after water meets wall and leaf, before any loss to air.
 * @throws {RangeError} unless the water mass is positive.
 */
export function firstContact(c: Contact): Celsius {
  if (!(c.water > 0)) throw new RangeError('no water');
  const h = capacities(c);
  return celsius(
    (h.water * c.waterAt + h.wall * c.wallAt + h.leaf * c.leafAt) / (h.water + h.wall + h.leaf),
  );
}

/** The water temperature that lands on `target` after first contact: the inverse of `firstContact`. */
export function arrivalFor(target: Celsius, c: Omit<Contact, 'waterAt'>): Celsius {
  if (!(c.water > 0)) throw new RangeError('no water');
  const h = capacities(c);
  return celsius(
    (target * (h.water + h.wall + h.leaf) - h.wall * c.wallAt - h.leaf * c.leafAt) / h.water,
  );
}

/** Share of the difference to the air that is lost in the pour: from memory, 0.05 short stream, 0.12 high or thin. */
export const POUR_LOSS = 0.07;

/** Water temperature after it has fallen from the kettle. */
export const afterPour = (kettle: Celsius, ambient: Celsius, loss: number): Celsius =>
  celsius(kettle - loss * (kettle - ambient));
/** The kettle temperature whose pour arrives at `arrive`. */
export const beforePour = (arrive: Celsius, ambient: Celsius, loss: number): Celsius =>
  celsius((arrive - loss * ambient) / (1 - loss));
/** What water that makes so much on the leaf of a warmed vessel comes to in one that nobody warmed, °C. */
export function inColdVessel(onLeaf: Celsius, c: Omit<Contact, 'waterAt' | 'wallAt'>): Celsius {
  const waterAt = arrivalFor(onLeaf, { ...c, wallAt: WARMED_WALL });
  return firstContact({ ...c, waterAt, wallAt: c.leafAt });
}
