import type { BodyOf, ResponseOf } from '#contracts/endpoint';
import { pathOf, ROUTES } from '#contracts/routes';
import type {
  countLot,
  countPockets,
  fillPockets,
  getStock,
  LotStock,
  Pockets,
  priceLot,
} from '#contracts/stock';
import { api } from '../../platform/api';

type Write<E> = { id: string; body: BodyOf<E> };
/** Leaf in stock: counts, prices, and pockets that were filled ahead. */
export const stockApi = api.injectEndpoints({
  endpoints: (build) => ({
    stock: build.query<ResponseOf<typeof getStock>, void>({
      query: () => ({ url: ROUTES.getStock.path }),
      providesTags: ['Book'],
    }),
    countLot: build.mutation<LotStock, Write<typeof countLot>>({
      query: ({ id, body }) => ({ url: pathOf(ROUTES.countLot, { id }), method: 'POST', body }),
      invalidatesTags: ['Book', 'History'],
    }),
    priceLot: build.mutation<LotStock, Write<typeof priceLot>>({
      query: ({ id, body }) => ({ url: pathOf(ROUTES.priceLot, { id }), method: 'PATCH', body }),
      invalidatesTags: ['Book', 'History'],
    }),
    fillPockets: build.mutation<Pockets, BodyOf<typeof fillPockets>>({
      query: (body) => ({ url: ROUTES.fillPockets.path, method: 'POST', body }),
      invalidatesTags: ['Book', 'History'],
    }),
    countPockets: build.mutation<Pockets, Write<typeof countPockets>>({
      query: ({ id, body }) => ({
        url: pathOf(ROUTES.countPockets, { id }),
        method: 'PATCH',
        body,
      }),
      invalidatesTags: ['Book', 'History'],
    }),
  }),
});

export const {
  useStockQuery,
  useCountLotMutation,
  usePriceLotMutation,
  useFillPocketsMutation,
  useCountPocketsMutation,
} = stockApi;
