import type { z } from 'zod';
import type { changeColdPlan, Cold, ColdPlan, ColdPlanAnswer } from '#contracts/batches';
import { ROUTES } from '#contracts/routes';
import { api } from '../../platform/api';

/** Cold batches of the site and how its fridge has stood. */
export const batchesApi = api.injectEndpoints({
  endpoints: (build) => ({
    cold: build.query<Cold, void>({
      query: () => ({ url: ROUTES.getCold.path }),
      providesTags: ['Cold'],
    }),
    /** What is to be begun, and what that is learnt from. */
    coldPlan: build.query<ColdPlanAnswer, void>({
      query: () => ({ url: ROUTES.getColdPlan.path }),
      providesTags: ['Cold'],
    }),
    changeColdPlan: build.mutation<ColdPlan, z.input<typeof changeColdPlan.body>>({
      query: (body) => ({ url: ROUTES.changeColdPlan.path, method: 'PATCH', body }),
      invalidatesTags: ['Cold'],
    }),
  }),
});
export const { useColdQuery, useColdPlanQuery, useChangeColdPlanMutation } = batchesApi;
