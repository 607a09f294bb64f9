import {
  exportBook,
  exportTable,
  listImports,
  previewImport,
  runImport,
  undoImport,
} from '#contracts/exchange';
import type { Deps } from '../../deps';
import type { routes } from '../../http/route';
import { exchangeFile, exchangeText } from './records';
import { createExchangeService } from './service';
import { readHere } from './snapshot';
import { tableText } from './toTable';

export function exchangeRoutes(on: ReturnType<typeof routes>, deps: Deps) {
  const exchange = createExchangeService(deps);
  on.signed(previewImport, ({ body, who }) => exchange.preview(body, who));
  on.signed(runImport, ({ body, who }) => exchange.run(body, who));
  on.signed(listImports, () => exchange.latest());
  on.signed(undoImport, ({ params, who }) => exchange.undo(params.id, who));
  on.file(exportBook, async () => ({
    type: 'application/json',
    name: 'tea-book.json',
    save: true,
    body: Buffer.from(exchangeText(exchangeFile(await readHere(deps.db)))),
  }));
  on.file(exportTable, async ({ params, query }) => ({
    type: 'text/csv; charset=utf-8',
    name: `${params.table}.csv`,
    save: true,
    body: Buffer.from(tableText(params.table, await readHere(deps.db), query.comma)),
  }));
}
