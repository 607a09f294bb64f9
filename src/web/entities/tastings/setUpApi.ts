import type { ResponseOf } from '#contracts/endpoint';
import { pathOf, ROUTES } from '#contracts/routes';
import type { listTastings, SetUpTasting, TastingView } from '#contracts/tastings';
import { api } from '../../platform/api';

/** The list of tastings, and a new one. */
export const tastingSetUpApi = api.injectEndpoints({
  endpoints: (build) => ({
    tastings: build.query<ResponseOf<typeof listTastings>, string>({
      query: (siteId) => ({ url: ROUTES.listTastings.path, params: { siteId } }),
      providesTags: ['Table'],
    }),
    setUpTasting: build.mutation<TastingView, SetUpTasting>({
      query: (body) => ({ url: ROUTES.setUpTasting.path, method: 'POST', body }),
      invalidatesTags: ['Table'],
    }),
    openForGuests: build.mutation<TastingView, string>({
      query: (id) => ({ url: pathOf(ROUTES.openForGuests, { id }), method: 'POST', body: {} }),
      invalidatesTags: ['Table'],
    }),
  }),
});

export const { useTastingsQuery, useSetUpTastingMutation, useOpenForGuestsMutation } =
  tastingSetUpApi;
