import type { getAdvice, leaveOut, TeaAdvice } from '#contracts/advice';
import type { BodyOf, ResponseOf } from '#contracts/endpoint';
import { pathOf, ROUTES } from '#contracts/routes';
import { api } from '../../platform/api';

/** What all judged cups of a tea say of its recipe. */
export const adviceApi = api.injectEndpoints({
  endpoints: (build) => ({
    advice: build.query<TeaAdvice | null, string>({
      query: (id) => ({ url: pathOf(ROUTES.getAdvice, { id }) }),
      transformResponse: (answer: ResponseOf<typeof getAdvice>) => answer.advice,
      providesTags: ['Book', 'Log'],
    }),
    leaveOut: build.mutation<unknown, { id: string } & BodyOf<typeof leaveOut>>({
      query: ({ id, why }) => ({
        url: pathOf(ROUTES.leaveOut, { id }),
        method: 'PATCH',
        body: { why },
      }),
      invalidatesTags: ['Book', 'History'],
    }),
  }),
});
export const { useAdviceQuery, useLeaveOutMutation } = adviceApi;
