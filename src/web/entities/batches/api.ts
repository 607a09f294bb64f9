import type { z } from 'zod';
import type { Cold, RecordTaken, takeColdRecord } from '#contracts/batches';
import type { changeColdPlan, ColdPlan, ColdPlanAnswer } from '#contracts/coldPlans';
import type { BodyOf, ResponseOf } from '#contracts/endpoint';
import type {
  answerFridgeGap,
  FridgeGap,
  ReadingsTaken,
  takeFridgeReadings,
} from '#contracts/fridge';
import type { addProbe, endProbe, listProbes } from '#contracts/probes';
import { pathOf, ROUTES } from '#contracts/routes';
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
    /** Thermometers of the fridge that send their readings themselves. */
    probes: build.query<ResponseOf<typeof listProbes>, void>({
      query: () => ({ url: ROUTES.listProbes.path }),
      providesTags: ['Cold'],
    }),
    addProbe: build.mutation<ResponseOf<typeof addProbe>, BodyOf<typeof addProbe>>({
      query: (body) => ({ url: ROUTES.addProbe.path, method: 'POST', body }),
      invalidatesTags: ['Cold'],
    }),
    endProbe: build.mutation<ResponseOf<typeof endProbe>, string>({
      query: (id) => ({ url: pathOf(ROUTES.endProbe, { id }), method: 'POST', body: {} }),
      invalidatesTags: ['Cold'],
    }),
    answerFridgeGap: build.mutation<FridgeGap, BodyOf<typeof answerFridgeGap>>({
      query: (body) => ({ url: ROUTES.answerFridgeGap.path, method: 'POST', body }),
      invalidatesTags: ['Cold'],
    }),
    takeFridgeReadings: build.mutation<ReadingsTaken, BodyOf<typeof takeFridgeReadings>>({
      query: (body) => ({ url: ROUTES.takeFridgeReadings.path, method: 'POST', body }),
      invalidatesTags: (answer) => (answer?.taken ? ['Cold'] : []),
    }),
    takeColdRecord: build.mutation<RecordTaken, BodyOf<typeof takeColdRecord>>({
      query: (body) => ({ url: ROUTES.takeColdRecord.path, method: 'POST', body }),
      invalidatesTags: (answer) => (answer?.taken ? ['Cold'] : []),
    }),
    changeColdPlan: build.mutation<ColdPlan, z.input<typeof changeColdPlan.body>>({
      query: (body) => ({ url: ROUTES.changeColdPlan.path, method: 'PATCH', body }),
      invalidatesTags: ['Cold'],
    }),
  }),
});
export const {
  useAddProbeMutation,
  useAnswerFridgeGapMutation,
  useChangeColdPlanMutation,
  useColdPlanQuery,
  useColdQuery,
  useEndProbeMutation,
  useProbesQuery,
  useTakeColdRecordMutation,
  useTakeFridgeReadingsMutation,
} = batchesApi;
