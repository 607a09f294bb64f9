import type { BodyOf } from '#contracts/endpoint';
import type { addKettle, addReading, changeKettle, Kettle } from '#contracts/kettles';
import { pathOf, ROUTES } from '#contracts/routes';
import { api } from '../../platform/api';

type Write<E> = { id: string; body: BodyOf<E> };
/** Kettles and their readings. */
export const kettlesApi = api.injectEndpoints({
  endpoints: (build) => ({
    kettles: build.query<{ kettles: Kettle[] }, void>({
      query: () => ({ url: ROUTES.listKettles.path }),
      providesTags: ['Shelf'],
    }),
    addKettle: build.mutation<Kettle, BodyOf<typeof addKettle>>({
      query: (body) => ({ url: ROUTES.addKettle.path, method: 'POST', body }),
      invalidatesTags: ['Shelf', 'History'],
    }),
    changeKettle: build.mutation<Kettle, Write<typeof changeKettle>>({
      query: ({ id, body }) => ({
        url: pathOf(ROUTES.changeKettle, { id }),
        method: 'PATCH',
        body,
      }),
      invalidatesTags: ['Shelf', 'History'],
    }),
    addReading: build.mutation<Kettle, Write<typeof addReading>>({
      query: ({ id, body }) => ({ url: pathOf(ROUTES.addReading, { id }), method: 'POST', body }),
      invalidatesTags: ['Shelf'],
    }),
    dropReading: build.mutation<Kettle, { id: string; reading: string }>({
      query: (p) => ({ url: pathOf(ROUTES.dropReading, p), method: 'DELETE' }),
      invalidatesTags: ['Shelf', 'History'],
    }),
  }),
});

export const {
  useKettlesQuery,
  useAddKettleMutation,
  useChangeKettleMutation,
  useAddReadingMutation,
  useDropReadingMutation,
} = kettlesApi;
