import type { BodyOf, ResponseOf } from '#contracts/endpoint';
import { pathOf, ROUTES } from '#contracts/routes';
import type {
  addLot,
  changeLot,
  moveVersion,
  setSiteRecipe,
  setSwatches,
  setVocabulary,
  Tea,
} from '#contracts/teas';
import { api } from '../../platform/api';

type Write<E> = { id: string; body: BodyOf<E> };
/** A picture for a record: its own new id, and its bytes. */
type PictureWrite = { id: string; photo: string; body: Blob };
/** What a lead does to teas, lots and versions; not needed on the bar. */
export const teaEditApi = api.injectEndpoints({
  endpoints: (build) => ({
    moveVersion: build.mutation<ResponseOf<typeof moveVersion>, Write<typeof moveVersion>>({
      query: ({ id, body }) => ({ url: pathOf(ROUTES.moveVersion, { id }), method: 'POST', body }),
      invalidatesTags: ['Book', 'History'],
    }),
    setSiteRecipe: build.mutation<ResponseOf<typeof setSiteRecipe>, Write<typeof setSiteRecipe>>({
      query: ({ id, body }) => ({
        url: pathOf(ROUTES.setSiteRecipe, { id }),
        method: 'POST',
        body,
      }),
      invalidatesTags: ['Book', 'History'],
    }),
    addLot: build.mutation<ResponseOf<typeof addLot>, Write<typeof addLot>>({
      query: ({ id, body }) => ({ url: pathOf(ROUTES.addLot, { id }), method: 'POST', body }),
      invalidatesTags: ['Book', 'History'],
    }),
    changeLot: build.mutation<ResponseOf<typeof changeLot>, Write<typeof changeLot>>({
      query: ({ id, body }) => ({ url: pathOf(ROUTES.changeLot, { id }), method: 'PATCH', body }),
      invalidatesTags: ['Book', 'History'],
    }),
    setPhoto: build.mutation<Tea, PictureWrite>({
      query: ({ id, photo, body }) => ({
        url: pathOf(ROUTES.setPhoto, { id }),
        method: 'POST',
        params: { id: photo },
        body,
      }),
      invalidatesTags: ['Book', 'History'],
    }),
    setSwatches: build.mutation<Tea, Write<typeof setSwatches>>({
      query: ({ id, body }) => ({ url: pathOf(ROUTES.setSwatches, { id }), method: 'POST', body }),
      invalidatesTags: ['Book'],
    }),
    dropPhoto: build.mutation<Tea, string>({
      query: (id) => ({ url: pathOf(ROUTES.dropPhoto, { id }), method: 'DELETE' }),
      invalidatesTags: ['Book', 'History'],
    }),
    setVocabulary: build.mutation<ResponseOf<typeof setVocabulary>, BodyOf<typeof setVocabulary>>({
      query: (body) => ({ url: ROUTES.setVocabulary.path, method: 'PATCH', body }),
      invalidatesTags: ['Book', 'History'],
    }),
  }),
});

export const {
  useMoveVersionMutation,
  useSetSiteRecipeMutation,
  useAddLotMutation,
  useChangeLotMutation,
  useSetPhotoMutation,
  useSetSwatchesMutation,
  useDropPhotoMutation,
  useSetVocabularyMutation,
} = teaEditApi;
