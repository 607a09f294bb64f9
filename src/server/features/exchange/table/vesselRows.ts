import { v7 } from 'uuid';
import { MATERIAL_NAMES, MATERIALS } from '#core/heat';
import { grams, millilitres } from '#core/units';
import { INFUSER_KINDS, INFUSERS, PROFILES, VESSEL_KINDS, vesselFaults } from '#core/vessels';
import type { VesselFields } from '#contracts/vessels';
import { alike, vesselRecord } from '../records';
import { type Doing, type Out, type Read, twice } from './shared';

export const vesselRows = ({ here }: Doing, out: Out) => {
  const seen = new Map<string, number>();
  return (r: Read) => {
    const siteWords = r.has('site') ? r.says('site') : (here.sites[0]?.name ?? '');
    const site = here.sites.find((s) => s.name.toLowerCase() === siteWords.toLowerCase());
    if (!site)
      r.fault(
        'site',
        `No site of this name: here are ${here.sites.map((s) => s.name).join(', ')}.`,
        here.sites.length ? 'open' : 'refused',
        '',
        here.sites.slice(0, 4).map((s) => ({ words: s.name, says: s.name })),
      );
    const name = r.text('vessel', 60);
    if (name === '') r.fault('vessel', 'This cell is empty.');
    else twice(r, 'vessel', seen, `${site?.id} ${name.toLowerCase()}`);
    const found =
      here.vessels.find(
        (v) => v.siteId === site?.id && v.name.toLowerCase() === name.toLowerCase(),
      ) ?? null;
    const was = found ? vesselRecord(found) : null;
    const kind = r.oneOf('kind', VESSEL_KINDS, (k) => PROFILES[k].label);
    const [mark, brim] = [
      r.volume('mark', { min: 20, max: 20_000, required: true }),
      r.volume('brim', { min: 30, max: 20_000, required: true }),
    ];
    const infuser = r.has('infuser')
      ? r.oneOf('infuser', INFUSER_KINDS, (k) => INFUSERS[k].label, was?.infuser ?? 'free')
      : (was?.infuser ?? 'free');
    const material = r.has('material')
      ? r.oneOf('material', MATERIAL_NAMES, (m) => MATERIALS[m].label, was?.material ?? 'porcelain')
      : (was?.material ?? 'porcelain');
    const strainer = r.has('strainer')
      ? r.oneOf(
          'strainer',
          ['liftsOut', 'staysIn'] as const,
          (s) => (s === 'liftsOut' ? 'lifts out' : 'stays in'),
          was?.strainer ?? 'liftsOut',
        )
      : (was?.strainer ?? 'liftsOut');
    const volume = (column: string, otherwise: number | null, most = 20_000) =>
      r.has(column)
        ? r.volume(column, { min: column === 'stays' ? 0.1 : 5, max: most })
        : otherwise;
    const basket = infuser === 'free' ? null : volume('basket', was?.basket ?? null);
    const covers = volume('covers', was?.covers ?? null);
    const dead =
      r.has('stays') && (r.says('stays') === '0' || r.says('stays') === '')
        ? 0
        : (volume('stays', was?.dead ?? 0, 2000) ?? 0);
    const weighs = r.has('weighs')
      ? r.number('weighs', { min: 5, max: 20_000, unit: 'g' })
      : (was?.wallGrams ?? null);
    const retired = r.has('retired')
      ? r.flag('retired', was?.retired ?? false)
      : (was?.retired ?? false);
    if (!site || !kind || mark === null || brim === null || !infuser || !material || !strainer)
      return null;
    const fields: VesselFields = {
      name: found?.name ?? name,
      kind,
      brim: millilitres(brim),
      mark: millilitres(mark),
      infuser,
      basket: basket === null ? null : millilitres(basket),
      material,
      wallGrams: weighs === null ? null : grams(weighs),
      lid: r.has('lid') ? r.flag('lid', was?.lid ?? true) : (was?.lid ?? true),
      cosy: r.has('cosy') ? r.flag('cosy', was?.cosy ?? false) : (was?.cosy ?? false),
      strainer,
      dead: millilitres(dead),
      covers: covers === null ? null : millilitres(covers),
      basketDepth: was?.basketDepth ?? null,
      weighed: was?.weighed ?? null,
    };
    for (const [field, why] of Object.entries(vesselFaults(fields)))
      r.fault(field === 'dead' ? 'stays' : field, why);
    const after = { ...fields, retired, siteId: site.id };
    return () => {
      if (found && was && alike(was, after)) out.same += 1;
      else
        out.steps.push(
          found && was
            ? {
                thing: 'vessel',
                what: 'changed',
                id: found.id,
                name,
                row: r.row,
                rev: found.rev,
                before: was,
                after,
              }
            : { thing: 'vessel', what: 'added', id: v7(), name, row: r.row, after },
        );
    };
  };
};
