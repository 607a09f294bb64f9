import type { ResponseOf } from '#contracts/endpoint';
import type { getHistory, Thing } from '#contracts/history';
import { pathOf, ROUTES } from '#contracts/routes';
import { api } from '../../platform/api';

/** Who changed what of a record, and when. */
export const historyApi = api.injectEndpoints({
  endpoints: (build) => ({
    history: build.query<ResponseOf<typeof getHistory>, { thing: Thing; id: string }>({
      query: (q) => ({ url: pathOf(ROUTES.getHistory, q) }),
      providesTags: ['History'],
    }),
  }),
});

export const { useHistoryQuery } = historyApi;
