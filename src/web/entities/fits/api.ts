import type { BodyOf } from '#contracts/endpoint';
import type { moveFit, TeaFitPage, useFit } from '#contracts/fits';
import { pathOf, ROUTES } from '#contracts/routes';
import { api } from '../../platform/api';

type Write<E> = { id: string; body: BodyOf<E> };
/** A tea’s fit to this house. */
export const fitsApi = api.injectEndpoints({
  endpoints: (build) => ({
    fit: build.query<TeaFitPage, { id: string; without: readonly string[] }>({
      query: ({ id, without }) => ({
        url: pathOf(ROUTES.getFit, { id }),
        params: without.length ? { without: without.join(',') } : {},
      }),
      providesTags: ['Book', 'Log', 'Table'],
    }),
    useFit: build.mutation<TeaFitPage, Write<typeof useFit>>({
      query: ({ id, body }) => ({ url: pathOf(ROUTES.useFit, { id }), method: 'POST', body }),
      invalidatesTags: ['Book'],
    }),
    moveFit: build.mutation<TeaFitPage, Write<typeof moveFit>>({
      query: ({ id, body }) => ({ url: pathOf(ROUTES.moveFit, { id }), method: 'POST', body }),
      invalidatesTags: ['Book'],
    }),
  }),
});

export const { useFitQuery, useUseFitMutation, useMoveFitMutation } = fitsApi;
