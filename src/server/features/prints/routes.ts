import type { Request } from 'express';
import type { Label } from '#core/labels';
import { isCold, recipeJsonLd, WISH_STRENGTHS } from '#core/recipes';
import { recipeFor } from '#core/teas';
import { millilitres } from '#core/units';
import {
  getRecipeJsonLd,
  printBook,
  printGuest,
  printLabel,
  printPocket,
  printScaling,
  printSpoons,
  printSwatches,
  printWallCard,
} from '#contracts/prints';
import type { Site } from '#contracts/sites';
import type { Db } from '../../db/pool';
import type { Deps } from '../../deps';
import { AppError, notFound } from '../../http/errors';
import type { routes, Signed } from '../../http/route';
import { siteById } from '../people';
import { allTeas, teaById } from '../teas';
import { vesselById, vesselsAt } from '../vessels';
import { caddyLines } from './caddyLines';
import { guestPour } from './guestCard';
import { poursOf, startAddress } from './pours';
import { PRINT_TASKS } from './tasks';

const PDF = 'application/pdf';

const originOf = (req: Request) => `${req.protocol}://${req.get('host') ?? ''}`;

/** A tea with its recipe and what it is brewed in at a site. */
function brewable(db: Db) {
  const siteOf = async (id: string): Promise<Site> => {
    const site = await siteById(db, id);
    if (!site) throw notFound('That site');
    return site;
  };
  const one = async (teaId: string, siteId: string, named?: string) => {
    const [tea, site] = [await teaById(db, teaId, siteId), await siteOf(siteId)];
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
  return { siteOf, one };
}
/** The label of a caddy, for label printers. */
export function teaLabels({ db }: Deps) {
  const { one } = brewable(db);
  return async (id: string, who: Signed, origin: string): Promise<Label> => {
    const { tea, site, pours } = await one(id, who.siteId);
    return caddyLines(tea, site, pours, startAddress(origin, tea, pours[0]?.vessel));
  };
}

export function printRoutes(on: ReturnType<typeof routes>, { db, now, work }: Deps) {
  const { siteOf, one } = brewable(db);
  const oneVessel = async (id: string) => {
    const vessel = await vesselById(db, id);
    if (!vessel) throw notFound('That vessel');
    return vessel;
  };
  const standing = async (siteId: string) => (await allTeas(db, siteId)).filter((t) => !t.retired);
  const something = (paper: Uint8Array | null, words: string): Uint8Array => {
    if (paper) return paper;
    throw new AppError('brew.cannot', 422, `${words}: there is nothing to print.`);
  };

  on.file(printWallCard, async ({ params, query, who, req }) => {
    const found = await one(params.id, who.siteId, query.vessels);
    return {
      type: PDF,
      name: `${found.tea.name} wall card.pdf`,
      body: await work.kept(PRINT_TASKS.wallCard, {
        ...found,
        size: query.size,
        brewUrl: startAddress(originOf(req), found.tea, found.pours[0]?.vessel),
      }),
    };
  });
  on.file(printLabel, async ({ params, who, req }) => {
    const { tea, site, pours } = await one(params.id, who.siteId);
    return {
      type: PDF,
      name: `${tea.name} label.pdf`,
      body: await work.kept(
        PRINT_TASKS.caddyLabel,
        tea,
        site,
        pours,
        startAddress(originOf(req), tea, pours[0]?.vessel),
      ),
    };
  });
  on.file(printGuest, async ({ params, query, who }) => {
    const [tea, site] = [await teaById(db, params.id, who.siteId), await siteOf(who.siteId)];
    const recipe = tea && recipeFor(tea, 'pot');
    if (!tea || !recipe?.house || isCold(recipe.method)) throw notFound('A hot recipe of this tea');
    const version = recipe.house;
    const { spoon, volume, degrees, milk, size } = query;
    const strength = WISH_STRENGTHS.find((s) => String(s) === query.strength) ?? 0;
    const pot = { spoon, volume, degrees, water: millilitres(query.water) };
    const asked = { tea, version, site, size, pot: { ...pot, wish: { strength, milk } } };
    return {
      type: PDF,
      name: `${tea.name} guest card.pdf`,
      body: something(
        await work.run(PRINT_TASKS.guestCard, asked),
        `${tea.name} cannot be brewed in a pot of this size`,
      ),
    };
  });
  on.file(getRecipeJsonLd, async ({ params, query, who }) => {
    const [tea, site] = [await teaById(db, params.id, who.siteId), await siteOf(who.siteId)];
    const version = tea && recipeFor(tea, 'pot')?.house;
    if (!tea || !version || isCold(version.method)) throw notFound('A hot recipe of this tea');
    const wish = { strength: 0 as const, milk: query.milk };
    const measures = { spoon: 'metricTeaspoon', volume: 'ml', degrees: 'C' } as const;
    const pot = { ...measures, water: millilitres(query.water), wish };
    const card = guestPour({ tea, version, site, pot });
    if (card.kind !== 'card') throw notFound('A card of this tea in a pot of this size');
    const { name, allergens, cautions, blend } = tea;
    const { lid, later } = version.recipe;
    const again = later.map((w) => w.best);
    const page = { name, allergens, cautions, blend, lid, house: site.name, later: again };
    const recipe = recipeJsonLd(card, page);
    return {
      type: 'application/ld+json',
      name: `${name}.jsonld`,
      // Within a page's script element no tag may begin.
      body: Buffer.from(JSON.stringify(recipe).replaceAll('<', '\\u003c')),
    };
  });
  on.file(printSwatches, async ({ params, who }) => {
    const [tea, site] = [await teaById(db, params.id, who.siteId), await siteOf(who.siteId)];
    if (!tea?.house) throw notFound('That recipe');
    return {
      type: PDF,
      name: `${tea.name} colours.pdf`,
      body: await work.run(PRINT_TASKS.swatchStrip, tea, tea.house, site, now()),
    };
  });
  on.file(printBook, async ({ query, who, req }) => {
    const [site, shelf] = [await siteOf(who.siteId), await vesselsAt(db, who.siteId)];
    const body = await work.kept(
      PRINT_TASKS.book,
      await standing(who.siteId),
      shelf,
      site,
      query.size,
      originOf(req),
    );
    return {
      type: PDF,
      name: 'tea book.pdf',
      body: something(body, 'No tea has a recipe and a vessel here'),
    };
  });
  on.file(printPocket, async ({ params, query }) => {
    const vessel = await oneVessel(params.id);
    const [site, teas] = [await siteOf(vessel.siteId), await standing(vessel.siteId)];
    return {
      type: PDF,
      name: `${vessel.name} pocket card.pdf`,
      body: something(
        await work.run(PRINT_TASKS.pocketCard, vessel, site, teas, query.size, now()),
        `Nothing is brewed in the ${vessel.name}`,
      ),
    };
  });
  on.file(printScaling, async ({ params }) => {
    const vessel = await oneVessel(params.id);
    const [site, teas] = [await siteOf(vessel.siteId), await standing(vessel.siteId)];
    return {
      type: PDF,
      name: `${vessel.name} scaling sheet.pdf`,
      body: something(
        await work.run(PRINT_TASKS.scalingSheet, vessel, site, teas, now()),
        `Nothing is brewed in the ${vessel.name}`,
      ),
    };
  });
  on.file(printSpoons, async ({ who }) => {
    const [site, teas] = [await siteOf(who.siteId), await standing(who.siteId)];
    const body = await work.run(PRINT_TASKS.spoonSheet, site, teas, now());
    return { type: PDF, name: 'spoons.pdf', body: something(body, 'No tea in the book yet') };
  });
}
