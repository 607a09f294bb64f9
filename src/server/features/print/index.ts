export { dayOnPaper, onSheets, type Paper } from './page';
import { poursIn } from './sheets';
import { PRINT_TASKS } from './tasks';
import type { Request } from 'express';
import type { Deps } from '../../deps';
import { AppError, notFound } from '../../http/errors';
import type { routes } from '../../http/route';
import { siteById } from '../accounts';
import { allTeas, teaById } from '../book';
import { vesselById, vesselsAt } from '../shelf';
import type { Tea } from '#contracts/book';
import type { Site } from '#contracts/house';
import { cardOf } from '#contracts/plan';
import {
  printBook,
  printLabel,
  printPocket,
  printScaling,
  printSpoons,
  printSwatches,
  printWallCard,
} from '#contracts/print';
import type { Vessel } from '#contracts/shelf';

/** Vessels on a card when none are named. */
const USUAL = 3;
const CUPS = new Set(['lidded', 'tasting']);
const PDF = 'application/pdf';

/** A tea in the vessels named, or the three largest that suit it. */
function poursOf(tea: Tea, shelf: readonly Vessel[], site: Site, named?: readonly string[]) {
  const { house } = tea;
  if (!house) return [];
  const small = tea.method === 'liddedCup' || tea.method === 'tastingSet';
  const chosen = named
    ? shelf.filter((v) => named.includes(v.id))
    : shelf
        .filter((v) => CUPS.has(v.kind) === small && v.kind !== 'pitcher')
        .sort((a, b) => b.mark - a.mark);
  return chosen
    .flatMap((vessel) => {
      const card = cardOf({
        tea,
        version: house,
        vessel,
        site,
        water: vessel.mark,
        warmed: house.recipe.warm,
      });
      return card.kind === 'card' ? [{ vessel, card }] : [];
    })
    .slice(0, named?.length ?? USUAL);
}
const brewAddress = (req: Request, tea: Tea, vessel: Vessel | undefined) =>
  `${req.protocol}://${req.get('host') ?? ''}/start?tea=${tea.id}&vessel=${vessel?.id ?? ''}`;

export function printRoutes(on: ReturnType<typeof routes>, { db, now, work }: Deps) {
  const siteOf = async (id: string): Promise<Site> => {
    const site = await siteById(db, id);
    if (!site) throw notFound('That site');
    return site;
  };
  const one = async (teaId: string, siteId: string, named?: string) => {
    const [tea, site] = [await teaById(db, teaId), await siteOf(siteId)];
    if (!tea?.house) throw notFound('That recipe');
    const pours = poursOf(tea, await vesselsAt(db, site.id), site, named?.split(','));
    if (pours.length === 0)
      throw new AppError(
        'brew.cannot',
        422,
        `No vessel at ${site.name} brews ${tea.name}: there is nothing to print.`,
      );
    return { tea, version: tea.house, site, pours };
  };
  const oneVessel = async (id: string) => {
    const vessel = await vesselById(db, id);
    if (!vessel) throw notFound('That vessel');
    return vessel;
  };
  const standing = async () => (await allTeas(db)).filter((t) => !t.retired);
  const something = <T>(list: readonly T[], words: string) => {
    if (list.length === 0)
      throw new AppError('brew.cannot', 422, `${words}: there is nothing to print.`);
  };

  on.file(printWallCard, async ({ params, query, who, req }) => {
    const found = await one(params.id, who.siteId, query.vessels);
    return {
      type: PDF,
      name: `${found.tea.name} wall card.pdf`,
      body: await work.run(PRINT_TASKS.wallCard, {
        ...found,
        size: query.size,
        brewUrl: brewAddress(req, found.tea, found.pours[0]?.vessel),
      }),
    };
  });
  on.file(printLabel, async ({ params, who, req }) => {
    const { tea, site, pours } = await one(params.id, who.siteId);
    return {
      type: PDF,
      name: `${tea.name} label.pdf`,
      body: await work.run(
        PRINT_TASKS.caddyLabel,
        tea,
        site,
        pours,
        brewAddress(req, tea, pours[0]?.vessel),
      ),
    };
  });
  on.file(printSwatches, async ({ params, who }) => {
    const [tea, site] = [await teaById(db, params.id), await siteOf(who.siteId)];
    if (!tea?.house) throw notFound('That recipe');
    return {
      type: PDF,
      name: `${tea.name} colours.pdf`,
      body: await work.run(PRINT_TASKS.swatchStrip, tea, tea.house, site, now()),
    };
  });
  on.file(printBook, async ({ query, who, req }) => {
    const [site, shelf] = [await siteOf(who.siteId), await vesselsAt(db, who.siteId)];
    const cards = (await standing()).flatMap((tea) => {
      const pours = poursOf(tea, shelf, site);
      return tea.house && pours.length > 0
        ? [
            {
              tea,
              version: tea.house,
              site,
              pours,
              size: query.size,
              brewUrl: brewAddress(req, tea, pours[0]?.vessel),
            },
          ]
        : [];
    });
    something(cards, 'No tea has a recipe and a vessel here');
    return {
      type: PDF,
      name: 'tea book.pdf',
      body: await work.run(PRINT_TASKS.wholeBook, cards, query.size, `Tea book, ${site.name}`),
    };
  });
  on.file(printPocket, async ({ params, query }) => {
    const vessel = await oneVessel(params.id);
    const [site, teas] = [await siteOf(vessel.siteId), await standing()];
    something(poursIn(teas, vessel, site), `Nothing is brewed in the ${vessel.name}`);
    return {
      type: PDF,
      name: `${vessel.name} pocket card.pdf`,
      body: await work.run(PRINT_TASKS.pocketCard, vessel, site, teas, query.size, now()),
    };
  });
  on.file(printScaling, async ({ params }) => {
    const vessel = await oneVessel(params.id);
    const [site, teas] = [await siteOf(vessel.siteId), await standing()];
    something(poursIn(teas, vessel, site), `Nothing is brewed in the ${vessel.name}`);
    return {
      type: PDF,
      name: `${vessel.name} scaling sheet.pdf`,
      body: await work.run(PRINT_TASKS.scalingSheet, vessel, site, teas, now()),
    };
  });
  on.file(printSpoons, async ({ who }) => {
    const [site, teas] = [await siteOf(who.siteId), await standing()];
    something(teas, 'No tea in the book yet');
    return {
      type: PDF,
      name: 'spoons.pdf',
      body: await work.run(PRINT_TASKS.spoonSheet, site, teas, now()),
    };
  });
}
