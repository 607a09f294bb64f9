import type { ResponseOf } from '#contracts/endpoint';
import type { getCorrections } from '#contracts/log';
import { pathOf, ROUTES } from '#contracts/routes';
import { api } from '../../platform/api';

/** A picture for a record: its own new id, and its bytes. */
type PictureWrite = { id: string; photo: string; body: Blob };
/** What only the log and a brew’s own page do. */
export const brewLogApi = api.injectEndpoints({
  endpoints: (build) => ({
    setBrewPhoto: build.mutation<unknown, PictureWrite>({
      query: ({ id, photo, body }) => ({
        url: pathOf(ROUTES.setBrewPhoto, { id }),
        method: 'POST',
        params: { id: photo },
        body,
      }),
      invalidatesTags: ['Log'],
    }),
    dropBrewPhoto: build.mutation<unknown, string>({
      query: (id) => ({ url: pathOf(ROUTES.dropBrewPhoto, { id }), method: 'DELETE' }),
      invalidatesTags: ['Log'],
    }),
    corrections: build.query<ResponseOf<typeof getCorrections>, string>({
      query: (siteId) => ({ url: ROUTES.getCorrections.path, params: { siteId } }),
      providesTags: ['Log'],
    }),
  }),
});

export const { useSetBrewPhotoMutation, useDropBrewPhotoMutation, useCorrectionsQuery } =
  brewLogApi;
