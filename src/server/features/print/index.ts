import { wallCard } from './wallCard';
import type { Deps } from '../../deps';
import { AppError, notFound } from '../../http/errors';
import type { routes } from '../../http/route';
import { siteById } from '../accounts';
import { teaById } from '../book';
import { vesselsAt } from '../shelf';
import { cardOf } from '#contracts/plan';
import { printWallCard } from '#contracts/print';

/** Vessels on a card when none are named. */
const USUAL = 3;
const CUPS = new Set(['lidded', 'tasting']);

export function printRoutes(on: ReturnType<typeof routes>, { db }: Deps) {
  on.file(printWallCard, async ({ params, query, who, req }) => {
    const [tea, site] = [await teaById(db, params.id), await siteById(db, who.siteId)];
    if (!tea?.house || !site) throw notFound('That recipe');
    const { house } = tea;
    const shelf = await vesselsAt(db, site.id);
    const named = query.vessels?.split(',');
    const small = tea.method === 'liddedCup' || tea.method === 'tastingSet';
    const chosen = named ? shelf.filter((v) => named.includes(v.id)) : shelf.filter((v) => CUPS.has(v.kind) === small).sort((a, b) => b.mark - a.mark);
    const pours = chosen.flatMap((vessel) => {
      const card = cardOf({ tea, version: house, vessel, site, water: vessel.mark, warmed: house.recipe.warm });
      return card.kind === 'card' ? [{ vessel, card }] : [];
    }).slice(0, named?.length ?? USUAL);
    if (pours.length === 0) throw new AppError('brew.cannot', 422, `No vessel at ${site.name} brews ${tea.name}: there is nothing to print.`);
    const first = pours[0]?.vessel.id ?? '';
    return {
      type: 'application/pdf', name: `${tea.name} wall card.pdf`,
      body: await wallCard({ tea, version: house, site, pours, size: query.size, brewUrl: `${req.protocol}://${req.get('host') ?? ''}/start?tea=${tea.id}&vessel=${first}` }),
    };
  });
}
