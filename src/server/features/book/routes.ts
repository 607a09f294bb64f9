import { addTea, addVersion, adoptVersion, changeTea, getBook, getTea, settleNote } from '#contracts/book';
import type { routes } from '../../http/route';
import type { Book } from './service';

export function bookRoutes(on: ReturnType<typeof routes>, book: Book) {
  on.signed(getBook, async () => ({ teas: await book.all() }));
  on.signed(getTea, ({ params }) => book.page(params.id));
  on.signed(addTea, ({ body, who }) => book.add(body, who));
  on.signed(changeTea, ({ params, body }) => book.change(params.id, body));
  on.signed(addVersion, ({ params, body, who }) => book.addVersion(params.id, body, who));
  on.signed(adoptVersion, ({ params }) => book.adopt(params.id));
  on.signed(settleNote, async ({ params, who }) => {
    await book.settle(params.id, who);
    return {};
  });
}
