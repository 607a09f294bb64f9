import type { BodyOf, ResponseOf } from '#contracts/endpoint';
import type { Person } from '#contracts/people';
import { pathOf, ROUTES } from '#contracts/routes';
import type {
  addSignEvent,
  DrillAnswer,
  getTraining,
  getTrainingBoard,
  removeTraining,
  SchoolSettings,
  SignEventBody,
} from '#contracts/training';
import { api } from '../../platform/api';

/** What is practised and signed. */
export const trainingApi = api.injectEndpoints({
  endpoints: (build) => ({
    training: build.query<ResponseOf<typeof getTraining>, void>({
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
    setSchool: build.mutation<SchoolSettings, SchoolSettings>({
      query: (body) => ({ url: ROUTES.setSchool.path, method: 'PATCH', body }),
      invalidatesTags: ['Training', 'History'],
    }),
    makeBrewer: build.mutation<Person, string>({
      query: (personId) => ({
        url: pathOf(ROUTES.makeBrewer, { personId }),
        method: 'POST',
        body: {},
      }),
      invalidatesTags: ['Training', 'People', 'History'],
    }),
    removeTraining: build.mutation<ResponseOf<typeof removeTraining>, string>({
      query: (personId) => ({
        url: pathOf(ROUTES.removeTraining, { personId }),
        method: 'DELETE',
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
  useMakeBrewerMutation,
  useRemoveTrainingMutation,
  useSetSchoolMutation,
  useSettleDisputeMutation,
  useTrainingBoardQuery,
  useTrainingQuery,
} = trainingApi;
