import { v7 } from 'uuid';
import { METHOD_NAMES, METHODS } from '#core/recipes';
import { STYLE_IDS, styleOf } from '#core/styles';
import {
  LEAF_FORM_NAMES,
  LEAF_FORMS,
  missedAllergens,
  NO_LEAF_FACTS,
  SEASON_NAMES,
  SEASONS,
  TRAIT_NAMES,
  TRAITS,
} from '#core/teas';
import { grams } from '#core/units';
import type { TeaFields } from '#contracts/teas';
import { teaRecord } from '../../teas';
import { alike } from '../records';
import { type Doing, type Out, type Read, twice } from './shared';

export const teaRows = ({ here }: Doing, out: Out) => {
  const seen = new Map<string, number>();
  return (r: Read) => {
    const name = r.text('tea', 60);
    if (name === '') r.fault('tea', 'This cell is empty.');
    else twice(r, 'tea', seen, name.toLowerCase());
    const found = here.teas.find((t) => t.name.toLowerCase() === name.toLowerCase()) ?? null;
    const was = found ? teaRecord(found) : null;
    const kept = <K extends keyof TeaFields>(column: string, field: K, most: number) =>
      r.has(column) ? r.text(column, most) : ((was?.[field] as string | undefined) ?? '');
    const style = r.oneOf('style', STYLE_IDS, (s) => styleOf(s).kind);
    const method = r.has('method')
      ? r.oneOf('method', METHOD_NAMES, (m) => METHODS[m].label, was?.method ?? 'pot')
      : (was?.method ?? 'pot');
    const form =
      r.has('form') && r.says('form')
        ? r.oneOf('form', LEAF_FORM_NAMES, (f) => LEAF_FORMS[f])
        : (was?.leaf.form ?? null);
    const season =
      r.has('season') && r.says('season')
        ? r.oneOf('season', SEASON_NAMES, (s) => SEASONS[s])
        : (was?.leaf.season ?? null);
    const traits = r.has('traits')
      ? r
          .says('traits')
          .split(/[,/]\s*/)
          .filter(Boolean)
          .flatMap((t) => {
            const known = TRAIT_NAMES.find(
              (n) =>
                n.toLowerCase() === t.toLowerCase() || TRAITS[n].toLowerCase() === t.toLowerCase(),
            );
            if (!known)
              r.fault(
                'traits',
                `“${t}” is not known here: ${TRAIT_NAMES.map((n) => TRAITS[n]).join(', ')}.`,
              );
            return known ? [known] : [];
          })
      : (was?.leaf.traits ?? NO_LEAF_FACTS.traits);
    const [blend, allergens] = [kept('blend', 'blend', 200), kept('allergens', 'allergens', 200)];
    const missed = missedAllergens(`${blend} ${name}`, allergens);
    if (missed.length > 0)
      r.fault(
        r.has('allergens') ? 'allergens' : 'tea',
        `A blend with ${missed.join(' and ')} names no such allergen.`,
      );
    const spoonWords = r.has('spoon') ? r.says('spoon') : '';
    const spoon =
      spoonWords === ''
        ? (was?.spoon ?? 'dessertSpoon')
        : here.spoons.find(
            (s) => s.id === spoonWords || s.name.toLowerCase() === spoonWords.toLowerCase(),
          )?.id;
    if (spoon === undefined)
      r.fault('spoon', `No such spoon on the shelf: ${here.spoons.map((s) => s.name).join(', ')}.`);
    const grams_ = r.has('weighed')
      ? r.number('weighed', { min: 0.1, max: 1000, unit: 'g' })
      : null;
    const spoons = r.has('spoons') ? r.number('spoons', { min: 0.25, max: 100, unit: '' }) : null;
    if (grams_ !== null && spoons === null) r.fault('weighed', 'Say how many spoons that were.');
    const weighing = weighingOf(was?.weighing ?? null, grams_, spoons, spoon);
    const retired = r.has('retired')
      ? r.flag('retired', was?.retired ?? false)
      : (was?.retired ?? false);
    if (!style || !method || spoon === undefined) return null;
    const after = {
      name: found?.name ?? name,
      style,
      method,
      words: kept('words', 'words', 200),
      allergens,
      note: kept('note', 'note', 500),
      leaf: { form, season, traits },
      blend,
      packet: kept('packet', 'packet', 500),
      caffeine: kept('caffeine', 'caffeine', 120),
      cautions: kept('cautions', 'cautions', 300),
      colour: was?.colour ?? null,
      weighing,
      spoon,
      retired,
    };
    return () => {
      if (found && was && alike(was, after)) out.same += 1;
      else
        out.steps.push(
          found && was
            ? {
                thing: 'tea',
                what: 'changed',
                id: found.id,
                name,
                row: r.row,
                rev: found.rev,
                before: was,
                after,
              }
            : { thing: 'tea', what: 'added', id: v7(), name, row: r.row, after },
        );
    };
  };
};

/** The weighing of a row: as it was where the row says nothing new. */
function weighingOf(
  was: TeaFields['weighing'],
  weighed: number | null,
  spoons: number | null,
  spoon: string | undefined,
): TeaFields['weighing'] {
  if (weighed === null || spoons === null || spoon === undefined) return was;
  const isAsBefore =
    was !== null &&
    Math.abs(was.weighed - weighed) < 1e-9 &&
    was.spoons === spoons &&
    was.spoon === spoon;
  return isAsBefore ? was : { spoon, spoons, weighed: grams(weighed), singles: [] };
}
