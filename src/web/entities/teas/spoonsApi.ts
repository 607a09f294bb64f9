import type { BodyOf } from '#contracts/endpoint';
import type { addSpoon, changeSpoon, HouseSpoon } from '#contracts/kettles';
import { pathOf, ROUTES } from '#contracts/routes';
import { api } from '../../platform/api';

type Write<E> = { id: string; body: BodyOf<E> };
/** The spoons and scoops leaf is measured with. */
export const spoonsApi = api.injectEndpoints({
  endpoints: (build) => ({
    spoons: build.query<{ spoons: HouseSpoon[] }, void>({
      query: () => ({ url: ROUTES.listSpoons.path }),
      providesTags: ['Shelf'],
    }),
    addSpoon: build.mutation<HouseSpoon, BodyOf<typeof addSpoon>>({
      query: (body) => ({ url: ROUTES.addSpoon.path, method: 'POST', body }),
      invalidatesTags: ['Shelf', 'History'],
    }),
    changeSpoon: build.mutation<HouseSpoon, Write<typeof changeSpoon>>({
      query: ({ id, body }) => ({ url: pathOf(ROUTES.changeSpoon, { id }), method: 'PATCH', body }),
      invalidatesTags: ['Shelf', 'Book', 'History'],
    }),
  }),
});

export const { useSpoonsQuery, useAddSpoonMutation, useChangeSpoonMutation } = spoonsApi;
