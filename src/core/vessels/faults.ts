import type { Millilitres } from '#core/units';

type Measures = {
  readonly brim: Millilitres;
  readonly mark: Millilitres;
  readonly basket: Millilitres | null;
  readonly covers: Millilitres | null;
  readonly dead: Millilitres;
};

/**
 * What is wrong between the volumes of a vessel, which no single figure can show.
 *
 * @returns a sentence by the name of the figure to mend; empty when all fit together
 */
export function vesselFaults(v: Measures): Partial<Record<keyof Measures, string>> {
  const faults: Partial<Record<keyof Measures, string>> = {};
  if (v.mark > v.brim) faults.mark = `The mark cannot stand over the brim, ${v.brim} ml.`;
  if (v.basket !== null && v.basket > v.brim)
    faults.basket = `A basket cannot hold more than the vessel, ${v.brim} ml.`;
  if (v.covers !== null && v.covers > v.mark)
    faults.covers = `What covers the leaf cannot be more than the mark, ${v.mark} ml.`;
  if (v.dead >= v.mark) faults.dead = `Less than the mark, ${v.mark} ml, must stay in it.`;
  return faults;
}
