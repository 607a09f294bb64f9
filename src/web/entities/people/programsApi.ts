import type { BodyOf, ResponseOf } from '#contracts/endpoint';
import type { addProgram, Program } from '#contracts/programs';
import { pathOf, ROUTES } from '#contracts/routes';
import { api } from '../../platform/api';

/** Programs with a key to this house. */
export const programsApi = api.injectEndpoints({
  endpoints: (build) => ({
    programs: build.query<{ programs: Program[] }, void>({
      query: () => ({ url: ROUTES.listPrograms.path }),
      providesTags: ['Programs'],
    }),
    addProgram: build.mutation<ResponseOf<typeof addProgram>, BodyOf<typeof addProgram>>({
      query: (body) => ({ url: ROUTES.addProgram.path, method: 'POST', body }),
      invalidatesTags: ['Programs', 'History'],
    }),
    endProgram: build.mutation<Program, string>({
      query: (id) => ({ url: pathOf(ROUTES.endProgram, { id }), method: 'POST', body: {} }),
      invalidatesTags: ['Programs', 'History'],
    }),
  }),
});
export const { useProgramsQuery, useAddProgramMutation, useEndProgramMutation } = programsApi;
