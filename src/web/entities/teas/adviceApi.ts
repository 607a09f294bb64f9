import type { getAdvice, TeaAdvice } from '#contracts/advice';
import type { ResponseOf } from '#contracts/endpoint';
import { pathOf, ROUTES } from '#contracts/routes';
import { api } from '../../platform/api';

type Asked = { readonly id: string; readonly without: readonly string[] };
/** What all judged cups of a tea say of its recipe. */
export const adviceApi = api.injectEndpoints({
  endpoints: (build) => ({
    advice: build.query<TeaAdvice | null, Asked>({
      query: ({ id, without }) => ({
        url: pathOf(ROUTES.getAdvice, { id }),
        params: without.length > 0 ? { without: without.join(',') } : undefined,
      }),
      transformResponse: (answer: ResponseOf<typeof getAdvice>) => answer.advice,
      providesTags: ['Book', 'Log'],
    }),
  }),
});
export const { useAdviceQuery } = adviceApi;
