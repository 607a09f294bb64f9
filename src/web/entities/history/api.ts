import type { getAudit } from '#contracts/audit';
import type { QueryOf, ResponseOf } from '#contracts/endpoint';
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
    audit: build.query<ResponseOf<typeof getAudit>, QueryOf<typeof getAudit>>({
      query: ({ from, to, ...given }) => ({
        url: ROUTES.getAudit.path,
        params: { ...given, from: from?.toString(), to: to?.toString() },
      }),
      providesTags: ['History'],
    }),
  }),
});

export const { useHistoryQuery, useAuditQuery } = historyApi;
