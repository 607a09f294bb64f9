import type { BodyOf } from '#contracts/endpoint';
import type { addPrinter, Printer, printOn } from '#contracts/printers';
import { pathOf, ROUTES } from '#contracts/routes';
import { api } from '../../platform/api';

/** Label printers of the house. */
export const printersApi = api.injectEndpoints({
  endpoints: (build) => ({
    printers: build.query<{ printers: Printer[] }, void>({
      query: () => ({ url: ROUTES.listPrinters.path }),
      providesTags: ['Printers'],
    }),
    addPrinter: build.mutation<Printer, BodyOf<typeof addPrinter>>({
      query: (body) => ({ url: ROUTES.addPrinter.path, method: 'POST', body }),
      invalidatesTags: ['Printers', 'History'],
    }),
    removePrinter: build.mutation<{ removed: true }, string>({
      query: (id) => ({ url: pathOf(ROUTES.removePrinter, { id }), method: 'DELETE' }),
      invalidatesTags: ['Printers', 'History'],
    }),
    printOn: build.mutation<{ bytes: number }, BodyOf<typeof printOn> & { printerId: string }>({
      query: ({ printerId, ...body }) => ({
        url: pathOf(ROUTES.printOn, { id: printerId }),
        method: 'POST',
        body,
      }),
    }),
  }),
});
export const {
  usePrintersQuery,
  useAddPrinterMutation,
  useRemovePrinterMutation,
  usePrintOnMutation,
} = printersApi;
