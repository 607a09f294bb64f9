import type { z } from 'zod';
import type { Bar, getBrew } from '#contracts/brews';
import type { ResponseOf } from '#contracts/endpoint';
import type { getPulls, getTrends, listBrews, LogQuery, Trends } from '#contracts/log';
import { pathOf, ROUTES } from '#contracts/routes';
import { api } from '../../platform/api';

/** The bar, and brews as the log reads them. */
export const brewsApi = api.injectEndpoints({
  endpoints: (build) => ({
    bar: build.query<Bar, void>({
      query: () => ({ url: ROUTES.getBar.path }),
      providesTags: ['Bar'],
    }),
    brew: build.query<ResponseOf<typeof getBrew>, string>({
      query: (id) => ({ url: pathOf(ROUTES.getBrew, { id }) }),
      providesTags: ['Log'],
    }),
    pulls: build.query<ResponseOf<typeof getPulls>, string>({
      query: (id) => ({ url: pathOf(ROUTES.getPulls, { id }) }),
      providesTags: ['Log'],
    }),
    trends: build.query<Trends, z.input<(typeof getTrends)['query']>>({
      query: (q) => ({
        url: ROUTES.getTrends.path,
        params: Object.fromEntries(Object.entries(q).map(([k, v]) => [k, String(v)])),
      }),
    }),
    log: build.query<ResponseOf<typeof listBrews>, LogQuery>({
      query: (q) => ({
        url: ROUTES.listBrews.path,
        params: Object.fromEntries(
          Object.entries(q)
            .filter(([, v]) => v !== undefined)
            .map(([k, v]) => [k, String(v)]),
        ),
      }),
      providesTags: ['Log'],
    }),
  }),
});

export const { useBarQuery, useBrewQuery, usePullsQuery, useTrendsQuery, useLogQuery } = brewsApi;
