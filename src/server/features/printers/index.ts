import { addPrinter, listPrinters, printOn, removePrinter } from '#contracts/printers';
import type { Deps } from '../../deps';
import type { routes } from '../../http/route';
import { createPrinterService, type LabelSources } from './service';

export type { LabelSources } from './service';

export function printerRoutes(on: ReturnType<typeof routes>, deps: Deps, sources: LabelSources) {
  const printers = createPrinterService(deps, sources);
  on.signed(listPrinters, async () => ({ printers: await printers.all() }));
  on.signed(addPrinter, ({ body, who }) => printers.add(body, who));
  on.signed(removePrinter, ({ params, who }) => printers.remove(params.id, who));
  on.signed(printOn, ({ params, body, who, req }) =>
    printers.print(params.id, body, who, `${req.protocol}://${req.get('host') ?? ''}`),
  );
}
