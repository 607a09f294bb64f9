import type { BodyOf, ResponseOf } from '#contracts/endpoint';
import type { Import, listImports, Preview, previewImport, runImport } from '#contracts/exchange';
import { pathOf, ROUTES } from '#contracts/routes';
import { api } from '../../platform/api';

/** Books brought in: preview, import, and what was brought in before. */
export const exchangeApi = api.injectEndpoints({
  endpoints: (build) => ({
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
  usePreviewImportMutation,
  useRunImportMutation,
  useImportsQuery,
  useUndoImportMutation,
} = exchangeApi;
