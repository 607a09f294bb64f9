import type {
  addLot,
  changeLot,
  moveVersion,
  setSwatches,
  setVocabulary,
  Tea,
} from '#contracts/book';
import type { getShop } from '#contracts/shop';
import type { getCorrections } from '#contracts/brews';
import type { BodyOf, ResponseOf } from '#contracts/endpoint';
import type { moveFit, TeaFitPage, useFit } from '#contracts/fits';
import { pathOf, ROUTES } from '#contracts/routes';
import type { listImports, previewImport, runImport, Import, Preview } from '#contracts/exchange';
import type { getHistory, Thing } from '#contracts/history';
import type { listTastings, SetUpTasting, TastingView } from '#contracts/tastings';
import type {
  addKettle,
  addReading,
  addSpoon,
  changeKettle,
  changeSpoon,
  HouseSpoon,
  Kettle,
} from '#contracts/instruments';
import { api } from './api';

type Write<E> = { id: string; body: BodyOf<E> };
/** A picture for a record: its own new id, and its bytes. */
type PictureWrite = { id: string; photo: string; body: Blob };

/**
 * Records that the bar does not need: lots, instruments, tastings, history, exchange. Loaded with the places that do.
 */
const leadApi = api.injectEndpoints({
  endpoints: (build) => ({
    moveVersion: build.mutation<ResponseOf<typeof moveVersion>, Write<typeof moveVersion>>({
      query: ({ id, body }) => ({ url: pathOf(ROUTES.moveVersion, { id }), method: 'POST', body }),
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
    history: build.query<ResponseOf<typeof getHistory>, { thing: Thing; id: string }>({
      query: (q) => ({ url: pathOf(ROUTES.getHistory, q) }),
      providesTags: ['History'],
    }),
    spoons: build.query<{ spoons: HouseSpoon[] }, void>({
      query: () => ({ url: ROUTES.listSpoons.path }),
      providesTags: ['Shelf'],
    }),
    addSpoon: build.mutation<HouseSpoon, BodyOf<typeof addSpoon>>({
      query: (body) => ({ url: ROUTES.addSpoon.path, method: 'POST', body }),
      invalidatesTags: ['Shelf', 'History'],
    }),
    changeSpoon: build.mutation<HouseSpoon, Write<typeof changeSpoon>>({
      query: ({ id, body }) => ({ url: pathOf(ROUTES.changeSpoon, { id }), method: 'PATCH', body }),
      invalidatesTags: ['Shelf', 'Book', 'History'],
    }),
    kettles: build.query<{ kettles: Kettle[] }, void>({
      query: () => ({ url: ROUTES.listKettles.path }),
      providesTags: ['Shelf'],
    }),
    addKettle: build.mutation<Kettle, BodyOf<typeof addKettle>>({
      query: (body) => ({ url: ROUTES.addKettle.path, method: 'POST', body }),
      invalidatesTags: ['Shelf', 'History'],
    }),
    changeKettle: build.mutation<Kettle, Write<typeof changeKettle>>({
      query: ({ id, body }) => ({
        url: pathOf(ROUTES.changeKettle, { id }),
        method: 'PATCH',
        body,
      }),
      invalidatesTags: ['Shelf', 'History'],
    }),
    addReading: build.mutation<Kettle, Write<typeof addReading>>({
      query: ({ id, body }) => ({ url: pathOf(ROUTES.addReading, { id }), method: 'POST', body }),
      invalidatesTags: ['Shelf'],
    }),
    dropReading: build.mutation<Kettle, { id: string; reading: string }>({
      query: (p) => ({ url: pathOf(ROUTES.dropReading, p), method: 'DELETE' }),
      invalidatesTags: ['Shelf', 'History'],
    }),
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
    shop: build.query<ResponseOf<typeof getShop>, void>({
      query: () => ({ url: ROUTES.getShop.path }),
    }),
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
    tastings: build.query<ResponseOf<typeof listTastings>, string>({
      query: (siteId) => ({ url: ROUTES.listTastings.path, params: { siteId } }),
      providesTags: ['Table'],
    }),
    setUpTasting: build.mutation<TastingView, SetUpTasting>({
      query: (body) => ({ url: ROUTES.setUpTasting.path, method: 'POST', body }),
      invalidatesTags: ['Table'],
    }),
    previewImport: build.mutation<Preview, BodyOf<typeof previewImport>>({
      query: (body) => ({ url: ROUTES.previewImport.path, method: 'POST', body }),
    }),
    runImport: build.mutation<Import, BodyOf<typeof runImport>>({
      query: (body) => ({ url: ROUTES.runImport.path, method: 'POST', body }),
      invalidatesTags: ['Book', 'Shelf', 'History', 'Imports'],
    }),
    imports: build.query<ResponseOf<typeof listImports>, void>({
      query: () => ({ url: ROUTES.listImports.path }),
      providesTags: ['Imports'],
    }),
    undoImport: build.mutation<Import, string>({
      query: (id) => ({ url: pathOf(ROUTES.undoImport, { id }), method: 'POST', body: {} }),
      invalidatesTags: ['Book', 'Shelf', 'History', 'Imports'],
    }),
  }),
});

export const {
  useShopQuery,
  useSetBrewPhotoMutation,
  useDropBrewPhotoMutation,
  useSetSwatchesMutation,
  useFitQuery,
  useUseFitMutation,
  useMoveFitMutation,
  useMoveVersionMutation,
  useAddLotMutation,
  useChangeLotMutation,
  useSetPhotoMutation,
  useDropPhotoMutation,
  useSetVocabularyMutation,
  useHistoryQuery,
  usePreviewImportMutation,
  useRunImportMutation,
  useImportsQuery,
  useUndoImportMutation,
  useSpoonsQuery,
  useAddSpoonMutation,
  useChangeSpoonMutation,
  useKettlesQuery,
  useAddKettleMutation,
  useChangeKettleMutation,
  useAddReadingMutation,
  useDropReadingMutation,
  useTastingsQuery,
  useCorrectionsQuery,
  useSetUpTastingMutation,
} = leadApi;
