import { pathOf, ROUTES } from '#contracts/routes';
import type { TastingView } from '#contracts/tastings';
import { api } from '../../platform/api';

/** One tasting, as it is run. */
export const tastingsApi = api.injectEndpoints({
  endpoints: (build) => ({
    tasting: build.query<TastingView, string>({
      query: (id) => ({ url: pathOf(ROUTES.getTasting, { id }) }),
      providesTags: ['Table'],
    }),
  }),
});

export const { useTastingQuery } = tastingsApi;
