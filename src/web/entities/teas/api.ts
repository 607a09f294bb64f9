import type { BodyOf, ResponseOf } from '#contracts/endpoint';
import { pathOf, ROUTES } from '#contracts/routes';
import type { addTea, addVersion, changeTea, getBook, TeaPage } from '#contracts/teas';
import { api } from '../../platform/api';

type Write<E> = { id: string; body: BodyOf<E> };
/** Teas with their recipes, as every place reads them. */
export const teasApi = api.injectEndpoints({
  endpoints: (build) => ({
    book: build.query<ResponseOf<typeof getBook>, void>({
      query: () => ({ url: ROUTES.getBook.path }),
      providesTags: ['Book'],
    }),
    tea: build.query<TeaPage, string>({
      query: (id) => ({ url: pathOf(ROUTES.getTea, { id }) }),
      providesTags: ['Book'],
    }),
    addTea: build.mutation<ResponseOf<typeof addTea>, BodyOf<typeof addTea>>({
      query: (body) => ({ url: ROUTES.addTea.path, method: 'POST', body }),
      invalidatesTags: ['Book'],
    }),
    changeTea: build.mutation<ResponseOf<typeof changeTea>, Write<typeof changeTea>>({
      query: ({ id, body }) => ({ url: pathOf(ROUTES.changeTea, { id }), method: 'PATCH', body }),
      invalidatesTags: ['Book', 'History'],
    }),
    addVersion: build.mutation<ResponseOf<typeof addVersion>, Write<typeof addVersion>>({
      query: ({ id, body }) => ({ url: pathOf(ROUTES.addVersion, { id }), method: 'POST', body }),
      invalidatesTags: ['Book'],
    }),
    settleNote: build.mutation<unknown, string>({
      query: (id) => ({ url: pathOf(ROUTES.settleNote, { id }), method: 'POST', body: {} }),
      invalidatesTags: ['Book'],
    }),
  }),
});

export const {
  useBookQuery,
  useTeaQuery,
  useAddTeaMutation,
  useChangeTeaMutation,
  useAddVersionMutation,
  useSettleNoteMutation,
} = teasApi;
