import type { BodyOf, ResponseOf } from '#contracts/endpoint';
import { pathOf, ROUTES } from '#contracts/routes';
import type {
  addSignEvent,
  DrillAnswer,
  getTrainingBoard,
  Practice,
  SignEventBody,
} from '#contracts/training';
import { api } from '../../platform/api';

/** What is practised and signed. */
export const trainingApi = api.injectEndpoints({
  endpoints: (build) => ({
    training: build.query<Practice, void>({
      query: () => ({ url: ROUTES.getTraining.path }),
      providesTags: ['Training'],
    }),
    trainingBoard: build.query<ResponseOf<typeof getTrainingBoard>, void>({
      query: () => ({ url: ROUTES.getTrainingBoard.path }),
      providesTags: ['Training'],
    }),
    settleDispute: build.mutation<DrillAnswer, { id: string; isWrong: boolean }>({
      query: ({ id, ...body }) => ({
        url: pathOf(ROUTES.settleDispute, { id }),
        method: 'POST',
        body,
      }),
      invalidatesTags: ['Training', 'History'],
    }),
    addSignEvent: build.mutation<SignEventBody, BodyOf<typeof addSignEvent>>({
      query: (body) => ({ url: ROUTES.addSignEvent.path, method: 'POST', body }),
      invalidatesTags: ['Training', 'History'],
    }),
  }),
});
export const {
  useAddSignEventMutation,
  useSettleDisputeMutation,
  useTrainingBoardQuery,
  useTrainingQuery,
} = trainingApi;
