import { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { addBrewEvent, addOrder, changeOrder, getBar, getBrew, startBrew } from '#contracts/brews';
import {
  dropBrewPhoto,
  exportBrews,
  getBrewPhoto,
  getCorrections,
  getPulls,
  getTrends,
  listBrews,
  type LogPart,
  type LogQuery,
  setBrewPhoto,
} from '#contracts/log';
import type { Db } from '../../db/pool';
import type { Deps } from '../../deps';
import { AppError } from '../../http/errors';
import type { routes, Signed } from '../../http/route';
import { mayRead, siteRead } from '../../http/sites';
import type { LiveHub } from '../live';
import { exported } from './export';
import { countsOf, logCounts, logPage } from './log';
import { queueing } from './orders';
import { brewPictures } from './photo';
import { brewers } from './repository';
import { createBrewService } from './service';
import { knownTerms } from './terms';
import { correctionsOf, trendsOf } from './trends';

/** A whole log is read out for so many at once. */
const MOST_EXPORTS = 3;
/** What one person did, picked out, is for that person and for leads. @throws 403 for anybody else. */
function mustBeOwn(personId: string | undefined, who: Signed): void {
  if (personId && personId !== who.personId && who.role !== 'lead')
    throw new AppError(
      'session.forbidden',
      403,
      'Somebody’s own figures are for them and for their lead.',
    );
}

export function brewRoutes(
  on: ReturnType<typeof routes>,
  deps: Deps,
  live: Pick<LiveHub, 'nudge'>,
) {
  const { db, now } = deps;
  let exporting = 0;
  const brews = createBrewService(deps, live);
  const queue = queueing(deps, live);
  on.signed(getBar, ({ who }) => brews.bar(who.siteId));
  on.signed(startBrew, ({ body, who }) => brews.start(body, who));
  on.signed(addBrewEvent, ({ params, body, who }) => brews.event(params.id, body, who));
  on.signed(getPulls, ({ params, who }) => brews.pulls(params.id, who.siteId));
  on.signed(getBrew, ({ params, who }) => brews.one(params.id, who));
  const pictures = brewPictures(deps);
  on.signed(setBrewPhoto, ({ params, query, body, who }) =>
    pictures.set(params.id, query.id, body, who),
  );
  on.signed(dropBrewPhoto, ({ params, who }) => pictures.drop(params.id, who));
  on.file(getBrewPhoto, async ({ params, who }) => ({
    type: 'image/jpeg',
    name: 'cup.jpg',
    body: await pictures.bytes(params.id, who),
  }));
  on.signed(listBrews, async ({ query: asked, who }) => {
    mustBeOwn(asked.personId, who);
    const query = { ...asked, siteId: siteRead(who, asked.siteId) };
    const [page, people, terms] = await Promise.all([
      logPage(db, query),
      brewers(db),
      query.before ? [] : knownTerms(db),
    ]);
    // A page that is all there is counts itself: nothing more is to be found, and looking for it takes longest.
    const counts = await countsFor(query, page, db);
    return { ...page, counts, people, terms };
  });
  on.stream(exportBrews, async ({ params, query: asked, res, who }) => {
    mustBeOwn(asked.personId, who);
    const query = { ...asked, siteId: siteRead(who, asked.siteId) };
    res.type(params.form === 'csv' ? 'text/csv; charset=utf-8' : 'application/json; charset=utf-8');
    res.setHeader('content-disposition', `attachment; filename="brews.${params.form}"`);
    if (exporting >= MOST_EXPORTS)
      throw new AppError(
        'server.busy',
        503,
        'The server is saving the log for other people. Try again in a moment.',
      );
    exporting += 1;
    // Somebody who leaves in the middle ends it; nothing is read that nobody takes.
    await pipeline(Readable.from(exported(db, query, params.form, who), { highWaterMark: 1 }), res)
      .catch((error: unknown) => {
        if (!res.destroyed) throw error;
      })
      .finally(() => {
        exporting -= 1;
      });
  });
  on.signed(getTrends, ({ query, who }) => {
    mustBeOwn(query.personId, who);
    mayRead(who, query.siteId);
    return trendsOf(db, query, now());
  });
  on.signed(getCorrections, ({ query, who }) => {
    mayRead(who, query.siteId);
    return correctionsOf(db, query.siteId, now());
  });
  on.signed(addOrder, ({ body, who }) => queue.add(body, who));
  on.signed(changeOrder, ({ params, body, who }) => queue.change(params.id, body, who));
}

/** What the whole list comes to, found as cheaply as it can be. */
async function countsFor(
  query: LogQuery,
  page: Pick<LogPart, 'brews' | 'next'>,
  db: Db,
): Promise<LogPart['counts']> {
  if (query.before) return null;
  if (page.next === null) return countsOf(page.brews);
  // Most of the log would be walked to count a word.
  if (query.noted !== undefined) return null;
  return logCounts(db, query);
}
