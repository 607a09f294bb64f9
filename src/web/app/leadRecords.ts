import { addLot, changeLot, dropPhoto, moveVersion, setPhoto, setVocabulary, type Tea } from '#contracts/book';
import { pathOf, type BodyOf, type ResponseOf } from '#contracts/endpoint';
import { listImports, previewImport, runImport, undoImport, type Import, type Preview } from '#contracts/exchange';
import { getHistory, type Thing } from '#contracts/history';
import { addKettle, addReading, addSpoon, changeKettle, changeSpoon, dropReading, listKettles, listSpoons, type HouseSpoon, type Kettle } from '#contracts/instruments';
import { api } from './api';

type Write<E> = { id: string; body: BodyOf<E> };

/** Records that the bar does not need: lots, instruments, history, exchange. Loaded with the places that do. */
const leadApi = api.injectEndpoints({
  endpoints: (build) => ({
    moveVersion: build.mutation<ResponseOf<typeof moveVersion>, Write<typeof moveVersion>>({ query: ({ id, body }) => ({ url: pathOf(moveVersion, { id }), method: 'POST', body }), invalidatesTags: ['Book', 'History'] }),
    addLot: build.mutation<ResponseOf<typeof addLot>, Write<typeof addLot>>({ query: ({ id, body }) => ({ url: pathOf(addLot, { id }), method: 'POST', body }), invalidatesTags: ['Book', 'History'] }),
    changeLot: build.mutation<ResponseOf<typeof changeLot>, Write<typeof changeLot>>({ query: ({ id, body }) => ({ url: pathOf(changeLot, { id }), method: 'PATCH', body }), invalidatesTags: ['Book', 'History'] }),
    setPhoto: build.mutation<Tea, Write<typeof setPhoto>>({ query: ({ id, body }) => ({ url: pathOf(setPhoto, { id }), method: 'POST', body }), invalidatesTags: ['Book', 'History'] }),
    dropPhoto: build.mutation<Tea, string>({ query: (id) => ({ url: pathOf(dropPhoto, { id }), method: 'DELETE' }), invalidatesTags: ['Book', 'History'] }),
    setVocabulary: build.mutation<ResponseOf<typeof setVocabulary>, BodyOf<typeof setVocabulary>>({ query: (body) => ({ url: setVocabulary.path, method: 'PATCH', body }), invalidatesTags: ['Book', 'History'] }),
    history: build.query<ResponseOf<typeof getHistory>, { thing: Thing; id: string }>({ query: (q) => ({ url: pathOf(getHistory, q) }), providesTags: ['History'] }),
    spoons: build.query<{ spoons: HouseSpoon[] }, void>({ query: () => ({ url: listSpoons.path }), providesTags: ['Shelf'] }),
    addSpoon: build.mutation<HouseSpoon, BodyOf<typeof addSpoon>>({ query: (body) => ({ url: addSpoon.path, method: 'POST', body }), invalidatesTags: ['Shelf', 'History'] }),
    changeSpoon: build.mutation<HouseSpoon, Write<typeof changeSpoon>>({ query: ({ id, body }) => ({ url: pathOf(changeSpoon, { id }), method: 'PATCH', body }), invalidatesTags: ['Shelf', 'Book', 'History'] }),
    kettles: build.query<{ kettles: Kettle[] }, void>({ query: () => ({ url: listKettles.path }), providesTags: ['Shelf'] }),
    addKettle: build.mutation<Kettle, BodyOf<typeof addKettle>>({ query: (body) => ({ url: addKettle.path, method: 'POST', body }), invalidatesTags: ['Shelf', 'History'] }),
    changeKettle: build.mutation<Kettle, Write<typeof changeKettle>>({ query: ({ id, body }) => ({ url: pathOf(changeKettle, { id }), method: 'PATCH', body }), invalidatesTags: ['Shelf', 'History'] }),
    addReading: build.mutation<Kettle, Write<typeof addReading>>({ query: ({ id, body }) => ({ url: pathOf(addReading, { id }), method: 'POST', body }), invalidatesTags: ['Shelf'] }),
    dropReading: build.mutation<Kettle, { id: string; reading: string }>({ query: (p) => ({ url: pathOf(dropReading, p), method: 'DELETE' }), invalidatesTags: ['Shelf', 'History'] }),
    previewImport: build.mutation<Preview, BodyOf<typeof previewImport>>({ query: (body) => ({ url: previewImport.path, method: 'POST', body }) }),
    runImport: build.mutation<Import, BodyOf<typeof runImport>>({ query: (body) => ({ url: runImport.path, method: 'POST', body }), invalidatesTags: ['Book', 'Shelf', 'History', 'Imports'] }),
    imports: build.query<ResponseOf<typeof listImports>, void>({ query: () => ({ url: listImports.path }), providesTags: ['Imports'] }),
    undoImport: build.mutation<Import, string>({ query: (id) => ({ url: pathOf(undoImport, { id }), method: 'POST', body: {} }), invalidatesTags: ['Book', 'Shelf', 'History', 'Imports'] }),
  }),
});

export const {
  useMoveVersionMutation, useAddLotMutation, useChangeLotMutation, useSetPhotoMutation, useDropPhotoMutation, useSetVocabularyMutation, useHistoryQuery, usePreviewImportMutation, useRunImportMutation, useImportsQuery, useUndoImportMutation,
  useSpoonsQuery, useAddSpoonMutation, useChangeSpoonMutation, useKettlesQuery, useAddKettleMutation, useChangeKettleMutation, useAddReadingMutation, useDropReadingMutation,
} = leadApi;
