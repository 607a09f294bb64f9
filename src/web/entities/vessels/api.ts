import type { BodyOf } from '#contracts/endpoint';
import { pathOf, ROUTES } from '#contracts/routes';
import type { addVessel, changeVessel, Vessel } from '#contracts/vessels';
import { api } from '../../platform/api';

type Write<E> = { id: string; body: BodyOf<E> };
/** Vessels on the shelf. */
export const vesselsApi = api.injectEndpoints({
  endpoints: (build) => ({
    vessels: build.query<{ vessels: Vessel[] }, void>({
      query: () => ({ url: ROUTES.listVessels.path }),
      providesTags: ['Shelf'],
    }),
    addVessel: build.mutation<Vessel, BodyOf<typeof addVessel>>({
      query: (body) => ({ url: ROUTES.addVessel.path, method: 'POST', body }),
      invalidatesTags: ['Shelf'],
    }),
    changeVessel: build.mutation<Vessel, Write<typeof changeVessel>>({
      query: ({ id, body }) => ({
        url: pathOf(ROUTES.changeVessel, { id }),
        method: 'PATCH',
        body,
      }),
      invalidatesTags: ['Shelf', 'History'],
    }),
  }),
});

export const { useVesselsQuery, useAddVesselMutation, useChangeVesselMutation } = vesselsApi;
