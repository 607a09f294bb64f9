import { numberText, parseVolume, parseWithin, type VolumeUnit } from '#core/units';
import { vesselFaults } from '#core/vessels';
import type { VesselFields } from '#contracts/vessels';

/** A vessel as its form holds it: as typed. */
export type VesselForm = {
  name: string;
  kind: VesselFields['kind'];
  material: VesselFields['material'];
  infuser: VesselFields['infuser'];
  brim: string;
  mark: string;
  basket: string;
  wall: string;
  lid: boolean;
  cosy: boolean;
  strainer: VesselFields['strainer'];
  dead: string;
  covers: string;
  depth: string;
};
export const emptyVessel: VesselForm = {
  name: '',
  kind: 'pot',
  material: 'porcelain',
  infuser: 'deep',
  brim: '',
  mark: '',
  basket: '',
  wall: '',
  lid: true,
  cosy: false,
  strainer: 'liftsOut',
  dead: '',
  covers: '',
  depth: '',
};
export const vesselFormOf = (v: VesselFields): VesselForm => ({
  name: v.name,
  kind: v.kind,
  material: v.material,
  infuser: v.infuser,
  lid: v.lid,
  cosy: v.cosy,
  strainer: v.strainer,
  dead: v.dead ? `${numberText(v.dead, 0)} ml` : '',
  covers: v.covers === null ? '' : `${numberText(v.covers, 0)} ml`,
  depth: v.basketDepth === null ? '' : numberText(v.basketDepth),
  brim: `${numberText(v.brim, 0)} ml`,
  mark: `${numberText(v.mark, 0)} ml`,
  basket: v.basket === null ? '' : `${numberText(v.basket, 0)} ml`,
  wall: v.wallGrams === null ? '' : numberText(v.wallGrams, 0),
});

/** Reads the form, naming each fault beside its field; null when something is not right. */
export function vesselFieldsOf(
  v: VesselForm,
  unit: VolumeUnit,
  fault: (name: keyof VesselForm, message: string) => void,
  weighed: VesselFields['weighed'] = null,
): VesselFields | null {
  let good = true;
  const bad = (name: keyof VesselForm, why: string) => {
    fault(name, why);
    good = false;
  };
  const volume = (name: 'brim' | 'mark' | 'basket' | 'dead' | 'covers', least: number) => {
    const p = parseVolume(v[name], unit);
    if (p.kind === 'bad')
      bad(
        name,
        v[name].trim() === '' ? 'Measure it once with a scale: 1 g of water is 1 ml.' : p.why,
      );
    else if (p.value < least)
      bad(name, `${Math.round(p.value)} ml is too little: at least ${least} ml.`);
    else if (p.value > 20_000)
      bad(name, `${Math.round(p.value)} ml is more than any vessel here: at most 20 000 ml.`);
    else return Math.round(p.value * 10) / 10;
    return 0;
  };
  if (v.name.trim() === '') bad('name', 'Give it a name.');
  const brim = volume('brim', 30);
  const mark = volume('mark', 20);
  const basket = v.basket.trim() === '' || v.infuser === 'free' ? null : volume('basket', 5);
  let wall: number | null = null;
  if (v.wall.trim() !== '') {
    const w = parseWithin(v.wall, 'Weight', 'g', 5, 20_000);
    if (w.kind === 'bad') bad('wall', w.why);
    else wall = w.value;
  }
  const dead = v.dead.trim() === '' ? 0 : volume('dead', 1);
  const covers = v.covers.trim() === '' ? null : volume('covers', 5);
  let depth: number | null = null;
  if (v.depth.trim() !== '') {
    const d = parseWithin(v.depth, 'Depth', 'mm', 5, 500);
    if (d.kind === 'bad') bad('depth', d.why);
    else depth = d.value;
  }
  const fields = {
    name: v.name.trim(),
    kind: v.kind,
    brim,
    mark,
    infuser: v.infuser,
    basket,
    material: v.material,
    wallGrams: wall,
    lid: v.lid,
    cosy: v.cosy,
    strainer: v.strainer,
    dead,
    covers,
    basketDepth: depth,
    weighed,
  } as VesselFields;
  if (good)
    for (const [name, why] of Object.entries(vesselFaults(fields)))
      bad(name as keyof VesselForm, why);
  return good ? fields : null;
}
